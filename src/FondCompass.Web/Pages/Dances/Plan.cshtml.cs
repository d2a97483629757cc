using System.Globalization;
using FondCompass.Core.Lessons;
using FondCompass.Data;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Planning: the lesson as one column whose height is time.</summary>
public sealed class PlanModel(DanceShelf shelf, LessonBook book) : DancePage(shelf)
{
    private LessonPlan? _lesson;

    public override string Stage => "Plan";

    protected override bool UsesExceptions => true;

    public int Minutes { get; private set; } = 60;

    public string? MinutesProblem { get; private set; }

    public string? Problem { get; private set; }

    public IReadOnlyList<GroupRecord> Groups { get; private set; } = [];

    public string GroupName { get; private set; } = "";

    public DateOnly Date { get; private set; } = DateOnly.FromDateTime(DateTime.UtcNow);

    public LessonRecord? Planned { get; private set; }

    public LessonRecord? LastTime { get; private set; }

    public LessonPlan Lesson => _lesson ??= AddOnPlanner.Plan(Analysis.Trace, Minutes, Tempo);

    public async Task OnGet(string? minutes, CancellationToken cancel)
    {
        await Load(cancel);
        Minutes = Planned?.Minutes ?? Minutes;
        ReadMinutes(minutes);
    }

    public IActionResult OnGetColumn(string? minutes)
    {
        ReadMinutes(minutes);
        return Partial("_Column", this);
    }

    public async Task<IActionResult> OnPostKeep(string? group, string? date, string? minutes, Guid? sent, CancellationToken cancel)
    {
        await Load(cancel);
        ReadMinutes(minutes);
        GroupName = (group ?? "").Trim();
        if (GroupName.Length is 0 or > 120)
        {
            Problem = "Name the group this lesson is for, in at most 120 letters.";
            return Page();
        }

        if (!DateOnly.TryParseExact(date, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day))
        {
            Problem = $"'{date}' is no date; choose the day of the lesson.";
            return Page();
        }

        var known = Groups.FirstOrDefault(g => string.Equals(g.Name, GroupName, StringComparison.OrdinalIgnoreCase))
            ?? await book.AddGroup(GroupName, "", Minutes, cancel);
        if (await book.WrittenBy(sent, cancel) is { } written)
        {
            (written.GroupId, written.Date, written.Minutes) = (known.Id, day, Minutes);
            await book.Save(cancel);
        }
        else
        {
            await book.Add(new LessonRecord { DanceId = Id, GroupId = known.Id, Date = day, Minutes = Minutes, Sent = sent }, cancel);
        }

        return Redirect($"/dances/{Id}/plan");
    }

    private async Task Load(CancellationToken cancel)
    {
        Groups = await book.Groups(cancel);
        Planned = await book.Planned(Id, cancel);
        LastTime = (await book.Lessons(Id, cancel)).FirstOrDefault(l => l.Held);
        GroupName = Planned?.Group?.Name ?? LastTime?.Group?.Name ?? (Groups.Count > 0 ? Groups[0].Name : "");
        Date = Planned?.Date ?? Date;
    }

    private void ReadMinutes(string? minutes)
    {
        if (minutes is null)
        {
            return;
        }

        if (int.TryParse(minutes.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var length) && length is >= 5 and <= 480)
        {
            Minutes = length;
        }
        else
        {
            MinutesProblem = $"'{minutes}' is no length of a lesson: write minutes from 5 to 480. Until then {Minutes} are planned.";
        }
    }
}
