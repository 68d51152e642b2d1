using MildHunch.Store;
using NetArchTest.Rules;

namespace MildHunch.Core.Tests;

/// <summary>The walls of the architecture: Core stands alone, Store knows Core only.</summary>
public class WallTests
{
    [Fact]
    public void Core_knows_neither_web_nor_database()
    {
        var result = Types.InAssembly(typeof(ImpossibleInputException).Assembly).ShouldNot()
            .HaveDependencyOnAny(
                "Microsoft.AspNetCore", "Microsoft.EntityFrameworkCore", "Microsoft.Extensions", "Serilog", "MildHunch.Store",
                "MildHunch.Web").GetResult();
        result.IsSuccessful.ShouldBeTrue(string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Fact]
    public void Core_references_the_framework_and_a_library_of_mathematics_only() =>
        typeof(ImpossibleInputException).Assembly.GetReferencedAssemblies()
            .ShouldAllBe(a => a.Name!.StartsWith("System", StringComparison.Ordinal) || a.Name == "MathNet.Numerics");

    [Fact]
    public void Store_does_not_know_the_web() =>
        Types.InAssembly(typeof(MildHunchDb).Assembly).ShouldNot().HaveDependencyOnAny("Microsoft.AspNetCore", "MildHunch.Web")
            .GetResult().IsSuccessful.ShouldBeTrue();

    [Fact]
    public void Core_reads_neither_clock_nor_dice()
    {
        var result = Types.InAssembly(typeof(ImpossibleInputException).Assembly).ShouldNot()
            .HaveDependencyOnAny("System.Random", "System.DateTimeOffset", "System.TimeProvider").GetResult();
        result.IsSuccessful.ShouldBeTrue(string.Join(", ", result.FailingTypeNames ?? []));
    }
}
