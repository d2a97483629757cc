using System.Globalization;
using FondCompass.Core.Counts;
using FondCompass.Core.Lessons;
using FondCompass.Data.Records;
using FondCompass.Web.Api;

namespace FondCompass.Web.Pages.Dances;

/// <summary>
/// All that a plan is reckoned from beside the dance, as it stands in the address: so that each change is an address of its own, can be
/// gone back from, and is kept with the lesson as it is.
/// </summary>
public sealed class PlanAsked
{
    /// <summary>What is said of the way of teaching and of the dances, and kept with a lesson.</summary>
    public static readonly IReadOnlyList<string> WayKeys = ["kind", "pace", "warmup", "cooldown", "order", "show", "layers", "ladder", "walls", "music", "cues", "counting", "mistakes", "progress", "variant", "recaps", "countin", "until", "also", "span", "bites", "course"];

    /// <summary>All that stands in an address, but the minutes.</summary>
    public static readonly IReadOnlyList<string> Keys = ["class", "pins", .. WayKeys];

    /// <summary>What of it a group or a course keeps: the way itself.</summary>
    private static readonly IReadOnlyList<string> HabitKeys = [.. WayChoices.Kept.Select(c => c.Key), "ladder", "countin"];

    private readonly Dictionary<string, string> _said;

    private PlanAsked(Dictionary<string, string> said) => _said = said;

    /// <param name="query">The address's own words.</param>
    /// <param name="kept">What was kept with the lesson, where the address says nothing of the way.</param>
    public static PlanAsked Of(IQueryCollection query, string? kept)
    {
        var said = query.Where(q => q.Key == "minutes" || Keys.Contains(q.Key)).ToDictionary(q => q.Key, q => q.Value.ToString());
        if (kept is { Length: > 0 } && !query.ContainsKey("order"))
        {
            foreach (var (key, value) in Microsoft.AspNetCore.WebUtilities.QueryHelpers.ParseQuery(kept).Where(k => WayKeys.Contains(k.Key) || k.Key == "pins"))
            {
                said.TryAdd(key, value.ToString());
            }
        }

        return new PlanAsked(said);
    }

    /// <summary>A way as it is kept.</summary>
    public static PlanAsked Of(string way) => Of(QueryCollection.Empty, way);

    /// <summary>What is kept with a lesson.</summary>
    public static PlanAsked Of(LessonRecord lesson) => Of(KeptOf(lesson));

    /// <summary>The way and the changes that are kept with a lesson, as an address has them.</summary>
    public static string KeptOf(LessonRecord lesson) => $"{lesson.Way}{(lesson.Pins.Length > 0 ? $"&pins={Uri.EscapeDataString(lesson.Pins)}" : "")}";

    public string this[string key] => _said.GetValueOrDefault(key, "");

    public string? Minutes => _said.GetValueOrDefault("minutes");

    /// <summary>The way alone, as it is kept with a lesson.</summary>
    public string Way => QueryString.Create(WayKeys.Where(k => this[k].Length > 0).Select(k => KeyValuePair.Create<string, string?>(k, this[k]))).ToString().TrimStart('?');

    public string PinsText => this["pins"];

    public PlanAsked With(string key, string value) => new(new Dictionary<string, string>(_said) { [key] = value });

    /// <summary>The way of a proposal, laid over this.</summary>
    public PlanAsked With(TeachingWay way) => With("pace", way.Pace is { } pace ? WayWords.Of(WayWords.Paces, pace) : "").With("order", WayWords.Of(WayWords.Orders, way.Order)).With("show", way.Demonstration ? "yes" : "no").With("layers", WayWords.Of(WayWords.LayerSchools, way.Layers))
        .With("ladder", LadderText(way.Ladder)).With("walls", WayWords.Of(WayWords.WallSchools, way.Walls)).With("music", WayWords.Of(WayWords.MusicSchools, way.Music))
        .With("cues", WayWords.Of(WayWords.CueSchools, way.Cues)).With("counting", way.Counting is { } style ? WayWords.Of(WayWords.CountStyles, style) : "").With("mistakes", WayWords.Of(WayWords.MistakeSchools, way.Mistakes)).With("progress", way.RunIsGift ? "" : WayWords.Of(WayWords.ProgressSchools, way.Progress)).With("countin", $"{way.CountIn}").With("until", $"{way.Until}");

