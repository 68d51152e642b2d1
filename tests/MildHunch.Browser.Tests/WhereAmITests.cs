using MildHunch.Web.Tests;
using OpenQA.Selenium;

namespace MildHunch.Browser.Tests;

/// <summary>Where one is stands in the address; what is typed or done by mistake is asked back or taken back.</summary>
public class WhereAmITests
{
    [Fact]
    public async Task Stage_and_editor_are_in_the_address_and_Back_steps_back()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("FOG-2");
        technician.Until("the stage in the address", () => technician.Address.EndsWith("/suspect", StringComparison.Ordinal));
        technician.Title.ShouldContain("Mist turns to drizzle");
        technician.Tap("Measure");
        technician.Sees("Noted so far");
        technician.Title.ShouldContain("Measure");
        technician.Tap("Pressure gauge");
        technician.Sees("Swing of the needle");
        technician.Address.ShouldContain("at=gauge");
        technician.Reload();
        technician.Sees("Swing of the needle");
        technician.Back();
        technician.Until("the editor to shut", () => technician.Ask("document.querySelector('.place-editor') === null") is true);
        technician.Sees("Noted so far");
        technician.Back();
        technician.Sees("Next check");

        // Turning pages is nothing to undo: what undo takes back is still the first look.
        technician.Tap("Undo");
        technician.SeesNoMore("31 bar");
    }

    [Fact]
    public async Task The_editor_takes_the_focus_and_gives_it_back()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("FOG-2");
        technician.Ask("document.querySelector('.tag.add[data-spot=crank]').focus()");
        technician.Key(Keys.Enter);
        technician.Until("the field", () => technician.Ask("document.activeElement.labels?.[0]?.textContent.trim()") is "Crank speed");
        technician.Key(Keys.Escape);
        technician.Until("the tag", () => technician.Ask("document.activeElement.dataset.spot") is "crank");
    }

    [Fact]
    public void What_was_put_away_by_mistake_comes_back_by_undo()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        technician.Open("/cases");
        technician.Sees("Mist turns to drizzle");
        technician.Tap("Put away: FOG-2");
        technician.Sees("is put away");
        const string listed = "document.querySelector('main').innerText.includes('Mist turns')";
        technician.Until("the case to go", () => technician.Ask(listed) is false);
        technician.Tap("Undo");
        technician.Until("the case again", () => technician.Ask(listed) is true);
    }

    [Fact]
    public async Task A_figure_that_is_hard_to_believe_is_asked_back()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("FOG-2");
        technician.Type("Jot line", "3300 bar");
        technician.Sees("Pressure at the head: 3300 bar");
        technician.Press(Keys.Enter);
        technician.Sees("Is that so?");
        technician.Tap("33 bar");
        technician.Sees("33 bar");
        technician.Value("Jot line").ShouldBeEmpty();
    }

    [Fact]
    public async Task What_is_half_typed_survives_another_stage_and_a_reload()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("FOG-2");
        technician.Tap("Prove");
        technician.Choose("Found", "Nozzle worn");
        technician.Tap("Pressure gauge");
        technician.Type("Swing of the needle", "12");
        technician.Reload();
        technician.Until("the half-typed reading", () => technician.Value("Swing of the needle") == "12");
        technician.Tap("Close");
        technician.Tap("Ask");
        technician.Sees("What happened before?");
        technician.Tap("Prove");
        technician.Sees("Nozzle worn");
    }
}
