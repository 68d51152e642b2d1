using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using MildHunch.Web.Tests.Cases.Rounds;
using static MildHunch.Web.Tests.Travel.CaseFiles;

namespace MildHunch.Web.Tests.Travel;

/// <summary>A case that two shops work on: nothing that was told, undone or signed in either is lost, and nothing is forged.</summary>
public sealed class TwoShopsTests : IDisposable
{
    private readonly Product here = new();
    private readonly Product there = new(demo: false);

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public void Dispose()
    {
        here.Dispose();
        there.Dispose();
    }

    [Fact]
    public async Task What_does_not_contradict_is_laid_together_both_ways()
    {
        var id = await Shared();
        await here.Change(id, TwoRounds.Read(44));
        await Note(there, id, "note-suspect", "told there");
        (await there.Send(HttpMethod.Post, $"/api/cases/{id}/undo", null, await there.Etag(id))).Response.EnsureSuccessStatusCode();
        await Note(there, id, "note-open", "told there, kept");

        Text((await Import(here, await Export(there, id))).Body!["outcome"]).ShouldBe("merged");
        Text((await Import(there, await Export(here, id))).Body!["outcome"]).ShouldBe("brought-up-to-date");
        foreach (var shop in new[] { here, there })
        {
            var shown = await shop.Get($"/api/cases/{id}");
            shown["facts"]!["note-open"]!.GetValue<string>().ShouldBe("told there, kept");
            shown["facts"]!["note-suspect"].ShouldBeNull();
            shown["readings"]!.AsArray().Select(r => r!["value"]!["value"]!.GetValue<double>()).ShouldContain(44);
            Text((await Import(shop, await Export(here, id))).Body!["outcome"]).ShouldBe("already-here");
        }

        Json(await Export(there, id)).ShouldBe(Json(await Export(here, id)));
    }

    [Fact]
    public async Task What_contradicts_is_named_and_can_come_in_beside_it()
    {
        var id = await Shared();
        await Note(here, id, "note-ask", "belt squeals");
        await Note(there, id, "note-ask", "belt is quiet");
        var before = Json(await Export(here, id));
        var file = await Export(there, id);
        var (refused, why) = await Import(here, file);
        refused.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        Text(why!["detail"]).ShouldContain("note-ask");
        Json(await Export(here, id)).ShouldBe(before);

        var (taken, answer) = await Import(here, file, "?keep=both");
        taken.StatusCode.ShouldBe(HttpStatusCode.OK, answer?.ToJsonString());
        var second = Text(answer!["caseId"]);
        second.ShouldNotBe(id);
        Text((await here.Get($"/api/cases/{second}"))["facts"]!["note-ask"]).ShouldBe("belt is quiet");
        Text((await here.Get($"/api/cases/{id}"))["facts"]!["note-ask"]).ShouldBe("belt squeals");
    }

