using System.ComponentModel;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Sheets;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

public sealed record PublishedPartDto(
    string Part, string Name, string Kind, string Per, [Description("again, judge or new")] string Fit,
    IReadOnlyList<string> Serves);

public sealed record PublishedGroupDto(string Group, string Name, string Pattern, string Per);

public sealed record PublishedSheetDto(
    string Id, string Name, IReadOnlyList<PublishedPartDto> Parts, IReadOnlyList<PublishedGroupDto> Groups);

public sealed record PublishedPatternDto(
    string Pattern, int Count, IReadOnlyList<int> Tighten, IReadOnlyList<int> Loosen, PictureDto Drawing);

/// <summary>The sheets in force: ids of parts and bolt groups, each sheet whole, and the schema of a shop's own.</summary>
public static class SheetEndpoints
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/service-sheets").WithTags("Knowledge");
        group.MapGet("/", (ServiceSheets sheets) => sheets.All.Select(s => new PublishedSheetDto(
                s.Id, s.Name,
                [.. s.Parts.Select(p => new PublishedPartDto(p.Id, p.Name, p.Kind, p.Per.Named(), p.Fit.Named(), p.Serves))],
                [.. s.Groups.Select(g => new PublishedGroupDto(g.Id, g.Name, g.Pattern, g.Per.Named()))])).ToList())
            .WithSummary("Sheets in force with the ids of their parts and bolt groups.");
        routes.MapGet("/api/bolt-patterns", Patterns).WithTags("Knowledge")
            .WithSummary("How bolts may stand: each pattern with its numbers, its order and its drawing.");
        group.MapGet("/schema", () => Results.Text(ServiceSheets.Schema(), "application/schema+json"))
            .WithSummary("What a sheet may say, as a JSON schema.");
        group.MapGet("/{id}", (string id, ServiceSheets sheets) => Results.Text(
                ServiceSheets.Text(sheets.All.FirstOrDefault(s => s.Id == id) ?? throw RefusalException.NotFound("sheet", id)),
                "application/json"))
            .WithSummary("One sheet whole, in the form in which a shop writes its own.");
    }

    private static List<PublishedPatternDto> Patterns() => BoltPattern.Names.Select(name =>
    {
        var group = new BoltGroup { Id = name, Name = name, Kind = "bolt", Pattern = name };
        return new PublishedPatternDto(name, group.Places.Places.Count, group.ToTighten, group.ToLoosen, BoltDrawing.Of(group).ToDto());
    }).OrderBy(p => p.Count).ThenBy(p => p.Pattern, StringComparer.Ordinal).ToList();
}
