using System.ComponentModel;
using MildHunch.Web.Service;

namespace MildHunch.Web.Pumps;

public sealed record PumpRequest(
    string? Tag, string? Name, string? Duty, PumpDto? Pump, SetupDto? Setup,
    [property: Description("true where a value that was asked back is really so")] bool? Sure = null);

public sealed record PumpResource(
    string Id, string Tag, string Name, string Duty, PumpDto Pump, SetupDto Setup, int Version,
    [property: Description("what stands on and around it, as entries of the catalogue ask for it")] IReadOnlyList<string> Fittings,
    [property: Description("the maker's figures and the shop's own for its service")] PumpSheetDto Sheet);
