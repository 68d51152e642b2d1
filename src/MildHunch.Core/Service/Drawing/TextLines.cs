namespace MildHunch.Core.Service.Drawing;

/// <summary>Breaks words into lines.</summary>
internal static class TextLines
{
    /// <summary>Lines of at most so many letters; a longer word has a line of its own.</summary>
    public static IEnumerable<string> Of(string text, int letters)
    {
        var line = "";
        foreach (var word in text.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            if (line.Length > 0 && line.Length + 1 + word.Length > letters)
            {
                yield return line;
                line = "";
            }

            line = line.Length > 0 ? $"{line} {word}" : word;
        }

        if (line.Length > 0)
            yield return line;
    }
}
