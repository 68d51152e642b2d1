using System.Text.Json;
using System.Text.Json.Nodes;
using MildHunch.Core;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>
/// Everything that is wrong with a pump at once. What is refused is set aside, with a value that can be where one is needed, and the
/// rest is looked at again.
/// </summary>
public static class PumpRefusals
{
    private const int MostFields = 20;
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web);

    /// <summary>Values that stand in for those that are needed, so that what depends on them is judged by itself.</summary>
    private static readonly Dictionary<string, string> StandIns = new()
    {
        ["tag"] = "\"TAG\"",
        ["pump.cylinders"] = "2",
        ["pump.plungerDiameter"] = """{"value":18,"unit":"mm"}""",
        ["pump.stroke"] = """{"value":18,"unit":"mm"}""",
        ["pump.ratedSpeed"] = """{"value":300,"unit":"rpm"}""",
        ["pump.ratedPressure"] = """{"value":100,"unit":"bar"}""",
        ["pump.oilPistonDiameter"] = """{"value":100,"unit":"mm"}""",
        ["setup.drive.ratedPower"] = """{"value":5,"unit":"kW"}""",
        ["setup.drive.noLoadSpeed"] = """{"value":1500,"unit":"rpm"}""",
        ["setup.drive.kind"] = "\"motor\"",
    };

    /// <summary>Runs the check, and where it refuses, throws all refusals together.</summary>
    public static T AllAtOnce<T>(PumpRequest request, Func<PumpRequest, T> check)
    {
        var found = new List<ImpossibleInputException>();
        var rest = JsonSerializer.SerializeToNode(request, Options)!;
        for (var now = request; found.Count < MostFields; now = rest.Deserialize<PumpRequest>(Options)!)
        {
            try
            {
                var good = check(now);
                return found.Count == 0 ? good : throw new SeveralRefusalsException(found);
            }
            catch (ImpossibleInputException e) when (found.TrueForAll(f => f.Field != e.Field))
            {
                found.Add(e);
                SetAside(rest, e.Field);
            }
            catch (ImpossibleInputException)
            {
                break;
            }
        }

        throw new SeveralRefusalsException(found);
    }

    private static void SetAside(JsonNode request, string field)
    {
        var path = field.Split('.');
        var at = request;
        foreach (var part in path[..^1])
        {
            if (at is not JsonObject)
                return;
            at = at[part] ??= new JsonObject();
        }

        if (at is JsonObject holder)
            holder[path[^1]] = StandIns.TryGetValue(field, out var json) ? JsonNode.Parse(json) : null;
    }
}
