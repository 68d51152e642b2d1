namespace MildHunch.Core.Service.Sheets;

/// <summary>What becomes of a part that comes off.</summary>
public enum Fit
{
    /// <summary>It goes back.</summary>
    Again,

    /// <summary>It is judged: back, or a new one.</summary>
    Judge,

    /// <summary>Always a new one.</summary>
    New,
}

/// <summary>Minutes to take one off, and to put it back.</summary>
public sealed record OffOn(double Off, double On);

/// <summary>A piece that is renewed along with a part: so many of it at each place, on pumps of that version.</summary>
public sealed record SheetPiece(string Id, string Name, int Count = 1, string? Version = null);

/// <summary>A part of a sheet: what must come off before it, how it comes off, what to look at and how it goes back.</summary>
public sealed record SheetPart
{
    /// <summary>Stable name, kebab-case; targets and kits name it.</summary>
    public required string Id { get; init; }

    /// <summary>Name in trade words.</summary>
    public required string Name { get; init; }

    /// <summary>What kind of part it is: it decides what can be found at it.</summary>
    public string Kind { get; init; } = "body";

    /// <summary>How often it is there.</summary>
    public Per Per { get; init; } = Per.Pump;

    /// <summary>Parts that must be off before it, all of them.</summary>
    public IReadOnlyList<string> Under { get; init; } = [];

    /// <summary>Other ways to it: each a list like <see cref="Under"/>.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Or { get; init; } = [];

    /// <summary>What lies over it on pumps of a version, by the version, in place of <see cref="Under"/>.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string>> UnderIn { get; init; } = new Dictionary<string, IReadOnlyList<string>>();

    /// <summary>Actions that renew it on pumps of a version beside <see cref="Serves"/>, by the version.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string>> ServesIn { get; init; } = new Dictionary<string, IReadOnlyList<string>>();

    /// <summary>What comes off along with it: rings and gaskets, which are renewed, and what lies loose beside it.</summary>
    public IReadOnlyList<string> Brings { get; init; } = [];

    /// <summary>Id of the group of bolts that holds it.</summary>
    public string? Group { get; init; }

    /// <summary>Id of a group that it locks, as a split pin does a nut: off before that is slackened, on once that is tight.</summary>
    public string? Locks { get; init; }

    /// <summary>Actions of the catalogue that renew it.</summary>
    public IReadOnlyList<string> Serves { get; init; } = [];

    /// <summary>Actions of the catalogue that are done by taking it off and putting it back: nothing new but its rings.</summary>
    public IReadOnlyList<string> Refits { get; init; } = [];

    /// <summary>What becomes of it once it is off.</summary>
    public Fit Fit { get; init; } = Fit.Again;

    /// <summary>How many at each place.</summary>
    public int Count { get; init; } = 1;

    /// <summary>What is renewed along with it, piece by piece: the backup beside its ring.</summary>
    public IReadOnlyList<SheetPiece> With { get; init; } = [];

    /// <summary>True where all acts are done at one place before the next begins.</summary>
    public bool OneByOne { get; init; }

    /// <summary>True for what is worked where it is: set, filled, looked at. It comes off nothing and has no way back.</summary>
    public bool InPlace { get; init; }

    /// <summary>Minutes for each place.</summary>
    public required OffOn Minutes { get; init; }

    /// <summary>How it comes off.</summary>
    public required IReadOnlyList<Act> Off { get; init; }

    /// <summary>What to look at while it is off.</summary>
    public IReadOnlyList<string> Look { get; init; } = [];

    /// <summary>How it goes back.</summary>
    public IReadOnlyList<Act> On { get; init; } = [];

    /// <summary>Which way it looks: a tick that has to be made before it is closed; empty only for what is worked where it is.</summary>
    public string Facing { get; init; } = "";

    /// <summary>Where practitioners do it in two ways: both, and why this sheet does it as it does.</summary>
    public string? Schools { get; init; }

    /// <summary>By what one knows that it is home.</summary>
    public string? Home { get; init; }

    /// <summary>Only on pumps of this version; on all where null.</summary>
    public string? Version { get; init; }

    /// <summary>Actions of the catalogue that are done at it, whatever becomes of it.</summary>
    public IEnumerable<string> Actions => Serves.Concat(Refits).Concat(ServesIn.Values.SelectMany(a => a));

    /// <summary>Every way to it, the first one as the sheet has it.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Ways => [Under, .. Or];

    /// <summary>By its name: a part of one sheet has that alone.</summary>
    public override int GetHashCode() => Id.GetHashCode(StringComparison.Ordinal);
}
