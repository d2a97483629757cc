using FondCompass.Core.Counts;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Lessons;

/// <summary>How long a cue is said (rules, section 7).</summary>
public enum CueForm
{
    /// <summary>The whole sentence, or the instructor's own words.</summary>
    Full,
    Key,
    OneWord,

    /// <summary>The foot or the way alone.</summary>
    Foot,

    /// <summary>What changes, told a whole eight before; in a repeat it stands for all its cues.</summary>
    Structural,

    /// <summary>Left out: there is no time to say anything.</summary>
    None,
}

/// <summary>One thing said, for one moment of the song.</summary>
/// <param name="Words">Empty where it is left out.</param>
/// <param name="At">Seconds of the song at full rate at which it begins; negative in the count-in.</param>
/// <param name="Until">Seconds of the song at which it ends.</param>
/// <param name="StepAt">Seconds of the song of what it is for.</param>
/// <param name="Needs">Seconds of the clock that the words take.</param>
/// <param name="Room">Seconds of the clock there are for them.</param>
public sealed record SheetCue(
    int Repeat, string Part, int Line, string Count, string Step, string Words, CueForm Form, bool IsOwn, double At, double Until, double StepAt, double Needs, double Room);

/// <summary>
/// All that is said over a run: each step in time before it, what repeats by one word, what changes a whole eight ahead; nothing longer
/// than its room, and never two at once.
/// </summary>
public sealed class CueSheet
{
    /// <summary>The longest lead, in counts.</summary>
    public const double LongestLead = 16;

    /// <summary>Music that is faster by this factor than before is told.</summary>
    private const double Faster = 1.02;

    private readonly DanceRun _run;
    private readonly Rate _rate;
    private readonly double _lead;
    private readonly StepLexicon _lexicon;
    private readonly List<RunStretch> _stretches;
    private readonly int _eight;

    private CueSheet(DanceRun run, Rate rate, double lead, int repeats, StepLexicon lexicon)
    {
        _run = run;
        _rate = rate;
        _lead = lead;
        _lexicon = lexicon;
        _stretches = [.. run.Stretches.TakeWhile(s => s.Repeat <= repeats)];
        _eight = run.Trace.Dance.Header.LineCounts;
    }

    /// <param name="lead">Counts before a step at which its cue may begin.</param>
    /// <param name="repeats">Repeats, or calls of an order, that are told; at most those that are danced.</param>
    /// <param name="cancel">Ends it where nobody waits any more.</param>
    public static IReadOnlyList<SheetCue> Of(DanceRun run, Rate rate, double lead, int repeats, StepLexicon? lexicon = null, CancellationToken cancel = default) =>
        new CueSheet(run, rate, lead, repeats, lexicon ?? StepLexicon.Shipped).Cues(repeats, cancel);

    private double Time(double count) => _run.Song.Time.SecondsAt(new SongCount(count));

    private List<SheetCue> Cues(int repeats, CancellationToken cancel)
    {
        var changes = Changes();
        var told = changes.ConvertAll(c => c.Cue);
        var spelled = Spelled(out var first);
        var own = RunTimeline.Notes(_run, repeats, IsFirst).Where(n => n.Kind == "cue").GroupBy(n => Math.Round(n.SongCount, 6)).ToDictionary(g => g.Key, g => g.First().Text);
        var until = double.NegativeInfinity;
        bool IsFirst(RunStretch stretch) => first.Contains(stretch.FromCount);
        foreach (var call in RunTimeline.Of(_run, repeats, IsFirst).Where(a => a.Wording is not null))
        {
            cancel.ThrowIfCancellationRequested();
            var words = own.GetValueOrDefault(Math.Round(call.SongCount, 6));
            // A pick-up sounds before the count it belongs to.
            var count = (int)Math.Floor(call.SongCount);
            if (!(spelled.Contains((call.Repeat, call.IsTag, count)) || spelled.Contains((call.Repeat, call.IsTag, count + 1))) || (words is null && call.Verb is "hold" or "recover"))
            {
                continue;
            }

            var cue = Place(call, words, until, changes);
            until = Math.Max(until, cue.Until);
            told.Add(cue);
        }

        return [.. told.OrderBy(c => c.At).ThenBy(c => c.Until).ThenBy(c => c.StepAt)];
    }

    /// <summary>The song counts whose steps are called one by one: whatever is danced for the first time.</summary>
    /// <param name="first">Where the stretches begin that have any.</param>
    private HashSet<(int Repeat, bool IsTag, int Count)> Spelled(out HashSet<int> first)
    {
        first = [];
        var known = new HashSet<(PartTrace, int)>();
        var spelled = new HashSet<(int, bool, int)>();
        foreach (var stretch in _stretches)
        {
            for (var i = 0; i < stretch.ToCount - stretch.FromCount; i++)
            {
                if (known.Add((stretch.Stretch.Pattern, stretch.Stretch.From + i)))
                {
                    spelled.Add((stretch.Repeat, stretch.IsTag, stretch.FromCount + i));
                    first.Add(stretch.FromCount);
                }
            }
        }

        return spelled;
    }

