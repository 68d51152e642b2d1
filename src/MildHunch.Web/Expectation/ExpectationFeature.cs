namespace MildHunch.Web.Expectation;

/// <summary>What a pump should do.</summary>
public static class ExpectationFeature
{
    public static void MapExpectation(this IEndpointRouteBuilder routes)
    {
        ExpectationEndpoint.Map(routes);
        CurvesEndpoint.Map(routes);
    }
}
