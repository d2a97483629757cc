using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;

namespace FondCompass.Data.Records;

/// <summary>A lesson as it is being planned: what it is asked to be, with its further dances and its group.</summary>
/// <param name="Also">Further dances that are taught in it, in their order.</param>
/// <param name="Group">Null for nobody yet.</param>
public sealed record PlanState(LessonAsked Asked, IReadOnlyList<Guid> Also, Guid? Group = null)
{
    /// <summary>Without one of the further dances, and what was asked of it; the same where it is none of them.</summary>
    public PlanState Without(Guid dance) => Also.TakeWhile(a => a != dance).Count() is var place && place < Also.Count
        ? this with { Also = [.. Also.Where(a => a != dance)], Asked = Asked.WithoutDance(place + 1) } : this;
}

/// <summary>What was asked before, the latest last, to be gone back to.</summary>
public sealed record PlanPast(IReadOnlyList<PlanState> States);

/// <summary>The blocks of a plan as it was last shown.</summary>
public sealed record PlanShown(IReadOnlyList<ShownBlock> Blocks);

/// <summary>
/// A plan in the making. Every change of it is kept at once, so that it is there in another window, on another day and on another device;
/// *Save as a lesson*
/// makes it a lesson. There is one for each dance that lessons begin with, and one for each lesson that is planned already and changed.
/// </summary>
public sealed class PlanDraft : IOwned
{
    /// <summary>Changes that can be gone back, one by one.</summary>
    public const int MostPast = 20;

    public Guid Id { get; set; }

    public Guid OwnerId { get; set; }

    /// <summary>The dance it begins with.</summary>
    public Guid DanceId { get; set; }

    /// <summary>The lesson that is changed; null while there is none.</summary>
    public Guid? LessonId { get; set; }

    /// <summary>The course of which it is a week, and which, from 1; null for a lesson by itself.</summary>
    public Guid? CourseId { get; set; }

    public int Week { get; set; }

    public PlanState State { get; set; } = new(LessonAsked.Usual, []);

    public PlanPast Past { get; set; } = new([]);

    public PlanShown Shown { get; set; } = new([]);

    /// <summary>Goes up with every change, so that a window that shows an older one is told.</summary>
    public int Number { get; set; }

    /// <summary>The page that changed it last.</summary>
    public Guid Page { get; set; }

    public DateTimeOffset ChangedAt { get; set; }
}
