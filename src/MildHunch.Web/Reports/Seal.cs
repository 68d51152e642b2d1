using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using MildHunch.Store;

namespace MildHunch.Web.Reports;

/// <summary>
/// Binds a signature to what was signed: a fingerprint over who signed when, with what, and every word of the report. It shows that a
/// report is what it was; it does not show who wrote it.
/// </summary>
internal static class Seal
{
    /// <summary>SHA-256 in hexadecimal; the number of the revision is no part of it.</summary>
    public static string Of(ReportEntity report) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(string.Join(
        '\n',
        report.At.ToUniversalTime().ToString("O", CultureInfo.InvariantCulture),
        report.CaseVersion.ToString(CultureInfo.InvariantCulture), report.By, report.Witness ?? "", report.Gauge ?? "",
        report.Wrench ?? "", report.ContentJson))));

    /// <summary>True where it is still what was signed; what was signed before there were seals counts as it is.</summary>
    public static bool Holds(ReportEntity report) => report.Seal is null || report.Seal == Of(report);
}
