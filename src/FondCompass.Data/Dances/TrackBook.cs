using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Text;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Dances;

/// <summary>One instructor's song library, and how each dance is fitted to which of its tracks.</summary>
public sealed class TrackBook(FondCompassContext context, Guid ownerId)
{
    /// <summary>Characters of a track's text at the most.</summary>
    public const int LargestText = 20_000;

    public async Task<IReadOnlyList<TrackRecord>> All(CancellationToken cancel = default) =>
        await context.Tracks.AsNoTracking().Where(t => t.OwnerId == ownerId).OrderBy(t => t.Title).ThenBy(t => t.Id).ToListAsync(cancel);

    public Task<TrackRecord?> Find(Guid id, CancellationToken cancel = default) =>
        context.Tracks.FirstOrDefaultAsync(t => t.Id == id && t.OwnerId == ownerId, cancel);

    /// <exception cref="QuotaException">The library holds as many as it may.</exception>
    public async Task<TrackRecord> Add(string title, string passages, CancellationToken cancel = default)
    {
        var track = await Begin(title, passages, cancel);
        await context.SaveChangesAsync(cancel);
        return track;
    }

    /// <summary>Adds a track and dances a dance to it, both or neither.</summary>
    /// <returns>False when the dance is not this owner's.</returns>
    /// <exception cref="QuotaException">The library holds as many as it may.</exception>
    public async Task<bool> AddAndChoose(Guid danceId, string title, string passages, CancellationToken cancel = default)
    {
        if (await Dance(danceId, cancel) is not { } dance)
        {
            return false;
        }

        await Change(dance, (await Begin(title, passages, cancel)).Id, null, cancel);
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>
    /// Dances a dance to another track, or to passages of its own: how it was fitted to the track before is kept, and how it
    /// was fitted to this one comes back.
    /// </summary>
    /// <returns>False when the dance or the track is not this owner's.</returns>
    public async Task<bool> Choose(Guid danceId, Guid? trackId, CancellationToken cancel = default)
    {
        var dance = await Dance(danceId, cancel);
        if (dance is null || (trackId is { } wanted && await Find(wanted, cancel) is null))
        {
            return false;
        }

        if (dance.Fit.TrackId == trackId)
        {
            return true;
        }

        var kept = trackId is { } id
            ? await context.KeptFits.FirstOrDefaultAsync(f => f.DanceId == danceId && f.TrackId == id, cancel)
            : null;
        await Change(dance, trackId, kept?.Kept, cancel);
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>Takes a track out of the library; dances fitted to it fall back to passages of their own.</summary>
    public async Task<bool> Remove(Guid id, CancellationToken cancel = default)
    {
        if (await Find(id, cancel) is not { } track)
        {
            return false;
        }

        foreach (var dance in await context.Dances.Where(d => d.OwnerId == ownerId && d.Fit.TrackId == id).ToListAsync(cancel))
        {
            dance.Fit = new DanceFit { Kept = dance.Fit.Kept with { Passages = track.Passages } };
        }

        context.Tracks.Remove(track);
        await context.SaveChangesAsync(cancel);
        return true;
    }

    public async Task Save(CancellationToken cancel = default) => await context.SaveChangesAsync(cancel);

    private Task<DanceRecord?> Dance(Guid id, CancellationToken cancel) =>
        context.Dances.FirstOrDefaultAsync(d => d.Id == id && d.OwnerId == ownerId, cancel);

    /// <summary>A new track, not saved yet.</summary>
    private async Task<TrackRecord> Begin(string title, string passages, CancellationToken cancel)
    {
        await Quota.Tracks.Check(context.Tracks, ownerId, cancel);
        title = title.Replace("\0", "", StringComparison.Ordinal).Trim();
        var track = new TrackRecord
        {
            Id = Guid.CreateVersion7(),
            OwnerId = ownerId,
            Title = title.Length == 0 ? "Untitled track" : Letters.Cut(title, 200),
            Passages = passages,
        };
        context.Tracks.Add(track);
        return track;
    }

    /// <summary>Fits a dance to another track, not saved yet; how it was fitted before is kept.</summary>
    /// <param name="kept">How it was fitted to this one; null for never.</param>
    private async Task Change(DanceRecord dance, Guid? trackId, FitKept? kept, CancellationToken cancel)
    {
        await Keep(dance, cancel);
        var fit = dance.Fit.Kept;
        dance.Fit = new DanceFit
        {
            TrackId = trackId,
            Kept = fit with { Intro = trackId is null ? fit.Intro : kept?.Intro, Changes = kept?.Changes ?? [] }
        };
    }

    private async Task Keep(DanceRecord dance, CancellationToken cancel)
    {
        if (dance.Fit.TrackId is not { } id || await Find(id, cancel) is null)
        {
            return;
        }

        var kept = await context.KeptFits.FirstOrDefaultAsync(f => f.DanceId == dance.Id && f.TrackId == id, cancel);
        if (kept is null)
        {
            kept = new KeptFit { DanceId = dance.Id, TrackId = id };
            context.KeptFits.Add(kept);
        }

        kept.Kept = new FitKept { Intro = dance.Fit.Kept.Intro, Changes = dance.Fit.Kept.Changes };
    }
}
