using FondCompass.Application.Courses;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Lessons;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Lessons;

/// <summary>Plans lessons: finds what is asked, lays the plan out, and keeps every change at once.</summary>
public sealed class PlanDesk(DanceShelf shelf, LessonBook book, TrackBook tracks, DraftBook drafts, InstructorClock clock)
{
    /// <summary>Letters of what is asked of a lesson, as it is kept.</summary>
    public const int LongestAsked = 40_000;

    /// <summary>Changes of blocks by hand.</summary>
    public const int MostChanges = 500;

    public async Task<OpenPlan> Open(Guid dance, PlanView view, CancellationToken cancel)
    {
        var groups = await book.Groups(cancel);
        var last = (await book.Lessons(dance, cancel: cancel)).FirstOrDefault(l => l.Held && l.HeldOf(dance) is not null);
        var course = view.Course is { } id && await book.Course(id, cancel) is { } found && view.Week >= 1 && view.Week <= found.Weeks
            ? found
            : null;
        var planned = view.Lesson is { } lesson
            ? await book.Find(lesson, cancel) is { Held: false } kept && kept.DanceId == dance ? kept : null
            : course is not null
                ? (await book.LessonsOf(course.Id, cancel)).FirstOrDefault(l => l.Week == view.Week && l.DanceId == dance && !l.Held)
            : await book.Planned(dance, cancel);
        var week = course is not null ? new CourseWeekOf(course.Id, view.Week) : planned is not null ? TaughtClass.WeekOf(planned) : null;
        var which = new DraftOf(dance, planned?.Id, week?.Course, week?.Week ?? 0);
        var draft = await drafts.Find(which, cancel);
        // What a course asks is reckoned from its whole table: only where there is nothing else.
        var usual = planned is not null ? TaughtClass.StateOf(planned)
            : course is null ? new PlanState(LessonAsked.Usual, [], last?.GroupId)
            : draft is null ? await OfCourse(course, view.Week, dance, cancel) ?? new PlanState(LessonAsked.Usual, [], course.GroupId)
            : null;
        var state = draft?.State ?? usual!;
        if (view.Group is { } group && groups.Any(g => g.Id == group))
        {
            state = state with { Group = group };
        }

        return new OpenPlan(which, draft, state, planned, week, groups, last) { Base = usual };
    }

    /// <summary>The plan as it stands.</summary>
    public async Task<LaidPlan> Show(Guid dance, LessonDance danced, PlanView view, CancellationToken cancel)
    {
        var open = await Open(dance, view, cancel);
        return await LayOut(open, open.State, danced, cancel);
    }

    /// <summary>Makes a change of what is asked, keeps it, and tells what became of the blocks.</summary>
    /// <param name="change">What a press makes of the plan as it is open.</param>
    public async Task<LaidPlan> Change(
        Guid dance,
        LessonDance danced,
        PlanView view,
        PlanSeen seen,
        Func<OpenPlan, PlanState, Task<PlanChange>> change,
        CancellationToken cancel)
    {
        for (var tries = 1; ; tries++)
        {
            var open = await Open(dance, view, cancel);
            if (!open.IsSeen(seen.Mark, seen.Page) || tries > MostTries)
            {
                return await LayOut(open, open.State, danced, cancel) with { Problem = Elsewhere };
            }

            var before = open.State;
            var (next, problem) = await change(
                open,
                seen.Group is { } group ? before with { Group = open.Groups.Any(g => g.Id == group) ? group : null } : before);
            if (next is not null && Problem(next) is { Length: > 0 } tooMuch)
            {
                (next, problem) = (null, tooMuch);
            }

            if (next is null || KeptJson.Write(next) == KeptJson.Write(before))
            {
                return await LayOut(open, before, danced, cancel) is var same && problem is null ? same : same with { Problem = problem };
            }

            var shown = open.Shown.Count > 0 ? open.Shown : PlanDifference.Shown((await LayOut(open, before, danced, cancel)).Plan);
            var laid = await LayOut(open, next, danced, cancel);
            if (await Keep(open, next, Past(open), laid.Plan, seen.Page, cancel) is { } changed)
            {
                // Where other dances, another group or other minutes were asked for, all blocks are others.
                var isSame = next.Group == before.Group
                    && next.Asked.Minutes == before.Asked.Minutes
                    && next.Also.SequenceEqual(before.Also);
                return laid with
                {
                    Open = changed,
                    Problem = problem ?? laid.Problem,
                    Became = isSame ? PlanDifference.Between(shown, laid.Plan) : [],
                    IsOtherGroup = next.Group != before.Group && laid.Group is not null,
                };
            }

            // Somebody changed it in between. Where it was this page, which types on while it is answered, the change goes on top of that.
        }
    }

