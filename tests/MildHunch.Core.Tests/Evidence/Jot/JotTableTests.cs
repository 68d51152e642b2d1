using MildHunch.Core.Evidence.Jot;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Evidence.Jot;

/// <summary>
/// Lines as technicians write them (common practice, no source), each with what it says: read right or asked back, never
/// read as something else.
/// </summary>
public class JotTableTests
{
    private const double LeastRight = 0.75;
    private const int LeastLines = 200;
    private const int LeastEntries = 150;
    private static readonly JotLine Jot = new(Known);

    public static TheoryData<string, string> Lines { get; } = Read("jot-lines.txt");

    public static TheoryData<string, string> Entries { get; } = Read("jot-entries.txt");

    [Theory]
    [MemberData(nameof(Lines))]
    [MemberData(nameof(Entries))]
    public void Is_never_misread(string line, string says)
    {
        var read = Jot.Read(line, Fog2);
        var wrong = read.Items.Select(JotLineTests.Short).Except(Split(says)).ToArray();
        wrong.ShouldBeEmpty($"“{line}” says “{says}”");
        if (read.Items.Count < Split(says).Length || says == "?")
            read.Gaps.ShouldNotBeEmpty($"“{line}” lost a part without a word");
    }

    [Fact]
    public void At_least_three_quarters_are_read_right()
    {
        Lines.Count.ShouldBeGreaterThanOrEqualTo(LeastLines);
        Right(Lines).ShouldBeGreaterThanOrEqualTo(LeastRight);
    }

    /// <summary>Of what technicians jot that means something here, nine in ten are read.</summary>
    [Fact]
    public void Nine_entries_in_ten_are_read_right()
    {
        Entries.Count.ShouldBeGreaterThanOrEqualTo(LeastEntries);
        Right(Entries).ShouldBeGreaterThanOrEqualTo(0.9);
    }

    private static double Right(TheoryData<string, string> table)
    {
        var meant = table.Select(row => row.Data).Where(l => l.Item2 != "?").ToArray();
        var right = meant.Count(l => Jot.Read(l.Item1, Fog2).Items.Select(JotLineTests.Short).SequenceEqual(Split(l.Item2)));
        return (double)right / meant.Length;
    }

    /// <summary>A plate in psi makes bare pressures psi; a bare flow could then be gallons or litres.</summary>
    [Theory]
    [InlineData("pressure 1740", "discharge-pressure=1740psi")]
    [InlineData("swing 300", "swing=300psi")]
    [InlineData("31 bar", "discharge-pressure=31bar")]
    [InlineData("flow 4", "")]
    [InlineData("supply temperature 70", "")]
    public void A_bare_number_is_in_the_unit_of_the_plate(string line, string says)
    {
        var pump = Core.Pumps.ReciprocatingPump.Create(
            3, Q<Core.Quantities.Length>(18, "mm"), Q<Core.Quantities.Length>(18, "mm"), Q<Core.Quantities.RotationalSpeed>(1450, "rpm"),
            Q<Core.Quantities.GaugePressure>(2000, "psi"));
        var read = Jot.Read(line, pump, JotUnits.Of(Core.Quantities.Units.Find(Core.Quantities.QuantityKind.GaugePressure, "psi"), null));
        string.Join(' ', read.Items.Select(JotLineTests.Short)).ShouldBe(says);
        (read.Gaps.Count > 0).ShouldBe(says.Length == 0);
    }

    [Theory]
    [InlineData("left stroke 1.2 s, right stroke 0.9 s", "stroke-left=1.2s stroke-right=0.9s")]
    [InlineData("left end fast", "stroke-timing:fast@1")]
    [InlineData("weeps at the middle left end", "leak-at:end-weep-middle@1")]
    public void Ends_are_an_intensifiers(string line, string says) =>
        string.Join(' ', Jot.Read(line, Every.Intensifier()).Items.Select(JotLineTests.Short)).ShouldBe(says);

    private static string[] Split(string says)
    {
        // An item may have blanks of its own: what follows one that has no name of its own belongs to it.
        var items = new List<string>();
        foreach (var word in says.Split(' ').Where(w => w != "?"))
        {
            if (word.Contains('=', StringComparison.Ordinal) || word.Contains(':', StringComparison.Ordinal))
                items.Add(word);
            else
                items[^1] += $" {word}";
        }

        return [.. items];
    }

    private static TheoryData<string, string> Read(string table)
    {
        var data = new TheoryData<string, string>();
        foreach (var line in File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Evidence", "Jot", table))
            .Where(l => l.Length > 0 && l[0] != '#'))
        {
            var parts = line.Split(" | ");
            data.Add(parts[0], parts[1]);
        }

        return data;
    }
}
