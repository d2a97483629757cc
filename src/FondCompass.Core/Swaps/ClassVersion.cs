using FondCompass.Core.Actions;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Swaps;

/// <summary>Where a version is danced otherwise than the dance is written.</summary>
/// <param name="From">First count of the line, from 1, with <paramref name="To"/> the last.</param>
public sealed record VersionPlace(string Part, int Line, int From, int To, string Written, string Danced)
{
    public override string ToString() => SwapTexts.InPlaceOf(Part, Line, From, To, Danced, Written);
}

/// <summary>
/// The version chosen for a class and one lesson (calls, section 4): variants of the dance danced throughout, and what is on top of the
/// feet left out.
/// Board, calls, class window, plan and floor show what it leaves.
/// </summary>
public static class ClassVersion
{
    /// <summary>Without anything on top of the feet.</summary>
    public const string FeetOnly = "feet only";

    /// <summary>Parts two names of a version: "no turn, no arms".</summary>
    private const char Parting = ',';

    /// <summary>
    /// All that can be chosen of a dance: its own variants, "no arms" and the like where it has them, and the feet alone.
    /// </summary>
    public static IReadOnlyList<string> Choices(DanceActions dance)
    {
        var own = Versions.All(dance).Select(l => l.ToString()).ToList();
        var kinds = KindsOf(dance).Select(k => $"no {Word(k)}").Where(w => !own.Contains(w, StringComparer.OrdinalIgnoreCase)).ToList();
        return [.. own, .. kinds, .. kinds.Count > 1 ? (string[])[FeetOnly] : []];
    }

    /// <summary>The dance in a version; itself where nothing is chosen that it has.</summary>
    /// <param name="version">One of <see cref="Choices"/>, or several with commas between.</param>
    public static DanceActions In(DanceActions dance, string version)
    {
        foreach (var name in version.Split(Parting, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            if (Versions.Find(dance, name) is { } label)
            {
                dance = dance.With(label);
                dance = dance with
                {
                    Parts = [.. dance.Parts.Select(p => p with { Variants = [.. p.Variants.Where(v => v.Label != label)] })]
                };
            }
            else if (KindsOf(dance)
                .Where(k => name == FeetOnly || string.Equals(name, $"no {Word(k)}", StringComparison.OrdinalIgnoreCase))
                .ToList() is { Count: > 0 } left)
            {
                dance = dance with { Parts = [.. dance.Parts.Select(p => Without(p, left))] };
            }
        }

        return dance;
    }

    /// <summary>
    /// Where a version is danced otherwise, in the order of the dance; what is only left out on top of the feet is no place.
    /// </summary>
    public static IReadOnlyList<VersionPlace> Places(DanceTrace written, string version)
    {
        var labels = version.Split(Parting, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Select(n => Versions.Find(written.Actions, n))
            .OfType<VariantLabel>()
            .ToList();
        var places = new List<VersionPlace>();
        foreach (var part in written.Parts)
        {
            foreach (var variant in part.Part.Variants.Where(v => labels.Contains(v.Label)))
            {
                var line = part.Part.Lines[variant.Line - 1];
                var own = part.Actions.Where(a => a.At >= variant.From && a.At < variant.To)
                    .GroupBy(a => a.Action.Call)
                    .Select(c => StepWording.Word([.. c]).ToString());
                places.Add(new VersionPlace(
                    part.Part.Name,
                    variant.Line,
                    ((variant.From - line.Start).Value / Tick.PerCount) + 1,
                    (variant.To - line.Start).Value / Tick.PerCount,
                    string.Join(", ", own), PartWording.WordsOf(SpanTrace.Trace(written.Dance.Header, part, variant))));
            }
        }

        return places;
    }

    private static string Word(LayerKind kind) => kind.ToString().ToLowerInvariant();

    private static List<LayerKind> KindsOf(DanceActions dance) =>
        [.. dance.Parts.SelectMany(p => p.Layers).Select(l => WordedLayer.Read(l.Text).Kind).Distinct().Order()];

    private static PartActions Without(PartActions part, List<LayerKind> left)
    {
        bool IsLeft(string text) => left.Contains(WordedLayer.Read(text).Kind);
        return part with
        {
            Layers = [.. part.Layers.Where(l => !IsLeft(l.Text))],
            Moments = [.. part.Moments.Select(m => m is DanceAction { Layers.Count: > 0 } action
                ? action with { Layers = [.. action.Layers.Where(l => !IsLeft(l))] }
                : m)],
        };
    }
}
