using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Api.Bodies;

namespace FondCompass.Web.Api;

/// <summary>POST /api/cues: a script, a song and a rate in; what is said when out.</summary>
internal static class CuesEndpoint
{
    internal const int MostRepeats = 1000;

    public static void MapCues(this WebApplication app) =>
        app.MapPost("/api/cues", (CuesBody body, CancellationToken cancel) =>
                TypedResults.Ok(CuesJson.From(Read(body, cancel))))
            .TakesJson<CuesBody, CuesJson>(ApiTexts.ADanceScript);

    private static IReadOnlyList<SheetCue> Read(CuesBody body, CancellationToken cancel)
    {
        var analysis = JsonEndpoints.Analysed(body.Script, cancel);
        var given = body.Song?.Song();
        // A song is called to its end, an order once, and of a loop two rounds.
        var repeats = body.Repeats ?? (analysis.Dance.IsPhrased || given is not null ? MostRepeats : 2);
        var rate = new Rate(body.RatePercent ?? 100);
        var lead = body.Lead ?? Speech.DefaultLead;
        var settings = new CallSettings(rate, lead, repeats)
        {
            Way = WayWords.CallerWays.Meant(body.Way) ?? CallerWay.Names,
            Counting = WayWords.CountStyles.Meant(body.Counting),
            Speech = body.SyllablesPerSecond is { } pace ? new Speech(pace) : null,
        };
        var bpm = new Bpm(body.Bpm ?? analysis.Dance.Header.Tempo?.Value ?? Bites.UsualTempo);
        var start = body.Start ?? SongStart.CountOf(analysis.Trace, given);
        var pattern = Math.Max(1, analysis.Trace.TotalCounts);
        // Without a song nobody knows which repeat is the last, so one more than is asked for goes on behind.
        var counts = start
            + ((analysis.Dance.IsPhrased ? 1L : repeats + 1L) * pattern)
            + analysis.Dance.Tags.Sum(t => analysis.Trace.Part(t.Tag)?.Part.Counts ?? 0);
        var song = given ?? Song.Steady((int)Math.Min(Song.MostCounts, counts), bpm);
        return CueSheet.Write(RunUnroller.Unroll(analysis.Trace, song, start, cancel), settings, cancel: cancel);
    }
}

internal sealed record CuesJson(IEnumerable<CueJson> Cues)
{
    public static CuesJson From(IReadOnlyList<SheetCue> cues) => new(cues.Select(c => new CueJson(
        c.Repeat, c.Part, c.Line, c.Count, c.Step, c.Words, c.Form.ToString().ToLowerInvariant(), Round(c.From), Round(c.To), c.Why,
        Round(c.At), Round(c.Until), Round(c.StepAt), Round(c.Needs), Round(c.Room))));

    private static double Round(double value) => Math.Round(value, 6);
}

internal sealed record CueJson(
    int Repeat, string Part, int Line, string Count, string Step, string Words, string Form, double From, double To, string Why,
    double At, double Until, double StepAt, double Needs, double Room);
