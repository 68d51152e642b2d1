using System.Net;
using System.Text.Json.Nodes;
using UglyToad.PdfPig;

namespace MildHunch.Web.Tests.Reports;

/// <summary>The report of a case: every figure of it on paper, frozen once it is signed.</summary>
public sealed class ReportTests : IDisposable
{
    // Of its own: others look at the list of cases while these change it.
    private readonly Product product = new();

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public void Dispose() => product.Dispose();

    [Fact]
    public async Task The_pdf_read_back_holds_every_figure_of_the_case()
    {
        var id = await Worked();
        var report = await product.Get($"/api/cases/{id}/report");
        using var pdf = PdfDocument.Open(await Pdf(id, "?paper=a4"));
        var paper = Words(pdf);
        (pdf.Information.Title, pdf.GetPage(1).Width, pdf.GetPage(1).Height).ShouldBe(("Service report FOG-2", 595, 842));
        foreach (var said in Everything(report["content"]!))
            paper.ShouldContain(Plain(said), customMessage: said);
        string[] figures =
            ["31 bar", "12.6 L/min", "69.5 bar", "14 mm, three threads", "pitted", "Ines Halvard", "W-7, 2026-05", "short by", "≤"];
        foreach (var figure in figures)
            paper.ShouldContain(Plain(figure), customMessage: figure);

        // The same on Letter; our own lettering in it, the two photographs too.
        using var letter = PdfDocument.Open(await Pdf(id, "?paper=letter"));
        (letter.GetPage(1).Width, letter.GetPage(1).Height).ShouldBe((612, 792));
        letter.GetPages().Sum(p => p.NumberOfImages).ShouldBe(2);
        letter.GetPages().SelectMany(p => p.Letters).Select(l => l.FontName?.Split('+')[^1]).Distinct()
            .ShouldContain(f => f!.Contains("Atkinson", StringComparison.Ordinal));
        System.Text.Encoding.Latin1.GetString(await Pdf(id, "")).ShouldContain("/Lang (en)");
        (await product.Http.GetAsync($"/api/cases/{id}/report.pdf?paper=a5", Stop)).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task A_copy_for_the_customer_leaves_the_reasoning_out()
    {
        var id = await Worked();
        var whole = (await product.Get($"/api/cases/{id}/report"))["content"]!["sections"]!.AsArray().Select(Id).ToArray();
        var copy = (await product.Get($"/api/cases/{id}/report?copy=customer"))["content"]!["sections"]!.AsArray().Select(Id).ToArray();
        whole.Except(copy).ShouldBe(["readings", "water", "verdict", "checks"]);
        using var pdf = PdfDocument.Open(await Pdf(id, "?copy=customer"));
        Words(pdf).ShouldNotContain(Plain("Verdict and reasons"));
        (await product.Http.GetAsync($"/api/cases/{id}/report?copy=all", Stop)).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task What_was_signed_stays_and_a_later_change_makes_a_new_revision()
    {
        var id = await Worked();
        var (refused, _) = await product.Send(HttpMethod.Post, $"/api/cases/{id}/report/sign", new JsonObject(), await product.Etag(id));
        refused.StatusCode.ShouldBe(HttpStatusCode.BadRequest);

        // Nobody signs what somebody else changed after it was read.
        var read = (await product.Get($"/api/cases/{id}/report"))["caseVersion"]!.GetValue<int>();
        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["note-prove"] = "It drips." } });
        var late = await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/report/sign", new JsonObject { ["by"] = "Ines Halvard" }, $"\"{read}\"");
        late.Response.StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
        var first = await Sign(id);
        (first["signed"]!["revision"]!.GetValue<int>(), first["changedSince"]!.GetValue<bool>()).ShouldBe((1, false));
        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["note-prove"] = "It drips again." } });
        var after = await product.Get($"/api/cases/{id}/report");
        (after["signed"], after["changedSince"]!.GetValue<bool>()).ShouldBe((null, true));
        after["content"]!.ToJsonString().ShouldContain("It drips again.");
        (await product.Get($"/api/cases/{id}/report?revision=1"))["content"]!.ToJsonString().ShouldBe(first["content"]!.ToJsonString());
        var second = await Sign(id);
        second["signed"]!["revision"]!.GetValue<int>().ShouldBe(2);
        second["revisions"]!.AsArray().Count.ShouldBe(2);
        using var pdf = PdfDocument.Open(await Pdf(id, "?revision=1"));
        Words(pdf).ShouldContain(Plain("revision 1."));
        Words(pdf).ShouldContain(Plain("Witness: Tobi Marr."));
        (await product.Http.GetAsync($"/api/cases/{id}/report?revision=7", Stop)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Prices_are_the_shops_own()
    {
        var (bad, _) = await product.Send(HttpMethod.Put, "/api/shop", new JsonObject { ["workPerHour"] = -1 });
        bad.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        var id = await Worked();
        await product.Send(
            HttpMethod.Put, "/api/shop",
            new JsonObject { ["name"] = "Skerrow Isles Workshop", ["currency"] = "marks", ["workPerHour"] = 60 });
        var content = (await product.Get($"/api/cases/{id}/report"))["content"]!;
        content["shop"]!.GetValue<string>().ShouldBe("Skerrow Isles Workshop");
        var labour = content["sections"]!.AsArray().Single(s => Id(s) == "costs")!["table"]!["rows"]![0]!.AsArray();
        labour[1]!.GetValue<string>().ShouldContain("60.00 marks an hour");
        File.ReadAllText(Path.Combine(product.Folder, "shop.json")).ShouldContain("marks");
    }

    [Fact]
    public async Task A_closed_case_is_opened_again_with_a_reason()
    {
        var id = await Worked();
        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = "discharge-valve-leak@2" } });
        var open = new JsonObject { ["facts"] = new JsonObject { ["closed"] = "" } };
        var (refused, body) = await product.Tell(id, open);
        refused.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().Single().Key.ShouldBe("facts.reopened");
        open["facts"]!["reopened"] = "Came back after two days";
        await product.Change(id, open);
        (await product.Get($"/api/cases/{id}"))["closed"].ShouldBeNull();
    }

    // From the finding to the proof, with photographs, a wrench, a setting.
    private async Task<string> Worked()
    {
        var id = await product.CaseOf("FOG-2");
        var by = new JsonObject { ["by"] = "Ines Halvard" };
        await product.Change(id, Work(new JsonObject
        {
            ["plan"] = new JsonObject
            {
                ["targets"] = new JsonArray(new JsonObject { ["part"] = "hp-seal", ["cylinder"] = 2 }, new JsonObject
                {
                    ["part"] = "valve",
                    ["cylinder"] = 2,
                    ["side"] = "discharge",
                }),
            },
            ["acknowledged"] = by.DeepClone(),
        }));
        await product.Change(id, Work(new JsonObject
        {
            ["steps"] = new JsonObject
            {
                ["head.tighten"] = new JsonObject { ["by"] = "Ines Halvard", ["wrench"] = "W-7, 2026-05" },
            },
            ["found"] = new JsonObject
            {
                ["valve.2.discharge"] = new JsonObject
                {
                    ["state"] = "failed",
                    ["finding"] = "pitted",
                    ["by"] = "Ines Halvard",
                    ["note"] = "pits ≤ 0.5 mm",
                    ["photos"] = new JsonArray(await product.Photograph(1), await product.Photograph(2)),
                },
            },
        }));
        await product.PutBack(id);
        await product.Change(id, Proof(new JsonObject
        {
            ["acknowledged"] = new JsonObject { ["steps"] = by.DeepClone(), ["set"] = by.DeepClone() },
        }));
        await product.Change(id, Proof(new JsonObject
        {
            ["steps"] = new JsonObject
            {
                ["steps.100"] = new JsonObject
                {
                    ["by"] = "Ines Halvard",
                    ["pressure"] = Product.Amount(69.5, "bar"),
                    ["nozzleFlow"] = Product.Amount(19.1, "L/min"),
                },
            },
            ["screw"] = new JsonObject
            {
                ["height"] = "14 mm, three threads",
                ["target"] = Product.Amount(60, "bar"),
                ["moves"] = new JsonArray(
                    new JsonObject { ["turns"] = 0, ["running"] = Product.Amount(55.25, "bar") },
                    new JsonObject { ["turns"] = 0.25, ["running"] = Product.Amount(58.5, "bar") }),
            },
        }));
        return id;
    }

    private static JsonObject Work(JsonObject work) => new() { ["work"] = work };

    private static JsonObject Proof(JsonObject proof) => new() { ["proof"] = proof };

    private static string Id(JsonNode? section) => section!["id"]!.GetValue<string>();

    // All that a report says, in its own words.
    private static IEnumerable<string> Everything(JsonNode content) =>
    [
        .. content["summary"]!.AsArray().Select(t => t!.GetValue<string>()),
        .. content["sections"]!.AsArray().SelectMany(s => s!["lines"]!.AsArray().Select(t => t!.GetValue<string>())
            .Append(s["title"]!.GetValue<string>())
            .Concat(s["table"]?["rows"]!.AsArray().SelectMany(r => r!.AsArray()).Select(c => c!.GetValue<string>()) ?? [])
            .Concat(s["photos"]!.AsArray().Concat(s["pictures"]!.AsArray()).Select(p => p!["caption"]!.GetValue<string>()))),
    ];

    // Lines break where the paper ends: compared without what stands between the letters.
    private static string Plain(string text) => string.Concat(text.Where(c => !char.IsWhiteSpace(c)));

    private static string Words(PdfDocument pdf) =>
        string.Concat(pdf.GetPages().SelectMany(p => p.Letters).Select(l => l.Value).Where(v => !string.IsNullOrWhiteSpace(v)));

    private Task<byte[]> Pdf(string id, string how) => product.Http.GetByteArrayAsync($"/api/cases/{id}/report.pdf{how}", Stop);

    private async Task<JsonNode> Sign(string id)
    {
        var (response, body) = await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/report/sign",
            new JsonObject { ["by"] = "Ines Halvard", ["witness"] = "Tobi Marr", ["gauge"] = "G-3, 2026-02" }, await product.Etag(id));
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        return body!;
    }
}
