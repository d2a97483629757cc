using FondCompass.Core;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Text;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Dances;

/// <summary>
/// One instructor's dances: every read and write goes through the owner's id, so that nobody reaches another's.
/// </summary>
public sealed partial class DanceShelf(FondCompassContext context, Guid ownerId, WordBook words, InstructorClock clock)
{
    /// <summary>Dances looked through for a step at the most.</summary>
    private const int MostUses = 100;

    /// <summary>Most dances one page of the shelf shows.</summary>
    public const int PageSize = 60;

    public DanceShelf(FondCompassContext context, Guid ownerId, InstructorClock clock)
        : this(context, ownerId, new WordBook(context, ownerId), clock)
    {
    }

    /// <summary>The steps this owner knows.</summary>
    public Task<StepLexicon> Lexicon(CancellationToken cancel = default) => words.Lexicon(cancel);

    private IQueryable<DanceRecord> Own => context.Dances.Where(d => d.OwnerId == ownerId && d.DeletedAt == null);

    private ShelfSearch Asked => new(context, ownerId, clock.Today);

    /// <summary>Dances whose title or script holds every word searched for, by title.</summary>
    public Task<IReadOnlyList<DanceRecord>> Search(string? words, CancellationToken cancel = default) =>
        SearchFor(new ShelfQuery { Words = words }, cancel);

    /// <summary>Dances that are as asked, at most a page of them.</summary>
    public async Task<IReadOnlyList<DanceRecord>> SearchFor(ShelfQuery wish, CancellationToken cancel = default)
    {
        var found = Asked.Of(Own.AsNoTracking(), wish);
        return await Asked.InOrder(found, wish.Order).Skip(Math.Max(0, wish.Skip)).Take(PageSize).ToListAsync(cancel);
    }

    /// <summary>How many dances are as asked.</summary>
    public Task<int> Count(ShelfQuery wish, CancellationToken cancel = default) => Asked.Of(Own.AsNoTracking(), wish).CountAsync(cancel);

    /// <summary>The levels and marks that there are, to choose from.</summary>
    public async Task<(IReadOnlyList<string> Levels, IReadOnlyList<string> Marks)> Choices(CancellationToken cancel = default) => (
        await Own.Where(d => d.Level != "").Select(d => d.Level).Distinct().OrderBy(l => l).ToListAsync(cancel),
        await Own.SelectMany(d => d.Marks).Distinct().OrderBy(m => m).ToListAsync(cancel));

    /// <summary>The instructor's own marks of a dance: at most eight, each of at most thirty letters.</summary>
    public async Task<bool> SetMarks(Guid id, string? marks, CancellationToken cancel = default)
    {
        string[] own = [.. (marks ?? "")
            .Replace("\0", "", StringComparison.Ordinal)
            .ToLowerInvariant()
            .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(m => Letters.Cut(m, 30).TrimEnd()).Distinct().Take(8)];
        return await context.Dances.Where(d => d.Id == id && d.OwnerId == ownerId)
            .ExecuteUpdateAsync(set => set.SetProperty(d => d.Marks, own), cancel) > 0;
    }

    /// <summary>A dance once more, under a title that says so; null for nobody's and anybody else's.</summary>
    public async Task<DanceRecord?> Copy(Guid id, CancellationToken cancel = default)
    {
        if (await Find(id, cancel) is not { } dance)
        {
            return null;
        }

        var rows = dance.Script.Split('\n').ToList();
        var at = rows.FindIndex(r => r.TrimStart().StartsWith("title ", StringComparison.OrdinalIgnoreCase));
        if (at >= 0)
        {
            rows[at] = $"{rows[at].TrimEnd()}, a copy";
        }
        else
        {
            rows.Insert(0, $"title {dance.Title}, a copy");
        }

        var copy = await Add(string.Join('\n', rows), cancel);
        var marks = await Own.Where(d => d.Id == id).Select(d => d.Marks).FirstOrDefaultAsync(cancel);
        await SetMarks(copy.Id, string.Join(',', marks ?? []), cancel);
        return copy;
    }

    /// <summary>
    /// Where a step is danced: every dance of this owner whose script holds one of its names and in which it is indeed the one meant.
    /// </summary>
    /// <param name="step">A step of the owner's lexicon.</param>
    public async Task<StepUses> Uses(NamedStep step, CancellationToken cancel = default)
    {
        var names = step.Aliases.Prepend(step.Name)
            .Concat(step.LocalNames.Values.SelectMany(n => n))
            .Concat(step.Languages.Values.SelectMany(n => n));
        // Scripts write plurals and other spellings too; a name's longest word is enough to look there.
        var may = Own.AsNoTracking()
            .Where(ShelfSearch.Holding([.. names.Select(n => (string[])[n.ToLowerInvariant().Split(' ', '-').MaxBy(w => w.Length)!])]));
        var dances = await may
            .OrderBy(d => d.Title).Take(MostUses).Select(d => new { d.Id, d.Title, d.Script }).ToListAsync(cancel);
        var lexicon = await words.Lexicon(cancel);
        var unread = dances.Count < MostUses ? 0 : await may.CountAsync(cancel) - dances.Count;
        return new StepUses(dances
            .AsParallel().AsOrdered().WithCancellation(cancel)
            .Select(d => (Dance: d, At: Analysis.WhileWaited(d.Script, lexicon, cancel).Trace.Parts.SelectMany(p => p.Actions)
                .FirstOrDefault(a => a.Action.Step == step.Name)?.Action))
            .Where(d => d.At is not null)
            .Select(d => new StepUse(d.Dance.Id, d.Dance.Title, d.At!.Line, d.At.Beat.Label()))
            .ToList(), unread);
    }

