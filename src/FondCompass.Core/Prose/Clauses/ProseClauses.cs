using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Clauses;

/// <summary>Cuts a sentence into clauses and weighs what the words of each may be (reading, section 7).</summary>
internal static partial class ProseClauses
{
    public static IReadOnlyList<ProseClause> Read(string text, IStepNames names)
    {
        var lexemes = WordLookup.Read(names, Lexer.Read(text));
        var clauses = new List<ProseClause>();
        var start = 0;
        var depth = 0;
        var explains = false;
        for (var i = 0; i <= lexemes.Count; i++)
        {
            depth += i < lexemes.Count ? lexemes[i].Kind == TokenKind.Open ? 1 : lexemes[i].Kind == TokenKind.Close ? -1 : 0 : 0;
            if (i < lexemes.Count && (depth > 0 || !Parts(lexemes, start, i)))
            {
                continue;
            }

            if (i > start)
            {
                clauses.Add(ClauseSigns.OfThem(lexemes, start, i, text)
                    ?? ClauseSigns.Of(Judge(lexemes, start, i, text), lexemes, start, i, explains));
            }

            var isMark = i < lexemes.Count && lexemes[i].Kind == TokenKind.Separator;
            explains = isMark && lexemes[i].Text == ":";
            // A word that joins goes with what follows it.
            start = isMark ? i + 1 : i;
        }

        // What is only told beside the steps is danced where it says a turn; "from the marching again" is an end.
        clauses = clauses.ConvertAll(c => (c is { IsAside: true, HasTurn: false, Feet: 0 }) || c.IsFromThere
            ? c with { Kind = ClauseKind.Talk }
            : c);
        // What arms and hips do is danced where feet are danced beside it.
        return clauses.Exists(c => c.Kind == ClauseKind.Steps && c.Deeds > 0) ? clauses
            : clauses.ConvertAll(c => c.IsBody && c.Feet == 0 ? c with { Kind = ClauseKind.Talk } : c);
    }

    /// <summary>
    /// Where one clause ends and the next begins: commas and the like, "then", and words that explain or tell beside the steps.
    /// </summary>
    private static bool Parts(List<Lexeme> lexemes, int start, int i) =>
        (lexemes[i].Kind == TokenKind.Separator && lexemes[i].Text is "," or "." or "/" or ":" or "→" or "–" or "|")
        || (lexemes[i].Is(Roles.Then) && lexemes[i].Step is null) || (ProseForms.Explains(lexemes[i].Text) && lexemes[i].Step is null)
            || ClauseSigns.IsAside(lexemes, i) || (i > start && (ClauseSigns.IsLengthAt(lexemes, i) || ClauseSigns.IsOfThemAt(lexemes, i)))
        || (lexemes[i].Is(Roles.And) && i + 1 < lexemes.Count && ProseForms.IsTeller(lexemes[i + 1].Text))
        || (i > start
            && (ProseForms.IsChange(lexemes[i].Text)
                || (lexemes[i].Is(Roles.With) && !lexemes.Skip(i + 1).Take(2).Any(l => l.Foot != Foot.None)))
            && lexemes.FindIndex(start, i - start, l => l.Is(Roles.Same | Roles.OtherSide | Roles.Repeat)) >= 0
            && !NamesASection(lexemes, i + 1));

    /// <summary>"The same as the first line": what it is the same as.</summary>
    private static bool NamesASection(List<Lexeme> lexemes, int from) =>
        string.Join(' ', lexemes.Skip(from).TakeWhile(l => !l.IsSeparator).Take(4).Select(l => l.Text)) is { Length: > 0 } words
            && (ProseForms.Says("that section", words) || ProseForms.Says("those sections", words));

    /// <summary>What the words of a clause come to, as it is counted.</summary>
    private sealed class Tally
    {
        public int Dirs, Bound, Deeds, Feet, Talk, Again, Numbers, Ways, Body, First = -1, Last = -1;
        public bool Arms, IsNamed, HasObject;
        public readonly List<TextSpan> Strange = [], Cut = [];

