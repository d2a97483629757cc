using FondCompass.Core.Music;

namespace FondCompass.Core.Runs.Fitting;

/// <summary>
/// The passages that count: the important ones that begin at or after the start, all such when none is marked. Each waits for the part that
/// belongs to it, or for any.
/// </summary>
internal sealed class FitTargets
{
    private readonly int[][] _lanes;
    private readonly int[][] _lengths;
    private readonly List<string> _parts = [];

    /// <param name="bound">Which part each passage wants.</param>
    public FitTargets(Song song, int start, IReadOnlyList<PassageBinding> bound)
    {
        var counted = Counted(song, start);
        var byPassage = bound.ToDictionary(b => b.Passage, b => b.Part);
        var lanes = counted.GroupBy(i => byPassage.GetValueOrDefault(i), StringComparer.OrdinalIgnoreCase).ToList();
        _parts.AddRange(lanes.Where(l => l.Key is not null).Select(l => l.Key!));
        List<IEnumerable<int>> places = [lanes.Where(l => l.Key is null).SelectMany(l => l), .. lanes.Where(l => l.Key is not null)];
        _lanes = [.. places.Select(p => p.Select(i => song.Starts[i]).ToArray())];
        _lengths = [.. places.Select(p => p.Select(i => song.Passages[i].Counts).ToArray())];
    }

    /// <summary>Places in the song's list of the passages that count.</summary>
    public static IReadOnlyList<int> Counted(Song song, int start)
    {
        var after = Enumerable.Range(0, song.Passages.Count).Where(i => song.Starts[i] >= start && song.Passages[i].Rest is null).ToList();
        var marked = after.Where(i => song.Passages[i].Important).ToList();
        return marked.Count > 0 ? marked : after;
    }

    /// <summary>How far off each passage of a lane counts whose part is not danced at all: its whole length (rules, section 6).</summary>
    public int[] NeverDanced(int lane) => _lengths[lane];

    /// <summary>Lane 0 waits for any part, each other one for its own.</summary>
    public int Lanes => _lanes.Length;

    /// <summary>Song counts of the passages of a lane, rising.</summary>
    public int[] Of(int lane) => _lanes[lane];

    /// <summary>The lane that waits for a part; 0 when none does.</summary>
    public int LaneOf(string part) => _parts.FindIndex(p => string.Equals(p, part, StringComparison.OrdinalIgnoreCase)) + 1;

    /// <summary>Sum of the distances from each passage to the nearest start of what it waits for, in counts.</summary>
    /// <param name="starts">Song counts at which parts begin, rising.</param>
    public int Off(IReadOnlyList<(int At, string Part)> starts)
    {
        var off = 0;
        for (var lane = 0; lane < Lanes; lane++)
        {
            int[] own = [.. starts.Where(s => lane == 0 || LaneOf(s.Part) == lane).Select(s => s.At)];
            off += own.Length == 0
                ? _lengths[lane].Sum()
                : _lanes[lane].Sum(p => First(own, p) is var i && i == own.Length ? p - own[^1]
                : i == 0 ? own[0] - p
                : Math.Min(own[i] - p, p - own[i - 1]));
        }

        return off;
    }

    /// <summary>
    /// What passages of a lane cost that begin after one start of its part and before the next; null when none was, or none follows.
    /// </summary>
    public int Between(int lane, int? from, int? to)
    {
        var passages = _lanes[lane];
        var off = 0;
        for (var i = from is { } f ? First(passages, f) : 0; i < passages.Length && !(passages[i] >= to); i++)
        {
            off += from is null && to is null
                ? _lengths[lane][i]
                : Math.Min(from is { } a ? passages[i] - a : int.MaxValue, to is { } b ? b - passages[i] : int.MaxValue);
        }

        return off;
    }

    /// <summary>Whether a lane has passages at or after a count.</summary>
    public bool Waits(int lane, int at) => _lanes[lane] is { Length: > 0 } passages && passages[^1] >= at;

    private static int First(int[] passages, int from)
    {
        var at = Array.BinarySearch(passages, from);
        return at < 0 ? ~at : at;
    }
}
