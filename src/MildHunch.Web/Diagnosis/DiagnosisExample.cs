using System.Text.Json.Nodes;
using Microsoft.OpenApi;

namespace MildHunch.Web.Diagnosis;

/// <summary>A question as one would ask it, shown in the interface's own document.</summary>
public static class DiagnosisExample
{
    /// <summary>FOG-2 with a swinging needle: everything a diagnosis can be given, once.</summary>
    public const string Question = """
        {
          "pump": { "arrangement": "crank-plunger", "cylinders": 3, "plungerDiameter": { "value": 18, "unit": "mm" },
            "stroke": { "value": 18, "unit": "mm" }, "rodRatio": 0.2,
            "ratedSpeed": { "value": 1450, "unit": "rpm" }, "ratedPressure": { "value": 100, "unit": "bar" },
            "control": "unloader", "headLayout": "six-caps", "sealReturn": "inlet" },
          "setup": { "speed": { "value": 1450, "unit": "rpm" },
            "nozzle": { "flow": { "value": 19.2, "unit": "L/min" }, "at": { "value": 70, "unit": "bar" } },
            "controlSetting": { "value": 85, "unit": "bar" }, "line": "hose", "liquid": "water" },
          "readings": [
            { "quantity": "discharge-pressure", "value": { "value": 22, "unit": "bar" }, "to": { "value": 40, "unit": "bar" } },
            { "quantity": "nozzle-flow", "value": { "value": 12.6, "unit": "L/min" }, "uncertainty": { "value": 0.4, "unit": "L/min" } },
            { "quantity": "speed", "value": { "value": 1447, "unit": "rpm" } }
          ],
          "cues": [
            { "cue": "needle", "answer": "swings" },
            { "cue": "cap-listen", "answer": "hisses", "cylinder": 2, "side": "discharge" },
            { "cue": "leak-at", "answer": "weep", "cylinder": 1, "dropsPerMinute": 6 }
          ],
          "context": [ "sudden" ],
          "hours": [ { "part": "hp-seal", "hours": 950 } ],
          "found": { "discharge-valve-leak": 3, "nozzle-worn": 2 },
          "couldNot": [ "nozzle-orifice" ],
          "limits": { "without": [ "transducer" ], "keepRunning": false, "mostMinutes": 60 }
        }
        """;

    /// <summary>Puts the question beside both calls that take it.</summary>
    public static void Show(OpenApiDocument document)
    {
        foreach (var path in new[] { "/api/diagnosis", "/api/plan" })
            if (document.Paths.TryGetValue(path, out var item)
                && item.Operations?.GetValueOrDefault(HttpMethod.Post)?.RequestBody?.Content is { } content
                && content.TryGetValue("application/json", out var json))
                json.Example = JsonNode.Parse(Question);
    }
}