        public void At(int i)
        {
            First = First < 0 ? i : First;
            Last = i;
        }
    }

    private static ProseClause Judge(List<Lexeme> lexemes, int from, int to, string text)
    {
        var whole = lexemes[from].Span.To(lexemes[to - 1].Span);
        var tally = new Tally();
        for (var i = from; i < to; i++)
        {
            if (lexemes[i].Kind is not (TokenKind.Separator or TokenKind.Open or TokenKind.Close))
            {
                Count(tally, lexemes[i], lexemes[Math.Max(from, i - 1)], i, to - from);
            }
        }

        if (ClauseSigns.ShiftsWeight(lexemes.GetRange(from, to - from)))
        {
            return new ProseClause(ClauseKind.Steps, whole, whole, whole.In(text), to - from, 0, 1, 1, false, false);
        }

        var kind = KindOf(tally, lexemes, from, to);
        if (tally.First < 0 || kind == ClauseKind.Talk)
        {
            var empty = kind == ClauseKind.Talk && tally is { Talk: 0, Strange.Count: 0, Cut.Count: 0 };
            return new ProseClause(
                empty ? ClauseKind.Chant : kind,
                whole,
                whole,
                whole.In(text),
                tally.Bound,
                tally.Strange.Count + tally.Talk,
                tally.Deeds, tally.Feet + tally.Numbers, false, tally.IsNamed);
        }

        var (open, close) = (Opening(lexemes, from, tally.First), tally.Last);
        // What a bracket closes goes with it, and what it opens.
        while (close + 1 < to && lexemes[close + 1].Kind == TokenKind.Close)
        {
            close++;
        }

        open = lexemes.FindIndex(from, open - from, l => l.Kind == TokenKind.Open) is >= 0 and var bracket ? bracket : open;
        var core = lexemes[open].Span.To(lexemes[close].Span);
        var words = core.In(text);
        foreach (var strange in tally.Strange.Concat(tally.Cut)
            .Where(s => s.Start >= core.Start && s.End <= core.End)
            .OrderByDescending(s => s.Start))
        {
            words = new TextSpan(strange.Start - core.Start, strange.Length).Replace(words, "");
        }

        return new ProseClause(kind, whole, core, Tidy(words), tally.Bound + tally.Numbers, tally.Strange.Count, tally.Deeds,
            tally.Feet + tally.Numbers, tally.Body > 0 && tally.Deeds == 0, tally.IsNamed)
        { Objects = tally.HasObject ? 1 : 0 };
    }

    private static ClauseKind KindOf(Tally t, List<Lexeme> lexemes, int from, int to)
    {
        var strange = t.Strange.Count;
        if (IsAsCounted(lexemes, from, to))
        {
            return ClauseKind.Repeat;
        }

        if (IsCounted(lexemes, from, to))
        {
            return ClauseKind.Chant;
        }

        if (lexemes.FindIndex(from, to - from, l => !l.Is(Roles.Then | Roles.And)) is >= 0 and var opener && lexemes[opener].Is(Roles.Not)
            && (from == 0 || (t.Deeds == 0 && t.Body == 0)))
        {
            // "No twisting on the curls": nothing before it that it could take away.
            return ClauseKind.Talk;
        }

        var isTold = t.Deeds > 0 || t.Feet > 0 || t.Ways > 0 || t.Body > 0;
        var kind = t.Talk > 0 ? ClauseKind.Talk
            : !isTold && t.Again == 0 && t.Numbers > 0 && strange == 0 ? ClauseKind.Chant
            : t.Again > 0 && t.Deeds == 0 && strange <= 2 && t.Body == 0 && !(from > 0 && t.Feet > 0 && t.Ways > 0 && strange == 0)
                && !(to < lexemes.Count && lexemes[to].Text == ":" && t.Dirs > 0) ? ClauseKind.Repeat
            : t.Deeds == 0 && IsTwice(lexemes, from, to) ? ClauseKind.Repeat
            : strange == 0 && isTold ? ClauseKind.Steps
            : strange > 0 && t.Deeds > 0 && t.Bound >= (2 * strange) + 1 && t.Feet + t.Ways + t.Numbers > 0 ? ClauseKind.Steps
            : ClauseKind.Talk;
        return kind == ClauseKind.Talk && t.Talk > 0 && t.Deeds + t.Feet > 2 && t.Bound > 2 * (t.Talk + strange) && t.Numbers + t.Feet > 0
            ? ClauseKind.Steps : kind;
    }

