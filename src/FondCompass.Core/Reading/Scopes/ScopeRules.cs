using FondCompass.Core.Lexicon;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>What can be seen of the clauses of a list that leaves a scope open; the names are those of scopes.yaml.</summary>
internal static class ScopeRules
{
    /// <summary>One way to take a list: what is meant, and what it costs beside the plainest way.</summary>
    /// <param name="When">The sign that it is a candidate by.</param>
    /// <param name="Body">The cost of arms and hips that take counts of their own is added.</param>
    /// <param name="Times">The cost of what a number said last repeats is added.</param>
    /// <param name="Once">It says itself what the number repeats.</param>
    /// <param name="Doubt">What else the words may mean; empty where the list's own doubt is told.</param>
    public sealed record Rule(string When, ListScope Scope, int Cost, bool Body, bool Times, bool Once, string Doubt);

    private static readonly Lazy<IReadOnlyList<Rule>> Read = new(() => [.. LexiconFiles.Read<List<Row>>("scopes.yaml")
        .Select(r => new Rule(r.When, r.Take.Aggregate(new ListScope(), Taken), r.Cost, r.Body, r.Times, r.Once, r.Doubt))]);

    /// <summary>All ways, the plainest first.</summary>
    public static IReadOnlyList<Rule> All => Read.Value;

    /// <summary>The signs that are seen in a list.</summary>
    public static HashSet<string> SignsOf(List<PhraseDraft> drafts)
    {
        var trailing = EndsWithTimes(drafts);
        var between = IsTurnBetween(drafts);
        var bodies = drafts.Exists(d => d.Body is not null) && drafts.Exists(d => d.Body is null && d.HasHead);
        var explained = drafts.Exists(d => d.Joint == ClauseJoint.Comma) && drafts.Exists(d => d.Step is not null);
        (string Sign, bool IsSeen)[] signs =
        [
            ("times behind joined words", trailing && drafts[^1].GoesOn && drafts.Skip(1).Any(d => !d.GoesOn)),
            ("step and commas", explained),
            ("body", bodies && !drafts.Exists(d => d.CountsBySides)),
            ("body by sides", bodies && drafts.Exists(d => d.CountsBySides)),
            ("turn between deeds", between && !trailing),
            ("plain", !explained || trailing || between),
            ("plain beside an explanation", explained && !trailing && !between),
            ("and", drafts.Exists(d => d.Joint == ClauseJoint.And && d.HasHead)),
            ("turn alone", drafts.Exists(d => d.IsTurnOnly)),
            ("pivot on a step", drafts.Exists(ListScopes.MayPivot)),
            ("unknown words", drafts.Exists(d => !d.HasHead && d.Unread.Count > 0) && drafts.Exists(d => d.HasHead)),
            ("sound", drafts.Exists(d => d.Joint is ClauseJoint.Then or ClauseJoint.And
                && d.Verb is { } heard
                && heard.Has(VerbTraits.Sound))),
        ];
        return [.. signs.Where(s => s.IsSeen).Select(s => s.Sign)];
    }

    /// <summary>A number said last, of nothing but itself: it may repeat the whole list or its last item.</summary>
    public static bool EndsWithTimes(List<PhraseDraft> drafts) =>
        drafts.Count > 1 && drafts[^1].TimesSaid && !drafts.Exists(d => d.IsRepeat) && drafts.Count(d => d.TimesSaid) == 1;

    public static bool IsTurnBetween(List<PhraseDraft> drafts) =>
        Enumerable.Range(1, Math.Max(0, drafts.Count - 2)).Any(i => ListScopes.IsBetween(drafts[i - 1], drafts[i], drafts[i + 1]));

    private static ListScope Taken(ListScope scope, string take) => take switch
    {
        "explained" => scope with { Explained = true },
        "body along" => scope with { BodyAlong = true },
        "sound along" => scope with { SoundAlong = true },
        "styled" => scope with { Styled = true },
        "times for clause" => scope with { TimesForClause = true },
        "turns ahead" => scope with { TurnsAhead = true },
        "turns alone" => scope with { TurnsAlone = true },
        "pivots apart" => scope with { PivotsApart = true },
        "then" => scope with { And = AndMeans.Then },
        "together" => scope with { And = AndMeans.Together },
        _ => throw new FormatException(StepTexts.NoWayToTakeAList(take)),
    };

    private sealed class Row
    {
        public string When { get; set; } = "";

        public List<string> Take { get; set; } = [];

        public int Cost { get; set; }

        public bool Body { get; set; }

        public bool Times { get; set; }

        public bool Once { get; set; }

        public string Doubt { get; set; } = "";
    }
}