    /// <summary>A dance of this owner, also one in the bin; null for anybody else's.</summary>
    public Task<DanceRecord?> Find(Guid id, CancellationToken cancel = default) =>
        context.Dances.FirstOrDefaultAsync(d => d.Id == id && d.OwnerId == ownerId, cancel);

    /// <summary>Those of this owner's dances that are on the shelf, by id.</summary>
    public async Task<IReadOnlyDictionary<Guid, DanceRecord>> FindAll(IReadOnlyCollection<Guid> ids, CancellationToken cancel = default) =>
        await Own.AsNoTracking().Where(d => ids.Contains(d.Id)).ToDictionaryAsync(d => d.Id, cancel);

    /// <summary>
    /// The lines of those of this owner's dances that are on the shelf, by id; their scripts are fetched only where these have to be read.
    /// </summary>
    public async Task<IReadOnlyDictionary<Guid, IReadOnlyList<LoggedLine>>> LinesOf(
        IReadOnlyCollection<Guid> ids,
        CancellationToken cancel = default)
    {
        var lexicon = await words.Lexicon(cancel);
        var own = await Own.AsNoTracking()
            .Where(d => ids.Contains(d.Id))
            .Select(d => new { d.Id, Lines = d.IsStale ? "" : d.Lines, Script = d.IsStale || d.Lines == "" ? d.Script : "" })
            .ToListAsync(cancel);
        return own.AsParallel()
            .WithCancellation(cancel)
            .Select(d => (d.Id, Lines: LoggedLine.Read(d.Lines)
                ?? LoggedLine.LinesOf(Analysis.WhileWaited(d.Script, lexicon, cancel), lexicon)))
            .ToDictionary(d => d.Id, d => d.Lines);
    }

    /// <summary>The dance of that title, whatever its capitals; the one changed last where several have it, null where none has.</summary>
    public Task<DanceRecord?> ByTitle(string title, CancellationToken cancel = default) =>
        Own.AsNoTracking().Where(d => EF.Functions.ILike(d.Title, ShelfSearch.Escape(title.Trim()), "\\"))
            .OrderByDescending(d => d.ChangedAt).FirstOrDefaultAsync(cancel);

    /// <summary>Dances on one page of the bin.</summary>
    public const int BinSize = 20;

    /// <summary>Dances in the bin, the latest first, a page of them.</summary>
    public async Task<IReadOnlyList<DanceRecord>> Deleted(int skip = 0, CancellationToken cancel = default) =>
        await Bin.OrderByDescending(d => d.DeletedAt).ThenBy(d => d.Id).Skip(Math.Max(0, skip)).Take(BinSize).ToListAsync(cancel);

    public Task<int> CountDeleted(CancellationToken cancel = default) => Bin.CountAsync(cancel);

    private IQueryable<DanceRecord> Bin => context.Dances.AsNoTracking().Where(d => d.OwnerId == ownerId && d.DeletedAt != null);

    /// <summary>The first dances by title, to choose from.</summary>
    public async Task<IReadOnlyList<(Guid Id, string Title)>> FirstTitles(CancellationToken cancel = default) =>
        [.. (await Own.OrderBy(d => d.Title)
            .ThenBy(d => d.Id)
            .Select(d => new { d.Id, d.Title })
            .Take(MostTitles)
            .ToListAsync(cancel)).Select(d => (d.Id, d.Title))];

    /// <summary>Titles that are offered at once; any other is written out.</summary>
    private const int MostTitles = 400;

    /// <summary>Titles of this owner's dances, those in the bin left out.</summary>
    public async Task<IReadOnlyDictionary<Guid, string>> Titles(IReadOnlyCollection<Guid> ids, CancellationToken cancel = default) =>
        await Own.Where(d => ids.Contains(d.Id)).ToDictionaryAsync(d => d.Id, d => d.Title, cancel);

    /// <exception cref="QuotaException">The studio holds as many dances, or as much text, as it may.</exception>
    public async Task<DanceRecord> Add(string script, CancellationToken cancel = default)
    {
        await Quota.Dances.Check(context.Dances, ownerId, cancel);
        await Quota.CheckBytes(context, ownerId, cancel);
        var dance = new DanceRecord { Id = Guid.CreateVersion7(), OwnerId = ownerId };
        Describe(dance, script, await words.Lexicon(cancel));
        dance.ChangedAt = clock.Now;
        context.Dances.Add(dance);
        context.Revisions.Add(await RevisionOf(dance, cancel));
        await context.SaveChangesAsync(cancel);
        return dance;
    }

