using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;

namespace MildHunch.DemoYears;

/// <summary>The product itself in a folder of its own, with a clock that can be set.</summary>
internal sealed class DemoShop(string folder, DemoClock clock) : WebApplicationFactory<Program>
{
    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseContentRoot(AppContext.BaseDirectory);
        builder.UseSetting("DATA_DIR", folder);
        builder.UseSetting("DEMO", "open");
        builder.ConfigureTestServices(services => services.AddSingleton<TimeProvider>(clock));
    }
}
