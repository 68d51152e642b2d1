using MildHunch.Core.Evidence;
using MildHunch.Core.Evidence.Jot;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Evidence.Jot;

/// <summary>Shorthand as technicians write it (common practice, no source).</summary>
public class JotLineTests
{
    private static readonly JotLine Jot = new(Known);

    [Theory]
    [InlineData("31 bar", "discharge-pressure=31bar")]
    [InlineData("31bar", "discharge-pressure=31bar")]
    [InlineData("pressure 31", "discharge-pressure=31bar")]
    [InlineData("31,5 BAR", "discharge-pressure=31.5bar")]
    [InlineData("450 psi", "discharge-pressure=450psi")]
    [InlineData("52 bar swing 18, 14.1 l/min", "discharge-pressure=52bar swing=18bar nozzle-flow=14.1L/min")]
    [InlineData("31 ±12 bar", "discharge-pressure=31bar swing=24bar")]
    [InlineData("450 psi swing 120", "discharge-pressure=450psi swing=120psi")]
    [InlineData("swing 24 bar 31 bar", "swing=24bar discharge-pressure=31bar")]
    [InlineData("bucket 10 l in 50 s", "nozzle-flow=12L/min")]
    [InlineData("bypass bucket 5 l in 60 s", "bypass-flow=5L/min")]
    [InlineData("10 l in 1 min", "nozzle-flow=10L/min")]
    [InlineData("bypass 0", "bypass-flow=0L/min")]
    [InlineData("bypass 0.5 l/min", "bypass-flow=0.5L/min")]
    [InlineData("1447 rpm", "speed=1447rpm")]
    [InlineData("speed 1447", "speed=1447rpm")]
    [InlineData("inlet -0.3 bar", "inlet-pressure=-0.3bar")]
    [InlineData("-0.3 bar inlet", "inlet-pressure=-0.3bar")]
    [InlineData("inlet pressure 0,4 bar", "inlet-pressure=0.4bar")]
    [InlineData("orifice 1.9 mm", "nozzle-orifice=1.9mm")]
    [InlineData("3.3 gpm", "nozzle-flow=3.3US gal/min")]
    [InlineData("supply 20 l/min", "supply-flow=20L/min")]
    [InlineData("needle swings", "needle:swings")]
    [InlineData("swinging needle", "needle:swings")]
    [InlineData("needle steady", "needle:steady")]
    [InlineData("inlet hose calm", "inlet-hose:calm")]
    [InlineData("sucked flat", "inlet-hose:sucked-flat")]
    [InlineData("bypass none", "bypass-with-outlet-open:none")]
    [InlineData("bypass most", "bypass-with-outlet-open:most")]
    [InlineData("bypass hot", "heat:bypass-hot")]
    [InlineData("gravel", "sound:gravel")]
    [InlineData("weep 2 30/min", "leak-at:weep@2 30drops")]
    [InlineData("weep 2 dry", "leak-at:weep@2 0drops")]
    [InlineData("weep 2 30/min also standing", "leak-at:weep@2 30drops Standing")]
    [InlineData("weep 2 running only, 31 bar", "leak-at:weep@2 Running discharge-pressure=31bar")]
    [InlineData("weep 1 stream standing", "leak-at:weep@1 stream Standing")]
    [InlineData("unloader drips a stream", "leak-at:unloader stream")]
    [InlineData("6.2 A", "amps=6.2A")]
    [InlineData("amps 6,2, supply temperature 38 °C", "amps=6.2A supply-temperature=38°C")]
    [InlineData("dry everywhere", "leak-at:none")]
    [InlineData("discharge cap 2 hisses", "cap-listen:hisses@discharge2")]
    [InlineData("cap 2 discharge hisses", "cap-listen:hisses@discharge2")]
    [InlineData("discharge cap 2 warm", "cap-heat:warm@discharge2")]
    [InlineData("cap 3 hot", "cap-heat:warm@3")]
    [InlineData("gauge off zero", "gauge-after-venting:off")]
    [InlineData("strainer dirty", "supply-strainer:dirty")]
    [InlineData("outlet closed bleeds down", "closed-outlet:bleeds-down")]
    [InlineData("restart hard", "restart:hard")]
    [InlineData("28 to 46 bar", "discharge-pressure=37bar swing=18bar")]
    [InlineData("28-46 bar, 12 l/min", "discharge-pressure=37bar swing=18bar nozzle-flow=12L/min")]
    [InlineData("head 28 – 46", "discharge-pressure=37bar swing=18bar")]
    [InlineData("flow 12 to 13 l/min", "nozzle-flow=12.5L/min")]
    [InlineData("gauge at rest 3 bar", "gauge-at-rest=3bar")]
    [InlineData("hose side fell 5 bar", "pressure-fall=5bar")]
    [InlineData("gun 30 bar", "gun-pressure=30bar")]
    [InlineData("neddle swings", "needle:swings")]
    [InlineData("needle swingss", "needle:swings")]
    [InlineData("stranier dirty", "supply-strainer:dirty")]
    [InlineData("gravle", "sound:gravel")]
    [InlineData("milky oil", "oil:milky")]
    [InlineData(
        "31 bar, swing 24, bucket 10 l in 49 s, inlet hose calm",
        "discharge-pressure=31bar swing=24bar nozzle-flow=12.245L/min inlet-hose:calm")]
    public void Understands(string line, string expected)
    {
        var read = Jot.Read(line, Fog2);
        read.Gaps.ShouldBeEmpty();
        string.Join(' ', read.Items.Select(Short)).ShouldBe(expected);
    }

