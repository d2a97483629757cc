using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;

namespace FondCompass.Core.Teaching.Courses;

/// <summary>What a course is planned from: weekly lessons of one length over several dances.</summary>
/// <param name="Weeks">1 to <see cref="MostWeeks"/>, a lesson each.</param>
/// <param name="Minutes">Minutes of each lesson.</param>
/// <param name="Dances">What is to be taught, in the order in which it is begun; at most <see cref="MostDances"/>.</param>
public sealed record CourseBrief(int Weeks, double Minutes, IReadOnlyList<LessonDance> Dances, TeachingWay Way, ClassKnowledge Class)
{
    public const int MostWeeks = 52, MostDances = 30;

    /// <summary>The kind of its lessons.</summary>
    public LessonKind Kind { get; init; }

    /// <summary>What is known of the group's pace.</summary>
    public GroupPace Group { get; init; } = GroupPace.Unknown;

    /// <summary>How many bites of a dance are new in a week, where the instructor settled it; week and dance from 0.</summary>
    public IReadOnlyDictionary<(int Week, int Dance), int> Settled { get; init; } = new Dictionary<(int Week, int Dance), int>();
}

/// <summary>What one week does for one dance.</summary>
/// <param name="Dance">Which of the course, from 0.</param>
/// <param name="From">Bites that earlier weeks taught.</param>
/// <param name="Until">Bites that are taught when the week is over.</param>
/// <param name="Kept">The share that is reckoned to be kept, when the week begins, of that stretch of it that is kept least; null before it
/// was taught.</param>
/// <param name="RecapSeconds">What the week gives to bring it back; 0 for nothing.</param>
public sealed record CourseCell(int Dance, int From, int Until, double? Kept, double RecapSeconds)
{
    public int New => Until - From;

    /// <summary>The instructor settled how much is new.</summary>
    public bool IsSettled { get; init; }

    /// <summary>With this week all of it is taught, and it is danced whole to its music.</summary>
    public bool IsWhole { get; init; }

    /// <summary>It is due, and the week has no minutes left for it.</summary>
    public bool IsPutOff { get; init; }
}

/// <summary>A week of a course: a lesson of its own.</summary>
/// <param name="Number">From 1.</param>
/// <param name="Cells">One for each dance of the course, in its order.</param>
/// <param name="Plan">The lesson as it is fitted.</param>
/// <param name="Brief">What it is planned from: the dances of this week, new ones first.</param>
/// <param name="Dances">Which of the course's dances those of the lesson are.</param>
public sealed record CourseWeek(int Number, IReadOnlyList<CourseCell> Cells, LessonPlan Plan, LessonBrief Brief, IReadOnlyList<int> Dances);

/// <summary>A course as it comes out.</summary>
/// <param name="Bites">What can be taught of each dance: its bites up to its first error.</param>
public sealed record CoursePlan(IReadOnlyList<CourseWeek> Weeks, IReadOnlyList<IReadOnlyList<Bite>> Bites)
{
    /// <summary>The week, from 1, after which a dance is whole; null when the course ends before.</summary>
    public int? ReadyIn(int dance) => Weeks.FirstOrDefault(w => w.Cells[dance].IsWhole)?.Number;

    /// <summary>Bites of a dance that no week has room for.</summary>
    public int LeftOver(int dance) => Bites[dance].Count - Weeks[^1].Cells[dance].Until;
}

/// <summary>
/// Puts the bites of several dances into weekly lessons (rules, section 7): what is due comes back first, those least kept first; then what
/// is
/// new, one dance after the other, as far as the minutes go; a dance that is too long for a lesson is parted at a boundary of its parts.
/// It is reckoned as if every week were danced clean.
/// </summary>
public sealed class CoursePlanner
{
    private const int DaysAWeek = 7;

    private readonly CourseBrief _brief;
    private readonly State[] _states;

