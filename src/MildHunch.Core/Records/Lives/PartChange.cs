using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Records.Lives;

/// <summary>A part at a place of a pump: id of the part on its sheet.</summary>
public sealed record PartPosition(string Part, ServicePlace Place)
{
    /// <summary>Stable name: "valve.2.discharge", "hp-seal.1", "nozzle".</summary>
    public string Key => Place == ServicePlace.Whole ? Part : $"{Part}.{Place.Key}";
}

/// <summary>Why a part came out.</summary>
public enum OutWhy
{
    /// <summary>It was seen to have failed.</summary>
    Failed,

    /// <summary>Changed along with another, or because it was due.</summary>
    Along,

    /// <summary>Nobody noted why.</summary>
    Unsaid,
}

/// <summary>What came out, and why.</summary>
/// <param name="Finding">How it had failed, by the name of the finding; null where nobody said.</param>
/// <param name="GoodAt">Hours of the pump when it was last seen good, where it was found failed at an opening for something else.</param>
public sealed record Removal(OutWhy Why, string? Finding = null, double? GoodAt = null);

/// <summary>What went in.</summary>
public sealed record NewPart(string? By = null, string? Kit = null, string? Batch = null, DateOnly? Warranty = null);

/// <summary>A part of a pump changed on a day: something came out, something went in, or both.</summary>
/// <param name="Id">Names it where it conflicts with another.</param>
/// <param name="Hours">Of the pump that day.</param>
/// <param name="Case">The case at which it was done; null where it was entered by hand.</param>
public sealed record PartChange(
    string Id, PartPosition At, DateOnly On, double Hours, Removal? Out = null, NewPart? In = null, string? Case = null)
{
    /// <summary>In words, to name it beside another.</summary>
    public string Says =>
        $"{At.Key}, {(Out is null ? "fitted" : In is null ? "taken out" : "changed")} on {On:yyyy-MM-dd} at {Hours:0.#} h";
}
