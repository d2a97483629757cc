using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Actions;

/// <summary>One way to lay a row's deeds on its counts.</summary>
/// <param name="Last">Last whole count used.</param>
/// <param name="Cost">How far the steps had to bend to the counts: 0 when they fill them in their own rhythm.</param>
/// <param name="Complaint">Why the counts and the steps do not suit each other; null when they do.</param>
internal sealed record Placement(IReadOnlyList<PlacedAction> Actions, int Last, int Cost, string? Complaint = null);

/// <summary>
/// Lays the deeds of one reading on its counts (reading, promise 2; docs/script.md, "Counts and steps"). Written counts are filled exactly:
/// what needs fewer is held or danced slowly, what needs more is fitted inside, and both are said.
/// </summary>
internal sealed class Placer
{
    /// <summary>Twice the counts it needs is a step danced slowly; three times and more is the step repeated.</summary>
    private const int SlowTimes = 2;

    /// <summary>Ways to fit that are compared.</summary>
    private const int MostFits = 6;

    private readonly Wording _wording;
    private readonly CountSpec? _counts;
    private readonly Beat _next;
    private readonly bool _absolute;
    private readonly int _slow;
    private readonly List<Placement> _found = [];
    private List<StepDancing> _dancings = [];

    private Placer(Wording wording, CountSpec? counts, Beat next, bool absolute)
    {
        (_wording, _counts, _next, _absolute) = (wording, counts, next, absolute);
        _slow = wording.Items.Any(i => i.Main.Slow) ? 2 : 1;
    }

    /// <param name="wording">One reading of the row.</param>
    /// <param name="counts">The counts written; null when they follow from the steps.</param>
    /// <param name="next">Where the row begins when no counts are written.</param>
    /// <param name="absolute">Feet are written out for the right foot leading, as an own step's form wants them.</param>
    /// <returns>At least one way; the most natural first.</returns>
    public static IReadOnlyList<Placement> Place(Wording wording, CountSpec? counts, Beat next, bool absolute = false) =>
        new Placer(wording, counts, next, absolute).Place();

    /// <summary>The steps a name can stand for here, those whose counts suit best; the one meant stands first.</summary>
    public static IReadOnlyList<NamedStep> Meanings(Phrase phrase, CountSpec counts)
    {
        var best = Suits(phrase.Step!, counts);
        var others = phrase.Otherwise.Select(s => (Step: s, Suits: Suits(s, counts))).ToList();
        var most = Math.Max(best, others.Select(o => o.Suits).DefaultIfEmpty(0).Max());
        return [.. best == most ? [phrase.Step!] : Array.Empty<NamedStep>(), .. others.Where(o => o.Suits == most && most > 0).Select(o => o.Step)];
    }

    /// <summary>2 when some form of the step fills just these counts in its own rhythm, 1 when it has an action for each, else 0.</summary>
    private static int Suits(NamedStep step, CountSpec counts) => step.Forms.Max(f =>
        counts.IsRange && f.Counts == counts.Span ? 2
        : f.Positions != counts.Positions.Count && f.Positions != counts.Split?.Count ? 0
        : counts.IsRange ? 1 : 2);

    private List<Placement> Place()
    {
        var wording = _wording;
        if (_counts is not null && wording.Items is [{ Main: { Otherwise.Count: > 0 } phrase } only] && Meanings(phrase, _counts)[0] is var step && step != phrase.Step)
        {
            wording = wording with { Items = [new Item([phrase with { Step = step, Name = step.Name }, .. only.Together.Skip(1)])] };
        }

        if (TellsInside(wording) is { } inside)
        {
            _dancings = StepDancing.Of(inside, null, false, false);
            Fit();
            _found.RemoveAll(f => f.Complaint is not null);
        }

        var repeats = wording.Items.Any(i => i.Main is { IsRepeat: true, Feet.Count: > 0 });
        foreach (var open in repeats ? new[] { false, true } : [false])
        {
            var before = _found.Count;
            _dancings = StepDancing.Of(wording, _counts is null ? null : _counts.IsRange ? _counts.Span : _counts.Positions.Count, _counts is { IsRange: true }, open);
            if (_dancings.Count > 0)
            {
                Fit();
            }

            for (var i = before; open && i < _found.Count; i++)
            {
                _found[i] = _found[i] with { Cost = _found[i].Cost + 1 };
            }
        }

        return _found;
    }

