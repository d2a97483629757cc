using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Actions;

/// <summary>How an action's foot is told.</summary>
public enum FootRole
{
    /// <summary>No foot at all.</summary>
    None,

    /// <summary>Named outright.</summary>
    Named,

    /// <summary>The foot the named step leads with.</summary>
    Lead,

    /// <summary>The other foot of the named step.</summary>
    Trail,

    /// <summary>Not said: the free foot, or the standing one for a standing-foot verb.</summary>
    Open,
}

/// <summary>
/// Something at a time in a part. <see cref="At"/> counts from the part's first count; pick-ups are negative or borrow from the line
/// before.
/// </summary>
public abstract record Moment
{
    /// <summary>The line (eight), from 1.</summary>
    public required int Line { get; init; }

    public required Tick At { get; init; }

    /// <summary>Ticks it was written to last.</summary>
    public required Tick Length { get; init; }

    public required Beat Beat { get; init; }

    public required int Row { get; init; }
}

/// <summary>A way in the instructor's own language.</summary>
/// <param name="Words">As they wrote it; empty or null where that is English.</param>
/// <param name="First">It stands before the name.</param>
public readonly record struct WaySaid(string? Words, bool First);

/// <summary>One single action, its foot and turn not yet resolved.</summary>
public sealed record DanceAction : Moment
{
    /// <summary>The named step it belongs to, or its own verb.</summary>
    public required string Step { get; init; }

    public required Verb Verb { get; init; }

    public required FootRole Role { get; init; }

    /// <summary>The foot, when <see cref="Role"/> is <see cref="FootRole.Named"/>.</summary>
    public Foot Foot { get; init; }

    /// <summary>Number of the call (one dancing of one named step); actions of one call share its lead.</summary>
    public required int Call { get; init; }

    /// <summary>The lead named with the call, or none: then the free foot leads.</summary>
    public Foot CallLead { get; init; }

    public Direction Direction { get; init; }

    public Turn? Turn { get; init; }

    /// <summary>The turn's side is written for the right foot leading and flips with the lead.</summary>
    public bool TurnFlips { get; init; }

    /// <summary>The turn was laid on the step by the caller: the way of travel is kept, so "side" becomes forward or back.</summary>
    public bool TurnKeepsTravel { get; init; }

    /// <summary>Where the weight is after it, said outright.</summary>
    public Foot Onto { get; init; }

    /// <summary>How the weight after it is found; never open once its row is read, save where nothing tells it.</summary>
    public WeightEnd End { get; init; }

    /// <summary>The side that heels or toes go to on the floor: +1 right, −1 left, 0 when not said or not their kind.</summary>
    public int Way { get; init; }

    /// <summary>In a jump on both the foot that crosses, in front or behind by its direction.</summary>
    public Foot Crossing { get; init; }

    /// <summary>Here the verb is the standing foot's, where that foot is meant (drag in percussive dances).</summary>
    public bool MayStand { get; init; }

    /// <summary>A pivot said to stay on the foot it turns on.</summary>
    public bool OnStandingFoot { get; init; }

    /// <summary>What arms, hips or head do, in the instructor's words; empty for the feet.</summary>
    public string Words { get; init; } = "";

    /// <summary>Danced in place of a known step's own ending.</summary>
    public bool AltersEnding { get; init; }

    /// <summary>An angle of the body that is no turn: where the shoulders look.</summary>
    public Turn? Angle { get; init; }

    public IReadOnlyList<string> Layers { get; init; } = [];

    /// <summary>Sounds before its line's first count.</summary>
    public bool IsPickUp => Beat.IsPickUp;

    /// <summary>Told by the form of a named step, not in the row's own words.</summary>
    public bool IsInside { get; init; }

    /// <summary>The columns of the words it was read from in its row; empty when it has none of its own there, as in "again".</summary>
    public TextSpan Source { get; init; }

    /// <summary>First action of its call.</summary>
    public bool StartsCall { get; init; }

    /// <summary>What it is by itself, in words: the verb, or of arms, body and named moves their own words.</summary>
    public string Deed => !Verb.Has(VerbTraits.IsBody) ? Verb.Name : Words.Length > 0 ? Words : Name;

    /// <summary>What the instructor calls the step, in the singular: "grapevine", where the lexicon says vine.</summary>
    public string Called { get; init; } = "";

    /// <summary>As the instructor calls it, else as the lexicon does.</summary>
    public string Name => Called.Length > 0 ? Called : Step;

    /// <summary>Where it goes, when the instructor said so.</summary>
    public Direction CalledWay { get; init; }

    /// <summary>The same in their words.</summary>
    public WaySaid WaySaid { get; init; }

    /// <summary>What was laid on a beat as something to dance; row, words and line are its binder's to tell.</summary>
    /// <param name="call">Number of the call it belongs to.</param>
    /// <param name="genre">The genre, which decides whose verb a drag is.</param>
    internal static DanceAction Of(PlacedAction item, int call, string genre)
    {
        var phrase = item.Phrase;
        var (role, foot) = RoleOf(phrase, item.FromForm);
        return new DanceAction
        {
            Line = 0,
            At = default,
            Length = default,
            Beat = item.Beat,
            Row = 0,
            Step = item.Step,
            Verb = phrase.Verb!,
            Words = phrase.IsBody ? phrase.Words : "",
            Role = role,
            Foot = foot,
            Call = call,
            CallLead = item.Lead,
            IsInside = item.FromForm && !item.AltersEnding,
            Direction = phrase.Direction,
            Turn = phrase.Turn,
            TurnFlips = item.TurnFlips,
            TurnKeepsTravel = item.TurnKeepsTravel,
            Way = phrase.Verb!.Has(VerbTraits.Aside) ? phrase.Way : 0,
            Onto = phrase.Onto,
            End = phrase.End,
            Crossing = phrase.Crossing,
            MayStand = phrase.Verb!.OnStandingFoot is not null && phrase.Verb.StandingIn.Contains(genre),
            OnStandingFoot = phrase.OnStandingFoot,
            Angle = phrase.Angle,
            AltersEnding = item.AltersEnding,
            Layers = phrase.Layers,
        };
    }

    private static (FootRole Role, Foot Foot) RoleOf(Phrase phrase, bool fromForm)
    {
        if (phrase.Verb!.Kind == VerbKind.NoFoot)
        {
            // An unwind's weight is told by "onto"; nothing else without a foot names one.
            return phrase.Onto == Foot.None || !fromForm
                ? (FootRole.None, Foot.None)
                : (phrase.Onto == Foot.Right ? FootRole.Lead : FootRole.Trail, Foot.None);
        }

        return (phrase.Foot, fromForm) switch
        {
            (Foot.None, _) => (FootRole.Open, Foot.None),
            (Foot.Both, _) => (FootRole.Named, Foot.Both),
            (Foot.Right, true) => (FootRole.Lead, Foot.None),
            (Foot.Left, true) => (FootRole.Trail, Foot.None),
            var (named, _) => (FootRole.Named, named),
        };
    }
}

/// <summary>Something on top of the feet over some counts; never changes feet, count or facing.</summary>
public sealed record Layer : Moment
{
    public required string Text { get; init; }
}

/// <summary>A note, cue, caution or trouble spot, hung on counts.</summary>
public sealed record Annotation : Moment
{
    /// <summary>note, cue, caution or trouble.</summary>
    public required string Kind { get; init; }

    public required string Text { get; init; }
}
