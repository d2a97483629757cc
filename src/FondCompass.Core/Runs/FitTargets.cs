using FondCompass.Core.Music;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Runs;

/// <summary>
/// The passages that count: the important ones that begin at or after the start, all such when none is marked. Each waits for the part that
/// belongs to it, or for any.
/// </summary>
internal sealed class FitTargets
{
    private readonly int[][] _lanes;
    private readonly List<string> _parts = [];

    public FitTargets(Song song, int start, IReadOnlyList<BoundPassage> bound)
    {
        var counted = Counted(song, start);
        var byPart = bound.ToDictionary(b => b.Kind, b => b.Part);
        var lanes = counted.GroupBy(i => byPart.GetValueOrDefault(PassageKind.Of(song.Passages[i].Name)), i => song.Starts[i]).ToList();
        _parts.AddRange(lanes.Where(l => l.Key is not null).Select(l => l.Key!));
        _lanes = [[.. lanes.Where(l => l.Key is null).SelectMany(l => l)], .. lanes.Where(l => l.Key is not null).Select(l => l.ToArray())];
        NeverDanced = song.Counts;
    }

    /// <summary>Places in the song's list of the passages that count.</summary>
    public static IReadOnlyList<int> Counted(Song song, int start)
    {
        var after = Enumerable.Range(0, song.Passages.Count).Where(i => song.Starts[i] >= start && song.Passages[i].Rest is null).ToList();
        var marked = after.Where(i => song.Passages[i].Important).ToList();
        return marked.Count > 0 ? marked : after;
    }

    /// <summary>How far off a passage counts whose part is not danced at all: as many counts as the song has.</summary>
    public int NeverDanced { get; }

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
            off += _lanes[lane].Sum(p => own.Length == 0 ? NeverDanced : First(own, p) is var i && i == own.Length ? p - own[^1] : i == 0 ? own[0] - p : Math.Min(own[i] - p, p - own[i - 1]));
        }

        return off;
    }

    /// <summary>What passages of a lane cost that begin after one start of its part and before the next; null when none was, or none follows.</summary>
    public int Between(int lane, int? from, int? to)
    {
        var passages = _lanes[lane];
        var off = 0;
        for (var i = from is { } f ? First(passages, f) : 0; i < passages.Length && !(passages[i] >= to); i++)
        {
            off += Math.Min(from is { } a ? passages[i] - a : NeverDanced, to is { } b ? b - passages[i] : NeverDanced);
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
