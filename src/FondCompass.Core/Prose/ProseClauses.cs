using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose;

/// <summary>What a stretch of prose is.</summary>
internal enum StretchKind
{
    Steps,

    /// <summary>Something of the steps before it: again, the same on the other side.</summary>
    Repeat,

    /// <summary>"five six seven eight".</summary>
    Chant,

    Talk,
}

/// <param name="Text">Its words, lead-in and stray words taken off.</param>
/// <param name="Stray">Words inside it that nothing could be made of.</param>
/// <param name="Deeds">Verbs and steps among them.</param>
/// <param name="Feet">Feet, numbers and amounts among them.</param>
internal sealed record ProseStretch(StretchKind Kind, string Text, string Whole, int Bound, int Stray, int Deeds, int Feet);

/// <summary>Cuts a sentence into clauses and tells steps from talk by what the words are (reading, section 7).</summary>
internal static class ProseClauses
{
    private sealed record Clause(StretchKind Kind, TextSpan Whole, TextSpan Core, int Bound, int Stray, List<TextSpan> Strange, int Deeds = 0, int Feet = 0, bool IsBody = false);

    /// <param name="counted">Counts are said for it, so that arms and hips are danced.</param>
    public static IReadOnlyList<ProseStretch> Read(string text, IStepNames names, bool counted = false)
    {
        var lexemes = Lexis.Read(names, Lexer.Read(text));
        var clauses = new List<Clause>();
        var start = 0;
        var depth = 0;
        for (var i = 0; i <= lexemes.Count; i++)
        {
            depth += i < lexemes.Count ? lexemes[i].Kind == TokenKind.Open ? 1 : lexemes[i].Kind == TokenKind.Close ? -1 : 0 : 0;
            var cuts = i == lexemes.Count || (depth <= 0 && Parts(lexemes[i]));
            if (!cuts)
            {
                continue;
            }

            if (i > start)
            {
                clauses.Add(Judge(lexemes, start, i, text, names));
            }

            start = i < lexemes.Count && lexemes[i].Kind == TokenKind.Separator ? i + 1 : i;
            if (start < lexemes.Count && start == i)
            {
                // A word that joins goes with what follows it.
                start = i;
            }
        }

        return Join(clauses, text, counted);
    }

    /// <summary>Where one clause ends and the next begins: commas and the like, and "then".</summary>
    private static bool Parts(Lexeme lexeme) =>
        (lexeme.Kind == TokenKind.Separator && lexeme.Text is "," or "." or "/" or ":" or "→" or "–" or "|") || (lexeme.Is(Roles.Then) && lexeme.Step is null) || lexeme.Text == "so";

