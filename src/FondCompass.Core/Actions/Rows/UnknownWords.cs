using FondCompass.Core.Actions.Placing;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Rows;

/// <summary>What to say about a word nobody knows, with the nearest that is known.</summary>
internal static class UnknownWords
{
    /// <param name="unread">The words, with their columns in the wording.</param>
    public static Finding NoStep(Place place, UnreadWord unread, IStepNames names, StepEntry entry, string row, bool suggest)
    {
        var shown = Shorten(unread.Text);
        var span = unread.Span.From(entry.Column);
        // Only the words that nobody knows are exchanged; feet, ways and turns beside them stay.
        var strange = Strange(unread.Text);
        var near = suggest && row.Length < 300 ? Nearest(strange.In(unread.Text), names) : null;
        var fix = near is null || span.End > row.Length
            ? null
            : new Fix(ActionTexts.WriteIt(near), place.Row!.Value, strange.From(span.Start).Replace(row, near));
        return new Finding(
            ActionFindings.UnknownStep,
            place with { Words = span },
            ActionTexts.UnknownStep(shown, Hint(near), WithoutFeet(shown)),
            fix);
    }

    /// <summary>The nearest known name, asked after; nothing where there is none.</summary>
    private static Sentence Hint(string? near) => near is null ? Sentence.None : ActionTexts.DidYouMean(near);

    /// <summary>A step whose definition has been complained of already.</summary>
    public static Finding Broken(Place place, UnreadWord unread, StepEntry entry) => new(
        ActionFindings.BrokenStep,
        place with { Words = unread.Span.From(entry.Column) },
        ActionTexts.DefinitionUnreadable(Shorten(unread.Text)));

    /// <summary>A row that was pasted or put aside: nothing is lost, but its feet are not known.</summary>
    public static Finding Parked(Place place, UnreadableEntry entry, IStepNames names, string row, bool suggest)
    {
        var near = suggest && row.Length < 300 ? Nearest(entry.Text, names) : null;
        var at = row.IndexOf('?', StringComparison.Ordinal);
        var start = at < 0 ? -1 : row.IndexOf(entry.Text, at, StringComparison.Ordinal);
        var fix = near is null || start < 0
            ? null
            : new Fix(
                ActionTexts.WriteIt(near),
                place.Row!.Value,
                string.Concat(
                    row.AsSpan(0, at),
                    row.AsSpan(at + 1, start - at - 1).TrimStart(),
                    WithFeet(near, entry.Text),
                    row.AsSpan(start + entry.Text.Length)));
        return new Finding(
            ActionFindings.Parked,
            start < 0 ? place : place with { Words = new TextSpan(start, entry.Text.Length) },
            ActionTexts.NotUnderstoodYet(Shorten(entry.Text), Hint(near)),
            fix);
    }

    /// <summary>A word read as the known one it is one letter off.</summary>
    public static Finding Respelled(Place place, Respelled slip, StepEntry entry, string row)
    {
        var span = slip.Span.From(entry.Column);
        return new Finding(
            ActionFindings.Misspelt, place with { Words = span },
            ActionTexts.SlipReadAs(slip.Written, slip.Known),
            span.End > row.Length ? null : new Fix(ActionTexts.WriteIt(slip.Known), entry.Row, span.Replace(row, slip.Known)));
    }

    /// <summary>A move that is only named, and that nothing tells the end of.</summary>
    /// <param name="place">Where it is danced first.</param>
    public static Finding OpenMove(Place place, string move, Dance dance, IStepNames names)
    {
        var name = Shorten(move);
        var row = dance.Rows[place.Row!.Value - 1];
        var near = row.Length < 300 ? Nearest(move, names) : null;
        var words = place.Words is { } span && span.End <= row.Length ? span : default;
        var at = Math.Max(1, dance.Parts.Where(p => p.Row > 0).Select(p => p.Row).DefaultIfEmpty(place.Row.Value).Min());
        Fix Answer(Sentence label, string meaning) => new(label, at, $"step {move.ToLowerInvariant()} = {meaning}\n{dance.Rows[at - 1]}");
        return new Finding(
            ActionFindings.OpenMove,
            place,
            ActionTexts.KeptAsNamedMove(name, Hint(near)),
            near is null || words.Length == 0
                ? null
                : new Fix(ActionTexts.WriteIt(near), place.Row.Value, words.Replace(row, WithFeet(near, words.In(row)))))
        {
            Answers = [
                Answer(ActionTexts.SameFoot, "same foot"),
                Answer(ActionTexts.OtherFoot, "other foot"),
                Answer(ActionTexts.BothFeetThen, "both feet")
            ],
        };
    }

    public static Finding InStep(Place place, UnreadWord unread, StepEntry entry)
    {
        var shown = unread.Text.Length > 40 ? unread.Text[..40] + "…" : unread.Text;
        return new Finding(
            IsBesideSteps(unread, entry.Wording) ? ActionFindings.WordBeside : ActionFindings.UnknownWord,
            place with { Words = unread.Span.From(entry.Column) },
            ActionTexts.WordNotUnderstood(shown, Shorten(entry.Wording)));
    }

