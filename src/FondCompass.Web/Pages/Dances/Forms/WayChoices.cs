using FondCompass.Core.Teaching.Plans;

namespace FondCompass.Web.Pages.Dances.Forms;

/// <summary>One question of a way of teaching, with what can be answered.</summary>
/// <param name="Key">As forms have it.</param>
/// <param name="Label">What is asked.</param>
/// <param name="Words">Each answer as forms have it, and as an instructor says it.</param>
/// <param name="Of">The answer that a way has.</param>
public sealed record WayChoice(string Key, string Label, IReadOnlyList<(string Value, string Words)> Words, Func<TeachingWay, string> Of)
{
    public string Said(TeachingWay way) => Words.First(w => w.Value == Of(way)).Words;
}

/// <summary>The questions of a way of teaching, in the same words wherever they are asked.</summary>
public static class WayChoices
{
    /// <summary>The kind of lesson; the rest follows from it.</summary>
    public static readonly WayChoice Kind = new(
        "kind", "Kind of lesson",
        [
            ("hall", "hall lesson"), ("breakdown", "breakdown of one dance"), ("fitness", "fitness class"), ("song", "one song"),
            ("party", "party set"), ("circle", "circle of moves")
        ],
        _ => "");

    public static readonly WayChoice Pace = new(
        "pace",
        "Pace",
        [
            ("", "as the kind has it"),
            ("quick", "quick, for who knows the words"),
            ("brisk", "brisk"),
            ("unhurried", "unhurried, for beginners")
        ],
        w => WayWords.Of(w.Pace));

    public static readonly WayChoice Order = new(
        "order", "Order",
        [
            ("add-on", "add on, always from the top"),
            ("pairs", "in pairs"),
            ("last-part-first", "last part first"),
            ("parts", "part by part, then the order"),
            ("follow-along", "follow along, no walk"),
            ("layer-rounds", "rounds, a layer more each"),
            ("move-by-move", "move by move, then the song"),
            ("pool", "a pool of moves, in no order")
        ],
        w => WayWords.Of(w.Order));

    public static readonly WayChoice Show = new(
        "show",
        "Show it first",
        [("yes", "yes"), ("no", "no")],
        w => w.Demonstration ? "yes" : "no");

    public static readonly WayChoice Layers = new(
        "layers",
        "Layers",
        [("feet-first", "feet first, then hips and arms"), ("all-at-once", "all at once")],
        w => WayWords.Of(w.Layers));

    public static readonly WayChoice Walls = new(
        "walls",
        "Walls",
        [("weighted", "the second gets most"), ("alike", "all alike"), ("first-only", "the first only")],
        w => WayWords.Of(w.Walls));

    public static readonly WayChoice Music = new(
        "music",
        "Music",
        [("late", "when the whole is known"), ("early", "from the first minute")],
        w => WayWords.Of(w.Music));

    public static readonly WayChoice Cues = new(
        "cues",
        "What is said",
        [("fading", "less and less, then silence"), ("steady", "keywords to the end")],
        w => WayWords.Of(w.Cues));

    public static readonly WayChoice Mistakes = new(
        "mistakes",
        "When they lose it",
        [("run-on", "rejoin at the next eight"), ("stop", "stop, and chain it back in")],
        w => WayWords.Of(w.Mistakes));

    public static readonly WayChoice Progress = new(
        "progress",
        "To the music",
        [("look-back", "a run, a look back, then runs"), ("runs-only", "runs only"), ("one-run", "one run only")],
        w => WayWords.Of(w.Progress));

    public static readonly WayChoice Counting = new(
        "counting",
        "Counted",
        [
            ("", "as the dance says"), ("up", "up, 1 to 8"), ("down", "down, 8 to 1"), ("fours", "by fours, 1 to 4"),
            ("down-fours", "down by fours, 4 to 1"), ("rhythm", "slow and quick"), ("names", "by the steps' names")
        ],
        w => WayWords.Of(w.Counting));

    public static readonly IReadOnlyList<WayChoice> All = [Pace, Order, Show, Layers, Walls, Music, Cues, Counting, Mistakes, Progress];

    /// <summary>All that is kept as a habit.</summary>
    public static readonly IReadOnlyList<WayChoice> Kept = [Kind, .. All];
}
