using FondCompass.Application.Boards;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Material;
using FondCompass.Data.Dances;
using FondCompass.Data.Demo;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Shelf;

/// <summary>Dances that were found, as one page lists them.</summary>
/// <param name="Found">How many there are; the page has the first of them.</param>
/// <param name="Last">When each was last danced, and with whom; what was never danced is not in it.</param>
public sealed record FoundDances(IReadOnlyList<DanceRecord> Dances, int Found, IReadOnlyDictionary<Guid, LastDanced> Last)
{
    public static readonly FoundDances None = new([], 0, new Dictionary<Guid, LastDanced>());
}

/// <summary>A dance as it is offered on a board.</summary>
public sealed record CallableDance(Guid Id, string Title, int Counts, int Walls, string Level);

/// <summary>What stands around the dances of the shelf.</summary>
/// <param name="Levels">That dances of it have, as <paramref name="Marks"/>.</param>
/// <param name="BinPage">From 1.</param>
/// <param name="Tonight">The lesson that is led now, else the next that is planned, with the title of its dance; null for none.</param>
public sealed record ShelfView(
    IReadOnlyList<string> Levels,
    IReadOnlyList<string> Marks,
    IReadOnlyList<GroupRecord> Groups,
    int BinPage,
    int InBin,
    IReadOnlyList<DanceRecord> Binned,
    (LessonRecord Lesson, string Dance)? Tonight);

/// <summary>What an instructor does with the shelf as a whole. Each is saved as a whole or not at all.</summary>
public sealed class ShelfDesk(DanceShelf shelf, LessonBook book, LessonDesk desk, InstructorClock clock)
{
    /// <summary>What a new dance begins with.</summary>
    private static readonly string FirstScript =
        $"title \nstart weight L facing 12\ntempo {Bites.UsualTempo}\nintro 16\n\npart A\n";

    /// <summary>Dances that are offered to be called up at once: one for each digit.</summary>
    public const int MostToCall = 9;

    /// <summary>Pages of the bin at the most.</summary>
    private const int MostBinPages = 1000;

    /// <summary>The dances that are as asked.</summary>
    public async Task<FoundDances> Find(ShelfQuery wish, CancellationToken cancel)
    {
        var dances = await shelf.SearchFor(wish, cancel);
        var found = dances.Count < DanceShelf.PageSize && wish.Skip == 0 ? dances.Count : await shelf.Count(wish, cancel);
        return new FoundDances(dances, found, await book.LastHeld([.. dances.Select(d => d.Id)], cancel));
    }

    /// <summary>Dances that may be called up by these letters, the likeliest first.</summary>
    public async Task<IReadOnlyList<CallableDance>> ToCall(string? letters, CancellationToken cancel) =>
        [.. (await shelf.Named(letters, MostToCall, cancel)).Select(d => new CallableDance(d.Id, d.Title, d.Counts, d.Walls, d.Level))];

    /// <summary>What stands around them; lessons that ended meanwhile are worked out first.</summary>
    /// <param name="binPage">From 1.</param>
    public async Task<ShelfView> Open(int binPage, CancellationToken cancel)
    {
        await desk.Settle(cancel);
        var (levels, marks) = await shelf.Choices(cancel);
        var page = Math.Clamp(binPage, 1, MostBinPages);
        return new ShelfView(
            levels,
            marks,
            await book.Groups(cancel),
            page,
            await shelf.CountDeleted(cancel),
            await shelf.Deleted((page - 1) * DanceShelf.BinSize, cancel),
            await Tonight(cancel));
    }

    public Task<DanceRecord> Begin(CancellationToken cancel) => shelf.Add(FirstScript, cancel);

    /// <summary>Puts the examples in the bin that nobody has changed.</summary>
    /// <returns>How many they were.</returns>
    public async Task<int> ForgetExamples(CancellationToken cancel) =>
        await shelf.DeleteAll([.. (await shelf.Search(null, cancel)).Where(Examples.IsOne).Select(d => d.Id)], cancel);

    private async Task<(LessonRecord Lesson, string Dance)?> Tonight(CancellationToken cancel) =>
        await book.Tonight(clock.Today, cancel) is { } lesson
            && (await shelf.Titles([lesson.DanceId], cancel)).TryGetValue(lesson.DanceId, out var title)
            && title.Length > 0
            ? (lesson, title)
            : null;
}
