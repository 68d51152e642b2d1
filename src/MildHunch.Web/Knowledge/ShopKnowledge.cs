using MildHunch.Core.Faults;

namespace MildHunch.Web.Knowledge;

/// <summary>
/// The catalogue that ships, with the shop's own file from the data folder laid over it. A file that is wrong is named on
/// screen and left out whole: half a catalogue would judge wrongly without saying so.
/// </summary>
public sealed class ShopKnowledge
{
    public const string FileName = "shop-knowledge.json";

    public ShopKnowledge(string folder)
    {
        var path = Path.Combine(folder, FileName);
        Catalogue = Catalogue.BuiltIn();
        if (!System.IO.File.Exists(path))
            return;
        try
        {
            Catalogue = Catalogue.With(System.IO.File.ReadAllText(path), FileName);
            InUse = true;
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            Trouble = e.Message;
        }
    }

    public Catalogue Catalogue { get; }

    /// <summary>True where the shop's file is in force.</summary>
    public bool InUse { get; }

    /// <summary>What is wrong with the shop's file; null where nothing is.</summary>
    public string? Trouble { get; }
}
