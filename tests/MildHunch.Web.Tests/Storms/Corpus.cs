using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using MildHunch.Web.Tests.Travel;

namespace MildHunch.Web.Tests.Storms;

/// <summary>One request, as text, so that it can be told and sent again.</summary>
internal sealed record OddRequest(HttpMethod Method, string Path, string? Body, string? ContentType, IReadOnlyList<(string Name,
    string Value)> Headers)
{
    /// <summary>A file goes as a form.</summary>
    public byte[]? File { get; init; }

    public HttpRequestMessage ToMessage()
    {
        var message = new HttpRequestMessage(Method, Path);
        if (File is not null)
        {
            var part = new ByteArrayContent(File);
            part.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
            message.Content = new MultipartFormDataContent { { part, "file", "case.zip" } };
        }
        else if (Body is not null)
        {
            message.Content = new ByteArrayContent(Encoding.UTF8.GetBytes(Body));
            message.Content.Headers.TryAddWithoutValidation("Content-Type", ContentType);
        }

        foreach (var (name, value) in Headers)
            message.Headers.TryAddWithoutValidation(name, value);
        return message;
    }

    public override string ToString() =>
        $"{Method} {Path} {string.Join(' ', Headers.Select(h => $"{h.Name}: {h.Value}"))}\n"
        + (Body?.Length > 3000 ? Body[..3000] + " …" : Body);
}

/// <summary>
/// Requests to every endpoint of the interface document: sound ones, and sound ones of which one thing is wrong: body, id, query or header.
/// </summary>
internal sealed partial class Corpus
{
    private static readonly string[] OddIds = ["x", "%00", "..%2f..%2fetc", "0123456789abcdef0123456789abcdef", "%F0%9F%92%A7", new('a',
        900)];
    private static readonly string[] OddQueries =
        ["", "x", "-1", "0", "99999999999", "1e999", "0001-01-01", "9999-12-31", "2026-02-30", "2026-12-01", "true", "customer", "both",
            "%00"];

    private static readonly (string, string)[] OddHeaders =
    [
        ("If-Match", "\"x\""), ("If-Match", "\"99999999999\""), ("If-Match", "W/\"1\""), ("X-Units", "furlongs"), ("X-Units", "us"),
        ("Accept", "text/csv"), ("Accept", "*/*;q=2"), ("Idempotency-Key", "k"), ("Idempotency-Key", new string('k', 500)),
        ("Sec-Fetch-Site", "cross-site"), ("Origin", "http://elsewhere.example"), ("Range", "bytes=5-1"), ("If-None-Match", "\"1\""),
    ];

    // FUZZ_PATH=/api/import looks at one kind of endpoint alone.
    private static readonly string? Only = Environment.GetEnvironmentVariable("FUZZ_PATH");
    private readonly Product product;
    private readonly JsonArray operations = [];
    private readonly DrawnShape shapes;
    private readonly string[] pumps;
    private readonly string[] cases;
    private readonly byte[][] files;

    private Corpus(Product product, JsonNode document, string[] pumps, string[] cases, byte[][] files)
    {
        (this.product, this.pumps, this.cases, this.files) = (product, pumps, cases, files);
        shapes = new DrawnShape(document);
        var paths = document["paths"]!.AsObject().Where(p => Only is null || p.Key.Contains(Only, StringComparison.Ordinal));
        foreach (var (path, verbs) in paths)
            foreach (var (verb, told) in verbs!.AsObject())
                operations.Add(new JsonObject { ["path"] = path, ["verb"] = verb.ToUpperInvariant(), ["told"] = told!.DeepClone() });
    }

    /// <summary>True where only some endpoints were asked for.</summary>
    public bool IsPart => Only is not null;

    /// <summary>How many endpoints it knows.</summary>
    public int Endpoints => operations.Count;

    public static async Task<Corpus> Of(Product product)
    {
        var document = await product.Get("/openapi/v1.json");
        string[] Ids(JsonNode list) => [.. list.AsArray().Select(p => p!["id"]!.GetValue<string>())];
        var (pumps, cases) = (Ids(await product.Get("/api/pumps")), Ids(await product.Get("/api/cases")));
        byte[][] files =
        [
            await product.Http.GetByteArrayAsync($"/api/cases/{cases[0]}/export"),
            await product.Http.GetByteArrayAsync($"/api/pumps/{pumps[0]}/export"),
        ];
        return new Corpus(product, document, pumps, cases, files);
    }

