using System.Runtime.CompilerServices;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading;

/// <summary>A word that was read as another, one letter off.</summary>
/// <param name="Span">Columns of the wording it stands in.</param>
public readonly record struct Respelled(TextSpan Span, string Written, string Known);

/// <summary>
/// Words one letter off a known one: read as that one, and told, where the whole row then binds (reading, section 4). One letter is one too
/// many, one missing, one other, or two that changed places.
/// </summary>
internal static class Spelling
{
    /// <summary>Letters of the shortest word that may be a slip; shorter ones are too near to others.</summary>
    private const int Shortest = 5;

    /// <summary>Slips in one row, known words that each is tried as, and tokens of a row that is looked through.</summary>
    private const int MostSlips = 2, MostTried = 6, MostTokens = 60;

    /// <summary>Slips whose known words are kept for one set of names.</summary>
    private const int MostKept = 2_000;

    private static readonly ConditionalWeakTable<IStepNames, Known> KnownBy = [];

    /// <summary>The words of all names, those of own steps apart, and what was looked for among them.</summary>
    private sealed record Known(HashSet<string> Words, HashSet<string> Own, Dictionary<string, List<string>> Kept);

    /// <summary>
    /// The tokens with each unknown word put right, in every way that may be meant; nothing where there is none to put right.
    /// </summary>
    public static IEnumerable<(List<Token> Tokens, IReadOnlyList<Respelled> Changes)> PutRight(
        IStepNames names,
        List<Token> tokens,
        List<Lexeme> lexemes)
    {
        if (tokens.Count > MostTokens)
        {
            return [];
        }

        var unknown = lexemes.Where(l => l is { IsUnknown: true, Kind: TokenKind.Word }).ToList();
        if (unknown.Count is 0 or > MostSlips || unknown.Exists(l => l.Text.Length < Shortest || !l.Text.All(char.IsAsciiLetterLower)))
        {
            return [];
        }

        var choices = unknown.ConvertAll(l => Near(names, l.Text));
        return choices.Exists(c => c.Count == 0) ? [] : Ways(tokens, unknown, choices);
    }

    private static IEnumerable<(List<Token> Tokens, IReadOnlyList<Respelled> Changes)> Ways(List<Token> tokens, List<Lexeme> unknown,
        List<List<string>> choices)
    {
        for (var i = 0; i < choices.Aggregate(1, (all, c) => all * c.Count); i++)
        {
            var (left, changed) = (i, tokens.ToList());
            var changes = new List<Respelled>();
            for (var word = 0; word < unknown.Count; word++)
            {
                var known = choices[word][left % choices[word].Count];
                left /= choices[word].Count;
                var at = changed.FindIndex(t => t.Span.Start == unknown[word].Span.Start);
                changed[at] = changed[at] with { Text = known };
                if (known == unknown[word].Text)
                {
                    // A word of some name: only what stands beside it is a slip.
                    continue;
                }

                changes.Add(new Respelled(unknown[word].Span, unknown[word].Text, known));
            }

            if (changes.Count > 0)
            {
                yield return (changed, changes);
            }
        }
    }

    /// <summary>Known words one letter off, those of the dance's own steps first.</summary>
    private static List<string> Near(IStepNames names, string word)
    {
        var known = KnownBy.GetValue(names, n => new Known(
            [.. n.Steps.SelectMany(s => s.Aliases.Prepend(s.Name)).SelectMany(a => a.Split(' '))], [.. n.Steps.TakeWhile(s => s.IsOwn)
                .SelectMany(s => s.Name.Split(' '))], []));
        lock (known.Kept)
        {
            if (!known.Kept.TryGetValue(word, out var near))
            {
                if (known.Kept.Count >= MostKept)
                {
                    known.Kept.Clear();
                }

                near = known.Kept[word] = [.. Edits(word).Distinct()
                    .Where(w => known.Words.Contains(w) || (w[^1] == 's' && known.Words.Contains(w[..^1])) || Verbs.Find(w) is not null
                        || Vocabulary.Find(w) is not null)
                    .OrderBy(w => known.Own.Contains(w) ? 0 : 1).Take(MostTried)];
            }

            return near;
        }
    }

    private static IEnumerable<string> Edits(string word)
    {
        for (var i = 0; i + 1 < word.Length; i++)
        {
            yield return word[..i] + word[i + 1] + word[i] + word[(i + 2)..];
        }

        for (var i = 0; i < word.Length; i++)
        {
            yield return word.Remove(i, 1);
        }

        for (var letter = 'a'; letter <= 'z'; letter++)
        {
            for (var i = 0; i <= word.Length; i++)
            {
                yield return word.Insert(i, letter.ToString());
                if (i < word.Length)
                {
                    yield return word[..i] + letter + word[(i + 1)..];
                }
            }
        }
    }
}
