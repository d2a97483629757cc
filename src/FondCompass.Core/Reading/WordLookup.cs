using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading;

/// <summary>Looks words up: the longest names and entries first, and for each all that it may mean.</summary>
internal static partial class WordLookup
{
    /// <param name="split">Leaves names of several words apart that are made of plain verbs and ways ("step touch").</param>
    public static List<Lexeme> Read(IStepNames names, List<Token> tokens, bool split = false)
    {
        if (!names.Translation.Touches(tokens))
        {
            return Look(names, tokens, split);
        }

        // Names in another language are looked up as they stand; what is between them, in the script's words.
        var lexemes = new List<Lexeme>();
        var words = tokens.ConvertAll(t => t.Text);
        var plain = Unaccented(words);
        var from = 0;
        for (var i = 0; i < tokens.Count; i++)
        {
            if (tokens[i].Kind == TokenKind.Word && Name(names, tokens, words, plain, i) is { } name)
            {
                lexemes.AddRange(Look(names, names.Translation.Read(tokens.GetRange(from, i - from)), split));
                lexemes.Add(name);
                i += name.TokenCount - 1;
                from = i + 1;
            }
        }

        lexemes.AddRange(Look(names, names.Translation.Read(tokens.GetRange(from, tokens.Count - from)), split));
        return lexemes;
    }

    private static List<Lexeme> Look(IStepNames names, List<Token> tokens, bool split)
    {
        var lexemes = new List<Lexeme>(tokens.Count);
        var words = tokens.ConvertAll(t => t.Text);
        var plain = Unaccented(words);
        for (var i = 0; i < tokens.Count;)
        {
            var token = tokens[i];
            if (token.Kind == TokenKind.Mark)
            {
                i++;
                continue;
            }

            var lexeme = Times(
                tokens,
                i,
                token.Kind is TokenKind.Word ? Longest(names, tokens, words, plain, i, split) : Single(tokens, i));
            lexemes.Add(lexeme);
            i += lexeme.TokenCount;
        }

        return lexemes;
    }

    /// <summary>Words without their accents; the same list where none has any.</summary>
    private static List<string> Unaccented(List<string> words) =>
        words.TrueForAll(w => w.All(char.IsAscii)) ? words : words.ConvertAll(Letters.WithoutAccents);

    /// <summary>"Forward two three, touch": counts that are called along with what goes on say how often it is done.</summary>
    public static List<Lexeme> CalledAlong(List<Lexeme> words)
    {
        var read = new List<Lexeme>(words.Count);
        for (var i = 0; i < words.Count; i++)
        {
            var end = i;
            while (end + 1 < words.Count && words[end + 1].Number == words[end].Number + 1 && words[end].Number > 0)
            {
                end++;
            }

            var goesOn = i > 0 && words[i - 1] is { IsSeparator: false, Number: 0 } before
                && (before.Direction is Direction.Forward or Direction.Back || (before.Verb is { } verb && verb.Has(VerbTraits.Gait)));
            if (!goesOn || words[i].Number != 2 || end == i || (end + 1 < words.Count && words[end + 1].Is(Roles.Counts | Roles.Each)))
            {
                read.Add(words[i]);
                continue;
            }

            read.Add(words[end]);
            if (end + 1 < words.Count && !words[end + 1].IsSeparator && !words[end + 1].Is(Roles.And | Roles.Then))
            {
                read.Add(new Lexeme { Text = ",", Span = words[end].Span, Kind = TokenKind.Separator });
            }

            i = end;
        }

        return read;
    }

    private static Lexeme Longest(IStepNames names, List<Token> tokens, List<string> words, List<string> plain, int at, bool split)
    {
        var name = Name(names, tokens, words, plain, at);
        if (split && name is { Words: > 1, Step.IsOwn: false } && IsMadeOfPlainWords(words, at, name.TokenCount))
        {
            name = null;
        }

        if (name is not null && Vocabulary.Find(words[at]) is { Number: > 1 } && at + 1 < tokens.Count
            && Name(names, tokens, words, at + 1) is { } some
            && some.TokenAt + some.TokenCount >= at + name.TokenCount + (name.Plural && some.Plural ? 0 : 1))
        {
            // "Two step touches", "two step touch": not a two-step and touches, but two of them.
            name = null;
        }

        if (name is { Words: > 1, Step.IsOwn: false } && at > 0 && Vocabulary.Find(words[at]) is { Number: > 0 } && IsGoing(words, at - 1))
        {
            // "Walk three and lift": three walks, and no step that begins with the number.
            name = null;
        }

        var entry = Entry(tokens, words, at) ?? Entry(tokens, plain, at);
        words = entry is null && Verbs.Find(words[at]) is null ? plain : words;
        if (name is not null && (entry is null || name.TokenCount >= entry.Value.Tokens))
        {
            return name;
        }

        var count = entry?.Tokens ?? 1;
        var verb = count == 1 ? Verbs.Find(words[at], out var plural) : null;
        plural = count == 1 && verb is not null && words[at][^1] == 's' && Verbs.Find(words[at][..^1]) == verb;
        if (verb is not null && count == 1 && words[at] is "stomp" or "stamp" && Next(tokens, at) is { Text: "up" })
        {
            return new Lexeme
            {
                Text = "stomp up",
                Span = token(2),
                Verb = Verbs.StompUp,
                TokenAt = at,
                TokenCount = 2,
                Kind = TokenKind.Word
            };
        }

        var sense = entry?.Sense;
        return new Lexeme
        {
            Text = count == 1 ? words[at] : string.Join(' ', words.GetRange(at, count)),
            Span = token(count),
            Kind = TokenKind.Word,
            Verb = verb,
            Plural = plural,
            IsPart = verb is not null && Verbs.IsPart(words[at]),
            Sense = sense,
            Number = sense?.Number ?? 0,
            Times = sense?.Times ?? 0,
            Amount = sense?.Amount ?? 0,
            Words = count,
            TokenAt = at,
            TokenCount = count,
        };

        TextSpan token(int length) => tokens[at].Span.To(tokens[at + length - 1].Span);
    }

