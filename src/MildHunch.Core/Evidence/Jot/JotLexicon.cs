using System.Text.Json;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;

namespace MildHunch.Core.Evidence.Jot;

/// <summary>What a word of the jot line may mean.</summary>
internal enum MeaningKind
{
    Label,
    Subject,
    Answer,
    Side,
    End,
    Cylinder,
    Elsewhere,
    Negation,
    Gone,
    Between,
    At,
    And,
    Every,
    Drop,
    Minute,
    Bucket,
    Stream,
    Standing,
    Running,
    Dry,
    Filler,
}

/// <summary>
/// One meaning of a phrase. An answer that stands alone needs no subject; a generic label gives way to one that names a place.
/// </summary>
internal sealed record Meaning(MeaningKind Kind, string Id = "", string Answer = "", bool Alone = false, bool Generic = false);

/// <summary>Something with a number that can be jotted: an observable, or one of the readings beside them.</summary>
internal sealed record JotQuantity(string Id, Quantities.QuantityKind Kind)
{
    public static JotQuantity? Find(string id) => Observables.Find(id) is { } what
        ? new JotQuantity(what.Id, what.Kind)
        : TakenQuantities.All.Where(b => b.Id == id).Select(b => new JotQuantity(b.Id, b.Kind)).FirstOrDefault();
}

/// <summary>The technician's shorthand, as data. Longest phrase first, so that "inlet hose" is not an inlet pressure.</summary>
internal sealed class JotLexicon
{
    private readonly Dictionary<string, List<Meaning>> phrases = new(StringComparer.OrdinalIgnoreCase);
    private const int LeastLetters = 5;
    private readonly int longest;

    public JotLexicon(Catalogue catalogue)
    {
        using var stream = typeof(JotLexicon).Assembly.GetManifestResourceStream("knowledge/jot.json")!;
        var data = JsonSerializer.Deserialize<Data>(stream, JsonSerializerOptions.Web)!;
        foreach (var (id, words) in data.Labels)
        {
            Require(JotQuantity.Find(id) is not null, id, "is no reading");
            foreach (var word in words)
                Add([word.TrimEnd('?')], new Meaning(MeaningKind.Label, id, Generic: word.EndsWith('?')));
        }

        Add(data.Elsewhere, new Meaning(MeaningKind.Elsewhere));
        Add(data.Negations, new Meaning(MeaningKind.Negation));
        Add(data.Gone, new Meaning(MeaningKind.Gone));

        foreach (var (id, words) in data.Subjects)
        {
            Require(catalogue.Cue(id) is not null, id, "is no cue");
            Add(words, new Meaning(MeaningKind.Subject, id));
        }

        foreach (var (id, answers) in data.Answers)
        {
            foreach (var (answer, words) in answers)
            {
                Require(catalogue.Cue(id)?.Answers.Any(a => a.Id == answer) == true, id, $"has no answer “{answer}”");
                foreach (var word in words)
                    Add([word.TrimEnd('*')], new Meaning(MeaningKind.Answer, id, answer, word.EndsWith('*')));
            }
        }

        // A cue that has no shorthand of its own, such as a shop's, is jotted by its name and the words of its answers.
        foreach (var cue in catalogue.Cues)
        {
            if (!data.Subjects.ContainsKey(cue.Id))
                Add([cue.Name], new Meaning(MeaningKind.Subject, cue.Id));
            if (!data.Answers.ContainsKey(cue.Id))
                foreach (var answer in cue.Answers.Where(a => !a.Retired))
                    Add([answer.Text], new Meaning(MeaningKind.Answer, cue.Id, answer.Id));
        }

        Add(data.Fillers, new Meaning(MeaningKind.Filler));
        Add(["discharge", "discharge cap", "discharge side"], new Meaning(MeaningKind.Side, "discharge"));
        Add(["inlet", "inlet cap", "inlet side"], new Meaning(MeaningKind.Side, "inlet"));
        Add(["left", "left end", "left hand end"], new Meaning(MeaningKind.End, "1"));
        Add(["right", "right end", "right hand end"], new Meaning(MeaningKind.End, "2"));
        Add(["cylinder", "cylinders", "cyl", "cyls", "number"], new Meaning(MeaningKind.Cylinder));
        Add(["between"], new Meaning(MeaningKind.Between));
        Add(["at", "@", "at the", "on the", "in the", "by the"], new Meaning(MeaningKind.At));
        Add(["and", "&", "+"], new Meaning(MeaningKind.And));
        Add(["every", "each"], new Meaning(MeaningKind.Every));
        Add(["drop", "one drop", "a drop", "1 drop", "drip", "one drip", "a drip"], new Meaning(MeaningKind.Drop));
        Add(["in a minute", "in one minute", "a minute", "per minute", "within a minute"], new Meaning(MeaningKind.Minute));
        Add(["bucket"], new Meaning(MeaningKind.Bucket));
        Add(["stream", "a stream", "streams", "streaming", "as a stream", "pours", "pouring"], new Meaning(MeaningKind.Stream));
        Add(
            [
                "also standing", "standing too", "standing", "at rest too", "also when standing", "also at rest", "also stopped",
                "even standing"],
            new Meaning(MeaningKind.Standing));
        Add(
            ["only running", "running only", "while running", "only while running", "only when running", "when running"],
            new Meaning(MeaningKind.Running));
        Add(["dry"], new Meaning(MeaningKind.Dry));
        longest = phrases.Keys.Max(k => k.Length);
    }