    /// <summary>"Heel switches R L" over the counts of one: the feet are those of its inside, not of two dancings.</summary>
    private static Wording? TellsInside(Wording wording)
    {
        if (wording.Items is not [{ Main: { Step: { } step, Feet: [var lead, _, ..] feet, Times: 1 } phrase } item] || !lead.IsSingle())
        {
            return null;
        }

        var inside = new List<Foot>();
        foreach (var action in step.Forms[0].Actions.Where(a => a.Phrase.Foot.IsSingle()))
        {
            var foot = lead == Foot.Right ? action.Phrase.Foot : action.Phrase.Foot.Other();
            if (inside.Count == 0 || inside[^1] != foot)
            {
                inside.Add(foot);
            }
        }

        return inside.SequenceEqual(feet) || step.Forms[0].Actions.Where(a => a.Phrase.Foot.IsSingle()).Select(a => lead == Foot.Right ? a.Phrase.Foot : a.Phrase.Foot.Other()).SequenceEqual(feet)
            ? wording with { Items = [item with { Together = [phrase with { Feet = [lead] }, .. item.Together.Skip(1)] }] }
            : null;
    }

    private void Fit()
    {
        if (_counts is null)
        {
            Natural(Usual(withEndings: true), _next, 0);
        }
        else if (_counts.Positions.Count == 1)
        {
            OnOneCount();
        }
        else if (_counts.IsRange)
        {
            OnSpan();
        }
        else
        {
            OnPositions();
        }
    }

    /// <summary>Everything said of one written count happens inside it.</summary>
    private void OnOneCount()
    {
        if (_counts!.Split is { } split)
        {
            foreach (var forms in Choices().Where(f => f.Sum(PositionsOf) == split.Count))
            {
                OneEach(forms, split, 0);
                return;
            }
        }

        foreach (var forms in Choices().Where(f => f.Sum(PositionsOf) == 1))
        {
            OneEach(forms, _counts.Positions, 0);
        }

        foreach (var forms in Choices().Where(f => f.Sum(PositionsOf) > 1 && f.Exists(x => x is not null) && f.Sum(CountsOf) == 1 && _counts.First.Fraction == Fraction.Whole).Take(2))
        {
            Natural(forms, _counts.First, 1, slower: 1);
        }

        if (_found.Count > 0)
        {
            return;
        }

        // "1 kick R, hitch R": one after the other inside the count.
        var usual = Choices().MinBy(f => f.Sum(PositionsOf))!;
        var within = usual.Sum(PositionsOf);
        if (within <= 4 && Within(_counts.First, within) is { } halves)
        {
            var named = _dancings.Exists(d => d.IsNamed);
            OneEach(usual, halves, named ? 6 : 1, named ? Faster(usual, 1) : null);
            return;
        }

        Crowd(usual);
    }

    /// <summary>Positions inside one count: the beat and &amp;, then a, then e.</summary>
    private static List<Beat>? Within(Beat first, int number) => (first.Fraction, number) switch
    {
        (Fraction.Whole, 2) => [first, first with { Fraction = Fraction.And }],
        (Fraction.Whole, 3) => [first, first with { Fraction = Fraction.And }, first with { Fraction = Fraction.A }],
        (Fraction.Whole, 4) => [first, first with { Fraction = Fraction.E }, first with { Fraction = Fraction.And }, first with { Fraction = Fraction.A }],
        (Fraction.And, 2) => [first, first with { Fraction = Fraction.A }],
        _ => null,
    };

    private void OnSpan()
    {
        var span = _counts!.Span;
        var single = _dancings is [{ IsNamed: false, Phrase: { Slow: false } }];
        if (single)
        {
            OneEach([null], [_counts.First], 0, last: _counts.Last.Number);
            return;
        }

        // "Vine R with touch, vine L": an ending told for one of them is none of the other's.
        var ended = Usual(withEndings: true);
        if (_wording.Items.Count > 1 && ended.Sum(CountsOf) * _slow == span)
        {
            Natural(ended, _counts.First, Rank(ended));
        }

        foreach (var forms in Choices())
        {
            if (_found.Count < MostFits && forms.Sum(CountsOf) * _slow == span)
            {
                Natural(forms, _counts.First, Rank(forms));
            }
        }

        if (_slow > 1)
        {
            foreach (var forms in Choices().Where(f => f.Sum(CountsOf) == span).Take(1))
            {
                Natural(forms, _counts.First, 1 + Rank(forms), slower: 1);
            }
        }

        foreach (var forms in Choices())
        {
            if (_found.Count < MostFits && forms.Sum(PositionsOf) == _counts.Positions.Count && !forms.TrueForAll(f => f is null))
            {
                OneEach(forms, _counts.Positions, 1 + Rank(forms));
            }
        }

        Ending(_counts.Positions);
        Bent(span);
    }