    /// <summary>"Shuffle R skyward": the steps before it name their foot and are danced, and the word means nothing anywhere.</summary>
    private static bool IsBesideSteps(UnreadWord unread, string wording) =>
        WordsOf(unread.Text).All(w => Vocabulary.Find(w) is null && Verbs.Find(w) is null && w.All(char.IsLetter))
            && WordsOf(wording[..Math.Min(unread.Span.Start, wording.Length)]).Any(IsFoot);

    /// <summary>A word that stands for several steps which the counts do not tell apart, and which is nobody's own name.</summary>
    public static Finding? Ambiguous(Place place, Phrase phrase, StepEntry entry, Genre genre)
    {
        if (phrase.Step is not { IsOwn: false } step || phrase.Otherwise.Count == 0 || entry.Counts is null
            || step.LocalNames.ContainsKey(genre.ToString().ToLowerInvariant())
            || entry.Wording.Contains(step.Name, StringComparison.OrdinalIgnoreCase))
        {
            return null;
        }

        var meanings = Placer.Meanings(phrase, entry.Counts);
        return meanings.Count < 2 ? null : new Finding(
            ActionFindings.Ambiguous,
            place with { Words = phrase.Span.From(entry.Column) },
            ActionTexts.SeveralStepsGoByName(
                Shorten(entry.Wording),
                meanings[0].Name,
                string.Join(ActionTexts.Or, meanings.Skip(1).Select(m => $"'{m.Name}'"))));
    }

    private static string WithFeet(string name, string wording) =>
        string.Join(' ', WordsOf(wording).Where(IsFoot).Select(w => w[..1].ToUpperInvariant()).Prepend(name));

    private static string WithoutFeet(string wording) => string.Join(' ', WordsOf(wording).Where(w => !IsFoot(w)));

    /// <summary>The first run of words that mean nothing; all of the wording when every word means something by itself.</summary>
    private static TextSpan Strange(string wording)
    {
        TextSpan? run = null;
        foreach (var token in Lexer.Read(wording))
        {
            var known = token.Kind != TokenKind.Word || Vocabulary.Find(token.Text) is not null || Verbs.Find(token.Text) is not null;
            if (!known)
            {
                run = run is { } held ? held.To(token.Span) : token.Span;
            }
            else if (run is not null && token.Kind != TokenKind.Mark)
            {
                break;
            }
        }

        return run ?? new TextSpan(0, wording.Length);
    }

    private static IEnumerable<string> WordsOf(string wording) =>
        Lexer.Read(wording).Where(t => t.Kind is not (TokenKind.Mark or TokenKind.Separator)).Select(t => t.Text);

    private static bool IsFoot(string word) => word is "r" or "l" or "left" or "right";

    private static string Shorten(string text) => text.Length > 60 ? text[..60] + "…" : text;

    /// <summary>The known name with the fewest letters different, when it is close enough to be a slip.</summary>
    public static string? Nearest(string wording, IStepNames names)
    {
        var words = WordsOf(wording).Where(w => !IsFoot(w)).Take(4).ToList();
        var key = string.Join(' ', words);
        if (key.Length is < 3 or > 40)
        {
            return null;
        }

        string? best = null;
        // Two letters changed places count as two; so short a word must at least begin alike.
        var bestDistance = Math.Max(2, key.Length / 4) + 1;
        foreach (var name in names.Steps.SelectMany(s => s.Aliases.Prepend(s.Name)).Concat(Verbs.All.Select(v => v.Name)))
        {
            if ((key.Length > 5 || name[0] == key[0])
                && Math.Abs(name.Length - key.Length) < bestDistance
                && Distance(key, name, bestDistance) is var distance
                && distance < bestDistance)
            {
                (best, bestDistance) = (name, distance);
            }
        }

        return best;
    }

    /// <summary>
    /// A word of styling that is one letter, or two changed places, off a verb or a word of a step's name; null when there is none.
    /// </summary>
    /// <param name="styling">Words kept as styling.</param>
    public static (string Word, string Known)? Slip(string styling, IStepNames names)
    {
        foreach (var word in WordsOf(styling).Where(w => w.Length >= ShortestSlip && Vocabulary.Find(w) is null))
        {
            var known = Verbs.All.Select(v => v.Name)
                .Concat(names.Steps.SelectMany(s => s.Aliases.Prepend(s.Name)).SelectMany(n => n.Split(' ')))
                .FirstOrDefault(k => k.Length >= ShortestSlip && IsSlip(word, k));
            if (known is not null)
            {
                return (word, known);
            }
        }

        return null;
    }

    private const int ShortestSlip = 4;

    private static bool IsSlip(string word, string known) =>
        Math.Abs(word.Length - known.Length) <= 1
            && (Distance(word, known, 2) == 1
                || (word.Length == known.Length && word.Order().SequenceEqual(known.Order()) && Distance(word, known, 3) == 2));

    private static int Distance(string a, string b, int limit)
    {
        Span<int> row = stackalloc int[b.Length + 1];
        for (var j = 0; j <= b.Length; j++)
        {
            row[j] = j;
        }

        for (var i = 1; i <= a.Length; i++)
        {
            var diagonal = row[0];
            row[0] = i;
            var least = i;
            for (var j = 1; j <= b.Length; j++)
            {
                var cost = diagonal + (a[i - 1] == b[j - 1] ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.Min(cost, Math.Min(row[j], row[j - 1]) + 1);
                least = Math.Min(least, row[j]);
            }

            if (least >= limit)
            {
                return limit;
            }
        }

        return row[b.Length];
    }
}