    /// <summary>What changes, each told from a whole eight before on, one after another.</summary>
    private List<(SheetCue Cue, double From, double To)> Changes()
    {
        var events = new List<(double Count, string Words)>();
        var restarts = _run.Events.Where(e => e.Kind == RunEventKind.Restart).Select(e => e.AtCount).ToHashSet();
        for (var i = 1; i < _stretches.Count; i++)
        {
            events.Add((_stretches[i].FromCount, WordsOf(_stretches[i - 1], _stretches[i], restarts.Contains(_stretches[i].FromCount))));
        }

        var passages = _run.Song.Passages;
        for (var i = 1; i < passages.Count; i++)
        {
            var count = _run.Song.Starts[i];
            if (_stretches.Count > 0 && count > _stretches[0].FromCount && count < _stretches[^1].ToCount && passages[i].Rest is null
                && _run.Song.Time.BpmAt(new SongCount(count + 0.001)) > Faster * _run.Song.Time.BpmAt(new SongCount(count - 0.001)))
            {
                events.Add((count, "faster music"));
            }
        }

        if (_stretches.Count > 0 && _stretches[^1] == _run.Stretches[^1])
        {
            events.Add((_stretches[^1].ToCount, "and finish"));
        }

        var changes = new List<(SheetCue, double, double)>();
        var until = double.NegativeInfinity;
        foreach (var (count, words) in events.OrderBy(e => e.Count))
        {
            var stepAt = Time(count);
            var at = Math.Max(Time(count - _eight), until);
            var room = (stepAt - at) / _rate.Share;
            var fits = Cue.Fits(words, room);
            var needs = fits ? Cue.Seconds(words) : 0;
            until = at + (needs * _rate.Share);
            var (part, line, label, repeat) = PlaceOf(count);
            changes.Add((new SheetCue(repeat, part, line, label, fits ? words : "", fits ? words : "", fits ? CueForm.Structural : CueForm.None, false, at, until, stepAt, needs, room), at, until));
        }

        return changes;
    }

    private string WordsOf(RunStretch before, RunStretch next, bool restart)
    {
        if (next.IsTag)
        {
            return next.Called;
        }

        if (restart)
        {
            return "restart from the top";
        }

        var isLast = next == _run.Stretches.LastOrDefault(s => !s.IsTag);
        if (_run.Trace.Dance.IsPhrased)
        {
            return next.Part == before.Part && !before.IsTag ? next.Stretch.Mirrored != before.Stretch.Mirrored ? "other side" : "again" : $"next: {next.Called}";
        }

        return isLast ? "last one" : next.Stretch.Mirrored != before.Stretch.Mirrored && !before.IsTag ? "other side" : "from the top";
    }

    private (string Part, int Line, string Count, int Repeat) PlaceOf(double count)
    {
        var stretch = _stretches.FirstOrDefault(s => count >= s.FromCount && count < s.ToCount) ?? _stretches[^1];
        var at = Tick.FromCounts(stretch.Stretch.From + (int)Math.Min(count, stretch.ToCount - 1) - stretch.FromCount);
        var line = stretch.Stretch.Pattern.Part.Lines.LastOrDefault(l => l.Start <= at) ?? stretch.Stretch.Pattern.Part.Lines[0];
        return (stretch.Part, line.Number, $"{((at - line.Start).Value / Tick.PerCount) + 1}", stretch.Repeat);
    }

    /// <summary>The longest wording that can be said, in the room before what changes is told or in the room after it.</summary>
    private SheetCue Place(RunAction call, string? own, double until, List<(SheetCue Cue, double From, double To)> changes)
    {
        var earliest = Math.Max(Time(call.SongCount - _lead), until);
        var taken = changes.FindAll(c => c.To > earliest && c.From < call.Seconds && c.To > c.From);
        var words = StepCues.Of(call.Step, call.Wording!, _lexicon, own);
        var foot = call.Wording!.Lead.IsSingle() ? call.Wording.Lead.Word() : call.Foot.IsSingle() ? call.Foot.Word() : call.Wording.Way.Length > 0 ? call.Wording.Way : call.Wording.Name;
        (string Words, CueForm Form)[] forms = [(words.Sentence, CueForm.Full), (words.Keyword, CueForm.Key), (words.OneWord, CueForm.OneWord), (foot, CueForm.Foot)];
        var begins = new List<(double From, double To)> { (earliest, taken.Count > 0 ? taken[0].From : call.Seconds) };
        begins.AddRange(taken.Select((t, i) => (t.To, i + 1 < taken.Count ? taken[i + 1].From : call.Seconds)));
        foreach (var (said, form) in forms.Where(f => f.Words.Length > 0))
        {
            foreach (var (from, to) in begins.Where(b => b.To > b.From))
            {
                if (Cue.Fits(said, (to - from) / _rate.Share))
                {
                    return Said(said, form, from, Cue.Seconds(said));
                }
            }
        }

        // Nothing can be said in time; that is told, not hidden.
        return Said("", CueForm.None, Math.Min(taken.Count > 0 ? Math.Min(taken[0].From, earliest) : earliest, call.Seconds), 0);

        SheetCue Said(string said, CueForm form, double at, double needs) => new(
            call.Repeat, call.Part, call.Line, call.Count, call.Wording!.ToString(), said, form, own is not null && form == CueForm.Full, at, at + (needs * _rate.Share), call.Seconds, needs, (call.Seconds - at) / _rate.Share);
    }
}
