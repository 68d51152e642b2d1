namespace MildHunch.Core;

/// <summary>
/// Everything that is wrong with one thing, gathered so that all of it is told at once. Of several objections at one field the first
/// counts, and what hangs on a field that was objected to is not judged.
/// </summary>
public sealed class Objections
{
    // Nobody mends more than these before looking again.
    private const int Most = 50;

    private readonly List<ImpossibleInputException> all = [];

    /// <summary>Makes something of parts; all that is objected to meanwhile is thrown together at the end.</summary>
    /// <exception cref="ImpossibleInputException">Something was objected to.</exception>
    public static T Gather<T>(Func<Objections, T> make)
    {
        var objections = new Objections();
        var made = objections.Take(() => make(objections));
        objections.ThrowIfAny();
        return made!;
    }

    /// <summary>The part, or nothing where it was refused; the refusal is kept.</summary>
    public T? Take<T>(Func<T> part)
    {
        try
        {
            return part();
        }
        catch (ImpossibleInputException e)
        {
            foreach (var one in e.All)
                Keep(one);
            return default;
        }
    }

    /// <summary>The same for a part with fields of its own, whose refusals get the parent's name before theirs.</summary>
    public T? Take<T>(string parent, Func<T> part) => Take(() => ImpossibleInputException.Under(parent, part));

    /// <summary>Objects to a value outside its range, as <paramref name="shown"/> to the reader.</summary>
    public void Within(string field, double value, double least, double most, string shown, string accepted)
    {
        if (!(value >= least && value <= most))
            Add(field, shown, accepted);
    }

    /// <summary>Objects to a field.</summary>
    public void Add(string field, string shown, string accepted) =>
        Keep(new ImpossibleInputException(field, shown, accepted));

    /// <summary>Whether nothing was objected to at this field.</summary>
    public bool Stands(string field) => all.TrueForAll(one => one.Field != field);

    /// <exception cref="ImpossibleInputException">Something was objected to; it carries all of it.</exception>
    public void ThrowIfAny()
    {
        if (all.Count > 0)
            throw ImpossibleInputException.Of(all);
    }

    private void Keep(ImpossibleInputException one)
    {
        if (all.Count < Most && Stands(one.Field))
            all.Add(one);
    }
}
