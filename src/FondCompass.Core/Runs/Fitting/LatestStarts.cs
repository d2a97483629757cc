namespace FondCompass.Core.Runs.Fitting;

/// <summary>The latest beginning in each lane, as a number; equal ones have the same number.</summary>
internal sealed class LatestStarts(int lanes)
{
    private const int NotYet = int.MinValue;

    private readonly List<int[]> _known = [[.. Enumerable.Repeat(NotYet, lanes)]];
    private readonly Dictionary<(int Of, int Lane, int At), int> _with = [];
    private readonly Dictionary<string, int> _numbers = [];

    /// <summary>Nothing has begun in any lane.</summary>
    public const int None = 0;

    public int? Of(int latest, int lane) => _known[latest][lane] is var at && at == NotYet ? null : at;

    public int With(int latest, int lane, int at)
    {
        if (_with.TryGetValue((latest, lane, at), out var known))
        {
            return known;
        }

        int[] changed = [.. _known[latest]];
        changed[lane] = at;
        var key = string.Join(',', changed);
        if (!_numbers.TryGetValue(key, out var number))
        {
            number = _numbers[key] = _known.Count;
            _known.Add(changed);
        }

        return _with[(latest, lane, at)] = number;
    }
}
