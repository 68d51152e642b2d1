using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Running;

namespace MildHunch.Core.Records.Patterns;

/// <summary>
/// What was in a pump when it was new, which nobody notes: where its record was kept from its first run, each place begins with such a
/// life, whether anything was ever changed there or not.
/// </summary>
internal static class FirstLives
{
    public static IReadOnlyList<PartLife> With(IReadOnlyList<RecordPart> parts, IReadOnlyList<PartLife> noted, TimeAtRisk time)
    {
        if (time.Kept != RecordKept.FromNew)
            return noted;
        var known = noted.ToLookup(l => l.At.Key);
        var began = time.HoursAt(time.From);
        return [.. parts.SelectMany(p => At(p.At, [.. known[p.At.Key]]))];

        IEnumerable<PartLife> At(PartPosition at, PartLife[] lives)
        {
            var original = new PartChange($"new.{at.Key}", at, time.From, began, In: new NewPart());
            if (lives is not [var first, .. var later])
                return [new PartLife(at, original, null)];

            // What went in later, without a word of what came out, took the place of what was new.
            return first.Fitted is not { } fitted ? [first with { Fitted = original }, .. later]
                : fitted.Hours > began ? [new PartLife(at, original, fitted with { Out = new Removal(OutWhy.Unsaid), In = null }), .. lives]
                : lives;
        }
    }
}
