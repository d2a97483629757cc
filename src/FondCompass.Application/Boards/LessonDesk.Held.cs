using FondCompass.Application.Lessons;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Planning;
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

    /// <summary>The lesson with its rest planned anew; null for no such lesson.</summary>
    /// <param name="step">What is asked; null to look at it as it stands.</param>
    /// <param name="isKept">It is led so from now on; else it is only looked at.</param>
    public async Task<(OpenLesson Was, OpenLesson Open)?> Rest(Guid id, RestStep step, bool isKept, CancellationToken cancel)
    {
        if (await Open(id, cancel) is not { } was)
        {
            return null;
        }

        var asked = (was.Record.Rest ?? RestAsked.None).With(step);
        isKept &= asked.Steps.Count <= RestAsked.Most && (step.After.Length == 0 || was.Plan.Blocks.Any(b => b.Id == step.After));
        var open = was with { Plan = was.Layout.Rest(was.Record.Asked, was.Plan, step, cancel) };
        if (isKept)
        {
            var plan = was.Record.HeldPlan is null ? null
                : HeldBlock.Written(open.Plan, open.Layout.Dances, open.Layout.UsualPace(open.Record.Asked));
            await context.Lessons.Where(l => l.Id == id)
                .ExecuteUpdateAsync(
                    set => set.SetProperty(l => l.Rest, asked)
                        .SetProperty(l => l.HeldPlan, l => l.HeldPlan == null ? null : plan)
                        .SetProperty(l => l.IsLogDue, true),
                    cancel);
        }

        return (was, open);
    }
}
