using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults;

/// <summary>What a check opens on one pump, and how long that takes there.</summary>
public interface IOpenings
{
    /// <summary>The check with its minutes and with what it opens on this pump; the same where nothing better is known.</summary>
    Check On(Check check, ReciprocatingPump pump, Setup setup);
}
