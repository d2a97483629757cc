using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Clauses;

/// <summary>What a clause of prose may be, by its words alone.</summary>
internal enum ClauseKind
{
    Steps,

    /// <summary>Something of the steps before it: again, the same on the other side.</summary>
    Repeat,

    /// <summary>"five six seven eight".</summary>
    Chant,

    Talk,
}

/// <summary>A clause, what its words may be, and where they stand.</summary>
/// <param name="Whole">Columns from its first word to its last.</param>
/// <param name="Core">Columns without what only leads in.</param>
/// <param name="Text">The words of the core, those left out that nothing could be made of.</param>
/// <param name="Bound">Words that a step may be made of.</param>
/// <param name="Stray">Words inside it that nothing could be made of.</param>
/// <param name="Deeds">Verbs and steps among them.</param>
/// <param name="Feet">Feet, numbers and amounts among them.</param>
/// <param name="IsNamed">One of its deeds is a step of the lexicon.</param>
internal sealed record ProseClause(ClauseKind Kind, TextSpan Whole, TextSpan Core, string Text, int Bound, int Stray, int Deeds, int Feet,
    bool IsBody, bool IsNamed)
{
    /// <summary>What stands before it says that it explains: "so", a colon, "that's".</summary>
    public bool Explains { get; init; }

    /// <summary>It begins with a word that only tells beside the steps: "as you", "until".</summary>
    public bool IsAside { get; init; }

    /// <summary>It only says how long each step before it is: "two counts for each".</summary>
    public bool IsLength => Each > 0;

    /// <summary>Counts that each step before it takes; 0 where it says none.</summary>
    public int Each { get; init; }

    /// <summary>It says where the weight is: that foot's; none where it does not.</summary>
    public Foot Weight { get; init; }

    /// <summary>It begins with "then": it is danced after what stands before it.</summary>
    public bool IsThen { get; init; }

    /// <summary>It says a turn.</summary>
    public bool HasTurn { get; init; }

    /// <summary>It says from where all begins again.</summary>
    public bool IsFromThere { get; init; }

    /// <summary>Things that a deed is done to, left out of it.</summary>
    public int Objects { get; init; }

    /// <summary>Its verbs and steps.</summary>
    public IReadOnlyList<object> Names { get; init; } = [];

    /// <summary>It begins with "while": what it says is spread over the steps.</summary>
    public bool IsWhile { get; init; }

    /// <summary>A deed by its bare name as it goes on: "walking".</summary>
    public bool GoesOn { get; init; }

    /// <summary>A number in front: how many of what it names; 0 where it has none.</summary>
    public int Count { get; init; }

    /// <summary>It says how often: "x2", "twice".</summary>
    public bool HasTimes { get; init; }

    /// <summary>Feet or sides and nothing else: those it names, in order; empty where it says more.</summary>
    public IReadOnlyList<Foot> OnlySides { get; init; } = [];

    /// <summary>It says that it is as something before it: "vine right the same way".</summary>
    public bool SaysSame { get; init; }

    /// <summary>Only a side to go to.</summary>
    public bool IsWayAlone { get; init; }

    /// <summary>It goes on without a mark from what stands before it.</summary>
    public bool IsJoined { get; init; }

    /// <summary>A step by its name alone.</summary>
    public bool IsBareName => Deeds == 1 && Feet == 0;
}
