using FondCompass.Application.Lessons;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Application.Boards;

/// <summary>What is asked of a lesson while it is held: another dance, another length, and whether it is over.</summary>
public sealed partial class LessonDesk
{
    /// <summary>
    /// A dance of the shelf, whole, as it is called up in a lesson of which it is none; null for nobody's and anybody else's, for no such
    /// lesson, and for a dance that cannot be danced from its beginning to its end.
    /// </summary>
    public async Task<CalledDance?> Dance(Guid lesson, Guid dance, CancellationToken cancel)
    {
        if (await book.Find(lesson, cancel) is not { Group: { } group } record
            || await shelf.Find(dance, cancel) is not { DeletedAt: null } found)
        {
            return null;
        }

        var lexicon = await shelf.Lexicon(cancel);
        var fitted = await TaughtClass.FittedOf(found, await book.CuesFor(group.Id, dance, cancel), lexicon, tracks, cancel);
        var way = record.Asked.Way.Over(LessonLayout.SuggestedFor(fitted, group, record.Asked.Kind).Way);
        var block = BoardBlock.Whole(dance, fitted, 0, way, lexicon);
        return block.Timeline is null ? null
            : new CalledDance(new BoardDance(dance, fitted.Title, fitted.Song is not null), block);
    }

    /// <summary>Whether a board said that it is over, and none began it anew.</summary>
    public async Task<bool> IsOver(Guid lesson, CancellationToken cancel) =>
        LessonLog.Read((await events.Of(lesson, cancel)).Select(EventCodes.Read).OfType<LessonEvent>()).IsClosed;

    /// <summary>The lesson as it is led, and with its rest planned anew; null for no such lesson. Nothing is kept.</summary>
    /// <param name="rehearsed">What a rehearsal asked of its rest before, which is kept nowhere but on its board.</param>
    public async Task<(OpenLesson Was, OpenLesson Anew)?> Rest(
        Guid id,
        RestStep step,
        IReadOnlyList<RestStep> rehearsed,
        CancellationToken cancel)
    {
        if (await Open(id, cancel) is not { } open)
        {
            return null;
        }

        LessonPlan Led(LessonPlan plan, RestStep asked) => open.Layout.Rest(open.Record.Asked, plan, asked, cancel);
        var was = open with { Plan = rehearsed.Aggregate(open.Plan, Led) };
        return (was, was with { Plan = Led(was.Plan, step) });
    }

    /// <summary>The lesson is led with another rest from now on.</summary>
    /// <param name="anew">With the rest that <paramref name="step"/> asks for.</param>
    /// <returns>False where another board planned it anew meanwhile; then nothing is kept.</returns>
    public async Task<bool> Lead(OpenLesson anew, RestStep step, CancellationToken cancel)
    {
        var (was, asked) = (anew.Record.Rest, (anew.Record.Rest ?? RestAsked.None).With(step));
        var plan = HeldBlock.Written(anew.Plan, anew.Layout.Dances, anew.Layout.UsualPace(anew.Record.Asked));
        return await context.Lessons.Where(l => l.Id == anew.Record.Id && l.Rest == was)
            .ExecuteUpdateAsync(
                set => set.SetProperty(l => l.Rest, asked)
                    .SetProperty(l => l.HeldPlan, l => l.HeldPlan == null ? null : plan)
                    .SetProperty(l => l.IsLogDue, true),
                cancel) > 0;
    }
}
