using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Music;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs;

/// <summary>A stretch of the run: a repeat, or a tag between repeats.</summary>
/// <param name="Repeat">Repeat it is, or comes after; from 1 (0 for a tag before the first).</param>
/// <param name="FromCount">Song count at which it begins.</param>
/// <param name="ToCount">Song count at which it ends, half-open.</param>
/// <param name="Cut">Stopped short by the song's end or a restart.</param>
public sealed record RunStretch(
    bool IsTag, int Repeat, Stretch Stretch, int FromCount, int ToCount, Weight StartWeight, Facing StartFacing, Weight EndWeight, Facing EndFacing, bool Cut)
{
    public string Part => Stretch.Pattern.Part.Name;

    /// <summary>What the call is called, whole or in part, however far the song lets it go: "V, first half".</summary>
    public string Called { get; init; } = "";
}

/// <summary>One repeat as danced.</summary>
/// <param name="Wall">Place of its start facing in the order of walls, from 1; null when it is not among them.</param>
public sealed record RunRepeat(
    int Index, string Part, int FromCount, int ToCount, double StartSeconds, Facing StartFacing, Facing EndFacing, Weight StartWeight, int? Wall, bool Mirrored, bool Cut)
{
    /// <summary>What the call is called: "V, first half".</summary>
    public string Called { get; init; } = "";
}

public enum RunEventKind
{
    Tag,
    Restart,
    Ending,
}

/// <summary>Something out of the round: where and when it happens, and which way the dancers face then.</summary>
public sealed record RunEvent(RunEventKind Kind, int AfterRepeat, Facing Facing, double Seconds, int AtCount, int? Wall);

/// <summary>Where the last count falls.</summary>
/// <param name="Count">Last count danced in its part, from 1.</param>
/// <param name="Suggestion">The smallest change that finishes to the front; null when it does already.</param>
public sealed record RunEnding(string Part, int Count, Facing Facing, string? Suggestion);

/// <summary>Every count of a song with what is danced on it.</summary>
public sealed record DanceRun
{
    public required DanceTrace Trace { get; init; }

    public required Song Song { get; init; }

    /// <summary>Song count at which repeat 1 begins.</summary>
    public required int Start { get; init; }

    public required IReadOnlyList<RunStretch> Stretches { get; init; }

    public required IReadOnlyList<RunRepeat> Repeats { get; init; }

    public required IReadOnlyList<RunEvent> Events { get; init; }

    public required RunEnding? Ending { get; init; }

    public required IReadOnlyList<Finding> Findings { get; init; }

    /// <summary>The stretch danced at a song count, or null before the start and after the end.</summary>
    public RunStretch? At(int count)
    {
        var low = 0;
        var high = Stretches.Count - 1;
        while (low <= high)
        {
            var middle = (low + high) / 2;
            var stretch = Stretches[middle];
            if (count < stretch.FromCount)
            {
                high = middle - 1;
            }
            else if (count >= stretch.ToCount)
            {
                low = middle + 1;
            }
            else
            {
                return stretch;
            }
        }

        return null;
    }
}
