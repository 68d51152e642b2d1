using MildHunch.Core;
using MildHunch.Core.Quantities;

namespace MildHunch.Web.Shared;

/// <summary>Answers in the units the caller asks for: the header X-Units says si or us; without it, SI.</summary>
public static class ReaderUnits
{
    public const string Header = "X-Units";

    public static Task Choose(HttpContext context, RequestDelegate next)
    {
        UnitChoice.Current = context.Request.Headers[Header].ToString().ToLowerInvariant() switch
        {
            "" or "si" => UnitSystem.Si,
            "us" => UnitSystem.UsTrade,
            var other => throw new ImpossibleInputException(Header, $"“{other}”", "si, us"),
        };
        return next(context);
    }
}
