namespace MildHunch.Web.Cases;

/// <summary>One change of a case at a time: of two that do not contradict one another neither is told that the other was faster.</summary>
public sealed class CaseTurns
{
    private const int Lanes = 64;
    private readonly SemaphoreSlim[] lanes = [.. Enumerable.Range(0, Lanes).Select(_ => new SemaphoreSlim(1))];

    /// <summary>Waits for the turn of a case; it ends when what comes back is disposed of.</summary>
    public async Task<IDisposable> Of(string id, CancellationToken stop)
    {
        var lane = lanes[(uint)string.GetHashCode(id, StringComparison.Ordinal) % Lanes];
        await lane.WaitAsync(stop);
        return new Turn(lane);
    }

    private sealed class Turn(SemaphoreSlim lane) : IDisposable
    {
        public void Dispose() => lane.Release();
    }
}
