using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading;

/// <summary>What parts one clause from the one before it.</summary>
internal enum ClauseJoint
{
    None,
    Comma,
    Then,
    And,
    With,

    /// <summary>A colon, or an opening bracket: what follows tells how it goes.</summary>
    Colon,

    /// <summary>What follows is taken away from what stands before.</summary>
    Without,

    /// <summary>What follows gives way to what stands before.</summary>
    Instead,
}

/// <summary>What a clause says of the steps before it rather than of one of its own.</summary>
[Flags]
internal enum Operation
{
    None = 0,
    Again = 1,
    OtherSide = 2,
}

/// <summary>A phrase while its clause is read; a clause that names no deed leaves one without a head.</summary>
internal sealed class PhraseDraft
{
    public Lexeme? Head { get; set; }

    public Verb? Verb { get; set; }

    public NamedStep? Step { get; set; }

    public List<Foot> Feet { get; private set; } = [];

    /// <summary>
    /// The name, and the way, as they stand in the row where they are words of another language; empty where they are English.
    /// </summary>
    public string NameSaid { get; set; } = "";

    /// <inheritdoc cref="NameSaid"/>
    public string WaySaid { get; set; } = "";

    /// <summary>The way stood before the name.</summary>
    public bool WayFirst { get; set; }

    /// <summary>The feet stood before the deed: "R heel forward".</summary>
    public bool FeetFirst { get; set; }

    public Direction Direction { get; set; }

    public int Way { get; set; }

    public Turn? Turn { get; set; }

    /// <summary>The turn stood before the deed.</summary>
    public bool TurnBefore { get; set; }

    /// <summary>The turn stood behind a foot and its way: "side R 1/4 turn right".</summary>
    public bool TurnBehind { get; set; }

    public Turn? Angle { get; set; }

    public Foot Onto { get; set; }

    /// <summary>"Weight forward onto R": it goes there, and is no fact.</summary>
    public bool WeightGoes { get; set; }

    public Foot Crossing { get; set; }

    public int Times { get; set; } = 1;

    /// <summary>"x2", "twice": said behind what is repeated, and may mean the whole list.</summary>
    public bool TimesSaid { get; set; }

    public bool TimesInAll { get; set; }

    public int Counts { get; set; }

    public int CountsEach { get; set; }

    /// <summary>The counts are those of each deed before it: "two counts each".</summary>
    public bool IsLengthOfEach { get; set; }

    /// <summary>The counts are those of the sides that arms or hips go to, one each.</summary>
    public bool CountsBySides { get; set; }

    /// <summary>Slow and quick, in the order they are said.</summary>
    public List<Pace> Paces { get; set; } = [];

    public bool OnStandingFoot { get; set; }

    /// <summary>A turn that is a deed of its own: where the weight is then, nothing in it says.</summary>
    public bool IsOpenTurn { get; set; }

    public NamedStep? Manner { get; set; }

    public bool EndsStep { get; set; }

    public bool Plural { get; set; }

    /// <summary>Deeds of its step that are left out.</summary>
    public List<Verb> Without { get; private set; } = [];

    /// <summary>Weight is spoken of, of no foot.</summary>
    public bool SaysWeight { get; set; }

    /// <summary>A number that says nothing of any deed; 0 when there is none.</summary>
    public int BareNumber { get; set; }

    /// <summary>The count it is said to be on; 0 when none is.</summary>
    public int OnCount { get; set; }

    public bool IsRepeat { get; set; }

    /// <summary>"Starting on the right".</summary>
    public bool Leads { get; set; }

    public List<string> Layers { get; private set; } = [];

    public List<UnreadWord> Unread { get; private set; } = [];

    /// <summary>A word that nobody knows stands where the deed would.</summary>
    public bool UnknownFirst { get; set; }

    /// <summary>"Down", alone between commas: it changes nothing that is known, and is told.</summary>
    public bool IsIdle { get; set; }

    /// <summary>"In front": across for a step, forward for a tap.</summary>
    public bool InFront { get; set; }

