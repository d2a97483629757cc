using FondCompass.Application.Boards;
using FondCompass.Application.Lessons;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Groups;

/// <summary>What an instructor does with groups: adds one, looks at it, says what it is. Each is saved as a whole or not at all.</summary>
public sealed class GroupDesk(LessonBook book, DanceShelf shelf, LessonDesk desk, InstructorClock clock)
{
    /// <summary>Lessons that are plotted at the most.</summary>
    private const int MostPlotted = 24;

    /// <summary>Adds a group.</summary>
    /// <param name="minutes">As they were typed.</param>
    /// <returns>Why it was not added; null when it was.</returns>
    public async Task<string?> Add(string? name, string? meets, string? minutes, CancellationToken cancel)
    {
        var (called, meeting) = (Typed.Clean(name), Typed.Clean(meets));
        if (called.Length is 0 or > GroupRecord.LongestName || meeting.Length > GroupRecord.LongestMeets)
        {
            return LessonPageTexts.GiveGroupAName(GroupRecord.LongestName, GroupRecord.LongestMeets);
        }

        if (Typed.Whole(minutes, LessonAsked.LeastMinutes, (int)LessonBrief.Longest) is not { } length)
        {
            return LessonPageTexts.NoLengthOfLesson(minutes, LessonAsked.LeastMinutes, LessonBrief.Longest);
        }

        if (await IsTaken(called, null, cancel))
        {
            return LessonPageTexts.GroupExists(called);
        }

        await book.AddGroup(called, meeting, length, cancel);
        return null;
    }

    /// <summary>Says what a group is.</summary>
    /// <returns>Why nothing was changed; null when it was.</returns>
    public async Task<string?> Change(GroupRecord group, GroupAsked asked, CancellationToken cancel)
    {
        var name = Typed.Clean(asked.Name);
        string? problem = await IsTaken(name, group.Id, cancel) ? LessonPageTexts.GroupExists(name) : asked.Into(group);
        if (problem is null)
        {
            await book.Save(cancel);
        }

        return problem;
    }

    /// <summary>Keeps the room that a group dances in, as text.</summary>
    /// <returns>False where the group is gone.</returns>
    public async Task<bool> KeepRoom(Guid id, string room, CancellationToken cancel)
    {
        if (await book.Group(id, cancel) is not { } group)
        {
            return false;
        }

        group.Room = room;
        await book.Save(cancel);
        return true;
    }

    /// <summary>A group with its lessons worked out; null for nobody's and anybody else's.</summary>
    public async Task<GroupView?> Open(Guid id, CancellationToken cancel)
    {
        if (await book.Group(id, cancel) is null)
        {
            return null;
        }

        await desk.Settle(cancel);
        // Read behind that: what it learned may just have been worked out.
        if (await book.Group(id, cancel) is not { } group)
        {
            return null;
        }

        var held = await book.HeldWith(id, cancel);
        var titles = await shelf.Titles([.. held.SelectMany(l => l.Dances).Distinct()], cancel);
        var lines = await shelf.LinesOf([.. titles.Keys], cancel);
        return new GroupView(
            group,
            held,
            DancedOf(held, titles, lines),
            TaughtClass.StepsOf(held, lines, clock.Today),
            ProgressOf(held, titles),
            await PaceOf(group, cancel),
            [.. (await book.Courses(cancel)).Where(c => c.GroupId == id)],
            UnknownOf(group, await shelf.Lexicon(cancel)));
    }

    private async Task<bool> IsTaken(string name, Guid? by, CancellationToken cancel) =>
        (await book.Groups(cancel)).Any(g => g.Id != by && string.Equals(g.Name, name, StringComparison.OrdinalIgnoreCase));

    private List<DancedDance> DancedOf(
        IReadOnlyList<LessonRecord> held,
        IReadOnlyDictionary<Guid, string> titles,
        IReadOnlyDictionary<Guid, IReadOnlyList<LoggedLine>> lines)
    {
        string NextOf(Guid dance, List<LessonRecord> lessons) =>
            lines.TryGetValue(dance, out var own) && lessons.Find(l => l.HeldOf(dance) is not null) is { } last
                ? TaughtClass.NextOf(dance, own, lessons, last).Words
                : "";
        return [.. held.SelectMany(l => l.Dances, (l, dance) => (Dance: dance, Lesson: l))
            .GroupBy(d => d.Dance, d => d.Lesson)
            .Where(g => titles.ContainsKey(g.Key))
            .Select(g => (Dance: g.Key, Lessons: g.ToList(), Days: g.OrderBy(l => l.Date).ToList()))
            .Select(d => new DancedDance(
                d.Dance,
                titles[d.Dance],
                d.Days.Count,
                d.Days[^1].Date,
                d.Days.Max(l => l.HeldOf(d.Dance)?.RatePercent ?? 0),
                TaughtClass.KeptOf(d.Dance, d.Days, clock.Today),
                NextOf(d.Dance, d.Lessons)))
            .OrderBy(d => d.Kept ?? -1)];
    }

    private static List<LessonPoint> ProgressOf(IReadOnlyList<LessonRecord> held, IReadOnlyDictionary<Guid, string> titles) =>
        [.. held.Take(MostPlotted).Reverse().Select(l => new LessonPoint(
            l.Id,
            l.Date,
            string.Join(", ", l.Dances.Select(d => titles.GetValueOrDefault(d, LessonPageTexts.ADeletedDance))),
            l.Dances.Max(d => l.HeldOf(d)?.RatePercent ?? 0),
            l.Dances.Sum(d => l.HeldOf(d)?.WeakLines.Length ?? 0),
            l.Minutes,
            l.Times is { Length: > 0 } times && LessonTimes.Read(times) is { } took ? took.Seconds / 60 : null))];

    private async Task<IReadOnlyList<LearnedConstant>> PaceOf(GroupRecord group, CancellationToken cancel)
    {
        var (walks, talks, gathers) = await desk.TimesOf(group.Id, cancel);
        var named = ClassPace.For(LessonLayout.KindOf(group) is { } kind ? LessonKinds.RulesOf(kind).Pace : PaceName.Unhurried);
        return
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
    }

    private static List<string> UnknownOf(GroupRecord group, StepLexicon lexicon) =>
        [.. TaughtClass.Names(group.Knows)
            .Concat(TaughtClass.Names(group.Seen))
            .Where(n => lexicon.Find(n.ToLowerInvariant()) is null && Core.Lexicon.Verbs.Find(n.ToLowerInvariant()) is null)
            .Distinct()];
}
