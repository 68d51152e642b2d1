using System.Collections;
using System.Globalization;
using System.Reflection;
using System.Text.Json.Serialization.Metadata;
using MildHunch.Core;

namespace MildHunch.Web.Shared.Door;

/// <summary>
/// Looks at every object that was read for what its contract does not say and nothing behind the door can bear: null in a list or map that
/// has none, infinite numbers (1e999 is read as one), days outside all records.
/// </summary>
public static class Guard
{
    /// <summary>Adds the look to a contract.</summary>
    public static void Stand(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object)
            return;
        var nullability = new NullabilityInfoContext();
        var looks = type.Properties.Select(p => new Seen(p, Of(p, nullability))).Where(s => s is { Property.Get: not null, Look: not null })
            .ToArray();
        if (looks.Length > 0)
            type.OnDeserialized += read =>
            {
                foreach (var (property, look) in looks)
                    look!.At(property.Get!(read), property.Name);
            };
    }

    private static Look? Of(JsonPropertyInfo property, NullabilityInfoContext nullability) =>
        property.AttributeProvider is PropertyInfo member ? Of(nullability.Create(member)) : null;

    private static Look? Of(NullabilityInfo told)
    {
        var type = Nullable.GetUnderlyingType(told.Type) ?? told.Type;
        if (type == typeof(double))
            return new Number();
        if (type == typeof(DateOnly) || type == typeof(DateTime))
            return new Day();
        if (type == typeof(string) || !typeof(IEnumerable).IsAssignableFrom(type))
            return null;

        // What a list holds, or a map under its keys, down to the innermost.
        var held = told.ElementType ?? (told.GenericTypeArguments is { Length: > 0 } all ? all[^1] : null);
        if (held is null)
            return null;
        var refused = !held.Type.IsValueType && held.ReadState == NullabilityState.NotNull;
        return Of(held) is var inner && (refused || inner is not null) ? new Collection(refused, inner) : null;
    }

    private sealed record Seen(JsonPropertyInfo Property, Look? Look);

    private abstract record Look
    {
        public abstract void At(object? value, string field);
    }

    private sealed record Number : Look
    {
        public override void At(object? value, string field)
        {
            if (value is double number && !double.IsFinite(number))
                throw new DoorException(field, "A number beyond all numbers", "a number, such as 12.5");
        }
    }

    private sealed record Day : Look
    {
        public override void At(object? value, string field)
        {
            var year = value switch { DateOnly day => day.Year, DateTime time => time.Year, _ => RecordYears.First };
            if (!RecordYears.Hold(year))
                throw new DoorException(field, string.Create(CultureInfo.InvariantCulture, $"{value:yyyy-MM-dd}"), RecordYears.Accepted);
        }
    }

    private sealed record Collection(bool Refused, Look? Inner) : Look
    {
        public override void At(object? value, string field)
        {
            if (value is IDictionary map)
                foreach (DictionaryEntry entry in map)
                    Into(entry.Value, $"{field}.{entry.Key}");
            else if (value is IEnumerable list)
                foreach (var (one, k) in list.Cast<object?>().Select((one, k) => (one, k)))
                    Into(one, string.Create(CultureInfo.InvariantCulture, $"{field}[{k}]"));
        }

        private void Into(object? value, string field)
        {
            if (value is null && Refused)
                throw new DoorException(field, ImpossibleInputException.Nothing, "a value, or the place left out");
            Inner?.At(value, field);
        }
    }
}
