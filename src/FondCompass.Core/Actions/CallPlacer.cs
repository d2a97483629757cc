using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Actions;

/// <summary>Whether placed actions keep the roles lead and trail or are written out for the right foot leading.</summary>
internal enum CallFeet
{
    Roles,
    Absolute,
}

/// <summary>One action laid on a beat.</summary>
/// <param name="Call">Number of the call within the row, from 0.</param>
/// <param name="Lead">The lead named with the call.</param>
/// <param name="FromForm">It comes from a named step's form, so that its feet are lead (R) and trail (L).</param>
internal sealed record PlacedAction(
    Phrase Phrase, Beat Beat, int Call, string Step, Foot Lead, bool FromForm, bool TurnFlips, bool TurnKeepsTravel, bool AltersEnding = false);

/// <param name="Last">Last whole count used.</param>
/// <param name="Complaint">Why the counts and the steps do not suit each other; null when they do.</param>
internal sealed record Placement(IReadOnlyList<PlacedAction> Actions, int Last, string? Complaint);

/// <summary>Lays the phrases of one row on its counts (docs/script.md, "Counts and steps").</summary>
internal sealed partial class CallPlacer(CallFeet feet)
{
    /// <summary>Most actions one row may give.</summary>
    private const int MostActions = 4_096;

    /// <summary>Twice the counts it needs is a step danced slowly; three times and more is the step repeated.</summary>
    private const int SlowTimes = 2;

    /// <summary>One dancing of one phrase: the forms it may take.</summary>
    private sealed record Block(Phrase Phrase, Foot Lead, IReadOnlyList<StepForm> Forms)
    {
        public bool IsNamed => Phrase.IsNamed;
    }

    /// <param name="phrases">One group of a wording.</param>
    /// <param name="counts">The counts written; null when they follow from the steps.</param>
    /// <param name="next">Where the row begins when no counts are written.</param>
    public Placement Place(IReadOnlyList<Phrase> phrases, CountSpec? counts, Beat next)
    {
        if (counts is not null && phrases.Count == 1)
        {
            if (IsSingleAction(phrases[0], counts))
            {
                return PlaceSingle(phrases[0], counts);
            }

            phrases = [Meant(phrases[0], counts)];
        }

        if (counts is not null && phrases.Count > 1 && phrases.Count == counts.Positions.Count)
        {
            // One count each: "3-4 step R forward, pivot 1/2 left" leaves the pivot alone on its count.
            phrases = phrases.Select(p => p.Step is { Name: "pivot turn" } && p.Feet.Count == 0 ? StandingPivot(p) : p).ToList();
        }

        var blocks = Expand(phrases, counts);
        return MarkAlteredEnding(blocks, PlaceBlocks(blocks, counts, next, phrases.Any(p => p.Slow) ? 2 : 1));
    }

    private Placement PlaceBlocks(List<Block> blocks, CountSpec? counts, Beat next, int slow)
    {
        if (counts is null || counts.Positions.Count == 1)
        {
            if (counts?.Split is { } split && OnPositions(blocks, counts, split) is { } halves)
            {
                return halves;
            }

            return Natural(blocks, counts is null ? WithEndings(blocks) : Usual(blocks, alone: blocks.Count == 1), counts?.First ?? next, slow, null);
        }

        return counts.IsRange
            ? OnSpan(blocks, counts)
            : OnPositions(blocks, counts, counts.Positions) ?? AgainOnPositions(blocks, counts) ?? Forced(blocks, counts);
    }

    /// <summary>"&amp;1&amp;2 double step L": as many positions as two or more dancings have; feet alternate.</summary>
    private Placement? AgainOnPositions(List<Block> blocks, CountSpec counts)
    {
        var usual = Usual(blocks);
        var needed = usual.Sum(PositionsOf);
        return needed > 1 && counts.Positions.Count > needed && counts.Positions.Count % needed == 0
            ? OneEach(Again(blocks, counts.Positions.Count / needed), [.. Enumerable.Repeat(usual, counts.Positions.Count / needed).SelectMany(u => u)], counts.Positions)
            : null;
    }

    /// <summary>The blocks danced over and over: a foot named for a step leads the first time only.</summary>
    private static List<Block> Again(List<Block> blocks, int times) => [.. Enumerable.Range(0, times).SelectMany(i => blocks.Select(b =>
        i == 0 ? b : b with { Lead = Foot.None, Phrase = b.Phrase with { Feet = b.IsNamed ? [] : b.Phrase.Feet } }))];

