using MildHunch.Store;

namespace MildHunch.Web.Travel;

/// <summary>A case as a second one beside that of which it is a copy: other ids, all else the same.</summary>
internal static class CaseCopy
{
    public static CaseFile Of(CaseFile file)
    {
        var told = file.Case;
        var id = Ids.New();
        return file with
        {
            Case = told with
            {
                Id = id,
                Readings = [.. told.Readings.Select(r => r with { Id = Ids.New() })],
                Cues = [.. told.Cues.Select(c => c with { Id = Ids.New() })],
                Facts = [.. told.Facts.Select(f => f with { Id = Ids.New() })],
                Verdicts = [.. told.Verdicts.Select(v => v with { Id = Ids.New() })],
                Moves = [.. told.Moves.Select(m => m with { Key = Ids.New() })],
            },
        };
    }
}
