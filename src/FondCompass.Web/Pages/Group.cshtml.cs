using System.Globalization;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using FondCompass.Web.Drawing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>What one group is, what it knows, and what it has danced.</summary>
public sealed class GroupModel(LessonBook book, DanceShelf shelf, LessonDesk desk, InstructorClock clock) : PageModel
{
    /// <summary>Most dancers a group has.</summary>
    private const int MostDancers = 5000;

    public GroupRecord Group { get; private set; } = new();

    public IReadOnlyList<LessonRecord> Held { get; private set; } = [];

    /// <summary>Each dance with how often and when it was danced; what is kept least comes first.</summary>
    public IReadOnlyList<(Guid Id, string Title, int Times, DateOnly Last, int Rate, double? Kept)> Danced { get; private set; } = [];

    /// <summary>What the last lesson with each dance says of the next; the same words as on Log and Plan.</summary>
    public IReadOnlyDictionary<Guid, string> Next { get; private set; } = new Dictionary<Guid, string>();

    /// <summary>Names of steps that no lexicon of this instructor has.</summary>
    public IReadOnlyList<string> Unknown { get; private set; } = [];

    /// <summary>Each step of the lessons held, those kept least first.</summary>
    public IReadOnlyList<StepState> Steps { get; private set; } = [];

    /// <summary>Dances that are listed at the most; those kept least come first.</summary>
    public const int MostListed = 60;

    /// <summary>Lessons that are plotted at the most.</summary>
    private const int MostPlotted = 24;

    /// <summary>The last lessons, the earliest of them first.</summary>
    public IReadOnlyList<LessonPoint> Progress { get; private set; } = [];

    /// <summary>What the log makes of the pace: before, after and why.</summary>
    public IReadOnlyList<LearnedConstant> Pace { get; private set; } = [];

    /// <summary>Courses of this group.</summary>
    public IReadOnlyList<CourseRecord> Courses { get; private set; } = [];

    [BindProperty]
    public GroupAsked Asked { get; set; } = new();

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnGet(Guid id, CancellationToken cancel)
    {
        if (!await Load(id, cancel))
        {
            return NotFound();
        }

        Asked = GroupAsked.From(Group);
        return Page();
    }

    public async Task<IActionResult> OnPost(Guid id, CancellationToken cancel)
    {
        if (!await Load(id, cancel))
        {
            return NotFound();
        }

        Problem = Asked.Into(Group, MostDancers);
        if (Problem is null
            && (await book.Groups(cancel)).Any(g => g.Id != id
                && string.Equals(g.Name, Asked.Name?.Trim(), StringComparison.OrdinalIgnoreCase)))
        {
            Problem = LessonPageTexts.GroupExists(Asked.Name!.Trim());
        }

        if (Problem is not null)
        {
            return Page();
        }

        await book.Save(cancel);
        return Redirect($"/groups/{id}");
    }

