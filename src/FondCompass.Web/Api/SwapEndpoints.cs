using System.Globalization;
using FondCompass.Core;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Tracing;

namespace FondCompass.Web.Api;

/// <summary>POST /api/swaps and /api/complete: what else could be danced in a span, and what could fill one.</summary>
internal static class SwapEndpoints
{
    private const int MostChoices = 200, UsualSwaps = 20, UsualFillings = 20;

    private static readonly Dictionary<string, SwapAim> Aims = new()
    {
        ["any"] = SwapAim.Any,
        ["easier"] = SwapAim.Easier,
        ["showier"] = SwapAim.Showier,
        ["no-turn"] = SwapAim.NoTurn,
        ["low-impact"] = SwapAim.LowImpact,
        ["known"] = SwapAim.Known,
    };

    private static readonly Dictionary<string, Weight> Feet = new()
    {
        ["l"] = Weight.Left,
        ["r"] = Weight.Right,
        ["left"] = Weight.Left,
        ["right"] = Weight.Right
    };

    private static readonly Dictionary<string, Genre> Genres = Enum.GetValues<Genre>().ToDictionary(g => g.ToString().ToLowerInvariant());

    public static void MapSwaps(this WebApplication app)
    {
        app.MapJson<SwapsBody, ChoicesJson>("/api/swaps", "a script and a span of it", Swaps);
        app.MapJson<CompleteBody, ChoicesJson>("/api/complete", "what is to be filled", Complete);
    }

    private static ChoicesJson Swaps(ApiBody body, CancellationToken cancel)
    {
        var analysis = Analysis.WhileWaited(body.Script(), null, cancel);
        var name = body.Text("part") ?? throw RefusedException.Missing("\"part\" with the name of a part");
        var part = analysis.Trace.Written(name)
            ?? throw RefusedException.Impossible(
                $"There is no part '{name}' in the dance; it has {string.Join(", ", analysis.Trace.Parts.Select(p => p.Part.Name))}.");
        var line = body.Whole("line") ?? throw RefusedException.Missing("\"line\" as a whole number");
        if (line < 1 || line > part.Part.Lines.Count)
        {
            throw RefusedException.Impossible($"Part {part.Part.Name} has lines 1 to {part.Part.Lines.Count}, no line {line}.");
        }

        var counts = part.Part.Lines[line - 1].Counts;
        var (from, to) = (Count(body, "from", counts), Count(body, "to", counts));
        if (to < from)
        {
            throw RefusedException.Impossible($"The span goes from count {from} to count {to}; its end is before its begin.");
        }

        var bpm = analysis.Dance.Header.Tempo?.Value ?? Bites.UsualTempo;
        var aim = body.Word("want", Aims) ?? SwapAim.Any;
        // As a plan for beginners who know these steps reckons it.
        var knows = body.Texts("knows");
        var group = new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner, knows);
        var known = knows is null ? null : group.Steps;
        var swaps = SwapSearch.Find(
            analysis.Trace,
            part,
            line,
            from,
            to,
            aim,
            bpm,
            StepLexicon.Shipped,
            known,
            body.Whole("most", 1, MostChoices) ?? UsualSwaps,
            newness: group.NoveltyIn(analysis.Dance),
            cancel: cancel);
        return new ChoicesJson(swaps.Select(s => new ChoiceJson(
            s.Words,
            string.Join('\n', s.Rows),
            s.Points,
            s.Difference,
            WhyOf(s, aim))));
    }

    private static string WhyOf(Swap swap, SwapAim aim)
    {
        var invariant = CultureInfo.InvariantCulture;
        var known = aim == SwapAim.Known ? "they know it; " : "";
        var hard = swap.Difference < -0.05 ? string.Create(invariant, $"easier by {-swap.Difference:0.0}")
            : swap.Difference > 0.05 ? string.Create(invariant, $"harder by {swap.Difference:0.0}")
            : "as hard";
        var turns = swap.Turning > 0 ? $"turns {Eighths.AmountText(swap.Turning)} in all" : "no turn";
        var leaves = swap.HighImpact ? ", leaves the floor" : "";
        var ends = swap.Metres < 0.05 ? "at the same place" : string.Create(invariant, $"{swap.Metres:0.00} m away");
        return $"{known}{hard}; {turns}{leaves}; ends {ends}{(swap.IsOwn ? "" : "; not of this genre")}";
    }

    private static ChoicesJson Complete(ApiBody body, CancellationToken cancel)
    {
        var weight = body.Word("startWeight", Feet) ?? throw RefusedException.Missing("\"startWeight\" as L or R");
        var facing = Facing.Front;
        if (body.Text("startFacing") is { } said && !Facing.TryParse(said, out facing))
        {
            throw RefusedException.Impossible($"\"startFacing\" is '{said}'; it is a facing such as 12, 1:30 or 9:00.");
        }

        var counts = body.Whole("counts", 1, LineCompletion.MostCounts) ?? throw RefusedException.Missing("\"counts\" as a whole number");
        var free = body.Word("endFree", Feet);
        var turn = body.Whole("turnEighths", -2 * Eighths.Full, 2 * Eighths.Full);
        var header = new DanceHeader { Genre = body.Word("genre", Genres) ?? Genre.Line, StartWeight = weight, StartFacing = facing };
        var gap = new Gap(counts, free switch { Weight.Left => Weight.Right, Weight.Right => Weight.Left, _ => null }, null)
        {
            Turn = turn is { } eighths ? new Eighths(eighths) : null
        };
        var bpm = body.Bpm() ?? Bites.UsualTempo;
        var found = LineCompletion.Find(
            header,
            TraceState.Start(weight, facing),
            1,
            gap,
            StepLexicon.Shipped,
            body.Whole("most", 1, MostChoices) ?? UsualFillings,
            cancel);
        return new ChoicesJson(found.Select(f =>
        {
            var points = Difficulty.PointsOf(f.Actions, counts, bpm);
            return new ChoiceJson(
                f.Words,
                string.Join('\n', f.Rows),
                points,
                points,
                f.Rows.Count == 1 ? "one step" : $"{f.Rows.Count} steps");
        }));
    }

    /// <summary>A whole count of the line, by its label.</summary>
    private static int Count(ApiBody body, string field, int counts)
    {
        var label = body.Text(field) ?? throw RefusedException.Missing($"\"{field}\" with a count's label, such as \"5\"");
        return int.TryParse(label.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var count) && count >= 1 && count <= counts
            ? count
            : throw RefusedException.Impossible($"\"{field}\" is '{label}'; a span is of whole counts, and this line has 1 to {counts}.");
    }
}

internal sealed record ChoicesJson(IEnumerable<ChoiceJson> Choices);

internal sealed record ChoiceJson(string Words, string Script, double Difficulty, double Difference, string Why);
