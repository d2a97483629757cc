using FondCompass.Core.Actions;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Teaching.Material;

/// <summary>What arms, hips and body do on top of the feet, as far as minutes and effort depend on it.</summary>
internal static class LayerMoves
{
    private static readonly HashSet<string> Moving =
    [
        "swing", "swings", "pump", "pumps", "circle", "circles", "roll", "rolls", "wave", "waves", "sway", "sways", "reach",
        "reaches", "push", "pushes", "pull", "pulls", "punch", "punches", "clap", "claps", "snap", "snaps",
        "rise", "rises",
        "fall", "falls", "lift", "lifts", "lower", "lowers", "sweep", "sweeps", "throw", "throws", "bump", "bumps", "shake",
        "shakes", "twist", "twists", "turn", "turns", "nod", "nods", "curl", "curls",
        "scoop", "scoops", "cross", "crosses",
        "open", "opens", "close", "closes", "follow", "follows", "shimmy", "shimmies", "isolate", "isolates", "isolation",
        "drop", "drops", "press", "presses", "flick", "flicks", "windmill",
        "alternate", "alternating", "and", "then", "to",
        "from", "slap", "slaps", "draw", "draws", "drift", "drifts", "float", "floats", "tilt", "tilts", "look", "looks",
        "figure", "whip", "whips",
    ];

    private static readonly HashSet<string> Held =
    [
        "hold", "holds", "held", "holding", "still", "stay", "stays", "folded", "relaxed", "keep", "keeps", "rest", "rests",
        "resting", "down"
    ];

    private static readonly HashSet<string> Overhead =
    [
        "overhead", "up", "high", "over", "ceiling", "sky", "rise", "rises", "raise", "raises"
    ];

    private static readonly HashSet<string> FeetSounds =
    [
        "stomp", "stomps", "stamp", "stamps", "heel", "heels", "toe", "toes", "foot", "feet", "shuffle", "shuffles", "scuff",
        "scuffs", "brush", "brushes"
    ];

    /// <summary>
    /// Whether a kind of layer moves on its own in these, so that it can be drilled with the feet still: never a held pose, never sounds of
    /// the feet.
    /// </summary>
    /// <param name="layers">Layers of one kind, in the order in which they are danced.</param>
    public static bool MoveAlone(IReadOnlyList<WordedLayer> layers)
    {
        var own = layers.Where(l => l.Kind != LayerKind.Sounds || !Words(l).Any(FeetSounds.Contains)).ToList();
        // From one place to another is a movement too, however each is told.
        return own.Exists(l => Words(l).Any(Moving.Contains) && !Words(l).Any(Held.Contains))
            || own.Select(l => l.Text).Distinct(StringComparer.OrdinalIgnoreCase).Count(t => !Words(t).Any(Held.Contains)) > 1;
    }

    /// <summary>Arms over the head.</summary>
    public static bool IsOverhead(WordedLayer layer) => layer.Kind == LayerKind.Arms && Words(layer).Any(Overhead.Contains);

    /// <summary>Knees bent deep.</summary>
    public static bool IsDeep(DanceAction action) =>
        Deep.Any(d => action.Step.Contains(d, StringComparison.Ordinal) || action.Words.Contains(d, StringComparison.OrdinalIgnoreCase));

    private static readonly string[] Deep = ["squat", "lunge", "plie", "deep"];

    private static string[] Words(WordedLayer layer) => Words(layer.Text);

    private static string[] Words(string text) =>
        text.ToLowerInvariant().Split([' ', ',', '.', '-', '/', ':', '(', ')'], StringSplitOptions.RemoveEmptyEntries);
}
