using System.Runtime.Intrinsics;
using CsCheck;
using MathNet.Numerics.LinearAlgebra;
using MildHunch.Core.Diagnosis.Likelihood;

namespace MildHunch.Core.Tests.Diagnosis.Likelihood;

/// <summary>The closed form against a multivariate normal written out with a linear-algebra library.</summary>
public class SharedUncertaintyTests
{
    private static readonly Gen<(double Residual, double Sigma, double J0, double J1, double J2)[]> AnyReadings =
        Gen.Select(Gen.Double[-3, 3], Gen.Double[0.1, 2], Gen.Double[-2, 2], Gen.Double[-2, 2], Gen.Double[-2, 2]).Array[1, 5];

    [Fact]
    public void Integrating_out_equals_the_joint_normal() => AnyReadings.Sample(readings =>
    {
        var (exponent, determinant) = Gather(readings).Likelihood();
        var (residual, covariance, _) = Written(readings);
        var expected = -0.5
            * ((residual * (covariance.Inverse() * residual)) + Math.Log(covariance.Determinant())
                + (readings.Length * Math.Log(2 * Math.PI)));
        (exponent.GetElement(3) - (0.5 * Math.Log(determinant.GetElement(3)))).ShouldBe(expected, 1e-6 * Math.Max(1, Math.Abs(expected)));
    });

    [Fact]
    public void Prediction_is_the_conditional_normal() => AnyReadings.Sample(readings =>
    {
        var (shift, variance) = Gather(readings).Predict(Four(0.7), Four(-0.4), Four(1.1));
        var j = Vector<double>.Build.Dense([0.7, -0.4, 1.1]);
        var (residual, covariance, jacobian) = Written(readings);
        var cross = jacobian * j;
        var gain = covariance.Inverse() * cross;
        shift.GetElement(2).ShouldBe(gain * residual, 1e-6);
        variance.GetElement(2).ShouldBe((j * j) - (gain * cross), 1e-6);
    });

    private static Vector256<double> Four(double all) => Vector256.Create(all);

    private static SharedUncertainty Gather((double Residual, double Sigma, double J0, double J1, double J2)[] readings)
    {
        var belief = default(SharedUncertainty);
        foreach (var r in readings)
            belief.Add(Four(r.Residual), Four(r.Sigma * r.Sigma), Four(r.J0), Four(r.J1), Four(r.J2));
        return belief;
    }

    private static (
        Vector<double> Residual, Matrix<double> Covariance,
        Matrix<double> Jacobian) Written((double Residual, double Sigma, double J0, double J1, double J2)[] readings)
    {
        var jacobian = Matrix<double>.Build.DenseOfRows(readings.Select(r => new[] { r.J0, r.J1, r.J2 }));
        var noise = Matrix<double>.Build.DenseOfDiagonalArray([.. readings.Select(r => r.Sigma * r.Sigma)]);
        return (
            Vector<double>.Build.DenseOfEnumerable(readings.Select(r => r.Residual)), (jacobian * jacobian.Transpose()) + noise, jacobian);
    }
}
