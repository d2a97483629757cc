using FondCompass.Core.Counts;
using FondCompass.Core.Notation;
using FondCompass.Core.Told;

namespace FondCompass.Core.Calling;

/// <summary>What kind of thing is said (calls, section 1).</summary>
public enum CueForm
{
    /// <summary>The instructor's own words.</summary>
    Own,

    /// <summary>The name by itself.</summary>
    Name,

    /// <summary>The name with its way, its turn, or how many.</summary>
    Full,

    /// <summary>The turn or the way alone.</summary>
    Key,

    /// <summary>A foot before the name, where the caller's way says feet.</summary>
    Foot,

    /// <summary>Names said on the beat.</summary>
    Rhythm,

    /// <summary>Counts said on the beat.</summary>
    Count,

    /// <summary>What changes, told within the eight before.</summary>
    Structural,

    /// <summary>Left out: there is no time to say it.</summary>
    None,
}

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

    /// <summary>Whether the beat track is wanted too.</summary>
    public bool WithBeat { get; init; } = true;

    /// <summary>The language of what is said besides names; that of the dance's rows when null.</summary>
    public CallTongue? Tongue { get; init; }

    /// <summary>Song counts at which the run begins with a count-in; its start alone when empty.</summary>
    public IReadOnlyList<int> Starts { get; init; } = [];

    /// <summary>Counts of the count-in; as the dance says when null.</summary>
    public int? CountIn { get; init; }
}

/// <summary>One thing said, for one moment of the song.</summary>
/// <param name="Words">Empty where it is left out.</param>
/// <param name="At">Seconds of the song at full rate at which it begins; negative in the count-in.</param>
/// <param name="Until">Seconds of the song at which it ends.</param>
/// <param name="StepAt">Seconds of the song at which what it is for begins.</param>
/// <param name="Needs">Seconds of the clock that the words take.</param>
/// <param name="Room">Seconds of the clock from the end of what was said before to the step.</param>
/// <param name="From">Song count at which what it covers begins.</param>
/// <param name="To">Song count at which that ends, half-open.</param>
/// <param name="Best">What would be said with all the time there is; empty where that is not another.</param>
/// <param name="Why">Why it is said so, or left out, in words.</param>
public sealed record SheetCue(
    int Repeat, string Part, int Line, string Count, string Step, string Words, CueForm Form, double At, double Until, double StepAt, double Needs, double Room,
    double From, double To, string Best, string Why)
{
    /// <summary>Fewer words are said than would be with more time.</summary>
    public bool IsShortened => Words.Length > 0 && Best.Length > 0 && Best != Words;

    /// <summary>Of what arms, hips, head or voice do on top of the feet, its kind; else empty.</summary>
    public string Layer { get; init; } = "";

    /// <summary>It is not over before what it is for begins: what must be said takes more time than there is.</summary>
    public bool IsLate => Words.Length > 0 && !IsBeat && Until > StepAt + 1e-6;

    public bool IsOwn => Form == CueForm.Own;

    /// <summary>Said on the beat, in what calls leave free.</summary>
    public bool IsBeat => Form is CueForm.Count or CueForm.Rhythm;
}
