using FondCompass.Core.Counts;
using FondCompass.Core.Runs;

namespace FondCompass.Web.Drawing;

/// <summary>A block of the strip, its place in drawing units.</summary>
/// <param name="From">The song's count it begins on; it ends before <paramref name="To"/>.</param>
public sealed record TideBlock(double X, double Width, string Label, string Title, int? Wall, bool IsCut, bool IsTag, double From, double To);

/// <summary>The line from a passage to the nearest repeat start; its slant is the drift.</summary>
/// <param name="Matters">Whether this passage counts when the dance is fitted.</param>
public sealed record TideLine(double X1, double X2, int Off, bool Matters);

/// <summary>A tag or restart that is proposed.</summary>
public sealed record TideGhost(double X, double Width, string Label, string Title);

/// <summary>A step or a count's mark, drawn when there is room for it.</summary>
public sealed record TideMark(double X, double Width, string Label, bool IsLine);

/// <summary>The song's passages above, the repeats of the dance below, each tinted by its wall; drawn out as far as one eight.</summary>
public sealed record TideStrip(
    double Width, int Counts, int Zoom, int MostZoom, IReadOnlyList<TideBlock> Passages, IReadOnlyList<TideBlock> Repeats, IReadOnlyList<TideLine> Lines,
    IReadOnlyList<TideGhost> Ghosts, IReadOnlyList<TideMark> Marks)
{
    /// <summary>Width of the page's strip in drawing units, which are about its pixels; of a phone's.</summary>
    public const double Page = 920, Phone = 350;

    /// <summary>Units a count needs before counts and steps are drawn.</summary>
    private const double RoomForCounts = 14;

    private const double RoomForSteps = 34;

    /// <summary>Marks drawn at the most.</summary>
    private const int MostMarks = 6_000;

    /// <summary>Units a letter of the strip takes.</summary>
    private const double Letter = 7.6;

    /// <summary>A name as far as its block has room for it; an ellipsis stands for the rest, and nothing for a name of which nothing could be read.</summary>
    public static string Shortened(string name, double width)
    {
        var room = (int)((width - 8) / Letter);
        return name.Length <= room ? name : room < 2 ? "" : name[..(room - 1)].TrimEnd() + "…";
    }

    public static TideStrip Of(DanceRun run, IReadOnlyList<FitChange> proposed, int zoom, double page = Page)
    {
        var song = run.Song;
        var mostZoom = Math.Max(1, song.Counts / 8);
        zoom = Math.Clamp(zoom, 1, mostZoom);
        var width = page * zoom;
        var unit = width / Math.Max(1, song.Counts);
        double X(double count) => count * unit;
        var passages = song.Passages.Select((p, i) => new TideBlock(
            X(song.Starts[i]), X(p.Counts), p.Rest is { } rest ? $"{rest:0.#} s" : p.Name,
            p.Rest is { } wait ? $"{p.Name}: {wait:0.#} seconds without a beat" : $"{p.Name}: {p.Counts} counts from count {song.Starts[i]}, {p.Bpm:0.#}{(p.BpmEnd is { } end ? $" to {end:0.#}" : "")} a minute{(p.Note is null ? "" : $". {p.Note}")}", null, false, p.Rest is not null, song.Starts[i], song.Starts[i] + p.Counts)).ToList();
        var walls = run.Repeats.ToDictionary(r => r.Index, r => r.Wall);
        var repeats = run.Stretches.Select(s => new TideBlock(
            X(s.FromCount), X(s.ToCount - s.FromCount), s.IsTag || run.Trace.Dance.IsPhrased ? s.Called : $"{s.Repeat}",
            $"{(s.IsTag ? $"Tag {s.Called}" : $"Repeat {s.Repeat}, {s.Called}")}: counts {s.FromCount} to {s.ToCount}, faces {s.StartFacing}",
            s.IsTag ? null : walls.GetValueOrDefault(s.Repeat), s.Cut, s.IsTag, s.FromCount, s.ToCount)).ToList();
        return new TideStrip(width, song.Counts, zoom, mostZoom, passages, repeats, Drift(run, X), GhostsOf(proposed, X), MarksOf(run, unit, X));
    }

    private static List<TideLine> Drift(DanceRun run, Func<double, double> x)
    {
        var lines = new List<TideLine>();
        var song = run.Song;
        if (run.Repeats.Count > 0)
        {
            var anyMarked = song.Passages.Where((p, i) => song.Starts[i] >= run.Start && p.Important).Any();
            for (var i = 0; i < song.Starts.Count; i++)
            {
                var start = song.Starts[i];
                if (start < run.Start || song.Passages[i].Rest is not null)
                {
                    continue;
                }

                var nearest = run.Repeats.MinBy(r => Math.Abs(r.FromCount - start))!.FromCount;
                lines.Add(new TideLine(x(start), x(nearest), Math.Abs(nearest - start), !anyMarked || song.Passages[i].Important));
            }
        }

        return lines;
    }

    private static List<TideGhost> GhostsOf(IReadOnlyList<FitChange> proposed, Func<double, double> x) => proposed.Select(c => c.Kind == RunEventKind.Tag
        ? new TideGhost(x(c.AtCount), Math.Max(6, x(c.Counts)), $"+{c.Counts}", c.Why)
        : new TideGhost(x(c.AtCount) - 3, 6, "↺", c.Why)).ToList();

    private static List<TideMark> MarksOf(DanceRun run, double unit, Func<double, double> x)
    {
        if (unit < RoomForCounts)
        {
            return [];
        }

        var marks = new List<TideMark>();
        foreach (var stretch in run.Stretches)
        {
            foreach (var line in stretch.Stretch.Pattern.Part.Lines)
            {
                var from = stretch.FromCount - stretch.Stretch.From + line.Start.InCounts;
                marks.AddRange(Enumerable.Range(0, line.Counts)
                    .Where(i => from + i >= stretch.FromCount && from + i < stretch.ToCount)
                    .Select(i => new TideMark(x(from + i), 0, $"{i + 1}", true)));
            }

            if (marks.Count > MostMarks)
            {
                return marks;
            }
        }

        if (unit >= RoomForSteps)
        {
            var calls = RunTimeline.Of(run).Where(a => a.StartsCall).ToList();
            for (var i = 0; i < calls.Count && marks.Count < MostMarks; i++)
            {
                var until = i + 1 < calls.Count ? calls[i + 1].SongCount : calls[i].SongCount + 2;
                var width = Math.Max(8, x(until - calls[i].SongCount) - 2);
                var name = $"{calls[i].Step}{(calls[i].Foot.IsSingle() ? $" {calls[i].Foot.Letter()}" : "")}";
                var room = (int)(width / 6.3);
                marks.Add(new TideMark(x(calls[i].SongCount), width, name.Length <= room ? name : room < 2 ? "" : name[..(room - 1)] + "…", false));
            }
        }

        return marks;
    }
}
