using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Actions.Expansion;

/// <summary>A step's form becomes actions: the caller's direction and turn, and the lead, are laid on it.</summary>
internal static class FormExpansion
{
    /// <param name="written">The weight so far, when feet are written out in place of the roles lead and trail; else null.</param>
    /// <param name="beatOf">Where each action of the form falls.</param>
    /// <param name="alone">Where a single action falls.</param>
    public static void Add(
        List<PlacedAction> actions,
        StepExpansion dancing,
        StepForm? form,
        int call,
        WrittenFeet? written,
        Func<FormAction, Beat> beatOf,
        Beat alone)
    {
        if (form is null)
        {
            var single = Sided(dancing.Phrase);
            if (written is not null
                && single.Foot == Foot.None
                && single.Verb is { Kind: VerbKind.Takes or VerbKind.Leaves } open
                && !open.Has(VerbTraits.BothFeet)
                && open.OnStandingFoot is null
                && written.FreeAfter(actions) is var free
                && free.IsSingle())
            {
                single = single with { Feet = [free] };
            }

            actions.Add(Single(single, alone, call) with { Item = dancing.Index });
            AddAlong(actions, dancing, alone, alone, call);
            return;
        }

        var calling = dancing.Phrase;
        var turnAt = TurnPlace(calling, form);
        var lead = dancing.Lead == Foot.None ? LeadOfTurn(calling, form) : dancing.Lead;
        if (written is not null && lead == Foot.None)
        {
            lead = written.FreeAfter(actions);
        }

        // A side and no more, of a step that turns by itself so far: the way it turns.
        var sideOnly = calling.Turn is { IsOpen: true, Side: not 0 }
            && form.Actions.Any(a => a.Phrase.Turn is not null)
            && !form.Actions.Any(a => a.Phrase.TurnSlot);
        var directed = form.Actions.Any(a => a.Phrase.DirectionSlot);
        var sent = calling.Way != 0 && calling.Direction == Direction.None && directed;
        var way = sent ? Direction.Side : calling.Direction;
        var leading = form.Actions.TakeWhile(a => a.Phrase.Direction == form.Actions[0].Phrase.Direction
            && a.Phrase.Verb == form.Actions[0].Phrase.Verb).Count();
        for (var i = 0; i < form.Actions.Count; i++)
        {
            var phrase = form.Actions[i].Phrase;
            // "Three runs back": all that go the way of the first go the way that is said.
            if (way != Direction.None && (phrase.DirectionSlot || (!directed && i < leading && Takes(form, way))))
            {
                // "Two walks to the right": the foot of that side goes there, the other across it.
                var across = sent
                    && lead.IsSingle()
                    && phrase.Foot.IsSingle()
                    && ((phrase.Foot == Foot.Right) == (lead == Foot.Right)) != (calling.Way > 0);
                phrase = phrase with { Direction = across ? Direction.Across : way };
            }

            if (phrase.Verb?.Has(VerbTraits.Aside) == true)
            {
                // "Heel swivels R": of both heels the side is where they go.
                phrase = phrase with
                {
                    Way = calling.Way != 0 || calling.Feet is not [var side] || !side.IsSingle() ? calling.Way : side == Foot.Right ? 1 : -1
                };
            }

            var flips = phrase.Turn is not null;
            var keepsTravel = false;
            if (sideOnly && phrase.Turn is { } fixedTurn)
            {
                phrase = phrase with { Turn = fixedTurn with { Side = calling.Turn!.Side } };
                flips = false;
            }
            else if (!sideOnly && calling.Turn is { Spread: false } turn && i == turnAt)
            {
                var own = phrase.Turn;
                var open = turn.Side == 0 && turn.Target is null && turn.Goal == TurnGoal.None;
                // Which way is not said: a step that goes aside turns the way it goes.
                var aside = open && own is null && turn.Amount is not null && form.Actions[0].Phrase.Direction == Direction.Side;
                flips = (open && own is not null) || aside;
                keepsTravel = own is null;
                phrase = phrase with
                {
                    Turn = turn with
                    {
                        Amount = turn.Target is null && turn.Goal == TurnGoal.None ? turn.Amount ?? own?.Amount : turn.Amount,
                        Side = aside ? 1 : !open || own is null ? turn.Side : own.Side,
                        First = own?.First ?? turn.First,
                        On = 0,
                    },
                };
            }

            if (flips && lead == Foot.None && form.Actions.Count == 1 && calling.Step is { Pivots: true } && phrase.Turn is { } away)
            {
                // The step forward is written before it, and its foot stands: away from that foot is toward the free one, the lead of what
                // follows.
                phrase = phrase with { Turn = away with { Side = -away.Side } };
            }

            if (calling.OnStandingFoot && phrase.Verb is { } pivot && pivot.Has(VerbTraits.Pivots))
            {
                phrase = phrase with { OnStandingFoot = true };
            }

            if (calling.Onto != Foot.None && i == form.Actions.Count - 1)
            {
                phrase = phrase with { Onto = calling.Onto };
            }

            if (calling.Layers.Count > 0 && i == form.Actions.Count - 1)
            {
                phrase = phrase with { Layers = calling.Layers };
            }

            if (written is not null)
            {
                phrase = ForLead(phrase, lead, flips);
                flips = false;
            }

            actions.Add(new PlacedAction(
                calling.Turn is { Spread: true } && !sideOnly && phrase.Turn is null ? phrase with { Turn = calling.Turn } : phrase,
                beatOf(form.Actions[i]), call, calling.Step!.Name, lead, written is null, flips, keepsTravel, Item: dancing.Index));
        }

        AddAlong(actions, dancing, actions[^form.Actions.Count].Beat, actions[^1].Beat, call);
    }

