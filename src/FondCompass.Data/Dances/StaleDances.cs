using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Dances;

/// <summary>
/// Dances whose description on the shelf is of other words than their owner's own of now, or of a build that kept less of it: they are
/// described anew, some at a time.
/// </summary>
public static class StaleDances
{
    /// <summary>Dances described in one go.</summary>
    public const int AtOnce = 40;

    /// <summary>Describes some anew. Several instances may do so side by side: none takes what another has in hand.</summary>
    /// <param name="owner">Whose; everybody's when null.</param>
    /// <returns>How many were described; 0 when none was left.</returns>
    public static Task<int> Describe(FondCompassContext context, Guid? owner = null, CancellationToken cancel = default) =>
        context.Database.CreateExecutionStrategy().ExecuteAsync(async () =>
        {
            context.ChangeTracker.Clear();
            await using var whole = await context.Database.BeginTransactionAsync(cancel);
            // Held until it is written: who saves the words meanwhile marks them once more behind it.
            var stale = await context.Dances.FromSql(
                $"""
                select * from "Dances" where "IsStale" and ({owner}::uuid is null or "OwnerId" = {owner})
                order by "OwnerId", "Id" limit {AtOnce} for update skip locked
                """).ToListAsync(cancel);
            foreach (var own in stale.GroupBy(d => d.OwnerId))
            {
                var lexicon = await new WordBook(context, own.Key).Lexicon(cancel);
                own.AsParallel().WithCancellation(cancel).ForAll(d => DanceShelf.Describe(d, d.Script, lexicon));
            }

            await context.SaveChangesAsync(cancel);
            await whole.CommitAsync(cancel);
            context.ChangeTracker.Clear();
            return stale.Count;
        });
}
