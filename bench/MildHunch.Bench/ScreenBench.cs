using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

namespace MildHunch.Bench;

/// <summary>What a technician waits for: from the tap on "Add" in a case without evidence to the suspects painted anew.</summary>
internal static class ScreenBench
{
    private const int Rounds = 15;

    // Resolves once the changed list has been painted: the frame after the change is drawn before the message arrives.
    private const string AddAndWait = """
        const done = arguments[arguments.length - 1];
        const list = document.querySelector('section[aria-label="Suspects"]');
        const before = list.textContent;
        const start = performance.now();
        const painted = new MessageChannel();
        painted.port1.onmessage = () => done(performance.now() - start);
        new MutationObserver((_, watching) => {
          if (list.textContent === before) return;
          watching.disconnect();
          requestAnimationFrame(() => painted.port2.postMessage(0));
        }).observe(list, { subtree: true, childList: true, characterData: true });
        document.querySelector('form.jot').requestSubmit();
        """;

    public static async Task SuspectsOnScreen(HttpClient http)
    {
        var pumps = (await http.GetFromJsonAsync<JsonArray>("/api/pumps"))!;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments("--headless=new", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage", "--window-size=1280,800");
        using var browser = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin"), options);
        foreach (var (tag, line) in new[] { ("FOG-2", "31 bar"), ("FROST-R", "26 bar") })
        {
            var pump = pumps.First(p => p!["tag"]!.GetValue<string>() == tag)!["id"]!.GetValue<string>();
            var times = new List<double>();
            for (var round = 0; round < Rounds; round++)
                times.Add(await Once(http, browser, pump, line));
            times.Sort();
            Console.WriteLine(string.Create(
                CultureInfo.InvariantCulture,
                $"suspects on screen after a reading, {tag}, {Rounds} new cases: median {times[Rounds / 2]:0} ms, most {times[^1]:0} ms"));
        }
    }

    private static async Task<double> Once(HttpClient http, ChromeDriver browser, string pump, string line)
    {
        var made = await http.PostAsJsonAsync("/api/cases", new { pumpId = pump, complaint = "measured" });
        var opened = (await made.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<JsonObject>())!;
        await browser.Navigate().GoToUrlAsync(new Uri(http.BaseAddress!, $"/cases/{opened["id"]}/suspect"));
        var wait = new WebDriverWait(browser, TimeSpan.FromSeconds(20)) { PollingInterval = TimeSpan.FromMilliseconds(50) };
        wait.IgnoreExceptionTypes(typeof(NoSuchElementException), typeof(StaleElementReferenceException));
        wait.Until(b => b.FindElement(By.CssSelector("section[aria-label='Next check'] .question")).Displayed);
        browser.FindElement(By.Id("jot-input")).SendKeys(line);
        wait.Until(b => b.FindElement(By.CssSelector(".jot .p-chip")).Displayed);
        return Convert.ToDouble(browser.ExecuteAsyncScript(AddAndWait), CultureInfo.InvariantCulture);
    }
}