    /// <summary>The counts and the steps do not suit each other as they are.</summary>
    private void Bent(int span)
    {
        var usual = Usual(withEndings: false);
        var slow = usual.Sum(CountsOf) * _slow <= span ? _slow : 1;
        var natural = usual.Sum(CountsOf) * slow;
        var bent = _found.Count > 0 ? 3 : 0;
        if (natural < span && _dancings.FindLastIndex(d => d.Holds) is >= 0 and var hold)
        {
            // A hold takes what is left.
            Natural(usual, _counts!.First, 1 + bent, slower: slow, last: span, held: (hold, span - natural));
        }
        else if (natural < span && span % natural == 0)
        {
            var times = span / natural;
            if (times == SlowTimes || !_dancings.Exists(d => d.IsNamed))
            {
                Natural(usual, _counts!.First, 1 + bent, slower: times * slow);
            }
            else
            {
                Again(usual, times, bent);
            }
        }
        else if (natural < span && !_dancings.Exists(d => d.IsNamed) && _dancings.Count > 1)
        {
            Shared(span, bent);
        }
        else if (natural < span)
        {
            Natural(usual, _counts!.First, 4 + bent, $"{Named()} takes {natural} counts and {span} are written; the rest is held. Write 'hold' there if that is meant.", slower: slow, last: span);
        }
        else if (natural > span && _found.Count == 0)
        {
            Squeezed(usual, span);
        }
    }

    /// <summary>Lists without a hold share the counts as evenly as whole counts allow; what is over goes to the later ones.</summary>
    private void Shared(int span, int bent)
    {
        var number = _dancings.Count;
        var positions = Enumerable.Range(0, number).Select(i => new Beat(_counts!.First.Number + (span * i / number), Fraction.Whole)).ToList();
        OneEach(Usual(withEndings: false), positions, 2 + bent, last: _counts!.Last.Number);
    }

    private void Again(List<StepForm?> usual, int times, int bent)
    {
        var once = _dancings;
        _dancings = [.. Enumerable.Range(0, times).SelectMany(i => once.Select(d =>
            i == 0 ? d : d with { Lead = Foot.None, Phrase = d.Phrase with { Feet = d.IsNamed ? [] : d.Phrase.Feet } }))];
        if (_counts!.IsRange)
        {
            Natural([.. Enumerable.Repeat(usual, times).SelectMany(u => u)], _counts.First, 2 + bent);
        }
        else
        {
            OneEach([.. Enumerable.Repeat(usual, times).SelectMany(u => u)], _counts.Positions, 2 + bent);
        }

        _dancings = once;
    }

    private void OnPositions()
    {
        var counts = _counts!;
        if (_dancings is [{ IsNamed: false } single] && (single.Phrase.Times == 1 || single.IsFirst) && _dancings.Count == 1)
        {
            if (!counts.IsList)
            {
                OneEach([null], [counts.First], 0, last: counts.Last.Number);
                return;
            }

            // "1,3,5,7 clap": at each of them.
            _dancings = [.. counts.Positions.Select((_, i) => single with { Lead = i == 0 || single.Phrase.Verb is { Kind: not VerbKind.Takes } ? single.Lead : Foot.None, Phrase = i == 0 || single.Phrase.Verb is { Kind: not VerbKind.Takes } ? single.Phrase : single.Phrase with { Feet = [] } })];
            OneEach([.. _dancings.Select(_ => (StepForm?)null)], counts.Positions, 0);
            return;
        }

        if (counts.Split is { } halves && Usual(withEndings: false) is var first && first.Sum(PositionsOf) == halves.Count)
        {
            OneEach(first, halves, 0);
            return;
        }

        foreach (var forms in Choices())
        {
            if (_found.Count < MostFits && forms.Sum(PositionsOf) == counts.Positions.Count)
            {
                OneEach(forms, counts.Positions, Rank(forms));
            }
        }

        Ending(counts.Positions);
        if (_found.Count == 0 && counts.Split is { } split)
        {
            foreach (var forms in Choices().Where(f => f.Sum(PositionsOf) == split.Count).Take(1))
            {
                OneEach(forms, split, 0);
            }
        }

        if (_found.Count > 0)
        {
            return;
        }

        var usual = Usual(withEndings: false);
        var needed = usual.Sum(PositionsOf);
        if (needed > 1 && counts.Positions.Count > needed && counts.Positions.Count % needed == 0 && counts.Positions.Count / needed <= 64)
        {
            Again(usual, counts.Positions.Count / needed, 0);
        }
        else if (needed < counts.Positions.Count)
        {
            // Steps that are known keep their own rhythm where it lies on the counts; else they take the first positions.
            var said = $"{Named()} has {needed} actions and {counts.Positions.Count} counts are written; the rest is held. Write 'hold' there if that is meant.";
            var hold = _dancings.FindLastIndex(d => d.Holds);
            OneEach(usual, Sparse(counts.Positions, needed), 4, hold >= 0 ? null : said, last: counts.Last.Number);
        }
        else
        {
            Crowd(usual);
        }
    }

