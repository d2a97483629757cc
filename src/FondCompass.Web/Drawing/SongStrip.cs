using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Wording.Fits;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Drawing;

/// <summary>A block of the strip, its place in drawing units.</summary>
/// <param name="From">The song's count it begins on; it ends before <paramref name="To"/>.</param>
public sealed record StripBlock(
    double X,
    double Width,
    string Label,
    string Title,
    int? Wall,
    bool IsCut,
    bool IsTag,
    double From,
    double To);

/// <summary>The line from a passage to the nearest repeat start; its slant is the drift.</summary>
/// <param name="Matters">Whether this passage counts when the dance is fitted.</param>
public sealed record StripLine(double X1, double X2, int Off, bool Matters);

/// <summary>A change that is proposed.</summary>
public sealed record StripProposal(double X, double Width, string Label, string Title);

/// <summary>A step or a count's mark, drawn when there is room for it.</summary>
public sealed record StripMark(double X, double Width, string Label, bool IsLine);

/// <summary>A count held to a moment of the song.</summary>
public sealed record StripPin(double X, int Count, string Moment);

/// <summary>The song's passages above, the repeats of the dance below, each tinted by its wall; drawn out as far as one eight.</summary>
public sealed record SongStrip(
    double Width,
    int Counts,
    int Zoom,
    int MostZoom,
    IReadOnlyList<StripBlock> Passages,
    IReadOnlyList<StripBlock> Repeats,
    IReadOnlyList<StripLine> Lines,
    IReadOnlyList<StripProposal> Ghosts, IReadOnlyList<StripMark> Marks, IReadOnlyList<StripPin> Pins)
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

    /// <summary>
    /// A name as far as its block has room for it; an ellipsis stands for the rest, and nothing for a name of which nothing could be read.
    /// </summary>
    public static string Shortened(string name, double width)
    {
        var room = (int)((width - 8) / Letter);
        return name.Length <= room ? name : room < 2 ? "" : name[..(room - 1)].TrimEnd() + "…";
    }

    private static Sentence PassageWords(Passage passage, int from)
    {
        var note = passage.Note is { } text ? $". {text}" : "";
        return passage.BpmEnd is { } end
            ? DrawingTexts.StripPassageTo(passage.Name, passage.Counts, from, passage.Bpm, end, note)
            : DrawingTexts.StripPassage(passage.Name, passage.Counts, from, passage.Bpm, note);
    }

    private static string FeelOf(CountingFeel feel) => feel switch
    {
        CountingFeel.HalfTime => ", half time",
        CountingFeel.DoubleTime => ", double time",
        _ => "",
    };

    public static SongStrip Draw(DanceRun run, IReadOnlyList<FitChange> proposed, int zoom, double page = Page)
    {
        var song = run.Song;
        var mostZoom = Math.Max(1, song.Counts / 8);
        zoom = Math.Clamp(zoom, 1, mostZoom);
        var width = page * zoom;
        var unit = width / Math.Max(1, song.Counts);
        double X(double count) => count * unit;
        var passages = song.Passages.Select((p, i) => new StripBlock(
            X(song.Starts[i]),
            X(p.Counts),
            p.Rest is { } rest
                ? $"{rest:0.#} s"
                : $"{p.Name}{FeelOf(p.Feel)}",
            p.Rest is { } wait
                ? DrawingTexts.StripPause(p.Name, wait)
                : PassageWords(p, song.Starts[i]),
            null,
            false,
            p.Rest is not null,
            song.Starts[i],
            song.Starts[i] + p.Counts))
                .ToList();
        var walls = run.Repeats.ToDictionary(r => r.Index, r => run.WallOf(r).Wall);
        var repeats = run.Stretches.Select(s => new StripBlock(
            X(s.FromCount), X(s.ToCount - s.FromCount), s.IsTag || run.Trace.Dance.IsPhrased ? s.Called : $"{s.Repeat}",
            DrawingTexts.StripStretch(
                s.IsTag ? DrawingTexts.StripTag(s.Called) : DrawingTexts.StripRepeat(s.Repeat, s.Called),
                s.FromCount,
                s.ToCount,
                s.StartFacing.ToString()),
            s.IsTag ? null : walls.GetValueOrDefault(s.Repeat), s.Cut, s.IsTag, s.FromCount, s.ToCount)).ToList();
        return new SongStrip(
            width,
            song.Counts,
            zoom,
            mostZoom,
            passages,
            repeats,
            Drift(run, X),
            GhostsOf(proposed, X),
            MarksOf(run, unit, X),
            [.. song.Anchors.Select(a => new StripPin(
                X(a.Count),
                a.Count,
                FormattableString.Invariant($"{Math.Floor(a.Seconds / 60):0}:{a.Seconds % 60:00.0#}")))]);
    }

    private static List<StripLine> Drift(DanceRun run, Func<double, double> x) =>
        [.. PartMeetings.Judge(run).All
            .Where(m => m.Nearest is not null)
            .Select(m => new StripLine(x(m.Count), x(m.Nearest!.Value), m.Off!.Value, m.Counts))];

    private static List<StripProposal> GhostsOf(IReadOnlyList<FitChange> proposed, Func<double, double> x) => [.. proposed.Select(c =>
        new StripProposal(x(c.AtCount) - (Adds(c) ? 0 : 3), Adds(c) ? Math.Max(6, x(c.Counts)) : 6, Sign(c), FitWording.Say(c)))];

    private static bool Adds(FitChange change) => change.Kind is FitKind.Tag or FitKind.Wait or FitKind.Repeat;

    private static string Sign(FitChange change) => change.Kind switch
    {
        FitKind.Tag or FitKind.Wait => $"+{change.Counts}",
        FitKind.Repeat => $"+{change.Part}",
        FitKind.Drop => $"−{change.Part}",
        FitKind.Half => $"½ {change.Part}",
        FitKind.Move => $"→{change.Part}",
        _ => "↺",
    };

    private static List<StripMark> MarksOf(DanceRun run, double unit, Func<double, double> x)
    {
        if (unit < RoomForCounts)
        {
            return [];
        }

        var marks = new List<StripMark>();
        foreach (var stretch in run.Stretches)
        {
            foreach (var line in stretch.Stretch.Pattern.Part.Lines)
            {
                var from = stretch.FromCount - stretch.Stretch.From + line.Start.InCounts;
                marks.AddRange(Enumerable.Range(0, line.Counts)
                    .Where(i => from + i >= stretch.FromCount && from + i < stretch.ToCount)
                    .Select(i => new StripMark(x(from + i), 0, $"{i + 1}", true)));
            }

            if (marks.Count > MostMarks)
            {
                return marks;
            }
        }

        if (unit >= RoomForSteps)
        {
            var calls = RunTimeline.ActionsOf(run).Where(a => a.StartsCall).ToList();
            for (var i = 0; i < calls.Count && marks.Count < MostMarks; i++)
            {
                var until = i + 1 < calls.Count ? calls[i + 1].SongCount : calls[i].SongCount + 2;
                var width = Math.Max(8, x(until - calls[i].SongCount) - 2);
                var name = $"{calls[i].Step}{(calls[i].Foot.IsSingle() ? $" {calls[i].Foot.Letter()}" : "")}";
                var room = (int)(width / 6.3);
                marks.Add(new StripMark(
                    x(calls[i].SongCount),
                    width,
                    name.Length <= room ? name : room < 2 ? "" : name[..(room - 1)] + "…",
                    false));
            }
        }

        return marks;
    }
}
