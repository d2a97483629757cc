using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Actions.Placing;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Rows;

/// <summary>What is said of counts and paces, and is not so on the counts written.</summary>
internal sealed partial class RowDoubts
{
    /// <summary>"5-8 vine R, kick on 4": it is danced on another count than is said.</summary>
    private void TellCounts(RowReading wording, Placement placement, StepEntry entry, Place place, Action<Finding> tell)
    {
        for (var i = 0; i < wording.Items.Count; i++)
        {
            if (wording.Items[i].Main is { OnCount: > 0 and var said } phrase
                && placement.Actions.FirstOrDefault(a => a.Item == i) is { Beat: var beat } && beat.Number != said)
            {
                tell(Of(entry, place,
                    ActionTexts.SaidOnOtherCount(Shorten(PhraseText.Write(phrase)), said, beat.Label(dance.Header.LineCounts)),
                    ""));
            }

            TellTurnPlace(wording.Items[i].Main, [.. placement.Actions.Where(a => a.Item == i)], entry, place, tell);
        }
    }

    /// <summary>"5-8 walk R L R L, 1/4 left on 3": the turn falls on another count than is said, or on none.</summary>
    private void TellTurnPlace(Phrase phrase, List<PlacedAction> danced, StepEntry entry, Place place, Action<Finding> tell)
    {
        if (phrase.Turn is not { On: > 0 and var said, OnIsCount: var isCount } || danced.Count == 0)
        {
            return;
        }

        var turning = danced.FirstOrDefault(a => a.Phrase.Turn is { Amount: not null } or { Target: not null });
        if (isCount ? turning?.Beat.Number != said : said > danced.Count)
        {
            tell(Of(entry, place,
                ActionTexts.TurnSaidOnOtherCount(
                    Shorten(PhraseText.Write(phrase with { Turn = null })),
                    isCount ? ActionTexts.UnitCount : ActionTexts.UnitStep,
                    said,
                    turning is null || (!isCount && said > danced.Count)
                        ? ActionTexts.HasStepsHere(danced.Count)
                        : ActionTexts.FallsOnCount(turning.Beat.Label(dance.Header.LineCounts))),
                ""));
        }
    }

    /// <summary>"1-4 vine R, slow": the counts leave it the pace of its own.</summary>
    private void TellPace(RowReading wording, Placement placement, StepEntry entry, Place place, Action<Finding> tell)
    {
        if (!wording.Phrases.All(p => p.Paces.All(pace => pace == Pace.Slow)))
        {
            // Beside a quick one a slow one is only the longer of the two.
            return;
        }

        TellSlowSteps(wording, placement, entry, place, tell);
        for (var i = 0; i < wording.Items.Count; i++)
        {
            var danced = placement.Actions.Where(a => a.Item == i).ToList();
            if (wording.Items[i].Main is { Step: { } step, Paces.Count: 1, Times: 1, Feet.Count: <= 1, Manner: null } phrase
                && danced.Count > 1
                && step.Forms.FirstOrDefault(f => f.Actions.Count == danced.Count) is { } form
                && Apart(danced[0].Beat, danced[^1].Beat) <= Apart(form))
            {
                tell(Of(entry, place,
                    ActionTexts.SlowChangesNothing(Shorten(PhraseText.Write(phrase with { Paces = [] })), 2 * form.Counts),
                    ""));
            }
        }
    }

    /// <summary>"1-6 slow step R, step L, step R, step L": the counts leave a slow step no more than the others.</summary>
    private void TellSlowSteps(RowReading wording, Placement placement, StepEntry entry, Place place, Action<Finding> tell)
    {
        var begins = placement.Actions.Select(a => (a.Item, a.Beat))
            .Append((Item: -1, Beat: new Beat(placement.Last + 1, Fraction.Whole)))
            .ToList();
        var steps = begins.SkipLast(1).Select((b, i) => (Phrase: wording.Items[b.Item].Main, Takes: Apart(b.Beat, begins[i + 1].Beat)))
            .Where(s => s.Phrase is { Step: null, IsBody: false })
            .ToList();
        var plain = steps.Where(s => s.Phrase.Paces.Count == 0).Select(s => s.Takes).DefaultIfEmpty(0).Max();
        if (steps.FirstOrDefault(s => s.Phrase.Paces is [Pace.Slow]
            && s.Takes <= plain
            && (s.Takes < plain || plain <= Tick.PerCount)).Phrase
            is { } slow)
        {
            tell(Of(entry, place,
                ActionTexts.SlowAsTheStepsBeside(Shorten(PhraseText.Write(slow))),
                ""));
        }
    }

    /// <summary>"1-4 walk R L R L, two counts each": the counts written leave each less, or more, than is said.</summary>
    private void TellEach(RowReading wording, Placement placement, StepEntry entry, Place place, Action<Finding> tell)
    {
        for (var i = 0; i < wording.Items.Count; i++)
        {
            var begins = placement.Actions.Where(a => a.Item == i).GroupBy(a => a.Call)
                .Select(c => c.First().Beat).Append(new Beat(placement.Last + 1, Fraction.Whole)).ToList();
            var said = wording.Items[i].Main.CountsEach;
            if (said > 0 && (i + 1 == wording.Items.Count || begins.Count > 2)
                && Enumerable.Range(1, begins.Count - (i + 1 == wording.Items.Count ? 1 : 2))
                    .Any(n => Apart(begins[n - 1], begins[n]) != said * Tick.PerCount))
            {
                tell(Of(entry, place,
                    ActionTexts.CountsEachDoNotHold(Shorten(PhraseText.Write(wording.Items[i].Main with { Counts = 0 })), said),
                    ""));
            }
        }
    }

    private static int Apart(Beat first, Beat last) =>
        last.ToTick(swing: false, bothInCount: false).Value - first.ToTick(swing: false, bothInCount: false).Value;

    private static int Apart(StepForm form) => form.Actions[^1].At.Value - form.Actions[0].At.Value;
}
