using FondCompass.Application.Lessons;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Courses;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Courses;

/// <summary>A course with what each of its weeks does, reckoned anew from what is kept of it.</summary>
/// <param name="Dances">Its dances that are on the shelf, in the order in which they are begun.</param>
/// <param name="Missing">How many of its dances are deleted.</param>
public sealed record CourseTable(CourseRecord Record, IReadOnlyList<(Guid Id, string Title)> Dances, int Missing, CoursePlan Plan)
{
    public static async Task<CourseTable> Load(
        CourseRecord course,
        DanceShelf shelf,
        LessonBook book,
        InstructorClock clock,
        CancellationToken cancel)
    {
        var lexicon = await shelf.Lexicon(cancel);
        var (ids, dances) = (new List<(Guid, string)>(), new List<LessonDance>());
        var records = await shelf.FindAll(course.Dances, cancel);
        foreach (var id in course.Dances.Where(records.ContainsKey))
        {
            ids.Add((id, records[id].Title));
            dances.Add(TaughtClass.DanceOf(records[id], lexicon));
        }

        // Places in what is settled are those of all its dances; one that is deleted takes its settled weeks with it.
        var places = course.Dances.Select(d => ids.FindIndex(i => i.Item1 == d)).ToList();
        var settled = course.Settled.Cells.Where(s => s.Dance < places.Count && places[s.Dance] >= 0)
            .ToDictionary(s => (s.Week - 1, places[s.Dance]), s => s.Bites);
        var held = await book.HeldWith(course.GroupId, cancel);
        var log = TaughtClass.StepsOf(held, await shelf.LinesOf([.. held.SelectMany(l => l.Dances).Distinct()], cancel), clock.Today);
        var plan = CoursePlanner.Plan(Brief(course, dances, lexicon, log) with { Settled = settled });
        return new CourseTable(course, ids, course.Dances.Length - ids.Count, plan);
    }

    /// <summary>
    /// A week's lesson as it is planned: the dance it begins with, and what is asked; null where it has nothing to teach or bring back.
    /// </summary>
    public (Guid First, PlanState State)? Asked(CourseWeek week)
    {
        var taught = week.Dances.Where(d => week.Cells[d].New > 0).ToList();
        // A week that only brings back begins with the dance that is due most.
        var here = taught.Count > 0 ? taught : week.Dances.OrderBy(d => week.Cells[d].Kept).Take(1).ToList();
        if (here.Count == 0)
        {
            return null;
        }

        var spans = here.Select((d, i) => (Cell: week.Cells[d], Place: i))
            .Where(s => taught.Count == 0 || !(s.Cell.From == 0 && s.Cell.IsWhole))
            .Select(s => new BiteSpan(s.Place, s.Cell.From, s.Cell.New > 0 ? s.Cell.Until : s.Cell.From));
        var asked = new LessonAsked { Minutes = Record.Minutes, Kind = Record.Way.Kind, Way = Record.Way.Way, Spans = [.. spans] };
        return (Dances[here[0]].Id, new PlanState(asked, [.. here.Skip(1).Select(d => Dances[d].Id)], Record.GroupId));
    }

    /// <summary>What the lesson of a week brings back and has to fill with, beside what it teaches.</summary>
    public IReadOnlyList<LessonDance> Known(int week, IReadOnlyCollection<Guid> taught) => week < 1 || week > Plan.Weeks.Count ? []
        : [.. Plan.Weeks[week - 1].Brief.Dances.Where((d, i) => d.IsKnown && !taught.Contains(Dances[Plan.Weeks[week - 1].Dances[i]].Id))];

    private static CourseBrief Brief(CourseRecord course, List<LessonDance> dances, StepLexicon lexicon, IReadOnlyList<StepState> log)
    {
        var usual = dances.Count > 0
            ? LessonLayout.SuggestedFor(dances[0], course.Group, course.Way.Kind)
            : (Kind: LessonKind.Hall, Way: new TeachingWay(), Why: "");
        return new CourseBrief(
            course.Weeks,
            course.Minutes,
            dances,
            course.Way.Way.Over(usual.Way),
            TaughtClass.KnowledgeOf(course.Group, lexicon, log))
        {
            Kind = usual.Kind,
            Group = TaughtClass.PaceOf(course.Group)
        };
    }
}
