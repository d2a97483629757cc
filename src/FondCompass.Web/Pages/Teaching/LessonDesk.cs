using FondCompass.Core.Lessons;
using FondCompass.Core.Teaching;
using FondCompass.Data;
using FondCompass.Data.Records;
using FondCompass.Web.Pages.Dances;

namespace FondCompass.Web.Pages.Teaching;

/// <summary>A lesson opened to be held: its plan, and what it is made of.</summary>
public sealed record OpenLesson(LessonRecord Record, LessonLayout Layout, LessonPlan Plan, TeachingWay Way, GroupRecord Group);

/// <summary>Opens lessons to be held, and reckons their log from what boards tell.</summary>
public sealed class LessonDesk(DanceShelf shelf, LessonBook book, TrackBook tracks, LessonEvents events)
{
    /// <summary>The lesson as it is planned; null for nobody's and anybody else's, and where its dance was deleted.</summary>
    public async Task<OpenLesson?> Open(Guid id, CancellationToken cancel)
    {
        if (await book.Find(id, cancel) is not { Group: { } group } lesson || await shelf.Find(lesson.DanceId, cancel) is not { DeletedAt: null } dance)
        {
            return null;
        }

        var lexicon = await shelf.Lexicon(cancel);
        var asked = PlanAsked.Of(lesson);
        var first = await TaughtClass.FittedOf(dance, await book.CuesFor(group.Id, dance.Id, cancel), lexicon, tracks, cancel);
        var layout = await LessonLayout.Of((dance.Id, first), asked, group, shelf, book, tracks, lesson.Id, cancel);
        return new OpenLesson(lesson, layout, layout.Plan(asked, lesson.Minutes), layout.Way(asked), group);
    }

    /// <summary>Writes what the events say into the lesson, and what they teach into its group.</summary>
    public async Task Reckon(LessonRecord lesson, CancellationToken cancel)
    {
        if (lesson.HeldPlan is null && await Open(lesson.Id, cancel) is { } open)
        {
            lesson.HeldPlan = HeldBlock.Written(open.Plan, open.Group);
        }

        var log = HallLog.Of((await events.Of(lesson.Id, cancel)).Select(EventWords.Read).OfType<LessonEvent>());
        var blocks = HeldBlock.Read(lesson.HeldPlan);
        lesson.Held |= log.Blocks.Any(b => b.IsDone || b.Repeats > 0) || log.Marks.Count > 0;
        lesson.Heads = log.Heads ?? lesson.Heads;
        // A lesson that was logged by hand keeps that, until a board tells of its blocks.
        if (log.Blocks.Count > 0)
        {
            lesson.Running = !log.IsClosed;
            var (dances, lexicon) = (await shelf.FindAll([.. lesson.Dances], cancel), await shelf.Lexicon(cancel));
            foreach (var (id, place) in lesson.Dances.Select((d, i) => (d, i)).Where(d => dances.ContainsKey(d.d)))
            {
                var lines = TaughtClass.LoggedLines(Core.Analysis.WhileWaited(dances[id].Script, lexicon, cancel)).Select(l => (l.Pattern.Part.Name, l.Line.Number)).ToList();
                var result = LessonResult.Of(blocks, place, log, lines);
                lesson.Went(new DanceHeld { DanceId = id, ReachedLine = result.Reached, RatePercent = result.Rate, WeakLines = [.. result.Weak] });
            }
        }

        await book.Save(cancel);
        await LearnPace(lesson.GroupId, cancel);
    }

    /// <summary>What a group's blocks took, by the constant they tell of.</summary>
    public async Task<(IReadOnlyList<TimeTaken> Walks, IReadOnlyList<TimeTaken> Gathers)> TimesOf(Guid group, CancellationToken cancel)
    {
        var told = await events.OfGroup(group, cancel);
        var (walks, gathers) = (new List<TimeTaken>(), new List<TimeTaken>());
        foreach (var lesson in (await book.HeldWith(group, cancel)).Where(l => told.Contains(l.Id)))
        {
            var log = HallLog.Of(told[lesson.Id].Select(EventWords.Read).OfType<LessonEvent>());
            foreach (var block in HeldBlock.Read(lesson.HeldPlan).Where(b => b.Usual > 0))
            {
                if (log.Of(block.Id) is not { IsDone: true } held)
                {
                    continue;
                }

                if (block.Rate is null)
                {
                    walks.Add(new TimeTaken(block.Usual, held.Seconds));
                }
                else if (held.Repeats > 0)
                {
                    gathers.Add(new TimeTaken(block.Usual, Math.Max(0, held.Seconds - held.Dancing)));
                }
            }
        }

        return (walks, gathers);
    }

    private async Task LearnPace(Guid id, CancellationToken cancel)
    {
        if (await book.Group(id, cancel) is { } group)
        {
            var (walks, gathers) = await TimesOf(id, cancel);
            (group.WalkFactor, group.GatherFactor) = (PaceLearning.Factor(walks), PaceLearning.Factor(gathers));
            await book.Save(cancel);
        }
    }
}
