using FondCompass.Core;
using FondCompass.Core.Runs;
using FondCompass.Core.Teaching.Rooms;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Api;

/// <summary>POST /api/room: a dance, a hall and a class in; where they stand out.</summary>
internal static class RoomEndpoint
{
    private const int MostObstacles = 200;

    private static readonly Dictionary<string, RoomLayout> Layouts = new()
    {
        ["rows"] = RoomLayout.Rows,
        ["staggered"] = RoomLayout.Staggered,
        ["circle"] = RoomLayout.Circle,
        ["chain"] = RoomLayout.Chain,
    };

    public static void MapRoom(this WebApplication app) =>
        app.MapJson<RoomBody, RoomJson>("/api/room", ApiTexts.ADanceAndARoom, (body, cancel) => RoomJson.From(Read(body, cancel)));

    private static RoomPlan Read(ApiBody body, CancellationToken cancel)
    {
        var analysis = Analysis.WhileWaited(body.Script(), null, cancel);
        var room = body.Object("room") ?? throw RefusedException.Missing(ApiTexts.RoomWithItsSides);
        var hall = new Hall(Metres(room, "width"), Metres(room, "depth"), room.Number("margin", 0, Hall.Widest) ?? Hall.UsualMargin)
        {
            Obstacles = Obstacles(room)
        };
        var repeats = body.Whole("repeats", 1, RoomWish.MostRepeats) ?? RoomWish.UsualRepeats;
        if (body.Song() is { } song)
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
            body.Whole("dancers", 1, RoomWish.MostDancers) ?? throw RefusedException.Missing(ApiTexts.DancersAsNumber),
            body.Word("layout", Layouts) ?? RoomLayout.Rows,
            repeats,
            body.Number("spacing", 0, Hall.Widest), body.Number("allowance", 0, Hall.Widest) ?? 0);
        return wish.RepeatsOf(analysis.Trace) >= repeats || analysis.Dance.IsPhrased ? RoomPlan.Lay(analysis.Trace, wish, cancel)
            : throw RefusedException.Impossible(
                ApiTexts.RepeatsTooMany(repeats, analysis.Trace.TotalCounts, Core.Music.Song.MostCounts));
    }

    private static double Metres(ApiBody room, string side) =>
        (room.Number(side) ?? throw RefusedException.Missing($"\"{room.At}{side}\" in metres")) is var metres
            && metres > 0
            && metres <= Hall.Widest
            ? metres
        : throw RefusedException.Impossible(ApiTexts.RoomSideSent(room.At, side, metres, Hall.Widest));

    private static List<RoomObstacle> Obstacles(ApiBody room)
    {
        var sent = room.Objects("obstacles") ?? [];
        return sent.Count > MostObstacles
            ? throw RefusedException.Impossible(ApiTexts.MostObstaclesSent(room.At, sent.Count, MostObstacles))
            : [.. sent.Select(o => new RoomObstacle(At(o, "x"), At(o, "y"), At(o, "width"), At(o, "depth"), o.Flag("pillar") ?? false))];
    }

    private static double At(ApiBody obstacle, string field) =>
        obstacle.Number(field, 0, Hall.Widest) ?? throw RefusedException.Missing($"\"{obstacle.At}{field}\" in metres");
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
