using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading;

/// <summary>
/// Moves that an instructor names and nobody has explained ("running man", "2 fan and heave"): the name is kept, a number makes so many,
/// a foot only leads, and which foot holds the weight afterwards stays open (reading, section 4, "Moves without known feet").
/// </summary>
internal static class NamedMoves
{
    /// <summary>Most words of a name.</summary>
    public const int MostWords = 5;

    /// <summary>Most moves listed in one row.</summary>
    private const int MostMoves = 8;

    /// <summary>The row as moves, turns and styling beside them; null when it is something else, or nothing that has a name.</summary>
    public static RowReading? Read(IStepNames names, string text)
    {
        var tokens = Lexer.Read(text);
        var items = new List<Phrase>();
        var start = 0;
        for (var i = 0; i <= tokens.Count; i++)
        {
            if (i < tokens.Count && !(tokens[i].Kind == TokenKind.Separator && tokens[i].Text == ","))
            {
                continue;
            }

            if (i > start && !Clause(names, tokens.GetRange(start, i - start), text, items))
            {
                return null;
            }

            start = i + 1;
        }

        return items.Count is 0 or > MostMoves ? null : new RowReading([.. items.Select(p => new Item([p]))], []);
    }

    /// <summary>
    /// "Ends on the other foot", "same foot again", "both feet": what a definition says that only tells where the weight goes; null for any
    /// other.
    /// </summary>
    public static WeightEnd? EndOf(IStepNames names, string meaning)
    {
        WeightEnd? end = null;
        foreach (var word in WordLookup.Read(names, Lexer.Read(meaning)))
        {
            WeightEnd? said = word.Is(Roles.OtherSide) ? WeightEnd.GoesOver : word.Is(Roles.Same) ? WeightEnd.Stays : word.Foot == Foot.Both
                ? WeightEnd.Both : null;
            if (said is null
                ? !word.Is(Roles.Filler | Roles.Ends | Roles.Onto | Roles.Foot | Roles.Again | Roles.At)
                : end is not null && end != said)
            {
                return null;
            }

            end ??= said;
        }

        return end;
    }

    /// <summary>Adds a clause: a move of its own, or what turns or is styled with the move before it.</summary>
    private static bool Clause(IStepNames names, List<Token> tokens, string text, List<Phrase> items)
    {
        // "…, then harbour twirl": what only joins is no part of the name.
        tokens = [.. tokens.SkipWhile(t => t.Kind == TokenKind.Word
            && Vocabulary.Find(t.Text) is { } joins
            && joins.Is(Roles.Then | Roles.And))];
        if (tokens.Count == 0)
        {
            return false;
        }

        if (items.Count > 0 && LengthOfEach(names, tokens) is > 0 and var each)
        {
            for (var i = 0; i < items.Count; i++)
            {
                items[i] = items[i] with { CountsEach = each };
            }

            return true;
        }

        var words = tokens.ToList();
        var times = TakeNumber(words);
        var leads = TakeFoot(words);
        if (words.Count is > 0 and <= MostWords && words.TrueForAll(t => t.Kind == TokenKind.Word) && IsName(names, tokens, words))
        {
            var name = string.Join(' ', words.Select(w => w.Span.In(text)));
            var whole = tokens[0].Span.To(tokens[^1].Span);
            items.Add(new Phrase
            {
                Verb = Verbs.NamedMove,
                Name = name,
                Words = name,
                Span = whole,
                Feet = leads == Foot.None ? [] : [leads],
                Times = times,
                End = names.EndOf(name.ToLowerInvariant()) ?? WeightEnd.Open,
            });
            return true;
        }

        if (items.Count == 0)
        {
            return false;
        }

        var beside = tokens[0].Span.To(tokens[^1].Span).In(text);
        var read = RowReader.Read(names, beside).First;
        if (read is not { Items: [{ Together: [var only] }] } || !read.IsRead || read.Unread.Any())
        {
            return false;
        }

        var turns = only is { Verb.IsTurn: true, Feet.Count: 0, Turn: not null, Times: 1 } && items[^1].Turn is null;
        if (!turns && !only.IsBody)
        {
            return false;
        }

        items[^1] = turns
            ? items[^1] with { Turn = only.Turn! with { First = false } }
            : items[^1] with { Layers = [.. items[^1].Layers, beside] };
        return true;
    }

    /// <summary>"2 counts each": how long every move before it is; 0 where a clause says something else.</summary>
    private static int LengthOfEach(IStepNames names, List<Token> tokens)
    {
        var words = WordLookup.Read(names, tokens);
        return words.Exists(w => w.Is(Roles.Each)) && words.Exists(w => w.Is(Roles.Counts))
            && words.TrueForAll(w => w.Number > 0 || w.Is(Roles.Each | Roles.Counts | Roles.For | Roles.Filler))
                ? words.Find(w => w.Number > 0)?.Number ?? 0
                : 0;
    }

    /// <summary>"2 …", "two …", "… x4", "… twice": how often.</summary>
    private static int TakeNumber(List<Token> words)
    {
        if (words.Count > 1 && Number(words[0]) is > 0 and var first)
        {
            words.RemoveAt(0);
            return first;
        }

        if (words.Count > 1
            && (words[^1].Kind == TokenKind.Times ? words[^1].Number : Vocabulary.Find(words[^1].Text)?.Times ?? 0) is > 0 and var times)
        {
            words.RemoveAt(words.Count - 1);
            return times;
        }

        return 1;
    }

    private static int Number(Token token) => token.Kind == TokenKind.Number ? token.Number : token.Kind == TokenKind.Word
        ? Vocabulary.Find(token.Text)?.Number ?? 0 : 0;

    /// <summary>A foot behind the name, or in front of it, or a letter for one anywhere: it only says who leads.</summary>
    private static Foot TakeFoot(List<Token> words)
    {
        for (var i = words.Count - 1; words.Count > 1 && i >= 0; i--)
        {
            if (Vocabulary.Find(words[i].Text)?.Foot is { } foot
                && foot.IsSingle()
                && (i == 0 || i == words.Count - 1 || words[i].Text.Length == 1))
            {
                words.RemoveAt(i);
                return foot;
            }
        }

        return Foot.None;
    }

    /// <summary>
    /// Some word of it is not known, and no deed whose foot is named stands before that word; or the dance says where it ends.
    /// </summary>
    private static bool IsName(IStepNames names, List<Token> clause, List<Token> words)
    {
        if (names.EndOf(string.Join(' ', words.Select(w => w.Text))) is not null)
        {
            return true;
        }

        if (words.Exists(w => w.Text.Length > 0 && Vocabulary.Find(w.Text) is { } sense
            && (sense.Amount > 0
                || sense.Is(Roles.Turn | Roles.Turning | Roles.Not | Roles.Instead | Roles.Onto | Roles.Repeat | Roles.OtherSide))))
        {
            return false;
        }

        var deed = false;
        foreach (var word in WordLookup.Read(names, clause))
        {
            if (word.IsUnknown && word.Kind == TokenKind.Word && word.Text.Any(char.IsLetter))
            {
                return !(deed
                    && clause.Exists(t => t.Span.Start < word.Span.Start && Vocabulary.Find(t.Text)?.Foot is { } foot && foot.IsSingle()));
            }

            deed |= word.Step is not null || word.Verb is not null;
        }

        return false;
    }
}