    /// <summary>A plan as it would be, with what would become of the blocks; nothing is kept.</summary>
    public async Task<LaidPlan> Look(LaidPlan plan, PlanState state, LessonDance danced, CancellationToken cancel)
    {
        var would = await LayOut(plan.Open, state, danced, cancel);
        return would with { Became = PlanDifference.Between(plan.Plan, would.Plan) };
    }

    /// <summary>A block as it stands before a press.</summary>
    /// <param name="isCut">The press is about the bite that the block teaches, which only the plan itself knows.</param>
    public async Task<BlockSeen> SeenOf(
        OpenPlan open,
        PlanState state,
        LessonDance danced,
        string block,
        bool isCut,
        CancellationToken cancel) =>
        isCut || open.Shown.Count == 0 ? (await LayOut(open, state, danced, cancel)).SeenOf(block) : LaidPlan.SeenIn(open.Shown, block);

    /// <summary>Goes back to what was asked before the last change.</summary>
    public async Task<LaidPlan> Undo(Guid dance, LessonDance danced, PlanView view, PlanSeen seen, CancellationToken cancel)
    {
        var open = await Open(dance, view, cancel);
        if (!open.CanUndo || !open.IsSeen(seen.Mark, seen.Page))
        {
            return await LayOut(open, open.State, danced, cancel) with
            {
                Problem = open.CanUndo ? Elsewhere : DeskTexts.NoChangeToGoBack
            };
        }

        var (earlier, state) = (open.Draft!.Past.States.SkipLast(1), open.Draft.Past.States[^1]);
        var laid = await LayOut(open, state, danced, cancel);
        return await Keep(open, state, new PlanPast([.. earlier]), laid.Plan, seen.Page, cancel) is { } changed
            ? laid with { Open = changed }
            : await Show(dance, danced, view, cancel) with { Problem = Elsewhere };
    }

    /// <summary>What is said to who presses on a plan that he has not seen as it is.</summary>
    public static string Elsewhere => DeskTexts.ChangedInOtherWindow;

    /// <summary>Times that a change is laid on what came in between.</summary>
    private const int MostTries = 5;

    private async Task<LaidPlan> LayOut(OpenPlan open, PlanState state, LessonDance danced, CancellationToken cancel)
    {
        var layout = await Lay(open, state, danced, cancel);
        return new LaidPlan(open, state, layout, layout.Plan(state.Asked))
        {
            Problem = layout.LeftOut.Count > 0
                ? DeskTexts.NotPlannedHere(string.Join(", ", layout.LeftOut), LessonSize.Most.ToString())
                : null,
        };
    }

    /// <summary>What a state is laid out from; the plan follows from it.</summary>
    private Task<LessonLayout> Lay(OpenPlan open, PlanState state, LessonDance dance, CancellationToken cancel) =>
        LessonLayout.Lay(
            (open.Which.Dance, dance),
            state,
            open.Week,
            open.GroupOf(state),
            shelf,
            book,
            tracks,
            open.Planned?.Id,
            clock,
            cancel);

    /// <summary>Why a state cannot be kept, and what to do; empty when it can.</summary>
    public static string Problem(PlanState state) =>
        state.Asked.Changes.Count() > MostChanges
            ? DeskTexts.TooManyChangesByHand(MostChanges)
        : KeptJson.Write(state.Asked).Length > LongestAsked
            ? DeskTexts.TooMuchSettled
        : "";

    /// <summary>
    /// Begins a plan that something else suggests; it is a change like any other of the plan that is open with the dance.
    /// </summary>
    public async Task Begin(Guid dance, PlanState state, CancellationToken cancel)
    {
        var open = await Open(dance, new PlanView(), cancel);
        await Keep(open, state, Past(open), null, Guid.Empty, cancel);
    }

