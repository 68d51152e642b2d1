using System.Collections.Frozen;
using System.Text.RegularExpressions;

namespace MildHunch.Core;

/// <summary>Names of fields as people say them: "Plunger diameter" for <c>pump.plungerDiameter</c>.</summary>
internal static partial class FieldWords
{
    // Parts of a path that name nothing by themselves.
    private static readonly FrozenSet<string> Silent = new[] { "value", "unit", "pump", "setup", "body", "facts", "run" }.ToFrozenSet();

    private static readonly FrozenDictionary<string, string> Own = new Dictionary<string, string>
    {
        ["readings"] = "This reading",
        ["cues"] = "This answer",
        ["pumpId"] = "The pump",
        ["setup.nozzle.at"] = "Pressure of the nozzle's flow",
        ["setup.nozzle.flow"] = "Flow of the nozzle",
        ["setup.nozzle.size"] = "Nozzle number",
        ["setup.nozzle.orifice"] = "Passage of the nozzle",
        ["setup.controlSetting"] = "Setting of the control",
        ["setup"] = "How it is run",
        ["pump"] = "The pump",
        ["body"] = "This request",
    }.ToFrozenDictionary();

    public static string Of(string field)
    {
        if (Own.TryGetValue(field, out var own))
            return own;
        if (Row().Match(field) is { Success: true } row)
            return $"Row {row.Groups["number"].Value}, {Small(Of(row.Groups["rest"].Value))}";
        var path = Index().Replace(field, "").Split('.');
        var last = Array.FindLastIndex(path, p => !Silent.Contains(p));
        var name = last < 0 ? path[^1] : path[last];
        return Own.TryGetValue(name, out own)
            ? own
            : Sentence(Humps().Replace(name, m => " " + m.Value.ToLowerInvariant()).Replace('-', ' '));
    }

    private static string Small(string words) => char.ToLowerInvariant(words[0]) + words[1..];

    private static string Sentence(string words) => words.Length == 0 ? "This" : char.ToUpperInvariant(words[0]) + words[1..];

    [GeneratedRegex(@"\[\d*\]")]
    private static partial Regex Index();

    [GeneratedRegex(@"^row (?<number>\d+)\.(?<rest>.+)$")]
    private static partial Regex Row();

    [GeneratedRegex("(?<=[a-z])[A-Z]")]
    private static partial Regex Humps();
}
