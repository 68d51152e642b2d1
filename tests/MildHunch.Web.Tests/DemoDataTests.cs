using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MildHunch.Store;
using MildHunch.Web.Demo;

namespace MildHunch.Web.Tests;

public class DemoDataTests
{
    /// <summary>The power goes while the demo is filled: the next start finds nothing of it, and fills it whole.</summary>
    [Fact]
    public async Task A_start_that_is_broken_off_leaves_nothing_by_halves()
    {
        using var product = new Product(false);
        using (var first = product.Services.CreateScope())
        {
            var saves = 0;
            first.ServiceProvider.GetRequiredService<MildHunchDb>().SavingChanges += (_, _) =>
            {
                if (++saves == 5)
                    throw new IOException("the power is gone");
            };
            await Should.ThrowAsync<IOException>(() => Demo(first).Fill(CancellationToken.None));
        }

        using var second = product.Services.CreateScope();
        var db = second.ServiceProvider.GetRequiredService<MildHunchDb>();
        (await db.Pumps.CountAsync()).ShouldBe(0);
        await Demo(second).Fill(CancellationToken.None);
        (await db.Pumps.CountAsync()).ShouldBe(10);
    }

    private static DemoData Demo(IServiceScope scope) => ActivatorUtilities.CreateInstance<DemoData>(scope.ServiceProvider);
}
