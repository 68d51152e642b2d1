using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults;

/// <summary>Where a fault can sit: once in the pump, or once in every cylinder, cavity or end of an intensifier.</summary>
public enum FaultLocation
{
    /// <summary>One for the whole pump.</summary>
    None,
    /// <summary>One for each cylinder.</summary>
    Cylinder,
    /// <summary>One for each valve cavity: cylinder and side.</summary>
    Cavity,
    /// <summary>One for each end of an intensifier.</summary>
    End,
    /// <summary>One for each cap over a valve.</summary>
    Cap,
}

/// <summary>
/// What an answer points at: nothing, a cylinder, or one cavity (cylinder and side; the cylinder alone on a stacked bore).
/// </summary>
public enum AnswerPlace
{
    /// <summary>Said of the whole pump.</summary>
    None,
    /// <summary>Said of a cylinder.</summary>
    Cylinder,
    /// <summary>Said of a cylinder and a side.</summary>
    Cavity,
    /// <summary>Said of an end of an intensifier.</summary>
    End,
}

/// <summary>An entry that makes sense on some pumps only. What is empty asks for nothing.</summary>
public interface IOnlyWhere
{
    /// <summary>Kinds of control, one of which it needs.</summary>
    IReadOnlyList<string> Requires { get; }

    /// <summary>Arrangements that have the part.</summary>
    IReadOnlyList<string> Arrangements { get; }

    /// <summary>What must stand on or around the pump, all of it: names of <see cref="Fitting"/>.</summary>
    IReadOnlyList<string> Fitted { get; }
}

