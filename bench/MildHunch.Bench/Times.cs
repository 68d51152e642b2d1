namespace MildHunch.Bench;

/// <summary>How long one kind of request took, over many.</summary>
internal sealed class Times(string what)
{
    private readonly List<double> milliseconds = [];

    public void Took(TimeSpan time) => milliseconds.Add(time.TotalMilliseconds);

    public void Tell()
    {
        milliseconds.Sort();
        Console.WriteLine(
            $"{what,-50} median {milliseconds[milliseconds.Count / 2],8:0.00} ms   p95 "
                + $"{milliseconds[(int)(milliseconds.Count * 0.95)],8:0.00} ms   slowest {milliseconds[^1],8:0.00} ms");
    }
}