    private static void Count(Tally t, Lexeme word, Lexeme before, int i, int length)
    {
        var isDeed = word.Step is not null || (word.Verb is { } verb && !verb.Has(VerbTraits.BareTurn));
        t.Arms &= !isDeed;
        t.IsNamed |= word.Step is not null;
        if (ClauseSigns.IsWeight(word))
        {
            // Where the weight is, said by itself, is told and not danced.
            t.Talk += t.Deeds == 0 ? 1 : 0;
            t.Last = t.Deeds > 0 ? i : t.Last;
        }
        else if (Vocabulary.IsTalk(word.Text) && word.Step is null && word.Foot == Foot.None)
        {
            t.Talk++;
        }
        else if (t.Arms
            && word.Foot == Foot.None
            && word.Times == 0
            && word.Number == 0
            && (!word.IsUnknown || Vocabulary.LeadsIn(word.Text)))
        {
            // "Swing the hands up": what arms do is told in its own words to the end.
            t.Last = i;
        }
        else if (isDeed
            || word.Foot != Foot.None
            || word.Side != 0
            || word.Amount > 0
            || word.Times > 0
            || (word.Direction != Direction.None && !IsLoose(word))
            || word.Is(Roles.Turning | Roles.Turn | Roles.Wall) || word.Verb is not null || word.Wall is not null)
        {
            t.Bound++;
            t.Deeds += isDeed ? 1 : 0;
            t.Feet += word.Foot != Foot.None ? 1 : 0;
            t.Dirs += word.Direction != Direction.None ? 1 : 0;
            t.Ways += word.Direction != Direction.None || word.Side != 0 || word.Amount > 0 ? 1 : 0;
            t.At(i);
        }
        else if (word.Direction != Direction.None && (length <= 2 || (t.Last >= 0 && t.Last == i - 1)))
        {
            // "Out, out, in, in"; "RF in".
            t.Dirs++;
            t.Ways += length <= 2 || t.Deeds + t.Feet > 0 ? 1 : 0;
            t.At(i);
        }
        else if (word.Is(Roles.OtherSide | Roles.Same | Roles.Again | Roles.Repeat))
        {
            t.Again++;
            t.At(i);
        }
        else if (word.Number > 0)
        {
            t.Numbers += word.Number == 1 && word.Kind == TokenKind.Word ? 0 : 1;
            t.At(i);
        }
        else if (word.Is(Roles.Body | Roles.BodyVerb) && !word.Is(Roles.Filler))
        {
            t.Body++;
            t.Bound++;
            t.Arms = true;
            t.At(i);
        }
        else if (word.IsUnknown
            && !t.HasObject
            && (t.Body > 0 ? Vocabulary.IsOwner(before.Text) : t.Deeds > 0 && Vocabulary.IsOwn(before.Text)))
        {
            // "Touch your claw", "pull the net": what the deed is done to.
            t.HasObject = true;
            t.Cut.Add(word.Span);
        }
        else if (word.IsUnknown)
        {
            // "On the third step" is a place in the step before it.
            if (!(t.Deeds > 0 && Vocabulary.IsOrdinal(word.Text)))
            {
                (Vocabulary.LeadsIn(word.Text) ? t.Cut : t.Strange).Add(word.Span);
            }
        }
        else if (t.Last >= 0 && !word.Is(Roles.Filler))
        {
            t.Last = i;
        }
    }
}