    /// <summary>A way without what is of one lesson only.</summary>
    public static PlanAsked HabitOf(LessonKind kind, TeachingWay way) => Of("").With(way with { Until = null }).With("kind", WayWords.Of(WayWords.Kinds, kind));

    /// <summary>The kind of lesson asked for; null for what is usual.</summary>
    public LessonKind? Kind => Word("kind", WayWords.Kinds);

    /// <summary>Letters of a list of moves that is led, at the most.</summary>
    public const int LongestMoves = 300;

    /// <summary>Moves of a warm-up, or of a cool-down, that is led; none where the leader does it freely.</summary>
    public IReadOnlyList<string> MovesOf(string key) => this[key].Length <= LongestMoves ? TaughtClass.Names(this[key]) : [];

    /// <summary>The way itself, as a form of it asks.</summary>
    public Dictionary<string, string?> Habits => HabitKeys.ToDictionary(k => k, string? (k) => this[k]);

    /// <summary>With the way as a form of it says; what the form does not ask stays.</summary>
    public PlanAsked WithHabits(IReadOnlyDictionary<string, string?> said) => HabitKeys.Where(said.ContainsKey)
        .Aggregate(this, (asked, key) => asked.With(key, (said[key] ?? "").Replace("\0", "", StringComparison.Ordinal).Trim()));

    /// <summary>The page at which this is planned. That the order is said, if only as suggested, tells it from a page that shows what was kept.</summary>
    public string Address(Guid dance) => $"/dances/{dance}/plan{QueryString.Create(_said.Where(s => s.Value.Length > 0 || s.Key == "order").Select(s => KeyValuePair.Create<string, string?>(s.Key, s.Value)))}";

    /// <summary>Rungs as they are written; "none" where there are none.</summary>
    public static string LadderText(IReadOnlyList<Rate> ladder) => ladder.Count == 0 ? "none" : string.Join(' ', ladder.Select(r => r.Percent.ToString("0.##", CultureInfo.InvariantCulture)));

    /// <summary>The way asked for; what is not said, or cannot be read, is as suggested.</summary>
    public TeachingWay Over(TeachingWay suggested) => suggested with
    {
        Pace = Word("pace", WayWords.Paces) ?? suggested.Pace,
        RunIsGift = suggested.RunIsGift && Word("progress", WayWords.ProgressSchools) is null,
        Order = Word("order", WayWords.Orders) ?? suggested.Order,
        Demonstration = this["show"] switch { "yes" => true, "no" => false, _ => suggested.Demonstration },
        Layers = Word("layers", WayWords.LayerSchools) ?? suggested.Layers,
        Ladder = LadderOf(this["ladder"]) ?? suggested.Ladder,
        Walls = Word("walls", WayWords.WallSchools) ?? suggested.Walls,
        Music = Word("music", WayWords.MusicSchools) ?? suggested.Music,
        Cues = Word("cues", WayWords.CueSchools) ?? suggested.Cues,
        Counting = Word("counting", WayWords.CountStyles) ?? suggested.Counting,
        Mistakes = Word("mistakes", WayWords.MistakeSchools) ?? suggested.Mistakes,
        Progress = Word("progress", WayWords.ProgressSchools) ?? suggested.Progress,
        CountIn = Whole("countin", 64) ?? suggested.CountIn,
        Until = Whole("until", 100_000) is > 0 and var until ? until : suggested.Until,
    };

