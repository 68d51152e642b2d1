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
        bool Kept(bool fits, string what)
        {
            if (!fits)
                left.Add(what);
            return fits;
        }

        IReadOnlyDictionary<string, T>? Only<T>(IReadOnlyDictionary<string, T>? told, HashSet<string> known, string what) =>
            told?.Where(t => Kept(t.Value is not null && known.Contains(t.Key.Split(": ")[0]), $"{what} of {t.Key}")).ToDictionary();

        var groups = possible.SelectMany(s => s.Groups).Select(g => g.Id).ToHashSet();
        var parts = possible.SelectMany(s => s.Parts).SelectMany(p => p.With.Select(w => w.Id).Prepend(p.Id)).ToHashSet();
        var choices = possible.SelectMany(s => s.Versions).SelectMany(v => v.Choices).Select(c => c.Id).ToHashSet();
        var fitted = own with
        {
            Id = own.Id is { } id && Kept(possible.Any(s => s.Id == id && !s.Fits.Beside), $"the sheet “{id}”") ? id : null,
            Choices = own.Choices is null
                ? null
                : [.. own.Choices.Where(c => c is not null && Kept(choices.Contains(c), $"the choice “{c}”"))],
            Torques = Only(own.Torques, groups, "torque"),
            Bolts = Only(own.Bolts, groups, "bolts"),
            Prices = Only(own.Prices, parts, "price"),
            Sizes = Only(own.Sizes, parts, "size"),
            Limits = Only(own.Limits, parts, "limits"),
            Kits = own.Kits is null ? null
                : [.. own.Kits.Where(k => Kept(k?.Holds?.Keys.All(parts.Contains) == true, $"the kit “{k?.Name}”"))],
        };

        // What is wrong in itself, and not only with this pump, leaves nothing to go by.
        return Fits(fitted, pump, setup, sheets, possible)
            ? new FittedSheet(fitted, left)
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
        catch (ImpossibleInputException)
        {
            return false;
        }
    }
}
