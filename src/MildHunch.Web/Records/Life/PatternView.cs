using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Patterns;

namespace MildHunch.Web.Records.Life;

/// <summary>Patterns as they are sent.</summary>
internal static class PatternView
{
    public static PatternDto ToDto(this Pattern pattern, WholeRecord known) => new(
        pattern.Kind.Named(), pattern.Family.Id, pattern.Pump, pattern.Pump is { } id ? known.Pumps[id].Record.Tag : null, pattern.About,
        [.. pattern.Counts.Select(c => new PlaceCountedDto(c.Place, c.Events, Math.Round(c.Expected, 2)))], pattern.Leading.Place,
        pattern.Chance, Math.Round(pattern.Evidence, 2), pattern.Told, pattern.Sentence);
}
