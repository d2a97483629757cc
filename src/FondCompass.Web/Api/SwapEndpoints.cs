using System.Globalization;
using FondCompass.Core;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;

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
        app.MapJson<SwapsBody, ChoicesJson>("/api/swaps", ApiTexts.AScriptAndASpan, Swaps);
        app.MapJson<CompleteBody, ChoicesJson>("/api/complete", ApiTexts.WhatIsFilled, Complete);
    }

    private static ChoicesJson Swaps(ApiBody body, CancellationToken cancel)
    {
        var analysis = Analysis.WhileWaited(body.Script(), null, cancel);
        var name = body.Text("part") ?? throw RefusedException.Missing(ApiTexts.PartWithItsName);
        var part = analysis.Trace.Written(name)
            ?? throw RefusedException.Impossible(
                ApiTexts.NoSuchPartSent(name, string.Join(", ", analysis.Trace.Parts.Select(p => p.Part.Name))));
        var line = body.Whole("line") ?? throw RefusedException.Missing(ApiTexts.LineAsNumber);
        if (line < 1 || line > part.Part.Lines.Count)
        {
            throw RefusedException.Impossible(ApiTexts.NoSuchLineSent(part.Part.Name, part.Part.Lines.Count, line));
        }

        var counts = part.Part.Lines[line - 1].Counts;
        var (from, to) = (Count(body, "from", counts), Count(body, "to", counts));
        if (to < from)
        {
            throw RefusedException.Impossible(ApiTexts.SpanEndsBeforeItBegins(from, to));
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
        var known = aim == SwapAim.Known ? ApiTexts.TheyKnowIt : Sentence.None;
        var hard = swap.Difference < -0.05 ? ApiTexts.EasierBy(-swap.Difference)
            : swap.Difference > 0.05 ? ApiTexts.HarderBy(swap.Difference)
            : ApiTexts.AsHard;
        var turns = swap.Turning > 0 ? ApiTexts.TurnsInAll(Eighths.AmountText(swap.Turning)) : ApiTexts.NoTurnAtAll;
        var leaves = swap.HighImpact ? ApiTexts.LeavesTheFloorToo : Sentence.None;
        var ends = swap.Metres < 0.05 ? ApiTexts.AtTheSamePlaceToo : ApiTexts.MetresAway(swap.Metres);
        return ApiTexts.SwapWhy(known, hard, turns, leaves, ends, swap.IsOwn ? Sentence.None : ApiTexts.NotOfThisGenre);
    }

    private static ChoicesJson Complete(ApiBody body, CancellationToken cancel)
    {
        var weight = body.Word("startWeight", Feet) ?? throw RefusedException.Missing(ApiTexts.StartWeightAsFoot);
        var facing = Facing.Front;
        if (body.Text("startFacing") is { } said && !Facing.TryParse(said, out facing))
        {
            throw RefusedException.Impossible(ApiTexts.StartFacingSent(said));
        }

        var counts = body.Whole("counts", 1, LineCompletion.MostCounts) ?? throw RefusedException.Missing(ApiTexts.CountsAsNumber);
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
        var label = body.Text(field) ?? throw RefusedException.Missing(ApiTexts.WithACountsLabel(field));
        return int.TryParse(label.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var count) && count >= 1 && count <= counts
            ? count
            : throw RefusedException.Impossible(ApiTexts.SpanOfWholeCounts(field, label, counts));
    }
}

internal sealed record ChoicesJson(IEnumerable<ChoiceJson> Choices);

internal sealed record ChoiceJson(string Words, string Script, double Difficulty, double Difference, string Why);
