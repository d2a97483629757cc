using System.Globalization;
using FondCompass.Core.Told;
using FondCompass.Data;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Logging: how far the class got, at what rate, where it broke down; and the lessons so far.</summary>
public sealed class LogModel(DanceShelf shelf, LessonBook book, TrackBook tracks) : DancePage(shelf)
{
    /// <summary>The tempo ladder in percent; 0 is walked without tempo.</summary>
    public static readonly IReadOnlyList<int> Rates = [0, 60, 75, 90, 100];

    public override string Stage => "Log";

    public string? Problem { get; private set; }

    /// <summary>Titles of further dances that the lesson planned next teaches.</summary>
    public IReadOnlyList<string> AlsoTaught { get; private set; } = [];

    /// <summary>The lesson of today with this dance that is logged already; null for none.</summary>
    public LessonRecord? Logged => Past.FirstOrDefault(l => l.Held && l.HeldPlan is not null && l.Date == DateOnly.FromDateTime(DateTime.UtcNow));

    public IReadOnlyList<GroupRecord> Groups { get; private set; } = [];

    public IReadOnlyList<LessonRecord> Past { get; private set; } = [];

    /// <summary>The lines (eights) of the dance, as they are named.</summary>
    public IReadOnlyList<string> Lines { get; private set; } = [];

    public string GroupName { get; private set; } = "";

    public string Date { get; private set; } = "";

    public int Reached { get; private set; }

    public int Rate { get; private set; } = 75;

    public IReadOnlyList<int> Weak { get; private set; } = [];

    public string Note { get; private set; } = "";

    /// <summary>What the last lesson says about the next.</summary>
    public string? NextTime => Past.FirstOrDefault(l => l.Held && l.DanceId == Id) is not { } last ? null
        : last.WeakLines.Length > 0 ? $"Next time: recap eight {string.Join(" and ", last.WeakLines)} at {Math.Max(60, last.RatePercent - 15)} %, then {(last.ReachedLine < Lines.Count ? $"go on with eight {last.ReachedLine + 1}" : "dance it whole on every wall")}."
        : last.ReachedLine < Lines.Count ? $"Next time: dance up to eight {last.ReachedLine} once, then go on with eight {last.ReachedLine + 1}."
        : "Next time: it is known; dance it whole, on every wall, at full tempo.";

    public async Task OnGet(CancellationToken cancel)
    {
        await Load(cancel);
        var planned = await book.Planned(Id, cancel);
        GroupName = planned?.Group?.Name ?? (Past.Count > 0 ? Past[0].Group!.Name : Groups.Count > 0 ? Groups[0].Name : "");
        Date = DateOnly.FromDateTime(DateTime.UtcNow).ToString("yyyy-MM-dd");
        Reached = Lines.Count;
    }

    public async Task<IActionResult> OnPost(string? group, string? date, int reached, int rate, int[] weak, string? note, Guid? sent, CancellationToken cancel)
    {
        await Load(cancel);
        GroupName = (group ?? "").Trim();
        Date = date ?? "";
        Note = (note ?? "").Trim();
        Weak = weak.Where(w => w >= 1 && w <= Lines.Count).Distinct().Order().ToArray();
        Reached = Math.Clamp(reached, 0, Lines.Count);
        Rate = Rates.Contains(rate) ? rate : 0;
        if (GroupName.Length is 0 or > 120)
        {
            Problem = "Say which group it was, in at most 120 letters.";
            return Page();
        }

        if (!DateOnly.TryParseExact(date, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day))
        {
            Problem = $"'{date}' is no date; choose the day of the lesson.";
            return Page();
        }

        if (Note.Length > 4000)
        {
            Problem = "The note is longer than 4000 letters; shorten it, the rest of the form is kept.";
            return Page();
        }

        var known = Groups.FirstOrDefault(g => string.Equals(g.Name, GroupName, StringComparison.OrdinalIgnoreCase))
            ?? await book.AddGroup(GroupName, "", 60, cancel);
        await Keep(known.Id, day, sent, cancel);
        return Redirect($"/dances/{Id}/log");
    }

    /// <summary>Logs onto the lesson planned for that group, when there is one; else as a lesson of its own.</summary>
    private async Task Keep(Guid group, DateOnly day, Guid? sent, CancellationToken cancel)
    {
        var written = await book.WrittenBy(sent, cancel);
        var planned = written ?? await book.Planned(Id, cancel);
        var lesson = planned?.GroupId == group || written is not null ? planned! : new LessonRecord { DanceId = Id };
        lesson.GroupId = group;
        lesson.Date = day;
        lesson.HeldPlan = ReferenceEquals(lesson, planned) && (!lesson.Held || lesson.HeldPlan is null) ? await PlanOf(lesson, cancel) : lesson.HeldPlan;
        (lesson.Held, lesson.Running) = (true, false);
        lesson.Sent = sent;
        lesson.ReachedLine = Reached;
        lesson.RatePercent = Rate;
        lesson.WeakLines = [.. Weak];
        lesson.Note = Note.Replace("\0", "", StringComparison.Ordinal);
        if (ReferenceEquals(lesson, planned))
        {
            await book.Save(cancel);
        }
        else
        {
            await book.Add(lesson, cancel);
        }
    }

    /// <summary>The plan as it stands when the lesson is logged: it is kept as it was, whatever becomes of the dance.</summary>
    private async Task<string> PlanOf(LessonRecord lesson, CancellationToken cancel)
    {
        var asked = PlanAsked.Of(lesson);
        var group = Groups.FirstOrDefault(g => g.Id == lesson.GroupId);
        var layout = await LessonLayout.Of((Id, Fitted), asked, group, Shelf, book, tracks, lesson.Id, cancel);
        return HeldBlock.Written(layout.Plan(asked, lesson.Minutes), group);
    }

    private async Task Load(CancellationToken cancel)
    {
        Groups = await book.Groups(cancel);
        Past = await book.Lessons(Id, cancel);
        AlsoTaught = await book.Planned(Id, cancel) is { Also.Length: > 0 } planned ? [.. (await Shelf.Titles(planned.Also, cancel)).Values] : [];
        var logged = TaughtClass.LoggedLines(Analysis);
        var several = logged.Select(l => l.Pattern).Distinct().Count() > 1;
        Lines = [.. logged.Select(l => PartWording.Of(l.Pattern.Part, l.Line, several))];
    }
}