    [Theory]
    [InlineData("31", "31")]
    [InlineData("31 bar wobbly", "31 bar wobbly")]
    [InlineData("1,450 rpm", "1,450 rpm")]
    [InlineData("weep 5", "weep 5")]
    [InlineData("-12 l/min", "-12 l/min")]
    [InlineData("pressure", "pressure")]
    [InlineData("31x", "31x")]
    [InlineData("1000000000 rpm", "1000000000 rpm")]
    public void Says_what_it_did_not_understand(string line, string gap)
    {
        var read = Jot.Read(line, Fog2);
        read.Gaps.ShouldHaveSingleItem().Text.ShouldBe(gap);
        read.Gaps[0].Problem.ShouldNotBeNullOrWhiteSpace();
    }

    /// <summary>What is being typed goes on by itself: names by their beginning, answers behind their name.</summary>
    [Theory]
    [InlineData("31 bar, stra", "strainer")]
    [InlineData("need", "needle")]
    [InlineData("needle ", "swings")]
    [InlineData("inlet hose ", "kicks")]
    public void Suggests_how_to_go_on(string line, string suggestion) => Jot.Read(line, Fog2).Suggestions.ShouldContain(suggestion);

    [Theory]
    [InlineData("31 bar ")]
    [InlineData("")]
    [InlineData("x")]
    public void Suggests_nothing_where_nothing_waits(string line) => Jot.Read(line, Fog2).Suggestions.ShouldBeEmpty();

    [Fact]
    public void A_stacked_bore_has_no_side()
    {
        var read = Jot.Read("discharge cap 2 hisses", Triplex(layout: HeadLayout.StackedBore));
        read.Items.ShouldHaveSingleItem().Cue!.Side.ShouldBeNull();
    }

    [Fact]
    public void Every_answer_of_every_cue_can_be_jotted_by_its_own_words()
    {
        foreach (var cue in Known.Cues)
            foreach (var answer in cue.Answers.Where(a => !a.Retired))
                JotPhrases(cue.Id, answer.Id).ShouldBeTrue($"{cue.Id} {answer.Id}");
    }

    [Fact]
    public void Any_line_is_read_without_failing() =>
        CsCheck.Check.Sample(CsCheck.Gen.String[CsCheck.Gen.Char["0123456789.,;±/- barpsilmnweghtcdkxsoi°µ"], 0, 60], line =>
        {
            var read = Jot.Read(line, Fog2);
            foreach (var item in read.Items)
                (item.Start >= 0 && item.Length > 0 && item.Start + item.Length <= line.Length).ShouldBeTrue();
        });

    // Some are said of one kind of pump only.
    private static readonly ReciprocatingPump[] Pumps = [
        Fog2, Triplex(control: ControlKind.Regulator), Every.Axial(12, 2800, ControlKind.AutoStop), Every.Twin(36, 420, ControlKind.Relief),
        Every.Intensifier()];

    private static bool Says(string line, string cue, string answer) =>
        Pumps.Any(p => Jot.Read(line, p).Items.Any(i => i.Cue?.Cue == cue && i.Cue.Answer == answer));

    private static bool JotPhrases(string cue, string answer)
    {
        using var stream = typeof(JotLine).Assembly.GetManifestResourceStream("knowledge/jot.json")!;
        var data = System.Text.Json.JsonDocument.Parse(stream).RootElement;
        if (!data.GetProperty("subjects").TryGetProperty(cue, out var subjects))
        {
            var entry = Known.Cue(cue)!;
            return Says($"{entry.Name} {entry.Answers.First(a => a.Id == answer).Text}", cue, answer);
        }

        foreach (var subject in subjects.EnumerateArray())
            foreach (var word in data.GetProperty("answers").GetProperty(cue).GetProperty(answer).EnumerateArray())
                if (Says($"{subject} {word.GetString()!.TrimEnd('*')}", cue, answer) || Says(word.GetString()!.TrimEnd('*'), cue, answer))
                    return true;
        return false;
    }

    internal static string Short(JotItem item)
    {
        if (item.Number is { } n)
            return $"{n.What}={Math.Round(item.Unit!.FromSi(n.Value.Si), 3)}{item.Unit.Symbol}";
        var c = item.Cue!;
        var place = c.Cylinder is null ? "" : $"@{c.Side?.ToString().ToLowerInvariant()}{c.Cylinder}";
        var drops = c.DropsPerMinute is { } d ? $" {d}drops" : "";
        return $"{c.Cue}:{c.Answer}{place}{drops}{(c.Stream ? " stream" : "")}{(c.When == Dripping.Unsaid ? "" : $" {c.When}")}";
    }
}