    /// <summary>What cannot be read of it, in words; empty when all can.</summary>
    public string Problem => this["ladder"].Length > 0 && LadderOf(this["ladder"]) is null
        ? $"'{this["ladder"]}' is no tempo ladder: write rungs from {Rate.Slowest:0} to {Rate.Fastest:0} percent, such as 60 75 90 100, or none. Until then the suggested one is used."
        : this["countin"].Length > 0 && Whole("countin", 64) is null ? $"'{this["countin"]}' is no count-in: write counts from 0 to 64. Until then the dance's own is used."
        : this["warmup"].Length > LongestMoves || this["cooldown"].Length > LongestMoves ? $"A list of moves to be led has at most {LongestMoves} letters; until then it is left out."
        : PinsText.Count(c => c == ';') >= ChangesText.Most ? $"More than {ChangesText.Most} changes were made by hand; the first {ChangesText.Most} are kept. Let some go." : "";

    private T? Word<T>(string key, IReadOnlyDictionary<string, T> words)
        where T : struct => words.TryGetValue(this[key], out var value) ? value : null;

    private int? Whole(string key, int most) => int.TryParse(this[key], NumberStyles.None, CultureInfo.InvariantCulture, out var value) && value <= most ? value : null;

    private static List<Rate>? LadderOf(string text)
    {
        if (text.Trim().Equals("none", StringComparison.OrdinalIgnoreCase))
        {
            return [];
        }

        var rungs = new List<Rate>();
        foreach (var word in text.Split([' ', ',', ';', '%'], StringSplitOptions.RemoveEmptyEntries))
        {
            if (!double.TryParse(word, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var percent) || !Rate.IsValid(percent) || rungs.Count == 12)
            {
                return null;
            }

            rungs.Add(new Rate(percent));
        }

        return rungs.Count == 0 ? null : [.. rungs.Distinct().OrderBy(r => r.Percent)];
    }

    /// <summary>What the instructor changed of the blocks by hand.</summary>
    public BlockChanges Changes => ChangesText.Read(PinsText);

    /// <summary>With a block settled to seconds or repeats; or, with neither, let go.</summary>
    public PlanAsked Settled(string block, double? seconds, int? repeats) => With("pins", ChangesText.Settled(PinsText, block, seconds, repeats));

    /// <summary>Dances that are taught beside the page's own, in their order.</summary>
    public IReadOnlyList<Guid> Also => [.. this["also"].Split(',').Select(t => Guid.TryParse(t, out var id) ? id : Guid.Empty).Where(id => id != Guid.Empty).Distinct().Take(LessonDance.MostAtOnce)];

    public PlanAsked WithAlso(IEnumerable<Guid> dances) => With("also", string.Join(',', dances));

    /// <summary>Which bites of a dance are new in this lesson: those that earlier lessons taught are before, those of later ones behind; "0.2-4,1.0-3", dances from 0.</summary>
    public (int From, int? Until) SpanOf(int dance)
    {
        foreach (var span in this["span"].Split(','))
        {
            if (span.Split('.', '-') is [var which, var from, var until] && int.TryParse(which, NumberStyles.None, CultureInfo.InvariantCulture, out var index) && index == dance
                && int.TryParse(from, NumberStyles.None, CultureInfo.InvariantCulture, out var first))
            {
                return (first, int.TryParse(until, NumberStyles.None, CultureInfo.InvariantCulture, out var last) ? last : null);
            }
        }

        return (0, null);
    }

    /// <summary>What the instructor joined and split of a dance's lines; dances from 0.</summary>
    public string CutsOf(int dance) => this["bites"].Split('|').ElementAtOrDefault(dance) ?? "";

    public PlanAsked WithCuts(int dance, string cuts)
    {
        var all = this["bites"].Split('|').ToList();
        while (all.Count <= dance)
        {
            all.Add("");
        }

        all[dance] = cuts;
        return With("bites", string.Join('|', all).TrimEnd('|'));
    }

    /// <summary>The week of a course that this lesson is: "id.week"; null for a lesson by itself.</summary>
    public (Guid Course, int Week)? Week => this["course"].Split('.') is [var id, var week] && Guid.TryParse(id, out var course) && int.TryParse(week, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? (course, number) : null;
}
