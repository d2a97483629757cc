using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Demo;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using FondCompass.Web.Hosting.Requests;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>The shelf: all dances with what was computed of them, and tonight's lesson.</summary>
public sealed class IndexModel(DanceShelf shelf, LessonBook book, LessonDesk desk, TypingContexts desks, InstructorClock clock) : PageModel
{
    private const string FirstScript = "title \nstart weight L facing 12\ntempo 112\nintro 16\n\npart A\n";

    [BindProperty(SupportsGet = true, Name = "q")]
    public string? Query { get; set; }

    /// <summary>What else is asked of the shelf, from the address.</summary>
    [BindProperty(SupportsGet = true)]
    public ShelfAsked Asked { get; set; } = new();

    /// <summary>Dances there are as asked; a page shows the first of them.</summary>
    public int Found { get; private set; }

    public IReadOnlyList<string> Levels { get; private set; } = [];

    public IReadOnlyList<string> Marks { get; private set; } = [];

    public IReadOnlyList<GroupRecord> Groups { get; private set; } = [];

    public IReadOnlyList<DanceRecord> Dances { get; private set; } = [];

    /// <summary>A page of the bin, from 1.</summary>
    [BindProperty(SupportsGet = true)]
    public int Bin { get; set; } = 1;

    public int InBin { get; private set; }

    public IReadOnlyList<DanceRecord> Binned { get; private set; } = [];

    public bool HasExamples => Dances.Any(Examples.IsOne);

    public LessonRecord? Tonight { get; private set; }

    public string TonightDance { get; private set; } = "";

    /// <summary>When each dance of this page was last danced, and with whom.</summary>
    public IReadOnlyDictionary<Guid, LastDanced> Last { get; private set; } = new Dictionary<Guid, LastDanced>();

    /// <summary>The date on the instructor's calendar.</summary>
    public DateOnly Today => clock.Today;

    public static readonly IReadOnlyList<(DancedSince Value, Sentence Words)> DancedWords =
        [
            (DancedSince.Whenever, DancePageTexts.Whenever),
            (DancedSince.InTheLastMonth, DancePageTexts.InTheLastMonth),
            (DancedSince.NotForAMonth, DancePageTexts.NotForAMonth),
            (DancedSince.NotForThreeMonths, DancePageTexts.NotForThreeMonths),
            (DancedSince.Never, DancePageTexts.Never)
        ];

    public static readonly IReadOnlyList<(ShelfOrder Value, Sentence Words)> OrderWords =
    [
        (ShelfOrder.Title, DancePageTexts.ByTitle),
        (ShelfOrder.Changed, DancePageTexts.ByLastChanged),
        (ShelfOrder.LastDanced, DancePageTexts.ByLastDanced),
        (ShelfOrder.LongestNotDanced, DancePageTexts.LongestNotDanced),
        (ShelfOrder.Counts, DancePageTexts.ByCounts),
        (ShelfOrder.Tempo, DancePageTexts.ByTempo),
        (ShelfOrder.Level, DancePageTexts.ByLevel),
    ];

    /// <summary>A day as one says it: today, yesterday, a date with its year where it is not this one.</summary>
    public static string Day(DateOnly date, DateOnly today) => (today.DayNumber - date.DayNumber) switch
    {
        -1 => "tomorrow",
        0 => "today",
        1 => "yesterday",
        < 300 => $"{date:d MMM}",
        _ => $"{date:d MMM yyyy}",
    };

    /// <summary>The same that is asked, at another page.</summary>
    public string PageAt(int page)
    {
        var asked = Request.Query.Where(q => q.Key is not ("handler" or "Asked.Page"))
            .SelectMany(q => q.Value.Select(v => KeyValuePair.Create(q.Key, v)));
        return "/" + QueryString.Create(asked.Append(KeyValuePair.Create<string, string?>("Asked.Page", $"{page}")));
    }

    public static string Word(DanceState state) => state switch
    {
        DanceState.Clear => "clear",
        DanceState.Warnings => "look again",
        _ => "errors",
    };

