using MildHunch.Core.Expectation;
using MildHunch.Core.Hydraulics.Steady;

namespace MildHunch.Core.Diagnosis.Predictions;

/// <summary>What is changed by one sigma when a pump is solved once more: what is uncertain in all its readings alike.</summary>
internal enum Disturbance
{
    /// <summary>All as believed.</summary>
    None,

    /// <summary>More delivered, by one sigma of the speed.</summary>
    MoreDelivered,

    /// <summary>Less delivered, by one sigma of the speed.</summary>
    LessDelivered,

    /// <summary>Kn one sigma larger.</summary>
    LargerNozzle,

    /// <summary>Kn one sigma smaller.</summary>
    SmallerNozzle,
}

/// <summary>
/// What every observable shows at every solved severity of one effect, as believed and under each <see cref="Disturbance"/>;
/// from that how a reading moves with what is disturbed, and how far from a straight line.
/// </summary>
internal sealed class DisturbedReadings
{
    private static readonly int Variants = Enum.GetValues<Disturbance>().Length;
    private readonly double[] shown = new double[Variants * Observables.Count * PredictionTable.Nodes];

    /// <summary>What one observable shows at one solved severity.</summary>
    private double this[Disturbance under, int what, int node] => shown[At(under, what, node)];

    /// <summary>Takes down all that this point shows.</summary>
    public void Record(Disturbance under, int node, in OperatingPoint point, double gaugeFactor)
    {
        for (var o = 0; o < Observables.Count; o++)
            shown[At(under, o, node)] = Observables.All[o].Read(point, gaugeFactor);
    }

    /// <summary>Mean of the reading, the curve of the response taken in.</summary>
    public double Mean(int what, int node)
    {
        var middle = this[Disturbance.None, what, node];
        return middle + ((this[Disturbance.MoreDelivered, what, node] + this[Disturbance.LessDelivered, what, node]
            + this[Disturbance.LargerNozzle, what, node] + this[Disturbance.SmallerNozzle, what, node] - (4 * middle)) / 2);
    }

    /// <summary>Change for one sigma of a believed speed.</summary>
    public double BySpeed(int what, int node) =>
        (this[Disturbance.MoreDelivered, what, node] - this[Disturbance.LessDelivered, what, node]) / 2;

    /// <summary>Change for one sigma of Kn.</summary>
    public double ByNozzle(int what, int node) =>
        (this[Disturbance.LargerNozzle, what, node] - this[Disturbance.SmallerNozzle, what, node]) / 2;

    /// <summary>Variance left over where the response is not a straight line.</summary>
    public double Variance(int what, int node) =>
        (Bend(what, node, Disturbance.MoreDelivered, Disturbance.LessDelivered)
            + Bend(what, node, Disturbance.LargerNozzle, Disturbance.SmallerNozzle)) / 2;

    private double Bend(int what, int node, Disturbance up, Disturbance down)
    {
        var bend = this[up, what, node] + this[down, what, node] - (2 * this[Disturbance.None, what, node]);
        return bend * bend;
    }

    private static int At(Disturbance under, int what, int node) =>
        ((((int)under * Observables.Count) + what) * PredictionTable.Nodes) + node;
}
