using System.IO.Compression;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Travel;

/// <summary>Cases as files: written by one product, changed on the way, taken in by another.</summary>
internal static class CaseFiles
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public static async Task<byte[]> Export(Product product, string id) =>
        await product.Http.GetByteArrayAsync($"/api/cases/{id}/export", Stop);

    public static async Task<(HttpResponseMessage Response, JsonNode? Body)> Import(Product product, byte[] file, string how = "")
    {
        using var form = new MultipartFormDataContent();
        var part = new ByteArrayContent(file);
        part.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
        form.Add(part, "file", "case.zip");
        var response = await product.Http.PostAsync($"/api/import{how}", form, Stop);
        return (response, JsonNode.Parse(await response.Content.ReadAsStringAsync(Stop)));
    }

    public static string Json(byte[] file, string name = "case.json")
    {
        using var zip = new ZipArchive(new MemoryStream(file));
        using var reader = new StreamReader(zip.GetEntry(name)!.Open());
        return reader.ReadToEnd();
    }

    public static byte[] Zip(params IReadOnlyList<(string Name, byte[] Content)> entries)
    {
        using var memory = new MemoryStream();
        using (var zip = new ZipArchive(memory, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, content) in entries)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(content);
            }

        return memory.ToArray();
    }

    public static byte[] With(string json, Action<JsonNode> change, (string, byte[])? more = null, byte[]? photos = null)
    {
        var changed = JsonNode.Parse(json)!;
        if (photos is null)
            changed["photos"] = new JsonArray();
        change(changed);
        List<(string, byte[])> entries = [("case.json", Encoding.UTF8.GetBytes(changed.ToJsonString()))];
        if (more is { } one)
            entries.Add(one);
        if (photos is not null)
            entries.AddRange(Entries(photos).Where(e => e.Name != "case.json"));
        return Zip(entries);
    }

    public static byte[] Changed(byte[] file) =>
        Zip([.. Entries(file).Select(e => e.Name == "case.json" ? e : (e.Name, (byte[])[.. e.Content, 0]))]);

    public static IEnumerable<(string Name, byte[] Content)> Entries(byte[] file)
    {
        using var zip = new ZipArchive(new MemoryStream(file));
        foreach (var entry in zip.Entries)
        {
            using var content = new MemoryStream();
            using var from = entry.Open();
            from.CopyTo(content);
            yield return (entry.FullName, content.ToArray());
        }
    }
}
