using System.Collections.Concurrent;
using OpenQA.Selenium.Chrome;

[assembly: AssemblyFixture(typeof(MildHunch.Web.Tests.Product))]
[assembly: AssemblyFixture(typeof(MildHunch.Browser.Tests.Browsers))]

namespace MildHunch.Browser.Tests;

/// <summary>Browsers that are used again: one starts slowly and reads the product's files faster the second time.</summary>
public sealed class Browsers : IDisposable
{
    private static readonly ConcurrentBag<OneBrowser> Free = [];

    /// <summary>A browser in which nothing is stored and nothing is open.</summary>
    internal static OneBrowser Take() => Free.TryTake(out var free) ? free : new OneBrowser();

    /// <summary>Takes it back; what the product at this address stored in it is thrown away.</summary>
    internal static void GiveBack(OneBrowser used, Uri product)
    {
        used.Forget(product);
        Free.Add(used);
    }

    public void Dispose()
    {
        while (Free.TryTake(out var browser))
            browser.Dispose();
    }
}

/// <summary>Chromium without a window, with a profile of its own.</summary>
internal sealed class OneBrowser : IDisposable
{
    private readonly string profile = Directory.CreateTempSubdirectory("mild-hunch-browser-").FullName;

    public OneBrowser()
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage", "--disable-quic", "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update", "--disable-sync", $"--user-data-dir={profile}");
        Driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin"), options);
        StandOnTheDay();
    }

    public ChromeDriver Driver { get; }

    // What a tab remembers goes with the tab, the rest by its origin; read files stay, as on a tablet.
    public void Forget(Uri product)
    {
        var old = Driver.CurrentWindowHandle;
        Driver.SwitchTo().NewWindow(OpenQA.Selenium.WindowType.Tab);
        var fresh = Driver.CurrentWindowHandle;
        Driver.SwitchTo().Window(old).Close();
        Driver.SwitchTo().Window(fresh);
        StandOnTheDay();
        Driver.ExecuteCdpCommand("Storage.clearDataForOrigin", new Dictionary<string, object?>
        {
            ["origin"] = product.GetLeftPart(UriPartial.Authority),
            ["storageTypes"] = "cookies,local_storage,indexeddb,service_workers,cache_storage,websql,file_systems",
        });
    }

    // The clock of its pages is that of the product.
    private void StandOnTheDay()
    {
        if (MildHunch.Web.Tests.AnotherDay.Asked is not { } then)
            return;
        var script = $$"""
            (() => {
              const Real = Date;
              const ahead = {{(long)then.Ahead.TotalMilliseconds}};
              window.Date = class extends Real {
                constructor(...told) { if (told.length) super(...told); else super(Real.now() + ahead); }
                static now() { return Real.now() + ahead; }
              };
            })();
            """;
        Driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new Dictionary<string, object?> { ["source"] = script });
    }

    public void Dispose()
    {
        Driver.Quit();
        Driver.Dispose();
        Directory.Delete(profile, recursive: true);
    }
}
