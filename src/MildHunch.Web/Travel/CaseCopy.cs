using MildHunch.Store;
using MildHunch.Web.Cases;

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

    /// <summary>
    /// Opens a copy that came closed: what was done once would count twice on the record. Whoever decides that this one holds closes it
    /// again, or takes the opening back.
    /// </summary>
    public static void Open(CaseEntity copy, DateTime at)
    {
        if (copy.Fact(CaseFacts.Closed) is null)
            return;
        var change = copy.Begin("opened again beside the case that was here", at);
        copy.Tell(change, CaseFacts.Closed, "");
        copy.Tell(change, CaseFacts.Reopened, "came from elsewhere and stands beside the case that was here");
    }
}
