using FondCompass.Core.Counts;
using FondCompass.Core.Swaps;
using FondCompass.Core.Told;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Lessons;

/// <summary>
/// The add-on school: 1; 2; 1+2; 3; 1+2+3 …, so that the chain is always danced from the top. Repeats are spread by
/// difficulty until the minutes are used; warm-up and cool-down never give.
/// </summary>
public sealed class AddOnPlanner
{
    private const double DemoRegroup = 20;

    /// <summary>Nobody dances one block more often than this without a change.</summary>
    private const int MostRepeats = 6;

    /// <summary>Seconds left over from which on known dances fill them.</summary>
    private const double WorthFilling = 120;

    private readonly DanceTrace _trace;
    private readonly GroupPace _pace;
    private readonly double _bpm;
    private readonly List<Draft> _drafts = [];

    /// <summary>A block whose repeats are not settled yet.</summary>
    private sealed class Draft
    {
        public required BlockKind Kind { get; init; }

        public required string Title { get; init; }

        public required Func<int, double> Seconds { get; init; }

        public required Func<int, string> Why { get; init; }

        public int Repeats { get; set; }

        public int Least { get; init; }

        public double? Rate { get; init; }

        public double Weight { get; init; }

        public bool Gives { get; init; } = true;
    }

    private AddOnPlanner(DanceTrace trace, GroupPace pace, double bpm)
    {
        _trace = trace;
        _pace = pace;
        _bpm = bpm;
    }

