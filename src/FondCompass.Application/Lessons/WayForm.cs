using System.Globalization;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Application.Lessons;

/// <summary>A way of teaching as forms ask for it, field by field in text: of a plan, of a group and of a course.</summary>
public static class WayForm
{
    public const string Kind = "kind", Ladder = "ladder", CountIn = "countin", Show = "show";

    private const string NoRungs = "none", Yes = "yes", No = "no";

    /// <summary>The fields' values for a way; empty where it is as suggested.</summary>
    public static Dictionary<string, string?> FieldsOf(TeachingHabit habit)
    {
        var way = habit.Way;
        return new Dictionary<string, string?>
        {
            [Kind] = WayWords.Of(habit.Kind),
            ["pace"] = WayWords.Of(way.Pace),
            ["order"] = WayWords.Of(way.Order),
            [Show] = way.Demonstration switch { true => Yes, false => No, _ => "" },
            ["layers"] = WayWords.Of(way.Layers),
            ["walls"] = WayWords.Of(way.Walls),
            ["music"] = WayWords.Of(way.Music),
            ["cues"] = WayWords.Of(way.Cues),
            ["counting"] = WayWords.Of(way.Counting),
            ["mistakes"] = WayWords.Of(way.Mistakes),
            ["progress"] = WayWords.Of(way.Progress),
            [Ladder] = way.Ladder is { } ladder ? LadderText(ladder) : "",
            [CountIn] = way.CountIn?.ToString(CultureInfo.InvariantCulture) ?? "",
        };
    }

    /// <summary>Rungs as they are written; "none" where there are none.</summary>
    public static string LadderText(IReadOnlyList<Rate> ladder) =>
        ladder.Count == 0 ? NoRungs : string.Join(' ', ladder.Select(r => r.Percent.ToString("0.##", CultureInfo.InvariantCulture)));

    /// <summary>
    /// The way that a form says. A field that it does not have, or that cannot be read, stays as it was; of the latter the first is told.
    /// </summary>
    /// <param name="field">A field's text; null for one that the form does not have.</param>
    public static (TeachingHabit Habit, string Problem) Read(Func<string, string?> field, TeachingHabit before)
    {
        var (way, problem) = (before.Way, "");
        T? Word<T>(string key, IReadOnlyDictionary<string, T> words, T? was)
            where T : struct
        {
            if (field(key)?.Trim() is not { } said)
            {
                return was;
            }

            if (said.Length == 0)
            {
                return null;
            }

            if (words.TryGetValue(said, out var value))
            {
                return value;
            }

            problem = problem.Length > 0
                ? problem
                : DeskTexts.NoneOfTheChoices(said, key, string.Join(", ", words.Keys));
            return was;
        }

        var kind = Word(Kind, WayWords.Kinds, before.Kind);
        way = way with
        {
            Pace = Word("pace", WayWords.Paces, way.Pace),
            Order = Word("order", WayWords.Orders, way.Order),
            Demonstration = field(Show) switch { null => way.Demonstration, Yes => true, No => false, _ => null },
            Layers = Word("layers", WayWords.LayerSchools, way.Layers),
            Walls = Word("walls", WayWords.WallSchools, way.Walls),
            Music = Word("music", WayWords.MusicSchools, way.Music),
            Cues = Word("cues", WayWords.CueSchools, way.Cues),
            Counting = Word("counting", WayWords.CountStyles, way.Counting),
            Mistakes = Word("mistakes", WayWords.MistakeSchools, way.Mistakes),
            Progress = Word("progress", WayWords.ProgressSchools, way.Progress),
        };
        var (ladder, noLadder) = LadderAsked(field(Ladder)?.Trim(), way.Ladder);
        var (countIn, noCountIn) = CountInAsked(field(CountIn)?.Trim(), way.CountIn);
        way = way with { Ladder = ladder, CountIn = countIn };
        problem = new[] { problem, noLadder, noCountIn }.FirstOrDefault(p => p.Length > 0) ?? "";
        return (new TeachingHabit(way, kind), problem);
    }

    /// <summary>The rungs as they were typed; none for an emptied field, those before with the reason for what is no ladder.</summary>
    private static (IReadOnlyList<Rate>? Ladder, string Problem) LadderAsked(string? rungs, IReadOnlyList<Rate>? before) => rungs switch
    {
        null => (before, ""),
        "" => (null, ""),
        _ when LadderOf(rungs) is { } ladder => (ladder, ""),
        _ => (before, DeskTexts.NoLadder(rungs, WayAsked.MostRungs, Rate.Slowest, Rate.Fastest)),
    };

    /// <summary>The same of the counts of a count-in.</summary>
    private static (int? Counts, string Problem) CountInAsked(string? counts, int? before) => counts switch
    {
        null => (before, ""),
        "" => (null, ""),
        _ when int.TryParse(counts, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            && number <= WayAsked.LongestCountIn => (number, ""),
        _ => (before, DeskTexts.NoCountIn(counts, WayAsked.LongestCountIn)),
    };

    private static List<Rate>? LadderOf(string text)
    {
        if (text.Equals(NoRungs, StringComparison.OrdinalIgnoreCase))
        {
            return [];
        }

        var rungs = new List<Rate>();
        foreach (var word in text.Split([' ', ',', ';', '%'], StringSplitOptions.RemoveEmptyEntries))
        {
            if (!double.TryParse(word, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var percent)
                || !Rate.IsValid(percent)
                || rungs.Count == WayAsked.MostRungs)
            {
                return null;
            }

            rungs.Add(new Rate(percent));
        }

        return rungs.Count == 0 ? null : [.. rungs.Distinct().OrderBy(r => r.Percent)];
    }
}
