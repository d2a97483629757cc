using System.Collections.Concurrent;
using FondCompass.Core;
using FondCompass.Core.Actions;
using FondCompass.Core.Comparing;
using FondCompass.Core.Steps;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data;

/// <summary>A dance that other words would change: how many steps are danced otherwise, and how its checks stand then.</summary>
public sealed record ChangedDance(Guid Id, string Title, int Steps, DanceState Before, DanceState After);

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
        _record ??= await context.Words.AsNoTracking().FirstOrDefaultAsync(w => w.OwnerId == ownerId, cancel) ?? new WordsRecord { OwnerId = ownerId };

    /// <summary>The steps this instructor knows.</summary>
    public async Task<StepLexicon> Lexicon(CancellationToken cancel = default) => Read((await Stored(cancel)).Text).Lexicon;

    /// <summary>Which dances would be danced or checked otherwise with this text.</summary>
    public async Task<IReadOnlyList<ChangedDance>> Changes(string text, CancellationToken cancel = default)
    {
        var (old, now) = (await Lexicon(cancel), Read(text).Lexicon);
        var dances = await context.Dances.AsNoTracking().Where(d => d.OwnerId == ownerId && d.DeletedAt == null)
            .OrderBy(d => d.Title).Select(d => new { d.Id, d.Title, d.Script }).ToListAsync(cancel);
        return dances.AsParallel().AsOrdered().WithCancellation(cancel).Select(d =>
        {
            var (before, after) = (Analysis.Of(d.Script, old), Analysis.Of(d.Script, now));
            return new ChangedDance(d.Id, d.Title, DanceDifference.Between(before.Trace, after.Trace).Changes, DanceShelf.StateOf(before), DanceShelf.StateOf(after));
        }).Where(c => c.Steps > 0 || c.Before != c.After).ToList();
    }

    /// <summary>
    /// Stores the words when they were written from the version that is stored, and brings up to date what the shelf is searched
    /// by. Revisions keep the words they were saved with.
    /// </summary>
    /// <returns>What is stored afterwards, and whether it is what was sent.</returns>
    public async Task<(bool Saved, WordsRecord Current)> Save(string text, int fromVersion, CancellationToken cancel = default)
    {
        text = text.Replace("\0", "", StringComparison.Ordinal);
        var record = await context.Words.FirstOrDefaultAsync(w => w.OwnerId == ownerId, cancel);
        if ((record?.Version ?? 0) != fromVersion)
        {
            return (false, record!);
        }

        if (record is null)
        {
            record = new WordsRecord { OwnerId = ownerId };
            context.Words.Add(record);
        }

        record.Version++;
        record.Text = text;
        var lexicon = Read(text).Lexicon;
        foreach (var dance in await context.Dances.Where(d => d.OwnerId == ownerId).ToListAsync(cancel))
        {
            DanceShelf.Describe(dance, dance.Script, lexicon);
        }

        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException)
        {
            context.ChangeTracker.Clear();
            _record = null;
            return (false, await Stored(cancel));
        }

        _record = record;
        return (true, record);
    }
}
