using System.Text.Json;
using MildHunch.Core.Faults;

namespace MildHunch.Core.Diagnosis.Jot;

/// <summary>What a word of the jot line may mean.</summary>
internal enum MeaningKind
{
    Label,
    Subject,
    Answer,
    Side,
    Cylinder,
    Bucket,
    Stream,
    Dry,
    Filler,
}

/// <summary>One meaning of a phrase. An answer that stands alone needs no subject.</summary>
internal sealed record Meaning(MeaningKind Kind, string Id = "", string Answer = "", bool Alone = false);

/// <summary>The technician's shorthand, as data. Longest phrase first, so that "inlet hose" is not an inlet pressure.</summary>
internal sealed class JotLexicon
{
    private readonly Dictionary<string, List<Meaning>> phrases = new(StringComparer.OrdinalIgnoreCase);
    private readonly int longest;

    public JotLexicon(Catalogue catalogue)
    {
        using var stream = typeof(JotLexicon).Assembly.GetManifestResourceStream("knowledge/jot.json")!;
        var data = JsonSerializer.Deserialize<Data>(stream, JsonSerializerOptions.Web)!;
        foreach (var (id, words) in data.Labels)
        {
            Require(Observables.Find(id) is not null, id, "is no reading");
            Add(words, new Meaning(MeaningKind.Label, id));
        }

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

        foreach (var cue in catalogue.Cues)
            Require(data.Subjects.ContainsKey(cue.Id) && data.Answers.ContainsKey(cue.Id), cue.Id, "cannot be jotted");
        Add(data.Fillers, new Meaning(MeaningKind.Filler));
        Add(["discharge", "discharge cap", "discharge side"], new Meaning(MeaningKind.Side, "discharge"));
        Add(["inlet", "inlet cap", "inlet side"], new Meaning(MeaningKind.Side, "inlet"));
        Add(["cylinder", "cyl", "no"], new Meaning(MeaningKind.Cylinder));
        Add(["bucket"], new Meaning(MeaningKind.Bucket));
        Add(["stream"], new Meaning(MeaningKind.Stream));
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
        string[] Fillers);
}
