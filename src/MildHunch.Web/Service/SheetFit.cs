using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;
using MildHunch.Web.Pumps;

namespace MildHunch.Web.Service;

/// <summary>Figures as far as they fit the pump, and what of them does not, in words.</summary>
internal sealed record FittedSheet(PumpSheetDto Own, IReadOnlyList<string> LeftOut);

/// <summary>
/// Figures were noted for the pump as it was then, by the sheets the shop had then. What no longer fits is left out and named; it stays
/// stored, and counts again once it fits.
/// </summary>
internal static class SheetFit
{
    /// <summary>Figures that count for this pump now.</summary>
    public static FittedSheet Of(PumpSheetDto own, ReciprocatingPump pump, SetupDto? setup, ServiceSheets sheets)
    {
        var possible = ServiceQuestion.Possible(pump, setup, sheets);
        if (Fits(own, pump, setup, sheets, possible))
            return new FittedSheet(own, []);
        List<string> left = [];
        var groups = possible.SelectMany(s => s.Groups).Select(g => g.Id).ToHashSet();
        var parts = possible.SelectMany(s => s.Parts).SelectMany(p => p.With.Select(w => w.Id).Prepend(p.Id)).ToHashSet();
        IReadOnlyDictionary<string, T>? Only<T>(IReadOnlyDictionary<string, T>? told, Func<string, bool> known, string what)
        {
            if (told is null)
                return null;
            var kept = told.Where(t => known(t.Key) && t.Value is not null).ToDictionary();
            if (kept.Count < told.Count)
                left.Add($"{what}: {string.Join(", ", told.Keys.Where(k => !kept.ContainsKey(k)))}");
            return kept;
        }

        var id = own.Id is { } named && possible.All(s => s.Id != named || s.Fits.Beside) ? null : own.Id;
        if (id != own.Id)
            left.Add($"the sheet “{own.Id}”");
        var fitted = own with
        {
            Id = id,
            Choices = own.Choices is null ? null : [.. own.Choices.Where(c => c is not null)],
            Torques = Only(own.Torques, groups.Contains, "torques"),
            Bolts = Only(own.Bolts, groups.Contains, "bolts"),
            Prices = Only(own.Prices, parts.Contains, "prices"),
            Sizes = Only(own.Sizes, parts.Contains, "sizes"),
            Limits = Only(own.Limits, key => parts.Contains(key.Split(": ")[0]), "limits"),
            Kits = own.Kits is null ? null : [.. own.Kits.Where(k => k?.Holds?.Keys.Any(parts.Contains) == true)],
        };
        if (fitted.Kits?.Count < own.Kits?.Count)
            left.Add("kits: " + string.Join(", ", own.Kits!.Except(fitted.Kits).Select(k => k?.Name ?? "without a name")));

        // What is wrong in itself, and not only with this pump, leaves nothing to go by.
        return Fits(fitted, pump, setup, sheets, possible) ? new FittedSheet(fitted, left)
            : new FittedSheet(new PumpSheetDto(), ["all of its service figures"]);
    }

    private static bool Fits(
        PumpSheetDto own, ReciprocatingPump pump, SetupDto? setup, ServiceSheets sheets, IReadOnlyList<ServiceSheet> possible)
    {
        try
        {
            PumpSheetRules.Check(own, possible);
            ServiceQuestion.Sheets(pump, setup, own, sheets);
            return true;
        }
        catch (Exception e) when (e is ImpossibleInputException or NullReferenceException or InvalidOperationException)
        {
            return false;
        }
    }
}