    /// <summary>The steps a name can stand for here, those whose counts suit best; the one meant stands first.</summary>
    public static IReadOnlyList<NamedStep> Meanings(Phrase phrase, CountSpec counts)
    {
        var best = Suits(phrase.Step!, counts);
        var others = phrase.Otherwise.Select(s => (Step: s, Suits: Suits(s, counts))).ToList();
        var most = Math.Max(best, others.Select(o => o.Suits).DefaultIfEmpty(0).Max());
        return [.. best == most ? [phrase.Step!] : Array.Empty<NamedStep>(), .. others.Where(o => o.Suits == most && most > 0).Select(o => o.Step)];
    }

    private static Phrase Meant(Phrase phrase, CountSpec counts) =>
        phrase.Otherwise.Count == 0 || Meanings(phrase, counts)[0] is var step && step == phrase.Step ? phrase : phrase with { Step = step, Name = step.Name };

    /// <summary>2 when some form of the step fills just these counts in its own rhythm, 1 when it has an action for each, else 0.</summary>
    private static int Suits(NamedStep step, CountSpec counts) => step.Forms.Max(f =>
        counts.IsRange && f.Counts == counts.Span ? 2
        : f.Positions != counts.Positions.Count && f.Positions != counts.Split?.Count ? 0
        : counts.IsRange ? 1 : 2);

    private static bool IsSingleAction(Phrase phrase, CountSpec counts)
    {
        // "Alone on one count" a pivot is a turn on the standing foot.
        var standingPivot = phrase.Step is { Name: "pivot turn" } && counts.Positions.Count == 1;
        return (!phrase.IsNamed || standingPivot) && phrase.Feet.Count <= 1 && phrase.Times == 1 && !phrase.Plural;
    }

    private static Placement PlaceSingle(Phrase phrase, CountSpec counts)
    {
        if (phrase.Step is { Name: "pivot turn" })
        {
            phrase = StandingPivot(phrase);
        }

        var positions = counts.IsList ? counts.Positions : [counts.First];
        var actions = positions.Select((beat, i) => Single(phrase, beat, i)).ToList();
        return new Placement(actions, counts.Last.Number, null);
    }

    private static Phrase StandingPivot(Phrase phrase) => phrase with { Verb = Verbs.Find("pivot"), Step = null, Name = "pivot" };

    private static PlacedAction Single(Phrase phrase, Beat beat, int call) =>
        new(phrase, beat, call, phrase.Name, Foot.None, FromForm: false, TurnFlips: false, TurnKeepsTravel: false);

    /// <summary>One block for every dancing: feet listed, "x2", plurals and steps that repeat by nature.</summary>
    private static List<Block> Expand(IReadOnlyList<Phrase> phrases, CountSpec? counts)
    {
        var blocks = new List<Block>();
        foreach (var phrase in phrases)
        {
            IReadOnlyList<StepForm> forms = phrase.Step?.Forms ?? [];
            var times = Math.Max(1, phrase.Feet.Count) * phrase.Times;
            var fills = phrase.Plural || phrase.Step is { Repeats: true };
            if (times == 1 && fills && phrases.Count == 1 && counts is not null)
            {
                var size = counts.IsRange ? forms.Count > 0 ? forms[0].Counts : 1 : forms.Count > 0 ? forms[0].Positions : 1;
                var room = counts.IsRange ? counts.Span : counts.Positions.Count;
                times = Math.Max(1, room / size);
            }

            // More repeats than the counts could hold, even at four to a count, are not tried.
            times = Math.Min(times, counts is null ? MostActions : Math.Max(16, counts.Span * 4));
            for (var i = 0; i < times && blocks.Count < MostActions; i++)
            {
                var foot = phrase.Feet.Count > 0 ? phrase.Feet[i % phrase.Feet.Count] : Foot.None;
                // A single foot named for a plural is the first lead; the others follow from the free foot. Only what leaves
                // the weight where it is can be done again by the same foot.
                var same = phrase.Times > 1 && phrase.Verb is { Kind: not VerbKind.Takes };
                var named = phrase.Feet.Count != 1 || i == 0 || same ? foot : Foot.None;
                blocks.Add(new Block(phrase with { Feet = named == Foot.None ? [] : [named] }, named, forms));
            }
        }

        return blocks;
    }

    /// <summary>"vine R with brush": the touch that would end the step makes room for the ending that is named.</summary>
    private static List<StepForm?> WithEndings(List<Block> blocks)
    {
        var usual = Usual(blocks);
        for (var i = 0; i + 1 < blocks.Count; i++)
        {
            if (usual[i] is { Actions: [.., { Phrase.Verb.Kind: VerbKind.Leaves }] } form && blocks[i + 1] is { IsNamed: false, Phrase.Verb.Kind: VerbKind.Leaves }
                && blocks[i].Forms.FirstOrDefault(f => f.Counts == form.Counts - 1 && Outline(f).SequenceEqual(Outline(form).SkipLast(1))) is { } shorter)
            {
                usual[i] = shorter;
            }
        }

        return usual;
    }