    public Operation Operation { get; set; }

    public Weight? FactWeight { get; set; }

    public Facing? FactFacing { get; set; }

    /// <summary>Arms, hips or head in the instructor's own words.</summary>
    public string? Body { get; set; }

    public TextSpan Span { get; set; }

    public ClauseJoint Joint { get; set; }

    /// <summary>The word that the clause opens with: "without", "like"; empty when none stands there.</summary>
    public TextSpan Opening { get; set; }

    /// <summary>The clause with that word.</summary>
    public TextSpan Whole => Opening.Length == 0 ? Span : Opening.To(Span);

    /// <summary>Nothing parts it from the deed before it: "step 1/4 pivot".</summary>
    public bool GoesOn { get; set; }

    /// <summary>Stood in brackets.</summary>
    public bool Bracketed { get; set; }

    public bool HasHead => Head is not null || Body is not null || Verb is not null || Step is not null;

    /// <summary>
    /// The verb of a deed that goes aside with both feet, told by a verb or by a step made of nothing else ("heel swivels"); null for any
    /// other.
    /// </summary>
    public Verb? Swivel =>
        (Verb ?? Step?.Forms[0].Actions[0].Phrase.Verb) is { } verb && verb.Has(VerbTraits.Aside) && Step is null or { Repeats: true }
            ? verb
            : null;

    public bool HasFact => FactWeight is not null || FactFacing is not null;

    /// <summary>Between commas, or behind "then": a deed of its own, if it is one.</summary>
    public bool StandsApart => !GoesOn && !Bracketed && Joint is ClauseJoint.None or ClauseJoint.Comma or ClauseJoint.Then;

    public bool IsTurnOnly => !HasHead && Turn is not null && Feet.Count == 0 && Direction == Direction.None;

    public bool IsFeetOnly => !HasHead && Feet.Count > 0 && Direction == Direction.None && Way == 0 && Turn is null && !Leads;

    public bool IsWayOnly => !HasHead && (Direction != Direction.None || Way != 0) && Turn is null;

    public bool IsPaceOnly => Paces.Count > 0 && SaysNothing;

    public bool IsTimesOnly => !HasHead && TimesSaid && Feet.Count == 0 && Direction == Direction.None && Turn is null;

    public bool SaysNothing =>
        !HasHead && Feet.Count == 0 && Direction == Direction.None && Way == 0 && Turn is null && Angle is null && Onto == Foot.None
        && Times == 1 && Counts == 0 && !HasFact && !SaysWeight && Operation == Operation.None && Unread.Count == 0;

    /// <summary>
    /// Takes over the words of a clause that belongs to this one, and what they say that cannot contradict: what goes along, the foot the
    /// weight ends on, the angle, and every word nobody read. Feet, way, turn and times stay with whoever joins the two.
    /// </summary>
    public void Absorb(PhraseDraft clause)
    {
        Span = Span.To(clause.Span);
        Unread.AddRange(clause.Unread);
        Layers.AddRange(clause.Layers);
        Onto = clause.Onto == Foot.None ? Onto : clause.Onto;
        Angle ??= clause.Angle;
        Paces = Paces.Count == 0 ? clause.Paces : Paces;
    }

    /// <summary>Its mirror image, in place.</summary>
    public void Mirrored()
    {
        Feet = [.. Feet.Select(f => f.Other())];
        Direction = Mirror.Reflect(Direction);
        Turn = Mirror.Reflect(Turn, Facing.Front);
        Onto = Onto.Other();
        Crossing = Crossing.Other();
        Way = -Way;
        Angle = Mirror.Reflect(Angle, Facing.Front);
    }

    public PhraseDraft Copy()
    {
        var copy = (PhraseDraft)MemberwiseClone();
        copy.Feet = [.. Feet];
        copy.Layers = [.. Layers];
        copy.Without = [.. Without];
        copy.Paces = [.. Paces];
        copy.Unread = [.. Unread];
        return copy;
    }
}
