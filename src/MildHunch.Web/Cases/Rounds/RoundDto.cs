using System.ComponentModel;
using MildHunch.Web.Cases.Prove;

namespace MildHunch.Web.Cases.Rounds;

/// <summary>A part that was found not to be fine, or seen to be.</summary>
public sealed record RoundFoundDto(
    string Place, [property: Description("fine, worn or failed")] string State, [property: Description("in words")] string Says);

/// <summary>An earlier opening of the pump in one case: what was done, what was found, what the proof said.</summary>
public sealed record RoundDto(
    int Number, [property: Description("what was done, in a line")] string Says,
    IReadOnlyList<RoundFoundDto> Found,
    [property: Description("from the first tick to the last; null where it was not gone through step by step")] double? Minutes,
    [property: Description("readings before its mend and after it")] IReadOnlyList<BeforeAfterDto> Changed,
    ProofSignedAtDto? Proof);