    /// <summary>So many of the positions as are needed, whole counts before finer ones.</summary>
    private static List<Beat> Sparse(IReadOnlyList<Beat> positions, int needed)
    {
        var whole = positions.Where(p => p.Fraction == Fraction.Whole).ToList();
        return whole.Count >= needed ? whole.GetRange(0, needed) : [.. positions.Take(needed)];
    }

    /// <summary>More actions than whole counts: halves where they are enough, then finer; nothing is left out.</summary>
    private void Squeezed(List<StepForm?> usual, int span)
    {
        var fewest = Choices().MinBy(f => f.Sum(PositionsOf))!;
        if (fewest.Sum(PositionsOf) <= _counts!.Positions.Count && _dancings.Count > 1)
        {
            usual = fewest;
        }

        var needed = usual.Sum(PositionsOf);
        if (Finer(_counts.First, span, needed) is { } positions)
        {
            OneEach(usual, positions, 6, Faster(usual, span), last: _counts.Last.Number);
            return;
        }

        Crowd(usual);
    }

    /// <summary>So many positions evenly in a span, on halves or quarters; the early counts take the extra ones.</summary>
    private static List<Beat>? Finer(Beat first, int span, int needed)
    {
        foreach (var (parts, order) in new[] { (2, new[] { Fraction.Whole, Fraction.And }), (4, [Fraction.Whole, Fraction.E, Fraction.And, Fraction.A]) })
        {
            if (needed <= span * parts)
            {
                var positions = new List<Beat>();
                for (var i = 0; i < span; i++)
                {
                    var share = ((needed * (i + 1)) + span - 1) / span - (((needed * i) + span - 1) / span);
                    var taken = share == 1 ? [Fraction.Whole] : share == 2 ? [Fraction.Whole, Fraction.And] : share == 3 ? [Fraction.Whole, Fraction.And, Fraction.A] : order;
                    positions.AddRange(taken.Take(share).Select(f => new Beat(first.Number + i, f)));
                }

                return positions.Count == needed ? positions : null;
            }
        }

        return null;
    }

    /// <summary>More actions than can be counted: they crowd on the last position there is, and that is said.</summary>
    private void Crowd(List<StepForm?> usual)
    {
        var needed = usual.Sum(PositionsOf);
        var have = _counts!.Positions;
        var finer = have.Count > 0 && have.All(p => p.Fraction == Fraction.Whole) ? Finer(_counts.First, _counts.Span, needed) : null;
        var positions = finer ?? [.. have, .. Enumerable.Repeat(_counts.Last, Math.Max(0, needed - have.Count))];
        OneEach(usual, positions, 8, $"{Named()} has {needed} actions but only {have.Count} {(have.Count == 1 ? "count is" : "counts are")} written, so they are crowded. Write {needed} counts, or spell out what is danced.", last: _counts.Last.Number);
    }

    private string Faster(List<StepForm?> forms, int span)
    {
        var natural = forms.Sum(CountsOf);
        return $"{Named()} takes {natural} {(natural == 1 ? "count" : "counts")} of its own and has {span} here, so it is danced faster. Write {natural} counts, or the halves ('1&2&'), if that is meant.";
    }

    private string Named() => _dancings.Select(d => d.Index).Distinct().Count() == 1 ? $"'{_dancings[0].Phrase.Name}'" : "This row";

