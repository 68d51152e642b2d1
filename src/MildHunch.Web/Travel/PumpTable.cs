using System.Collections;
using System.Globalization;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Nodes;
using MildHunch.Core;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>
/// Pumps as rows of a table and back: one column for each thing that is known of any of them, such as "pump.plungerDiameter"; a quantity
/// with its unit in one cell.
/// </summary>
internal static class PumpTable
{
    private const char Between = ';';

    /// <summary>All that is known of a pump, by column.</summary>
    public static SortedDictionary<string, string> Row(PumpResource pump)
    {
        var cells = new SortedDictionary<string, string>(StringComparer.Ordinal);
        var request = new PumpRequest(pump.Tag, pump.Name, pump.Duty, pump.Pump, pump.Setup);
        Flatten(JsonNode.Parse(Stored.Write(request))!.AsObject(), "", cells);
        return cells;
    }

    /// <summary>A pump from its cells; empty ones are not told.</summary>
    /// <exception cref="ImpossibleInputException">A column nobody knows, or a cell that cannot be read; it names each.</exception>
    public static PumpRequest Read(IEnumerable<KeyValuePair<string, string>> cells)
    {
        var made = new JsonObject();
        var objections = new Objections();
        foreach (var (column, cell) in cells.Where(c => !string.IsNullOrWhiteSpace(c.Value)))
            objections.Take(() => Lay(made, column, cell.Trim()));
        objections.ThrowIfAny();
        return made.Deserialize<PumpRequest>(JsonSerializerOptions.Web)!;
    }

    private static JsonNode Lay(JsonObject made, string column, string cell)
    {
        var path = column.Split('.');
        var at = made;
        foreach (var part in path[..^1])
            at = (JsonObject)(at[part] ??= new JsonObject());
        return at[path[^1]] = Value(TypeOf(path, column), cell, column);
    }

    private static void Flatten(JsonObject from, string prefix, SortedDictionary<string, string> cells)
    {
        foreach (var (name, node) in from)
            switch (node)
            {
                case JsonObject quantity when quantity.Count == 2 && quantity.ContainsKey("value") && quantity.ContainsKey("unit"):
                    cells[prefix + name] = $"{Plain(quantity["value"]!)} {quantity["unit"]}";
                    break;
                case JsonObject inner:
                    Flatten(inner, $"{prefix}{name}.", cells);
                    break;
                case JsonArray list:
                    cells[prefix + name] = string.Join(Between, list.Select(i => i!.ToString()));
                    break;
                case not null:
                    cells[prefix + name] = Plain(node);
                    break;
            }
    }

    private static string Plain(JsonNode node) => node.GetValueKind() == JsonValueKind.Number
        ? node.GetValue<double>().ToString("R", CultureInfo.InvariantCulture)
        : node.ToString();

    // What a column holds, as the interface has it.
    private static Type TypeOf(string[] path, string column)
    {
        var type = typeof(PumpRequest);
        foreach (var part in path)
        {
            var property = type.GetProperties(BindingFlags.Public | BindingFlags.Instance)
                .FirstOrDefault(p => JsonNamingPolicy.CamelCase.ConvertName(p.Name) == part);
            type = property is null || property.PropertyType == typeof(QuantityDto) && part != path[^1]
                ? throw new ImpossibleInputException(column, "an unknown column", "columns as the list of pumps has them")
                : Nullable.GetUnderlyingType(property.PropertyType) ?? property.PropertyType;
        }

        return type;
    }

    private static JsonNode Value(Type type, string cell, string column)
    {
        if (type == typeof(string))
            return JsonValue.Create(cell);
        if (type == typeof(QuantityDto))
        {
            var space = cell.LastIndexOf(' ');
            return space > 0
                ? new JsonObject { ["value"] = Number(cell[..space], column), ["unit"] = cell[(space + 1)..] }
                : throw new ImpossibleInputException(column, $"“{cell}”", "a number, a space and a unit, such as 18 mm");
        }

        if (type == typeof(bool))
            return bool.TryParse(cell, out var yes)
                ? JsonValue.Create(yes)
                : throw new ImpossibleInputException(column, $"“{cell}”", "true or false");
        if (type == typeof(double))
            return JsonValue.Create(Number(cell, column));
        if (type == typeof(int))
            return JsonValue.Create(Whole(cell, column));
        if (typeof(IEnumerable).IsAssignableFrom(type))
            return new JsonArray([.. cell.Split(Between, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(part => type == typeof(IReadOnlyList<int>) ? (JsonNode)Whole(part, column) : part)]);
        throw new ImpossibleInputException(column, $"“{cell}”", "nothing: this column only groups others");
    }

    private static double Number(string text, string column) =>
        double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value)
            ? value
            : throw new ImpossibleInputException(column, $"“{text}”", "a number such as 18 or 0.2");

    private static int Whole(string text, string column) =>
        int.TryParse(text, NumberStyles.Integer, CultureInfo.InvariantCulture, out var value)
            ? value
            : throw new ImpossibleInputException(column, $"“{text}”", "a whole number");
}
