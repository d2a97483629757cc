using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs;

/// <summary>A stretch of the run: a repeat, or a tag between repeats.</summary>
/// <param name="Repeat">Repeat it is, or comes after; from 1 (0 for a tag before the first).</param>
/// <param name="FromCount">Song count at which it begins.</param>
/// <param name="ToCount">Song count at which it ends, half-open.</param>
/// <param name="Cut">Stopped short by the song's end or a restart.</param>
public sealed record RunStretch(
    bool IsTag,
    int Repeat,
    Stretch Stretch,
    int FromCount,
    int ToCount,
    Weight StartWeight,
    Facing StartFacing,
    Weight EndWeight,
    Facing EndFacing,
    bool Cut)
{
    public string Part => Stretch.Pattern.Part.Name;

    /// <summary>What the call is called, whole or in part, however far the song lets it go: "V, first half".</summary>
    public string Called { get; init; } = "";
}

/// <summary>One repeat as danced.</summary>
/// <param name="Index">As danced, from 1.</param>
/// <param name="Call">As written: by it tags, restarts and changes of the order are called. It differs from the index once calls are left
/// out or danced again.</param>
/// <param name="Wall">Place of its start facing in the order of walls, from 1; null when it is not among them.</param>
public sealed record RunRepeat(
    int Index,
    int Call,
    string Part,
    int FromCount,
    int ToCount,
    double StartSeconds,
    Facing StartFacing,
    Facing EndFacing,
    Weight StartWeight,
    int? Wall,
    bool Mirrored,
    bool Cut)
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
public sealed record RunEvent(RunEventKind Kind, int AfterRepeat, Facing Facing, Seconds Seconds, int AtCount, int? Wall);

/// <summary>Where the last count falls.</summary>
/// <param name="Count">Last count danced in its part, from 1.</param>
/// <param name="Ways">Ways to finish to the front, the smallest change first; empty when it does already.</param>
public sealed record RunEnding(string Part, int Count, Facing Facing, IReadOnlyList<EndingFix> Ways);

/// <summary>Every count of a song with what is danced on it.</summary>
public sealed record DanceRun
{
    private IReadOnlyDictionary<string, IReadOnlyList<Facing>>? _partWalls;

    /// <summary>Some bites of the dance, danced by themselves; what comes again is not "from the top".</summary>
    public bool IsExcerpt { get; init; }

    public required DanceTrace Trace { get; init; }

    public required Song Song { get; init; }

    /// <summary>Song count at which repeat 1 begins.</summary>
    public required int Start { get; init; }

    public required IReadOnlyList<RunStretch> Stretches { get; init; }

    public required IReadOnlyList<RunRepeat> Repeats { get; init; }

    /// <summary>
    /// Where a passage can be met, in song counts and rising: each repeat, and in an order the tags it calls as well, which are parts that
    /// it names like any other. In a loop a tag is no beginning: the round begins again behind it.
    /// </summary>
    public IReadOnlyList<(int At, string Part)> Beginnings =>
        [.. Stretches.Where(s => !s.IsTag || Trace.Dance.IsPhrased).Select(s => (s.FromCount, s.Part))];

    public required IReadOnlyList<RunEvent> Events { get; init; }

    public required RunEnding? Ending { get; init; }

    public required IReadOnlyList<Finding> Findings { get; init; }

    /// <summary>The facings each part begins on, in the order in which it comes to them: its own walls (rules, section 6).</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<Facing>> PartWalls => _partWalls ??=
        Repeats.GroupBy(r => r.Part).ToDictionary(g => g.Key, IReadOnlyList<Facing> (g) => [.. g.Select(r => r.StartFacing).Distinct()]);

    /// <summary>
    /// The wall a repeat begins on and how many there are: of a loop its own, of an order the part's; null when it is off them.
    /// </summary>
    /// <param name="turned">How far the class faces otherwise than the run has it, to the right.</param>
    public (int? Wall, int Of) WallOf(RunRepeat repeat, Eighths turned = default)
    {
        var walls = Trace.Dance.IsPhrased ? PartWalls[repeat.Part] : Trace.WallOrder;
        return (turned.IsNone && !Trace.Dance.IsPhrased ? repeat.Wall : walls.PlaceOf(repeat.StartFacing + turned), walls.Count);
    }

    /// <summary>Seconds of one pattern, or of the order once, from the first repeat's start at full rate.</summary>
    public double PatternSeconds => Song.Time.SecondsAt(Start + Trace.TotalCounts) - Song.Time.SecondsAt(Start);

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
