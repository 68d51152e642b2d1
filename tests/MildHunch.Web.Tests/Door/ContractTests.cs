using System.Collections;
using System.Net;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Options;
using MildHunch.Web.Shared;
using MildHunch.Web.Shared.Door;

namespace MildHunch.Web.Tests.Door;

/// <summary>Every contract that is read from outside, by reflection: nothing passes that nothing behind the door can bear.</summary>
public sealed class ContractTests(Product product) : IClassFixture<Product>
{
    /// <summary>One property of one contract, and what may not stand there.</summary>
    private sealed record Row(Type Contract, string Property, string Json);

    [Fact]
    public void Null_among_values_infinite_numbers_and_days_off_the_calendar_are_refused_everywhere()
    {
        var options = product.Services.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
        var contracts = Contracts();
        contracts.Count.ShouldBeGreaterThan(30);
        Row[] rows = [.. contracts.SelectMany(c => Rows(c, options))];
        rows.Length.ShouldBeGreaterThan(150);
        rows.Where(r => !Refused(r, options)).Select(r => $"{r.Contract.Name}: {r.Json}").ShouldBeEmpty();
    }

    /// <summary>A value of the wrong kind is refused by saying the right one, at every value of every contract.</summary>
    [Fact]
    public void What_is_wanted_is_known_at_every_value()
    {
        var options = product.Services.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
        foreach (var contract in Contracts())
            foreach (var property in contract.GetProperties().Where(p => p.GetIndexParameters().Length == 0 && Sent(contract, p)))
            {
                var type = Nullable.GetUnderlyingType(property.PropertyType) ?? property.PropertyType;
                var wanted = Wanted.At(contract, $"$.{options.PropertyNamingPolicy!.ConvertName(property.Name)}", options);
                if (type.IsPrimitive || type.Namespace == "System" || type == typeof(QuantityDto))
                    wanted.ShouldNotContain("openapi", Case.Insensitive, $"{contract.Name}.{property.Name}");
            }
    }

    [Theory]
    [InlineData("pump.cylinders", "\"three\"", "a whole number")]
    [InlineData("pump.ratedPressure", "\"70 bar\"", "a quantity")]
    [InlineData("pump.ratedPressure.value", "\"70\"", "a number")]
    [InlineData("pump.firingOrder", "\"1-3-2\"", "a list")]
    [InlineData("pump.control", "7", "a text")]
    [InlineData("readings[0].value.value", "[]", "a number")]
    public async Task A_value_of_the_wrong_kind_is_told_the_right_one(string field, string wrong, string wanted)
    {
        var question = Product.Fog2();
        question["pump"]!["firingOrder"] = new JsonArray(1, 2, 3);
        var path = field.Replace("[0]", ".0", StringComparison.Ordinal).Split('.');
        var at = path[..^1].Aggregate((JsonNode)question, (node, part) => part == "0" ? node[0]! : node[part]!);
        at[path[^1]] = JsonNode.Parse(wrong);
        var (response, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", question);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        var error = body!["errors"]!.AsObject().Single();
        error.Key.ShouldBe(field);
        error.Value![0]!.GetValue<string>().ShouldContain($"Accepted: {wanted}");
    }

    private static bool Refused(Row row, JsonSerializerOptions options)
    {
        try
        {
            JsonSerializer.Deserialize(row.Json, row.Contract, options);
            return false;
        }
        catch (JsonException)
        {
            return true;
        }
    }

    private static IEnumerable<Row> Rows(Type contract, JsonSerializerOptions options)
    {
        var nullability = new NullabilityInfoContext();
        foreach (var property in contract.GetProperties().Where(p => p.GetIndexParameters().Length == 0 && Sent(contract, p)))
        {
            var name = options.PropertyNamingPolicy!.ConvertName(property.Name);
            var told = nullability.Create(property);
            if (!property.PropertyType.IsValueType && told.ReadState == NullabilityState.NotNull)
                yield return new Row(contract, name, $$"""{"{{name}}":null}""");
            foreach (var wrong in Wrong(told))
                yield return new Row(contract, name, $$"""{"{{name}}":{{wrong}}}""");
        }
    }

    // Positional records: what is computed is not sent.
    private static bool Sent(Type contract, PropertyInfo property) =>
        contract.GetConstructors().SelectMany(c => c.GetParameters()).Any(p => p.Name == property.Name);

    private static IEnumerable<string> Wrong(NullabilityInfo told)
    {
        var type = Nullable.GetUnderlyingType(told.Type) ?? told.Type;
        if (type == typeof(double))
            return ["1e999", "-1e999"];
        if (type == typeof(DateOnly))
            return ["\"0001-01-15\"", "\"9999-12-31\"", "\"soon\""];
        if (type == typeof(DateTime))
            return ["\"9999-12-31T00:00:00Z\""];
        if (type == typeof(string) || !typeof(IEnumerable).IsAssignableFrom(type) || told.GenericTypeArguments is not { Length: > 0 } held)
            return [];
        IEnumerable<string> inside =
            held[^1] is { Type.IsValueType: false, ReadState: NullabilityState.NotNull } ? ["null", .. Wrong(held[^1])] : Wrong(held[^1]);
        return held.Length == 2 ? inside.Select(w => $$"""{"k":{{w}}}""") : inside.Select(w => $"[{w}]");
    }

    private HashSet<Type> Contracts()
    {
        var found = new HashSet<Type>();
        var open = new Queue<Type>(product.Services.GetRequiredService<EndpointDataSource>().Endpoints
            .Select(e => e.Metadata.GetMetadata<IAcceptsMetadata>()).Where(a => a?.ContentTypes.Contains("application/json") == true)
            .Select(a => a!.RequestType).OfType<Type>());
        while (open.TryDequeue(out var type))
        {
            type = Nullable.GetUnderlyingType(type) ?? type;
            if (type.IsGenericType)
                foreach (var held in type.GetGenericArguments())
                    open.Enqueue(held);
            else if (type.Namespace?.StartsWith("MildHunch.Web", StringComparison.Ordinal) == true && !type.IsEnum && found.Add(type))
                foreach (var property in type.GetProperties().Where(p => Sent(type, p)))
                    open.Enqueue(property.PropertyType);
        }

        return found;
    }
}
