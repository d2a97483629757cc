using FondCompass.Data;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Application.Boards;

/// <summary>Lessons as their class sees them: opened in the name of whose they are, by who has the code.</summary>
public sealed class ClassLessons(FondCompassContext context, TimeProvider time)
{
    /// <summary>The whole lesson; null for no such lesson.</summary>
    public async Task<BoardData?> Of(Guid id, CancellationToken cancel) =>
        await DeskOf(id, cancel) is { } desk && await desk.Open(id, cancel) is { } open
            ? BoardData.Build(id, open.Group.Name, open.Plan, open.Layout.All, open.Way, open.Lexicon, null).ForTheClass() with
            {
                Plan = open.Rests
            }
            : null;

    /// <summary>A dance that is called up in it; null for none of its owner.</summary>
    public async Task<BoardBlock?> Called(Guid id, Guid dance, CancellationToken cancel) =>
        await DeskOf(id, cancel) is { } desk && await desk.Dance(id, dance, cancel) is { } called
            ? BoardData.ForTheClass(called.Block)
            : null;

    private async Task<LessonDesk?> DeskOf(Guid lesson, CancellationToken cancel) =>
        await context.Lessons.AsNoTracking()
            .Where(l => l.Id == lesson)
            .Select(l => (Guid?)l.OwnerId)
            .FirstOrDefaultAsync(cancel) is { } owner
            ? await LessonDesk.Open(context, owner, time, cancel)
            : null;
}
