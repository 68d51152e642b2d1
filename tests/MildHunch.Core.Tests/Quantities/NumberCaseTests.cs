using System.Text.Json;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Tests.Quantities;

/// <summary>The table of cases that the client's reader is held to as well (common practice, no source).</summary>
public class NumberCaseTests
{
    public sealed record Case(
        string Text, double? From = null, double? To = null, string Unit = "", string ToUnit = "", bool About = false,
        string? Refused = null);

    public static TheoryData<string> Cases { get; } = new(Read().Select(c => c.Text));

    [Theory]
    [MemberData(nameof(Cases))]
    public void Is_read_as_the_table_says(string text)
    {
        var wanted = Read().Single(c => c.Text == text);
        var read = NumberEntry.Read(text, out var problem);
        if (wanted.Refused is { } why)
        {
            read.ShouldBeNull();
            problem.ShouldNotBeNull().ShouldContain(why);
            return;
        }

        read.ShouldNotBeNull(problem);
        read.From.ShouldBe(new EnteredNumber(wanted.From!.Value, wanted.Unit));
        read.To.ShouldBe(wanted.To is { } to ? new EnteredNumber(to, wanted.ToUnit) : null);
        read.About.ShouldBe(wanted.About);
    }

    private static Case[] Read() =>
        JsonSerializer.Deserialize<Case[]>(
            File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Quantities", "number-cases.json")), JsonSerializerOptions.Web)!;
}