    /// <summary>A deed, or a way behind one: a number behind it says how often.</summary>
    private static bool IsGoing(List<string> words, int at) => Verbs.Find(words[at]) is { IsTurn: false }
        || (at > 0 && (Vocabulary.IsDirection(words[at]) || Vocabulary.Find(words[at]) is { } way && way.Is(Roles.Level))
            && Verbs.Find(words[at - 1]) is { IsTurn: false });

    /// <summary>"3 times", "five times": how often, where a number stands before it; what is looked up itself otherwise.</summary>
    private static Lexeme Times(List<Token> tokens, int at, Lexeme number)
    {
        var after = at + number.TokenCount;
        return number is not { Number: > 0, Step: null, Verb: null }
            || after >= tokens.Count
            || tokens[after] is not { Kind: TokenKind.Word, Text: "times" or "time" }
            ? number
            : new Lexeme
            {
                Text = $"{number.Text} times",
                Span = number.Span.To(tokens[after].Span),
                Kind = TokenKind.Times,
                Times = number.Number,
                TokenAt = at,
                TokenCount = number.TokenCount + 1
            };
    }

    private static Token? Next(List<Token> tokens, int at)
    {
        var next = at + 1 < tokens.Count && tokens[at + 1].Kind == TokenKind.Mark ? at + 2 : at + 1;
        return next == at + 1 && next < tokens.Count ? tokens[next] : null;
    }

    private static Lexeme Single(List<Token> tokens, int at)
    {
        var token = tokens[at];
        var amount = token.Kind == TokenKind.Fraction && TurnAmount.TryParse(token.Text, out var eighths) ? eighths : 0;
        return new Lexeme
        {
            Text = token.Text,
            Span = token.Span,
            Kind = token.Kind,
            Number = token.Kind == TokenKind.Number ? token.Number : 0,
            Times = token.Kind == TokenKind.Times ? token.Number : 0,
            Amount = amount,
            Sense = token.Kind == TokenKind.Clock && Facing.TryParse(token.Text, out var facing) ? new Sense { Wall = facing } : null,
            TokenAt = at,
        };
    }

    private static (Sense Sense, int Tokens)? Entry(List<Token> tokens, List<string> words, int at)
    {
        Sense? sense;
        if (Vocabulary.IsOpener(words[at]))
        {
            Span<char> key = stackalloc char[96];
            var isHyphened = at + 1 < tokens.Count && tokens[at + 1] is { Kind: TokenKind.Mark, Text: "-" };
            var longest = Math.Min(isHyphened ? (2 * Vocabulary.Longest) - 1 : Vocabulary.Longest, tokens.Count - at);
            for (var length = longest; length > 1; length--)
            {
                var used = 0;
                var fits = true;
                for (var i = at; i < at + length && fits; i++)
                {
                    if (tokens[i] is { Kind: TokenKind.Mark, Text: "-" } && i > at && i + 1 < at + length)
                    {
                        // "Three-quarter": a hyphen parts its words like a space.
                        continue;
                    }

                    fits = tokens[i].Kind is TokenKind.Word or TokenKind.Number && used + words[i].Length + 1 < key.Length;
                    if (fits)
                    {
                        if (i > at)
                        {
                            key[used++] = ' ';
                        }

                        words[i].CopyTo(key[used..]);
                        used += words[i].Length;
                    }
                }

                if (fits && Vocabulary.TryFind(key[..used], out sense))
                {
                    return (sense, length);
                }
            }
        }

        return Vocabulary.TryFind(words[at], out sense) ? (sense, 1) : null;
    }
}
