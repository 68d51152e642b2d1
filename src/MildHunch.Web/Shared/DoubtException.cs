namespace MildHunch.Web.Shared;

/// <summary>A value that can be and hardly is: what is odd about it, and what may have been meant.</summary>
public sealed record DoubtDto(string Field, string Says, QuantityDto Given, IReadOnlyList<QuantityDto> Instead);

/// <summary>Values that are asked back before they count. Sent again with <c>sure</c>, they are taken.</summary>
public sealed class DoubtException(IReadOnlyList<DoubtDto> doubts) : Exception(doubts[0].Says)
{
    public IReadOnlyList<DoubtDto> Doubts { get; } = doubts;
}