/// <summary>One evidence word: how often this fault gives this answer; on one side, or on some pumps, only where it says so.</summary>
/// <param name="Drops">Drops a minute it typically lets out there, where the model does not compute it.</param>
/// <param name="Standing">How often what drips there also drips while the pump stands; half the time where nothing is said.</param>
/// <param name="Fed">True where it drips standing only from a pressurised supply.</param>
/// <param name="OtherEnd">True where it shows at the other end of an intensifier.</param>
public sealed record CueWord(
    string Cue, string Answer, string Word, string? Side = null, double? Drops = null, string? Standing = null, bool Fed = false,
    bool OtherEnd = false) : IOnlyWhere
{
    /// <inheritdoc/>
    public IReadOnlyList<string> Requires { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Arrangements { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Fitted { get; init; } = [];
}

/// <summary>How much likelier a fault is on pumps that have all of this.</summary>
public sealed record WeightWhere(IReadOnlyList<string> Fitted, double Multiply);

/// <summary>
/// Weibull life of a part: shape β, and the hours at which a tenth have failed (common practice, no source, until the shop's own cases
/// say better).
/// </summary>
public sealed record Wear(double Shape, double B10Hours);

/// <summary>A fault of docs/trade.md, Faults, as data.</summary>
public sealed record Fault : IOnlyWhere
{
    /// <summary>Stable name, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>Name in trade words.</summary>
    public required string Name { get; init; }

    /// <summary>The fault in the middle of a sentence: "a leaking discharge valve".</summary>
    public required string Phrase { get; init; }

    /// <summary>Name of the <see cref="Effects.IEffect"/> it has on the hydraulics.</summary>
    public required string Effect { get; init; }

    /// <summary>For a fault of either valve, its effect on the discharge side; <see cref="Effect"/> is then the inlet's.</summary>
    public string? DischargeEffect { get; init; }

    /// <summary>Arrangements that have the part; empty when all but intensifiers do.</summary>
    public IReadOnlyList<string> Arrangements { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Fitted { get; init; } = [];

    /// <summary>How its part wears, where hours say anything.</summary>
    public Wear? Wear { get; init; }

    /// <summary>How much likelier it is after so many hours: (t/B10)^(β−1), held within 1 to 10 (docs/trade.md, Wear).</summary>
    /// <param name="hours">Hours since the part was new.</param>
    /// <param name="own">The life that the shop’s own record tells, in place of the catalogue’s; null where it tells none.</param>
    public double HazardAt(double hours, Wear? own = null) =>
        Wear is { } known && (own ?? known) is var wear ? Math.Clamp(Math.Pow(hours / wear.B10Hours, wear.Shape - 1), 1, 10) : 1;

    /// <summary>The kind of part whose wear it is, such as hp-seal or static-seal; null where it does not come with hours.</summary>
    public string? Wearing => Wear is null ? null : Action.TrimEnd('s');

    /// <summary>Its effect where it sits on this side.</summary>
    public string EffectOn(Side? side) => side == Pumps.Side.Discharge && DischargeEffect is { } other ? other : Effect;

    /// <summary>Prior weight a location.</summary>
    public required double Weight { get; init; }

    /// <summary>Where it is likelier, or less likely, than its weight says.</summary>
    public IReadOnlyList<WeightWhere> WeightWhere { get; init; } = [];

    /// <summary>
    /// True for what comes about at assembly only: where nobody opened the pump it weighs a twentieth (common practice, no source).
    /// </summary>
    public bool Assembly { get; init; }

    /// <summary>How many of it a pump can have, and where.</summary>
    public required FaultLocation Location { get; init; }

    /// <summary>True where it can sit on either side of a cylinder.</summary>
    public bool HasSides => Location is FaultLocation.Cavity or FaultLocation.Cap;

    /// <summary>The side it sits on, inlet or discharge; null where either or neither.</summary>
    public string? Side { get; init; }

    /// <summary>Part of the drawing that is suspected.</summary>
    public required string Part { get; init; }

    /// <summary>Id of what is mended.</summary>
    public required string Action { get; init; }

    /// <summary>For a fault of either valve, what is mended on the discharge side; <see cref="Action"/> is then the inlet's.</summary>
    public string? DischargeAction { get; init; }

    /// <summary>What is mended where it sits on this side.</summary>
    public string ActionOn(Side? side) => side == Pumps.Side.Discharge && DischargeAction is { } other ? other : Action;

    /// <summary>What is mended, in trade words.</summary>
    public required string ActionName { get; init; }

    /// <summary>Minutes to mend it, opening and closing included; above 0.</summary>
    public required double MendMinutes { get; init; }

    /// <summary>Minutes by arrangement, where they differ from <see cref="MendMinutes"/>.</summary>
    public IReadOnlyDictionary<string, double> MinutesOn { get; init; } = new Dictionary<string, double>();

    /// <summary>False where nothing is opened to mend it, so that there is nothing to lock out.</summary>
    public bool Opens { get; init; } = true;

    /// <summary>The same with the minutes it takes on this pump.</summary>
    public Fault On(ReciprocatingPump pump) =>
        MinutesOn.TryGetValue(pump.Arrangement.Named(), out var minutes) ? this with { MendMinutes = minutes } : this;

    /// <summary>What severity 0 and 1 mean.</summary>
    public required string Zero { get; init; }

    /// <summary>What severity 1 means.</summary>
    public required string One { get; init; }

    /// <summary>How it comes about.</summary>
    public required string How { get; init; }

    /// <summary>What may have caused it, to be looked for while it is open.</summary>
    public required IReadOnlyList<string> Causes { get; init; }

    /// <summary>False where hours run do not bring it on (scale, lay-up, a chip): it is no part of what wears a life out.</summary>
    public bool Hourly { get; init; } = true;

    /// <summary>Ids of the hazards of mending it.</summary>
    public required IReadOnlyList<string> Hazards { get; init; }

    /// <summary>Kinds of control it needs to exist; empty when any.</summary>
    public IReadOnlyList<string> Requires { get; init; } = [];

    /// <summary>How it answers the questions it has something to say to.</summary>
    public required IReadOnlyList<CueWord> Cues { get; init; }
}

/// <summary>A drip that means nothing, on pumps that have all of this: how often it is there, and how many drops a minute.</summary>
public sealed record IdleDrip(IReadOnlyList<string> Fitted, double Chance, double Drops);

/// <summary>One possible answer to a cue.</summary>
public sealed record CueAnswer : IOnlyWhere
{
    /// <summary>Stable name within its cue.</summary>
    public required string Id { get; init; }

    /// <summary>The answer in words.</summary>
    public required string Text { get; init; }

    /// <summary>On a small tag; {k} is the cylinder. The text itself where nothing shorter is needed.</summary>
    public string? Tag { get; init; }

    /// <summary>True for what a sound pump answers.</summary>
    public bool Healthy { get; init; }

    /// <summary>What it is said of.</summary>
    public AnswerPlace At { get; init; }

    /// <summary>Names it had before: still accepted, and read as this one.</summary>
    public IReadOnlyList<string> Was { get; init; } = [];

    /// <summary>True where it is no longer asked for: what was stored stays readable and counts as nothing.</summary>
    public bool Retired { get; init; }

    /// <summary>
    /// How often it is all that was looked at, whatever is wrong; a fault that says otherwise of it has a word. Null for
    /// answers that are the matter itself.
    /// </summary>
    public double? Aside { get; init; }

    /// <summary>
    /// Chance that it is given where nothing speaks for it, in all its places together; null where what the answers of known chance
    /// leave is shared. Above 0, below 1.
    /// </summary>
    public double? Chance { get; init; }

    /// <summary>On some pumps a drip here is as it should be: how often and how fast it drips there with nothing wrong.</summary>
    public IReadOnlyList<IdleDrip> Idle { get; init; } = [];

    /// <summary>How often it is given where nothing speaks for it, against the other unhealthy answers.</summary>
    public double Share { get; init; } = 1;

    /// <summary>Where on the drawing it is entered, if not where its cue is.</summary>
    public string? Place { get; init; }

    /// <inheritdoc/>
    public IReadOnlyList<string> Requires { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Arrangements { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Fitted { get; init; } = [];
}

/// <summary>Something a technician sees or hears and answers in a tap.</summary>
public sealed record Cue : IOnlyWhere
{
    /// <summary>Stable name, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>Name in trade words.</summary>
    public required string Name { get; init; }

    /// <summary>What stands before the answer on a small tag; may be empty.</summary>
    public required string Short { get; init; }

    /// <summary>Where on the drawing it is entered.</summary>
    public required string Place { get; init; }

    /// <summary>The question as it is put.</summary>
    public required string Question { get; init; }

    /// <summary>"choice": one answer. "places": a yes or no for every place.</summary>
    public string Kind { get; init; } = "choice";

    /// <summary>Cues of one group see the same physical thing and are not independent.</summary>
    public string? Group { get; init; }

    /// <summary>Baseline of a yes for "places".</summary>
    public double Baseline { get; init; } = 0.02;

    /// <summary>
    /// Chance of the healthy answer where no fault has anything to say, if not the usual one; where every other answer has a chance of
    /// its own, it is what they leave.
    /// </summary>
    public double? Usual { get; init; }

    /// <summary>The reading that says the same and more: once it is there, the answer counts no longer. Null where there is none.</summary>
    public string? UnlessRead { get; init; }

    /// <summary>True where something was opened and the answer is almost sure.</summary>
    public bool Reveals { get; init; }

    /// <summary>True where it is no longer asked: what was answered stays and counts, but nobody is sent to look.</summary>
    public bool Retired { get; init; }

    /// <summary>The answer of this name, or of a name it had before; null where there is none.</summary>
    public CueAnswer? Answer(string id) => Answers.FirstOrDefault(a => a.Id == id) ?? Answers.FirstOrDefault(a => a.Was.Contains(id));

    /// <summary>True where every place has an answer of its own: drips, and what was found when something was opened.</summary>
    public bool ByPlace => Kind == "places" || Reveals;

    /// <summary>What can be answered.</summary>
    public required IReadOnlyList<CueAnswer> Answers { get; init; }

    /// <inheritdoc/>
    public IReadOnlyList<string> Requires { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Arrangements { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Fitted { get; init; } = [];
}

/// <summary>An answer that was given to a cue.</summary>
public sealed record CueAnswered(string Cue, string Answer);

/// <summary>Something that can be done next.</summary>
public sealed record Check : IOnlyWhere
{
    /// <summary>Stable name, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>Name in trade words.</summary>
    public required string Name { get; init; }

    /// <summary>Minutes it takes, putting back not counted; above 0.</summary>
    public required double Minutes { get; init; }

    /// <summary>What is disturbed by opening has to be put back and proved: minutes for that (common practice, no source).</summary>
    public double PutBackMinutes { get; init; }

    /// <summary>Minutes by arrangement, where they differ from <see cref="Minutes"/>.</summary>
    public IReadOnlyDictionary<string, double> MinutesOn { get; init; } = new Dictionary<string, double>();

    /// <summary>What it costs in all.</summary>
    public double AllMinutes => Minutes + PutBackMinutes;

    /// <summary>The same with the minutes it takes on this pump.</summary>
    public Check On(ReciprocatingPump pump) =>
        MinutesOn.TryGetValue(pump.Arrangement.Named(), out var minutes) ? this with { Minutes = minutes } : this;

    /// <summary>What is opened for it: a part, or "nothing".</summary>
    public required string Opens { get; init; }

    /// <summary>Actions of faults at whose parts it looks, at every place: by them a sheet knows what it opens.</summary>
    public IReadOnlyList<string> Reaches { get; init; } = [];

    /// <summary>The cue it answers; null when it gives a reading.</summary>
    public string? Cue { get; init; }

    /// <summary>The quantity it measures; null when it answers a cue.</summary>
    public string? Reading { get; init; }

    /// <summary>Tools beyond what every van carries.</summary>
    public IReadOnlyList<string> Needs { get; init; } = [];

    /// <summary>True where it opens nothing.</summary>
    public bool OpensNothing => Opens == "nothing";

    /// <summary>True where the pump runs for it, so that it ends at a stop sign.</summary>
    public bool Running { get; init; }

    /// <summary>True where the pump runs against a shut outlet: only with a working control and a relief on record.</summary>
    public bool OutletShut { get; init; }

    /// <summary>Not while this fault is as likely as that.</summary>
    public NotWhile? NotWhile { get; init; }

    /// <summary>What must have been entered before, one cue or quantity of each group.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Proved { get; init; } = [];

    /// <summary>True where the plant has to stop for it.</summary>
    public bool Stops { get; init; }

    /// <summary>True where an apprentice must not do it alone.</summary>
    public bool Skilled { get; init; }

    /// <summary>Only worth asking once this was answered.</summary>
    public CueAnswered? After { get; init; }

    /// <summary>True where it follows up what was just answered within two minutes: nothing else is looked for before.</summary>
    public bool FollowsAtOnce => After is not null && AllMinutes <= 2;

    /// <summary>Only where this other check cannot be done.</summary>
    public string? InsteadOf { get; init; }

    /// <summary>Quantities that, once measured, answer this too.</summary>
    public IReadOnlyList<string> Also { get; init; } = [];

    /// <summary>How it is done.</summary>
    public required string How { get; init; }

    /// <inheritdoc/>
    public IReadOnlyList<string> Requires { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Arrangements { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Fitted { get; init; } = [];

    /// <summary>Ids of its hazards.</summary>
    public required IReadOnlyList<string> Hazards { get; init; }
}

/// <summary>A fault that forbids something from this probability on.</summary>
public sealed record NotWhile(string Fault, double Probability);

/// <summary>Something seen that ends all work on the running pump: one of these answers, or several together.</summary>
public sealed record StopSign
{
    /// <summary>Stable name, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>What to do, in a short sentence.</summary>
    public required string Text { get; init; }

    /// <summary>Why, in a sentence.</summary>
    public required string Why { get; init; }

    /// <summary>Another sign that says more where it is seen: then this one is left out.</summary>
    public string? Unless { get; init; }

    /// <summary>All of these together; of each line one answer.</summary>
    public required IReadOnlyList<IReadOnlyList<Seen>> When { get; init; }
}

/// <summary>An answer that was given; only where it runs as a stream where it says so.</summary>
public sealed record Seen(string Cue, string Answer, bool Stream = false);

/// <summary>What is known of the pump's history and moves the priors.</summary>
public sealed record Context
{
    /// <summary>Stable name, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>Name in trade words.</summary>
    public required string Name { get; init; }

    /// <summary>True where it says that the pump was opened lately.</summary>
    public bool Opened { get; init; }

    /// <summary>Where its factors come from; null for common practice.</summary>
    public string? Source { get; init; }

    /// <summary>Ids of hazards of every check with the pump running while it holds.</summary>
    public IReadOnlyList<string> Hazards { get; init; } = [];

    /// <summary>Ids of contexts that cannot hold together with it.</summary>
    public IReadOnlyList<string> Excludes { get; init; } = [];

    /// <summary>How many times likelier it makes a fault, by the fault's id; above 0.</summary>
    public required IReadOnlyDictionary<string, double> Multiply { get; init; }
}

/// <summary>A hazard, shown wherever it applies.</summary>
public sealed record Hazard(string Id, string Text);
