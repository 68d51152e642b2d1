using System.ComponentModel;
using MildHunch.Web.Service;

namespace MildHunch.Web.Reports;

/// <summary>A photograph on a report and what it shows.</summary>
public sealed record ReportPhotoDto(string Hash, string Caption);

/// <summary>What stands at a place of a drawing.</summary>
public sealed record ReportMarkDto([property: Description("fine, worn or failed")] string State, string Words);

/// <summary>A drawing on a report and what it shows.</summary>
public sealed record ReportPictureDto(
    PictureDto Picture, string Caption,
    [property: Description("by key of the shape")] IReadOnlyDictionary<string, ReportMarkDto>? Marks = null);

/// <summary>A table: its columns and rows; the first column is what a row is about.</summary>
public sealed record ReportTableDto(IReadOnlyList<string> Columns, IReadOnlyList<IReadOnlyList<string>> Rows);

/// <summary>A section: sentences, then a table, then drawings and photographs; what is empty is left out.</summary>
public sealed record ReportSectionDto(
    string Id, string Title,
    [property: Description("true for what a short copy for the customer leaves out")] bool Inner,
    IReadOnlyList<string> Lines, ReportTableDto? Table, IReadOnlyList<ReportPictureDto> Pictures, IReadOnlyList<ReportPhotoDto> Photos);

/// <summary>What a report says, on paper and on screen.</summary>
public sealed record ReportContentDto(
    string Shop, string Title, string Subtitle,
    [property: Description("the page to read: what was wrong, what was done, what it comes to")] IReadOnlyList<string> Summary,
    IReadOnlyList<ReportSectionDto> Sections,
    [property: Description("the shop's address, line by line")] IReadOnlyList<string>? Letterhead = null,
    [property: Description("zone in which its days are counted")] string? Zone = null);

/// <summary>Who signed a report, and with what it was measured.</summary>
public sealed record SignedReportDto(
    int Revision, DateTime At, string By, string? Witness, string? Gauge, string? Wrench,
    [property: Description("SHA-256 over what was signed: two papers that bear the same say the same")] string Seal,
    [property: Description("it came in a file: who signed it there is not verified here")] bool Elsewhere,
    [property: Description("false where it is no longer what was signed")] bool Sound);

public sealed record ReportResponse(
    ReportContentDto Content, [property: Description("the revision shown; null for one that nobody signed yet")] SignedReportDto? Signed,
    IReadOnlyList<SignedReportDto> Revisions,
    [property: Description("true where the case went on since it was signed")] bool ChangedSince,
    [property: Description("of the case as it stands: what signing it answers for")] int CaseVersion);

public sealed record SignReportRequest(string? By = null, string? Witness = null, string? Gauge = null, string? Wrench = null);
