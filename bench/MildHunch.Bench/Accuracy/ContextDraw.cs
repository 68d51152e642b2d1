using MildHunch.Core.Faults;

namespace MildHunch.Bench.Accuracy;

/// <summary>What is known of a drawn pump's history, about as often as it is heard (common practice, no source).</summary>
internal static class ContextDraw
{
    private static readonly Dictionary<string, double> Heard = new()
    {
        ["just-rebuilt"] = 0.15,
        ["sudden"] = 0.25,
        ["slow"] = 0.3,
        ["ran-dry"] = 0.04,
        ["froze"] = 0.02,
        ["gritty-supply"] = 0.08,
        ["long-lay-up"] = 0.06,
        ["nozzle-changed"] = 0.05,
        ["hot-supply"] = 0.04,
        ["very-pure-water"] = 0.03,
        ["liquid-changed"] = 0.02,
    };

    public static IReadOnlyList<string> Next(Catalogue catalogue, Random random)
    {
        var told = new List<Context>();
        foreach (var context in catalogue.Contexts.Where(c => random.NextDouble() < Heard.GetValueOrDefault(c.Id)))
            if (told.All(t => !t.Excludes.Contains(context.Id) && !context.Excludes.Contains(t.Id)))
                told.Add(context);
        return [.. told.Select(c => c.Id)];
    }
}
