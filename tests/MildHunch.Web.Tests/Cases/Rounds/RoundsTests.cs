using System.Net;
using System.Text.Json.Nodes;
using static MildHunch.Web.Tests.Cases.Rounds.TwoRounds;

namespace MildHunch.Web.Tests.Cases.Rounds;

/// <summary>A case is opened, mended and proved several times: each round keeps what was done in it.</summary>
public sealed class RoundsTests : IDisposable
{
    private readonly Product product = new();

    public void Dispose() => product.Dispose();

    [Fact]
    public async Task The_second_opening_leaves_the_first_as_it_was()
    {
        var id = await New(product);
        await product.Change(id, Read(35));
        await Open(product, id, 2, "discharge", "fine");
        await product.Change(id, Read(36));
        var before = await product.Get($"/api/cases/{id}");
        (before["round"]!.GetValue<int>(), before["mends"]!.GetValue<int>()).ShouldBe((1, 1));

        var begun = await product.Change(id, Work("plan", Plan(1, "inlet")));
        (begun["round"]!.GetValue<int>(), begun["mends"]!.GetValue<int>()).ShouldBe((2, 1));
        begun["work"]!["steps"]!.AsObject().ShouldBeEmpty();
        var first = (await product.Get($"/api/cases/{id}/rounds")).AsArray().ShouldHaveSingleItem()!;
        first["says"]!.GetValue<string>().ShouldContain("1 x valve (2 discharge)");
        first["found"]![0]!["place"]!.GetValue<string>().ShouldBe("Valve 2 discharge");
        Values(first["changed"]![0]!).ShouldBe((35, 36));

        // It is opened anew: whoever opens it reads the hazards first.
        var (refused, why) = await product.Tell(
            id, Work("steps", new JsonObject { ["valve.off.1@1.inlet"] = new JsonObject { ["by"] = "Tobi Marr" } }));
        refused.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        why!["detail"]!.GetValue<string>().ShouldContain("Read the hazards");

        // Undone, the case stands in its first round again with all of it.
        var (_, undone) = await product.Send(HttpMethod.Post, $"/api/cases/{id}/undo", null, await product.Etag(id));
        undone!["round"]!.GetValue<int>().ShouldBe(1);
        undone["work"]!.ToJsonString().ShouldBe(before["work"]!.ToJsonString());
    }

    [Fact]
    public async Task What_is_read_belongs_to_the_mends_behind_it_and_only_the_last_counts()
    {
        var id = await Worked(product);
        var shown = await product.Get($"/api/cases/{id}");
        shown["readings"]!.AsArray().Select(r => (Bar(r!["value"]!), r["mends"]!.GetValue<int>(), r["at"]!.GetValue<string>()))
            .ShouldBe([(35, 0, "before"), (36, 1, "before"), (70, 2, "after")]);
        var alone = await New(product);
        var healthy = await product.Change(alone, Read(70));
        Leader(shown).ShouldBe(Leader(healthy));
        var proof = await product.Get($"/api/cases/{id}/proof");
        Values(proof["changed"]![0]!).ShouldBe((36, 70));
    }

    /// <summary>Record, report and costs count both openings; what the customer reads says which was which.</summary>
    [Fact]
    public async Task Record_report_and_costs_count_both()
    {
        var id = await Worked(product);
        await Close(product, id);
        (await TakenOut(product, id)).Where(t => t.StartsWith("valve.")).Select(t => t[..t.LastIndexOf(' ')])
            .ShouldBe(["valve.2.discharge along", "valve.1.inlet failed"], ignoreOrder: true);

        var report = (await product.Get($"/api/cases/{id}/report"))["content"]!;
        var summary = report["summary"]!.AsArray().Select(s => s!.GetValue<string>()).ToArray();
        summary.ShouldContain(s => s.StartsWith("Round 1: renewed") && s.Contains("valve"));
        summary.ShouldContain(s => s.StartsWith("Round 2: renewed") && s.Contains("valve"));
        var costs = Section(report, "costs")["table"]!["rows"]!.AsArray().Select(r => r![0]!.GetValue<string>());
        costs.Count(c => c.StartsWith("Labour, as planned, round")).ShouldBe(2);
        Rows(Section(report, "found-1")).ShouldBe(["Valve 2 discharge"]);
        Rows(Section(report, "found-2")).ShouldBe(["Valve 1 inlet"]);
        var findings = await product.Http.GetStringAsync($"/api/cases/{id}/findings.csv", TestContext.Current.CancellationToken);
        findings.ShouldContain("1,valve,Valve,2.discharge,fine");
        findings.ShouldContain("2,valve,Valve,1.inlet,failed");
    }

