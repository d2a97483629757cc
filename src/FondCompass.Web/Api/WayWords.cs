using FondCompass.Core.Calling;
using FondCompass.Core.Lessons;
using FondCompass.Core.Notation;

namespace FondCompass.Web.Api;

/// <summary>The words by which ways of teaching are told from outside and in addresses.</summary>
internal static class WayWords
{
    public static readonly IReadOnlyDictionary<string, TeachingOrder> Orders = new Dictionary<string, TeachingOrder>
    {
        ["add-on"] = TeachingOrder.AddOn,
        ["pairs"] = TeachingOrder.Pairs,
        ["last-part-first"] = TeachingOrder.LastPartFirst,
        ["parts"] = TeachingOrder.Parts,
        ["follow-along"] = TeachingOrder.FollowAlong,
        ["layer-rounds"] = TeachingOrder.LayerRounds,
        ["move-by-move"] = TeachingOrder.MoveByMove,
        ["pool"] = TeachingOrder.Pool,
    };

    public static readonly IReadOnlyDictionary<string, LessonKind> Kinds = new Dictionary<string, LessonKind>
    {
        ["hall"] = LessonKind.Hall,
        ["breakdown"] = LessonKind.Breakdown,
        ["fitness"] = LessonKind.Fitness,
        ["song"] = LessonKind.Song,
        ["party"] = LessonKind.Party,
        ["circle"] = LessonKind.Circle,
    };

    public static readonly IReadOnlyDictionary<string, PaceName> Paces = new Dictionary<string, PaceName> { ["quick"] = PaceName.Quick, ["brisk"] = PaceName.Brisk, ["unhurried"] = PaceName.Unhurried };

    public static readonly IReadOnlyDictionary<string, LayerSchool> LayerSchools = new Dictionary<string, LayerSchool> { ["feet-first"] = LayerSchool.FeetFirst, ["all-at-once"] = LayerSchool.AllAtOnce };

    public static readonly IReadOnlyDictionary<string, WallSchool> WallSchools = new Dictionary<string, WallSchool>
    {
        ["weighted"] = WallSchool.Weighted,
        ["alike"] = WallSchool.Alike,
        ["first-only"] = WallSchool.FirstOnly,
    };

    public static readonly IReadOnlyDictionary<string, MusicSchool> MusicSchools = new Dictionary<string, MusicSchool> { ["late"] = MusicSchool.Late, ["early"] = MusicSchool.Early };

    public static readonly IReadOnlyDictionary<string, CueSchool> CueSchools = new Dictionary<string, CueSchool> { ["fading"] = CueSchool.Fading, ["steady"] = CueSchool.Steady };

    public static readonly IReadOnlyDictionary<string, MistakeSchool> MistakeSchools = new Dictionary<string, MistakeSchool> { ["run-on"] = MistakeSchool.RunOn, ["stop"] = MistakeSchool.Stop };

    public static readonly IReadOnlyDictionary<string, ProgressSchool> ProgressSchools = new Dictionary<string, ProgressSchool>
    {
        ["look-back"] = ProgressSchool.LookBack,
        ["runs-only"] = ProgressSchool.RunsOnly,
        ["one-run"] = ProgressSchool.OneRun,
    };

    public static readonly IReadOnlyDictionary<string, CountStyle> CountStyles = new Dictionary<string, CountStyle> { ["up"] = CountStyle.Up, ["down"] = CountStyle.Down, ["names"] = CountStyle.Names, ["fours"] = CountStyle.Fours, ["down-fours"] = CountStyle.DownFours, ["rhythm"] = CountStyle.Rhythm };

    public static readonly IReadOnlyDictionary<string, CallerWay> CallerWays = new Dictionary<string, CallerWay> { ["names"] = CallerWay.Names, ["beat"] = CallerWay.Beat, ["fading"] = CallerWay.Fading, ["feet"] = CallerWay.Feet };

    public static readonly IReadOnlyDictionary<string, ClassLevel> Levels = new Dictionary<string, ClassLevel>
    {
        ["beginner"] = ClassLevel.Beginner,
        ["improver"] = ClassLevel.Improver,
        ["regular"] = ClassLevel.Regular,
        ["mixed"] = ClassLevel.Mixed,
    };

    /// <summary>The word of a value.</summary>
    public static string Of<T>(IReadOnlyDictionary<string, T> words, T value) => words.First(w => Equals(w.Value, value)).Key;
}
