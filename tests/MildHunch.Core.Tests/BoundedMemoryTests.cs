using CsCheck;

namespace MildHunch.Core.Tests;

/// <summary>What is remembered stays within its bytes, forgets what was asked for longest ago, and never changes an answer.</summary>
public class BoundedMemoryTests
{
    [Fact]
    public void It_holds_no_more_than_it_may_and_answers_as_if_it_held_nothing() =>
        Gen.Select(Gen.Int[1, 500], Gen.Int[0, 60].Array[1, 300]).Sample((most, keys) =>
        {
            var memory = new BoundedMemory<int, byte[]>(most, b => b.Length);
            foreach (var key in keys)
            {
                memory.Get(key, k => new byte[k]).Length.ShouldBe(key);
                (memory.Bytes <= most || memory.Count == 1).ShouldBeTrue();
            }
        });

    [Fact]
    public void What_was_asked_for_longest_ago_goes_first()
    {
        var memory = new BoundedMemory<int, byte[]>(30, b => b.Length);
        var made = new List<int>();
        byte[] Make(int key)
        {
            made.Add(key);
            return new byte[10];
        }

        foreach (var key in new[] { 1, 2, 3, 1, 4, 1, 2 })
            memory.Get(key, Make);
        made.ShouldBe([1, 2, 3, 4, 2]);
    }

    [Fact]
    public void What_could_not_be_made_is_tried_again()
    {
        var memory = new BoundedMemory<int, byte[]>(30, b => b.Length);
        Should.Throw<InvalidOperationException>(() => memory.Get(1, _ => throw new InvalidOperationException()));
        memory.Get(1, _ => new byte[3]).Length.ShouldBe(3);
    }

    [Fact]
    public void Many_ask_at_once_and_it_is_made_once()
    {
        var memory = new BoundedMemory<int, byte[]>(1000, b => b.Length);
        var made = 0;
        Parallel.For(0, 64, _ => memory.Get(7, _ =>
        {
            Interlocked.Increment(ref made);
            return new byte[5];
        }));
        made.ShouldBe(1);
    }

    /// <summary>Several that make room at once do not stumble over each other.</summary>
    [Fact]
    public void Many_ask_for_different_things_at_once()
    {
        var memory = new BoundedMemory<int, byte[]>(200, b => b.Length);
        Parallel.For(
            0, 20_000, new ParallelOptions { MaxDegreeOfParallelism = 8 },
            i => memory.Get(i % 97, k => new byte[k]).Length.ShouldBe(i % 97));
        memory.Bytes.ShouldBeLessThanOrEqualTo(200 + 97);
    }
}
