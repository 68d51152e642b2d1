using System.ComponentModel;
using System.Text.Json;
using MildHunch.Web.Pumps;
using MildHunch.Web.Records;

namespace MildHunch.Web.Travel.Pumps;

public sealed record MeterInFile(
    string Id, DateOnly On, double Hours,
    [property: Description("a new meter was fitted that day and showed this then")] bool NewMeter, double? Strokes, string? By);

public sealed record PartChangeInFile(
    string Id, [property: Description("id of the part on the pump’s sheet")] string Part, int? Cylinder, string? Side, DateOnly On,
    [property: Description("failed, along or unsaid; null where nothing came out")] string? OutWhy, string? Finding, DateOnly? GoodOn,
    bool PutIn, string? By, string? Kit, string? Batch, DateOnly? Warranty, string? Note);

/// <summary>Where it stood before it was swapped, and how it was set up there.</summary>
public sealed record StoodInFile(string Id, string Tag, string Duty, SetupDto Setup, DateTime Until);

/// <summary>
/// A pump with its whole life, as it travels: pump.json of a zip, photographs beside it. What a case left on the record is in the case.
/// </summary>
public sealed record PumpFile(
    [property: Description("mild-hunch-pump")] string Format,
    [property: Description("of the format; a newer one is refused by name")] int Version,
    PumpInFile Pump, string Serial, RunningDto? Running, IReadOnlyList<StoodInFile> Stood,
    [property: Description("what its meter showed, as entered by hand")] IReadOnlyList<MeterInFile> Meters,
    [property: Description("parts changed, as entered by hand or from paper")] IReadOnlyList<PartChangeInFile> PartChanges,
    IReadOnlyList<CaseInFile> Cases, IReadOnlyList<PhotoInFile> Photos)
{
    public const string FormatName = "mild-hunch-pump";
    public const int CurrentVersion = 1;
    public const string FileName = "pump.json";

    public byte[] Written() => JsonSerializer.SerializeToUtf8Bytes(this, CaseFile.Json);

    /// <exception cref="JsonException">No such file.</exception>
    public static PumpFile Read(Stream text) => CaseFile.As<PumpFile>(text);

    /// <summary>The same with photographs by other names.</summary>
    public PumpFile WithPhotos(IReadOnlyDictionary<string, string> names) => CaseFile.Renamed(this, names);

    /// <summary>One of its cases as a file of its own; its photographs lie with the pump’s.</summary>
    public CaseFile Alone(CaseInFile one) => new(CaseFile.FormatName, CaseFile.CurrentVersion, Pump, one, []);

    /// <summary>The JSON schema of it.</summary>
    public static string Schema() => CaseFile.SchemaOf<PumpFile>();
}
