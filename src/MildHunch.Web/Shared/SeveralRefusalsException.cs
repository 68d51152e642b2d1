using MildHunch.Core;

namespace MildHunch.Web.Shared;

/// <summary>Everything that is wrong with a form, at once.</summary>
public sealed class SeveralRefusalsException(IReadOnlyList<ImpossibleInputException> all) : Exception(all[0].Message)
{
    public IReadOnlyList<ImpossibleInputException> All { get; } = all;
}
