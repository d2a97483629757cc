using FondCompass.Core.Actions.Rows;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Actions.Placing;

/// <summary>Where the beats of one line fall on the tick grid, straight or swung.</summary>
internal sealed class LineGrid
{
    private readonly bool _swing;

    /// <summary>Counts on which both the half and the letter after it are danced, so that each keeps a place of its own.</summary>
    private readonly HashSet<int> _both = [];

    public LineGrid(bool swing, IReadOnlyList<PendingMoment> line)
    {
        _swing = swing;
        if (swing)
        {
            _both.UnionWith(line.Where(p => p.Moment.Beat.Fraction == Fraction.And).Select(p => p.Moment.Beat.Number));
            _both.IntersectWith(line.Where(p => p.Moment.Beat.Fraction == Fraction.A).Select(p => p.Moment.Beat.Number));
        }
    }

    public Tick Begin(Beat beat) => beat.ToTick(_swing, _both.Contains(beat.Number));

    /// <summary>The end of the count, or of the finer position, that <paramref name="until"/> names.</summary>
    public Tick End(Beat until) => until.Fraction switch
    {
        Fraction.Whole => Tick.FromCounts(until.Number),
        Fraction.E => Begin(until) + new Tick(6),
        Fraction.And when !_swing || _both.Contains(until.Number) => Begin(until with { Fraction = Fraction.A }),
        _ => Tick.FromCounts(until.Number),
    };
}
