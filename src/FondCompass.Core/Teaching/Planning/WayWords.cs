using System.Text.Json;
using FondCompass.Core.Calling;
using FondCompass.Core.Notation;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;

namespace FondCompass.Core.Teaching.Planning;

/// <summary>
/// The choices of a way of teaching by the words in which requests, forms and what is kept have them: lower case, a hyphen between words
/// ("last-part-first").
/// </summary>
public static class WayWords
{
    /// <summary>How a word is made of a value's name.</summary>
    public static readonly JsonNamingPolicy Naming = JsonNamingPolicy.KebabCaseLower;

    public static readonly IReadOnlyDictionary<string, TeachingOrder> Orders = All<TeachingOrder>();

    public static readonly IReadOnlyDictionary<string, LessonKind> Kinds = All<LessonKind>();

    public static readonly IReadOnlyDictionary<string, PaceName> Paces = All<PaceName>();

    public static readonly IReadOnlyDictionary<string, LayerSchool> LayerSchools = All<LayerSchool>();

    public static readonly IReadOnlyDictionary<string, WallSchool> WallSchools = All<WallSchool>();

    public static readonly IReadOnlyDictionary<string, MusicSchool> MusicSchools = All<MusicSchool>();

    public static readonly IReadOnlyDictionary<string, CueSchool> CueSchools = All<CueSchool>();

    public static readonly IReadOnlyDictionary<string, MistakeSchool> MistakeSchools = All<MistakeSchool>();

    public static readonly IReadOnlyDictionary<string, ProgressSchool> ProgressSchools = All<ProgressSchool>();

    public static readonly IReadOnlyDictionary<string, CountStyle> CountStyles = All<CountStyle>();

    public static readonly IReadOnlyDictionary<string, CallerWay> CallerWays = All<CallerWay>();

    public static readonly IReadOnlyDictionary<string, ClassLevel> Levels = All<ClassLevel>();

    /// <summary>The word of a value.</summary>
    public static string Of<T>(T value)
        where T : struct, Enum => Naming.ConvertName(value.ToString());

    /// <summary>The word of a value; empty for none.</summary>
    public static string Of<T>(T? value)
        where T : struct, Enum => value is { } said ? Of(said) : "";

    private static Dictionary<string, T> All<T>()
        where T : struct, Enum => Enum.GetValues<T>().ToDictionary(Of);
}
