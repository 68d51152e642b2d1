using System.Net;
using System.Text.Json.Nodes;
using Microsoft.Extensions.Time.Testing;
using MildHunch.Web.Tests.Cases.Rounds;

namespace MildHunch.Web.Tests.Reports;

/// <summary>Papers say the day it was in the shop, whose shop it is, and what was found in words.</summary>
public sealed class PaperTests : IDisposable
{
    // Half past two in the morning of 1 December by Greenwich: the evening before in Los Angeles, the afternoon in Auckland.
    private readonly Product product = new(true, clock: new FakeTimeProvider(new DateTimeOffset(2026, 12, 1, 2, 30, 0, TimeSpan.Zero)));

    public void Dispose() => product.Dispose();

    [Theory]
    [InlineData("America/Los_Angeles", "2026-11-30")]
    [InlineData("Pacific/Auckland", "2026-12-01")]
    [InlineData("Europe/Berlin", "2026-12-01")]
    public async Task Days_are_those_of_the_shop(string zone, string day)
    {
        (await Shop(new JsonObject { ["zone"] = zone })).StatusCode.ShouldBe(HttpStatusCode.OK);
        var id = await TwoRounds.New(product);
        var report = (await product.Get($"/api/cases/{id}/report"))["content"]!;
        report["subtitle"]!.GetValue<string>().ShouldContain($"reported {day}");
        var pump = (await product.Get($"/api/cases/{id}"))["pump"]!["id"]!.GetValue<string>();
        (await product.Get($"/api/pumps/{pump}/life"))["today"]!.GetValue<string>().ShouldBe(day);
    }

    [Fact]
    public async Task A_zone_that_nobody_knows_is_refused()
    {
        (await Shop(new JsonObject { ["zone"] = "Atlantis/Harbour" })).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await product.Get("/api/shop"))["zone"]!.GetValue<string>().ShouldBe("");
    }

    [Fact]
    public async Task The_address_stands_under_the_name()
    {
        (await Shop(new JsonObject { ["name"] = "Skerrow Isles Workshop", ["letterhead"] = "Quay 4\nSkerrow Harbour" }))
            .StatusCode.ShouldBe(HttpStatusCode.OK);
        var report = (await product.Get($"/api/cases/{await TwoRounds.New(product)}/report"))["content"]!;
        report["letterhead"]!.AsArray().Select(l => l!.GetValue<string>()).ShouldBe(["Quay 4", "Skerrow Harbour"]);
    }

    /// <summary>Two tablets at the shop’s page: who has not seen what the other kept does not overwrite it.</summary>
    [Fact]
    public async Task Settings_that_were_changed_meanwhile_are_not_overwritten()
    {
        var seen = (await product.Get("/api/shop"))["version"]!.GetValue<string>();
        (await Shop(new JsonObject { ["workPerHour"] = 50, ["version"] = seen })).StatusCode.ShouldBe(HttpStatusCode.OK);

        // The same again is no contradiction: its answer was lost.
        (await Shop(new JsonObject { ["workPerHour"] = 50, ["version"] = seen })).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await Shop(new JsonObject { ["workPerHour"] = 70, ["version"] = seen })).StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
        (await product.Get("/api/shop"))["workPerHour"]!.GetValue<double>().ShouldBe(50);
    }

    [Theory]
    [InlineData("FOG-2", "discharge-valve-leak+inlet-valve-leak@2", "Discharge valve leaks and inlet valve leaks, cylinder 2")]
    [InlineData("JUICE-HP", "hp-seal-worn@2", "right end")]
    public async Task What_was_found_is_named_in_words(string tag, string closed, string says)
    {
        var pump = (await product.Get("/api/pumps")).AsArray().Single(p => p!["tag"]!.GetValue<string>() == tag)!["id"]!.GetValue<string>();
        var made = await product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = pump, ["complaint"] = "Down to half" });
        var id = made.Body!["id"]!.GetValue<string>();
        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = closed } });
        (await product.Get($"/api/cases/{id}/report"))["content"]!["summary"]!.AsArray().Select(s => s!.GetValue<string>())
            .ShouldContain(s => s.StartsWith("Found:") && s.Contains(says));
    }

    private async Task<HttpResponseMessage> Shop(JsonObject told) => (await product.Send(HttpMethod.Put, "/api/shop", told)).Response;
}
