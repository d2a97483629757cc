using System.Text.Json.Serialization;
using FondCompass.Core;
using FondCompass.Core.Measures;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Wording.Fits;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Api.Bodies;

namespace FondCompass.Web.Api;

/// <summary>POST /api/run: a script and a song in, the run and the best fit out; nothing is stored.</summary>
internal static class RunEndpoint
{
    public static void MapRun(this WebApplication app) =>
        app.MapPost("/api/run", (RunBody body, CancellationToken cancel) => TypedResults.Ok(Answer(body, cancel)))
            .TakesJson<RunBody, RunJson>(ApiTexts.AScriptAndASong);

    private static RunJson Answer(RunBody body, CancellationToken cancel)
    {
        var analysis = JsonEndpoints.Analysed(body.Script, cancel);
        var song = body.Song.Song();
        var start = body.Start ?? SongStart.CountOf(analysis.Trace, song);
        var run = RunUnroller.Unroll(analysis.Trace, song, start, cancel);
        // A part danced at another place has no kind here; repeats and parts left out say the same.
        var fit = PhraseFit.Solve(run, new FitConstraints(NoMoves: true), cancel);
        return RunJson.From(analysis, run, fit, PassageParts.Bind(run));
    }
}

internal sealed record RunJson(
    int TotalCounts,
    double Seconds,
    IEnumerable<FindingJson> Findings,
    IEnumerable<RepeatJson> Repeats,
    IEnumerable<EventJson> Events,
    FitJson Fit,
    EndingJson? Ending)
{
    public static RunJson From(Analysis analysis, DanceRun run, FitResult fit, IReadOnlyList<PassageBinding> bindings) => new(
        run.Song.Counts,
        Round(run.Song.Seconds),
        analysis.Findings.Concat(run.Findings).DistinctBy(f => (f.Code, f.Place.Row, f.Message)).Select(FindingJson.From),
        run.Repeats.Select(r => new RepeatJson(
            r.Index,
            r.Part,
            r.FromCount,
            r.ToCount,
            Round(r.StartSeconds),
            r.StartFacing.ToString(),
            r.EndFacing.ToString(),
            r.StartWeight.Letter(),
            r.Wall,
            r.Mirrored,
            r.Cut)),
        run.Events.Select(e => new EventJson(e.Kind.ToString().ToLowerInvariant(), e.AfterRepeat, e.Facing.ToString(), Round(e.Seconds))),
        new FitJson(
            fit.Changes.Select(c => new ChangeJson(
                c.Kind.ToString().ToLowerInvariant(), c.Repeat, analysis.Dance.IsPhrased ? c.Part : null,
                c.Kind is FitKind.Restart or FitKind.Half ? c.Counts : null,
                c.Kind is FitKind.Tag or FitKind.Wait ? c.Counts : null,
                FitWording.Say(c))),
            fit.OffBefore,
            fit.OffAfter,
            bindings.Select(b => new BindingJson(b.Passage, b.Part, b.By.ToString().ToLowerInvariant())),
            fit.Narrowed),
        run.Ending is { } ending ? new EndingJson(ending.Part, ending.Count, ending.Facing.ToString(), FitWording.Say(ending)) : null);

    private static double Round(double seconds) => Math.Round(seconds, 6);
}

internal sealed record RepeatJson(
    int Index,
    string Part,
    int FromCount,
    int ToCount,
    double StartSeconds,
    string StartFacing,
    string EndFacing,
    string StartWeight,
    int? Wall,
    bool Mirrored,
    bool Cut);

internal sealed record EventJson(string Kind, int AfterRepeat, string Facing, double Seconds);

internal sealed record ChangeJson(
    string Kind,
    int Repeat,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] string? Part,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] int? AfterCount,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] int? Counts,
    string Why);

/// <summary>Which part a passage wants: passages from 0, those from the start on; a null part is open.</summary>
/// <param name="By">said, name, order or open.</param>
internal sealed record BindingJson(int Passage, string? Part, string By);

/// <param name="Narrowed">There was too much to try: there may be a better fit. Left out where there is none.</param>
internal sealed record FitJson(
    IEnumerable<ChangeJson> Changes,
    int OffBefore,
    int OffAfter,
    IEnumerable<BindingJson> Bindings,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)] bool Narrowed);

internal sealed record EndingJson(string Part, int Count, string Facing, string? Suggestion);
