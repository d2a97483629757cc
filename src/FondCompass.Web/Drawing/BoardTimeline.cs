using FondCompass.Core;
using FondCompass.Core.Counts;
using FondCompass.Core.Lessons;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;

namespace FondCompass.Web.Drawing;

/// <summary>One click of the call board.</summary>
/// <param name="At">Seconds of the song at full rate; the count-in may lie before its count 0.</param>
/// <param name="Label">What is counted: 1 to 8, or the count-in's 5, 6, 7, 8.</param>
public sealed record BoardClick(double At, string Label, bool IsCountIn, bool IsFirst, int Repeat, int Line, string Part, int? Wall);

/// <summary>One step called on the board.</summary>
/// <param name="Cue">The longest wording that can be said in time.</param>
public sealed record BoardStep(double At, string Name, string Cue, string Foot, string Free, string Facing, int Degrees);

/// <summary>A tag or restart, told well ahead.</summary>
public sealed record BoardEvent(double At, string Words);

/// <summary>All the call board shows, with its moments in seconds of the song at full rate; only what can be said depends on the rate.</summary>
public sealed record BoardTimeline(
    int RatePercent, double Bpm, double End, int Walls, IReadOnlyList<BoardClick> Clicks, IReadOnlyList<BoardStep> Steps, IReadOnlyList<BoardEvent> Events)
{
    /// <param name="rate">Share of full tempo at which it is taught.</param>
    /// <param name="lexicon">The steps known, for their cues; the shipped ones when left out.</param>
    public static BoardTimeline Of(Analysis analysis, DanceRun run, double rate, int repeats, StepLexicon? lexicon = null)
    {
        var time = run.Song.Time;
        var first = run.Start;
        var header = analysis.Dance.Header;
        var origin = time.SecondsAt(first) - (header.CountIn * 60 / time.BpmAt(first));
        double At(double count) => time.SecondsAt(count);
        var beat = 60 / time.BpmAt(first);
        var clicks = Enumerable.Range(0, header.CountIn)
            .Select(i => new BoardClick(origin + (i * beat), CountInLabel(header, i), true, false, 0, 0, "", null))
            .ToList();
        var stretches = run.Stretches.TakeWhile(s => s.Repeat <= repeats).ToList();
        foreach (var stretch in stretches)
        {
            clicks.AddRange(ClicksOf(run, stretch, At));
        }

        var end = stretches.Count > 0 ? stretches[^1].ToCount : first;
        return new BoardTimeline(
            (int)Math.Round(rate * 100), time.BpmAt(first) * rate, At(end), analysis.Trace.WallOrder.Count, clicks,
            StepsOf(run, repeats, At, rate, lexicon ?? StepLexicon.Shipped),
            run.Events.Where(e => e.Kind != RunEventKind.Ending && e.AfterRepeat <= repeats)
                .Select(e => new BoardEvent(At(e.AtCount), e.Kind == RunEventKind.Tag ? $"tag after repeat {e.AfterRepeat}, facing {e.Facing}" : $"restart, facing {e.Facing}"))
                .ToList());
    }

    /// <summary>What is called on one count of the count-in: the words said, else the counts that lead to 1: "5, 6, 7, 8", or down to it.</summary>
    private static string CountInLabel(DanceHeader header, int i) =>
        header.CountInWords.Count == header.CountIn ? header.CountInWords[i]
        : header.CountStyle == CountStyle.Down ? $"{header.CountIn - i}"
        : $"{((header.LineCounts - header.CountIn + i) % header.LineCounts + header.LineCounts) % header.LineCounts + 1}";

    private static IEnumerable<BoardClick> ClicksOf(DanceRun run, RunStretch stretch, Func<double, double> at)
    {
        var wall = stretch.IsTag ? null : run.Repeats[stretch.Repeat - 1].Wall;
        foreach (var line in stretch.Stretch.Pattern.Part.Lines)
        {
            for (var i = 0; i < line.Counts; i++)
            {
                var count = (line.Start.Value / Tick.PerCount) + i;
                if (count >= stretch.Stretch.From && count < stretch.Stretch.To)
                {
                    yield return new BoardClick(
                        at(stretch.FromCount - stretch.Stretch.From + count), $"{i + 1}", false, i == 0, stretch.Repeat, line.Number, stretch.Part, wall);
                }
            }
        }
    }

    private static List<BoardStep> StepsOf(DanceRun run, int repeats, Func<double, double> at, double rate, StepLexicon lexicon)
    {
        var steps = new List<BoardStep>();
        var calls = RunTimeline.Of(run, repeats).Where(a => a.StartsCall).ToList();
        var saidUntil = double.NegativeInfinity;
        foreach (var call in calls)
        {
            var beginsAt = at(call.SongCount);
            var earliest = Math.Max(at(call.SongCount - Cue.DefaultLead), saidUntil);
            var words = lexicon.Find(call.Step)?.Cue ?? new CueWords(call.Step, call.Step, call.Step);
            var (cue, _) = Cue.Choose(words, call.Foot.Word(), (beginsAt - earliest) / rate);
            saidUntil = earliest + (Cue.Seconds(cue) * rate);
            steps.Add(new BoardStep(
                beginsAt, call.Foot.IsSingle() ? $"{call.Step} {call.Foot.Letter()}" : call.Step, cue,
                call.Foot.IsSingle() ? call.Foot.Letter() : "", call.Weight.FreeFoot().Letter(), call.Facing.ToString(), call.Facing.Degrees));
        }

        return steps;
    }
}