    /// <param name="minutes">Length of the lesson; positive.</param>
    /// <param name="bpm">Full tempo, counts per minute.</param>
    public static LessonPlan Plan(DanceTrace trace, double minutes, double bpm, GroupPace? pace = null)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(minutes);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(bpm);
        return new AddOnPlanner(trace, pace ?? new GroupPace(), bpm).Plan(minutes * 60);
    }

    private LessonPlan Plan(double lesson)
    {
        var eights = TeachingEight.Of(_trace, _bpm);
        Frame("Floor, shoes and warm-up", _pace.WarmUpMinutes, "A clear floor, shoes that turn, and a warm-up that grows. This never gives.");
        if (eights.Count > 0)
        {
            AddDemo();
            AddChain(eights);
            AddWhole(eights);
        }

        Frame("Cool-down and stretch", _pace.CoolDownMinutes, "Small, slow, and the same for everybody. This never gives.");
        Spread(lesson);
        Fill(lesson);
        var blocks = _drafts.ConvertAll(d => new LessonBlock(d.Kind, d.Title, d.Seconds(d.Repeats), d.Repeats, d.Rate, d.Why(d.Repeats), d.Gives));
        var over = blocks.Sum(b => b.Seconds) - lesson;
        return new LessonPlan { LessonSeconds = lesson, Blocks = blocks, Gives = over > 0 ? GivesFor(eights, over) : [] };
    }

    private void Frame(string title, double minutes, string why) => _drafts.Add(new Draft
    {
        Kind = BlockKind.Frame,
        Title = title,
        Seconds = _ => minutes * 60,
        Why = _ => why,
        Gives = false,
    });

    private void AddDemo()
    {
        var counts = _trace.TotalCounts;
        _drafts.Add(new Draft
        {
            Kind = BlockKind.Demo,
            Title = "Show it whole, with counts",
            Repeats = 1,
            Least = 1,
            Rate = 1,
            Seconds = r => TeachingTime.Danced(counts, r, 1, _pace.CountIn, 1, _bpm) + DemoRegroup,
            Why = r => Reckoning(counts, r, 1, DemoRegroup),
        });
    }

    private void AddChain(List<TeachingEight> eights)
    {
        var slow = _pace.Ladder[0];
        var sum = 0;
        for (var i = 0; i < eights.Count; i++)
        {
            var eight = eights[i];
            sum += eight.Counts;
            var walking = (eight.Actions * _pace.SecondsPerNewAction) + _pace.TalkPerEight;
            _drafts.Add(new Draft
            {
                Kind = BlockKind.Walk,
                Title = $"Show and walk {eight.Name}",
                Seconds = _ => walking,
                Why = _ => $"{eight.Actions} new actions at {_pace.SecondsPerNewAction:0.0} s and {_pace.TalkPerEight:0} s of talk. {eight.Why}",
                Weight = eight.Points,
            });
            AddDanced(BlockKind.Danced, $"Dance {eight.Name}", eight.Counts, 2, slow, eight.Points);
            if (i > 0)
            {
                var chained = eights.Take(i + 1).ToList();
                var rate = _pace.Ladder[Math.Min(_pace.Ladder.Count - 1, (i * (_pace.Ladder.Count - 1)) / eights.Count)];
                AddDanced(BlockKind.Danced, $"From the top: {TeachingEight.Join(chained)}", sum, 1, rate, chained.Average(e => e.Points));
            }

            if (i == (eights.Count - 1) / 2 && eights.Count > 2)
            {
                _drafts.Add(new Draft
                {
                    Kind = BlockKind.Water,
                    Title = "Water and questions",
                    Seconds = _ => _pace.WaterMinutes * 60,
                    Why = _ => "Half the dance is known: time to drink and to ask.",
                });
            }
        }
    }

    private void AddWhole(List<TeachingEight> eights)
    {
        var counts = _trace.TotalCounts;
        var points = eights.Average(e => e.Points);
        foreach (var rate in _pace.Ladder.Skip(1))
        {
            AddDanced(rate < 1 ? BlockKind.Danced : BlockKind.Music, rate < 1 ? "The whole, slowed" : "The whole to music", counts, 1, rate, points);
        }

        if (_trace.WallOrder.Count > 1)
        {
            AddDanced(BlockKind.Walls, $"Every new wall: {string.Join(", ", _trace.WallOrder.Skip(1))}", counts, _trace.WallOrder.Count - 1, 1, points);
        }
    }

    private void AddDanced(BlockKind kind, string title, int counts, int least, double rate, double points) => _drafts.Add(new Draft
    {
        Kind = kind,
        Title = title,
        Repeats = least,
        Least = least,
        Rate = rate,
        Weight = points,
        Seconds = r => TeachingTime.Danced(counts, r, 1, _pace.CountIn, rate, _bpm) + _pace.Regroup,
        Why = r => Reckoning(counts, r, rate, _pace.Regroup),
    });

    private string Reckoning(int counts, int repeats, double rate, double after) =>
        $"{repeats} × {counts} counts and a count-in of {_pace.CountIn} at {rate:0%} of {_bpm:0.#}, then {after:0} s to gather.";

    /// <summary>Gives one more repeat at a time to the block that is hardest for what it has, while there is room.</summary>
    private void Spread(double lesson)
    {
        var total = _drafts.Sum(d => d.Seconds(d.Repeats));
        while (true)
        {
            Draft? best = null;
            var bestNeed = 0.0;
            foreach (var draft in _drafts)
            {
                var need = draft.Weight / (draft.Repeats + 1);
                if (draft.Rate is not null && draft.Kind != BlockKind.Demo && draft.Repeats < MostRepeats && need > bestNeed
                    && total + draft.Seconds(draft.Repeats + 1) - draft.Seconds(draft.Repeats) <= lesson)
                {
                    (best, bestNeed) = (draft, need);
                }
            }

            if (best is null)
            {
                return;
            }

            total += best.Seconds(best.Repeats + 1) - best.Seconds(best.Repeats);
            best.Repeats++;
        }
    }

    /// <summary>What repeats cannot use well goes to dances the group knows, before the cool-down.</summary>
    private void Fill(double lesson)
    {
        var left = lesson - _drafts.Sum(d => d.Seconds(d.Repeats));
        if (left >= WorthFilling)
        {
            _drafts.Insert(_drafts.Count - 1, new Draft
            {
                Kind = BlockKind.KnownDances,
                Title = "Dances they know",
                Seconds = _ => left,
                Why = _ => "Every block has as many repeats as people bear; the rest is for dancing.",
            });
        }
    }

    private List<LessonGive> GivesFor(List<TeachingEight> eights, double over)
    {
        var gives = new List<LessonGive>();
        if (_drafts.Find(d => d.Kind == BlockKind.Walls) is { } walls)
        {
            gives.Add(new LessonGive("Stay on the first wall today", walls.Seconds(walls.Repeats)));
        }

        var demo = _drafts.Find(d => d.Kind == BlockKind.Demo);
        if (demo is not null)
        {
            gives.Add(new LessonGive("Go straight to the first eight, without showing it whole", demo.Seconds(demo.Repeats)));
        }

        if (eights.Count > 1)
        {
            var half = (eights.Count + 1) / 2;
            var later = eights.Skip(half).ToList();
            var saved = _drafts.Where(d => later.Exists(e => d.Title.EndsWith(e.Name, StringComparison.Ordinal)) || d.Title == $"From the top: {TeachingEight.Join(eights)}").Sum(d => d.Seconds(d.Repeats));
            gives.Add(new LessonGive($"Two lessons: {TeachingEight.Join(eights.Take(half).ToList())} now, {TeachingEight.Join(later)} next time", saved));
        }

        var fastest = _drafts.Where(d => d.Title == "The whole, slowed").Skip(1).Sum(d => d.Seconds(d.Repeats));
        if (fastest > 0)
        {
            gives.Add(new LessonGive("Leave out a rung of the tempo ladder", fastest));
        }

        return gives.OrderByDescending(g => g.SavesSeconds >= over).ThenBy(g => g.SavesSeconds).ToList();
    }
}

/// <summary>A bite of a dance that is taught at once: one line of one part.</summary>
/// <param name="Why">What makes it hard, for the plan's "why".</param>
internal sealed record TeachingEight(string Name, int Counts, int Actions, double Points, string Why)
{
    public static List<TeachingEight> Of(DanceTrace trace, double bpm)
    {
        var eights = new List<TeachingEight>();
        var several = trace.Calls.Select(c => c.Stretch.Pattern).Distinct().Count() > 1;
        foreach (var pattern in trace.Calls.Select(c => c.Stretch.Pattern).Distinct())
        {
            foreach (var line in pattern.Part.Lines)
            {
                var difficulty = Difficulty.OfLine(pattern, line.Number, bpm);
                var hardest = difficulty.Terms.OrderByDescending(t => t.Points).First().Why;
                var actions = pattern.Actions.Count(a => a.Action.Line == line.Number && a.Foot != Foot.None);
                eights.Add(new TeachingEight(
                    PartWording.Of(pattern.Part, line, several), line.Counts, Math.Max(1, actions), difficulty.Points, $"Hardest: {hardest}."));
            }
        }

        return eights;
    }

    public static string Join(List<TeachingEight> eights) => eights.Count <= 4
        ? string.Join(" + ", eights.Select(e => e.Name))
        : $"{eights[0].Name} to {eights[^1].Name}";
}