    public async Task OnGet(CancellationToken cancel)
    {
        await desk.Settle(cancel);
        await Find(cancel);
        (Levels, Marks) = await shelf.Choices(cancel);
        Groups = await book.Groups(cancel);
        (Bin, InBin) = (Math.Clamp(Bin, 1, 1000), await shelf.CountDeleted(cancel));
        Binned = await shelf.Deleted((Bin - 1) * DanceShelf.BinSize, cancel);
        Tonight = await book.Tonight(Today, cancel);
        if (Tonight is not null)
        {
            TonightDance = (await shelf.Titles([Tonight.DanceId], cancel)).GetValueOrDefault(Tonight.DanceId, "");
            Tonight = TonightDance.Length > 0 ? Tonight : null;
        }
    }

    public async Task<IActionResult> OnGetList(CancellationToken cancel)
    {
        await Find(cancel);
        return Partial("_Shelf", this);
    }

    private async Task Find(CancellationToken cancel)
    {
        var wish = Asked.Wish(Query);
        Dances = await shelf.SearchFor(wish, cancel);
        Found = Dances.Count < DanceShelf.PageSize && wish.Skip == 0 ? Dances.Count : await shelf.Count(wish, cancel);
        Last = await book.LastHeld([.. Dances.Select(d => d.Id)], cancel);
    }

    public async Task<IActionResult> OnPostNew(CancellationToken cancel)
    {
        var dance = await shelf.Add(FirstScript, cancel);
        return Redirect($"/dances/{dance.Id}/write");
    }

    /// <summary>The dance once more, open to be changed.</summary>
    public async Task<IActionResult> OnPostCopy(Guid id, CancellationToken cancel) =>
        await shelf.Copy(id, cancel) is { } copy ? Redirect($"/dances/{copy.Id}/write") : NotFound();

    /// <summary>The instructor's own marks of a dance, comma separated.</summary>
    public async Task<IActionResult> OnPostMark(Guid id, string? marks, CancellationToken cancel) =>
        await shelf.SetMarks(id, marks, cancel) ? Redirect("/") : NotFound();

    public async Task<IActionResult> OnPostDelete(Guid id, CancellationToken cancel)
    {
        desks.Clear(User.OwnerId());
        return await shelf.Delete(id, cancel) ? Redirect("/") : NotFound();
    }

    /// <summary>Puts the examples in the bin that nobody has changed.</summary>
    public async Task<IActionResult> OnPostForgetExamples(CancellationToken cancel)
    {
        foreach (var dance in (await shelf.Search(null, cancel)).Where(Examples.IsOne))
        {
            await shelf.Delete(dance.Id, cancel);
        }

        return Redirect("/");
    }

    public async Task<IActionResult> OnPostRestore(Guid id, CancellationToken cancel) =>
        await shelf.Restore(id, cancel) ? Redirect($"/dances/{id}/write") : NotFound();
}

/// <summary>What is asked of the shelf beside words; what cannot be read is not asked.</summary>
public sealed record ShelfAsked
{
    public string? Level { get; init; }

    public string? Genre { get; init; }

    public int? Walls { get; init; }

    public int? CountsFrom { get; init; }

    public int? CountsTo { get; init; }

    public double? TempoFrom { get; init; }

    public double? TempoTo { get; init; }

    public Guid? Group { get; init; }

    public string? Mark { get; init; }

    public DancedSince Danced { get; init; }

    public DanceState? State { get; init; }

    public bool HasTag { get; init; }

    public ShelfOrder Order { get; init; }

    public int Page { get; init; }

    /// <summary>Anything is asked beside words and order.</summary>
    public bool IsNarrow => this with { Order = default, Page = 0 } != new ShelfAsked();

    public ShelfQuery Wish(string? words) => new(words)
    {
        Level = Level,
        Genre = Genre,
        Walls = Walls,
        CountsFrom = CountsFrom,
        CountsTo = CountsTo,
        TempoFrom = TempoFrom,
        TempoTo = TempoTo,
        Group = Group,
        Mark = Mark,
        Danced = Danced,
        State = State,
        HasTag = HasTag,
        Order = Order,
        Skip = Math.Clamp(Page, 0, 10_000) * DanceShelf.PageSize,
    };
}
