using System.Text.Json;
using MildHunch.Shots;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

// Takes the pictures of the README from a running product.
// BASE_URL, and one argument a picture: file|path|width x height|light or dark|text to wait for[|script to run first].
// A path may name a demo pump, "case:FOG-2/suspect" or "pump:FOG-2", with what follows it in the address; "open:BRINE-4/open" is a case
// in the middle of the work, made for the picture.
var address = Environment.GetEnvironmentVariable("BASE_URL") ?? "http://127.0.0.1:5080";
var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
options.AddArguments(
    "--headless=new", "--no-sandbox", "--disable-gpu", "--hide-scrollbars", "--disable-background-networking", "--disable-component-update",
    "--disable-sync", "--no-first-run");
using var browser = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin"), options);
using var http = new HttpClient { BaseAddress = new Uri(address) };
var opened = new OpenedCase(http);
foreach (var argument in args)
{
    var parts = argument.Split('|');
    var size = parts[2].Split('x').Select(s => int.Parse(s, System.Globalization.CultureInfo.InvariantCulture)).ToArray();
    browser.ExecuteCdpCommand(
        "Emulation.setDeviceMetricsOverride", new Dictionary<string,
        object?>
        { ["width"] = size[0], ["height"] = size[1], ["deviceScaleFactor"] = 1, ["mobile"] = false });
    browser.Navigate().GoToUrl(address + "/health");
    browser.ExecuteScript($"localStorage.setItem('mild-hunch.theme', '{parts[3]}')");
    browser.ExecuteScript("localStorage.setItem('mild-hunch.name', 'Runa Estcott')");
    browser.ExecuteScript("localStorage.setItem('mild-hunch.wrench', 'W-2, checked in May')");
    browser.Navigate().GoToUrl(address + await Resolve(parts[1]));
    var wait = new WebDriverWait(browser, TimeSpan.FromSeconds(15));
    wait.Until(b => b.FindElement(By.TagName("body")).Text.Contains(parts[4], StringComparison.OrdinalIgnoreCase));
    wait.Until(b => (bool)((IJavaScriptExecutor)b).ExecuteScript("return document.fonts.status === 'loaded'")!);
    if (parts.Length > 5)
        browser.ExecuteAsyncScript($"{parts[5]}; setTimeout(arguments[arguments.length - 1], 2000)");
    browser.GetScreenshot().SaveAsFile(parts[0]);
    Console.WriteLine(parts[0]);
}

async Task<string> Resolve(string path)
{
    var at = path.Split(':');
    if (at.Length == 1)
        return path;
    var end = at[1].IndexOfAny(['/', '?']);
    var (tag, rest) = end < 0 ? (at[1], "") : (at[1][..end], at[1][end..]);
    if (at[0] == "open")
        return $"/cases/{await opened.Of(tag)}{rest}";
    if (at[0] == "proof")
        return $"/cases/{await opened.Proved(tag)}{rest}";
    using var rows = JsonDocument.Parse(await http.GetStringAsync(new Uri(
        at[0] == "case" ? "/api/cases" : "/api/pumps", UriKind.Relative)));
    var row = rows.RootElement.EnumerateArray().First(r => r.GetProperty("tag").GetString() == tag);
    return $"/{at[0]}s/{row.GetProperty("id").GetString()}{rest}";
}
