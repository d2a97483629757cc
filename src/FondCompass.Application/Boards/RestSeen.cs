using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Application.Boards;

/// <summary>The rest of a lesson as a board asks for it.</summary>
/// <param name="After">The last block that stays as it is; empty where all is planned anew.</param>
/// <param name="Minutes">For all that comes behind it, as they were typed less what the block itself still takes.</param>
/// <param name="IsKept">The lesson is led so from now on; else it is only looked at.</param>
/// <param name="Plan">How often the rest was planned anew that the board shows: another board may have planned it since.</param>
/// <param name="Rehearsed">Of a rehearsal, what it asked of its rest before; null for nothing.</param>
public sealed record RestWish(string? After, double Minutes, bool IsKept, int Plan = 0, IReadOnlyList<RestStep>? Rehearsed = null);

/// <summary>The rest of a lesson as it would be, or is now.</summary>
/// <param name="Said">Whether it fits.</param>
/// <param name="Changes">What becomes of the blocks, a line each.</param>
/// <param name="Lesson">The lesson as it is led now; null where it was only looked at.</param>
public sealed record RestSeen(string Said, bool Fits, IReadOnlyList<string> Changes, BoardData? Lesson)
{
    /// <summary>The least and the most minutes that a rest is planned for.</summary>
    public const double Least = 0.5, Most = LessonBrief.Longest;

    /// <summary>Seconds by which a plan sticks out, and seconds that are free, from which that is said.</summary>
    private const double Hair = 0.5, Free = 60;

    /// <param name="was">The plan as it is led.</param>
    /// <param name="now">With its rest anew.</param>
    public static RestSeen Of(LessonPlan was, LessonPlan now, string after, BoardData? lesson)
    {
        var rest = now.Blocks.SkipWhile(b => after.Length > 0 && b.Id != after).Skip(after.Length > 0 ? 1 : 0).Sum(b => b.Seconds);
        var changes = PlanDifference.Between(was, now);
        var free = now.LessonSeconds - now.TotalSeconds;
        return new RestSeen(
            now.Over > Hair ? LessonPageTexts.RestSticksOut(LessonWords.Clock(now.Over))
            : free > Free ? LessonPageTexts.RestFitsAndLeaves(LessonWords.Clock(rest), LessonWords.Clock(free))
            : LessonPageTexts.RestFits(LessonWords.Clock(rest)),
            now.Over <= Hair,
            changes.Count > 0 ? changes : [LessonPageTexts.RestAsItIs],
            lesson);
    }
}
