using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Expectation.Everyday;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Sheets;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

/// <summary>What a shop's figures for a pump must hold; each refusal names its field.</summary>
internal static class PumpSheetRules
{
    private const int MostLetters = 200;
    private const double MostMoney = 1e7;

    /// <exception cref="ImpossibleInputException">Something is not known, empty or not above 0.</exception>
    public static void Check(PumpSheetDto own, IReadOnlyList<ServiceSheet> sheets)
    {
        var groups = sheets.SelectMany(s => s.Groups).Select(g => g.Id).Distinct().ToArray();
        var parts = sheets.SelectMany(s => s.Parts).SelectMany(p => p.With.Select(w => w.Id).Prepend(p.Id)).Distinct().ToArray();
        foreach (var (group, told) in own.Torques ?? Nothing<QuantityDto>())
            Torque(Known(group, groups, "sheet.torques"), told);
        foreach (var (group, made) in own.Bolts ?? Nothing<BoltMakeDto>())
            ImpossibleInputException.Under($"sheet.bolts.{Known(group, groups, "sheet.bolts")}", () => CheckBolts(made, group, sheets));
        foreach (var (kit, k) in (own.Kits ?? []).Select((kit, k) => (kit, k)))
            Kit(kit ?? throw Mapping.Missing($"sheet.kits[{k}]", "a kit"), $"sheet.kits[{k}]", parts);
        foreach (var (part, price) in own.Prices ?? Nothing<double>())
            Money(price, $"sheet.prices.{Known(part, parts, "sheet.prices")}");
        foreach (var (part, size) in own.Sizes ?? Nothing<string>())
            Short(size, $"sheet.sizes.{Known(part, parts, "sheet.sizes")}");
        foreach (var (name, limit) in own.Limits ?? Nothing<LimitDto>())
        {
            Known(name.Split(": ")[0], parts, "sheet.limits");
            Limit(limit ?? throw Mapping.Missing($"sheet.limits.{name}", "a least or a most length"), $"sheet.limits.{name}");
        }

        var choices = sheets.SelectMany(s => s.Versions).SelectMany(v => v.Choices).Select(c => c.Id).Distinct().ToArray();
        foreach (var choice in own.Choices ?? [])
            Known(choice, choices, "sheet.choices");

        Short(own.Oil, "sheet.oil");
        Short(own.Grease, "sheet.grease");
        Money(own.NewPump, "sheet.newPump");
        Above(own.Interval?.Hours, 1e6, "sheet.interval.hours", "hours above 0");
        Above(own.Interval?.SealChanges, 1000, "sheet.interval.sealChanges", "1 seal change or more");
    }

    /// <summary>Bolts as they are on this pump, beside their make.</summary>
    public static OwnBolts Own(this BoltMakeDto made) => new()
    {
        Pattern = made.Pattern,
        Steps = made.Steps is null ? null : Mapping.Choice(made.Steps, "steps", TorqueSteps.Plain),
        Shares = made.Shares ?? [],
        Tighten = made.Tighten ?? [],
        Loosen = made.Loosen ?? [],
        Wrench = made.Wrench,
        Drive = made.Drive,
    };

    /// <summary>A sheet with the pump's own bolts in place of those it starts with.</summary>
    public static ServiceSheet With(this ServiceSheet sheet, IReadOnlyDictionary<string, BoltMakeDto>? own) =>
        own is null || !sheet.Groups.Any(g => own.ContainsKey(g.Id))
            ? sheet
            : sheet with { Groups = [.. sheet.Groups.Select(g => own.GetValueOrDefault(g.Id) is { } bolts ? Fitted(bolts, g) : g)] };

    // What no longer fits, since the shop's sheet was changed under it, is refused where it is noted or planned, and ends nothing else.
    private static BoltGroup Fitted(BoltMakeDto bolts, BoltGroup group)
    {
        try
        {
            return bolts.Own().On(group);
        }
        catch (ImpossibleInputException)
        {
            return group;
        }
    }

    private static BoltGroup CheckBolts(BoltMakeDto? made, string group, IReadOnlyList<ServiceSheet> sheets)
    {
        if (made is null)
            throw Mapping.Missing("size", "the bolts of the group, or leave it out");
        made.ToCore();
        return made.Own().On(sheets.SelectMany(s => s.Groups).First(g => g.Id == group));
    }

    /// <summary>The bolt as Core knows it; null where size or grade is not noted.</summary>
    public static BoltMake? ToCore(this BoltMakeDto? made)
    {
        if (made is null)
            return null;
        var metal = Mapping.Choice(made.Thread, "thread", ThreadMetal.Steel);
        var dressing = Mapping.Choice(made.Dressing, "dressing", ThreadDressing.Dry);
        if (made.Size is null || made.Grade is null)
            return null;
        var bolt = new BoltMake(made.Size, made.Grade, metal, dressing);
        BoltCeiling.Of(bolt);
        return bolt;
    }

    private static void Torque(string group, QuantityDto told)
    {
        if (told.Need<Torque>($"sheet.torques.{group}").Si <= 0)
            throw new ImpossibleInputException($"sheet.torques.{group}", $"{told.Value} {told.Unit}", "a torque above 0");
    }

    private static void Kit(KitDto kit, string field, string[] parts)
    {
        if (string.IsNullOrWhiteSpace(kit.Name))
            throw Mapping.Missing($"{field}.name", "the kit’s name or number");
        Short(kit.Name, $"{field}.name");
        Money(kit.Price, $"{field}.price");
        if (kit.Holds is not { Count: > 0 } holds)
            throw new ImpossibleInputException($"{field}.holds", "nothing in it", "at least one part, one or more of each");
        foreach (var (part, count) in holds)
            if (count < 1)
                throw new ImpossibleInputException(
                    $"{field}.holds.{Known(part, parts, $"{field}.holds")}", count.ToString(CultureInfo.InvariantCulture), "1 or more");
            else
                Known(part, parts, $"{field}.holds");
    }

    private static void Limit(LimitDto limit, string field)
    {
        var (least, most) = (limit.Least.Maybe<Length>($"{field}.least"), limit.Most.Maybe<Length>($"{field}.most"));
        if (least is null && most is null)
            throw Mapping.Missing(field, "a least or a most length");
        if (least?.Si > most?.Si)
            throw new ImpossibleInputException($"{field}.most", $"{limit.Most!.Value} {limit.Most.Unit}", "not below the least");
    }

    private static string Known(string id, string[] known, string field) =>
        known.Contains(id) ? id : throw new ImpossibleInputException(field, $"“{id}”", string.Join(", ", known));

    private static void Money(double? price, string field) => Above(price, MostMoney, field, "a price above 0");

    private static void Above(double? value, double most, string field, string accepted)
    {
        if (value is not null and not (> 0 and <= 1e9) || value > most)
            throw new ImpossibleInputException(field, value?.ToString(CultureInfo.InvariantCulture) ?? "nothing", accepted);
    }

    private static void Short(string? text, string field)
    {
        if (text?.Length > MostLetters)
            throw new ImpossibleInputException(field, $"{text.Length} characters", $"at most {MostLetters} characters");
    }

    private static Dictionary<string, T> Nothing<T>() => [];
}