    /// <summary>
    /// Saves a script as a new revision, when it was written from the version that is stored; otherwise nothing is
    /// overwritten and the stored one is given back.
    /// </summary>
    public async Task<SaveOutcome?> Save(Guid id, int fromVersion, string script, CancellationToken cancel = default)
    {
        var dance = await Find(id, cancel);
        if (dance is null)
        {
            return null;
        }

        if (dance.Script == script)
        {
            return new SaveOutcome(true, dance);
        }

        if (dance.Version != fromVersion)
        {
            return new SaveOutcome(false, dance);
        }

        var thins = (dance.Version + 1) % ThinnedEvery == 0;
        if (thins)
        {
            await RevisionThinning.Thin(context, id, clock, cancel);
            await Quota.CheckBytes(context, ownerId, cancel);
        }

        dance.Version++;
        Describe(dance, script, await words.Lexicon(cancel));
        dance.ChangedAt = clock.Now;
        context.Revisions.Add(await RevisionOf(dance, cancel));
        try
        {
            await context.SaveChangesAsync(cancel);
            return new SaveOutcome(true, dance);
        }
        catch (DbUpdateException problem) when (Conflicts.Is(problem))
        {
            context.ChangeTracker.Clear();
            return await Find(id, cancel) is { } current ? new SaveOutcome(current.Script == dance.Script, current) : null;
        }
    }

    public async Task<bool> SaveFit(Guid id, DanceFit fit, CancellationToken cancel = default)
    {
        if (await Find(id, cancel) is not { } dance)
        {
            return false;
        }

        // Beside the text: a save of the script in between is no conflict with it.
        await Conflicts.Again(context, () => Find(id, cancel), found => found.Fit = fit, dance, cancel);
        return true;
    }

    /// <summary>Puts a dance in the bin; <see cref="Restore"/> takes it out again.</summary>
    public Task<bool> Delete(Guid id, CancellationToken cancel = default) => Mark(id, clock.Now, cancel);

    public Task<bool> Restore(Guid id, CancellationToken cancel = default) => Mark(id, null, cancel);

    /// <summary>Puts all of these in the bin, at once.</summary>
    /// <returns>How many of them were this instructor's.</returns>
    public Task<int> DeleteAll(IReadOnlyCollection<Guid> ids, CancellationToken cancel = default) =>
        context.Dances.Where(d => ids.Contains(d.Id) && d.OwnerId == ownerId)
            .ExecuteUpdateAsync(set => set.SetProperty(d => d.DeletedAt, clock.Now), cancel);

    private async Task<bool> Mark(Guid id, DateTimeOffset? deleted, CancellationToken cancel) =>
        await context.Dances.Where(d => d.Id == id && d.OwnerId == ownerId)
            .ExecuteUpdateAsync(set => set.SetProperty(d => d.DeletedAt, deleted), cancel) > 0;

    internal static DanceState StateOf(Analysis analysis) =>
        analysis.HasErrors ? DanceState.Errors
        : analysis.Findings.Any(f => f.Severity == Severity.Warning) ? DanceState.Warnings
        : DanceState.Clear;

    /// <summary>The lines of a dance as they are logged: as they are kept, or read anew where they are of other words.</summary>
    public static IReadOnlyList<LoggedLine> LinesOf(DanceRecord dance, StepLexicon lexicon) =>
        !dance.IsStale && LoggedLine.Read(dance.Lines) is { } kept
            ? kept
            : LoggedLine.LinesOf(Analysis.Analyse(dance.Script, lexicon), lexicon);

    /// <summary>Sets what the shelf is searched by.</summary>
    internal static void Describe(DanceRecord dance, string script, StepLexicon lexicon)
    {
        // PostgreSQL holds any text but this one character.
        script = script.Replace("\0", "", StringComparison.Ordinal);
        var analysis = Analysis.Analyse(script, lexicon);
        var title = analysis.Dance.Header.Title.Trim();
        dance.Script = script;
        dance.Title = title.Length == 0 ? "Untitled dance" : Letters.Cut(title, 200);
        dance.Finds = string.Join(
            ' ',
            $"{title} {script}".ToLowerInvariant().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Distinct());
        dance.Counts = analysis.Trace.TotalCounts;
        dance.Walls = analysis.Trace.WallOrder.Count;
        dance.State = StateOf(analysis);
        var header = analysis.Dance.Header;
        var level = (header.Level ?? "").Trim().ToLowerInvariant();
        dance.Level = Letters.Cut(level, 60);
        dance.Genre = header.Genre.ToString().ToLowerInvariant();
        dance.Tempo = header.Tempo?.Value;
        dance.Tags = analysis.Dance.Parts.Count(p => p.IsTag);
        dance.Lines = LoggedLine.Written(LoggedLine.LinesOf(analysis, lexicon)).Replace("\\u0000", "", StringComparison.Ordinal);
        dance.IsStale = false;
    }
}
