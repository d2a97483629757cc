using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Calling;

/// <summary>A caller's way (calls, section 3).</summary>
public enum CallerWay
{
    Names,

    /// <summary>Over the counts only own cues, structural calls, turns and ways.</summary>
    Beat,

    /// <summary>Names the first times, then less and less.</summary>
    Fading,

    /// <summary>The foot that begins before the name, where nothing turns or goes to the other side.</summary>
    Feet,
}

/// <summary>What a block of a lesson lets be said; kept to the letter.</summary>
public enum CallRule
{
    All,

    /// <summary>Silence, but for what changes.</summary>
    ChangesOnly,

    /// <summary>The beat track alone.</summary>
    CountsOnly,
}

/// <summary>How a run is called.</summary>
/// <param name="Rate">Share of full tempo at which it is danced.</param>
/// <param name="Lead">Counts before a phrase at which its call begins, 0 to 16.</param>
/// <param name="Repeats">Repeats, or calls of an order, that are told; at most those that are danced.</param>
public sealed record CallSettings(Rate Rate, double Lead, int Repeats)
{
    /// <summary>The longest lead, in counts.</summary>
    public const double LongestLead = 16;

    public CallerWay Way { get; init; }

    public CallRule Rule { get; init; }

    /// <summary>The caller's own pace; that of the language when null.</summary>
    public Speech? Speech { get; init; }

    /// <summary>How it is counted; as the dance says when null.</summary>
    public CountStyle? Counting { get; init; }

    /// <summary>Parts that are danced without arms, hips and the like: those are not said.</summary>
    public IReadOnlyList<string> FeetOnly { get; init; } = [];

    /// <summary>The kinds of layers that are danced; all when null.</summary>
    public IReadOnlyList<LayerKind>? Layers { get; init; }

    /// <summary>
    /// How often each name was called in its place in earlier blocks of the lesson; who says less and less goes on from there.
    /// </summary>
    public HeardNames Heard { get; init; } = HeardNames.None;

    /// <summary>Whether the beat track is wanted too.</summary>
    public bool WithBeat { get; init; } = true;

    /// <summary>The language of what is said besides names; that of the dance's rows when null.</summary>
    public CallTongue? Tongue { get; init; }

    /// <summary>Song counts at which the run begins with a count-in; its start alone when empty.</summary>
    public IReadOnlyList<int> Starts { get; init; } = [];

    /// <summary>Counts of the count-in; as the dance says when null.</summary>
    public int? CountIn { get; init; }
}