    /// <summary>One valve opened three times: each answer stands at its own round, and none is in the way of another.</summary>
    [Fact]
    public async Task The_same_place_may_be_found_otherwise_each_time()
    {
        var id = await New(product);
        foreach (var state in new[] { "failed", "fine", "worn" })
        {
            await Open(product, id, 2, "discharge", state);
            await product.Change(id, Read(40));
        }

        var shown = await product.Get($"/api/cases/{id}");
        shown["trouble"].ShouldBeNull();
        (await product.Get($"/api/cases/{id}/rounds")).AsArray().Select(r => r!["found"]![0]!["state"]!.GetValue<string>())
            .ShouldBe(["failed", "fine"]);
        shown["work"]!["found"]!["valve.2.discharge"]!["state"]!.GetValue<string>().ShouldBe("worn");
    }

    /// <summary>A knock that was heard after the first mend does not go with a plan that is put away again.</summary>
    [Fact]
    public async Task A_round_in_which_nothing_was_done_is_none()
    {
        var id = await New(product);
        await Open(product, id, 2, "discharge", "fine");
        await product.Change(id, Read(36));
        await product.Change(id, new JsonObject
        {
            ["proof"] = new JsonObject
            {
                ["verdict"] = new JsonObject { ["outcome"] = "back", ["by"] = "Ines Halvard" },
            }
        });
        var before = await product.Get($"/api/cases/{id}");
        (await product.Change(id, Work("plan", Plan(1, "inlet"))))["round"]!.GetValue<int>().ShouldBe(2);
        var after = await product.Change(id, Work("plan", new JsonObject()));
        (after["round"]!.GetValue<int>(), after["mends"]!.GetValue<int>()).ShouldBe((1, 1));
        after["proof"]!.ToJsonString().ShouldBe(before["proof"]!.ToJsonString());

        // With something done in it, it stays a round.
        await product.Change(id, Work("plan", Plan(1, "inlet")));
        await product.Change(id, Work("acknowledged", new JsonObject { ["by"] = "Tobi Marr", ["hazards"] = new JsonArray() }));
        (await product.Change(id, Work("plan", new JsonObject())))["round"]!.GetValue<int>().ShouldBe(2);
    }

    /// <summary>While something lies open it is one round: another plan takes in all that was opened, closed again or not.</summary>
    [Fact]
    public async Task What_was_opened_in_a_round_stays_in_its_plan()
    {
        var id = await New(product);
        await product.Change(id, Work("plan", new JsonObject
        {
            ["targets"] = new JsonArray(Plan(2, "discharge")["targets"]![0]!.DeepClone(), Plan(3, "discharge")["targets"]![0]!.DeepClone()),
        }));
        await product.Change(id, Work("acknowledged", new JsonObject { ["by"] = "Tobi Marr", ["hazards"] = new JsonArray() }));
        foreach (var tick in new[] { "valve.off.1@2.discharge", "valve.off.1@3.discharge" })
            await product.Change(id, Work("steps", new JsonObject { [tick] = new JsonObject { ["by"] = "Tobi Marr" } }));
        (await product.Tell(id, Work("plan", Plan(3, "discharge")))).Response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        (await product.Get($"/api/cases/{id}"))["round"]!.GetValue<int>().ShouldBe(1);
    }

    private static (double, double) Values(JsonNode changed) => (Bar(changed["before"]!), Bar(changed["after"]!));

    private static double Bar(JsonNode amount) => amount["value"]!.GetValue<double>();

    private static string Leader(JsonNode shown) => shown["diagnosis"]!["suspects"]![0]!["fault"]!.GetValue<string>();

    private static JsonNode Section(JsonNode report, string id) =>
        report["sections"]!.AsArray().Single(s => s!["id"]!.GetValue<string>() == id)!;

    private static IEnumerable<string> Rows(JsonNode section) =>
        section["table"]!["rows"]!.AsArray().Select(r => r![0]!.GetValue<string>());
}
