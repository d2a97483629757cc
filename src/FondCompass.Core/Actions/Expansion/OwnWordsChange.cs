using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Steps;
using FondCompass.Core.Text;

namespace FondCompass.Core.Actions.Expansion;

/// <summary>
/// Which names mean something else after a change of an instructor's own words. A dance in whose text none of them stands is danced as
/// before, so that only
/// the others need be looked at.
/// </summary>
public static class OwnWordsChange
{
    /// <summary>Words that a text may write as a sign ("&amp;", "+", "w/"), so that their letters need not stand in it.</summary>
    private static readonly string[] Signs = ["and", "plus", "with"];

    /// <summary>One row: what it defines, and what that is made of.</summary>
    private sealed record Row(string Kind, string Name, string Meaning);

    /// <summary>
    /// Each changed name as the words it is made of, lower case: a text that uses the name holds the letters of all of them.
    /// </summary>
    public static IReadOnlyList<IReadOnlyList<string>> Between(StepLexicon shipped, string before, string after)
    {
        var (old, now) = (Rows(before), Rows(after));
        var changed = old.Concat(now)
            .Select(r => r.Name)
            .Distinct()
            .Where(name => !old.Where(r => r.Name == name).SequenceEqual(now.Where(r => r.Name == name)))
            .Select(Words)
            .ToList();
        // What is made of a changed name has changed with it, and what is made of that.
        var open = new Queue<IReadOnlyList<string>>(changed);
        var rest = old.Concat(now).Distinct().Where(r => !changed.Exists(c => c.SequenceEqual(Words(r.Name)))).ToList();
        while (open.TryDequeue(out var name))
        {
            foreach (var row in rest.Where(r => Holds(Words(r.Meaning), name)).ToList())
            {
                rest.Remove(row);
                changed.Add(Words(row.Name));
                open.Enqueue(changed[^1]);
            }
        }

        // A step that is shown by another name is so wherever it is danced, under whichever of its names; so is a name that stands for a
        // changed step.
        var shown = old.Concat(now)
            .Distinct()
            .Where(r => r.Kind == "rename" && changed.Exists(c => c.SequenceEqual(Words(r.Name))))
            .Select(r => shipped.Find(r.Name))
            .OfType<NamedStep>();
        changed.AddRange(shown.SelectMany(s => s.Aliases.Prepend(s.Name)
            .Concat(s.LocalNames.Values.SelectMany(n => n))
            .Concat(s.Languages.Values.SelectMany(n => n)))
            .Select(Words));
        changed.AddRange(old.Concat(now)
            .Where(r => r.Kind == "rename" && changed.Exists(c => c.SequenceEqual(Words(r.Name))))
            .Select(r => Words(r.Meaning))
            .ToList());
        return [.. changed.DistinctBy(c => string.Join(' ', c))];
    }

    private static List<Row> Rows(string text)
    {
        var rows = new List<Row>();
        foreach (var written in RowText.SplitRows(text).Rows.Take(OwnLexicon.MostRows))
        {
            var (kind, rest) = RowText.FirstWord(RowText.WithoutComment(written));
            var equals = rest.IndexOf('=');
            if (equals > 0)
            {
                rows.Add(new Row(kind, rest[..equals].Trim().ToLowerInvariant(), rest[(equals + 1)..].Trim().ToLowerInvariant()));
            }
        }

        return rows;
    }

    private static List<string> Words(string text) =>
        [.. Lexer.Read(text)
            .Where(t => t.Kind is TokenKind.Word or TokenKind.Number or TokenKind.Other)
            .Select(t => t.Text.ToLowerInvariant())
            .Where(w => !Signs.Contains(w))];

    /// <summary>Every word of the name, also in the plural, stands in the meaning.</summary>
    private static bool Holds(List<string> meaning, IReadOnlyList<string> name) =>
        name.Count == 0 || name.All(n => meaning.Exists(m => m.Contains(n, StringComparison.Ordinal)));
}
