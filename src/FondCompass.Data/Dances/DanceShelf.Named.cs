using FondCompass.Core.Text;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Dances;

/// <summary>Finds dances by the first letters of their titles.</summary>
public sealed partial class DanceShelf
{
    /// <summary>Words of a title that are looked for at once, and letters of each.</summary>
    private const int MostWords = 8, LongestWord = 60;

    /// <summary>
    /// Dances in whose titles every word typed begins one; those that begin with the first of them come first. Of no words, what was
    /// danced last.
    /// </summary>
    public async Task<IReadOnlyList<DanceRecord>> Named(string? words, int most, CancellationToken cancel = default)
    {
        var typed = (words ?? "").Replace("\0", "", StringComparison.Ordinal)
            .Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Take(MostWords)
            .Select(w => Letters.Cut(w, LongestWord).Replace("\\", "\\\\", StringComparison.Ordinal)
                .Replace("%", "\\%", StringComparison.Ordinal)
                .Replace("_", "\\_", StringComparison.Ordinal) + "%")
            .ToList();
        if (typed.Count == 0)
        {
            return await Asked.InOrder(Own.AsNoTracking(), ShelfOrder.LastDanced).Take(most).ToListAsync(cancel);
        }

        var found = typed.Aggregate(
            Own.AsNoTracking(),
            (dances, word) => dances.Where(d => EF.Functions.ILike(d.Title, word) || EF.Functions.ILike(d.Title, "% " + word)));
        return await found.OrderBy(d => EF.Functions.ILike(d.Title, typed[0]) ? 0 : 1)
            .ThenBy(d => d.Title)
            .ThenBy(d => d.Id)
            .Take(most)
            .ToListAsync(cancel);
    }
}
