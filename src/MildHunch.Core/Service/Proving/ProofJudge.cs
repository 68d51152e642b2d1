using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Service.Proving;

/// <summary>
/// Judges a proof: a step counts at its pressure, held, with its flow or the reason why not; silence is never a pass (docs/trade.md,
/// Proving).
/// </summary>
public sealed class ProofJudge
{
    // A step is at its pressure within a tenth of it or two sigma of the gauge, the last one from 95 % on (common practice, no source).
    private const double NearStep = 0.1;
    private const double LastStep = 0.95;
    private const double Sigmas = 2;
    private const double Whole = 1;

    // A watch stopped by hand: a tenth short of the time still counts (common practice, no source).
    internal const double HeldShare = 0.9;
    private const int MostNamed = 4;

    private readonly ReciprocatingPump pump;
    private readonly Setup setup;
    private readonly ProofTold told;
    private readonly PressureLimit lowest;
    private readonly PressureLimit most;
    private readonly double workingPa;
    private readonly double sigmaPa;

    private ProofJudge(ReciprocatingPump pump, Setup setup, ProofTold told)
    {
        (this.pump, this.setup, this.told) = (pump, setup, told);
        lowest = PressureLimit.Of(pump, setup).Concat(told.Limits).MinBy(l => l.Pressure.Si)!;
        most = PressureLimit.OfSpikes(pump, setup, told.Limits);
        workingPa = StageExpectation.WorkingPa(pump, setup);
        sigmaPa = Instruments.DialSigma(pump, setup);
    }

    /// <summary>The verdict on all that was told.</summary>
    /// <param name="stages">The stages of this pump.</param>
    /// <param name="pump">The pump.</param>
    /// <param name="setup">How it is run.</param>
    /// <param name="told">What was done and read.</param>
    public static ProofVerdict Judge(IReadOnlyList<ProofStage> stages, ReciprocatingPump pump, Setup setup, ProofTold told) =>
        new ProofJudge(pump, setup, told).Judge(stages);

    private const string SetStep = "set.100";

    // Whoever turned the screw proves it, wherever it came to stand.
    private bool WasSet => told.Setting is not null || told.Steps.ContainsKey(SetStep);

    private bool SetReached => told.Steps.TryGetValue(SetStep, out var set) && AtTarget(set);

    private ProofVerdict Judge(IReadOnlyList<ProofStage> stages)
    {
        StageJudged[] judged = [.. stages.Select(Judged)];
        (StageWeight Weight, string Reason)[] beside =
        [
            .. told.StopSigns.Select(s => (StageWeight.SendsBack, $"{s}.")),
            .. told.Leaks.Where(l => l.Standing != Standing.AsExpected)
                .Select(l => (l.Standing == Standing.Off ? StageWeight.SendsBack : StageWeight.Remark, l.Text)),
            .. told.Unclosed.Count == 0 ? [] : new[] { (StageWeight.Open, NotClosed()) },
        ];
        // Whatever was ticked or left out with a reason: without a reading nothing is proved.
        if (!Read(stages) && judged.All(j => ProofTable.Of(j.State) < StageWeight.Open))
            beside = [.. beside, (StageWeight.Open, "Nothing was read under pressure: that proves nothing.")];
        var reasons = judged.Select(j => (Weight: ProofTable.Of(j.State), j.Reasons))
            .SelectMany(j => j.Reasons.Select(r => (j.Weight, Reason: r))).Concat(beside)
            .OrderByDescending(r => r.Weight).Select(r => r.Reason).Distinct();
        return new ProofVerdict(
            ProofTable.Of(judged.Select(j => ProofTable.Of(j.State)).Concat(beside.Select(b => b.Weight))), [.. reasons], judged);
    }

    private bool Read(IReadOnlyList<ProofStage> stages) =>
        stages.Any(s => told.Shuts.ContainsKey(s.Id) || s.Shares.Any(share => told.Steps.ContainsKey(s.StepId(share)))) || SetReached;

    private string NotClosed() =>
        $"Not closed and counted: {string.Join(", ", told.Unclosed.Take(MostNamed))}{(told.Unclosed.Count > MostNamed ? " …" : "")}.";

    private StageJudged Judged(ProofStage stage)
    {
        var name = stage.Name.ToLowerInvariant();
        if (stage.AfterSet && !WasSet && !told.Shuts.ContainsKey(stage.Id))
            return new StageJudged(stage, StageState.NotNeeded, []);
        if (told.LeftOut.TryGetValue(stage.Id, out var why))
            return new StageJudged(stage, StageState.LeftOut, [$"Left out: {name}; {why}."]);
        if (ProofStages.Forbidden(stage, pump, setup) is { } forbidden)
            return new StageJudged(stage, StageState.Forbidden, [$"Not done: {name}. {forbidden}"]);
        var (missing, remarks, begun) = Seen(stage);
        StageJudged So(StageState state, params string[] reasons) => new(stage, state, reasons)
        {
            Shut = stage.Kind == StageKind.Shut ? [.. remarks.Select(r => r.Text)] : [],
        };
        var off = remarks.Where(r => r.Standing == Standing.Off).Select(r => r.Text).ToArray();
        if (off.Length > 0)
            return So(StageState.Off, off);
        if (missing.Count > 0)
            return begun
                ? So(StageState.Begun, $"Not done yet: {name}: {string.Join("; ", missing.Take(MostNamed))}.")
                : So(StageState.NotBegun, $"Not done yet: {name}.");
        var doubtful = remarks.Where(r => r.Standing == Standing.Doubtful).Select(r => r.Text).ToArray();
        return So(doubtful.Length > 0 ? StageState.Doubtful : StageState.Done, doubtful);
    }

