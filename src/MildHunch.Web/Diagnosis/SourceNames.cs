using System.Globalization;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Diagnosis;

/// <summary>Names a piece of evidence by where it stood in the request: "reading:0:swing" inside is readings[0] outside.</summary>
internal sealed class SourceNames(DiagnosisRequest request)
{
    // Answers of "unknown" are not evidence, so what is counted inside skips them.
    private readonly int[] cues = [.. Enumerable.Range(0, request.Cues?.Count ?? 0).Where(i => request.Cues![i].Answer != Mapping.Unknown)];

    public string Of(string inside)
    {
        var parts = inside.Split(':');
        var at = int.Parse(parts[1], CultureInfo.InvariantCulture);
        return parts[0] == "cue" ? $"cues[{cues[at]}]" : $"readings[{at}]";
    }
}
