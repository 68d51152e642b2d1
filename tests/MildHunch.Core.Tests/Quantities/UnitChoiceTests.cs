using MildHunch.Core.Expectation;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Tests.Quantities;

/// <summary>The reader's units touch what is shown and nothing else; and what readings are called.</summary>
public class UnitChoiceTests
{
    [Fact]
    public async Task A_choice_belongs_to_the_work_that_made_it()
    {
        UnitChoice.Current.ShouldBe(UnitSystem.Si);
        await Task.Run(() =>
        {
            UnitChoice.Current = UnitSystem.UsTrade;
            Units.Preferred(QuantityKind.GaugePressure).Symbol.ShouldBe("psi");
            Units.Preferred(QuantityKind.RotationalSpeed).Symbol.ShouldBe("rpm");
            Units.Offered(QuantityKind.Temperature)[0].Symbol.ShouldBe("°F");
        });
        Units.Preferred(QuantityKind.GaugePressure).ShouldBe(Units.Bar);
    }

    [Fact]
    public void Every_unit_of_a_kind_is_offered_once()
    {
        foreach (var kind in Enum.GetValues<QuantityKind>())
            Units.Offered(kind).ShouldBe(Units.All.Where(u => u.Kind == kind), ignoreOrder: true);
    }

    [Fact]
    public void Every_reading_has_a_short_name_of_one_or_two_words()
    {
        foreach (var id in Observables.All.Select(o => o.Id).Concat(TakenQuantities.All.Select(t => t.Id)))
            ReadingNames.Short(id).Length.ShouldBeLessThanOrEqualTo(8, id);
    }

    [Fact]
    public void An_intensifier_has_strokes_and_no_crank()
    {
        ReadingNames.Full("speed").ShouldBe("Crank speed");
        ReadingNames.Full("speed", Arrangement.Intensifier).ShouldNotContain("rank");
        ReadingNames.Short("speed", Arrangement.Intensifier).ShouldBe("Strokes");
    }

    [Theory]
    [InlineData("pump.plungerDiameter", "Plunger diameter: 0 mm cannot be.")]
    [InlineData("readings[0].value", "This reading: 0 mm cannot be.")]
    [InlineData("setup.inlet.run.length", "Length: 0 mm cannot be.")]
    [InlineData("pumpId", "The pump: 0 mm cannot be.")]
    public void A_refusal_names_its_field_as_people_do(string field, string says) =>
        new ImpossibleInputException(field, "0 mm", "more").Message.ShouldStartWith(says);
}
