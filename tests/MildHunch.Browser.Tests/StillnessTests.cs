using MildHunch.Web.Tests;

namespace MildHunch.Browser.Tests;

/// <summary>Nothing moves away from under a finger.</summary>
public class StillnessTests(Product product)
{
    [Fact]
    public async Task Nothing_moves_while_a_page_loads()
    {
        using var technician = new Technician(product);
        foreach (var (path, word) in new[]
            { ("/cases", "Mist turns"), ("/pumps/new", "Type plate"), ($"/pumps/{await PumpOf("DESAL-B")}/bench", "swings by"),
                ($"/cases/{await product.CaseOf("FOG-2")}/suspect", "Next check") })
        {
            technician.Open(path);
            technician.Sees(word);
            technician.HasLoaded();
            technician.LayoutShift().ShouldBeLessThan(0.1, $"{path}: {technician.Moved()}");
        }
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(820, 1180)]
    public async Task Eight_answers_leave_the_buttons_where_the_finger_is(int width, int height)
    {
        using var own = new Product();
        using var technician = new Technician(own, width, height);
        technician.Open($"/cases/{await own.CaseOf("FROST-S")}/suspect");
        technician.Sees("Next check");
        var foot = AnswersEnd(technician);
        for (var k = 0; k < 8; k++)
        {
            var question = technician.NextQuestion();

            // A check that is a measurement has no answers to tap: it could not be done today.
            if (technician.Ask("document.querySelector('.answer kbd') !== null") is true)
                technician.TapAnswer(1);
            else
                technician.Tap("Could not do it");
            technician.Until("another question", () => technician.NextQuestion() != question);
            AnswersEnd(technician).ShouldBe(foot, 8, $"answer {k + 1}");
        }

        technician.LayoutShift().ShouldBeLessThan(0.1);
    }

    private static double AnswersEnd(Technician technician) => Convert.ToDouble(
        technician.Ask("document.querySelector('.could-not, .answers .last').getBoundingClientRect().bottom + scrollY"),
        System.Globalization.CultureInfo.InvariantCulture);

    private async Task<string> PumpOf(string tag) =>
        (await product.Get("/api/pumps")).AsArray().First(p => p!["tag"]!.GetValue<string>() == tag)!["id"]!.GetValue<string>();
}