    /// <summary>"jazz box R, touch L": the last actions of the form give way to the ones written after it.</summary>
    private void Ending(IReadOnlyList<Beat> positions)
    {
        if (_found.Count > 0 || _dancings.Count < 2 || !_dancings[0].IsNamed || _dancings.Skip(1).Any(d => d.IsNamed))
        {
            return;
        }

        var form = _dancings[0].Forms.FirstOrDefault(f => f.Positions == positions.Count);
        var kept = positions.Count - (_dancings.Count - 1);
        if (form is null || kept < 1)
        {
            return;
        }

        var cut = new StepForm(form.Actions.Where(a => form.PositionOf(a) < kept).ToList(), kept);
        OneEach([cut, .. Enumerable.Repeat<StepForm?>(null, _dancings.Count - 1)], positions, 1);
    }

    private static int CountsOf(StepForm? form) => form?.Counts ?? 1;

    private static int PositionsOf(StepForm? form) => form?.Positions ?? 1;

    /// <summary>Forms further down in the lexicon are the less usual ones.</summary>
    private int Rank(List<StepForm?> forms)
    {
        var cost = 0;
        for (var i = 0; i < forms.Count; i++)
        {
            // A pivot of which the step forward is not written is danced whole, if its counts allow.
            cost += forms[i] is { } form && _dancings[i].Phrase.Step is { Pivots: true } && ReferenceEquals(form, _dancings[i].Forms[^1]) ? 1 : 0;
        }

        return Math.Min(cost, 1);
    }

    /// <summary>The usual forms; "vine R with brush": the touch that would end the step makes room for the ending that is named.</summary>
    private List<StepForm?> Usual(bool withEndings)
    {
        var usual = _dancings.ConvertAll(d => d.Forms.Count == 0 ? null : d.Phrase.Counts > 0 ? d.Forms.FirstOrDefault(f => f.Counts == d.Phrase.Counts) ?? d.Forms[0] : d.Forms[0]);
        for (var i = 0; i + 1 < usual.Count && withEndings; i++)
        {
            if (_dancings[i + 1] is not { IsNamed: false, Phrase.Verb: { Kind: VerbKind.Leaves or VerbKind.NoFoot } } || usual[i] is not { Actions: [.., { Phrase.Verb.Kind: VerbKind.Leaves }] } form)
            {
                continue;
            }

            if (_dancings[i].Forms.FirstOrDefault(f => f.Counts == form.Counts - 1 && Outline(f).SequenceEqual(Outline(form).SkipLast(1))) is { } shorter)
            {
                usual[i] = shorter;
            }
        }

        for (var i = 1; i < usual.Count; i++)
        {
            // The step forward stands before it: only the pivot is left to dance.
            if (_dancings[i].Phrase is { Step.Pivots: true, Feet.Count: 0 } && _dancings[i - 1] is { IsNamed: false, Phrase: { Verb: { Kind: VerbKind.Takes } stepped } before }
                && (before.Direction is Direction.Forward or Direction.DiagonalForward || (before.Direction == Direction.None && (stepped.Default == Direction.Forward || stepped.Has(VerbTraits.Plain)))))
            {
                usual[i] = _dancings[i].Forms[^1];
            }
        }

        for (var i = 0; i + 1 < usual.Count; i++)
        {
            // "Cross rock R over L, recover L": what is written behind the step is not danced twice.
            if (usual[i] is { Actions: [.., { Phrase.Verb: { } last }] } rocking && last.Has(VerbTraits.Stays) && _dancings[i + 1] is { IsNamed: false, Phrase.Verb: { } next } && next == last
                && rocking.Actions.Count > 1)
            {
                usual[i] = _dancings[i].Forms.FirstOrDefault(f => f.Actions.Count == rocking.Actions.Count - 1) ?? new StepForm([.. rocking.Actions.SkipLast(1)], Math.Max(1, rocking.Counts - 1));
            }
        }

        for (var i = 1; i < usual.Count && withEndings; i++)
        {
            // "Jazz box with a touch": the ending takes the place of the last action.
            if (_dancings[i] is { IsNamed: false, Phrase.EndsStep: true } && usual[i - 1] is { Actions.Count: > 1 } whole
                && whole.Counts == _dancings[i - 1].Forms[0].Counts && (i < 2 || !_dancings[i - 1].Phrase.EndsStep))
            {
                var kept = whole.Positions - 1;
                usual[i - 1] = new StepForm(whole.Actions.Where(a => whole.PositionOf(a) < kept).ToList(), whole.Counts - 1);
            }
        }

        return usual;
    }

    private static IEnumerable<(Tick At, Verb? Verb, Direction Direction)> Outline(StepForm form) => form.Actions.Select(a => (a.At, a.Phrase.Verb, a.Phrase.Direction));

