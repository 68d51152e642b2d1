using System.Collections.Concurrent;

namespace MildHunch.Core;

/// <summary>
/// Results of pure functions, kept up to so many bytes: what was asked for longest ago goes first. It changes the time and
/// never the answer. Safe for several threads.
/// </summary>
/// <param name="mostBytes">About as much as it may hold; one entry is always kept.</param>
/// <param name="bytesOf">About as much as one result holds, asked again each time something is added.</param>
internal sealed class BoundedMemory<TKey, TValue>(long mostBytes, Func<TValue, long> bytesOf)
    where TKey : notnull
{
    private readonly ConcurrentDictionary<TKey, Entry> entries = new();
    private long clock;

    /// <summary>Results held now.</summary>
    public int Count => entries.Count;

    /// <summary>About as many bytes as they hold.</summary>
    public long Bytes => entries.Values.Where(e => e.Made.IsValueCreated).Sum(e => bytesOf(e.Made.Value));

    /// <summary>The result for a key, made once however many ask at the same time.</summary>
    public TValue Get(TKey key, Func<TKey, TValue> make)
    {
        var entry = entries.GetOrAdd(key, k => new Entry(new Lazy<TValue>(() => make(k))));
        var fresh = entry.Used == 0;
        entry.Used = Interlocked.Increment(ref clock);
        try
        {
            var value = entry.Made.Value;
            if (fresh)
                Shrink();
            return value;
        }
        catch
        {
            // What could not be made is not remembered.
            entries.TryRemove(key, out _);
            throw;
        }
    }

    private void Shrink()
    {
        var held = Bytes;
        if (held <= mostBytes)
            return;

        // Its own copy is taken at one moment; what sorts the live one would find holes where others remove meanwhile.
        foreach (var (key, entry) in entries.ToArray().OrderBy(e => e.Value.Used))
        {
            if (held <= mostBytes || entries.Count <= 1)
                return;
            if (!entry.Made.IsValueCreated || !entries.TryRemove(key, out _))
                continue;
            held -= bytesOf(entry.Made.Value);
        }
    }

    private sealed class Entry(Lazy<TValue> made)
    {
        public Lazy<TValue> Made { get; } = made;

        public long Used { get; set; }
    }
}
