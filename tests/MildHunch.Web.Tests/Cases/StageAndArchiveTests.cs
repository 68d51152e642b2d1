using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>Turning to a stage is no change; putting away is no loss.</summary>
public class StageAndArchiveTests(Workshop product)
{
    [Fact]
    public async Task Turning_to_a_stage_is_nothing_to_undo()
    {
        var (id, before) = await NewCase("Stages");
        (await product.Send(HttpMethod.Put, $"/api/cases/{id}/stage", new JsonObject { ["stage"] = "mend" }))
            .Response.StatusCode.ShouldBe(HttpStatusCode.NoContent);
        var after = await product.Get($"/api/cases/{id}");
        after["stage"]!.GetValue<string>().ShouldBe("mend");
        after["undo"].ShouldBeNull();
        after["version"]!.GetValue<int>().ShouldBe(before["version"]!.GetValue<int>());
    }

    [Theory]
    [InlineData("lunch")]
    [InlineData(null)]
    public async Task A_stage_that_is_none_is_refused(string? stage)
    {
        var (id, _) = await NewCase("No stage");
        var (response, body) = await product.Send(HttpMethod.Put, $"/api/cases/{id}/stage", new JsonObject { ["stage"] = stage });
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!["stage"]!.ToJsonString().ShouldContain("prove");
    }

    [Fact]
    public async Task A_case_that_is_put_away_leaves_the_list_and_comes_back_whole()
    {
        var (id, before) = await NewCase("Opened by mistake");
        var path = $"/api/cases/{id}/archived";
        (await product.Send(HttpMethod.Put, path)).Response.StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await Ids("/api/cases?take=500")).ShouldNotContain(id);
        (await Ids("/api/cases?take=500&archived=true")).ShouldContain(id);
        (await product.Send(HttpMethod.Delete, path)).Response.StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await Ids("/api/cases?take=500")).ShouldContain(id);
        (await product.Get($"/api/cases/{id}"))["version"]!.GetValue<int>().ShouldBe(before["version"]!.GetValue<int>());
    }

    [Fact]
    public async Task A_pump_that_is_put_away_leaves_the_list_and_keeps_its_cases()
    {
        var pump = Product.Pump();
        var (_, made) = await product.Send(
            HttpMethod.Post, "/api/pumps", new JsonObject { ["tag"] = "AWAY-1", ["pump"] = pump, ["setup"] = Product.Setup() });
        var pumpId = made!["id"]!.GetValue<string>();
        var (_, opened) = await product.Send(HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = pumpId, ["complaint"] = "Weak" });
        await product.Send(HttpMethod.Put, $"/api/pumps/{pumpId}/archived");
        (await Ids("/api/pumps")).ShouldNotContain(pumpId);
        (await Ids("/api/pumps?archived=true")).ShouldContain(pumpId);
        (await product.Get($"/api/cases/{opened!["id"]}"))["diagnosis"].ShouldNotBeNull();
        await product.Send(HttpMethod.Delete, $"/api/pumps/{pumpId}/archived");
        (await Ids("/api/pumps")).ShouldContain(pumpId);
    }

    [Theory]
    [InlineData("/api/cases/nobody/archived")]
    [InlineData("/api/pumps/nobody/archived")]
    public async Task What_is_not_there_is_not_put_away(string path) =>
        (await product.Send(HttpMethod.Put, path)).Response.StatusCode.ShouldBe(HttpStatusCode.NotFound);

    private async Task<(string Id, JsonNode Case)> NewCase(string complaint)
    {
        var pump = (await product.Get("/api/pumps"))[0]!["id"]!.GetValue<string>();
        var (_, made) = await product.Send(HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = pump, ["complaint"] = complaint });
        return (made!["id"]!.GetValue<string>(), made);
    }

    private async Task<string[]> Ids(string path) =>
        [.. (await product.Get(path)).AsArray().Select(row => row!["id"]!.GetValue<string>())];
}
