using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>A pump between the database and what is sent, and what a pump to be stored must have.</summary>
public static class PumpRecord
{
    /// <summary>Pumps that wear alike: arrangement and number of cylinders.</summary>
    public static string TypeOf(PumpDto pump) => $"{pump.Arrangement ?? "crank-plunger"}-{pump.Cylinders}";

    public static PumpResource ToResource(this PumpEntity p)
    {
        var (pump, setup) = (Stored.Read<PumpDto>(p.PumpJson), Stored.Read<SetupDto>(p.SetupJson));
        return new(p.Id, p.Tag, p.Name, p.Duty, pump, setup, p.Version, Fittings.NamesOf(Fittings.Of(pump.ToCore(), setup.ToCore())));
    }

    /// <summary>Checks everything; throws before anything is stored.</summary>
    public static PumpEntity Checked(PumpRequest request, DateTime at)
    {
        var tag = Text(request.Tag, "tag", 40, "a tag of 1 to 40 characters, such as FOG-2");
        var pump = request.Pump.ToCore();
        request.Setup.ToCore();
        if (request.Setup!.ControlSetting is null && pump.Control is ControlKind.Unloader or ControlKind.Regulator)
            throw new ImpossibleInputException(
                "setup.controlSetting", "nothing", $"the pressure at which the {pump.Control.Kebab()} opens");
        return new PumpEntity
        {
            Id = Ids.New(),
            Tag = tag,
            Name = Short(request.Name, "name"),
            Duty = Short(request.Duty, "duty"),
            Type = TypeOf(request.Pump!),
            PumpJson = Stored.Write(request.Pump),
            SetupJson = Stored.Write(request.Setup),
            CreatedAt = at,
        };
    }

    private static string Text(string? text, string field, int most, string accepted)
    {
        var trimmed = text?.Trim() ?? "";
        return trimmed.Length is > 0 && trimmed.Length <= most
            ? trimmed
            : throw new ImpossibleInputException(field, trimmed.Length == 0 ? "nothing" : $"{trimmed.Length} characters", accepted);
    }

    private static string Short(string? text, string field)
    {
        var trimmed = text?.Trim() ?? "";
        return trimmed.Length <= 200
            ? trimmed
            : throw new ImpossibleInputException(field, $"{trimmed.Length} characters", "at most 200 characters");
    }
}