    /// <summary>What is asked without any change: as it was planned, as the course has it, or as suggested.</summary>
    public async Task<PlanState> BaseOf(OpenPlan open, CancellationToken cancel) => open.Base
        ?? (open.Week is var (id, week) && await book.Course(id, cancel) is { } course
            ? await OfCourse(course, week, open.Which.Dance, cancel)
            : null)
        ?? new PlanState(LessonAsked.Usual, [], open.LastTime?.GroupId);

    private Task Forget(OpenPlan open, CancellationToken cancel) =>
        open.Draft is { } draft ? drafts.Forget(draft.Id, cancel) : Task.CompletedTask;

    /// <summary>Makes the plan a lesson of a group on a day, or changes the one it was; its draft is done with.</summary>
    /// <param name="group">The group's name; a new one is added to the groups.</param>
    /// <param name="sent">The form that wrote it: one that arrives twice writes once.</param>
    /// <returns>Null where the dance is not this owner's.</returns>
    public async Task<LessonRecord?> Keep(
        OpenPlan open,
        LessonLayout layout,
        string group,
        DateOnly day,
        Guid? sent,
        CancellationToken cancel)
    {
        var known = open.Groups.FirstOrDefault(g => string.Equals(g.Name, group, StringComparison.OrdinalIgnoreCase))
            ?? await book.AddGroup(group, "", open.State.Asked.Minutes, cancel);
        var week = layout.Course is null ? null : open.Week;
        // A week of a course is one lesson, however often it is planned; and planned again for the same evening it is the same lesson.
        var written = await book.WrittenBy(sent, cancel)
            ?? (week is not null ? (await book.LessonsOf(week.Course, cancel)).FirstOrDefault(l => l.Week == week.Week && !l.Held)
                : await book.PlannedOn(open.Which.Dance, known.Id, day, cancel));
        var lesson = written ?? new LessonRecord { Sent = sent };
        (lesson.DanceId, lesson.GroupId, lesson.Date, lesson.Asked) = (open.Which.Dance, known.Id, day, open.State.Asked);
        (lesson.Also, lesson.CourseId, lesson.Week) = ([.. layout.Also.Select(d => d.Id)], week?.Course, week?.Week ?? 0);
        if (written is null)
        {
            if (await book.Add(lesson, cancel) is null)
            {
                return null;
            }
        }
        else
        {
            await book.Save(cancel);
        }

        await Forget(open, cancel);
        return lesson;
    }

    /// <summary>Keeps the way as it stands as the one the group is used to.</summary>
    public async Task<bool> KeepHabit(LessonLayout layout, LessonAsked asked, Guid group, CancellationToken cancel)
    {
        if (await book.Group(group, cancel) is not { } record)
        {
            return false;
        }

        record.Habits = new TeachingHabit(WayAsked.From(layout.Way(asked) with { Until = null }), layout.Suggested(asked).Kind);
        await book.Save(cancel);
        return true;
    }

    private async Task<PlanState?> OfCourse(CourseRecord course, int number, Guid dance, CancellationToken cancel)
    {
        var table = await CourseTable.Load(course, shelf, book, clock, cancel);
        return table.Plan.Weeks.FirstOrDefault(w => w.Number == number) is { } week
            && table.Asked(week) is var (first, state)
            && first == dance
            ? state
            : null;
    }

    private static PlanPast Past(OpenPlan open)
    {
        IEnumerable<PlanState> past = [.. open.Draft?.Past.States ?? [], open.State];
        return new PlanPast([.. past.TakeLast(PlanDraft.MostPast)]);
    }

    private async Task<OpenPlan?> Keep(OpenPlan open, PlanState state, PlanPast past, LessonPlan? plan, Guid page, CancellationToken cancel)
    {
        var draft = open.Draft
            ?? new PlanDraft
            {
                DanceId = open.Which.Dance,
                LessonId = open.Which.Lesson,
                CourseId = open.Which.Course,
                Week = open.Which.Week
            };
        return await drafts.Keep(draft, state, past, new PlanShown(plan is null ? [] : PlanDifference.Shown(plan)), page, cancel)
            ? open with { Draft = draft, State = state }
            : null;
    }
}