    private static IEnumerable<(Tick At, Verb? Verb, Direction Direction)> Outline(StepForm form) => form.Actions.Select(a => (a.At, a.Phrase.Verb, a.Phrase.Direction));

    /// <param name="alone">One count is written: "5 side rock R" is the rock only, where the step has a form of one count.</param>
    private static List<StepForm?> Usual(List<Block> blocks, bool alone = false) => blocks.ConvertAll(b =>
        !b.IsNamed ? null : (alone ? b.Forms.FirstOrDefault(f => f.Positions == 1 && f.Counts == 1) : null) ?? b.Forms[0]);

    private static int CountsOf(StepForm? form) => form?.Counts ?? 1;

    private static int PositionsOf(StepForm? form) => form?.Positions ?? 1;

    /// <summary>Every choice of forms, the same form for the same step; a handful at the most.</summary>
    private static IEnumerable<List<StepForm?>> Choices(List<Block> blocks)
    {
        var steps = blocks.Where(b => b.IsNamed).Select(b => b.Phrase.Step!).Distinct().Take(4).ToList();
        var choice = new int[steps.Count];
        while (true)
        {
            yield return blocks.ConvertAll(b => b.IsNamed ? b.Forms[Math.Max(0, steps.IndexOf(b.Phrase.Step!)) is var i && i < choice.Length ? choice[i] : 0] : null);
            var at = 0;
            while (at < steps.Count && ++choice[at] >= steps[at].Forms.Count)
            {
                choice[at++] = 0;
            }

            if (at == steps.Count)
            {
                yield break;
            }
        }
    }

    private Placement OnSpan(List<Block> blocks, CountSpec counts)
    {
        var span = counts.Span;
        foreach (var forms in Choices(blocks))
        {
            if (forms.Sum(CountsOf) == span)
            {
                return Natural(blocks, forms, counts.First, 1, null);
            }
        }

        if (OnPositions(blocks, counts, counts.Positions) is { } placed)
        {
            return placed;
        }

        var usual = Usual(blocks);
        var natural = usual.Sum(CountsOf);
        if (span % natural == 0)
        {
            var times = span / natural;
            return times == SlowTimes
                ? Natural(blocks, usual, counts.First, times, null)
                : Natural(Again(blocks, times), [.. Enumerable.Range(0, times).SelectMany(_ => usual)], counts.First, 1, null);
        }

        if (span > natural)
        {
            return Natural(blocks, usual, counts.First, 1, null) with { Last = counts.Last.Number };
        }

        return Squeezed(blocks, usual, counts) ?? Forced(blocks, counts);
    }

    /// <summary>One position for each action, when some choice of forms has as many; else an altered ending.</summary>
    private Placement? OnPositions(List<Block> blocks, CountSpec counts, IReadOnlyList<Beat> positions)
    {
        if (counts.Split is { } halves && ReferenceEquals(positions, counts.Positions) && Usual(blocks) is var usual && usual.Sum(PositionsOf) == halves.Count)
        {
            return OneEach(blocks, usual, halves);
        }

        foreach (var forms in Choices(blocks))
        {
            if (forms.Sum(PositionsOf) == positions.Count)
            {
                return OneEach(blocks, forms, positions);
            }
        }

        if (WithEnding(blocks, positions) is { } ending)
        {
            return ending;
        }

        return counts.Split is { } split && !ReferenceEquals(positions, split) ? OnPositions(blocks, counts, split) : null;
    }

    /// <summary>"jazz box R, touch L": the last actions of the form give way to the ones written after it.</summary>
    private Placement? WithEnding(List<Block> blocks, IReadOnlyList<Beat> positions)
    {
        if (blocks.Count < 2 || !blocks[0].IsNamed || blocks.Skip(1).Any(b => b.IsNamed))
        {
            return null;
        }

        var form = blocks[0].Forms.FirstOrDefault(f => f.Positions == positions.Count);
        if (form is null)
        {
            return null;
        }

        var kept = positions.Count - (blocks.Count - 1);
        if (kept < 1)
        {
            return null;
        }

        var cut = new StepForm(form.Actions.Where(a => form.PositionOf(a) < kept).ToList(), kept);
        return OneEach(blocks, [cut, .. Enumerable.Repeat<StepForm?>(null, blocks.Count - 1)], positions);
    }

