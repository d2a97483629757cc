using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Dances;

/// <summary>A dance as it was at each save.</summary>
public sealed partial class DanceShelf
{
    /// <summary>Saves after which older revisions are thinned, and looked at how much is kept.</summary>
    private const int ThinnedEvery = 20;

    /// <summary>Revisions on one page of them.</summary>
    public const int RevisionsPage = 100;

    /// <summary>Revisions of an own dance, newest first, a page of them, without their texts.</summary>
    public async Task<IReadOnlyList<RevisionRow>> Revisions(Guid id, int skip = 0, CancellationToken cancel = default) =>
        await OwnRevisions(id)
            .OrderByDescending(r => r.Version)
            .Skip(Math.Max(0, skip))
            .Take(RevisionsPage)
            .Select(r => new RevisionRow(r.Version, r.SavedAt, r.Kept))
            .ToListAsync(cancel);

    public Task<int> CountRevisions(Guid id, CancellationToken cancel = default) => OwnRevisions(id).CountAsync(cancel);

    /// <summary>The revision of an own dance before another; null when there is none.</summary>
    public Task<int?> RevisionBefore(Guid id, int version, CancellationToken cancel = default) =>
        OwnRevisions(id).Where(r => r.Version < version).MaxAsync(r => (int?)r.Version, cancel);

    /// <summary>Marks a revision as one that is never thinned, or takes the mark away.</summary>
    public async Task<bool> KeepRevision(Guid id, int version, bool kept, CancellationToken cancel = default) =>
        await OwnRevisions(id).Where(r => r.Version == version).ExecuteUpdateAsync(set => set.SetProperty(r => r.Kept, kept), cancel) > 0;

    /// <summary>One revision of an own dance; null when there is none.</summary>
    public Task<DanceRevision?> Revision(Guid id, int version, CancellationToken cancel = default) =>
        OwnRevisions(id).FirstOrDefaultAsync(r => r.Version == version, cancel);

    private IQueryable<DanceRevision> OwnRevisions(Guid id) =>
        context.Revisions.AsNoTracking().Where(r => r.DanceId == id && context.Dances.Any(d => d.Id == id && d.OwnerId == ownerId));

    private async Task<DanceRevision> RevisionOf(DanceRecord dance, CancellationToken cancel) =>
        new()
        {
            DanceId = dance.Id,
            Version = dance.Version,
            Script = dance.Script,
            Words = (await words.Stored(cancel)).Text,
            SavedAt = dance.ChangedAt
        };
}
