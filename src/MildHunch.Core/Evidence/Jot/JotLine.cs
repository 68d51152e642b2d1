using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Evidence.Jot;

/// <summary>One thing understood in a jot line, and where it stands: a reading with the unit as written, or a cue.</summary>
public sealed record JotItem(int Start, int Length, JotNumber? Number, Unit? Unit, CueFact? Cue, string Says)
{
    /// <summary>True where something else was said not to be so: "no knock".</summary>
    internal bool IsDenial { get; init; }
}

/// <summary>A number jotted: of an observable or of something read beside them, SI.</summary>
public sealed record JotNumber(string What, Amount Value);

/// <summary>A stretch that was not understood, and why.</summary>
public sealed record JotGap(int Start, int Length, string Text, string Problem);

/// <summary>What a jot line says. Nothing in it is guessed: what is not understood is listed.</summary>
/// <param name="Suggestions">How the word that is being typed may go on.</param>
public sealed record JotReading(IReadOnlyList<JotItem> Items, IReadOnlyList<JotGap> Gaps, IReadOnlyList<string> Suggestions);

/// <summary>Units that a number without one is taken in: those of the pump's own plate. Null where it is asked back.</summary>
public sealed record JotUnits(Unit Pressure, Unit? Flow, Unit? Temperature)
{
    /// <summary>Bar and litres.</summary>
    public static readonly JotUnits Metric = new(Units.Bar, Units.LitrePerMinute, Units.Celsius);

    /// <summary>
    /// By the plate: its pressure and, where it has one, its flow. On a plate in psi a bare flow or temperature may be one or
    /// the other, so it is asked back.
    /// </summary>
    public static JotUnits Of(Unit? pressure, Unit? flow)
    {
        var american = pressure?.Symbol == "psi";
        return new JotUnits(pressure ?? Units.Bar, flow ?? (american ? null : Units.LitrePerMinute), american ? null : Units.Celsius);
    }

    internal Unit? For(QuantityKind kind) => kind switch
    {
        QuantityKind.GaugePressure => Pressure,
        QuantityKind.VolumeFlow => Flow,
        QuantityKind.Temperature => Temperature,
        _ => Units.Preferred(kind),
    };
}

/// <summary>Reads a technician's shorthand: "31 bar swing 24, bucket 10 l in 49 s, weep 2 30/min, inlet hose calm".</summary>
public sealed class JotLine
{
    /// <summary>Longer lines are refused: nobody writes them in one breath.</summary>
    public const int MostCharacters = 2000;

    private const int MostSuggestions = 5;
    private const int LeastTyped = 2;
    private readonly Catalogue catalogue;
    private readonly JotLexicon lexicon;

    /// <summary>A reader of what this catalogue knows.</summary>
    /// <exception cref="CatalogueException">Where the shorthand names what it does not.</exception>
    public JotLine(Catalogue catalogue)
    {
        this.catalogue = catalogue;
        lexicon = new JotLexicon(catalogue);
    }

    // Behind a name its answers; within a word whatever begins so.
    private IReadOnlyList<string> Suggest(string text, List<Token> tokens)
    {
        if (text.EndsWith(' ') && tokens.LastOrDefault() is WordToken waiting)
            return lexicon.AnswersTo(waiting.Meanings, MostSuggestions);
        var from = text.LastIndexOfAny([' ', ',', ';']) + 1;
        var typed = text[from..];
        return typed.Length >= LeastTyped && typed.All(char.IsLetter) ? lexicon.Beginning(typed, MostSuggestions) : [];
    }

    /// <summary>Everything the line says about this pump.</summary>
    /// <exception cref="ImpossibleInputException">A line that is too long.</exception>
    public JotReading Read(string text, ReciprocatingPump pump, JotUnits? units = null)
    {
        Guard.Within("text", text.Length, 0, MostCharacters, $"{text.Length} characters", $"a line of at most {MostCharacters} characters");
        var tokens = JotScanner.Scan(text, lexicon);
        return new JotParser(new ClauseReader(catalogue, pump, units ?? JotUnits.Metric, text), text)
            .Parse(tokens) with
        { Suggestions = Suggest(text, tokens) };
    }
}
