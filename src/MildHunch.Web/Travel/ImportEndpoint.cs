using System.IO.Compression;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Net.Http.Headers;
using MildHunch.Core;
using MildHunch.Store.Backup;
using MildHunch.Web.Backup;
using MildHunch.Web.Shared;
using MildHunch.Web.Travel.Pumps;

namespace MildHunch.Web.Travel;

/// <summary>What became of a file; no case where a pump came.</summary>
public sealed record ImportResponse(string? CaseId, string PumpId, string Outcome, string Says, int Photos);

/// <summary>Receives a file from elsewhere and hands it to whoever takes such a file in.</summary>
public sealed class ImportEndpoint(CaseImport cases, PumpImport pumps, ShopFolder shop, ShopDay day)
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost(
            BodyLimits.ImportPath, (HttpRequest request, string? keep, ImportEndpoint import, CancellationToken stop) =>
                import.Take(request, keep, stop))
            .Accepts<IFormFile>("multipart/form-data").WithTags("Cases")
            .WithSummary("Takes in a case or a pump that was exported elsewhere; what is here already is recognised, "
                + "what went on in both places merged; keep=both takes a case in as a second one.");

    private async Task<ImportResponse> Take(HttpRequest request, string? keep, CancellationToken stop)
    {
        if (keep is not (null or "both"))
            throw new ImpossibleInputException("keep", $"“{keep}”", "both, or nothing");
        if (request.HttpContext.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit)
            limit.MaxRequestBodySize = BodyLimits.ImportBytes;
        var folder = Directory.CreateDirectory(Path.Combine(shop.Path, BackupFolder.Name)).FullName;
        await using var sent = new FileStream(
            Path.Combine(folder, $"taken-{Guid.NewGuid():N}.tmp"), FileMode.CreateNew, FileAccess.ReadWrite, FileShare.None, 81920,
            FileOptions.DeleteOnClose | FileOptions.Asynchronous);
        await Receive(request, sent, stop);
        sent.Position = 0;
        try
        {
            using var zip = new ZipArchive(sent, ZipArchiveMode.Read, leaveOpen: true);
            if (!TravelZip.HoldsPump(zip))
                return await cases.Take(TravelZip.Case(zip), zip, keep is not null, stop);
            return keep is null
                ? await pumps.Take(TravelZip.Pump(zip, day.Today.AddDays(1)), zip, stop)
                : throw new ImpossibleInputException("keep", "both, with a pump", "nothing: a pump is here once");
        }
        catch (Exception e) when (e is InvalidDataException or EndOfStreamException or NotSupportedException)
        {
            throw CaseFileRules.Refused("file", "This is no whole zip file: it was cut short, or is something else.");
        }
    }

    private static async Task Receive(HttpRequest request, Stream to, CancellationToken stop)
    {
        if (!MediaTypeHeaderValue.TryParse(request.ContentType, out var type)
            || !type.MediaType.Equals("multipart/form-data", StringComparison.OrdinalIgnoreCase)
            || HeaderUtilities.RemoveQuotes(type.Boundary).Value is not { Length: > 0 } boundary)
            throw CaseFileRules.Refused("file", "Send the file as a form, in a part called “file”.");
        var reader = new MultipartReader(boundary, request.Body);
        try
        {
            while (await reader.ReadNextSectionAsync(stop) is { } section)
                if (section.GetContentDispositionHeader() is { } part && part.IsFileDisposition())
                {
                    await section.Body.CopyToAsync(to, stop);
                    return;
                }
        }
        catch (IOException e) when (!FullDisk.Is(e))
        {
            throw CaseFileRules.Refused("file", "It was cut short on the way. Send it again.");
        }

        throw CaseFileRules.Refused("file", "There is no file in what was sent.");
    }
}