    /// <summary>The next request; the same seed gives the same.</summary>
    public OddRequest Draw(int seed)
    {
        var random = new Random(seed);
        var operation = operations[random.Next(operations.Count)]!;
        var (template, told) = (operation["path"]!.GetValue<string>(), operation["told"]!);
        var method = new HttpMethod(operation["verb"]!.GetValue<string>());
        var path = Place().Replace(template, match => random.Next(15) == 0 ? OddIds[random.Next(OddIds.Length)]
            : match.Value == "{id}" && template.StartsWith("/api/cases", StringComparison.Ordinal) ? cases[random.Next(cases.Length)]
            : match.Value == "{id}" && template.StartsWith("/api/pumps", StringComparison.Ordinal) ? pumps[random.Next(pumps.Length)]
            : match.Value == "{id}" ? "inlet" : new string('a', 32));
        var queries = told["parameters"]?.AsArray().Where(p => p!["in"]!.GetValue<string>() == "query" && random.Next(3) == 0)
            .Select(p => $"{p!["name"]}={OddQueries[random.Next(OddQueries.Length)]}").ToArray() ?? [];
        if (queries.Length > 0)
            path += "?" + string.Join('&', queries);
        List<(string, string)> headers = [];
        if (random.Next(12) == 0)
            headers.Add(OddHeaders[random.Next(OddHeaders.Length)]);
        else if (method != HttpMethod.Get && random.Next(3) > 0)
            headers.Add(("If-Match", $"\"{random.Next(1, 12)}\""));
        if (path.StartsWith("/api/import", StringComparison.Ordinal) && random.Next(10) > 0)
            return new OddRequest(method, path, null, null, headers) { File = File(random) };
        var (type, schema) = told["requestBody"]?["content"]?.AsObject().Select(c => (c.Key,
            c.Value?["schema"])).FirstOrDefault() ?? default;
        if (type is null)
            return new OddRequest(method, path, null, null, headers);
        var body = type.Contains("json", StringComparison.Ordinal) ? Json(template, schema, random) : Text(template, random);
        return new OddRequest(method, path, body, random.Next(40) == 0 ? "application/json; charset=utf-7" : type, headers);
    }

    /// <summary>Sends it; what came, and how long it took.</summary>
    public async Task<OddAnswer> Send(OddRequest request, CancellationToken stop)
    {
        using var message = request.ToMessage();
        var watch = System.Diagnostics.Stopwatch.StartNew();
        using var response = await product.Http.SendAsync(message, stop);
        var text = await response.Content.ReadAsByteArrayAsync(stop);
        return new OddAnswer(
            (int)response.StatusCode, response.Headers.RetryAfter is not null, watch.Elapsed,
            (int)response.StatusCode >= 400 ? Encoding.UTF8.GetString(text) : "");
    }

    private string Json(string template, JsonNode? schema, Random random) =>
        Sound.Body(template, random) is { } sound && random.Next(6) > 0
            ? OddThing.In(sound, random)
            : shapes.Of(schema, random) is { } drawn ? OddThing.In(drawn, random) : OddThing.Noise(random);

    private static string Text(string template, Random random)
    {
        var rows = template.Contains("part-changes", StringComparison.Ordinal)
            ? "part,cylinder,side,on,out,putIn\nvalve,1,inlet,2026-01-02,failed,true\nnozzle,,,2026-02-03,,true"
            : "tag,name,duty\nFZ-1,Triplex,Fog\nFZ-2,Triplex,Fog";
        var at = random.Next(rows.Length);
        return random.Next(3) switch
        {
            0 => OddThing.Noise(random),
            1 => rows[..at] + ",;\"\n=1e999 \u0000"[random.Next(12)] + rows[at..],
            _ => rows,
        };
    }

    // A file of a case or a pump, one thing of its text wrong.
    private byte[] File(Random random)
    {
        var file = files[random.Next(files.Length)];
        var cut = random.Next(20) == 0 ? file[..random.Next(file.Length)] : null;
        return cut ?? CaseFiles.Zip([.. CaseFiles.Entries(file).Select(e => e.Name.EndsWith(".json", StringComparison.Ordinal)
            ? (e.Name, Encoding.UTF8.GetBytes(OddThing.In(JsonNode.Parse(e.Content)!, random)))
            : e)]);
    }

    [GeneratedRegex("{[a-zA-Z]+}")]
    private static partial Regex Place();
}

/// <summary>What came of a request.</summary>
internal sealed record OddAnswer(int Status, bool SaysWhenToTry, TimeSpan Took, string Says);
