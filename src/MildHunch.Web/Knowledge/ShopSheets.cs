using MildHunch.Core.Faults;
using MildHunch.Core.Service;

namespace MildHunch.Web.Knowledge;

/// <summary>
/// The sheets that ship, with the shop's own file from the data folder laid over them. A file that is wrong is named on screen and left
/// out whole.
/// </summary>
public sealed class ShopSheets
{
    public const string FileName = "shop-sheets.json";

    public ShopSheets(string folder, Catalogue catalogue)
    {
        var path = Path.Combine(folder, FileName);
        Sheets = ServiceSheets.BuiltIn(catalogue);
        if (!System.IO.File.Exists(path))
            return;
        try
        {
            Sheets = ServiceSheets.With(System.IO.File.ReadAllText(path), FileName, catalogue);
            File = new ShopFileDto(FileName, true, null);
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            File = new ShopFileDto(FileName, false, e.Message);
        }
    }

    /// <summary>The sheets in force.</summary>
    public ServiceSheets Sheets { get; }

    /// <summary>Whether the shop's file is in force, or what is wrong with it.</summary>
    public ShopFileDto File { get; } = new(FileName, false, null);
}
