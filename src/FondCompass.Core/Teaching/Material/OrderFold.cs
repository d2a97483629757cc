using FondCompass.Core.Tracing;

namespace FondCompass.Core.Teaching.Material;

/// <summary>An order of parts with what is called again at once left out: (A B C D) three times is A B C D (rules, section 7).</summary>
internal static class OrderFold
{
    /// <summary>
    /// Calls of an order that are looked through for repetition inside it; a longer one is folded only where all of it repeats.
    /// </summary>
    private const int Most = 256;

    public static IReadOnlyList<TracedCall> Fold(IReadOnlyList<TracedCall> calls)
    {
        var whole = Period(calls);
        if (whole.Count > Most)
        {
            return whole;
        }

        var folded = whole.ToList();
        for (var length = folded.Count / 2; length > 0; length--)
        {
            for (var at = 0; at + (2 * length) <= folded.Count;)
            {
                if (Enumerable.Range(at, length).All(i => IsSame(folded[i], folded[i + length])))
                {
                    folded.RemoveRange(at + length, length);
                }
                else
                {
                    at++;
                }
            }
        }

        return folded;
    }

    /// <summary>Its beginning up to where all of it begins again.</summary>
    private static IReadOnlyList<TracedCall> Period(IReadOnlyList<TracedCall> calls)
    {
        for (var length = 1; length <= calls.Count / 2; length++)
        {
            if (calls.Count % length == 0 && Enumerable.Range(length, calls.Count - length).All(i => IsSame(calls[i], calls[i - length])))
            {
                return [.. calls.Take(length)];
            }
        }

        return calls;
    }

    /// <summary>The same counts of the same part; danced as a mirror image or on another wall it is called the same.</summary>
    private static bool IsSame(TracedCall a, TracedCall b) =>
        a.Stretch.Pattern == b.Stretch.Pattern
            && a.Stretch.From == b.Stretch.From
            && a.Stretch.To == b.Stretch.To
            && a.Stretch.Mirrored == b.Stretch.Mirrored
            && a.StartWeight == b.StartWeight;
}