    private CoursePlanner(CourseBrief brief)
    {
        _brief = brief;
        _states = [.. brief.Dances.Select(d => new State(LessonPlanner.Sound(d, Bites.Cut(d.Analysis, brief.Class, d.Tempo, d.Cuts))))];
    }

    public static CoursePlan Plan(CourseBrief brief)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(brief.Weeks, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(brief.Weeks, CourseBrief.MostWeeks);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(brief.Dances.Count, CourseBrief.MostDances);
        var planner = new CoursePlanner(brief);
        var weeks = Enumerable.Range(0, brief.Weeks).Select(planner.Week).ToList();
        return new CoursePlan(weeks, [.. planner._states.Select(s => s.Bites)]);
    }

    private CourseWeek Week(int week)
    {
        var cells = _states.Select((s, i) => new CourseCell(i, s.Taught, s.Taught, s.LearnedAt(week).Select(l => (double?)l.Kept).Min(), 0))
            .ToArray();
        Settle(week, cells);
        Bring(week, cells);
        Begin(week, cells);
        var (brief, bites, dances) = Lesson(week, cells);
        var plan = LessonPlanner.Plan(brief, bites);
        for (var i = 0; i < cells.Length; i++)
        {
            var place = dances.IndexOf(i);
            cells[i] = cells[i] with { IsWhole = cells[i] is { New: > 0 } && cells[i].Until == _states[i].Bites.Count };
            _states[i].Danced(week, cells[i], LessonPlanner.TeachingIn(plan.Blocks.Where(b => b.Dance == place), _brief.Way));
        }

        return new CourseWeek(week + 1, cells, plan, brief, dances);
    }

    /// <summary>What the instructor settled comes first, whether or not it fits.</summary>
    private void Settle(int week, CourseCell[] cells)
    {
        foreach (var ((_, dance), bites) in _brief.Settled.Where(s => s.Key.Week == week && s.Key.Dance >= 0 && s.Key.Dance < cells.Length))
        {
            cells[dance] = cells[dance] with
            {
                Until = Math.Clamp(cells[dance].From + bites, cells[dance].From, _states[dance].Bites.Count),
                IsSettled = true
            };
        }
    }

    /// <summary>What is due, those least kept first, while there is room; what goes on this week is recalled with it.</summary>
    private void Bring(int week, CourseCell[] cells)
    {
        foreach (var cell in cells.Where(c => c is { Kept: < Memory.Due, New: 0 }).OrderBy(c => c.Kept).ToList())
        {
            cells[cell.Dance] = cell with { RecapSeconds = Math.Round(_states[cell.Dance].LearnedAt(week).Sum(l => l.Recap), 3) };
            if (!Fits(week, cells))
            {
                cells[cell.Dance] = cell with { IsPutOff = true };
            }
        }
    }

    /// <summary>
    /// Something new: the dance that is begun goes on, else the next begins; a second one only where the weeks would not do else.
    /// </summary>
    private void Begin(int week, CourseCell[] cells)
    {
        while (true)
        {
            var open = Enumerable.Range(0, cells.Length)
                .Where(i => cells[i] is { New: 0, IsSettled: false } && cells[i].Until < _states[i].Bites.Count)
                .ToList();
            var begun = cells.Any(c => c.New > 0);
            if (open.Count == 0 || (begun && open.Count < _brief.Weeks - week))
            {
                return;
            }

            var next = open.OrderByDescending(i => cells[i].From > 0).ThenBy(i => i).First();
            var before = cells[next];
            // What goes on is recalled with the new bites, not before them.
            var fresh = before with { RecapSeconds = 0, IsPutOff = false };
            if (Furthest(week, cells, fresh) is not { } until)
            {
                cells[next] = before;
                return;
            }

            cells[next] = fresh with { Until = until };
        }
    }