    private static Clause Judge(List<Lexeme> lexemes, int from, int to, string text, IStepNames names)
    {
        var whole = lexemes[from].Span.To(lexemes[to - 1].Span);
        var bound = 0;
        var deeds = 0;
        var feet = 0;
        var talk = 0;
        var again = 0;
        var numbers = 0;
        var ways = 0;
        var body = 0;
        var arms = false;
        var strange = new List<TextSpan>();
        var cut = new List<TextSpan>();
        var first = -1;
        var last = -1;
        for (var i = from; i < to; i++)
        {
            var word = lexemes[i];
            if (word.Kind is TokenKind.Separator or TokenKind.Open or TokenKind.Close)
            {
                continue;
            }

            var deed = word.Step is not null || (word.Verb is { } verb && !verb.Has(VerbTraits.BareTurn));
            if (deed)
            {
                arms = false;
            }

            if (word.Text is "weight" or "wt" || word.Is(Roles.Onto) && word.Text.StartsWith("weight", StringComparison.Ordinal))
            {
                // Where the weight is, said by itself, is told and not danced.
                talk += deeds == 0 ? 1 : 0;
                last = deeds > 0 ? i : last;
                continue;
            }

            if (Vocabulary.IsTalk(word.Text) && word.Step is null && !(word.Foot != Foot.None))
            {
                talk++;
                continue;
            }

            if (arms && word.Foot == Foot.None && word.Times == 0 && word.Number == 0 && (!word.IsUnknown || Vocabulary.LeadsIn(word.Text)))
            {
                // "Swing the hands up": what arms do is told in its own words to the end.
                last = i;
                continue;
            }

            if (deed || word.Foot != Foot.None || word.Side != 0 || word.Amount > 0 || word.Times > 0 || (word.Direction != Direction.None && !IsLoose(word)) || word.Is(Roles.Turning | Roles.Turn | Roles.Wall) || word.Verb is not null || word.Wall is not null)
            {
                bound++;
                deeds += deed ? 1 : 0;
                feet += word.Foot != Foot.None ? 1 : 0;
                ways += word.Direction != Direction.None || word.Side != 0 || word.Amount > 0 ? 1 : 0;
                first = first < 0 ? i : first;
                last = i;
                continue;
            }

            if (word.Direction != Direction.None && (to - from <= 2 || (last >= 0 && last == i - 1)))
            {
                // "Out, out, in, in"; "RF in".
                ways++;
                first = first < 0 ? i : first;
                last = i;
                continue;
            }

            if (word.Is(Roles.OtherSide) || word.Is(Roles.Same) || word.Text is "again" or "repeat" || word.Is(Roles.Again))
            {
                again++;
                last = i;
                first = first < 0 ? i : first;
                continue;
            }

            if (word.Number > 0)
            {
                numbers += word.Text == "one" ? 0 : 1;
                first = first < 0 ? i : first;
                last = i;
                continue;
            }

            if (word.Is(Roles.Body | Roles.BodyVerb) && !word.Is(Roles.Filler))
            {
                body++;
                bound++;
                arms = true;
                first = first < 0 ? i : first;
                last = i;
                continue;
            }

            if (word.IsUnknown)
            {
                // "On the third step" is a place in the step before it.
                if (!(deeds > 0 && word.Text is "first" or "second" or "third" or "fourth" or "fifth" or "sixth" or "last"))
                {
                    (Vocabulary.LeadsIn(word.Text) ? cut : strange).Add(word.Span);
                }
            }
            else if (last >= 0 && !word.Is(Roles.Filler))
            {
                last = i;
            }
        }

        var kind = talk > 0 ? StretchKind.Talk
            : deeds == 0 && feet == 0 && ways == 0 && again == 0 && body == 0 && numbers > 0 && strange.Count == 0 ? StretchKind.Chant
            : again > 0 && deeds == 0 && strange.Count <= 2 && body == 0 ? StretchKind.Repeat
            : deeds == 0 && IsTwice(lexemes, from, to) ? StretchKind.Repeat
            : strange.Count == 0 && (deeds > 0 || feet > 0 || ways > 0 || body > 0) ? StretchKind.Steps
            : strange.Count > 0 && deeds > 0 && bound >= (2 * strange.Count) + 1 && feet + ways + numbers > 0 ? StretchKind.Steps
            : StretchKind.Talk;
        if (kind == StretchKind.Talk && talk > 0 && deeds + feet > 2 && bound > 2 * (talk + strange.Count) && numbers + feet > 0)
        {
            kind = StretchKind.Steps;
        }

        if (first < 0 || kind == StretchKind.Talk)
        {
            var empty = kind == StretchKind.Talk && talk == 0 && strange.Count == 0 && cut.Count == 0;
            return new Clause(empty ? StretchKind.Chant : kind, whole, whole, bound, strange.Count + talk, strange);
        }

        // Lead-ins go; small words right before the first known one ("with", "a") stay out as well.
        var open = first;
        for (var i = first - 1; i >= from && lexemes[i].Kind == TokenKind.Word && lexemes[i].Step is null && (lexemes[i].Verb is null || lexemes[i].Is(Roles.Ends)); i--)
        {
            var word = lexemes[i];
            var tells = word.Is(Roles.With | Roles.Slow | Roles.Each | Roles.Facing | Roles.Onto | Roles.Starting | Roles.Ends) && !Vocabulary.IsTalk(word.Text) && word.Text is not ("first" or "from" or "when" or "by" or "so that");
            if (tells)
            {
                open = i;
            }
            else if (!word.Is(Roles.Filler))
            {
                break;
            }
        }

        // What a bracket closes goes with it.
        var close = last;
        while (close + 1 < to && lexemes[close + 1].Kind == TokenKind.Close)
        {
            close++;
        }

        for (var i = from; i < open; i++)
        {
            if (lexemes[i].Kind == TokenKind.Open)
            {
                open = i;
                break;
            }
        }

        var core = lexemes[open].Span.To(lexemes[close].Span);
        return new Clause(kind, whole, core, bound + numbers, strange.Count, [.. strange.Concat(cut).Where(s => s.Start >= core.Start && s.End <= core.End)], deeds, feet + numbers, body > 0 && deeds == 0);
    }

