namespace MildHunch.Web.Cases;

/// <summary>The six stages of a case, in their order.</summary>
public static class Stages
{
    /// <summary>The stage at which a case is opened.</summary>
    public const string First = "ask";

    public static readonly IReadOnlyList<string> All = [First, "measure", "suspect", "open", "mend", "prove"];
}
