using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Records.Running;
using MildHunch.Core.Service;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Records.Patterns;

/// <summary>Records of shops drawn from the catalogue’s own lives, with and without something planted.</summary>
public class PatternFinderTests
{
    private static readonly DateOnly From = new(2024, 11, 20);
    private static readonly DateOnly Today = new(2026, 11, 28);
    private static readonly ServiceSheets Sheets = ServiceSheets.BuiltIn(Known);
    private static readonly YearDay FirstOfMarch = new(3, 1);

    [Fact]
    public void A_record_of_chance_tells_nothing()
    {
        const int shops = 60;
        var told = Enumerable.Range(1, shops).AsParallel().Count(seed => Told(seed, null, seed % 2 == 0).Count > 0);
        told.ShouldBeLessThanOrEqualTo(3);
    }

    [Fact]
    public void The_left_static_seal_of_an_end_out_of_line_comes_out_and_nothing_else()
    {
        var told = Told(
            4, (pump, part, _, _) => pump.Tag == "JUICE-HP" && part.Kind == "static-seal" && part.At.Place.Cylinder == 1 ? 60 : 1);
        told.Count.ShouldBe(1, string.Join("; ", told.Select(t => t.Sentence)));
        told[0].Sentence.ShouldContain("Left end, static seal");
        told[0].Sentence.ShouldContain("alignment of that end");
        told[0].Pump.ShouldBe("JUICE-HP");
    }

    [Fact]
    public void Grit_each_spring_comes_out()
    {
        var told = Told(
            5, (pump, part, day, _) => pump.Tag == "FROST-R" && part.Family.Id == "controls" && day.Month is >= 3 and <= 5 ? 60 : 1);
        told.ShouldContain(p => p.Kind == PatternKind.Season && p.Leading.Place == "spring" && p.Pump == "FROST-R");
    }

    [Fact]
    public void A_bad_batch_comes_out()
    {
        var told = Told(6, (_, part, _, batch) => batch == "K-3" && part.Kind == "valve" ? 40 : 1);
        told.ShouldContain(p => p.Kind == PatternKind.Batch && p.Leading.Place == "batch K-3");
    }

    [Fact]
    public void What_was_mended_fails_less_since()
    {
        // Nine openings in the first of two equal years and none in the second: the binomial law gives 1 of 2⁹.
        var from = new DateOnly(2024, 1, 1);
        var (mended, today) = (new DateOnly(2024, 12, 31), new DateOnly(2025, 12, 31));
        var pump = new RandomShop(3, from).Draw(new ShopPump("FOG-2", Fog2, Fog2Setup(), 20), Sheets, Known, from.AddDays(1));
        var seal = pump.Parts.First(p => p.Kind == "hp-seal");
        PartChange[] changes =
        [
            .. Enumerable.Range(1, 9).Select(i => new PartChange(
                $"c{i}", seal.At, from.AddDays(30 * i), 100 * i, new Removal(OutWhy.Failed), new NewPart())),
        ];
        var record = pump with { Lives = PartLog.Lives(changes, today) };
        var since = SinceMended.Of(record, seal.Family, mended, today)!;
        (since.Before, since.Since).ShouldBe((9, 0));
        since.Chance.ShouldBe(1 / 512.0, 1e-4);
        since.Sentence.ShouldContain("9 openings for seals");
        SinceMended.Of(record with { Lives = PartLog.Lives(changes[..4], today) }, seal.Family, mended, today).ShouldBeNull();
    }

    /// <summary>What is kept from one look to the next is what a new look would find.</summary>
    [Fact]
    public void A_look_that_keeps_what_is_the_same_finds_what_a_fresh_one_finds()
    {
        PumpOnRecord[] now = [.. Pumps(7, null)];
        var finder = new PatternFinder(PartFamilies.BuiltIn);
        finder.Find(now, Today);
        for (var i = 0; i < now.Length; i++)
        {
            // One pump loses its last year; the others are the same.
            now[i] = now[i] with { Lives = PartLog.Lives(Until(now[i], Today.AddYears(-1)), Today) };
            Shown(finder.Find(now, Today)).ShouldBe(Shown(PatternFinder.Find(now, PartFamilies.BuiltIn, Today)));
        }

        Shown(finder.Find(now[1..], Today)).ShouldBe(Shown(PatternFinder.Find(now[1..], PartFamilies.BuiltIn, Today)));
        Shown(finder.Find(now, Today.AddDays(7))).ShouldBe(Shown(PatternFinder.Find(now, PartFamilies.BuiltIn, Today.AddDays(7))));
    }

    private static IEnumerable<PartChange> Until(PumpOnRecord pump, DateOnly day) => pump.Lives
        .SelectMany(l => (PartChange?[])[l.Fitted, l.Out]).OfType<PartChange>().DistinctBy(c => c.Id).Where(c => c.On < day);

    private static string[] Shown(IReadOnlyList<Pattern> patterns) =>
    [
        .. patterns.Select(p => $"{p.Kind} {p.Family.Id} {p.Pump} {p.Evidence:R} {p.Chance:R} {p.Sentence}")
            .Order(StringComparer.Ordinal),
    ];

    private static IReadOnlyList<Pattern> Told(int seed, Planted? planted, bool byCalendar = false) =>
        [.. PatternFinder.Find([.. Pumps(seed, planted, byCalendar)], PartFamilies.BuiltIn, Today).Where(p => p.Told)];

    private static IReadOnlyList<PumpOnRecord> Pumps(int seed, Planted? planted, bool byCalendar = false)
    {
        var shop = new RandomShop(seed, From, planted);
        string[] batches = ["K-1", "K-2", "K-3", "K-4", "K-5"];
        var regulator = Triplex(5, ControlKind.Regulator);
        ShopPump[] pumps =
        [
            .. new[] { "FOG-2", "NET-1", "FOG-5" }.Select(tag => new ShopPump(tag, Fog2, Fog2Setup())),
            .. new[] { "FROST-R", "FROST-S" }.Select(tag => new ShopPump(tag, regulator, Fog2Setup())),
            new ShopPump("JUICE-HP", Every.Intensifier(), Every.IntensifierSetup(), 60),
        ];
        var served = byCalendar ? FirstOfMarch : null;
        return [.. pumps.Select(p => shop.Draw(p with { Batches = batches, Served = served }, Sheets, Known, Today))];
    }
}