    /// <summary>The longest phrase at this place that ends at a word's end; its length, 0 when there is none.</summary>
    public int Match(string text, int at, out IReadOnlyList<Meaning> meanings)
    {
        for (var length = Math.Min(longest, text.Length - at); length > 0; length--)
        {
            if (at + length < text.Length && char.IsLetter(text[at + length]) && char.IsLetter(text[at + length - 1]))
                continue;
            if (phrases.TryGetValue(text.Substring(at, length), out var found))
            {
                meanings = found;
                return length;
            }
        }

        meanings = [];
        return 0;
    }

    /// <summary>
    /// What a misspelt word most likely is: the only single word one slip away (a letter wrong, missing, too many, or two
    /// swapped). Short words are left alone, they are too like one another.
    /// </summary>
    public IReadOnlyList<Meaning>? Near(string word)
    {
        if (word.Length < LeastLetters || !word.All(char.IsLetter))
            return null;
        var near = phrases.Where(p => !p.Key.Contains(' ', StringComparison.Ordinal) && p.Key.Length >= LeastLetters
            && OneSlip(word.ToLowerInvariant(), p.Key.ToLowerInvariant())).ToArray();
        return near.Length == 0 || near.Skip(1).Any(p => !p.Value.SequenceEqual(near[0].Value)) ? null : near[0].Value;
    }

    /// <summary>Phrases that go on from what is being typed, the shortest first.</summary>
    public IReadOnlyList<string> Beginning(string typed, int most) =>
    [
        .. phrases.Where(p => p.Value.Any(m => m.Kind is MeaningKind.Label or MeaningKind.Subject or MeaningKind.Answer)
            && p.Key.Length > typed.Length && p.Key.StartsWith(typed, StringComparison.OrdinalIgnoreCase))
            .Select(p => p.Key).OrderBy(p => p.Length).ThenBy(p => p, StringComparer.Ordinal).Take(most),
    ];

    /// <summary>Answers that a name waits for.</summary>
    public IReadOnlyList<string> AnswersTo(IReadOnlyList<Meaning> subject, int most) =>
    [
        .. phrases.Where(p => p.Value.Any(m => m.Kind == MeaningKind.Answer
            && subject.Any(w => w.Kind == MeaningKind.Subject && w.Id == m.Id)))
            .GroupBy(p => p.Value.First(m => m.Kind == MeaningKind.Answer && subject.Any(w => w.Id == m.Id)).Answer)
            .Select(g => g.MinBy(p => (p.Key.Count(c => c == ' '), p.Value.Count(m => m.Kind == MeaningKind.Answer))).Key).Take(most),
    ];

    private static bool OneSlip(string a, string b)
    {
        if (Math.Abs(a.Length - b.Length) > 1 || a == b)
            return a == b;
        var start = 0;
        while (start < Math.Min(a.Length, b.Length) && a[start] == b[start])
            start++;
        var (x, y) = (a[start..], b[start..]);
        if (x.Length == y.Length)
            return x[1..] == y[1..] || (x.Length > 1 && x[0] == y[1] && x[1] == y[0] && x[2..] == y[2..]);
        return x.Length > y.Length ? x[1..] == y : x == y[1..];
    }

    private static void Require(bool holds, string entry, string problem)
    {
        if (!holds)
            throw new CatalogueException("jot.json", entry, problem);
    }

    private void Add(IEnumerable<string> words, Meaning meaning)
    {
        foreach (var word in words)
        {
            if (!phrases.TryGetValue(word, out var list))
                phrases[word] = list = [];
            list.Add(meaning);
        }
    }

    private sealed record Data(
        Dictionary<string, string[]> Labels,
        Dictionary<string, string[]> Subjects,
        Dictionary<string, Dictionary<string, string[]>> Answers,
        string[] Fillers,
        string[] Elsewhere,
        string[] Negations,
        string[] Gone);
}
