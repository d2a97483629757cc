namespace FondCompass.Mutants;

/// <summary>Changes that nobody could notice, each with the reason: a line <c>file | was | becomes | why</c>.</summary>
internal sealed class Equivalents(HashSet<(string File, string Was, string Becomes)> known)
{
    public static Equivalents None { get; } = new([]);

    public int Count => known.Count;

    public bool Knows(Mutation m) => known.Contains((m.File, m.Was, m.Becomes));

    /// <exception cref="FormatException">A line has not four fields.</exception>
    public static Equivalents Read(string path) => new([.. File.ReadAllLines(path)
        .Select((text, i) => (text, i))
        .Where(l => l.text.Length > 0 && l.text[0] != '#')
        .Select(l => l.text.Split(" | ", StringSplitOptions.TrimEntries) is [var file, var was, var becomes, _]
            ? (file, was, becomes)
            : throw new FormatException($"{path}:{l.i + 1}: a line is: file | was | becomes | why"))]);
}