    /// <summary>
    /// How far a dance can be taught this week: all of it, else up to the last boundary of parts that fits, else up to a bite; null when
    /// not even one more fits.
    /// </summary>
    private int? Furthest(int week, CourseCell[] cells, CourseCell cell)
    {
        var bites = _states[cell.Dance].Bites;
        bool FitsTo(int until)
        {
            cells[cell.Dance] = cell with { Until = until };
            return Fits(week, cells);
        }

        if (FitsTo(bites.Count))
        {
            return bites.Count;
        }

        var inside = Enumerable.Range(cell.From + 1, Math.Max(0, bites.Count - cell.From - 1)).ToList();
        return Last(inside.Where(i => bites[i].Part != bites[i - 1].Part).ToList(), FitsTo) ?? Last(inside, FitsTo);
    }

    /// <summary>The last of rising stops that fits; a longer stretch never takes less.</summary>
    private static int? Last(List<int> stops, Func<int, bool> fits)
    {
        var (low, high) = (0, stops.Count);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = fits(stops[middle]) ? (middle + 1, high) : (low, middle);
        }

        return low == 0 ? null : stops[low - 1];
    }

    private bool Fits(int week, CourseCell[] cells) =>
        Lesson(week, cells) is var (brief, bites, _) && LessonPlanner.LeastOf(brief, bites) <= (_brief.Minutes * 60) + 1e-9;

    /// <summary>The week as a lesson: what is new, then what was taught before.</summary>
    private (LessonBrief Brief, IReadOnlyList<IReadOnlyList<Bite>> Bites, List<int> Dances) Lesson(int week, CourseCell[] cells)
    {
        var here = cells.Where(c => c.New > 0 || c.From > 0).OrderBy(c => c.New == 0).ThenBy(c => c.Dance).ToList();
        return (
            new LessonBrief(_brief.Minutes, [.. here.Select(c => DanceOf(week, c))], _brief.Way, _brief.Class)
            {
                Kind = _brief.Kind,
                Group = _brief.Group
            },
            [.. here.Select(c => _states[c.Dance].Bites)],
            here.ConvertAll(c => c.Dance));
    }

    private LessonDance DanceOf(int week, CourseCell cell)
    {
        var dance = _brief.Dances[cell.Dance];
        var state = _states[cell.Dance];
        return cell.New > 0 ? dance with { IsKnown = false, From = cell.From, Until = cell.Until }
            : dance with
            {
                IsKnown = true,
                Kept = cell.Kept ?? 0,
                Learned = cell.RecapSeconds > 0 ? state.LearnedAt(week) : [],
                // What is not whole yet fills no minutes by being danced to its music.
                Until = cell.From < state.Bites.Count ? cell.From : null,
            };
    }

    /// <summary>How far a dance is, and how each stretch of it is kept that was new in one week.</summary>
    private sealed class State(IReadOnlyList<Bite> bites)
    {
        private readonly List<(double Seconds, List<bool> Clean, int LastWeek)> _stretches = [];

        public IReadOnlyList<Bite> Bites => bites;

        public int Taught { get; private set; }

        public List<Learned> LearnedAt(int week) =>
            _stretches.ConvertAll(s => new Learned(
                Memory.Kept(Memory.HalfLife(s.Clean)!.Value, (week - s.LastWeek) * DaysAWeek),
                s.Seconds));

        /// <summary>A week that goes on recalls all of it; one that only brings it back, what is due.</summary>
        public void Danced(int week, CourseCell cell, double seconds)
        {
            var learned = LearnedAt(week);
            for (var i = 0; i < learned.Count; i++)
            {
                if (cell.New > 0 || (cell.RecapSeconds > 0 && learned[i].IsDue))
                {
                    _stretches[i].Clean.Add(true);
                    _stretches[i] = _stretches[i] with { LastWeek = week };
                }
            }

            if (cell.New > 0)
            {
                _stretches.Add((seconds, [true], week));
            }

            Taught = cell.Until;
        }
    }
}
