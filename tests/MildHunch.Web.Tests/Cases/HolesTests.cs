using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>Null where a row is meant: refused by its field, or nothing at all; no page ends by it.</summary>
public sealed class HolesTests() : ProofTalk(new Product()), IDisposable
{
    public void Dispose() => Product.Dispose();

    // One after the other on one case: a row that is taken although it is a hole shows in the pages after it as well.
    private static readonly string[] Proofs =
    [
        """{"proof":{"acknowledged":{"set":null}}}""",
        """{"proof":{"acts":{"stand.oil":null}}}""",
        """{"proof":{"actsBack":[null]}}""",
        """{"proof":{"started":[null]}}""",
        """{"proof":{"steps":{"steps.25":null}}}""",
        """{"proof":{"stepsBack":[null]}}""",
        """{"proof":{"shuts":{"shut":null}}}""",
        """{"proof":{"shut":{"by":"R","from":{"value":70,"unit":"bar"},"to":{"value":70,"unit":"bar"},"seconds":60,"falls":[null]}}}""",
        """{"proof":{"leftOut":{"cold":null}}}""",
        """{"proof":{"leftOutBack":[null]}}""",
        """{"proof":{"screw":{"limits":[null]}}}""",
        """{"proof":{"screw":{"limits":[{"what":"hose"}]}}}""",
        """{"proof":{"screw":{"target":{"value":80,"unit":"bar"},"moves":[null]}}}""",
    ];

    private static readonly string[] Works =
    [
        """{"work":{"plan":{"targets":[null]}}}""",
        """{"work":{"steps":{"after.1":null}}}""",
        """{"work":{"steps":{"after.1":{"by":null}}}}""",
        """{"work":{"steps":{"after.1":{"by":"R","photos":[null]}}}}""",
        """{"work":{"stepsBack":[null]}}""",
        """{"work":{"found":{"valve.2.discharge":null}}}""",
        """{"work":{"found":{"valve.2.discharge":{"state":"worn","by":"R","measures":{"lift":null}}}}}""",
        """{"work":{"found":{"valve.2.discharge":{"state":"worn","by":"R","photos":[null]}}}}""",
        """{"work":{"foundBack":[null]}}""",
        """{"work":{"acknowledged":{"by":"R","hazards":[null]}}}""",
        """{"readings":[null]}""",
        """{"cues":[null]}""",
    ];

    [Fact]
    public async Task Null_in_place_of_a_row_is_refused_by_its_field()
    {
        var id = await Product.CaseOf("FOG-2");
        await Change(id, new JsonObject
        {
            ["acknowledged"] = new JsonObject { ["shut"] = By(), ["set"] = By(), ["steps"] = By(), ["stand"] = By() },
        });
        List<string> taken = [.. await Taken(id, Proofs)];
        await Work(id, new JsonObject
        {
            ["plan"] = new JsonObject
            {
                ["targets"] = new JsonArray(new JsonObject { ["part"] = "valve", ["cylinder"] = 2, ["side"] = "discharge" }),
            },
            ["acknowledged"] = By(),
        });
        taken.AddRange(await Taken(id, Works));
        taken.ShouldBeEmpty();
    }

    private async Task<List<string>> Taken(string id, string[] rows)
    {
        List<string> taken = [];
        foreach (var row in rows)
        {
            var (response, body) = await Product.Tell(id, JsonNode.Parse(row)!.AsObject());
            if (response.StatusCode != HttpStatusCode.BadRequest || body!["errors"]!.AsObject().Count != 1)
                taken.Add($"{row}: {response.StatusCode} {body?["errors"]?.ToJsonString()}");
            foreach (var page in new[] { "", "/proof", "/report", "/plans" })
                if (await Product.Send(HttpMethod.Get, $"/api/cases/{id}{page}") is { Response.IsSuccessStatusCode: false } ended)
                    taken.Add($"{row}: {page} {ended.Response.StatusCode}");
        }

        return taken;
    }
}
