using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Blocks;

/// <summary>
/// Warm-up and cool-down of a lesson (rules, section 7): by the effort between, or as a share of its minutes; none where the kind or the
/// instructor says none, and in a plan that is itself one of them, or a party set.
/// </summary>
internal static class LessonFrame
{
    /// <param name="peak">The greatest effort of any block between, 0 to 5.</param>
    /// <returns>One block each, or none.</returns>
    public static (List<BlockDraft> WarmUp, List<BlockDraft> CoolDown) Build(LessonBrief brief, double peak)
    {
        if (brief.Rules.Frame == FrameRule.None || (brief.Dances.Count > 0 && brief.Dances.All(d => d.Use != DanceUse.Taught)))
        {
            return ([], []);
        }

        var isScaled = brief.Rules.Frame == FrameRule.Scaled;
        return (
            Block(
                brief,
                peak,
                brief.Pace.WarmUpMinutes,
                isWarmUp: true,
                "warm-up",
                isScaled ? BlockTexts.WarmUpSlowMoves : BlockTexts.FloorShoesWarmUp,
                brief.WarmUpMoves),
            Block(brief, peak, brief.Pace.CoolDownMinutes, isWarmUp: false, "cool-down", BlockTexts.CoolDown, brief.CoolDownMoves));
    }

    private static List<BlockDraft> Block(
        LessonBrief brief,
        double peak,
        double? own,
        bool isWarmUp,
        string id,
        string title,
        IReadOnlyList<string> moves)
    {
        var isScaled = brief.Rules.Frame == FrameRule.Scaled;
        var seconds = Math.Round(isScaled ? TeachingTime.ScaledFrame(own, brief.Minutes, isWarmUp) : TeachingTime.Frame(own, peak), 3);
        if (seconds <= 0)
        {
            return [];
        }

        var reckoned = own * 60 >= seconds ? BlockTexts.AsTheGroupHasIt
            : isScaled
                ? BlockTexts.ShareOfTheLesson(
                    brief.Minutes,
                    isWarmUp ? BlockTexts.WarmUpShare : BlockTexts.CoolDownShare,
                    TeachingTime.MostFrame)
            : BlockTexts.ForGreatestEffort(peak);
        return
        [
            SingleDraft.Fixed(
                new LessonBlock
                {
                    Id = id,
                    Kind = isWarmUp ? BlockKind.WarmUp : BlockKind.CoolDown,
                    Title = title,
                    Why = BlockTexts.FrameNeverGives(seconds / 60, reckoned),
                    Moves = moves,
                    Say = moves,
                },
                seconds),
        ];
    }
}
