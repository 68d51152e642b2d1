using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Store;
using MildHunch.Web.Service;
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
        return new(p.Id, p.Tag, p.Name, p.Duty, pump, setup, p.Version, [.. Fitted(pump, setup)],
            p.SheetJson is null ? new PumpSheetDto() : Stored.Read<PumpSheetDto>(p.SheetJson));
    }

    // A pump that no longer passes as one is shown all the same, so that somebody can correct it.
    private static IReadOnlyList<string> Fitted(PumpDto pump, SetupDto setup)
    {
        try
        {
            return Fittings.NamesOf(Fittings.Of(pump.ToCore(), setup.ToCore()));
        }
        catch (ImpossibleInputException)
        {
            return [];
        }
    }

    /// <summary>
    /// Checks everything and says everything that is wrong; what the plate leaves open is assumed and noted as such. Nothing is stored.
    /// </summary>
    public static PumpEntity Checked(PumpRequest request, DateTime at) => Objections.Gather(objections =>
    {
        var tag = objections.Take(() => Text(request.Tag, "tag", 40, "a tag of 1 to 40 characters, such as FOG-2"));
        var name = objections.Take(() => Short(request.Name, "name"));
        var duty = objections.Take(() => Short(request.Duty, "duty"));
        var pump = objections.Take(request.Pump.ToCore);
        var setup = pump is null ? null : objections.Take(() => SetupAssumptions.Complete(request.Pump, request.Setup).Setup);
        // What would be assumed of the pump is not missed where that cannot be.
        if (pump is null)
            request.Setup?.Judge(objections);
        else if (setup is not null)
            objections.Take(setup.ToCore);
        objections.ThrowIfAny();
        PumpDoubts.AskBack(request with { Setup = setup }, pump!);
        return new PumpEntity
        {
            Id = Ids.New(),
            Tag = tag!,
            Name = name!,
            Duty = duty!,
            Type = TypeOf(request.Pump!),
            PumpJson = Stored.Write(request.Pump),
            SetupJson = Stored.Write(setup),
            CreatedAt = at,
        };
    });

    private static string Text(string? text, string field, int most, string accepted)
    {
        var trimmed = text?.Trim() ?? "";
        if (trimmed.Any(char.IsControl))
            throw new ImpossibleInputException(field, "a line break or another sign that is not seen", accepted);
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
