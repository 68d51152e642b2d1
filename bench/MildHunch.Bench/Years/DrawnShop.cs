using MildHunch.Core.Numerics;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Records.Running;
using MildHunch.Core.Service;
using MildHunch.Core.Tests;
using MildHunch.Core.Tests.Records;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Bench.Years;

/// <summary>Shops of eight pumps, some of which come later or are put away; every other shop serves by the calendar.</summary>
internal sealed record DrawnShop(int Seed, DateOnly From, int Years, bool ByCalendar)
{
    private const int Pumps = 8;
    private const double Comes = 0.35;
    private const double Goes = 0.25;
    private static readonly ServiceSheets Sheets = ServiceSheets.BuiltIn(Known);
    private static readonly ReciprocatingPump Regulated = Triplex(5, ControlKind.Regulator);
    private static readonly YearDay FirstOfMarch = new(3, 1);

    public DateOnly To => From.AddYears(Years);

    public IReadOnlyList<PumpOnRecord> Draw(Planted? planted = null)
    {
        var dice = new SeededNoise(Seed * 7919);
        var shop = new RandomShop(Seed, From, planted);
        string[] batches = [.. Enumerable.Range(1, 4 * Years).Select(i => $"K-{i}")];
        return [.. Enumerable.Range(0, Pumps).Select(i => shop.Draw(Dated(Made(i) with { Batches = batches }, dice), Sheets, Known, To))];
    }

    private ShopPump Dated(ShopPump pump, SeededNoise dice)
    {
        var days = To.DayNumber - From.DayNumber;

        // The first stay all the time, so that there is something to compare with.
        bool comes = dice.Even() < Comes, goes = dice.Even() < Goes;
        double when = dice.Even(), until = dice.Even();
        var stays = pump.Tag is "FOG-1" or "FOG-2";
        DateOnly? from = comes && !stays ? From.AddDays((int)(0.7 * when * days)) : null;
        return pump with
        {
            From = from,
            Until = goes && !stays ? (from ?? From).AddDays(60 + (int)(until * (To.DayNumber - (from ?? From).DayNumber - 60))) : null,
            Served = ByCalendar ? FirstOfMarch : null,
            FirstNoted = dice.Even() < 0.5,
        };
    }

    private static ShopPump Made(int i) => i switch
    {
        < 4 => new ShopPump($"FOG-{i + 1}", Fog2, Fog2Setup()),
        < 7 => new ShopPump($"FROST-{i - 3}", Regulated, Fog2Setup()),
        _ => new ShopPump("JUICE-HP", Every.Intensifier(), Every.IntensifierSetup(), 60),
    };
}
