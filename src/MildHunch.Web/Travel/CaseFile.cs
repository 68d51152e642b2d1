using System.ComponentModel;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using System.Text.Json.Serialization;
using MildHunch.Web.Pumps;
using MildHunch.Web.Reports;
using MildHunch.Web.Service;
using MildHunch.Web.Shared.Door;

namespace MildHunch.Web.Travel;

public sealed record PumpInFile(
    string Id, string Tag, string Name, string Duty, PumpDto Pump, SetupDto Setup, PumpSheetDto? Sheet, DateTime CreatedAt,
    DateTime? ArchivedAt, int Version);

public sealed record ChangeInFile(int Number, string Says, DateTime At, bool Undone, bool Abandoned);

/// <summary>What every entry of a case has: which change brought it, which took it back.</summary>
public sealed record ReadingInFile(
    string Id, int AddedBy, int? RemovedBy, string Quantity, double Value, string Unit, double? Uncertainty, string? UncertaintyUnit,
    double? UpTo, [property: Description("mends that lay behind the pump then")] int Mends);

public sealed record CueInFile(
    string Id, int AddedBy, int? RemovedBy, string Cue, string Answer, int? Cylinder, string? Side, double? DropsPerMinute, bool Stream,
    string? DripsWhen, [property: Description("mends that lay behind the pump then")] int Mends);

public sealed record FactInFile(string Id, int AddedBy, int? RemovedBy, string Name, string Value,
    [property: Description("opening of the pump that it belongs to, from 1")] int Round);

public sealed record VerdictInFile(
    string Id, int AfterVersion, DateTime At, string Leader, string LeaderName, double Probability, string Hunch,
    IReadOnlyDictionary<string, double> Suspects);

/// <summary>One step from version to version; a copy of the case that has its key has it too.</summary>
public sealed record MoveInFile(int Version, int Change, string Key);

public sealed record CaseInFile(
    string Id, DateTime OpenedAt, DateTime? ArchivedAt, string Stage, int Version, IReadOnlyList<ChangeInFile> Changes,
    IReadOnlyList<ReadingInFile> Readings, IReadOnlyList<CueInFile> Cues, IReadOnlyList<FactInFile> Facts,
    IReadOnlyList<VerdictInFile> Verdicts,
    [property: Description("how it came from version to version: told, undone, done again")] IReadOnlyList<MoveInFile> Moves,
    [property: Description("reports as they were signed")] IReadOnlyList<ReportInFile> Reports);

public sealed record ReportInFile(
    int Revision, DateTime At, int CaseVersion, string By, string? Witness, string? Gauge, string? Wrench, ReportContentDto Content,
    [property: Description("SHA-256 over what was signed; null on what was signed before there were seals")] string? Seal,
    [property: Description("it came to this shop in a file, too")] bool Elsewhere,
    [property: Description("place of the seal of the shop that signed; empty until there is one")] string? ShopSeal = null);

public sealed record PhotoInFile(
    [property: Description("SHA-256 of photos/HASH.jpg beside this file")] string Hash, int Bytes, int Width, int Height, DateTime At);

/// <summary>
/// A case with its pump, as it travels: case.json of a zip, photographs beside it. All that was ever typed is in it, what was undone too.
/// </summary>
public sealed record CaseFile(
    [property: Description("mild-hunch-case")] string Format,
    [property: Description("of the format; a newer one is refused by name")] int Version,
    PumpInFile Pump, CaseInFile Case, IReadOnlyList<PhotoInFile> Photos)
{
    public const string FormatName = "mild-hunch-case";
    public const int CurrentVersion = 2;
    public const string FileName = "case.json";
    public const string PhotoFolder = "photos/";

    internal static readonly JsonSerializerOptions Json = new JsonSerializerOptions(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        NewLine = "\n",
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectRequiredConstructorParameters = true,
    }.Guarded();

    public byte[] Written() => JsonSerializer.SerializeToUtf8Bytes(this, Json);

    /// <exception cref="JsonException">No such file.</exception>
    public static CaseFile Read(Stream text) => As<CaseFile>(text, CaseFileUpgrade.ToCurrent);

    /// <summary>The same with photographs by other names.</summary>
    public CaseFile WithPhotos(IReadOnlyDictionary<string, string> names) => Renamed(this, names);

    /// <summary>Format and version alone, whatever else a newer file may say.</summary>
    public static CaseFileHead Head(Stream text) =>
        JsonSerializer.Deserialize<CaseFileHead>(text, JsonSerializerOptions.Web) ?? throw new JsonException("nothing");

    /// <summary>The JSON schema of it.</summary>
    public static string Schema() => SchemaOf<CaseFile>();

    /// <summary>A file of JSON in which nothing stands twice, brought into today’s shape.</summary>
    /// <exception cref="JsonException">It is none, or holds half a letter, which the reader of trees tells in another way.</exception>
    internal static T As<T>(Stream text, Func<JsonNode?, JsonNode?>? current = null)
        where T : class
    {
        try
        {
            var tree = JsonNode.Parse(text, documentOptions: new JsonDocumentOptions { AllowDuplicateProperties = false });
            return (current is null ? tree : current(tree)).Deserialize<T>(Json) ?? throw new JsonException("nothing");
        }
        catch (InvalidOperationException e)
        {
            throw new JsonException("half a letter", e);
        }
    }

    internal static string SchemaOf<T>() => Json.GetJsonSchemaAsNode(typeof(T)).ToJsonString(Json) + "\n";

    internal static T Renamed<T>(T file, IReadOnlyDictionary<string, string> names)
    {
        if (names.Count == 0)
            return file;
        var text = JsonSerializer.Serialize(file, Json);
        foreach (var (old, now) in names)
            text = text.Replace(old, now, StringComparison.Ordinal);
        return JsonSerializer.Deserialize<T>(text, Json)!;
    }
}

public sealed record CaseFileHead(string? Format, int? Version);
