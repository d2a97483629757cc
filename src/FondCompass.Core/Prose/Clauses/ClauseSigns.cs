using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Prose.Clauses;

/// <summary>
/// What the words of a clause say of its place among the others: that it explains, tells beside the steps, counts or turns what stands
/// before it.
/// </summary>
internal static class ClauseSigns
{
    /// <param name="explains">What stands before it is a mark that explains.</param>
    public static ProseClause Of(ProseClause clause, List<Lexeme> lexemes, int from, int to, bool explains)
    {
        var words = lexemes.GetRange(from, to - from);
        var before = from > 0 ? lexemes[from - 1] : null;
        var isAside = IsAside(lexemes, from);
        return clause with
        {
            Names = [.. words.Select(l => (object?)l.Step ?? l.Verb).OfType<object>()],
            Explains = explains || ProseForms.Explains(words[0].Text),
            IsThen = words[0].Is(Roles.Then),
            IsAside = isAside,
            IsJoined = isAside && before is { IsSeparator: false } && !before.Is(Roles.And | Roles.Then),
            IsWhile = ProseForms.IsWhile(words[0].Text),
            IsFromThere = words.Exists(l => l.Is(Roles.Again)) && words.Exists(l => Vocabulary.StaysOut(l.Text)),
            IsWayAlone = IsWay(words),
            OnlySides = SidesIn(words),
            SaysSame = words.Exists(l => l.Is(Roles.Same | Roles.OtherSide)),
            HasTurn = words.Exists(l => l.Amount > 0 || l.Is(Roles.Turning | Roles.Turn)),
            HasTimes = words.Exists(l => l.Times > 1),
            Count = words.Find(l => l.Number > 1)?.Number ?? 0,
            Each = EachIn(words),
            Weight = WeightIn(words),
            GoesOn = words.FindAll(l => l.Verb is not null) is [{ Text: var going }] && going.EndsWith("ing", StringComparison.Ordinal),
        };
    }

    /// <summary>
    /// Words begin here that only tell beside the steps: "until", "as you"; "so we" only behind others, for at the beginning it leads on.
    /// </summary>
    public static bool IsAside(List<Lexeme> lexemes, int i) =>
        ProseForms.IsAside(lexemes[i].Text)
        || (i + 1 < lexemes.Count
            && (i > 0 || !ProseForms.Explains(lexemes[i].Text))
            && ProseForms.IsAside($"{lexemes[i].Text} {lexemes[i + 1].Text}"));

    /// <summary>"Two counts each" begins here: with or without a comma it is the length of each step before it.</summary>
    public static bool IsLengthAt(List<Lexeme> lexemes, int i) =>
        (lexemes[i].Number > 0 && i + 2 < lexemes.Count && lexemes[i + 1].Is(Roles.Counts)
            && lexemes.Skip(i + 2).SkipWhile(l => l.Is(Roles.For)).FirstOrDefault() is { } last && last.Is(Roles.Each))
        || (lexemes[i].Is(Roles.Each) && i + 2 < lexemes.Count && lexemes[i + 1].Number > 0 && lexemes[i + 2].Is(Roles.Counts));

    /// <summary>"Four of them" begins here: how many of what stands before it.</summary>
    public static bool IsOfThemAt(List<Lexeme> lexemes, int i) => lexemes[i].Number > 0 && i + 2 < lexemes.Count
        && ProseForms.Says("of them", $"{lexemes[i].Text} {lexemes[i + 1].Text} {lexemes[i + 2].Text}");

    /// <summary>A word of the weight.</summary>
    public static bool IsWeight(Lexeme word) => Vocabulary.IsWeight(word.Text);

    /// <summary>"Weight forward onto the right": the weight goes there, a deed of its own.</summary>
    public static bool ShiftsWeight(List<Lexeme> words) =>
        words.FindIndex(IsWeight) is >= 0 and var at && words.TrueForAll(w => w.Step is null && w.Verb is null)
            && at + 1 < words.Count
            && words[at + 1].Direction is Direction.Forward or Direction.Back
            && words.Skip(at + 2).Any(w => w.Foot.IsSingle());

    /// <summary>"Eight of them": it counts what stands before it.</summary>
    public static ProseClause? OfThem(List<Lexeme> lexemes, int from, int to, string text)
    {
        var whole = lexemes[from].Span.To(lexemes[to - 1].Span);
        return ProseForms.Says("of them", whole.In(text))
            ? new ProseClause(ClauseKind.Steps, whole, whole, whole.In(text), 1, 0, 0, 1, false, false)
            : null;
    }

    /// <summary>"To the left" and no deed.</summary>
    private static bool IsWay(List<Lexeme> words)
    {
        var said = words.FindAll(l => l.Side != 0 || l.Foot != Foot.None || !l.Is(Roles.Then | Roles.Filler | Roles.And | Roles.To));
        return said is [{ Side: not 0, Verb: null, Step: null } side]
            && (side.Words > 1 || words.Exists(l => l.Is(Roles.To) && l.Words == 1));
    }

    /// <summary>"Left and right", "then to the left".</summary>
    private static List<Foot> SidesIn(List<Lexeme> words)
    {
        var said = words.FindAll(l => l.Foot != Foot.None || l.Side != 0);
        return words.TrueForAll(l => said.Contains(l) || (l.Step is null && l.Verb is null && l.Number == 0 && l.Amount == 0
                && l.Is(Roles.Then | Roles.Filler | Roles.And | Roles.To | Roles.Foot | Roles.Again)))
            && said.TrueForAll(l => l.Step is null && l.Verb is null && (l.Foot == Foot.None || l.Foot.IsSingle()))
                ? said.ConvertAll(l => l.Foot.IsSingle() ? l.Foot : l.Side > 0 ? Foot.Right : Foot.Left) : [];
    }

    /// <summary>"Two counts for each": so many counts a step, and no deed; 0 where it is not said.</summary>
    private static int EachIn(List<Lexeme> words) =>
        words.Exists(l => l.Is(Roles.Each)) && words.Exists(l => l.Is(Roles.Counts))
            && words.TrueForAll(l => l.Verb is null && l.Step is null && l.Foot == Foot.None)
                ? words.Find(l => l.Number > 0)?.Number ?? 0
                : 0;

    /// <summary>"Your weight is left", "weight on R": words of weight before a foot or side, and no deed.</summary>
    private static Foot WeightIn(List<Lexeme> words)
    {
        var at = words.FindIndex(IsWeight);
        var foot = at < 0 || ShiftsWeight(words) || words.Exists(w => w.Step is not null)
            ? null
            : words.Find(w => w.Foot.IsSingle() || w.Side != 0);
        return foot is null ? Foot.None : foot.Foot.IsSingle() ? foot.Foot : foot.Side > 0 ? Foot.Right : Foot.Left;
    }
}
