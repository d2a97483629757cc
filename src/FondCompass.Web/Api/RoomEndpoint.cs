using FondCompass.Core.Runs;
using FondCompass.Core.Teaching.Rooms;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Api.Bodies;

namespace FondCompass.Web.Api;

/// <summary>POST /api/room: a dance, a hall and a class in; where they stand out.</summary>
internal static class RoomEndpoint
{
    internal const int MostObstacles = 200;

    internal static readonly IReadOnlyDictionary<string, RoomLayout> Layouts = new Dictionary<string, RoomLayout>
    {
        ["rows"] = RoomLayout.Rows,
        ["staggered"] = RoomLayout.Staggered,
        ["circle"] = RoomLayout.Circle,
        ["chain"] = RoomLayout.Chain,
    };

    public static void MapRoom(this WebApplication app) =>
        app.MapPost("/api/room", (RoomBody body, CancellationToken cancel) =>
                TypedResults.Ok(RoomJson.From(Read(body, cancel))))
            .TakesJson<RoomBody, RoomJson>(ApiTexts.ADanceAndARoom);

    private static RoomPlan Read(RoomBody body, CancellationToken cancel)
    {
        var analysis = JsonEndpoints.Analysed(body.Script, cancel);
        var hall = new Hall(body.Room.Width, body.Room.Depth, body.Room.Margin ?? Hall.UsualMargin)
        {
            Obstacles = [.. (body.Room.Obstacles ?? [])
                .Select(o => new RoomObstacle(o.X, o.Y, o.Width, o.Depth, o.Pillar ?? false))],
        };
        var repeats = body.Repeats ?? RoomWish.UsualRepeats;
        if (body.Song?.Song() is { } song)
        {
            var run = RunUnroller.Unroll(
                analysis.Trace,
                song,
                Math.Min(SongStart.CountOf(analysis.Trace, song), Math.Max(0, song.Counts - 1)),
                cancel);
            repeats = Math.Clamp(run.Repeats.Count, 1, RoomWish.MostRepeats);
        }

        var wish = new RoomWish(
            hall,
            body.Dancers,
            Layouts.Meant(body.Layout) ?? RoomLayout.Rows,
            repeats,
            body.Spacing,
            body.Allowance ?? 0);
        return wish.RepeatsOf(analysis.Trace) >= repeats || analysis.Dance.IsPhrased ? RoomPlan.Lay(analysis.Trace, wish, cancel)
            : throw RefusedException.Impossible(
                ApiTexts.RepeatsTooMany(repeats, analysis.Trace.TotalCounts, Core.Music.Song.MostCounts));
    }
}

internal sealed record PointJson(double X, double Y);

internal sealed record EnvelopeJson(double Width, double Depth);

internal sealed record HelperJson(int Place, string Wall);

internal sealed record RoomJson(
    bool Fits,
    int Most,
    double Spacing,
    int Rows,
    int Columns,
    IEnumerable<PointJson> Places,
    double? Radius,
    EnvelopeJson Envelope,
    PointJson DriftPerPattern,
    IReadOnlyDictionary<string, int> FrontRow,
    IEnumerable<HelperJson> Helpers, IReadOnlyList<string> Insteads, string Caution)
{
    public static RoomJson From(RoomPlan plan) => new(
        plan.Fits,
        plan.Most,
        Round(plan.Spacing),
        plan.Rows,
        plan.Columns,
        plan.Places.Select(p => new PointJson(Round(p.X), Round(p.Y))),
        plan.Radius is { } radius ? Round(radius) : null,
        new EnvelopeJson(Round(plan.High.X - plan.Low.X), Round(plan.High.Y - plan.Low.Y)),
        new PointJson(Round(plan.DriftPerPattern.X), Round(plan.DriftPerPattern.Y)),
        plan.FrontRow.ToDictionary(f => f.Key.ToString(), f => f.Value),
        plan.Helpers.Select(h => new HelperJson(h.Place, h.Wall.ToString())),
        plan.Insteads,
        RoomPlan.Caution);

    private static double Round(double metres) => Math.Round(metres, 6) + 0.0;
}