    private async Task<bool> Load(Guid id, CancellationToken cancel)
    {
        if (await book.Group(id, cancel) is not { } group)
        {
            return false;
        }

        await desk.Settle(cancel);
        // Read anew: what it learned may just have been worked out.
        Group = group = (await book.Group(id, cancel))!;
        Held = await book.HeldWith(id, cancel);
        var titles = await shelf.Titles([.. Held.SelectMany(l => l.Dances).Distinct()], cancel);
        var today = clock.Today;
        Danced = Held.SelectMany(l => l.Dances, (l, dance) => (Dance: dance, Lesson: l))
            .GroupBy(d => d.Dance, d => d.Lesson)
            .Where(g => titles.ContainsKey(g.Key))
            .Select(g =>
        {
            var days = g.OrderBy(l => l.Date).ToList();
            return (g.Key, titles[g.Key], days.Count, days[^1].Date, days.Max(d => d.HeldOf(g.Key)?.RatePercent
                ?? 0), kept: TaughtClass.KeptOf(
                g.Key,
                days,
                today));
        }).OrderBy(d => d.kept ?? -1).ToList();
        var lexicon = await shelf.Lexicon(cancel);
        var lines = await shelf.LinesOf([.. titles.Keys], cancel);
        var ofDance = Held.SelectMany(l => l.Dances, (l, dance) => (Dance: dance, Lesson: l)).ToLookup(l => l.Dance, l => l.Lesson);
        Next = lines.Where(d => ofDance[d.Key].Any(l => l.HeldOf(d.Key) is not null)).ToDictionary(
            d => d.Key,
            d => TaughtClass.NextOf(d.Key, d.Value, ofDance[d.Key], ofDance[d.Key].First(l => l.HeldOf(d.Key) is not null)).Words);
        Steps = TaughtClass.StepsOf(Held, lines, today);
        Progress = [.. Held.Take(MostPlotted).Reverse().Select(l => new LessonPoint(
            l.Id,
            l.Date,
            string.Join(", ", l.Dances.Select(d => titles.GetValueOrDefault(d, "a deleted dance"))),
            l.Dances.Max(d => l.HeldOf(d)?.RatePercent ?? 0),
            l.Dances.Sum(d => l.HeldOf(d)?.WeakLines.Length ?? 0),
            l.Minutes,
            l.Times is { Length: > 0 } times && LessonTimes.Read(times) is { } took ? took.Seconds / 60 : null))];
        var (walks, talks, gathers) = await desk.TimesOf(id, cancel);
        var named = ClassPace.For(LessonLayout.KindOf(group) is { } kind ? LessonKinds.RulesOf(kind).Pace : PaceName.Unhurried);
        Pace =
        [
            PaceLearning.Of(
                LessonPageTexts.SecondsPerAction,
                group.SecondsPerAction ?? named.SecondsPerAction,
                walks,
                TaughtClass.Holds(group, TaughtClass.Walk),
                group.SecondsPerAction is not null),
            PaceLearning.Of(
                LessonPageTexts.SecondsOfTalk,
                group.TalkPerBite ?? named.TalkPerBite,
                talks,
                TaughtClass.Holds(group, TaughtClass.Talk),
                group.TalkPerBite is not null),
            PaceLearning.Of(LessonPageTexts.SecondsToGather, named.Regroup, gathers, TaughtClass.Holds(group, TaughtClass.Gather)),
        ];
        Courses = [.. (await book.Courses(cancel)).Where(c => c.GroupId == id)];
        Unknown = [.. TaughtClass.Names(group.Knows)
            .Concat(TaughtClass.Names(group.Seen))
            .Where(n => lexicon.Find(n.ToLowerInvariant()) is null && Core.Lexicon.Verbs.Find(n.ToLowerInvariant()) is null)
            .Distinct()];
        return true;
    }
}

/// <summary>A group as its form says it; numbers as they were typed, so that nothing typed is lost.</summary>
public sealed record GroupAsked
{
    public string? Name { get; init; }

    public string? Meets { get; init; }

    public string? Level { get; init; }

    public string? Size { get; init; }

    public string? Minutes { get; init; }

    public string? Knows { get; init; }

    public string? Seen { get; init; }

    public string? SecondsPerAction { get; init; }

    public string? TalkPerBite { get; init; }

    public string? WarmUp { get; init; }

    public string? CoolDown { get; init; }

    public string? Gentle { get; init; }

    /// <summary>The way it is used to be taught, by the words of a plan's address.</summary>
    public Dictionary<string, string?> Way { get; init; } = [];

    /// <summary>The log does not change the pace of walking, of talking, of gathering.</summary>
    public bool HoldWalk { get; init; }

    public bool HoldTalk { get; init; }

    public bool HoldGather { get; init; }

    public bool Archived { get; init; }

