using FondCompass.Core.Measures;

namespace FondCompass.Core.Actions;

/// <summary>What a dance may still add, however it is added; one for all its parts.</summary>
internal sealed class Budget(CancellationToken cancel)
{
    private int _actions = ActionBinder.MostMoments;
    private int _counts = ActionBinder.MostCounts;
    private int _entries = ActionBinder.MostEntries;

    /// <summary>
    /// Whether there is no room for one entry more, beside what its part has so far; it ends with <see cref="OperationCanceledException"/>
    /// when nobody waits.
    /// </summary>
    /// <param name="actions">Actions the part has, those of its variants among them.</param>
    /// <param name="counts">Counts of the part's closed lines.</param>
    public bool IsFullFor(int actions, Tick counts)
    {
        cancel.ThrowIfCancellationRequested();
        _entries--;
        return _entries < 0 || _actions <= 0 || _counts <= 0 || actions > _actions || counts > Tick.FromCounts(_counts);
    }

    /// <summary>A part as it is danced in one call of it, and what may be danced instead.</summary>
    public void Take(PartActions part)
    {
        _actions -= part.Moments.Count + part.Variants.Sum(v => v.Moments.Count);
        _counts -= part.Counts;
    }
}
