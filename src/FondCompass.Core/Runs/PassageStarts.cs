using FondCompass.Core.Music;

namespace FondCompass.Core.Runs;

/// <summary>
/// The passages a repeat should begin with: the important ones that begin at or after the start, all such when none is
/// marked; and how far off repeat starts are from them.
/// </summary>
internal sealed class PassageStarts
{
    private readonly int[] _starts;

    public PassageStarts(Song song, int start)
    {
        var after = Enumerable.Range(0, song.Passages.Count).Where(i => song.Starts[i] >= start && song.Passages[i].Rest is null).ToList();
        var marked = after.Where(i => song.Passages[i].Important).ToList();
        _starts = (marked.Count > 0 ? marked : after).Select(i => song.Starts[i]).ToArray();
    }

    /// <summary>Sum of the distances from each passage to the nearest repeat start, in counts.</summary>
    /// <param name="repeats">Song counts at which repeats begin, rising.</param>
    public int Off(IReadOnlyList<int> repeats)
    {
        var off = 0;
        for (var i = 0; i < repeats.Count; i++)
        {
            off += OffBetween(repeats[i], i + 1 < repeats.Count ? repeats[i + 1] : null);
        }

        return off;
    }

    /// <summary>The share of passages that begin from one repeat start up to the next; null when none follows.</summary>
    public int OffBetween(int from, int? to)
    {
        var off = 0;
        var i = Array.BinarySearch(_starts, from);
        for (i = i < 0 ? ~i : i; i < _starts.Length && !(_starts[i] >= to); i++)
        {
            off += to is { } t ? Math.Min(_starts[i] - from, t - _starts[i]) : _starts[i] - from;
        }

        return off;
    }
}
