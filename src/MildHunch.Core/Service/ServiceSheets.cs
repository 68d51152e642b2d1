using System.Collections.Concurrent;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>All sheets, loaded from data and validated once at start.</summary>
public sealed class ServiceSheets
{
    private const string Folder = "sheets/";
    private const string CommonFile = "common.json";
    private readonly ConcurrentDictionary<Build, ServiceSheet> built = [];

    private ServiceSheets(CommonActs common, IReadOnlyList<ServiceSheet> sheets, Catalogue catalogue)
    {
        Common = common;
        var validation = new SheetValidation(common, catalogue);
        foreach (var sheet in sheets)
            validation.Check(sheet);
        All = [.. sheets.Select(s => s with { Parts = [.. s.Parts.Select(Spelt)] })];
    }

    /// <summary>Acts that are the same on every sheet.</summary>
    public CommonActs Common { get; }

    /// <summary>Every sheet.</summary>
    public IReadOnlyList<ServiceSheet> All { get; }

    /// <summary>The sheets that ship with the product.</summary>
    /// <exception cref="CatalogueException">A file cannot be used; it names the entry.</exception>
    public static ServiceSheets BuiltIn(Catalogue catalogue) => Read(Shipped(), catalogue);

    /// <summary>
    /// These sheets with a shop's own laid over them: one of the same id comes in place of the one that ships, others are added and
    /// come first. What a sheet takes from another may be one that ships.
    /// </summary>
    /// <exception cref="CatalogueException">The file cannot be used; it names the entry.</exception>
    public static ServiceSheets With(string text, string file, Catalogue catalogue)
    {
        var shipped = LikeParts.WrittenOut(Shipped());
        var own = LikeParts.WrittenOut(LikeParts.SheetsOf(file, text).ToDictionary(s => $"{s.Id}.json", s => s.Text), shipped);
        return Read(own.Concat(shipped.Where(f => !own.ContainsKey(f.Key))).ToDictionary(), catalogue);
    }

    /// <summary>A sheet as a text that may be read again.</summary>
    public static string Text(ServiceSheet sheet) => KnowledgeFile.Write(sheet);

    /// <summary>What a sheet may say, as a JSON schema.</summary>
    public static string Schema() => KnowledgeFile.Schema<ServiceSheet>();

    /// <summary>Reads the acts of all and the sheets from texts by file name.</summary>
    /// <exception cref="CatalogueException">A file cannot be used; it names the entry.</exception>
    public static ServiceSheets Read(IReadOnlyDictionary<string, string> files, Catalogue catalogue) => new(
        KnowledgeFile.Read<CommonActs>(CommonFile, files[CommonFile]),
        [.. LikeParts.WrittenOut(files).Where(f => f.Key != CommonFile).Select(f => KnowledgeFile.Read<ServiceSheet>(f.Key, f.Value))],
        catalogue);

    /// <summary>Sheets of the pump itself: one, or where the maker has two ways the pump says which.</summary>
    public IReadOnlyList<ServiceSheet> For(ReciprocatingPump pump, Fitting fittings) =>
        [.. All.Where(s => !s.Fits.Beside && s.IsFor(pump, fittings))];

    /// <summary>One of these sheets as it is on a pump of these choices; worked out once for each way of building it.</summary>
    /// <param name="sheet">One of <see cref="All"/>.</param>
    /// <param name="chosen">Ids of the choices made on the pump; the first of each version where none is.</param>
    public ServiceSheet As(ServiceSheet sheet, IReadOnlyCollection<string> chosen) =>
        built.GetOrAdd(new Build(sheet.Id, string.Join(' ', sheet.BuildOf(chosen))), _ => sheet.On(chosen));

    /// <summary>Sheets of what stands beside it: control, injector, start valve.</summary>
    public IReadOnlyList<ServiceSheet> Beside(ReciprocatingPump pump, Fitting fittings) =>
        [.. All.Where(s => s.Fits.Beside && s.IsFor(pump, fittings))];

    private static Dictionary<string, string> Shipped() =>
        KnowledgeFile.In(Folder).ToDictionary(n => n, n => KnowledgeFile.Shipped(Folder + n));

    private readonly record struct Build(string Sheet, string Choices);

    // Shared acts are written out where they stand.
    private SheetPart Spelt(SheetPart part) => part with { Off = Spelt(part.Off), On = Spelt(part.On) };

    private IReadOnlyList<Act> Spelt(IReadOnlyList<Act> acts) =>
        [.. acts.SelectMany(a => a.Use is null ? [a] : Common.Named(a.Use)!.Select(shared => shared with { Bolts = a.Bolts }))];
}
