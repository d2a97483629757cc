using FondCompass.Core.Runs;

namespace FondCompass.Web.Drawing;

/// <summary>A block of the strip, its place in percent-free drawing units.</summary>
public sealed record TideBlock(double X, double Width, string Label, string Title, int? Wall, bool IsCut, bool IsTag);

/// <summary>The line from a passage to the nearest repeat start; its slant is the drift.</summary>
/// <param name="Matters">Whether this passage counts when the dance is fitted.</param>
public sealed record TideLine(double X1, double X2, int Off, bool Matters);

/// <summary>The song's passages above, the repeats of the dance below, each tinted by its wall.</summary>
public sealed record TideStrip(IReadOnlyList<TideBlock> Passages, IReadOnlyList<TideBlock> Repeats, IReadOnlyList<TideLine> Lines)
{
    public const double Width = 1160;

    public static TideStrip Of(DanceRun run)
    {
        var song = run.Song;
        double X(int count) => count * Width / Math.Max(1, song.Counts);
        var passages = song.Passages.Select((p, i) => new TideBlock(
            X(song.Starts[i]), X(p.Counts), p.Name, $"{p.Name}: {p.Counts} counts from count {song.Starts[i]}", null, false, false)).ToList();
        var walls = run.Repeats.ToDictionary(r => r.Index, r => r.Wall);
        var repeats = run.Stretches.Select(s => new TideBlock(
            X(s.FromCount), X(s.ToCount - s.FromCount), s.IsTag ? s.Part : $"{s.Repeat}",
            $"{(s.IsTag ? $"Tag {s.Part}" : $"Repeat {s.Repeat}")}, {s.Part}: counts {s.FromCount} to {s.ToCount}, faces {s.StartFacing}",
            s.IsTag ? null : walls.GetValueOrDefault(s.Repeat), s.Cut, s.IsTag)).ToList();
        var lines = new List<TideLine>();
        if (run.Repeats.Count > 0)
        {
            var anyMarked = song.Passages.Where((p, i) => song.Starts[i] >= run.Start && p.Important).Any();
            for (var i = 0; i < song.Starts.Count; i++)
            {
                var start = song.Starts[i];
                if (start < run.Start)
                {
                    continue;
                }

                var nearest = run.Repeats.MinBy(r => Math.Abs(r.FromCount - start))!.FromCount;
                lines.Add(new TideLine(X(start), X(nearest), Math.Abs(nearest - start), !anyMarked || song.Passages[i].Important));
            }
        }

        return new TideStrip(passages, repeats, lines);
    }
}