    /// <summary>Every choice of forms, the same form for the same step; a handful at the most.</summary>
    private IEnumerable<List<StepForm?>> Choices()
    {
        var keys = _dancings.Where(d => d.IsNamed).Select(d => (d.Phrase.Step, d.Phrase.Manner)).Distinct().Take(4).ToList();
        var sizes = keys.ConvertAll(k => _dancings.First(d => d.Phrase.Step == k.Step && d.Phrase.Manner == k.Manner).Forms.Count);
        var choice = new int[keys.Count];
        while (true)
        {
            yield return _dancings.ConvertAll(d => !d.IsNamed ? null : d.Forms[keys.IndexOf((d.Phrase.Step, d.Phrase.Manner)) is >= 0 and var i ? choice[i] : 0]);
            var at = 0;
            while (at < keys.Count && ++choice[at] >= sizes[at])
            {
                choice[at++] = 0;
            }

            if (at == keys.Count)
            {
                yield break;
            }
        }
    }

    private void OneEach(List<StepForm?> forms, IReadOnlyList<Beat> positions, int cost, string? complaint = null, int? last = null)
    {
        var actions = new List<PlacedAction>();
        var at = 0;
        for (var i = 0; i < _dancings.Count && actions.Count < StepDancing.MostActions; i++)
        {
            var form = forms[i];
            var from = at;
            Beat Of(int index) => positions[Math.Min(from + index, positions.Count - 1)];
            FormDancing.Add(actions, _dancings[i], form, i, _absolute, a => Of(form!.PositionOf(a)), Of(0));
            at += PositionsOf(form);
        }

        Found(actions, last ?? positions[^1].Number, cost, complaint);
    }

    /// <param name="slower">Every action so many times as long as by nature.</param>
    /// <param name="last">Counts the row fills, when it is more than the steps take.</param>
    /// <param name="held">The dancing that is held longer, and by how many counts.</param>
    private void Natural(List<StepForm?> forms, Beat first, int cost, string? complaint = null, int slower = 0, int? last = null, (int Index, int By)? held = null)
    {
        slower = slower == 0 ? _slow : slower;
        var actions = new List<PlacedAction>();
        var start = first.ToTick(swing: false, bothInCount: false);
        for (var i = 0; i < _dancings.Count && actions.Count < StepDancing.MostActions; i++)
        {
            var from = start;
            var form = forms[i];
            FormDancing.Add(actions, _dancings[i], form, i, _absolute, a => Beat.FromStraightTick(from + new Tick(a.At.Value * slower))!.Value, Beat.FromStraightTick(from)!.Value);
            var counts = form is null && _counts is null && _dancings[i].Phrase.Counts > 0 && _dancings[i].IsLast && _dancings[i].IsFirst ? _dancings[i].Phrase.Counts : CountsOf(form) * slower;
            start += Tick.FromCounts(counts + (held is { } h && h.Index == i ? h.By : 0));
        }

        var end = start - new Tick(1);
        var natural = Math.Max(first.Number, (end.Value / Tick.PerCount) + 1);
        Found(actions, last is { } said ? first.Number + said - 1 : natural, cost, complaint);
    }

    private void Found(List<PlacedAction> actions, int last, int cost, string? complaint) =>
        _found.Add(new Placement(MarkAlteredEnding(FormDancing.Spread(actions)), last, cost, complaint));

    /// <summary>Marks what is danced in place of a known step's own ending: "vine R, brush L" (rules, free-foot trap).</summary>
    private List<PlacedAction> MarkAlteredEnding(List<PlacedAction> placed)
    {
        if (_dancings.Count < 2 || !_dancings[0].IsNamed || _dancings.Skip(1).Any(d => d.IsNamed) || _dancings[0].Phrase.Step!.Repeats)
        {
            return placed;
        }

        var usual = _dancings[0].Forms[0];
        var kept = placed.Count(a => a.Call == 0);
        var told = placed.Where(a => a.Call > 0).Select(a => a.Phrase.Verb).ToList();
        var own = usual.Actions.Skip(kept).Select(a => a.Phrase.Verb).ToList();
        var begins = usual.Actions.Take(kept).Select(a => a.Phrase.Verb).SequenceEqual(placed.Take(kept).Select(a => a.Phrase.Verb));
        return !begins || own.Count != told.Count || own.SequenceEqual(told)
            ? placed
            : placed.ConvertAll(a => a.Call > 0 ? a with { AltersEnding = true } : a);
    }
}
