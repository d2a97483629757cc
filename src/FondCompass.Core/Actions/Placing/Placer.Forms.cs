using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Placing;

/// <summary>Which form of each named step is danced.</summary>
internal sealed partial class Placer
{
    private string Named() =>
        _dancings.Select(d => d.Index).Distinct().Count() == 1 ? $"'{_dancings[0].Phrase.Name}'" : ActionTexts.ThisRow;

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

    /// <summary>
    /// The usual form of a named step fills the counts by itself, ends without weight, and one action without weight is told behind it.
    /// </summary>
    private bool TakesThePlace(int span) =>
        _dancings is [{ IsNamed: true, Forms: [{ Actions: [.., { Phrase.Verb.Kind: VerbKind.Leaves }] } usual, ..], Phrase.Counts: 0 },
        { IsNamed: false, Phrase: { Verb.Kind: VerbKind.Leaves, Turn: null } }]
        && usual.Counts == span && usual.Positions == span;

    private static int CountsOf(StepForm? form) => form?.Counts ?? 1;

    private static int PositionsOf(StepForm? form) => form?.Positions ?? 1;

    /// <summary>Forms further down in the lexicon are the less usual ones.</summary>
    private int Rank(List<StepForm?> forms)
    {
        var cost = 0;
        for (var i = 0; i < forms.Count; i++)
        {
            // A pivot of which the step forward is not written is danced whole, if its counts allow.
            cost += forms[i] is { } form && _dancings[i].Phrase.Step is { Pivots: true } && ReferenceEquals(form, _dancings[i].Forms[^1])
                ? 1
                : 0;
        }

        return Math.Min(cost, 1);
    }

    /// <summary>A step that is danced in fewer counts than it usually has, beside others.</summary>
    private bool IsHurried(List<StepForm?> forms) =>
        _wording.Items.Count > 1 && forms.Where((f, i) => f is not null && f.Counts < _dancings[i].Forms[0].Counts).Any();