    public static GroupAsked From(GroupRecord group)
    {
        static string Text(double? value) => value?.ToString("0.##", CultureInfo.InvariantCulture) ?? "";
        return new GroupAsked
        {
            Name = group.Name,
            Meets = group.Meets,
            Level = group.Level,
            Size = Text(group.Size),
            Minutes = Text(group.LessonMinutes),
            Knows = group.Knows,
            Seen = group.Seen,
            SecondsPerAction = Text(group.SecondsPerAction),
            TalkPerBite = Text(group.TalkPerBite),
            WarmUp = Text(group.WarmUp),
            CoolDown = Text(group.CoolDown),
            Gentle = group.Gentle,
            Way = WayForm.FieldsOf(group.Habits),
            HoldWalk = TaughtClass.Holds(group, TaughtClass.Walk),
            HoldTalk = TaughtClass.Holds(group, TaughtClass.Talk),
            HoldGather = TaughtClass.Holds(group, TaughtClass.Gather),
            Archived = group.Archived,
        };
    }

    private static string Clean(string? text) => (text ?? "").Replace("\0", "", StringComparison.Ordinal).Trim();

    /// <summary>What is longer than is kept, or missing; null when nothing is.</summary>
    private Sentence? TooLong() =>
        Clean(Name).Length is 0 or > GroupRecord.LongestName || Clean(Meets).Length > GroupRecord.LongestMeets
            ? LessonPageTexts.GiveGroupAName(GroupRecord.LongestName, GroupRecord.LongestMeets)
            : Clean(Knows).Length > GroupRecord.LongestSteps || Clean(Seen).Length > GroupRecord.LongestSteps
                ? LessonPageTexts.StepListTooLong(GroupRecord.LongestSteps)
            : Clean(Gentle).Length > GroupRecord.LongestGentle ? LessonPageTexts.GentleTooLong(GroupRecord.LongestGentle)
            : null;

    /// <summary>Writes it into the group; what is wrong, in words, when something is, and then nothing is written.</summary>
    public string? Into(GroupRecord group, int mostDancers)
    {
        if (TooLong() is { } wrong)
        {
            return wrong;
        }

        var (habits, unread) = WayForm.Read(key => Way.TryGetValue(key, out var said) ? Clean(said) : null, group.Habits);
        if (unread.Length > 0)
        {
            return unread;
        }

        string? problem = null;
        double? Number(string? text, string what, double least, double most)
        {
            if (Clean(text).Length == 0)
            {
                return null;
            }

            if (double.TryParse(Clean(text), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value)
                && value >= least
                && value <= most)
            {
                return value;
            }

            problem ??= LessonPageTexts.NumberOrNothing(Clean(text), what, least, most);
            return null;
        }

        var size = Number(Size, LessonPageTexts.TheNumberOfDancers, 1, mostDancers);
        var minutes = Number(Minutes, LessonPageTexts.TheMinutesOfALesson, LessonAsked.LeastMinutes, LessonBrief.Longest);
        var action = Number(SecondsPerAction, LessonPageTexts.TheSecondsOfAnAction, 0.5, 60);
        var talk = Number(TalkPerBite, LessonPageTexts.TheSecondsOfTalk, 0, 600);
        var warm = Number(WarmUp, LessonPageTexts.TheMinutesOfWarmUp, 0, 60);
        var cool = Number(CoolDown, LessonPageTexts.TheMinutesOfCoolDown, 0, 60);
        if (problem is not null)
        {
            return problem;
        }

        (group.Name, group.Meets, group.Level) = (Clean(Name), Clean(Meets), WayWords.Levels.ContainsKey(Level ?? "")
            ? Level!
            : "beginner");
        (group.Size, group.LessonMinutes) = ((int?)size, (int)(minutes ?? LessonAsked.UsualMinutes));
        (group.Knows, group.Seen, group.Archived) = (Clean(Knows), Clean(Seen), Archived);
        group.HeldFast = string.Join(
            ' ',
            ((string[])[
                HoldWalk ? TaughtClass.Walk : "", HoldTalk ? TaughtClass.Talk : "", HoldGather ? TaughtClass.Gather : ""
            ]).Where(w => w.Length > 0));
        (group.Habits, group.Gentle) = (habits, Clean(Gentle));
        (group.SecondsPerAction, group.TalkPerBite, group.WarmUp, group.CoolDown) = (action, talk, warm, cool);
        return null;
    }
}
