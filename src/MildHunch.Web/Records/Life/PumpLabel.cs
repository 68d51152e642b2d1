using System.Globalization;
using System.Net;
using System.Text;
using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Web.Shared;
using QRCoder;

namespace MildHunch.Web.Records.Life;

/// <summary>A label to stick on a pump: its tag, and a code that opens its page on a telephone in the shop’s network.</summary>
public static class PumpLabel
{
    // Millimetres: a label of 70 x 37, as sheets of them are cut.
    private const int Width = 70;
    private const int Height = 37;
    private const double Code = 31;
    private const double Margin = 3;

    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapGet("/api/pumps/{id}/label.svg", Draw).WithTags("Record").WithSummary("A label with a code that opens the pump’s page.")
            .Produces(StatusCodes.Status200OK, contentType: "image/svg+xml");

    private static async Task<IResult> Draw(
        string id, MildHunchDb db, ShopNow shop, HttpRequest request, CancellationToken stop)
    {
        var pump = await db.Pumps.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id, stop) ?? throw RefusalException.NotFound("pump", id);
        var address = string.IsNullOrEmpty(shop.Terms.Address) ? $"{request.Scheme}://{request.Host}" : shop.Terms.Address;
        using var code = QRCodeGenerator.GenerateQrCode($"{address}/pumps/{id}", QRCodeGenerator.ECCLevel.M);
        return TypedResults.Text(Svg(pump, code, address), "image/svg+xml");
    }

    private static string Svg(PumpEntity pump, QRCodeData code, string address) => string.Join('\n', (string[])
    [
        $"<svg xmlns='http://www.w3.org/2000/svg' width='{Width}mm' height='{Height}mm' viewBox='0 0 {Width} {Height}'",
        "font-family='sans-serif' fill='#000'>",
        $"<title>{WebUtility.HtmlEncode(pump.Tag)}</title><rect width='{Width}' height='{Height}' fill='#fff'/>",
        $"<path d='{Squares(code)}'/>",
        Line("11", "7", Short(pump.Tag, 9)),
        Line("18", "3", Short(pump.Duty, 22)),
        Line("23", "3", pump.Serial.Length > 0 ? $"No. {Short(pump.Serial, 18)}" : ""),
        Line("34", "2.2", Short(address, 30)),
        "</svg>",
    ]);

    private static string Squares(QRCodeData code)
    {
        var side = Code / code.ModuleMatrix.Count;
        string Number(double mm) => mm.ToString("0.###", CultureInfo.InvariantCulture);
        var dark = new StringBuilder();
        for (var y = 0; y < code.ModuleMatrix.Count; y++)
            for (var x = 0; x < code.ModuleMatrix.Count; x++)
                if (code.ModuleMatrix[y][x])
                    dark.Append($"M{Number(Margin + (x * side))} "
                        + $"{Number(Margin + (y * side))}h{Number(side)}v{Number(side)}h-{Number(side)}z");
        return dark.ToString();
    }

    private static string Line(string y, string size, string text) =>
        $"<text x='36' y='{y}' font-size='{size}'>{WebUtility.HtmlEncode(text)}</text>";

    private static string Short(string text, int most) => text.Length > most ? $"{text[..(most - 1)]}…" : text;
}
