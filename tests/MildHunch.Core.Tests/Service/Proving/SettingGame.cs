using System.Globalization;
using MildHunch.Core.Numerics;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Proving;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service.Proving;

/// <summary>
/// One control set by doing what the assistant says: spring, nozzle, limits, start, target, gauge and what is looked at drawn by a seed.
/// </summary>
internal sealed class SettingGame
{
    private const int Endless = 120;

    private static readonly Lazy<ScrewPlant[]> Plants = new(() =>
    [
        .. new[] { 0.85, 1.0, 1.2 }.Select(n => new ScrewPlant(Fog2, Fog2Setup(), n)),
        .. new[] { 1.45, 1.75 }.Select(n => new ScrewPlant(Triplex(5, ControlKind.Regulator), Fog2Setup(OutletLine.Unknown), n)),
    ]);

    private readonly ScrewPlant plant;
    private readonly double perTurn;
    private readonly double start;
    private readonly double sigma;
    private readonly bool spikes;
    private readonly bool bypass;
    private readonly SeededNoise noise;
    private bool shut;

    public SettingGame(int seed)
    {
        noise = new SeededNoise(seed);
        plant = Plants.Value[(int)(noise.Even() * Plants.Value.Length)];

        // A twelfth to a half of the rating a turn.
        var rated = plant.Pump.RatedPressure.Si;
        perTurn = rated / Math.Exp(Math.Log(2) + (noise.Even() * Math.Log(12)));
        start = plant.NozzlePa * (noise.Even() < 0.15 ? 1 + (0.3 * noise.Even()) : 0.25 + (0.6 * noise.Even()));
        TargetPa = plant.NozzlePa * (0.35 + (0.85 * noise.Even()));
        var limit = noise.Even() < 0.5 ? 3 * rated : TargetPa * (1.02 + (0.3 * noise.Even()));
        Limit = new PressureLimit("hose", new GaugePressure(Math.Max(limit, plant.Running(start) * 1.02)));
        LowestPa = Math.Min(Limit.Pressure.Si, rated);
        MostSpikePa = LowestPa;
        ClassPa = 0.008 * 1.6 * rated;
        sigma = ClassPa * (0.2 + (0.8 * noise.Even()));
        (spikes, bypass) = (noise.Even() < 0.5, noise.Even() < 0.3);
        Story = string.Create(
            CultureInfo.InvariantCulture,
            $"#{seed}: {start / 1e5:0.0} to {TargetPa / 1e5:0.0}, nozzle {plant.NozzlePa / 1e5:0.0}, limit {LowestPa / 1e5:0.0}, ")
            + string.Create(CultureInfo.InvariantCulture, $"{perTurn / 1e5:0.0} a turn, sigma {sigma / 1e5:0.00} bar;");
    }

    public double TargetPa { get; }

    public PressureLimit Limit { get; }

    public double LowestPa { get; }

    /// <summary>What no closing spike may pass.</summary>
    public double MostSpikePa { get; }

    /// <summary>One sigma of the gauge by its class.</summary>
    public double ClassPa { get; }

    public string Story { get; private set; }

    public int Steps { get; private set; }

    public bool PassedALimit { get; private set; }

    public bool ExpectedToPassALimit { get; private set; }

    public double Turns { get; private set; }

    public double ReadPa { get; private set; }

    public double Tolerance => Math.Max(0.02 * TargetPa, ClassPa);

    /// <summary>True where the nozzle lets it come there, below every limit.</summary>
    public bool CanBeReached => plant.SettingFor(TargetPa) is { } setting && TargetPa + Tolerance <= LowestPa
        && plant.Spike(setting) + (2 * ClassPa) <= MostSpikePa;

    /// <summary>Six moves, and four for each turn away.</summary>
    public double Allowed =>
        6 + (4 * Math.Abs((plant.SettingFor(TargetPa) ?? plant.SettingFor(TargetPa - Tolerance) ?? plant.NozzlePa) - start) / perTurn);

    /// <summary>How far the screw stands beyond the place at which the nozzle takes all, turns.</summary>
    public double BeyondKnee => (start + (Turns * perTurn) - plant.NozzlePa) / perTurn;

    /// <summary>How far it stood beyond before it was touched.</summary>
    public double BeyondAtStart => (start - plant.NozzlePa) / perTurn;

    /// <summary>Follows it to the letter until it ends.</summary>
    public SettingAct Play()
    {
        List<ScrewMove> moves = [];
        for (Steps = 0; Steps < Endless; Steps++)
        {
            moves.Add(Read());
            var advice = SettingAssistant.Next(
                SettingQuestion.Create(plant.Pump, plant.Setup, [Limit], new GaugePressure(TargetPa), moves));
            if (advice.Do is SettingAct.Done or SettingAct.Stop)
            {
                Story += string.Create(CultureInfo.InvariantCulture, $" {advice.Do} after {Steps} of {Allowed:0.0}: {advice.Why}");
                return advice.Do;
            }

            Turns += advice.Turns ?? 0;
            Math.Abs(advice.Turns ?? 0).ShouldBeLessThanOrEqualTo(0.25, Story);
            ExpectedToPassALimit |= advice.Turns > 0 && advice.Expected!.ValuePa > LowestPa;
            shut = advice.Shut;
            var setting = start + (Turns * perTurn);
            var (held, spike) = (Math.Max(plant.Running(setting), Math.Min(setting, plant.Spike(setting))), plant.Spike(setting));
            PassedALimit |= advice.Turns > 0 && (held > LowestPa + ClassPa || spike > MostSpikePa + ClassPa);
        }

        return SettingAct.Turn;
    }

    private ScrewMove Read()
    {
        var setting = start + (Turns * perTurn);
        ReadPa = Math.Max(0, plant.Running(setting) + (sigma * noise.Next()));
        Story += string.Create(
            CultureInfo.InvariantCulture,
            $" {Turns:0.00}:{ReadPa / 1e5:0.0}{(spikes || shut ? $"^{plant.Spike(setting) / 1e5:0.0}" : "")}");
        return new ScrewMove(
            Turns, ReadPa, spikes || shut ? plant.Spike(setting) + (sigma * noise.Next()) : null,
            bypass ? setting < plant.NozzlePa ? BypassSeen.Some : BypassSeen.None : null);
    }
}
