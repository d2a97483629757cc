using FondCompass.Data;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Application.Boards;

/// <summary>Lessons as their class sees them: opened in the name of whose they are, by who has the code.</summary>
public sealed class ClassLessons(FondCompassContext context, TimeProvider time)
{
    public async Task<BoardData?> Of(Guid id, CancellationToken cancel)
    {
        if (await context.Lessons.AsNoTracking()
            .Where(l => l.Id == id)
            .Select(l => (Guid?)l.OwnerId)
            .FirstOrDefaultAsync(cancel) is not { } owner)
        {
            return null;
        }

        var desk = await LessonDesk.Open(context, owner, time, cancel);
        return await desk.Open(id, cancel) is not { } open ? null
            : BoardData.Build(id, open.Group.Name, open.Plan, open.Layout.All, open.Way, await desk.Lexicon(cancel), null).ForTheClass();
    }
}
