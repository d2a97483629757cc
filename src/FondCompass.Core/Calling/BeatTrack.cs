using FondCompass.Core.Actions;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Calling;

/// <summary>The counts, or names, that are said on the beat in what the calls leave free (calls, section 1).</summary>
internal sealed class BeatTrack(
    DanceRun run,
    CallSettings settings,
    Speech speech,
    IReadOnlyList<RunStretch> stretches,
    IReadOnlyList<CallPhrase> phrases)
{
    /// <summary>Fewest beats that are worth saying between two calls.</summary>
    private const int Fewest = 2;

    /// <summary>Counts from one word of a rhythm to the next at the most.</summary>
    private const int MostHeld = 4;

    private readonly CountStyle _style = settings.Counting ?? run.Trace.Dance.Header.CountStyle;

    /// <summary>What the lesson says beats what the line says, and that the dance.</summary>
    private CountStyle StyleOf(DanceLine line) => settings.Counting ?? line.Counting ?? _style;

    /// <summary>One beat that can be said.</summary>
    private sealed record Tap(int Count, string Word, RunStretch? Stretch, int Line, string Label, bool IsName);

    /// <param name="calls">What is said, in order of time.</param>
    public List<SheetCue> Between(IReadOnlyList<SheetCue> calls)
    {
        var beat = new List<SheetCue>();
        var open = new List<Tap>();
        var (at, until) = (0, double.NegativeInfinity);
        foreach (var tap in CountIn().Concat(Taps()).OrderBy(t => t.Count))
        {
            var moment = Time(tap.Count);
            while (at < calls.Count && calls[at].At <= moment + 1e-6)
            {
                until = Math.Max(until, calls[at++].Until);
            }

            var ends = Math.Min(moment + (speech.Seconds(tap.Word) * settings.Rate.Share), Time(tap.Count + 1));
            var isFree = until <= moment + 1e-6 && (at >= calls.Count || calls[at].At >= ends - 1e-6);
            if (open.Count > 0
                && (!isFree
                    || tap.Line != open[^1].Line
                    || tap.Stretch != open[^1].Stretch
                    || (tap.Count != open[^1].Count + 1 && !(tap.IsName && open[^1].IsName && tap.Count <= open[^1].Count + MostHeld))
                    || tap.IsName != open[^1].IsName))
            {
                Close(open, beat);
            }

            if (isFree)
            {
                open.Add(tap);
            }
        }

        Close(open, beat);
        return beat;
    }

    private double Time(int count) => run.Song.Time.SecondsAt(new SongCount(count));

    private void Close(List<Tap> open, List<SheetCue> beat)
    {
        if (open.Count >= Fewest)
        {
            var (first, last) = (open[0], open[^1]);
            var (from, until) = (Time(first.Count), Time(last.Count + 1));
            // The last beat is over before whatever comes next is said.
            var ends = Math.Min(until, Time(last.Count) + (speech.Seconds(last.Word) * settings.Rate.Share));
            beat.Add(new SheetCue(
                first.Stretch?.Repeat ?? 0,
                first.Stretch?.Part ?? "",
                first.Line,
                first.Label,
                "",
                string.Join(", ", open.Select(t => t.Word)),
                first.IsName ? CueForm.Rhythm : CueForm.Count,
                from,
                ends,
                from,
                (ends - from) / settings.Rate.Share,
                (until - from) / settings.Rate.Share,
                first.Count,
                last.Count + 1,
                "",
                CallTexts.OnTheBeatWhereCallsLeaveRoom));
        }

        open.Clear();
    }

    /// <summary>The counts that lead to a start: the words said, else numbers.</summary>
    private IEnumerable<Tap> CountIn()
    {
        var header = run.Trace.Dance.Header;
        var counts = settings.CountIn ?? header.CountIn;
        foreach (var start in stretches.Count == 0 ? [] : settings.Starts.Count > 0 ? settings.Starts : [run.Start])
        {
            for (var i = 0; i < counts; i++)
            {
                yield return new Tap(
                    start - counts + i,
                    SpokenCounts.InLabel(header, _style, i, counts),
                    null,
                    0,
                    SpokenCounts.InLabel(header, _style, i, counts),
                    false);
            }
        }
    }

    private IEnumerable<Tap> Taps()
    {
        var (names, rhythm) = (NamesOnTheBeat(), RhythmOnTheBeat());
        foreach (var stretch in stretches)
        {
            foreach (var line in stretch.Stretch.Pattern.Part.Lines)
            {
                for (var i = 0; i < line.Counts; i++)
                {
                    var count = (line.Start.Value / Tick.PerCount) + i;
                    if (count < stretch.Stretch.From || count >= stretch.Stretch.To)
                    {
                        continue;
                    }

                    var at = stretch.FromCount - stretch.Stretch.From + count;
                    if (at >= stretch.ToCount)
                    {
                        continue;
                    }

                    var style = StyleOf(line);
                    var word = style == CountStyle.Names ? names.GetValueOrDefault(at)
                        : style == CountStyle.Rhythm ? rhythm.GetValueOrDefault(at)
                        : null;
                    if (word is not null || style != CountStyle.Rhythm)
                    {
                        yield return new Tap(
                            at,
                            word ?? SpokenCounts.Label(style, i + 1, line.Counts),
                            stretch,
                            line.Number,
                            $"{i + 1}",
                            word is not null);
                    }
                }
            }
        }
    }

    /// <summary>Where rhythm words are counted by: slow and quick, by how long each movement lasts.</summary>
    private Dictionary<int, string> RhythmOnTheBeat() =>
        stretches.SelectMany(s => s.Stretch.Pattern.Part.Lines).Any(l => StyleOf(l) == CountStyle.Rhythm)
            ? SpokenCounts.Words(CountStyle.Rhythm, [.. phrases.SelectMany(p => p.Actions)])
            : [];

    /// <summary>Where names are counted by: a run of equal steps is said step by step, "tuck, tuck".</summary>
    private Dictionary<int, string> NamesOnTheBeat()
    {
        var named = new Dictionary<int, string>();
        foreach (var phrase in phrases.Where(p => p is { Times: > 1, Movements.Length: 0 }))
        {
            foreach (var action in phrase.Actions.Where(a => a.StartsCall && a.Verb != "recover" && double.IsInteger(a.SongCount)))
            {
                named[(int)action.SongCount.Value] = phrase.ShortName;
            }
        }

        return named;
    }
}
