using MildHunch.Core;
using MildHunch.Core.Evidence;
using MildHunch.Core.Evidence.Jot;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Evidence;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Jot;

public sealed record JotRequest(PumpDto? Pump, string? Text);

public sealed record JotItemDto(int Start, int Length, string Says, ReadingDto? Reading, CueDto? Cue);

public sealed record JotGapDto(int Start, int Length, string Text, string Problem);

public sealed record JotResponse(
    IReadOnlyList<JotItemDto> Items, IReadOnlyList<JotGapDto> NotUnderstood, IReadOnlyList<string> Suggestions);

/// <summary>What a line of shorthand says, before it counts.</summary>
public static class JotEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/jot", (JotRequest request, JotLine jot) => Read(request, jot)).WithTags("Computation")
            .WithSummary("Reads a technician's shorthand; stores nothing.");

    // A bare number is in the unit of the pump's own plate.
    private static Unit? Plate(QuantityDto? plate, QuantityKind kind) => plate is null ? null : Units.Find(kind, plate.Unit ?? "");

    private static JotResponse Read(JotRequest request, JotLine jot)
    {
        var text = request.Text
            ?? throw new ImpossibleInputException("text", "nothing", "a line such as “31 bar swing 24, bypass none”");
        var pump = request.Pump.ToCore();
        var read = jot.Read(
            text, pump,
            JotUnits.Of(
                Plate(request.Pump!.RatedPressure, QuantityKind.GaugePressure), Plate(request.Pump.RatedFlow, QuantityKind.VolumeFlow)));
        return new JotResponse(
            [.. read.Items.Select(i => new JotItemDto(
                i.Start, i.Length, i.Says,
                i.Number is { } n ? new ReadingDto(n.What, n.Value.ToDto(i.Unit!)) : null,
                i.Cue is { } c
                    ? new CueDto(
                        c.Cue, c.Answer, c.Cylinder, c.Side?.Named(), c.DropsPerMinute, Stream: c.Stream ? true : null,
                        When: c.When == Dripping.Unsaid ? null : c.When.Named())
                    : null))],
            [.. read.Gaps.Select(g => new JotGapDto(g.Start, g.Length, g.Text, g.Problem))],
            read.Suggestions);
    }
}
