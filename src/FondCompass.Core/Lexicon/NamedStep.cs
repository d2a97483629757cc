using FondCompass.Core.Measures;

namespace FondCompass.Core.Lexicon;

/// <summary>One action of a form, with its place in the form's own rhythm. Feet: R stands for the lead.</summary>
public sealed record FormAction(Phrase Phrase, Tick At);

/// <summary>
/// One way a step is danced, written for the right foot leading; the mirror is derived.
/// </summary>
/// <param name="Counts">Whole counts it fills in its own rhythm.</param>
public sealed record StepForm(IReadOnlyList<FormAction> Actions, int Counts)
{
    private readonly Tick[] _positions = Actions.Select(a => a.At).Distinct().Order().ToArray();

    /// <summary>Different moments at which something happens.</summary>
    public int Positions => _positions.Length;

    /// <summary>Which of the form's moments an action is at, from 0.</summary>
    public int PositionOf(FormAction action) => Array.IndexOf(_positions, action.At);
}

/// <summary>Words for calling a step: a sentence, a few words, one word.</summary>
public sealed record CueWords(string Sentence, string Keyword, string OneWord);

/// <summary>A named step: what it is called, what it does and how it is cued.</summary>
public sealed record NamedStep
{
    public required string Name { get; init; }

    public IReadOnlyList<string> Aliases { get; init; } = [];

    /// <summary>Aliases in other languages: language tag to words.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string>> Languages { get; init; } = new Dictionary<string, IReadOnlyList<string>>();

    /// <summary>Names it goes by in one genre only, where another step has that name elsewhere.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string>> LocalNames { get; init; } = new Dictionary<string, IReadOnlyList<string>>();

    public IReadOnlyList<string> Genres { get; init; } = [];

    /// <summary>The first form is the usual one.</summary>
    public required IReadOnlyList<StepForm> Forms { get; init; }

    /// <summary>The wording of each form, as in the lexicon file.</summary>
    public required IReadOnlyList<string> FormTexts { get; init; }

    /// <summary>Index, from 0, of the action that takes a turn written with the step; null for the last that takes weight.</summary>
    public int? TurnAt { get; init; }

    /// <summary>Whether one action is repeated, feet alternating, for as many counts as are written (march).</summary>
    public bool Repeats { get; init; }

    /// <summary>
    /// It turns away from the foot that leads, like a pivot or a paddle: "paddle left" names the turn, where "monterey right" names both.
    /// </summary>
    public bool TurnsAway => Forms[0].Actions is [{ Phrase.Foot: Foot.Right }, ..]
        && Forms[0].Actions.Any(a => a.Phrase is { TurnSlot: true, Turn.Side: < 0 });

    /// <summary>It may be sent another way than its own: a shuffle back.</summary>
    public bool GoesAnywhere => Forms[0].Actions.Any(a => a.Phrase.DirectionSlot);

    /// <summary>A step forward and a pivot away from it: where the step forward is written already, the pivot alone.</summary>
    public bool Pivots { get; init; }

    /// <summary>Other steps may be danced in its manner: toe strut, heel strut.</summary>
    public bool IsManner { get; init; }

    public CueWords Cue { get; init; } = new("", "", "");

    /// <summary>1 easy … 3 hard.</summary>
    public int Level { get; init; } = 1;

    /// <summary>The class that may be trusted to know it while no log says more: 0 beginners, 1 improvers, 2 regulars, 3 nobody.</summary>
    public int Trust { get; init; } = 3;

    public bool HighImpact { get; init; }

    public string? Caution { get; init; }

    /// <summary>Defined in the dance's own script or by the instructor.</summary>
    public bool IsOwn { get; init; }
}