    /// <summary>An undo is something that was done: it is neither lost nor overrun.</summary>
    [Fact]
    public async Task An_undo_counts_as_a_change()
    {
        var id = await Shared();
        await Note(here, id, "note-ask", "both have it");
        (await Import(there, await Export(here, id))).Response.EnsureSuccessStatusCode();
        (await there.Send(HttpMethod.Post, $"/api/cases/{id}/undo", null, await there.Etag(id))).Response.EnsureSuccessStatusCode();
        Text((await Import(there, await Export(here, id))).Body!["outcome"]).ShouldBe("already-here");
        await here.Change(id, TwoRounds.Read(44));
        (await Import(here, await Export(there, id))).Response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task Signed_reports_are_only_ever_added_and_say_where_they_were_signed()
    {
        var id = await Shared();
        var ours = await Sign(here, id, "Ines Halvard");
        (await Import(there, await Export(here, id))).Response.EnsureSuccessStatusCode();
        var theirs = await Sign(there, id, "Tobi Marr");
        var own = await Sign(here, id, "Runa Estcott");

        // Both signed a second revision: each keeps its own as it was signed, the other’s comes beside it.
        Text((await Import(here, await Export(there, id))).Body!["outcome"]).ShouldBe("already-here");
        var revisions = (await here.Get($"/api/cases/{id}/report"))["revisions"]!.AsArray();
        revisions.Select(r => (Text(r!["by"]), r["elsewhere"]!.GetValue<bool>(), r["sound"]!.GetValue<bool>()))
            .ShouldBe([("Ines Halvard", false, true), ("Runa Estcott", false, true), ("Tobi Marr", true, true)]);
        revisions.Select(r => Text(r!["seal"])).ShouldBe([Seal(ours), Seal(own), Seal(theirs)]);
        revisions.Select(r => Text(r!["seal"])).Distinct().Count().ShouldBe(3);
    }

    [Fact]
    public async Task A_report_that_was_changed_on_the_way_is_refused()
    {
        var id = await Shared();
        await Sign(here, id, "Ines Halvard");
        var json = Json(await Export(here, id));
        foreach (var (change, what) in new (Action<JsonNode>, string)[]
        {
            (r => r["by"] = "Mallory Quint", "by"), (r => r["content"]!["summary"]![0] = "All is well.", "content"),
            (r => r["at"] = "2026-01-02T03:04:05Z", "at"),
        })
        {
            var (refused, why) = await Import(there, With(json, j => change(j["case"]!["reports"]![0]!)));
            refused.StatusCode.ShouldBe(HttpStatusCode.BadRequest, what);
            Text(why!["detail"] ?? why["errors"]!.AsObject().First().Value![0]).ShouldContain("not what was signed");
        }
    }

    /// <summary>A picture keeps its name where it is as ours are; what somebody wrote beside it stays outside.</summary>
    [Fact]
    public async Task Photographs_are_written_anew_where_they_hold_more_than_a_picture()
    {
        var id = await Shared();
        var photo = await here.Photograph(3);
        await here.Change(id, TwoRounds.Work("plan", TwoRounds.Plan(2, "discharge")));
        await here.Change(id, TwoRounds.Work("found", new JsonObject
        {
            ["valve.2.discharge"] = new JsonObject { ["state"] = "fine", ["by"] = "Tobi Marr", ["photos"] = new JsonArray(photo) },
        }));
        var file = await Export(here, id);
        var plain = Entries(file).Single(e => e.Name.EndsWith(".jpg")).Content;
        byte[] place = [.. "GPS 54.1 N 12.1 E"u8];
        byte[] segment = [0xFF, 0xE1, 0, (byte)(place.Length + 2), .. place];
        byte[] told = [.. plain[..2], .. segment, .. plain[2..]];
        var hash = Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(told));
        var forged = Zip(
            ("case.json", Encoding.UTF8.GetBytes(Json(file).Replace(photo, hash))), ($"photos/{hash}.jpg", told));
        (await Import(there, forged)).Response.StatusCode.ShouldBe(HttpStatusCode.OK);
        var named = Text((await there.Get($"/api/cases/{id}"))["work"]!["found"]!["valve.2.discharge"]!["photos"]![0]);
        named.ShouldNotBe(hash);
        Encoding.Latin1.GetString(await there.Http.GetByteArrayAsync($"/api/photos/{named}", Stop)).ShouldNotContain("GPS");
        (await there.Http.GetAsync($"/api/photos/{hash}", Stop)).StatusCode.ShouldBe(HttpStatusCode.NotFound);

        byte[] junk = [0xFF, 0xD8, 0xFF, .. Enumerable.Repeat((byte)'G', 360)];
        var name = Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(junk));
        using var third = new Product(demo: false);
        (await Import(third, Zip(("case.json", Encoding.UTF8.GetBytes(Json(file).Replace(photo, name))), ($"photos/{name}.jpg", junk))))
            .Response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await third.Get("/api/cases")).AsArray().ShouldBeEmpty();
    }

    /// <summary>Opened again elsewhere, what the case left on the record of its pump is taken back.</summary>
    [Fact]
    public async Task Opened_again_by_a_file_the_record_follows()
    {
        var id = await TwoRounds.Worked(here);
        await TwoRounds.Close(here, id);
        (await Import(there, await Export(here, id))).Response.EnsureSuccessStatusCode();
        (await TwoRounds.TakenOut(there, id)).ShouldNotBeEmpty();
        await here.Change(id, new JsonObject
        {
            ["facts"] = new JsonObject { ["closed"] = "", ["reopened"] = "It lost pressure again the next day." },
        });
        (await Import(there, await Export(here, id))).Response.EnsureSuccessStatusCode();
        (await TwoRounds.TakenOut(there, id)).ShouldBeEmpty();
    }

    /// <summary>A second one beside a closed case comes open: what was done once counts once on the record, with nothing lost.</summary>
    [Fact]
    public async Task A_closed_case_beside_itself_counts_once()
    {
        var id = await TwoRounds.Worked(here);
        await TwoRounds.Close(here, id);
        var (record, out1) = ((await here.Get("/api/record")).ToJsonString(), await TwoRounds.TakenOut(here, id));
        var (taken, answer) = await Import(here, await Export(here, id), "?keep=both");
        taken.StatusCode.ShouldBe(HttpStatusCode.OK, answer?.ToJsonString());
        var second = Text(answer!["caseId"]);
        (await TwoRounds.TakenOut(here, second)).ShouldBeEmpty();
        (await TwoRounds.TakenOut(here, id)).ShouldBe(out1);
        (await here.Get("/api/record")).ToJsonString().ShouldBe(record);
        var copy = await here.Get($"/api/cases/{second}");
        copy["closed"].ShouldBeNull();
        var (undone, back) = await here.Send(HttpMethod.Post, $"/api/cases/{second}/undo", null, await here.Etag(second));
        undone.StatusCode.ShouldBe(HttpStatusCode.OK);
        Text(back!["closed"]).ShouldBe(Text((await here.Get($"/api/cases/{id}"))["closed"]));
    }

    [Fact]
    public async Task A_name_that_the_sender_may_have_is_one_that_the_receiver_takes()
    {
        var pump = new JsonObject { ["tag"] = "P<40 & co", ["pump"] = Product.Pump(), ["setup"] = Product.Setup() };
        var made = (await here.Send(HttpMethod.Post, "/api/pumps", pump)).Body!;
        var opened = (await here.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = Text(made["id"]), ["complaint"] = "Down to half" })).Body!;
        (await Import(there, await Export(here, Text(opened["id"])))).Response.StatusCode.ShouldBe(HttpStatusCode.OK);
        Text((await there.Get("/api/pumps")).AsArray().Single()!["tag"]).ShouldBe("P<40 & co");
    }

    private async Task<string> Shared()
    {
        var id = await TwoRounds.New(here);
        (await Import(there, await Export(here, id))).Response.EnsureSuccessStatusCode();
        return id;
    }

    private static async Task<JsonNode> Sign(Product shop, string id, string by)
    {
        var (response, body) = await shop.Send(
            HttpMethod.Post, $"/api/cases/{id}/report/sign", new JsonObject { ["by"] = by }, await shop.Etag(id));
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        return body!["signed"]!;
    }

    private static string Seal(JsonNode signed) => Text(signed["seal"]);

    private static string Text(JsonNode? node) => node!.GetValue<string>();

    private static Task Note(Product product, string id, string name, string text) =>
        product.Change(id, new JsonObject { ["facts"] = new JsonObject { [name] = text } });
}
