using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Logging: how far the class got, at what rate, where it broke down; and the lessons so far.</summary>
public sealed class LogModel(DanceShelf shelf, LessonBook book, HandLog log, LessonDesk desk, InstructorClock clock) : DancePage(shelf)
{
    /// <summary>The tempo ladder in percent; 0 is walked without tempo.</summary>
    public static readonly IReadOnlyList<int> Rates = [0, 60, 75, 90, 100];

    public override string Stage => "Log";

    public string? Problem { get; private set; }

    /// <summary>
    /// Further dances that the lesson planned next teaches, with their lines, and how they went as far as it is filled in.
    /// </summary>
    public IReadOnlyList<WentForm> AlsoTaught { get; private set; } = [];

    /// <summary>The group of the lesson planned next.</summary>
    public string PlannedFor { get; private set; } = "";

    /// <summary>The lesson of today with this dance that is logged already; null for none.</summary>
    public LessonRecord? Logged => _latest.FirstOrDefault(l => l.Held && l.HeldPlan is not null && l.Date == clock.Today);

    public IReadOnlyList<GroupRecord> Groups { get; private set; } = [];

    /// <summary>Lessons on one page of them.</summary>
    public const int PageSize = 20;

    private IReadOnlyList<LessonRecord> _latest = [];

    /// <summary>A page of the lessons with this dance, from 1.</summary>
    [BindProperty(SupportsGet = true)]
    public int Sheet { get; set; } = 1;

    /// <summary>The lessons with this dance on the page that is open, the latest first.</summary>
    public IReadOnlyList<LessonRecord> Past { get; private set; } = [];

    public int PastCount { get; private set; }

    /// <summary>The lines (eights) of the dance, as they are named.</summary>
    public IReadOnlyList<string> Lines { get; private set; } = [];

    /// <summary>The names of its lines, as lessons are told by them.</summary>
    public IReadOnlyDictionary<Guid, IReadOnlyList<string>> LineNames =>
        new Dictionary<Guid, IReadOnlyList<string>> { [Id] = [.. LoggedLine.LinesOf(Analysis, Lexicon).Select(l => l.Name)] };

    public string GroupName { get; private set; } = "";

    public string Date { get; private set; } = "";

    public WentAsked Went { get; private set; } = new();

    public string Note { get; private set; } = "";

    /// <summary>What the last lesson says about the next.</summary>
    public string? NextTime => _latest.FirstOrDefault(l => l.Held && l.HeldOf(Id) is not null) is { } last
        ? TaughtClass.NextOf(Id, LoggedLine.LinesOf(Analysis, Lexicon), _latest.Where(l => l.GroupId == last.GroupId), last).Words : null;

    public async Task OnGet(CancellationToken cancel)
    {
        await Load(cancel);
        var planned = await book.Planned(Id, cancel);
        GroupName = planned?.Group?.Name ?? (_latest.Count > 0 ? _latest[0].Group!.Name : Groups.Count > 0 ? Groups[0].Name : "");
        Date = clock.Today.ToString("yyyy-MM-dd");
    }

    public async Task<IActionResult> OnPost(
        string? group,
        string? date,
        [Bind(Prefix = "")] WentAsked went,
        WentAsked[] also,
        string? note,
        Guid? sent,
        CancellationToken cancel)
    {
        await Load(cancel);
        GroupName = (group ?? "").Trim();
        Date = date ?? "";
        Note = (note ?? "").Trim();
        Went = went;
        // A dance of which the form says nothing stays unsaid.
        AlsoTaught = [.. AlsoTaught.Where(a => also.Any(w => w.Dance == a.Went.Dance))
            .Select(a => a with { Went = also.First(w => w.Dance == a.Went.Dance) })];
        if (GroupName.Length is 0 or > GroupRecord.LongestName)
        {
            Problem = LessonPageTexts.SayWhichGroup(GroupRecord.LongestName);
            return Page();
        }

        if (!LessonDay.TryRead(date, out var day))
        {
            Problem = LessonDay.Problem(date, "the lesson");
            return Page();
        }

        if (Note.Length > LessonRecord.LongestNote)
        {
            Problem = LessonPageTexts.NoteTooLong(LessonRecord.LongestNote);
            return Page();
        }

        IEnumerable<DanceHeld> held = [(Went with { Dance = Id }).Held(Lines.Count), .. AlsoTaught.Select(a => a.Went.Held(a.Lines.Count))];
        await log.Keep(
            Id,
            Fitted,
            new LoggedByHand(GroupName, day, [.. held], Note.Replace("\0", "", StringComparison.Ordinal), sent),
            cancel);
        return Redirect($"/dances/{Id}/log");
    }

    private async Task Load(CancellationToken cancel)
    {
        await desk.Settle(cancel);
        Groups = await book.Groups(cancel);
        (_latest, PastCount) = (await book.Lessons(Id, cancel: cancel), await book.CountOf(Id, cancel));
        Sheet = Math.Clamp(Sheet, 1, Math.Max(1, (PastCount + PageSize - 1) / PageSize));
        var skip = (Sheet - 1) * PageSize;
        Past = [.. (skip + PageSize <= _latest.Count || _latest.Count == PastCount
            ? _latest.Skip(skip)
            : await book.Lessons(Id, skip, cancel)).Take(PageSize)];
        Lines = TaughtClass.LineNames(Analysis);
        Went = new WentAsked();
        if (await book.Planned(Id, cancel) is { Also.Length: > 0 } planned)
        {
            var further = await Shelf.FindAll(planned.Also, cancel);
            PlannedFor = planned.Group?.Name ?? "";
            AlsoTaught = [.. planned.Also.Where(further.ContainsKey)
                .Select(d => (Dance: d, Lines: TaughtClass.LineNames(Core.Analysis.Analyse(further[d].Script, Lexicon))))
                .Select((d, i) => new WentForm($"also[{i}].", further[d.Dance].Title, d.Lines, new WentAsked { Dance = d.Dance }))];
        }
    }
}

/// <summary>How one dance of a lesson went, as the form says it.</summary>
public sealed record WentAsked
{
    public Guid Dance { get; init; }

    /// <summary>The last line danced whole; null where nobody said it.</summary>
    public int? Reached { get; init; }

    /// <summary>Percent of full tempo; null where nobody said it.</summary>
    public int? Rate { get; init; }

    public int[] Weak { get; init; } = [];

    public int[] Clean { get; init; } = [];

    /// <param name="lines">Lines that the dance has.</param>
    public DanceHeld Held(int lines) => new()
    {
        DanceId = Dance,
        ReachedLine = Math.Clamp(Reached ?? 0, 0, lines),
        RatePercent = Rate is { } rate && LogModel.Rates.Contains(rate) ? rate : 0,
        WeakLines = [.. Weak.Where(w => w >= 1 && w <= lines).Distinct().Order()],
        // What was lost was not clean, whatever else was pressed.
        CleanLines = [.. Clean.Where(c => c >= 1 && c <= lines && !Weak.Contains(c)).Distinct().Order()],
    };
}

/// <summary>The fields in which a dance's way through a lesson is told.</summary>
/// <param name="Prefix">Before the fields' names.</param>
/// <param name="Title">The dance's, where the form has several; empty for the page's own.</param>
public sealed record WentForm(string Prefix, string Title, IReadOnlyList<string> Lines, WentAsked Went)
{
    /// <summary>Behind what its fields are called, so that two dances in one form are told apart.</summary>
    public string Of => Title.Length > 0 ? $", {Title}" : "";
}