    private (IReadOnlyList<string> Missing, IReadOnlyList<ProofRemark> Remarks, bool Begun) Seen(ProofStage stage)
    {
        List<string> missing =
        [
            .. stage.Acts.Where(a => !a.Optional && !told.Acts.Contains($"{stage.Id}.{a.Id}")).Select(a => a.Do.TrimEnd('.')),
        ];
        List<ProofRemark> remarks = [];
        var begun = stage.Acts.Any(a => told.Acts.Contains($"{stage.Id}.{a.Id}"));
        foreach (var share in stage.Shares)
            begun |= Step(stage, share, missing, remarks);
        if (stage.Kind == StageKind.Shut)
        {
            var shut = told.Shuts.GetValueOrDefault(stage.Id);
            begun |= shut is not null;
            missing.AddRange((shut ?? new ShutOutlet()).Missing(pump, new Duration(stage.Seconds)));
            if (told.ShutBefore.Contains(stage.Id))
                missing.Add("shut once more, as the control stands now");
            remarks.AddRange(shut?.Remarks(pump, setup, most, lowest) ?? []);
        }

        if (stage.Kind == StageKind.Set)
            begun |= Set(stage, missing, remarks);
        return (missing, remarks, begun);
    }

    // What was read at a share of the working pressure; true where something was.
    private bool Step(ProofStage stage, double share, List<string> missing, List<ProofRemark> remarks)
    {
        var id = stage.StepId(share);
        var target = new GaugePressure(share * workingPa);
        if (!told.Steps.TryGetValue(id, out var read))
        {
            // What the backed-off screw does not reach is proved once it is set.
            if (told.LeftOut.TryGetValue(id, out var why))
            {
                if (!SetReached)
                    remarks.Add(new ProofRemark(Standing.Doubtful, $"Left out: {Said(target)}; {why}."));
                return true;
            }

            missing.Add($"{Said(target)} not read");
            return false;
        }

        if (TooHigh(read.Pressure) is { } over)
            remarks.Add(over);
        else if (!Near(read.Pressure.Si, target.Si, share == Whole))
            missing.Add($"read at {Said(read.Pressure)}, not at {Said(target)}");
        if (read.HeldSeconds is not { } held || held < HeldShare * stage.Seconds)
            missing.Add($"{Said(target)} not held for {stage.Seconds:0} s");
        if (stage.Flow)
            Flow(read, target, missing, remarks);
        return true;
    }

    private void Flow(StepTold read, GaugePressure target, List<string> missing, List<ProofRemark> remarks)
    {
        var expected = StageExpectation.At(pump, setup, read.Pressure);
        foreach (var reading in read.Readings)
            if (expected.Judge(reading) is { } standing && standing != Standing.AsExpected
                && expected.Figures.First(f => f.What == reading.What) is var figure)
                remarks.Add(new ProofRemark(
                    standing, $"{reading.What.Name} at {Said(read.Pressure)}: {reading.Value.Text()} where {Text(figure, figure.Low)} to "
                        + $"{Text(figure, figure.High)} is expected."));
        if (read.Readings.Any(r => r.What == Observables.NozzleFlow))
            return;
        if (string.IsNullOrWhiteSpace(read.NoFlow))
            missing.Add($"flow at {Said(target)}, or why it could not be had");
        else
            remarks.Add(new ProofRemark(Standing.Doubtful, $"No flow read at {Said(target)}: {read.NoFlow.Trim()}."));
    }

    private bool Set(ProofStage stage, List<string> missing, List<ProofRemark> remarks)
    {
        var begun = told.Setting is not null;
        if (told.Steps.TryGetValue(stage.SetStep, out var set))
        {
            begun = true;
            if (TooHigh(set.Pressure) is { } over)
                remarks.Add(over);
            else if (!AtTarget(set) && told.Setting?.Do != SettingAct.Stop)
                missing.Add($"read at {Said(set.Pressure)}, not at {Said(TargetPa)}");
        }
        else
        {
            missing.Add("read once it is set");
        }

        switch (told.Setting?.Do)
        {
            case SettingAct.Back:
                remarks.Add(new ProofRemark(Standing.Off, $"The screw stands too far in: {told.Setting.Why}"));
                break;
            case SettingAct.Reseat:
                missing.Add($"a reading that is still wanted: {told.Setting.Why.TrimEnd('.')}");
                break;
            case SettingAct.Turn:
                missing.Add("the screw is not where it was wanted");
                break;
            case SettingAct.Stop:
                remarks.Add(new ProofRemark(Standing.Doubtful, $"Left short of {Said(TargetPa)}: {told.Setting.Why}"));
                break;
        }

        return begun;
    }

    private GaugePressure TargetPa => told.Target ?? new GaugePressure(workingPa);

    private bool AtTarget(StepTold read) => Near(read.Pressure.Si, TargetPa.Si, last: false) && TooHigh(read.Pressure) is null;

    private bool Near(double pressurePa, double targetPa, bool last)
    {
        var near = Math.Max(NearStep * targetPa, Sigmas * sigmaPa);
        return Math.Abs(pressurePa - targetPa) <= near && (!last || pressurePa >= LastStep * targetPa);
    }

    private ProofRemark? TooHigh(GaugePressure read) => read.Si <= lowest.Pressure.Si
        ? null
        : new ProofRemark(Standing.Off, $"Read {Said(read)}, past the {lowest.What} ({Said(lowest.Pressure)}).");

    private static string Said(GaugePressure pressure) => pressure.Format(Units.Preferred(QuantityKind.GaugePressure));

    private static string Text(StageFigure figure, double si) => new Amount(figure.What.Kind, si).Text();
}
