using System.Globalization;
using FondCompass.Core.Days;
using FondCompass.Core.Lessons;
using FondCompass.Core.Steps;
using FondCompass.Data;
using FondCompass.Data.Records;
using FondCompass.Web.Pages.Dances;

namespace FondCompass.Web.Pages.Courses;

/// <summary>A course with what each of its weeks does, reckoned anew from what is kept of it.</summary>
/// <param name="Dances">Its dances that are on the shelf, in the order in which they are begun.</param>
/// <param name="Missing">How many of its dances are deleted.</param>
public sealed record CourseTable(CourseRecord Record, IReadOnlyList<(Guid Id, string Title)> Dances, int Missing, CoursePlan Plan)
{
    private const char OfDance = '.', IsNew = '=';

    /// <summary>Reads what the instructor settled: "2.0=3;4.1=0", week from 1, dance by its place.</summary>
    public static IReadOnlyDictionary<(int Week, int Dance), int> Settled(string text)
    {
        var settled = new Dictionary<(int Week, int Dance), int>();
        foreach (var entry in text.Split(';', StringSplitOptions.RemoveEmptyEntries))
        {
            if (entry.Split(OfDance, IsNew) is [var week, var dance, var bites] && Number(week) is >= 1 and var w && Number(dance) is { } d && Number(bites) is { } b)
            {
                settled[(w - 1, d)] = b;
            }
        }

        return settled;
    }

    /// <summary>What is settled with one cell more; null bites let it go.</summary>
    public static string With(string text, int week, int dance, int? bites)
    {
        var settled = new Dictionary<(int Week, int Dance), int>(Settled(text));
        settled.Remove((week - 1, dance));
        if (bites is { } number)
        {
            settled[(week - 1, dance)] = number;
        }

        return string.Join(';', settled.OrderBy(s => s.Key.Week).ThenBy(s => s.Key.Dance).Select(s => string.Create(CultureInfo.InvariantCulture, $"{s.Key.Week + 1}{OfDance}{s.Key.Dance}{IsNew}{s.Value}")));
    }

    /// <summary>What is settled when the dances come in another order, or others come: it goes with its dance and ends with the weeks.</summary>
    public static string Reordered(string text, IReadOnlyList<Guid> before, List<Guid> now, int weeks) => Settled(text)
        .Where(s => s.Key.Week < weeks && s.Key.Dance < before.Count && now.Contains(before[s.Key.Dance]))
        .Aggregate("", (kept, s) => With(kept, s.Key.Week + 1, now.IndexOf(before[s.Key.Dance]), s.Value));

    public static async Task<CourseTable> Of(CourseRecord course, DanceShelf shelf, LessonBook book, InstructorClock clock, CancellationToken cancel)
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
        var settled = Settled(course.Settled).Where(s => s.Key.Dance < places.Count && places[s.Key.Dance] >= 0).ToDictionary(s => (s.Key.Week, places[s.Key.Dance]), s => s.Value);
        var held = await book.HeldWith(course.GroupId, cancel);
        var log = TaughtClass.StepsOf(held, await shelf.LinesOf([.. held.SelectMany(l => l.Dances).Distinct()], cancel), clock.Today);
        var plan = CoursePlanner.Plan(Brief(course, dances, lexicon, log) with { Settled = settled });
        return new CourseTable(course, ids, course.Dances.Length - ids.Count, plan);
    }

    /// <summary>The address at which a week is planned as a lesson; null where it has nothing to teach or bring back.</summary>
    public string? LessonOf(CourseWeek week) => Asked(week) is var (first, asked) ? asked.Address(first) : null;

    /// <summary>A week's lesson as the plan's page has it: its first dance, and what is asked.</summary>
    public (Guid First, PlanAsked Asked)? Asked(CourseWeek week)
    {
        var taught = week.Dances.Where(d => week.Cells[d].New > 0).ToList();
        // A week that only brings back begins with the dance that is due most.
        var here = taught.Count > 0 ? taught : week.Dances.OrderBy(d => week.Cells[d].Kept).Take(1).ToList();
        if (here.Count == 0)
        {
            return null;
        }

        var spans = here.Select((d, i) => week.Cells[d].New > 0 && !(week.Cells[d].From == 0 && week.Cells[d].IsWhole)
            ? string.Create(CultureInfo.InvariantCulture, $"{i}.{week.Cells[d].From}-{week.Cells[d].Until}") : taught.Count == 0 ? string.Create(CultureInfo.InvariantCulture, $"{i}.{week.Cells[d].From}-{week.Cells[d].From}") : "").Where(s => s.Length > 0);
        return (Dances[here[0]].Id, PlanAsked.Of(Record.Way)
            .With("minutes", string.Create(CultureInfo.InvariantCulture, $"{Record.Minutes}")).With("class", $"{Record.GroupId}").With("order", PlanAsked.Of(Record.Way)["order"])
            .WithAlso(here.Skip(1).Select(d => Dances[d].Id)).With("span", string.Join(',', spans)).With("course", string.Create(CultureInfo.InvariantCulture, $"{Record.Id}.{week.Number}")));
    }

    /// <summary>What the lesson of a week brings back and has to fill with, beside what it teaches.</summary>
    public IReadOnlyList<LessonDance> Known(int week, IReadOnlyCollection<Guid> taught) => week < 1 || week > Plan.Weeks.Count ? []
        : [.. Plan.Weeks[week - 1].Brief.Dances.Where((d, i) => d.IsKnown && !taught.Contains(Dances[Plan.Weeks[week - 1].Dances[i]].Id))];

    private static CourseBrief Brief(CourseRecord course, List<LessonDance> dances, StepLexicon lexicon, IReadOnlyList<StepState> log)
    {
        var asked = PlanAsked.Of(course.Way);
        var usual = dances.Count > 0 ? LessonLayout.SuggestedFor(dances[0], course.Group, asked.Kind) : (Kind: LessonKind.Hall, Way: new TeachingWay(), Why: "");
        return new CourseBrief(course.Weeks, course.Minutes, dances, asked.Over(usual.Way), TaughtClass.KnowledgeOf(course.Group, lexicon, log)) { Kind = usual.Kind, Group = TaughtClass.PaceOf(course.Group) };
    }

    private static int? Number(string text) => int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : null;
}