    /// <summary>The usual forms; "vine R with brush": the touch that would end the step makes room for the ending that is named.</summary>
    private List<StepForm?> Usual(bool withEndings)
    {
        var usual = _dancings.ConvertAll(d => d.Forms.Count == 0 ? null
            : d.Phrase.Counts > 0 ? d.Forms.FirstOrDefault(f => f.Counts == d.Phrase.Counts) ?? d.Forms[0]
            : d.Forms[0]);
        for (var i = 0; i + 1 < usual.Count && withEndings; i++)
        {
            if (_dancings[i + 1] is not { IsNamed: false, Phrase.Verb: { Kind: VerbKind.Leaves or VerbKind.NoFoot } }
                || usual[i] is not { Actions: [.., { Phrase.Verb.Kind: VerbKind.Leaves }] } form)
            {
                continue;
            }

            if (_dancings[i].Forms.FirstOrDefault(f => f.Counts == form.Counts - 1
                && Outline(f).SequenceEqual(Outline(form).SkipLast(1))) is { } shorter)
            {
                usual[i] = shorter;
            }
        }

        for (var i = 1; i < usual.Count; i++)
        {
            // The step forward stands before it: only the pivot is left to dance.
            if (_dancings[i].Phrase is { Step.Pivots: true, Feet.Count: 0 }
                && _dancings[i - 1] is { IsNamed: false, Phrase: { Verb: { Kind: VerbKind.Takes } stepped } before }
                && (before.Direction is Direction.Forward or Direction.DiagonalForward
                    || (before.Direction == Direction.None && (stepped.Default == Direction.Forward || stepped.Has(VerbTraits.Plain)))))
            {
                usual[i] = _dancings[i].Forms[^1];
            }
        }

        for (var i = 0; i + 1 < usual.Count; i++)
        {
            // "Cross rock R over L, recover L": what is written behind the step is not danced twice.
            if (usual[i] is { Actions: [.., { Phrase.Verb: { } last }] } rocking
                && last.Has(VerbTraits.Stays)
                && _dancings[i + 1] is { IsNamed: false, Phrase.Verb: { } next }
                && next == last
                && rocking.Actions.Count > 1)
            {
                usual[i] = _dancings[i].Forms.FirstOrDefault(f => f.Actions.Count == rocking.Actions.Count - 1)
                    ?? new StepForm([.. rocking.Actions.SkipLast(1)], Math.Max(1, rocking.Counts - 1));
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

    private static IEnumerable<(Tick At, Verb? Verb, Direction Direction)> Outline(StepForm form) =>
        form.Actions.Select(a => (a.At, a.Phrase.Verb, a.Phrase.Direction));

    /// <summary>Dancings of one step have the same forms, save where feet or a way said leave only some of them.</summary>
    private static (NamedStep? Step, NamedStep? Manner, int Forms) KeyOf(StepExpansion dancing) =>
        (dancing.Phrase.Step, dancing.Phrase.Manner, dancing.Forms.Count);

    /// <summary>Every choice of forms, the same form for the same step; a handful at the most.</summary>
    private IEnumerable<List<StepForm?>> Choices()
    {
        var keys = _dancings.Where(d => d.IsNamed).Select(KeyOf).Distinct().Take(4).ToList();
        var sizes = keys.ConvertAll(k => k.Forms);
        var choice = new int[keys.Count];
        while (true)
        {
            yield return _dancings.ConvertAll(d => !d.IsNamed ? null : d.Forms[keys.IndexOf(KeyOf(d)) is >= 0 and var i ? choice[i] : 0]);
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

    private void OneEach(List<StepForm?> forms, IReadOnlyList<Beat> positions, int cost, Sentence? complaint = null, int? last = null)
    {
        var actions = new List<PlacedAction>();
        var written = _written?.Onwards();
        var at = 0;
        for (var i = 0; i < _dancings.Count && actions.Count < StepExpansion.MostActions; i++)
        {
            var form = forms[i];
            var from = at;
            Beat Of(int index) => positions[Math.Min(from + index, positions.Count - 1)];
            FormExpansion.Add(actions, _dancings[i], form, i, written, a => Of(form!.PositionOf(a)), Of(0));
            at += PositionsOf(form);
        }

        Found(actions, last ?? positions[^1].Number, cost, complaint);
    }

    /// <param name="pace">How long each dancing lasts, in halves of its own length; a pace that falls between the counts is none.</param>
    /// <param name="last">Counts the row fills, when it is more than the steps take.</param>
    /// <param name="held">The dancing that is held longer, and by how many counts.</param>
    private void Natural(
        List<StepForm?> forms,
        Beat first,
        int cost,
        int[] pace,
        Sentence? complaint = null,
        int? last = null,
        (int Index, int By)? held = null)
    {
        if (forms.Where((f, i) => !Falls(f, pace[i])).Any())
        {
            return;
        }

        var actions = new List<PlacedAction>();
        var written = _written?.Onwards();
        var start = first.ToTick(swing: false, bothInCount: false);
        for (var i = 0; i < _dancings.Count && actions.Count < StepExpansion.MostActions; i++)
        {
            var from = start;
            var form = forms[i];
            var slower = pace[i];
            FormExpansion.Add(
                actions,
                _dancings[i],
                form,
                i,
                written,
                a => Beat.FromStraightTick(from + new Tick(a.At.Value * slower / Own))!.Value,
                Beat.FromStraightTick(from)!.Value);
            var lasts = form is null && _counts is null && _dancings[i].Phrase.Counts > 0 && _dancings[i].IsLast && _dancings[i].IsFirst
                ? _dancings[i].Phrase.Counts * Own
                : CountsOf(form) * slower;
            start += new Tick(lasts * Tick.PerCount / Own) + Tick.FromCounts(held is { } h && h.Index == i ? h.By : 0);
        }

        var end = start - new Tick(1);
        var natural = Math.Max(first.Number, (end.Value / Tick.PerCount) + 1);
        Found(actions, last is { } said ? first.Number + said - 1 : natural, cost, complaint);
    }

    /// <summary>Whether every action of a form, and what follows it, falls on a beat or a part of one at this pace.</summary>
    private static bool Falls(StepForm? form, int pace) =>
        form is null || form.Actions.All(a => a.At.Value * pace % Own == 0 && a.At.Value * pace / Own % (Tick.PerCount / 4) == 0);

    private void Found(List<PlacedAction> actions, int last, int cost, Sentence? complaint) =>
        _found.Add(new Placement(MarkAlteredEnding(FormExpansion.Spread(actions)), last, cost, complaint));

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
