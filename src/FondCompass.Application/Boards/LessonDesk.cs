using FondCompass.Application.Lessons;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Data;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Application.Boards;

/// <summary>A lesson opened to be held: its plan, and what it is made of.</summary>
public sealed record OpenLesson(
    LessonRecord Record,
    LessonLayout Layout,
    LessonPlan Plan,
    TeachingWay Way,
    GroupRecord Group,
    StepLexicon Lexicon)
{
    /// <summary>How often its rest was planned anew.</summary>
    public int Rests => Record.Rest?.Steps.Count ?? 0;
}

/// <summary>Opens lessons to be held, and works their log out from what boards told.</summary>
public sealed partial class LessonDesk(
    DanceShelf shelf,
    LessonBook book,
    TrackBook tracks,
    LessonEvents events,
    FondCompassContext context,
    InstructorClock clock)
{
    /// <summary>Logs that are worked out while somebody waits for a page; older ones follow in the background.</summary>
    private const int MostSettled = 3;

    /// <summary>The desk of an owner who is not the one that asks: for a class's screen, and for what is done in the background.</summary>
    public static async Task<LessonDesk> Open(FondCompassContext context, Guid owner, TimeProvider time, CancellationToken cancel)
    {
        var account = await context.Users.Where(u => u.Id == owner)
            .Select(u => new { u.TimeZone, u.WeekBegins })
            .FirstOrDefaultAsync(cancel);
        var clock = InstructorClock.ZoneOf(account?.TimeZone) is { } zone
            ? new InstructorClock(time, zone, account?.WeekBegins ?? DayOfWeek.Monday)
            : new InstructorClock(time);
        var shelf = new DanceShelf(context, owner, clock);
        return new LessonDesk(
            shelf,
            new LessonBook(context, owner, clock),
            new TrackBook(context, owner),
            new LessonEvents(context, owner),
            context,
            clock);
    }

    public Task<StepLexicon> Lexicon(CancellationToken cancel) => shelf.Lexicon(cancel);

    /// <summary>The lesson as it is planned; null for nobody's and anybody else's, and where its dance was deleted.</summary>
    public async Task<OpenLesson?> Open(Guid id, CancellationToken cancel)
    {
        if (await book.Find(id, cancel) is not { Group: { } group } lesson
            || await shelf.Find(lesson.DanceId, cancel) is not { DeletedAt: null } dance)
        {
            return null;
        }

        var lexicon = await shelf.Lexicon(cancel);
        var first = await TaughtClass.FittedOf(dance, await book.CuesFor(group.Id, dance.Id, cancel), lexicon, tracks, cancel);
        var layout = await LessonLayout.Lay(
            (dance.Id, first),
            TaughtClass.StateOf(lesson),
            TaughtClass.WeekOf(lesson),
            group,
            shelf,
            book,
            tracks,
            lesson.Id,
            clock,
            cancel);
        return new OpenLesson(lesson, layout, layout.Plan(lesson.Asked, lesson.Rest), layout.Way(lesson.Asked), group, lexicon);
    }

    /// <summary>Moves to be called live: of what the group knows, of a dance's lines, of its pool, or of a list for the evening.</summary>
    /// <param name="from">known, lines, pool or list; empty for what suits the dance.</param>
    /// <param name="list">Names of moves, with commas or a row each.</param>
    public static BoardLive Moves(OpenLesson open, string? from, string? list)
    {
        var (lexicon, first, knowledge) = (open.Lexicon, open.Layout.All[0].Dance, open.Layout.Knowledge);
        if (from == "lines")
        {
            return BoardLive.From(LiveMoves.OfLines(first.Analysis, first.Tempo, lexicon), [], first);
        }

        // Of a dance without an order its own moves come first.
        if (from == "pool" || (string.IsNullOrEmpty(from) && first.Analysis.Dance.IsFree))
        {
            var (pool, rest) = LiveMoves.OfPool(first.Analysis, first.Tempo, lexicon);
            return BoardLive.From(pool, rest, first);
        }

        // Of a group that is not said to know anything, what its level may be trusted with.
        IEnumerable<string> names = from == "list" ? TaughtClass.Names(list)
            : knowledge.Steps.Count > 0 ? knowledge.Steps
            : knowledge.WhatEverybodyKnows;
        var (moves, leftOut) = LiveMoves.Find(names, first.Tempo, lexicon, first.Analysis.Dance.Header.LineCounts);
        return BoardLive.From(moves, leftOut, first);
    }

    /// <summary>Keeps what boards told; with the first of it, the plan as it stands is the one the lesson is held with.</summary>
    public async Task<EventsKept> Tell(Guid lesson, IReadOnlyCollection<LessonEventRecord> told, CancellationToken cancel)
    {
        var isAnew = await events.BeginAnew(lesson, told, cancel);
        var kept = await events.Keep(lesson, told, cancel);
        if (isAnew && kept is (EventsKept.Kept or EventsKept.KeptFirst))
        {
            // It is led as it was planned at first, and what was held of it was not.
            await context.Lessons.Where(l => l.Id == lesson).ExecuteUpdateAsync(
                set => set.SetProperty(l => l.HeldPlan, (string?)null)
                    .SetProperty(l => l.Rest, (RestAsked?)null)
                    .SetProperty(l => l.Held, false)
                    .SetProperty(l => l.Running, false),
                cancel);
            return kept;
        }

        if (kept == EventsKept.KeptFirst && await Open(lesson, cancel) is { } open)
        {
            var plan = HeldBlock.Written(open.Plan, open.Layout.Dances, open.Layout.UsualPace(open.Record.Asked));
            await context.Lessons.Where(l => l.Id == lesson && l.HeldPlan == null)
                .ExecuteUpdateAsync(set => set.SetProperty(l => l.HeldPlan, plan), cancel);
        }

        return kept;
    }

    /// <summary>Works out the logs of lessons of which boards told something since; whoever shows logs asks for this first.</summary>
    public async Task Settle(CancellationToken cancel)
    {
        foreach (var lesson in await book.LogDue(MostSettled, cancel))
        {
            await Reckon(lesson, cancel);
        }
    }

    /// <summary>Writes what the events say into the lesson, and what they teach into its group.</summary>
    public Task Reckon(Guid id, CancellationToken cancel) => context.Database.CreateExecutionStrategy().ExecuteAsync(async () =>
    {
        context.ChangeTracker.Clear();
        await using var whole = await context.Database.BeginTransactionAsync(cancel);
        // The lesson's row is held until it is written: an event that comes meanwhile marks it once more behind it.
        await context.Lessons.Where(l => l.Id == id).ExecuteUpdateAsync(set => set.SetProperty(l => l.IsLogDue, false), cancel);
        if (await book.Find(id, cancel) is not { } lesson)
        {
            await whole.CommitAsync(cancel);
            return;
        }

        if (lesson.HeldPlan is null && await Open(id, cancel) is { } open)
        {
            lesson.HeldPlan = HeldBlock.Written(open.Plan, open.Layout.Dances, open.Layout.UsualPace(open.Record.Asked));
        }

        var log = LessonLog.Read((await events.Of(id, cancel)).Select(EventCodes.Read).OfType<LessonEvent>());
        var blocks = HeldBlock.Read(lesson.HeldPlan);
        // Held from its first block done: looking at a board holds nothing.
        lesson.Held |= blocks.Any(b => log.BlockOf(b.Id)?.WasDone(b.Seconds) == true)
            || (blocks.Count == 0 && log.Blocks.Any(b => b.IsDone));
        lesson.Heads = log.Heads ?? lesson.Heads;
        lesson.Times = TimesOf(log, blocks).Written;
        // A lesson that was logged by hand keeps that, until a board tells of its blocks.
        if (blocks.Any(b => log.BlockOf(b.Id)?.WasDone(b.Seconds) == true))
        {
            lesson.Running = !log.IsClosed;
            var (dances, lexicon) = (await shelf.FindAll([.. lesson.Dances], cancel), await shelf.Lexicon(cancel));
            foreach (var (dance, place) in lesson.Dances.Select((d, i) => (d, i)).Where(d => dances.ContainsKey(d.d)))
            {
                var lines = DanceShelf.LinesOf(dances[dance], lexicon).Select(l => (l.Part, l.Line)).ToList();
                var result = LessonResult.Read(blocks, place, log, lines);
                lesson.Went(new DanceHeld
                {
                    DanceId = dance,
                    ReachedLine = result.Reached,
                    RatePercent = result.Rate,
                    WeakLines = [.. result.Weak],
                    CleanLines = [.. result.Clean]
                });
            }
        }

        await book.Save(cancel);
        await LearnPace(lesson.GroupId, cancel);
        await whole.CommitAsync(cancel);
    });

    /// <summary>Keeps what the blocks of a lesson took that was held before that was kept; nothing else of it is touched.</summary>
    public async Task KeepTimes(Guid id, CancellationToken cancel)
    {
        if (await book.Find(id, cancel) is { } lesson)
        {
            var told = await events.Of(id, cancel);
            var times = told.Count == 0
                ? null
                : TimesOf(LessonLog.Read(told.Select(EventCodes.Read).OfType<LessonEvent>()), HeldBlock.Read(lesson.HeldPlan)).Written;
            await context.Lessons.Where(l => l.Id == id && l.Times == "")
                .ExecuteUpdateAsync(set => set.SetProperty(l => l.Times, times), cancel);
            context.ChangeTracker.Clear();
        }
    }

    /// <summary>What a group's blocks took, by the constant they tell of.</summary>
    public async Task<(IReadOnlyList<TimeTaken> Walks, IReadOnlyList<TimeTaken> Talks, IReadOnlyList<TimeTaken> Gathers)> TimesOf(
        Guid group,
        CancellationToken cancel)
    {
        var times = await book.TimesOf(group, cancel);
        return ([.. times.SelectMany(t => t.Walks)
            .Select(w => new TimeTaken(w[0], w[1]))], [.. times.SelectMany(t => t.Talks)
                .Select(w => new TimeTaken(w[0], w[1]))], [.. times.SelectMany(t => t.Gathers).Select(g => new TimeTaken(g[0], g[1]))]);
    }

    private static LessonTimes TimesOf(LessonLog log, IReadOnlyList<HeldBlock> blocks)
    {
        var (walks, talks, gathers) = (new List<double[]>(), new List<double[]>(), new List<double[]>());
        foreach (var block in blocks.Where(b => b.Usual > 0))
        {
            // The pace is learned only from blocks that were done.
            if (log.BlockOf(block.Id) is not { IsSkipped: false } held || !held.WasDone(block.Seconds))
            {
                continue;
            }

            if (block.Rate is null)
            {
                (block.IsTalk ? talks : walks).Add([block.Usual, held.Seconds]);
            }
            else if (held.Repeats > 0)
            {
                gathers.Add([block.Usual, Math.Max(0, held.Seconds - held.Dancing)]);
            }
        }

        return new LessonTimes(log.Seconds, walks, gathers) { Talks = talks };
    }

    private async Task LearnPace(Guid id, CancellationToken cancel)
    {
        if (await book.Group(id, cancel) is { } group)
        {
            var (walks, talks, gathers) = await TimesOf(id, cancel);
            (group.WalkFactor, group.TalkFactor, group.GatherFactor) =
                (PaceLearning.Factor(walks), PaceLearning.Factor(talks), PaceLearning.Factor(gathers));
            await book.Save(cancel);
        }
    }
}