    /// <summary>"Do those two lines twice", "dance that three times".</summary>
    private static bool IsTwice(List<Lexeme> lexemes, int from, int to)
    {
        var words = lexemes.GetRange(from, to - from);
        return words.Exists(w => w.Times > 1) && words.Exists(w => w.Text is "that" or "those" or "these" or "it" or "all" or "both" or "this" or "lines" or "lot");
    }

    /// <summary>Words such as "in", "over", "out" that are as often no way at all.</summary>
    private static bool IsLoose(Lexeme word) => word.Words == 1 && word.Text is "in" or "over" or "round" or "next" or "middle" or "ac" or "sd" or "home" or "inside" or "outside" or "front" or "spot" or "corner";

    /// <summary>Clauses of steps side by side are one stretch, in the words they stood in.</summary>
    private static List<ProseStretch> Join(List<Clause> clauses, string text, bool counted)
    {
        // What arms and hips do is danced where feet are danced beside it, or where it has counts; else it is talk.
        var danced = counted || clauses.Exists(c => c.Kind == StretchKind.Steps && c.Deeds > 0);
        clauses = clauses.ConvertAll(c => c.IsBody && !danced && c.Feet == 0 ? c with { Kind = StretchKind.Talk } : c);
        // Beside talk a deed without foot or number is spoken of, not told.
        if (clauses.Exists(c => c.Kind == StretchKind.Talk) && clauses.Sum(c => c.Kind == StretchKind.Steps ? c.Feet : 0) == 0 && clauses.Sum(c => c.Kind == StretchKind.Steps ? c.Deeds : 0) <= 2
            && !clauses.Exists(c => c.Kind is StretchKind.Repeat))
        {
            clauses = clauses.ConvertAll(c => c.Kind == StretchKind.Steps ? c with { Kind = StretchKind.Talk } : c);
        }

        var stretches = new List<ProseStretch>();
        for (var i = 0; i < clauses.Count;)
        {
            var end = i + 1;
            while (end < clauses.Count && (clauses[end].Kind == clauses[i].Kind || (clauses[i].Kind == StretchKind.Steps && clauses[end].Kind == StretchKind.Chant)) && clauses[i].Kind is StretchKind.Steps or StretchKind.Talk or StretchKind.Chant)
            {
                end++;
            }

            var run = clauses.GetRange(i, end - i).Where(c => c.Kind == clauses[i].Kind).ToList();
            var whole = run[0].Whole.To(run[^1].Whole);
            var words = run[0].Kind == StretchKind.Steps ? Words(run, text) : run[0].Core.To(run[^1].Core).In(text);
            stretches.Add(new ProseStretch(run[0].Kind, words, whole.In(text), run.Sum(c => c.Bound), run.Sum(c => c.Stray), run.Sum(c => c.Deeds), run.Sum(c => c.Feet)));
            i = end;
        }

        return stretches;
    }

    private static string Words(List<Clause> run, string text)
    {
        var pieces = run.Select(clause =>
        {
            var words = clause.Core.In(text);
            foreach (var strange in clause.Strange.OrderByDescending(s => s.Start))
            {
                words = new TextSpan(strange.Start - clause.Core.Start, strange.Length).Replace(words, "");
            }

            return Tidy(words);
        }).Where(w => w.Length > 0).ToList();
        var joined = new System.Text.StringBuilder(pieces.Count > 0 ? pieces[0] : "");
        for (var i = 1; i < pieces.Count; i++)
        {
            // A colon before an explanation stays one.
            var between = text[run[i - 1].Core.End..run[i].Core.Start];
            joined.Append(between.Contains(':') || between.Contains(" so ", StringComparison.OrdinalIgnoreCase) ? ": " : ", ").Append(pieces[i]);
        }

        return joined.ToString();
    }

    private static string Tidy(string words)
    {
        words = words.Replace('#', ' ').Replace("//", "/", StringComparison.Ordinal).Replace(" + ", " and ", StringComparison.Ordinal).Replace('"', ' ').Trim(' ', ',', '.', '!', '?', '-', '–', ':', ';', '*', '“', '”');
        while (words.Contains("  ", StringComparison.Ordinal))
        {
            words = words.Replace("  ", " ", StringComparison.Ordinal);
        }

        return words.Replace(" ,", ",", StringComparison.Ordinal);
    }
}
