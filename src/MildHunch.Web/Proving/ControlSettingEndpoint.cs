namespace MildHunch.Web.Proving;

/// <summary>An unloader or regulator set by arithmetic, one turn of its screw at a time.</summary>
public static class ControlSettingEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/control-setting", (ControlSettingRequest request) => ControlSetting.Solve(request).ToDto())
            .Produces<ControlSettingResponse>().WithTags("Computation")
            .WithSummary("The next move at the screw of an unloader or regulator: a quarter turn at most, with what the gauge should do.");
}
