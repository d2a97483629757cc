using System.Text.Json.Serialization;
using FondCompass.Core;
using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Api.Bodies;

namespace FondCompass.Web.Api;

/// <summary>POST /api/analyse: a script in, everything computed of it out; nothing is stored.</summary>
internal static class AnalyseEndpoint
{
    public static void MapAnalyse(this WebApplication app) =>
        app.MapPost("/api/analyse", (SentText sent, CancellationToken cancel) =>
                TypedResults.Ok(AnalysisJson.From(Analysis.WhileWaited(sent.Text, null, cancel).WithTriedFixes())))
            .TakesText<AnalysisJson>(ApiTexts.ADanceScript);
}

internal sealed record AnalysisJson(
    string Title,
    int TotalCounts,
    string EndWeight,
    string EndFacing,
    int NetTurnEighths,
    int Walls,
    IEnumerable<string> WallOrder,
    bool Mirrors,
    IEnumerable<PartJson> Parts, IEnumerable<ActionJson> Actions, IEnumerable<FindingJson> Findings, IEnumerable<ReadJson> Reads)
{
    public static AnalysisJson From(Analysis analysis)
    {
        var trace = analysis.Trace;
        var walls = trace.WallOrder;
        return new AnalysisJson(
            analysis.Dance.Header.Title, trace.TotalCounts, trace.EndWeight.Letter(), trace.EndFacing.ToString(), trace.NetTurn.Value,
            walls.Count, walls.Select(w => w.ToString()), trace.Mirrors,
            trace.Parts.Select(PartJson.From),
            trace.Parts.SelectMany(p => p.Actions.Select(a => ActionJson.From(analysis, p, a))),
            analysis.Findings.Select(FindingJson.From),
            analysis.Reads.Select(ReadJson.From));
    }
}

/// <summary>How a row was read.</summary>
internal sealed record ReadJson(int Row, string Text, [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? Doubt)
{
    public static ReadJson From(RowRead read) => new(read.Row, read.Text, read.Doubt.Length > 0 ? read.Doubt : null);
}

internal sealed record PartJson(
    string Name,
    int Counts,
    string StartWeight,
    string EndWeight,
    int NetTurnEighths,
    IEnumerable<LineJson> Lines)
{
    public static PartJson From(PartTrace trace) => new(
        trace.Part.Name, trace.Part.Counts, trace.Start.Weight.Letter(), trace.End.Weight.Letter(), trace.NetTurn.Value,
        trace.Part.Lines.Zip(
            trace.Lines,
            (line, end) => new LineJson(line.Number, line.Counts, end.State.Weight.Letter(), end.State.Facing.ToString())));
}

internal sealed record LineJson(int Line, int Counts, string EndWeight, string EndFacing);

internal sealed record ActionJson(
    string Part,
    int Line,
    string Count,
    int Tick,
    string Step,
    string Verb,
    string Foot,
    bool TakesWeight,
    string WeightAfter,
    string FacingAfter,
    IReadOnlyList<string> Layers)
{
    public static ActionJson From(Analysis analysis, PartTrace part, TracedAction action) => new(
        part.Part.Name, action.Action.Line, action.Action.Beat.Label(analysis.Dance.Header.LineCounts), action.At.Value, action.Action.Step,
        action.Action.Verb.Name, action.Foot.Letter(), action.TakesWeight, action.After.Weight.Letter(), action.After.Facing.ToString(),
        action.Action.Layers);
}
