using FondCompass.Core.Actions.Rows;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Actions;

/// <summary>What the rows behind one tell of the weight it must leave.</summary>
internal sealed partial class PartBinder
{
    /// <summary>The next row of steps: what begins there tells how a line ends, and which foot must be free.</summary>
    private static PartEntry? NextSteps(IReadOnlyList<PartEntry> entries, int from)
    {
        for (var i = from + 1; i < entries.Count && i < from + 6; i++)
        {
            if (entries[i] is StepEntry or FreeEntry or CheckEntry)
            {
                return entries[i];
            }

            if (entries[i] is AgainEntry or EndingEntry)
            {
                return null;
            }
        }

        return null;
    }

    /// <summary>
    /// The weight that must be there when a row is done: stated next, or told by the foot that the next row of the feet moves.
    /// </summary>
    private Afterwards? Behind()
    {
        var (entries, from) = _behind;
        var loops = dance is { IsPhrased: false, IsFree: false }
            && !part.IsTag
            && part.Variant is null
            && ReferenceEquals(entries, part.Entries);
        for (var i = from; i < from + FurthestAhead; i++)
        {
            var isAround = i >= entries.Count;
            if (isAround && !(loops && i - entries.Count < from))
            {
                return null;
            }

            if (Needs(entries[isAround ? i - entries.Count : i], names, out var goesOn) is { } weight)
            {
                return new Afterwards(weight, i == from && !isAround, isAround);
            }

            if (!goesOn)
            {
                return null;
            }
        }

        return null;
    }

    /// <summary>The weight that a part's first words of a foot need; null when they name none.</summary>
    public static Weight? NeededAt(DancePart part, IStepNames names)
    {
        foreach (var entry in part.Entries.Take(FurthestAhead))
        {
            if (Needs(entry, names, out var goesOn) is { } weight)
            {
                return weight;
            }

            if (!goesOn)
            {
                return null;
            }
        }

        return null;
    }

    /// <summary>The weight that must be there when a row begins: stated, or told by the foot that it moves first.</summary>
    /// <param name="goesOn">It tells nothing and moves no foot: a row behind it may tell.</param>
    private static Weight? Needs(PartEntry entry, IStepNames names, out bool goesOn)
    {
        goesOn = entry is NoteEntry or LayerEntry or LineEntry or CheckEntry;
        if (entry is CheckEntry { Weight: { } stated })
        {
            return stated;
        }

        if (entry is not StepEntry step || RowReader.Read(names, step.Wording) is not { First: { IsWhole: true } read })
        {
            return null;
        }

        goesOn = read.Phrases.All(p => p.Verb is { Kind: VerbKind.NoFoot, Unwinds: false });
        return read.Items[0].Main is { Feet: [var foot, ..], Verb: not { Kind: VerbKind.Standing or VerbKind.NoFoot } } && foot.IsSingle()
            ? foot.Other().OnWeight() : null;
    }

    /// <summary>Rows looked at for the next foot that is named.</summary>
    private const int FurthestAhead = 6;
}
