using FondCompass.Core.Lexicon;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading;

/// <summary>Names of steps among the words, the longest first.</summary>
internal static partial class WordLookup
{
    /// <summary>The longest name of a step from a word on, with its accents or without: "chassé".</summary>
    private static Lexeme? Name(IStepNames names, List<Token> tokens, List<string> words, List<string> plain, int at)
    {
        var name = Name(names, tokens, words, at);
        var bare = ReferenceEquals(words, plain) ? null : Name(names, tokens, plain, at);
        return bare is not null && bare.TokenCount > (name?.TokenCount ?? 0) ? bare : name;
    }

    private static bool Repeats(List<string> words, Span<int> places, int length)
    {
        for (var i = 0; i < length; i++)
        {
            if (words[places[i]] != words[places[i + length]])
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>The longest name of a step from a word on; hyphens inside it count for nothing.</summary>
    private static Lexeme? Name(IStepNames names, List<Token> tokens, List<string> words, int at)
    {
        if (!names.MayBegin(words[at]))
        {
            return null;
        }

        Span<int> places = stackalloc int[12];
        var count = 0;
        for (var i = at; i < tokens.Count && count < Math.Min(names.LongestName, places.Length); i++)
        {
            if (tokens[i].Kind == TokenKind.Mark && tokens[i].Text == "-")
            {
                continue;
            }

            if (tokens[i].Kind is not (TokenKind.Word or TokenKind.Number))
            {
                break;
            }

            places[count++] = i;
        }

        var longest = count;
        for (var twice = 2; twice <= count / 2; twice++)
        {
            // "Step pivot step pivot": the same name twice, not a longer one and what is left over.
            if (Repeats(words, places, twice) && names.Find(words, at, twice, out _) is not null && places[twice - 1] == at + twice - 1)
            {
                longest = twice;
                break;
            }
        }

        for (var length = longest; length > 0; length--)
        {
            var last = places[length - 1];
            var plain = last - at == length - 1;
            var run = plain ? words : [.. places[..length].ToArray().Select(p => words[p])];
            var start = plain ? at : 0;
            if (names.Find(run, start, length, out var plural) is { } step)
            {
                return new Lexeme
                {
                    Text = string.Join(' ', run.Skip(start).Take(length)),
                    Span = tokens[at].Span.To(tokens[last].Span),
                    Kind = TokenKind.Word,
                    Step = step,
                    Otherwise = names.Otherwise(run, start, length),
                    Plural = plural,
                    Words = length,
                    TokenAt = at,
                    TokenCount = last - at + 1,
                    Verb = length == 1 ? Verbs.Find(run[start]) : null,
                    IsPart = length == 1 && Verbs.IsPart(run[start]),
                };
            }
        }

        return null;
    }

    /// <summary>"Three runs": the step of that name, or so many of them.</summary>
    public static bool BeginsWithNumber(IReadOnlyList<string> words, int at) => Vocabulary.Find(words[at]) is { Number: > 1 };

    private static bool IsMadeOfPlainWords(List<string> words, int at, int count)
    {
        for (var i = BeginsWithNumber(words, at) ? at + 1 : at; i < at + count; i++)
        {
            if (Verbs.Find(words[i]) is not { IsTurn: false } && !Vocabulary.IsDirection(words[i]) && words[i] is not ("and" or "-"))
            {
                return false;
            }
        }

        return true;
    }
}
