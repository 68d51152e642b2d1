using System.Text.Json.Nodes;
using MildHunch.Web.Tests;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

namespace MildHunch.Browser.Tests;

/// <summary>Somebody in front of the product: looks for words and roles, taps, types, waits until something is seen.</summary>
public sealed class Technician : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(20);
    private readonly OneBrowser taken;
    private readonly ChromeDriver browser;

    public Technician(Product product, int width = 1280, int height = 800)
    {
        Product = product;
        taken = Browsers.Take();
        browser = taken.Driver;
        Resize(width, height);
    }

    public Product Product { get; }

    /// <summary>Taps with a finger instead of a mouse.</summary>
    public bool ByTouch { get; init; }

    /// <summary>Keys struck that were no letters of a text.</summary>
    public int KeysStruck { get; private set; }

    /// <summary>All that can be read on the page; the browser knows it, nothing has to look at every element for it.</summary>
    public string Text => (string?)browser.ExecuteScript("return document.body.innerText") ?? "";

    public void Resize(int width, int height) => browser.ExecuteCdpCommand(
        "Emulation.setDeviceMetricsOverride",
        new Dictionary<string, object?> { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = false });

    public void Open(string path) => browser.Navigate().GoToUrl(new Uri(Product.Http.BaseAddress!, path));

    public async Task OpenCase(string tag)
    {
        Open($"/cases/{await Product.CaseOf(tag)}");
        Sees("Where the water goes");
    }

    public string Address => browser.Url;

    public string Title => browser.Title;

    public void Back() => browser.Navigate().Back();

    public void Reload() => browser.Navigate().Refresh();

    public void Sees(string text) => Until($"to see “{text}”", () => Text.Contains(text, StringComparison.OrdinalIgnoreCase));

    public void SeesNoMore(string text) => Until($"“{text}” to go", () => !Text.Contains(text, StringComparison.OrdinalIgnoreCase));

    /// <summary>Taps what carries this name: a button, link or box to tick by its words, a part of the drawing by its label.</summary>
    public void Tap(string name)
    {
        var quoted = $"\"{name}\"";
        var path = $"//button[starts-with(normalize-space(.), {quoted})] | "
            + $"//a[starts-with(normalize-space(.), {quoted})] | //*[@role='button' and starts-with(@aria-label, {quoted})] | "
            + $"//button[starts-with(@aria-label, {quoted})] | //label[starts-with(normalize-space(.), {quoted}) and "
            + ".//input[@type='checkbox']]";
        Click($"to tap “{name}”", $"//button[normalize-space(.)={quoted}]", path);
    }

    /// <summary>Taps an answer of the next check by its number.</summary>
    public void TapAnswer(int number) => Click($"to tap answer {number}", $"//button[kbd[.='{number}'] and contains(@class, 'answer')]");

    /// <summary>Types into the field with this label, replacing what stood there.</summary>
    public void Type(string label, string text)
    {
        var field = Field(label);
        if (ByTouch)
        {
            Until($"to tap into “{label}”", () => Finger(field));
            Until($"the focus in “{label}”", () => browser.SwitchTo().ActiveElement().Equals(field));
        }

        field.SendKeys(Keys.Control + "a");
        field.SendKeys(text);
    }

    /// <summary>Strikes a key wherever the focus is, as somebody without a mouse does.</summary>
    public void Key(string key)
    {
        KeysStruck++;
        new OpenQA.Selenium.Interactions.Actions(browser).SendKeys(key).Perform();
    }

    /// <summary>Types letters wherever the focus is.</summary>
    public void Letters(string text) => new OpenQA.Selenium.Interactions.Actions(browser).SendKeys(text).Perform();

    /// <summary>Strikes Tab until what has the focus carries this name.</summary>
    public void TabTo(string name)
    {
        Walk();
        for (var struck = 0; struck < 40; struck++)
        {
            if (((string)Ask("walk.focused()")!).StartsWith(name, StringComparison.OrdinalIgnoreCase))
                return;
            Key(Keys.Tab);
        }

        throw new ShouldAssertException($"No Tab leads to “{name}”.");
    }

    public void Press(string keys) => browser.SwitchTo().ActiveElement().SendKeys(keys);

    /// <summary>A key struck while no field has the focus.</summary>
    public void Strike(string key)
    {
        browser.ExecuteScript("document.activeElement && document.activeElement.blur()");
        browser.FindElement(By.TagName("body")).SendKeys(key);
    }

    public string Value(string label) => Field(label).GetAttribute("value") ?? "";

    /// <summary>Opens the list with this label and takes what begins with these words.</summary>
    public void Choose(string label, string option)
    {
        var (named, wanted) = ($"\"{label}\"", $"\"{option}\"");
        Click($"to open the list “{label}”", $"//*[@role='combobox' and (starts-with(@aria-label, {named}) or "
            + $"@aria-labelledby = //label[starts-with(normalize-space(.), {named})]/@id)]");
        Click($"to choose “{option}”", $"//*[@role='option' and starts-with(normalize-space(.), {wanted})]");
    }

    /// <summary>Moves the slider with this label by a key.</summary>
    public void Slide(string label, string key)
    {
        var path = $"//*[@role='slider' and @aria-labelledby = //span[starts-with(normalize-space(.), \"{label}\")]/@id]";
        Until($"to move “{label}”", () =>
        {
            if (browser.FindElements(By.XPath(path)).FirstOrDefault(e => e.Displayed) is not { } handle)
                return false;
            handle.SendKeys(key);
            return true;
        });
    }

    /// <summary>The name of the leading suspect, without its place.</summary>
    public string Leader()
    {
        var name = "";
        Until(
            "a leading suspect",
            () => (name = browser.FindElements(By.CssSelector("section[aria-label='Suspects'] li b")).FirstOrDefault()?.Text
                ?? "").Length > 0);
        return name.Split([", cylinder", ", left", ", right"], StringSplitOptions.None)[0];
    }

    public void LeaderBecomes(string name) => Until($"“{name}” to lead", () => Leader() == name);

    /// <summary>The question of the check proposed next.</summary>
    public string NextQuestion() =>
        (string)Ask("document.querySelector('section[aria-label=\"Next check\"] .question')?.textContent ?? ''")!;

    public object? Ask(string script, params object[] arguments) => browser.ExecuteScript($"return {script}", arguments);

    /// <summary>Waits until the page, its style and its lettering are there.</summary>
    public void HasLoaded() => Until("the page to be complete", () =>
        Ask("document.readyState === 'complete' && document.fonts.status === 'loaded'") is true);

    /// <summary>Breaks of WCAG 2.2 AA that the axe rules find, one line each.</summary>
    public IReadOnlyList<string> AccessibilityBreaks()
    {
        browser.ExecuteScript(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "axe.min.js")));
        Walk();
        var json = (string)browser.ExecuteAsyncScript("walk.breaks().then(arguments[arguments.length - 1])")!;
        return [.. JsonNode.Parse(json)!.AsArray()
            .SelectMany(v => v!["nodes"]!.AsArray().Select(n => $"{v["id"]}: {n!["target"]} {n["failureSummary"]}"))];
    }

    /// <summary>What does not hold of the state on screen, a line each: walk.js says what is looked for.</summary>
    public IReadOnlyList<string> LayoutFindings()
    {
        Walk();
        return ((string)browser.ExecuteScript("return walk.findings()")!).Split('\n', StringSplitOptions.RemoveEmptyEntries);
    }

    /// <summary>Places of the drawing whose editor has nothing to say or to enter, a line each: of all, or of one of a kind.</summary>
    public string EmptyEditors(bool everyPlace)
    {
        Walk();
        browser.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromMinutes(1);
        return (string)browser.ExecuteAsyncScript("walk.editors(arguments[0]).then(arguments[arguments.length - 1])", everyPlace)!;
    }

    /// <summary>Layout shift of the page so far, as browsers measure it, input or not.</summary>
    public double LayoutShift()
    {
        Walk();
        return Convert.ToDouble(
            browser.ExecuteAsyncScript("walk.shift().then(arguments[arguments.length - 1])"),
            System.Globalization.CultureInfo.InvariantCulture);
    }

    /// <summary>What moved on the page so far, a line each.</summary>
    public string Moved()
    {
        Walk();
        return (string)browser.ExecuteAsyncScript("walk.moved().then(arguments[arguments.length - 1])")!;
    }

    private void Walk() => browser.ExecuteScript(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "walk.js")));

    public void Until(string what, Func<bool> holds)
    {
        var wait = new WebDriverWait(browser, Patience) { PollingInterval = TimeSpan.FromMilliseconds(50) };
        wait.IgnoreExceptionTypes(
            typeof(StaleElementReferenceException), typeof(ElementClickInterceptedException), typeof(NoSuchElementException),
            typeof(ElementNotInteractableException));
        try
        {
            wait.Until(_ => holds());
        }
        catch (WebDriverTimeoutException)
        {
            throw new ShouldAssertException($"Waited in vain for {what}. On screen: {Text}");
        }
    }

    public void Dispose() => Browsers.GiveBack(taken, Product.Http.BaseAddress!);

    // What is found by an earlier path is meant rather than what is found by a later one.
    private void Click(string what, params string[] paths) => Until(what, () =>
    {
        if (paths.SelectMany(p => browser.FindElements(By.XPath(p))).FirstOrDefault(e => e.Displayed && e.Enabled) is not { } found)
            return false;
        if (ByTouch)
            return Finger(found);
        found.Click();
        return true;
    });

    // False while something else lies over the place: a finger waits until it has gone.
    private bool Finger(IWebElement place)
    {
        const string onTop = """
            arguments[0].scrollIntoView({ block: 'center', inline: 'center' });
            const r = arguments[0].getBoundingClientRect();
            const top = document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2);
            return !!top && (arguments[0].contains(top) || top.contains(arguments[0]));
            """;
        if (browser.ExecuteScript(onTop, place) is not true)
            return false;
        var finger = new OpenQA.Selenium.Interactions.PointerInputDevice(OpenQA.Selenium.Interactions.PointerKind.Touch);
        browser.PerformActions([new OpenQA.Selenium.Interactions.ActionSequence(finger)
            .AddAction(finger.CreatePointerMove(place, 0, 0, TimeSpan.Zero))
            .AddAction(finger.CreatePointerDown(OpenQA.Selenium.Interactions.MouseButton.Touch))
            .AddAction(finger.CreatePointerUp(OpenQA.Selenium.Interactions.MouseButton.Touch))]);
        return true;
    }

    private IWebElement Field(string label)
    {
        IWebElement? found = null;
        Until($"the field “{label}”", () =>
        {
            var quoted = $"\"{label}\"";
            found = browser.FindElements(By.XPath($"//*[@id=//label[starts-with(normalize-space(.), {quoted})]/@for] | "
                + $"//label[starts-with(normalize-space(.), {quoted})]//*[self::input or self::textarea or self::select] | "
                + $"//*[@aria-label={quoted} and (self::input or self::select)]"))
                .FirstOrDefault(e => e.Displayed);
            return found is not null;
        });
        return found!;
    }
}