    /// <summary>Marks what is danced in place of a known step's own ending: "vine R, brush L" (rules, free-foot trap).</summary>
    private static Placement MarkAlteredEnding(List<Block> blocks, Placement placed)
    {
        if (blocks.Count < 2 || !blocks[0].IsNamed || blocks.Skip(1).Any(b => b.IsNamed) || blocks[0].Phrase.Step!.Repeats)
        {
            return placed;
        }

        var usual = blocks[0].Forms[0];
        var kept = placed.Actions.Count(a => a.Call == 0);
        var told = placed.Actions.Where(a => a.Call > 0).Select(a => a.Phrase.Verb?.Name).ToList();
        var own = usual.Actions.Skip(kept).Select(a => a.Phrase.Verb?.Name).ToList();
        var begins = usual.Actions.Take(kept).Select(a => a.Phrase.Verb?.Name).SequenceEqual(placed.Actions.Take(kept).Select(a => a.Phrase.Verb?.Name));
        return !begins || own.Count != told.Count || own.SequenceEqual(told)
            ? placed
            : placed with { Actions = placed.Actions.Select(a => a.Call > 0 ? a with { AltersEnding = true } : a).ToList() };
    }

    private Placement OneEach(List<Block> blocks, List<StepForm?> forms, IReadOnlyList<Beat> positions)
    {
        var actions = new List<PlacedAction>();
        var at = 0;
        for (var i = 0; i < blocks.Count; i++)
        {
            var form = forms[i];
            var start = at;
            Add(actions, blocks[i], form, i, a => positions[start + form!.PositionOf(a)], positions[at]);
            at += PositionsOf(form);
        }

        return new Placement(Spread(actions), positions[^1].Number, null);
    }

    private Placement Natural(List<Block> blocks, List<StepForm?> forms, Beat first, int slower, string? complaint)
    {
        var actions = new List<PlacedAction>();
        var start = first.ToTick(swing: false, bothInCount: false);
        for (var i = 0; i < blocks.Count && actions.Count < MostActions; i++)
        {
            var from = start;
            Add(actions, blocks[i], forms[i], i, a => Beat.FromStraightTick(from + new Tick(a.At.Value * slower))!.Value, Beat.FromStraightTick(from)!.Value);
            start += Tick.FromCounts(CountsOf(forms[i]) * slower);
        }

        var end = start - new Tick(1);
        return new Placement(Spread(actions), Math.Max(first.Number, (end.Value / Tick.PerCount) + 1), complaint);
    }

    /// <summary>All actions evenly in fewer counts, where that falls on nameable positions.</summary>
    private Placement? Squeezed(List<Block> blocks, List<StepForm?> forms, CountSpec counts)
    {
        var needed = forms.Sum(PositionsOf);
        var ticks = counts.Span * Tick.PerCount;
        if (ticks % needed != 0 || ticks / needed % 6 != 0)
        {
            return null;
        }

        var start = counts.First.ToTick(swing: false, bothInCount: false);
        var positions = Enumerable.Range(0, needed)
            .Select(i => Beat.FromStraightTick(start + new Tick(i * (ticks / needed)))!.Value)
            .ToList();
        return OneEach(blocks, forms, positions) with
        {
            Last = counts.Last.Number,
            Complaint = $"'{blocks[0].Phrase.Name}' takes {forms.Sum(CountsOf)} counts of its own and has {counts.Span} here, so it is danced faster. Write {forms.Sum(CountsOf)} counts, or the halves ('1&2&'), if that is meant.",
        };
    }

    /// <summary>The counts do not suit: actions go on the positions there are, the rest is left out and said.</summary>
    private Placement Forced(List<Block> blocks, CountSpec counts)
    {
        var usual = Usual(blocks);
        var needed = usual.Sum(PositionsOf);
        var positions = counts.Positions.Concat(Enumerable.Repeat(counts.Last, Math.Max(0, needed - counts.Positions.Count))).ToList();
        var all = OneEach(blocks, usual, positions);
        var name = blocks.Count == 1 ? $"'{blocks[0].Phrase.Name}'" : "This row";
        var kept = needed > counts.Positions.Count ? all.Actions.Take(counts.Positions.Count).ToList() : all.Actions;
        var complaint = needed > counts.Positions.Count
            ? $"{name} has {needed} actions but only {counts.Positions.Count} counts are written, so the last {needed - counts.Positions.Count} are left out. Write {needed} counts, or spell out what is danced."
            : $"{name} has {needed} actions and {counts.Positions.Count} counts are written; the rest is held. Write 'hold' there if that is meant.";
        return new Placement(kept, counts.Last.Number, complaint);
    }
}
