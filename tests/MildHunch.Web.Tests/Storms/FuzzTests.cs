using System.Collections.Concurrent;
using System.Diagnostics;

namespace MildHunch.Web.Tests.Storms;

/// <summary>
/// Whatever is sent, the product answers: no failure of its own, and where it is too busy it says when to try again. Ten seconds of it
/// here; FUZZ_REQUESTS sends as many as asked for and looks at time and memory too.
/// </summary>
public sealed class FuzzTests : IDisposable
{
    private const int Hands = 4;
    private const int Settled = 3;
    private static readonly TimeSpan Slice = TimeSpan.FromSeconds(10);
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(2);

    // They have limits of their own.
    private static readonly string[] Slow = ["/api/import", "/api/backup", "report.pdf", "/api/simulation"];
    private static readonly int Asked = int.TryParse(Environment.GetEnvironmentVariable("FUZZ_REQUESTS"), out var asked) ? asked : 0;
    private readonly Product product = new(true, readAhead: true);

    public void Dispose() => product.Dispose();

    [Fact]
    public async Task Nothing_that_is_sent_makes_it_fail()
    {
        var corpus = await Corpus.Of(product);
        if (!corpus.IsPart)
            corpus.Endpoints.ShouldBeGreaterThan(60);
        var stop = TestContext.Current.CancellationToken;
        var (next, failed, late) = (0, new ConcurrentQueue<string>(), new ConcurrentQueue<string>());
        var statuses = new ConcurrentDictionary<int, int>();
        List<long> memory = [];
        var watch = Stopwatch.StartNew();
        for (var part = 0; part < Settled; part++)
        {
            var until = Asked * (part + 1) / Settled;
            await Task.WhenAll(Enumerable.Range(0, Hands).Select(_ => Task.Run(async () =>
            {
                while (failed.Count < 20 && (Asked > 0 ? next < until : watch.Elapsed < Slice * (part + 1) / Settled))
                {
                    var seed = Interlocked.Increment(ref next);
                    var request = corpus.Draw(seed);
                    var answer = await corpus.Send(request, stop);
                    statuses.AddOrUpdate(answer.Status, 1, (_, n) => n + 1);
                    if (answer.Status >= 500 && !(answer.Status == 503 && answer.SaysWhenToTry))
                        failed.Enqueue($"#{seed} {answer.Status} {request}\n{answer.Says}");
                    if (answer.Took > Longest && !Slow.Any(s => request.Path.Contains(s, StringComparison.Ordinal)))
                        late.Enqueue($"#{seed} {answer.Took.TotalSeconds:0.0} s {request}");
                }
            }, stop)));
            memory.Add(GC.GetTotalMemory(forceFullCollection: true) / (1024 * 1024));
        }

        TestContext.Current.SendDiagnosticMessage(Told(next, watch.Elapsed, statuses, memory, late));
        failed.ShouldBeEmpty();
        if (Asked == 0)
            return;
        Console.WriteLine(Told(next, watch.Elapsed, statuses, memory, late));
        late.ShouldBeEmpty();
        memory[^1].ShouldBeLessThan(memory[0] + 150, "MB after a third and at the end");
    }

    private static string Told(
        int sent, TimeSpan took, ConcurrentDictionary<int, int> statuses, List<long> memory, ConcurrentQueue<string> late) =>
        $"{sent} requests in {took.TotalSeconds:0} s: "
        + string.Join(", ", statuses.OrderBy(s => s.Key).Select(s => $"{s.Value} x {s.Key}")) + "; "
        + $"memory {string.Join(", ", memory)} MB; {late.Count} over two seconds";
}
