using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using MildHunch.Web.Tests.Travel;

namespace MildHunch.Web.Tests.Storms;

/// <summary>
/// A shop in which anything may happen in any order: what the interface takes is done, what it refuses is not. It never fails of itself.
/// </summary>
internal sealed class ShopWalk(string folder, int seed) : IDisposable
{
    private static readonly string[] Kinds = ["crank-plunger", "flow-through", "axial", "intensifier", "twin-piston"];
    private static readonly string[] Days =
        ["1950-01-01", "2019-02-28", "2024-02-29", "2025-12-31", "2026-01-31", "2026-06-15", "2026-12-01", "2099-12-31", "2100-12-31",
            "0001-01-15"];

    private readonly Random random = new(seed);
    private readonly List<string> log = [];
    private Product product = new(false, folder, readAhead: true);
    private byte[]? file;

    /// <summary>What was done so far, for whoever has to find out.</summary>
    public string Log => string.Join('\n', log);

    public Product Product => product;

    public void Dispose() => product.Dispose();

    /// <summary>One change more.</summary>
    public async Task Step()
    {
        var pumps = (await product.Get(random.Next(6) == 0 ? "/api/pumps?archived=true" : "/api/pumps")).AsArray();
        if (pumps.Count < 2)
        {
            await Do(HttpMethod.Post, "/api/pumps", await Pump());
            return;
        }

        var pump = pumps[random.Next(pumps.Count)]!;
        var (id, etag) = (pump["id"]!.GetValue<string>(), $"\"{pump["version"]}\"");
        var cases = (await product.Get(random.Next(6) == 0 ? "/api/cases?archived=true" : "/api/cases")).AsArray();
        var of = cases.Count == 0 ? null : cases[random.Next(cases.Count)]!["id"]!.GetValue<string>();
        switch (random.Next(24))
        {
            case 0: await Do(HttpMethod.Post, "/api/pumps", await Pump()); break;
            case 1: await Do(HttpMethod.Put, $"/api/pumps/{id}", await Pump(), etag); break;
            case 2 or 3: await Do(HttpMethod.Put, $"/api/pumps/{id}/running", Running(), etag); break;
            case 4 or 5:
                await Do(HttpMethod.Post, $"/api/pumps/{id}/meter", new JsonObject
                {
                    ["on"] = Day(),
                    ["hours"] = random.Next(5000),
                    ["newMeter"] = random.Next(4) == 0,
                });
                break;
            case 6 or 7: await Do(HttpMethod.Post, $"/api/pumps/{id}/part-changes", await Change(id)); break;
            case 8: await Forget(id, "meter"); break;
            case 9: await Do(HttpMethod.Put, $"/api/pumps/{id}/sheet", await Sheet(id), etag); break;
            case 10: await Do(random.Next(2) == 0 ? HttpMethod.Put : HttpMethod.Delete, $"/api/pumps/{id}/archived"); break;
            case 11:
                await Do(HttpMethod.Post, $"/api/pumps/{id}/swap",
                    new JsonObject { ["with"] = pumps[random.Next(pumps.Count)]!["id"]!.DeepClone() }, etag);
                break;
            case 12: await Do(HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = id, ["complaint"] = "Weak" }); break;
            case 13 or 14 or 15 or 16 when of is not null:
                await Do(HttpMethod.Post, $"/api/cases/{of}/changes", Sound.Change(random),
                "*"); break;
            case 17 when of is not null:
                await Do(HttpMethod.Post, $"/api/cases/{of}/{(random.Next(3) == 0 ? "redo" : "undo")}", null,
                "*"); break;
            case 18 when of is not null:
                await Do(HttpMethod.Post, $"/api/cases/{of}/report/sign", new JsonObject { ["by"] = "Ines" },
                "*"); break;
            case 19 when of is not null:
                await Do(random.Next(2) == 0 ? HttpMethod.Put : HttpMethod.Delete,
                $"/api/cases/{of}/archived"); break;
            case 20: await Travel(id, of); break;
            case 21: await Do(HttpMethod.Put, "/api/stock", Sound.Body("/api/stock", random)); break;
            case 22:
                await Do(HttpMethod.Put, "/api/shop", new JsonObject
                {
                    ["zone"] = random.Next(2) == 0 ? "Pacific/Auckland"
                : "America/Los_Angeles"
                }); break;
            default: Restart(); break;
        }
    }

    /// <summary>Every page of the interface document about every pump and case: it answers, or names a conflict.</summary>
    public async Task<IReadOnlyDictionary<string, string>> Pages()
    {
        var pages = new Dictionary<string, string>();
        string[] Ids(JsonNode list) => [.. list.AsArray().Select(p => p!["id"]!.GetValue<string>())];
        string[] pumps = [.. Ids(await product.Get("/api/pumps")), .. Ids(await product.Get("/api/pumps?archived=true"))];
        string[] cases = [.. Ids(await product.Get("/api/cases")), .. Ids(await product.Get("/api/cases?archived=true"))];
        foreach (var (path, verbs) in (await product.Get("/openapi/v1.json"))["paths"]!.AsObject())
        {
            if (verbs!["get"] is null || path == "/api/backup")
                continue;
            var of = path.StartsWith("/api/cases/{id}", StringComparison.Ordinal) ? cases
                : path.StartsWith("/api/pumps/{id}", StringComparison.Ordinal) ? pumps
                : path.Contains('{', StringComparison.Ordinal) ? [] : [""];
            foreach (var id in of)
                pages[path.Replace("{id}", id, StringComparison.Ordinal)] = await Page(path.Replace("{id}", id, StringComparison.Ordinal));
        }

        return pages;
    }

    private async Task<string> Page(string path)
    {
        using var response = await product.Http.GetAsync(path, TestContext.Current.CancellationToken);
        var body = await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        if (response.StatusCode == HttpStatusCode.Conflict)
            JsonNode.Parse(body)!["errors"]!.AsObject().Count.ShouldBeGreaterThan(0, path);
        else
            response.StatusCode.ShouldBe(HttpStatusCode.OK, $"seed {seed}, {path}: {body}\n{Log}");
        return body;
    }

    private void Restart()
    {
        log.Add("restart");
        product.Dispose();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        product = new Product(false, folder, readAhead: true);
    }

    private async Task Do(HttpMethod method, string path, JsonNode? body = null, string? etag = null)
    {
        if (etag == "*")
            etag = await product.Etag(path.Split('/')[3]);
        var (response, said) = await product.Send(method, path, body?.DeepClone(), etag);
        log.Add($"{method} {path} {body?.ToJsonString()} → {(int)response.StatusCode}");
        ((int)response.StatusCode).ShouldBeLessThan(500, $"seed {seed}: {said?.ToJsonString()}\n{Log}");
    }

    // A file that was written by this shop, as it is or with one thing wrong, taken in again.
    private async Task Travel(string pump, string? of)
    {
        if (file is null || random.Next(3) == 0)
            file = await product.Http.GetByteArrayAsync(
                of is null || random.Next(2) == 0 ? $"/api/pumps/{pump}/export" : $"/api/cases/{of}/export");
        var sent = random.Next(2) == 0 ? file : CaseFiles.Zip([.. CaseFiles.Entries(file).Select(e => e.Name.EndsWith(".json",
            StringComparison.Ordinal)
            ? (e.Name, Encoding.UTF8.GetBytes(OddThing.In(JsonNode.Parse(e.Content)!, random)))
            : e)]);
        var (response, said) = await CaseFiles.Import(product, sent, random.Next(4) == 0 ? "?keep=both" : "");
        log.Add($"import → {(int)response.StatusCode} {said?.ToJsonString()}");
        ((int)response.StatusCode).ShouldBeLessThan(500, $"seed {seed}\n{Log}");
    }

    private async Task Forget(string pump, string what)
    {
        var life = await product.Send(HttpMethod.Get, $"/api/pumps/{pump}/life");
        if (life.Body?["hours"]?["readings"]?.AsArray() is { Count: > 0 } entries)
            await Do(HttpMethod.Delete, $"/api/pumps/{pump}/{what}/{entries[random.Next(entries.Count)]!["id"]}");
    }

    private async Task<JsonObject> Pump()
    {
        var pump = Product.Pump();
        var kind = Kinds[random.Next(Kinds.Length)];
        (pump["arrangement"], pump["cylinders"]) = (kind, kind == "intensifier" ? 2 : random.Next(1, 8));
        if (kind == "intensifier")
        {
            (pump["oilPistonDiameter"], pump["control"], pump["ratedPressure"]) =
                (Product.Amount(90, "mm"), "none", Product.Amount(1500, "bar"));
            pump["ratedSpeed"] = Product.Amount(60, "rpm");
        }

        var (plate, said) = await product.Send(
            HttpMethod.Post, "/api/nameplate/assumptions", new JsonObject { ["pump"] = pump.DeepClone(), ["setup"] = new JsonObject() });
        return new JsonObject
        {
            ["tag"] = $"P-{random.Next(12)}",
            ["pump"] = pump,
            ["setup"] = plate.IsSuccessStatusCode ? said!["setup"]!.DeepClone() : Product.Setup(),
            ["sure"] = true,
        };
    }

    private JsonObject Running() => new()
    {
        ["serial"] = random.Next(3) == 0 ? null : $"S-{random.Next(6)}",
        ["commissioned"] = random.Next(2) == 0 ? Day() : null,
        ["recordFrom"] = random.Next(3) == 0 ? Day() : null,
        ["hoursPerWeek"] = random.Next(0, 169),
        ["months"] = random.Next(1, 40),
        ["seasons"] = random.Next(2) == 0 ? null : new JsonArray(new JsonObject
        {
            ["name"] = "s",
            ["from"] = random.Next(2) == 0 ? "01-01" : "11-20",
            ["to"] = random.Next(2) == 0 ? "12-31" : "02-10",
            ["hoursPerWeek"] = random.Next(0, 169),
            ["mustRun"] = random.Next(2) == 0,
        }),
        ["tasks"] = random.Next(2) == 0 ? null : new JsonArray(new JsonObject
        {
            ["what"] = "t",
            ["on"] = Day(),
            ["everyMonths"] = random.Next(1, 13)
        }),
    };

    private async Task<JsonObject> Change(string pump)
    {
        var life = await product.Send(HttpMethod.Get, $"/api/pumps/{pump}/life");
        var positions = life.Body?["positions"]?.AsArray();
        var at = positions is { Count: > 0 } ? positions[random.Next(positions.Count)] : null;
        return new JsonObject
        {
            ["part"] = at?["part"]?.DeepClone() ?? "oil",
            ["cylinder"] = at?["place"]?["cylinder"]?.DeepClone(),
            ["side"] = at?["place"]?["side"]?.DeepClone(),
            ["end"] = at?["place"]?["end"]?.DeepClone(),
            ["on"] = Day(),
            ["out"] = random.Next(2) == 0 ? null : "failed",
            ["hours"] = random.Next(3) == 0 ? random.Next(5000) : null,
        };
    }

    private async Task<JsonObject> Sheet(string pump)
    {
        var sheets = (await product.Send(HttpMethod.Get, $"/api/pumps/{pump}/sheets")).Body;
        var choices = sheets?["choices"]?.AsArray();
        var groups = sheets?["sheets"]?[0]?["groups"]?.AsArray();
        var sheet = new JsonObject { ["oil"] = "ISO 68", ["interval"] = new JsonObject { ["hours"] = random.Next(1, 5000) } };
        if (choices is { Count: > 0 })
            sheet["id"] = choices[random.Next(choices.Count)]!["part"]?.DeepClone();
        if (groups is { Count: > 0 })
        {
            var group = groups[random.Next(groups.Count)]!["group"]?.GetValue<string>() ?? "x";
            sheet["torques"] = new JsonObject { [group] = Product.Amount(25, "N·m") };
        }

        return new JsonObject { ["sheet"] = sheet, ["sure"] = true };
    }

    private string Day() => Days[random.Next(Days.Length)];
}
