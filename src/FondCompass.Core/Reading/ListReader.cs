using FondCompass.Core.Lexicon;
using FondCompass.Core.Reading.Clauses;
using FondCompass.Core.Reading.Scopes;
using FondCompass.Core.Text;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Reading;

/// <summary>
/// Clauses become a list of deeds: turns, ways, numbers and feet that stand alone find what they belong to, brackets are repeated or
/// taken as an explanation. Where the words leave two sensible scopes, both are given (reading, section 2).
/// </summary>
internal sealed partial class ListReader
{
    /// <summary>Deeds that one row may hold.</summary>
    private const int MostDeeds = 512;

    /// <summary>Brackets inside brackets that are looked into.</summary>
    private const int Deepest = 6;

    /// <summary>What a turn between commas costs as a deed of its own, where the counts do not ask for it.</summary>
    internal const int TurnAlone = 3;

    private readonly List<Lexeme> _words;
    private readonly string _text;
    private readonly string _genre;

    private ListReader(List<Lexeme> words, string text, string genre) => (_words, _text, _genre) = (words, text, genre);

    public static List<RowReading> Read(List<Lexeme> words, string text, string genre)
    {
        var reader = new ListReader(words, text, genre);
        var drafts = reader.Drafts(0, words.Count, 0);
        return reader.Candidates(drafts);
    }

    /// <summary>All clauses of a stretch, brackets unfolded.</summary>
    private List<PhraseDraft> Drafts(int from, int to, int depth)
    {
        var drafts = new List<PhraseDraft>();
        var joint = ClauseJoint.None;
        var start = from;
        // Nothing but brackets before: "(vine R) (vine L)" are two groups, where "vine R (side, behind, side)" explains.
        var isGroup = true;
        // Where the word stands that a clause opens with: "without", "like".
        var opening = 0;
        for (var i = from; i <= to; i++)
        {
            var next = i < to ? JointAt(i, start) : ClauseJoint.Comma;
            var opens = i < to && _words[i].Kind == TokenKind.Open;
            if (i < to && next == ClauseJoint.None && !opens && _words[i].Kind != TokenKind.Close)
            {
                continue;
            }

            if (i > start)
            {
                var clause = ClauseReader.Read(_words, start, i, _text, _genre);
                if (joint is ClauseJoint.Without or ClauseJoint.Instead or ClauseJoint.With)
                {
                    clause.ForEach(d => d.Opening = _words[opening].Span);
                }

                isGroup &= clause.Count == 0;
                Append(drafts, clause, ref joint);
            }

            opening = next is ClauseJoint.Without or ClauseJoint.Instead or ClauseJoint.With ? i : opening;
            start = i + 1;
            if (opens)
            {
                var close = Closing(i, to);
                joint = Bracket(drafts, (i + 1, close), depth, joint, AfterTimes(i, close, to) is var times ? times.Count : 1, isGroup);
                i = times.Next - 1;
                start = times.Next;
                continue;
            }

            joint = Stronger(joint, next);
        }

        return drafts;
    }

    private static void Append(List<PhraseDraft> drafts, List<PhraseDraft> clause, ref ClauseJoint joint)
    {
        for (var i = 0; i < clause.Count && drafts.Count < MostDeeds; i++)
        {
            clause[i].Joint = joint is ClauseJoint.Without or ClauseJoint.Instead ? joint
                : i > 0 ? ClauseJoint.Comma
                : drafts.Count == 0 ? ClauseJoint.None
                : joint == ClauseJoint.None ? ClauseJoint.Comma : joint;
            clause[i].GoesOn = i > 0;
            if (clause[i].SaysNothing && !clause[i].IsPaceOnly && clause[i].Joint is not (ClauseJoint.Without or ClauseJoint.Instead))
            {
                continue;
            }

            drafts.Add(clause[i]);
        }

        if (clause.Count > 0)
        {
            joint = ClauseJoint.None;
        }
    }