    /// <summary>
    /// Whether a step whose ways are all its own may begin another way: not one that begins across, nor one that begins aside and is sent
    /// forward or back: it would be another step.
    /// </summary>
    private static bool Takes(StepForm form, Direction way) => form.Actions[0].Phrase.Direction switch
    {
        Direction.Across or Direction.Behind => false,
        Direction.Side => way is not (Direction.Forward or Direction.Back),
        _ => true,
    };

    public static PlacedAction Single(Phrase phrase, Beat beat, int call) =>
        new(phrase, beat, call, phrase.Name, Foot.None, FromForm: false, TurnFlips: false, TurnKeepsTravel: false);

    private static void AddAlong(List<PlacedAction> actions, StepExpansion dancing, Beat first, Beat last, int call)
    {
        foreach (var along in dancing.Along)
        {
            actions.Add(Single(Sided(along), along.Verb is { Kind: VerbKind.NoFoot } ? last : first, call) with { Item = dancing.Index });
        }
    }

    /// <summary>"Step to the left": the side said is the way of a single action.</summary>
    private static Phrase Sided(Phrase phrase)
    {
        if (phrase.Way == 0 || phrase.Direction != Direction.None || phrase.Verb is { Kind: VerbKind.NoFoot or VerbKind.Standing })
        {
            return phrase;
        }

        var own = phrase.Foot is Foot.None or Foot.Both || (phrase.Foot == Foot.Right) == (phrase.Way > 0);
        return phrase with { Direction = own ? Direction.Side : Direction.Across };
    }

    /// <summary>
    /// Named turns carry their feet: a pivot to the left steps the right foot forward, a Monterey to the right points the
    /// right foot. So the side told decides the lead when no foot is.
    /// </summary>
    private static Foot LeadOfTurn(Phrase calling, StepForm form)
    {
        var own = form.Actions.FirstOrDefault(a => a.Phrase.TurnSlot)?.Phrase.Turn;
        return own is null || form.Actions.Count == 1 || calling.Turn is not { Side: not 0 } turn
            ? Foot.None
            : turn.Side == own.Side ? Foot.Right : Foot.Left;
    }

    private static int TurnPlace(Phrase calling, StepForm form)
    {
        if (calling.Turn is { On: not 0 } said)
        {
            return said.On < 0 ? form.Actions.Count - 1 : Math.Min(said.On, form.Actions.Count) - 1;
        }

        for (var i = 0; i < form.Actions.Count; i++)
        {
            if (form.Actions[i].Phrase.TurnSlot)
            {
                return i;
            }
        }

        if (calling.Turn is { First: true })
        {
            return 0;
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

    /// <summary>A turn spread over several actions: each takes its share, the sum exact. Actions of one list share one turn.</summary>
    public static List<PlacedAction> Spread(List<PlacedAction> actions)
    {
        if (!actions.Exists(a => a.Phrase.Turn is { Spread: true }))
        {
            return actions;
        }

        var shared = actions.Where(a => a.Phrase.Turn is { Spread: true } && a.Phrase.Verb is not { Kind: VerbKind.NoFoot }).ToList();
        if (shared.Count == 0)
        {
            return actions;
        }

        var whole = shared[0].Phrase.Turn!;
        if (whole.IsOpen)
        {
            // How far is not said: it is asked once, where the turn is done.
            var last = shared[^1];
            return actions.ConvertAll(a => a.Phrase.Turn is { Spread: true }
                ? a with { Phrase = a.Phrase with { Turn = ReferenceEquals(a, last) ? whole with { Spread = false } : null } }
                : a);
        }

        var given = 0;
        var made = new List<PlacedAction>(actions.Count);
        var index = 0;
        foreach (var action in actions)
        {
            if (action.Phrase.Turn is not { Spread: true })
            {
                made.Add(action);
                continue;
            }

            if (action.Phrase.Verb is { Kind: VerbKind.NoFoot })
            {
                made.Add(action with { Phrase = action.Phrase with { Turn = null } });
                continue;
            }

            index++;
            Turn? share;
            if (whole.Amount is { } amount && whole.Target is null && whole.Goal == TurnGoal.None)
            {
                var until = amount * index / shared.Count;
                share = until == given ? null : new Turn(until - given, whole.Side);
                given = until;
            }
            else
            {
                // How far it is to the wall only the trace knows: each takes its part of what is left.
                share = whole with { Spread = false, Share = shared.Count - index + 1 };
            }

            made.Add(action with { Phrase = action.Phrase with { Turn = share }, TurnFlips = false, TurnKeepsTravel = false });
        }

        return made;
    }
}
