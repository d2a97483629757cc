using System.Collections.Concurrent;
using FondCompass.Core;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Comparing;
using FondCompass.Core.Steps;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Dances;

/// <summary>A dance that other words would change: how many steps are danced otherwise, and how its checks stand then.</summary>
public sealed record ChangedDance(Guid Id, string Title, int Steps, DanceState Before, DanceState After);

/// <summary>What one look through the dances found.</summary>
/// <param name="Changed">Dances that other words would change.</param>
/// <param name="All">Dances in whose words a changed name stands.</param>
/// <param name="Left">Those of them that were not looked through yet.</param>
/// <param name="Next">From where the next look goes on; null at the end.</param>
public sealed record WordsLook(IReadOnlyList<ChangedDance> Changed, int All, int Left, Guid? Next);

/// <summary>One instructor's own words over the lexicon that ships (docs/lexicon.md).</summary>
public sealed class WordBook(FondCompassContext context, Guid ownerId)
{
    /// <summary>Characters kept at the most.</summary>
    public const int LargestText = 64 * 1024;

    /// <summary>Lexicons made from a text, so that the same words are not read again at every keystroke.</summary>
    private static readonly ConcurrentDictionary<string, OwnLexicon> Made = new();

    private const int MostMade = 64;

    private WordsRecord? _record;

    /// <summary>The lexicon that a text makes of the shipped one.</summary>
    public static OwnLexicon Read(string text)
    {
        if (Made.TryGetValue(text, out var known))
        {
            return known;
        }

        if (Made.Count >= MostMade)
        {
            Made.Clear();
        }

        return Made[text] = OwnLexicon.Over(StepLexicon.Shipped, text);
    }

    /// <summary>The words as they are stored; an empty record when there are none yet.</summary>
    public async Task<WordsRecord> Stored(CancellationToken cancel = default) =>
        _record ??= await context.Words.AsNoTracking().FirstOrDefaultAsync(w => w.OwnerId == ownerId, cancel)
            ?? new WordsRecord { OwnerId = ownerId };

    /// <summary>The steps this instructor knows.</summary>
    public async Task<StepLexicon> Lexicon(CancellationToken cancel = default) => Read((await Stored(cancel)).Text).Lexicon;

    /// <summary>Dances that one look goes through: beyond them somebody who waits asks for the next.</summary>
    public const int LookedThrough = 60;

    /// <summary>
    /// Which dances would be danced or checked otherwise with this text, so many at a time. Only dances in whose words a changed name
    /// stands are looked at.
    /// </summary>
    /// <param name="after">The last dance that was looked through before; null at the beginning.</param>
    public async Task<WordsLook> Look(string text, Guid? after = null, CancellationToken cancel = default)
    {
        var stored = (await Stored(cancel)).Text;
        var touched = Touched(OwnWordsChange.Between(StepLexicon.Shipped, stored, text)).AsNoTracking().Where(d => d.DeletedAt == null);
        var all = await touched.CountAsync(cancel);
        var rest = after is { } last ? touched.Where(d => d.Id > last) : touched;
        var dances = await rest.OrderBy(d => d.Id).Take(LookedThrough).Select(d => new { d.Id, d.Title, d.Script }).ToListAsync(cancel);
        var left = dances.Count < LookedThrough ? 0 : await rest.CountAsync(cancel) - dances.Count;
        var (old, now) = (Read(stored).Lexicon, Read(text).Lexicon);
        var changed = dances.AsParallel().AsOrdered().WithCancellation(cancel).Select(d =>
        {
            var (before, then) = (Analysis.WhileWaited(d.Script, old, cancel), Analysis.WhileWaited(d.Script, now, cancel));
            return new ChangedDance(
                d.Id,
                d.Title,
                DanceDifference.Between(before.Trace, then.Trace).Changes,
                DanceShelf.StateOf(before),
                DanceShelf.StateOf(then));
        }).Where(c => c.Steps > 0 || c.Before != c.After).ToList();
        return new WordsLook(changed, all, left, left > 0 ? dances[^1].Id : null);
    }

    /// <summary>Dances, those in the bin among them, in whose words one of these names stands.</summary>
    private IQueryable<DanceRecord> Touched(IReadOnlyList<IReadOnlyList<string>> names) => context.Dances.Where(d => d.OwnerId == ownerId)
        .Where(ShelfSearch.Holding(names));

    /// <summary>Dances that are not yet described by the words as they are now.</summary>
    public Task<int> Waiting(CancellationToken cancel = default) =>
        context.Dances.CountAsync(d => d.OwnerId == ownerId && d.IsStale, cancel);

    /// <summary>
    /// Stores the words when they were written from the version that is stored, and marks the dances in which a changed name stands, so
    /// that what the shelf is
    /// searched by is brought up to date (<see cref="StaleDances"/>). Revisions keep the words they were saved with.
    /// </summary>
    /// <returns>What is stored afterwards, and whether it is what was sent.</returns>
    public async Task<(bool Saved, WordsRecord Current)> Save(string text, int fromVersion, CancellationToken cancel = default)
    {
        text = text.Replace("\0", "", StringComparison.Ordinal);
        var record = await context.Words.FirstOrDefaultAsync(w => w.OwnerId == ownerId, cancel);
        if ((record?.Version ?? 0) != fromVersion)
        {
            return (false, record ?? new WordsRecord { OwnerId = ownerId });
        }

        var changed = OwnWordsChange.Between(StepLexicon.Shipped, record?.Text ?? "", text);
        if (record is null)
        {
            record = new WordsRecord { OwnerId = ownerId };
            context.Words.Add(record);
        }

        record.Version++;
        record.Text = text;
        try
        {
            await context.Database.CreateExecutionStrategy().ExecuteAsync(async () =>
            {
                // Both or neither; tried again after a failure nothing of it was kept.
                await using var whole = await context.Database.BeginTransactionAsync(cancel);
                await context.SaveChangesAsync(acceptAllChangesOnSuccess: false, cancel);
                await Touched(changed).ExecuteUpdateAsync(set => set.SetProperty(d => d.IsStale, true), cancel);
                await whole.CommitAsync(cancel);
            });
            context.ChangeTracker.AcceptAllChanges();
        }
        catch (DbUpdateException problem) when (Conflicts.Is(problem))
        {
            context.ChangeTracker.Clear();
            _record = null;
            return (false, await Stored(cancel));
        }

        _record = record;
        return (true, record);
    }
}
