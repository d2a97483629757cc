using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Actions;

/// <summary>A step's form becomes actions: the caller's direction and turn, and the lead, are laid on it.</summary>
internal sealed partial class CallPlacer
{
    private void Add(List<PlacedAction> actions, Block block, StepForm? form, int call, Func<FormAction, Beat> beatOf, Beat alone)
    {
        if (form is null)
        {
            actions.Add(Single(block.Phrase with { Feet = block.Lead == Foot.None ? block.Phrase.Feet : [block.Lead] }, alone, call));
            return;
        }

        var calling = block.Phrase;
        var turnAt = TurnPlace(calling, form);
        var lead = block.Lead == Foot.None ? LeadOfTurn(calling, form) : block.Lead;
        var directed = form.Actions.Any(a => a.Phrase.DirectionSlot);
        for (var i = 0; i < form.Actions.Count; i++)
        {
            var phrase = form.Actions[i].Phrase;
            if (calling.Direction != Direction.None && (phrase.DirectionSlot || (!directed && i == 0)))
            {
                phrase = phrase with { Direction = calling.Direction };
            }

            var flips = phrase.Turn is not null;
            var keepsTravel = false;
            if (calling.Turn is { } turn && i == turnAt && !turn.Spread)
            {
                var own = phrase.Turn;
                var side = turn.Side != 0 || turn.Target is not null ? turn.Side : own?.Side ?? 1;
                flips = turn.Side == 0 && turn.Target is null;
                keepsTravel = own is null;
                phrase = phrase with
                {
                    Turn = new Turn(turn.Target is null ? turn.Amount ?? own?.Amount : turn.Amount, side, turn.Target, own?.First ?? turn.First),
                };
            }

            if (feet == CallFeet.Absolute)
            {
                phrase = ForLead(phrase, lead, flips);
                flips = false;
            }

            var step = calling.Step!;
            actions.Add(new PlacedAction(
                calling.Turn is { Spread: true } && phrase.Turn is null ? phrase with { Turn = calling.Turn } : phrase,
                beatOf(form.Actions[i]), call, step.Name, lead, feet == CallFeet.Roles, flips, keepsTravel));
        }
    }

    /// <summary>
    /// Named turns carry their feet: a pivot to the left steps the right foot forward, a Monterey to the right points the
    /// right foot. So the side told decides the lead when no foot is.
    /// </summary>
    private static Foot LeadOfTurn(Phrase calling, StepForm form)
    {
        var own = form.Actions.FirstOrDefault(a => a.Phrase.TurnSlot)?.Phrase.Turn;
        return own is null || calling.Turn is not { Side: not 0 } turn
            ? Foot.None
            : turn.Side == own.Side ? Foot.Right : Foot.Left;
    }

    private static int TurnPlace(Phrase calling, StepForm form)
    {
        for (var i = 0; i < form.Actions.Count; i++)
        {
            if (form.Actions[i].Phrase.TurnSlot)
            {
                return i;
            }
        }

        if (calling.Step!.TurnAt is { } at && at < form.Actions.Count)
        {
            return at;
        }

        for (var i = form.Actions.Count - 1; i > 0; i--)
        {
            if (form.Actions[i].Phrase.Verb is { Kind: VerbKind.Takes })
            {
                return i;
            }
        }

        return 0;
    }

    private static Phrase ForLead(Phrase phrase, Foot lead, bool flips) => lead != Foot.Left ? phrase : phrase with
    {
        Feet = phrase.Feet.Select(f => f.Other()).ToList(),
        Onto = phrase.Onto.Other(),
        Turn = phrase.Turn is { } turn && flips ? turn with { Side = -turn.Side } : phrase.Turn,
    };

    /// <summary>A turn "spread" over the row: each action takes its share, the sum exact.</summary>
    private static List<PlacedAction> Spread(List<PlacedAction> actions)
    {
        var whole = actions.Find(a => a.Phrase.Turn is { Spread: true, Amount: not null })?.Phrase.Turn;
        if (whole is null || actions.Count == 1)
        {
            return actions;
        }

        var given = 0;
        return actions.Select((a, i) =>
        {
            var until = whole.Amount!.Value * (i + 1) / actions.Count;
            var share = until - given;
            given = until;
            return a with { Phrase = a.Phrase with { Turn = share == 0 ? null : new Turn(share, whole.Side == 0 ? 1 : whole.Side) }, TurnFlips = false };
        }).ToList();
    }
}
