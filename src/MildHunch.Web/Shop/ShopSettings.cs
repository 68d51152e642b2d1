using System.ComponentModel;
using System.Security.Cryptography;
using System.Text.Json;
using MildHunch.Core;
using MildHunch.Core.Quantities;
using MildHunch.Store;
using MildHunch.Web.Backup;
using MildHunch.Web.Operations;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Shop;

/// <summary>What a shop says of itself.</summary>
public sealed record ShopDto(
    [property: Description("as it stands on reports")] string? Name = null, string? Currency = null,
    [property: Description("what an hour of a technician costs")] double? WorkPerHour = null, double? EnergyPerKwh = null,
    double? WaterPerM3 = null,
    [property: Description("from which share of a new pump on a repair is weighed against replacing it")] double? ReplaceAbove = null,
    [property: Description("where the product is reached in the shop, for labels: http://workshop:5080")] string? Address = null,
    [property: Description("the address under the name on reports, line by line")] string? Letterhead = null,
    [property: Description("zone in which days are counted: Europe/Berlin; empty for that of the machine")] string? Zone = null,
    [property: Description("of the settings that were read; sent back with them, nobody overwrites what he has not seen")]
    string? Version = null);

/// <summary>The shop's own settings in shop.json beside the database, over those of the environment.</summary>
public sealed class ShopSettings(ShopFolder folder, ShopNow shop, ShopHealth health)
{
    private const string FileName = "shop.json";
    private const int LongestName = 80;
    private const int LongestLetterhead = 300;
    private const int LongestCurrency = 12;
    private const int LongestAddress = 120;
    private readonly SemaphoreSlim writing = new(1);

    public static void Map(IEndpointRouteBuilder routes)
    {
        var shop = routes.MapGroup("/api/shop").WithTags("Shop");
        shop.MapGet("/", (ShopSettings settings) => settings.Now()).WithSummary("Name, currency and prices of the shop.");
        shop.MapPut("/", (ShopDto told, ShopSettings settings, CancellationToken stop) => settings.Keep(told, stop))
            .WithSummary("Sets them; what is left out stays.");
    }

    /// <summary>Reads what was kept.</summary>
    public void Load()
    {
        var path = Path.Combine(folder.Path, FileName);
        if (!File.Exists(path))
            return;
        try
        {
            var kept = Stored.Read<ShopDto?>(File.ReadAllText(path)) ?? throw new JsonException("it is empty");
            Check(kept);
            shop.Become(With(kept));
        }
        catch (Exception e) when (e is JsonException or ImpossibleInputException or IOException or UnauthorizedAccessException)
        {
            // The shop goes on with what the environment says; the file stays as it is until somebody saves settings anew.
            health.Ails(FileName, $"{FileName} cannot be read: {e.Message}");
        }
    }

    private ShopDto Now() => Shown(shop.Terms);

    private static ShopDto Shown(ShopTerms now) => Versioned(new(
        now.Name, now.Currency, now.WorkPerHour, now.EnergyPerKwh, now.WaterPerM3, now.ReplaceAbove, now.Address, now.Letterhead,
        now.Zone));

    // The same settings have the same version, however often they were sent.
    private static ShopDto Versioned(ShopDto now) => now with
    {
        Version = Convert.ToHexStringLower(SHA256.HashData(JsonSerializer.SerializeToUtf8Bytes(now with { Version = null })))[..16],
    };

    private async Task<ShopDto> Keep(ShopDto told, CancellationToken stop)
    {
        Check(told);
        await writing.WaitAsync(stop);
        try
        {
            var next = With(told);
            if (told.Version is { } seen && Now() is var now && seen != now.Version && Shown(next) != now)
                throw ETags.Stale();
            using var text = new MemoryStream(
                JsonSerializer.SerializeToUtf8Bytes(Shown(next) with { Version = null }, JsonSerializerOptions.Web));
            await WholeFile.WriteAsync(Path.Combine(folder.Path, FileName), text, stop);

            // What could not be kept takes no effect either.
            shop.Become(next);
            health.Mended(FileName);
            return Now();
        }
        finally
        {
            writing.Release();
        }
    }

    private static void Check(ShopDto told)
    {
        Short(told.Name, "name", 0, LongestName);
        Short(told.Currency, "currency", 1, LongestCurrency);
        Short(told.Letterhead, "letterhead", 0, LongestLetterhead);
        if (told.Zone?.Trim() is { } zone && !ShopDay.Knows(zone))
            throw new ImpossibleInputException(
                "zone", $"“{(zone.Length > 40 ? zone[..40] : zone)}”",
                "a zone by its name, like Europe/Berlin; empty for that of the machine");
        CheckAddress(told.Address);
        Within(told.WorkPerHour, "workPerHour", 1e6);
        Within(told.EnergyPerKwh, "energyPerKwh", 1e6);
        Within(told.WaterPerM3, "waterPerM3", 1e6);
        Within(told.ReplaceAbove, "replaceAbove", 10);
    }

    // What is left out stays.
    private ShopTerms With(ShopDto told)
    {
        var now = shop.Terms;
        return new ShopTerms
        {
            Name = told.Name?.Trim() ?? now.Name,
            Currency = told.Currency?.Trim() ?? now.Currency,
            WorkPerHour = told.WorkPerHour ?? now.WorkPerHour,
            EnergyPerKwh = told.EnergyPerKwh ?? now.EnergyPerKwh,
            WaterPerM3 = told.WaterPerM3 ?? now.WaterPerM3,
            ReplaceAbove = told.ReplaceAbove ?? now.ReplaceAbove,
            Address = told.Address?.Trim().TrimEnd('/') ?? now.Address,
            Letterhead = told.Letterhead?.Trim() ?? now.Letterhead,
            Zone = told.Zone?.Trim() ?? now.Zone,
        };
    }

    private static void CheckAddress(string? address)
    {
        if (address?.Trim() is { Length: > 0 } told
            && !(told.Length <= LongestAddress && Uri.TryCreate(told, UriKind.Absolute, out var uri)
                && uri.Scheme is "http" or "https"))
            throw new ImpossibleInputException(
                "address", $"“{(told.Length > 40 ? told[..40] : told)}”",
                "an address like http://workshop:5080; empty where there is none");
    }

    private static void Short(string? text, string field, int least, int most)
    {
        if (text is not null && (text.Trim().Length < least || text.Trim().Length > most))
            throw new ImpossibleInputException(field, $"{text.Trim().Length} characters", $"{least} to {most} characters");
    }

    private static void Within(double? value, string field, double most)
    {
        if (value is { } number && !(number >= 0 && number <= most))
            throw new ImpossibleInputException(field, Quantity.Digits(number), $"0 to {Quantity.Digits(most, 7)}");
    }
}
