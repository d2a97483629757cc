using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Reading;

/// <summary>
/// "Rock back, coaster": a deed that gives its weight back is told by its first half where nothing gives it back (reading, section 1).
/// </summary>
internal static class WholeSteps
{
    /// <summary>What a reading costs more whose deeds take a weight that nothing behind them gives back.</summary>
    private const int LeftOpen = 1;

    /// <summary>
    /// What a deed costs more to be danced whole, when what follows may itself be the weight given back ("rock forward, step L back").
    /// </summary>
    private const int MayBeGivenBack = 2;

    /// <summary>Adds to each reading the one in which such deeds are danced whole; counts, feet and what follows decide.</summary>
    public static List<RowReading> Beside(List<RowReading> candidates, IStepNames names)
    {
        candidates.AddRange(candidates.Where(c => c.Phrases.Any(IsPivotOfAFoot)).Select(OnThatFoot).ToList());
        if (!candidates.Exists(c => c.Phrases.Any(p => p.Verb?.Whole is not null || TurnsAway(p))))
        {
            return candidates;
        }

        var all = new List<RowReading>(candidates.Count * 2);
        foreach (var candidate in candidates)
        {
            var (whole, clear) = Complete(candidate, names);
            all.Add(whole is not null && clear ? candidate with { Cost = candidate.Cost + LeftOpen } : candidate);
            if (whole is not null)
            {
                all.Add(whole with { Cost = candidate.Cost + (clear ? 0 : MayBeGivenBack), Completed = true });
            }
        }

        return all;
    }

    /// <summary>"Pivot R": a pivot, of no side and no size, and a foot.</summary>
    private static bool IsPivotOfAFoot(Phrase phrase) =>
        phrase is
        {
            Step: { Pivots: true, IsOwn: false }, Feet: [Foot.Left or Foot.Right], OnStandingFoot: false,
            Turn: null or { IsOpen: true, Side: 0 }, Times: 1
        };

    /// <summary>The foot may be the one that is turned on.</summary>
    private static RowReading OnThatFoot(RowReading wording) => wording with
    {
        Cost = wording.Cost + LeftOpen,
        Doubt = StepTexts.HalfATurnFromFrontFoot,
        Items = [.. wording.Items.Select(i => IsPivotOfAFoot(i.Main)
            ? i with
            {
                Together = [
                    i.Main with
                    {
                        Step = null,
                        Verb = Verbs.Pivot,
                        Name = Verbs.Pivot.Name,
                        OnStandingFoot = true,
                        Turn = new Turn(null, 0)
                    },
                .. i.Together.Skip(1)] } : i)],
    };

    private static (RowReading? Whole, bool Clear) Complete(RowReading wording, IStepNames names)
    {
        var items = wording.Items.ToList();
        var found = false;
        var clear = true;
        for (var i = 0; i < items.Count; i++)
        {
            var phrase = items[i].Main;
            var next = i + 1 < items.Count ? items[i + 1].Main : null;
            if (TurnsAway(phrase))
            {
                items[i] = Whole(items[i], phrase.Verb!.Turned!, names) ?? items[i];
                found |= items[i].Main.Step is not null;
                continue;
            }

            if (phrase is not { Verb.Whole: { } name, Feet.Count: <= 1, Turn: null, Counts: 0, Without.Count: 0 } || GivesBack(next))
            {
                continue;
            }

            if (Whole(items[i], name, names) is { } whole)
            {
                found = true;
                clear &= next is null or { Step: not null } or { Verb.Whole: not null };
                items[i] = whole;
            }
        }

        return (found ? wording with { Items = items } : null, clear);
    }

    private static Item? Whole(Item item, string name, IStepNames names)
    {
        var words = name.Split(' ');
        return names.Find(words, 0, words.Length, out _) is { } step
            ? new Item([item.Main with { Verb = null, Step = step, Name = step.Name }, .. item.Together.Skip(1)])
            : null;
    }

    /// <summary>"Step 1/2 turn", of no foot, no way and no side: a step forward and the turn away from it.</summary>
    private static bool TurnsAway(Phrase phrase) =>
        phrase
            is
        {
            Verb.Turned: not null,
            Feet.Count: 0,
            Direction: Direction.None,
            Way: 0,
            Times: 1,
            Counts: 0,
            Turn: { Amount: not null, Side: 0, Target: null, Goal: TurnGoal.None, First: false, Spread: false, Each: false, On: 0 }
        };

    /// <summary>A recover, or a wait before it.</summary>
    private static bool GivesBack(Phrase? next) =>
        next?.Verb is { } verb
            ? verb.Has(VerbTraits.Stays | VerbTraits.Holds)
            : next?.Step is { } step && step.Forms[0].Actions[0].Phrase.Verb?.Has(VerbTraits.Stays) == true;
}
