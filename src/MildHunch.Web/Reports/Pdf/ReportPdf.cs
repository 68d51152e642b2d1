using System.Globalization;
using MildHunch.Web.Photos;
using SkiaSharp;

namespace MildHunch.Web.Reports.Pdf;

/// <summary>A report on paper: our own lettering, drawings as lines, photographs as they are kept.</summary>
public sealed class ReportPdf(PhotoFiles photos)
{
    private const double PhotoWidth = 240;
    private const double PhotoHeight = 170;

    /// <summary>The document.</summary>
    internal byte[] Write(ReportContentDto report, SignedReportDto? signed, Paper paper)
    {
        using var sheets = new Sheets(paper);
        Head(sheets, report, signed);
        foreach (var section in report.Sections)
            Section(sheets, section);
        Signature(sheets, signed, report.Zone);
        using var written = new MemoryStream();
        using (var document = SKDocument.CreatePdf(written, new SKDocumentPdfMetadata
        {
            Title = report.Title,
            Subject = report.Subtitle,
            Author = report.Shop,
            Creator = "Mild Hunch",
        }))
        {
            sheets.WriteTo(document, string.Join(" · ", new[] { report.Shop, report.Title }.Where(t => t.Length > 0)));
            document.Close();
        }

        return PdfLanguage.Set(written.ToArray(), "en");
    }

    private static void Head(Sheets sheets, ReportContentDto report, SignedReportDto? signed)
    {
        foreach (var line in report.Letterhead is { Count: > 0 } address ? address.Prepend(report.Shop) : [report.Shop])
            sheets.Lines(Lettering.Text, 9, line);
        sheets.Lines(Lettering.Heading, 22, report.Title);
        sheets.Lines(Lettering.Text, 10, report.Subtitle);
        sheets.Lines(Lettering.Text, 9, signed is null ? "Not signed." : $"Revision {signed.Revision}.");
        sheets.Space(6);
        sheets.Rule();
        foreach (var line in report.Summary)
        {
            sheets.Lines(Lettering.Text, 11, line);
            sheets.Space(2);
        }

        sheets.Space(6);
    }

    private void Section(Sheets sheets, ReportSectionDto section)
    {
        sheets.Need(54);
        sheets.Space(6);
        sheets.Lines(Lettering.Heading, 14, section.Title);
        sheets.Rule();
        foreach (var line in section.Lines)
            sheets.Lines(Lettering.Text, 10, line);
        if (section.Lines.Count > 0)
            sheets.Space(4);
        if (section.Table is { Rows.Count: > 0 } table)
            sheets.Table(table.Columns, table.Rows);
        foreach (var picture in section.Pictures)
        {
            PicturePainter.Draw(sheets, picture.Picture, sheets.Width * 0.75, 260, picture.Marks);
            sheets.Lines(Lettering.Text, 9, picture.Caption);
            sheets.Space(6);
        }

        Photographs(sheets, section.Photos);
    }

    // Two beside one another.
    private void Photographs(Sheets sheets, IReadOnlyList<ReportPhotoDto> shown)
    {
        foreach (var pair in shown.Chunk(2))
        {
            sheets.Need(PhotoHeight + 28);
            var top = sheets.Y;
            foreach (var (k, photo) in pair.Index())
                if (photos.Find(photo.Hash) is { } path)
                {
                    // As it is kept: a JPEG goes into the document as it lies on the disk.
                    using var image = SKImage.FromEncodedData(path);
                    var scale = Math.Min(PhotoWidth / image.Width, PhotoHeight / image.Height);
                    var left = sheets.Left + (k * (PhotoWidth + 12));
                    sheets.Canvas.DrawImage(
                        image, SKRect.Create((float)left, (float)top, (float)(image.Width * scale), (float)(image.Height * scale)),
                        new SKSamplingOptions(SKFilterMode.Linear));
                    sheets.Line(Lettering.Text, 9, photo.Caption, left, top + PhotoHeight + 12);
                }

            sheets.Y = top + PhotoHeight + 24;
        }
    }

    private static void Signature(Sheets sheets, SignedReportDto? signed, string? zone)
    {
        sheets.Need(90);
        sheets.Space(10);
        sheets.Lines(Lettering.Heading, 14, "Signed");
        sheets.Rule();
        if (signed is null)
        {
            sheets.Lines(Lettering.Text, 10, "Not signed yet.");
            return;
        }

        sheets.Lines(
            Lettering.Text, 10,
            string.Create(CultureInfo.InvariantCulture, $"{signed.By}, {Signed(signed.At, zone)}, revision {signed.Revision}."));
        if (signed.Witness is { } witness)
            sheets.Lines(Lettering.Text, 10, $"Witness: {witness}.");
        if (signed.Gauge is { } gauge)
            sheets.Lines(Lettering.Text, 10, $"Gauge: {gauge}.");
        if (signed.Wrench is { } wrench)
            sheets.Lines(Lettering.Text, 10, $"Wrench: {wrench}.");
        if (signed.Elsewhere)
            sheets.Lines(Lettering.Text, 10, "Signed elsewhere, not verified.");
        if (!signed.Sound)
            sheets.Lines(Lettering.Text, 10, "This is no longer what was signed.");
        sheets.Lines(Lettering.Text, 9, $"Seal {signed.Seal[..32]}");
    }

    // In the shop’s own zone, as its days are; signed before that was kept, in that of nobody.
    private static string Signed(DateTime at, string? zone) => zone is not null && TimeZoneInfo.TryFindSystemTimeZoneById(zone, out var own)
        ? string.Create(CultureInfo.InvariantCulture, $"{TimeZoneInfo.ConvertTimeFromUtc(at, own):yyyy-MM-dd HH:mm} ({own.Id})")
        : string.Create(CultureInfo.InvariantCulture, $"{at:yyyy-MM-dd HH:mm} UTC");
}
