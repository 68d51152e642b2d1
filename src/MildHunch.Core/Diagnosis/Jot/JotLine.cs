using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Jot;

/// <summary>One thing understood in a jot line, and where it stands: a reading with the unit as written, or a cue.</summary>
public sealed record JotItem(int Start, int Length, Reading? Reading, Quantities.Unit? Unit, CueFact? Cue, string Says);

/// <summary>A stretch that was not understood, and why.</summary>
public sealed record JotGap(int Start, int Length, string Text, string Problem);

/// <summary>What a jot line says. Nothing in it is guessed: what is not understood is listed.</summary>
public sealed record JotReading(IReadOnlyList<JotItem> Items, IReadOnlyList<JotGap> Gaps);

/// <summary>Reads a technician's shorthand: "31 bar swing 24, bucket 10 l in 49 s, weep 2 30/min, inlet hose calm".</summary>
public sealed class JotLine
{
    /// <summary>Longer lines are refused: nobody writes them in one breath.</summary>
    public const int MostCharacters = 2000;

    private readonly Catalogue catalogue;
    private readonly JotLexicon lexicon;

    public JotLine(Catalogue catalogue)
    {
        this.catalogue = catalogue;
        lexicon = new JotLexicon(catalogue);
    }

    /// <summary>Everything the line says about this pump.</summary>
    public JotReading Read(string text, ReciprocatingPump pump)
    {
        Guard.Within("text", text.Length, 0, MostCharacters, $"{text.Length} characters", $"a line of at most {MostCharacters} characters");
        return new JotParser(catalogue, pump, text, JotScanner.Scan(text, lexicon)).Parse();
    }
}
