using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Notation;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Teaching.Boards;

/// <summary>One click of the call board.</summary>
/// <param name="At">Seconds of the song at full rate; the count-in may lie before its count 0.</param>
/// <param name="Label">What is counted: 1 to 8 or down from it, the name of a step that begins, an "&amp;" on which a step moves, or the
/// count-in's words.</param>
/// <param name="IsHalf">Between two counts: shown, and not clicked.</param>
/// <param name="Where">The part as it is called, and the line by its name or number.</param>
/// <param name="Wall">"wall 2 of 4"; in a tag the tag's name, off the walls the way everybody faces.</param>
/// <param name="Part">The part that is danced; empty in a count-in.</param>
/// <param name="Line">Its line, from 1, and the count in it, from 1; 0 in a count-in.</param>
public sealed record BoardClick(
    double At,
    string Label,
    bool IsCountIn,
    bool IsFirst,
    bool IsHalf,
    int Repeat,
    string Where,
    string Wall,
    string Part = "",
    int Line = 0,
    int Count = 0);

/// <summary>One step called on the board.</summary>
/// <param name="Name">As the instructor calls it, with its way and its turn; the foot stands apart.</param>
/// <param name="Foot">The foot that moves, L or R; empty where no single foot does.</param>
/// <param name="Starts">A step begins; else it goes on with another foot.</param>
/// <param name="Deed">What this one action is, for who walks it: "step behind".</param>
/// <param name="Step">Where a step begins, the name by which its parts are found; else empty.</param>
public sealed record BoardStep(
    double At,
    bool Starts,
    string Name,
    string Foot,
    string Free,
    string Facing,
    int Degrees,
    string Deed,
    string Step);

/// <summary>How a step goes, one level at a time.</summary>
public sealed record BoardParts(string Step, IReadOnlyList<StepPart> Parts);

/// <summary>Words to be said.</summary>
/// <param name="At">When they begin.</param>
/// <param name="Until">When they have been said.</param>
/// <param name="For">The moment they are for.</param>
/// <param name="Layer">Of what arms, hips or head do, its kind: it is not said where that level is left out; else empty.</param>
public sealed record BoardSay(double At, double Until, double For, string Words, bool IsOwn, string Layer);

/// <summary>Words that tell a way of the room.</summary>
/// <param name="Words">As it is written: "wall 2 of 4", "3:00".</param>
/// <param name="By">What they are where the class faces one quarter further to the right, two, and three.</param>
public sealed record TurnedWords(string Words, IReadOnlyList<string> By);

/// <summary>How a block is called and counted.</summary>
/// <param name="Counting">As the dance says when null.</param>
public sealed record BoardCalls(CountStyle? Counting = null, CallerWay Way = CallerWay.Names, CallRule Rule = CallRule.All)
{
    public static readonly BoardCalls Usual = new();

    /// <summary>How a block of a lesson is called: by its own rule, with what is danced in it and what has been called before.</summary>
    public static BoardCalls For(LessonBlock block, CountStyle? counting, CallerWay way) =>
        new(counting, way, block.Rule) { FeetOnly = block.FeetOnly, Layers = block.Layers, Heard = block.Heard };

    /// <summary>Parts that are danced without arms, hips and the like.</summary>
    public IReadOnlyList<string> FeetOnly { get; init; } = [];

    /// <summary>The kinds of layers that are danced; all when null.</summary>
    public IReadOnlyList<LayerKind>? Layers { get; init; }

    /// <summary>How often each name was called in its place in blocks before.</summary>
    public HeardNames Heard { get; init; } = HeardNames.None;
}

/// <summary>What stands on the board for a while: what arms, hips or head do, a caution, a trouble spot, a note.</summary>
/// <param name="From">It is shown from here, well before it is danced.</param>
public sealed record BoardMark(double From, double At, double Until, string Kind, string Words);

/// <summary>Something that comes, told ahead: a tag, a restart, another part, a pause.</summary>
/// <param name="From">From when it is told.</param>
public sealed record BoardEvent(double From, double At, string Words);
