using System.Globalization;

namespace MildHunch.Core.Tests;

/// <summary>How many draws a test makes: a slice in the suite, all of them where <c>./run bench --hands</c> asks.</summary>
internal static class Draws
{
    public static int Of(string name, int inTheSuite) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), CultureInfo.InvariantCulture, out var asked) ? asked : inTheSuite;
}