    /// <summary>Two separators side by side: ", and" goes on, "and then" too.</summary>
    private static ClauseJoint Stronger(ClauseJoint a, ClauseJoint b) => (a, b) switch
    {
        (ClauseJoint.None, _) => b,
        (_, ClauseJoint.None) => a,
        (ClauseJoint.Without or ClauseJoint.Instead, _) => a,
        (_, ClauseJoint.Without or ClauseJoint.Instead) => b,
        (ClauseJoint.Comma or ClauseJoint.Then, ClauseJoint.With) => ClauseJoint.With,
        (ClauseJoint.And, ClauseJoint.With) => ClauseJoint.With,
        (ClauseJoint.Colon, _) => ClauseJoint.Colon,
        (ClauseJoint.And, ClauseJoint.And) => ClauseJoint.And,
        _ => ClauseJoint.Then,
    };

    private ClauseJoint JointAt(int at, int start)
    {
        var word = _words[at];
        if (word.Kind == TokenKind.Separator)
        {
            return word.Text is ":" or "=" ? ClauseJoint.Colon : ClauseJoint.Comma;
        }

        if (word.Text == "so" && at > start)
        {
            return ClauseJoint.Colon;
        }

        if (word.Step is not null || word.Verb is not null)
        {
            return ClauseJoint.None;
        }

        if (word.Is(Roles.Not) || word.Is(Roles.Instead))
        {
            return word.Is(Roles.Not) ? ClauseJoint.Without : ClauseJoint.Instead;
        }

        if (word.Is(Roles.Then))
        {
            return ClauseJoint.Then;
        }

        if (word.Is(Roles.And))
        {
            return ClauseJoint.And;
        }

        // "Vine with the sun" is one lexeme; "by" and "when" part clauses only where a deed stood before.
        return word.Is(Roles.With) && !(word.Is(Roles.Filler) && word.Text is not ("with" or "as")) ? ClauseJoint.With : ClauseJoint.None;
    }

    /// <summary>The list taken in each way that its words leave open, by the rules of scopes.yaml.</summary>
    private List<RowReading> Candidates(List<PhraseDraft> drafts)
    {
        var signs = ScopeRules.SignsOf(drafts);
        var trailing = ScopeRules.EndsWithTimes(drafts);
        var parted = drafts.TrueForAll(d => !d.IsTurnOnly || d.StandsApart);
        // "…, clap four times": what is heard is repeated by itself, before all else is.
        var alone = trailing && drafts[^1].Verb is { Kind: VerbKind.NoFoot };
        var body = signs.Contains("body") || signs.Contains("body by sides") ? BodyApart : 0;
        var candidates = new List<RowReading>();
        void Try(ScopeRules.Rule rule, ListScope scope, int cost, string doubt)
        {
            var read = ListScopes.Read(drafts.ConvertAll(d => d.Copy()), scope, _text);
            if (!candidates.Exists(c => SameItems(c, read)))
            {
                candidates.Add(read with
                {
                    Cost = read.Cost + rule.Cost + (rule.Body ? body : 0) + cost,
                    Doubt = doubt,
                    AtOnce = scope.And == AndMeans.Together,
                    TurnsAlone = scope.TurnsAlone && parted,
                });
            }
        }

        foreach (var rule in ScopeRules.All.Where(r => r.Once && signs.Contains(r.When)))
        {
            Try(rule, rule.Scope, 0, rule.Doubt);
        }

        foreach (var whole in trailing ? alone ? new[] { false, true } : [true, false] : [false])
        {
            var otherwise = trailing ? whole ? StepTexts.OnlyTheLastIsRepeated : StepTexts.WholeListIsRepeated : "";
            foreach (var rule in ScopeRules.All.Where(r => !r.Once && signs.Contains(r.When)))
            {
                var doubt = rule.Doubt.Length > 0 ? rule.Doubt
                    : signs.Contains("turn between deeds") && !rule.Scope.Explained && !rule.Scope.BodyAlong
                    ? StepTexts.TurnComesBeforeStep : otherwise;
                Try(rule, rule.Scope with { TimesForAll = whole }, rule.Times && trailing && whole == alone ? 1 : 0, doubt);
            }
        }

        return candidates;
    }

    /// <summary>What arms and hips cost that take counts of their own, beside steps that fill theirs.</summary>
    private const int BodyApart = 2;

    private static bool SameItems(RowReading a, RowReading b) =>
        a.Items.Count == b.Items.Count
            && a.Items.Zip(b.Items)
                .All(p => p.First.Together.Count == p.Second.Together.Count
                    && p.First.Together.Zip(p.Second.Together)
                        .All(q => PhraseText.Same(q.First, q.Second) && q.First.IsRepeat == q.Second.IsRepeat));
}
