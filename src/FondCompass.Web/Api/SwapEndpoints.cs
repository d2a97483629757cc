using System.Globalization;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Api.Bodies;

namespace FondCompass.Web.Api;

/// <summary>POST /api/swaps and /api/complete: what else could be danced in a span, and what could fill one.</summary>
internal static class SwapEndpoints
{
    internal const int MostChoices = 200;

    private const int UsualSwaps = 20, UsualFillings = 20;

    internal static readonly IReadOnlyDictionary<string, SwapAim> Aims = new Dictionary<string, SwapAim>
    {
        ["any"] = SwapAim.Any,
        ["easier"] = SwapAim.Easier,
        ["showier"] = SwapAim.Showier,
        ["no-turn"] = SwapAim.NoTurn,
        ["low-impact"] = SwapAim.LowImpact,
        ["known"] = SwapAim.Known,
    };

    internal static readonly IReadOnlyDictionary<string, Weight> Feet = new Dictionary<string, Weight>
    {
        ["l"] = Weight.Left,
        ["r"] = Weight.Right,
        ["left"] = Weight.Left,
        ["right"] = Weight.Right
    };

    internal static readonly IReadOnlyDictionary<string, Genre> Genres =
         Enum.GetValues<Genre>().ToDictionary(g => g.ToString().ToLowerInvariant());

    public static void MapSwaps(this WebApplication app)
    {
        app.MapPost("/api/swaps", (SwapsBody body, CancellationToken cancel) => TypedResults.Ok(Swaps(body, cancel)))
            .TakesJson<SwapsBody, ChoicesJson>(ApiTexts.AScriptAndASpan);
        app.MapPost("/api/complete", (CompleteBody body, CancellationToken cancel) => TypedResults.Ok(Complete(body, cancel)))
            .TakesJson<CompleteBody, ChoicesJson>(ApiTexts.WhatIsFilled);
    }

    private static ChoicesJson Swaps(SwapsBody body, CancellationToken cancel)
    {
        var analysis = JsonEndpoints.Analysed(body.Script, cancel);
        var part = analysis.Trace.Written(body.Part)
            ?? throw RefusedException.Impossible(
                ApiTexts.NoSuchPartSent(body.Part, string.Join(", ", analysis.Trace.Parts.Select(p => p.Part.Name))));
        var line = body.Line;
        if (line < 1 || line > part.Part.Lines.Count)
        {
            throw RefusedException.Impossible(ApiTexts.NoSuchLineSent(part.Part.Name, part.Part.Lines.Count, line));
        }

        var counts = part.Part.Lines[line - 1].Counts;
        var (from, to) = (Count("from", body.From, counts), Count("to", body.To, counts));
        if (to < from)
        {
            throw RefusedException.Impossible(ApiTexts.SpanEndsBeforeItBegins(from, to));
        }

        var bpm = analysis.Dance.Header.Tempo?.Value ?? Bites.UsualTempo;
        var aim = Aims.Meant(body.Want) ?? SwapAim.Any;
        // As a plan for beginners who know these steps reckons it.
        var knows = body.Knows;
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
            body.Most ?? UsualSwaps,
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

    private static ChoicesJson Complete(CompleteBody body, CancellationToken cancel)
    {
        var weight = Feet.Meant(body.StartWeight) ?? Weight.Left;
        var facing = Facing.Front;
        if (body.StartFacing is { } said && !Facing.TryParse(said, out facing))
        {
            throw RefusedException.Impossible(ApiTexts.StartFacingSent(said));
        }

        var counts = body.Counts;
        var free = Feet.Meant(body.EndFree);
        var header = new DanceHeader { Genre = Genres.Meant(body.Genre) ?? Genre.Line, StartWeight = weight, StartFacing = facing };
        var gap = new Gap(counts, free switch { Weight.Left => Weight.Right, Weight.Right => Weight.Left, _ => null }, null)
        {
            Turn = body.TurnEighths is { } eighths ? new Eighths(eighths) : null
        };
        var bpm = body.Bpm ?? Bites.UsualTempo;
        var found = LineCompletion.Find(
            header,
            TraceState.Start(weight, facing),
            1,
            gap,
            StepLexicon.Shipped,
            body.Most ?? UsualFillings,
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
    private static int Count(string field, string label, int counts) =>
        int.TryParse(label.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var count) && count >= 1 && count <= counts
            ? count
            : throw RefusedException.Impossible(ApiTexts.SpanOfWholeCounts(field, label, counts));
}

internal sealed record ChoicesJson(IEnumerable<ChoiceJson> Choices);

internal sealed record ChoiceJson(string Words, string Script, double Difficulty, double Difference, string Why);
