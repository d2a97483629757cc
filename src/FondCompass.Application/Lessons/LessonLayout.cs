using FondCompass.Application.Courses;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Lessons;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Lessons;

/// <summary>A week of a course, from 1.</summary>
public sealed record CourseWeekOf(Guid Course, int Week);

/// <summary>
/// What a lesson is laid out from: its dances, its class, and what the class knows; the same for who plans it and for who keeps what was
/// held.
/// </summary>
public sealed class LessonLayout
{
    /// <summary>Known dances of the group that may fill what is left.</summary>
    private const int MostKnown = 8;

    private readonly StepLexicon _lexicon;
    private readonly GroupRecord? _group;
    private readonly ClassKnowledge _knowledge;
    private readonly IReadOnlyList<LessonDance> _known;

    private LessonLayout(
        StepLexicon lexicon,
        GroupRecord? group,
        ClassKnowledge knowledge,
        IReadOnlyList<LessonDance> taught,
        IReadOnlyList<(Guid Id, string Title)> also,
        CourseRecord? course,
        IReadOnlyList<LessonDance> known)
    {
        (_lexicon, _group, _knowledge, Taught, Also, Course, _known) = (lexicon, group, knowledge, taught, also, course, known);
    }

    /// <summary>The dances that are taught, the first of the lesson first.</summary>
    public IReadOnlyList<LessonDance> Taught { get; }

    /// <summary>Further dances of the lesson that are on the shelf.</summary>
    public IReadOnlyList<(Guid Id, string Title)> Also { get; }

    /// <summary>The course of which the lesson is a week.</summary>
    public CourseRecord? Course { get; }

    /// <summary>The dances taught, by their titles.</summary>
    public string Titles => string.Join(", ", Taught.Select(d => d.Title));

    /// <summary>What is suggested for this kind of class, and why.</summary>
    /// <param name="asked">What is asked; the kind of lesson stands in it.</param>
    public (LessonKind Kind, TeachingWay Way, string Why) Suggested(LessonAsked asked) => SuggestedFor(Taught[0], _group, asked.Kind);

    /// <summary>
    /// All dances of the lesson, those that are known behind those that are taught; with their ids on the shelf, where they have one there.
    /// </summary>
    public IReadOnlyList<(Guid? Id, LessonDance Dance)> All { get; private init; } = [];

    /// <summary>The same dances by themselves.</summary>
    public IReadOnlyList<LessonDance> Dances => [.. All.Select(d => d.Dance)];

    /// <summary>Steps of the lessons held before, as the log has them.</summary>
    public IReadOnlyList<StepState> Steps { get; private init; } = [];

    /// <summary>Titles of dances that are not planned, since all of them have more lines or actions than are planned at once.</summary>
    public IReadOnlyList<string> LeftOut { get; private init; } = [];

    public ClassKnowledge Knowledge => _knowledge;

    /// <param name="first">The dance the lesson begins with, and its id.</param>
    /// <param name="state">What is asked, and the further dances.</param>
    /// <param name="week">The week of a course that it is; null for a lesson by itself.</param>
    /// <param name="lesson">The lesson itself, once it is held: what is logged of it does not change what it was planned from.</param>
    public static async Task<LessonLayout> Lay(
        (Guid Id, LessonDance Dance) first,
        PlanState state,
        CourseWeekOf? week,
        GroupRecord? group,
        DanceShelf shelf,
        LessonBook book,
        TrackBook tracks,
        Guid? lesson,
        InstructorClock clock,
        CancellationToken cancel)
    {
        var lexicon = await shelf.Lexicon(cancel);
        var (asked, variant) = (state.Asked, state.Asked.Version);
        var (taught, also) = (new List<LessonDance>
        {
            first.Dance with { Analysis = first.Dance.Analysis.In(variant) }
        }, new List<(Guid Id, string Title)>());
        var records = await shelf.FindAll([.. state.Also], cancel);
        var (size, leftOut) = (LessonSize.Measure(first.Dance), new List<string>());
        foreach (var dance in state.Also.Where(d => d != first.Id && records.ContainsKey(d)))
        {
            var fitted = await TaughtClass.FittedOf(records[dance], ClassCues.None, lexicon, tracks, cancel);
            if ((size + LessonSize.Measure(fitted)).IsTooMuch)
            {
                leftOut.Add(records[dance].Title);
                continue;
            }

            size += LessonSize.Measure(fitted);
            also.Add((dance, records[dance].Title));
            taught.Add(fitted with { Analysis = fitted.Analysis.In(variant) });
        }

        IReadOnlyList<LessonRecord> held = group is null ? [] : [.. (await book.HeldWith(group.Id, cancel)).Where(l => l.Id != lesson)];
        var lines = await shelf.LinesOf([.. held.SelectMany(l => l.Dances).Distinct()], cancel);
        var steps = TaughtClass.StepsOf(held, lines, clock.Today);
        var knowledge = TaughtClass.KnowledgeOf(group, lexicon, steps);
        List<Guid> here = [first.Id, .. also.Select(d => d.Id)];
        taught = [.. taught.Select((d, i) => d with
        {
            Logged = TaughtClass.LinesOf(here[i], LoggedLine.LinesOf(d.Analysis, lexicon), held)
        })];
        var usual = SuggestedFor(first.Dance, group, asked.Kind);
        if (usual.Kind == LessonKind.Party)
        {
            // Of a set the dances that the group has danced clean are danced to their songs.
            taught = [.. taught.Select((d, i) => TaughtClass.KeptOf(here[i], held, clock.Today) is { } kept
                ? d with { IsKnown = true, Kept = kept }
                : d)];
        }

        // Planned for somebody else it is no week of the course.
        if (week is var (id, number) && await book.Course(id, cancel) is { } course && course.GroupId == group?.Id)
        {
            var before = (await CourseTable.Load(course, shelf, book, clock, cancel)).Known(number, here);
            return new LessonLayout(lexicon, group, knowledge, taught, also, course, before)
            {
                All = [.. taught.Select((d, i) => ((Guid?)here[i], d)), .. before.Select(d => ((Guid?)null, d))],
                Steps = steps,
                LeftOut = leftOut
            };
        }

        var known = await Known(held, here, dance =>
            LessonPlanner.TeachingSeconds(dance, asked.Way.Over(usual.Way), knowledge, TaughtClass.PaceOf(group), usual.Kind),
                shelf,
                tracks,
                lexicon,
                clock.Today,
                cancel);
        return new LessonLayout(lexicon, group, knowledge, taught, also, null, [.. known.Select(k => k.Dance)])
        {
            All = [.. taught.Select((d, i) => ((Guid?)here[i], d)), .. known.Select(k => ((Guid?)k.Id, k.Dance))],
            Steps = steps,
            LeftOut = leftOut,
        };
    }

    /// <summary>The way that is asked for, over what is suggested.</summary>
    public TeachingWay Way(LessonAsked asked) => asked.Way.Over(Suggested(asked).Way);

    public LessonPlan Plan(LessonAsked asked) => LessonPlanner.Plan(BriefOf(asked), _lexicon);

    /// <summary>The plan with its rest as it was asked for while it was held.</summary>
    public LessonPlan Plan(LessonAsked asked, RestAsked? rest) =>
        (rest ?? RestAsked.None).Steps.Aggregate(Plan(asked), (plan, step) => Rest(asked, plan, step, CancellationToken.None));

    /// <summary>A plan with its rest anew.</summary>
    public LessonPlan Rest(LessonAsked asked, LessonPlan plan, RestStep step, CancellationToken cancel) =>
        RestPlanner.Plan(BriefOf(asked), plan, step, _lexicon, cancel);

    /// <summary>The constants it is planned with, before anything is learned from the group's log.</summary>
    public ClassPace UsualPace(LessonAsked asked) => BriefOf(asked).UsualPace;

    private LessonBrief BriefOf(LessonAsked asked)
    {
        // Known dances fill a hall lesson, and what a week of a course has left; in the other kinds they are known, and no more.
        var isFilled = Suggested(asked).Kind == LessonKind.Hall || Course is not null;
        return new(
            asked.Minutes, [.. Taught.Select(asked.Of), .. isFilled ? _known : []], Way(asked), _knowledge)
        {
            Familiar = isFilled ? [] : _known,
            Kind = Suggested(asked).Kind,
            WarmUpMoves = asked.WarmUp,
            CoolDownMoves = asked.CoolDown,
            Changes = asked.Changes,
            Recaps = !asked.WithoutRecaps,
            Group = TaughtClass.PaceOf(_group),
        };
    }

    /// <summary>What may be danced side by side in each dance that is taught, with the dance's place in the lesson.</summary>
    public IReadOnlyList<(int Dance, SideBySide Offer)> Beside(LessonPlan plan, CancellationToken cancel) =>
        [.. Taught.SelectMany((d, i) =>
        {
            // Versions stand in lines, however those are joined and split to be taught.
            var (knowledge, taught) = (_knowledge, plan.Bites[i].SelectMany(b => b.Lines.Select(l => (b.Part, l))).ToHashSet());
            return MixedClass.Choices(
                d,
                [.. Bites.Cut(d.Analysis, knowledge, d.Tempo).Where(b => taught.Contains((b.Part, b.Line)))],
                knowledge,
                _lexicon,
                cancel)
                .Select(o => (i, o));
        })];

    /// <summary>The kind of lesson a group is used to; null where none was kept.</summary>
    public static LessonKind? KindOf(GroupRecord? group) => group?.Habits.Kind;

    /// <summary>
    /// The kind of lesson, asked for or usual, and how it is taught: as the group is used to it, where that was kept for this kind; else
    /// what fits the kind.
    /// </summary>
    public static (LessonKind Kind, TeachingWay Way, string Why) SuggestedFor(
        LessonDance dance,
        GroupRecord? group,
        LessonKind? asked = null)
    {
        var habits = group?.Habits is { } kept && kept != TeachingHabit.AsSuggested ? kept : null;
        var usual = LessonKinds.Usual(dance.Analysis.Dance.Header.Genre, dance.Analysis.Dance.IsFree);
        var kind = asked ?? habits?.Kind ?? usual;
        var rules = LessonKinds.RulesOf(kind);
        var way = rules.Way(dance.Analysis.Dance.IsPhrased);
        return habits is not null && (habits.Kind ?? usual) == kind
            ? (kind, habits.Way.Over(way), DeskTexts.AsTheGroupIsUsed(group!.Name))
            : (kind, way, rules.Why);
    }

    /// <summary>
    /// What this group has danced clean before, those least kept first. What no lesson reached the end of comes back as far as it was
    /// reached, and fills nothing.
    /// </summary>
    private static async Task<IReadOnlyList<(Guid Id, LessonDance Dance)>> Known(
        IReadOnlyList<LessonRecord> held,
        List<Guid> here,
        Func<LessonDance, double> spent,
        DanceShelf shelf,
        TrackBook tracks,
        StepLexicon lexicon,
        DateOnly today,
        CancellationToken cancel)
    {
        var danced = held.SelectMany(l => l.Dances, (l, dance) => (Dance: dance, Lesson: l))
            .Where(d => !here.Contains(d.Dance))
            .GroupBy(d => d.Dance, d => d.Lesson)
            .Select(g => (Dance: g.Key, Kept: TaughtClass.KeptOf(g.Key, g, today), Lessons: g.ToList()))
            .Where(d => d.Kept is not null)
            .OrderBy(d => d.Kept)
            .Take(MostKnown)
            .ToList();
        var records = await shelf.FindAll([.. danced.Select(d => d.Dance)], cancel);
        var known = new List<(Guid Id, LessonDance Dance)>();
        foreach (var (id, kept, lessons) in danced.Where(d => records.ContainsKey(d.Dance)))
        {
            var dance = await TaughtClass.FittedOf(records[id], ClassCues.None, lexicon, tracks, cancel);
            // A dance beside another of which nobody said how far it went counts as danced whole.
            var reached = lessons.Max(l => l.HeldOf(id)?.ReachedLine ?? int.MaxValue);
            dance = dance with { Until = reached < LoggedLine.Patterns(dance.Analysis).Count ? reached : null };
            known.Add((id, dance with
            {
                IsKnown = true,
                Kept = kept!.Value,
                Learned = reached == 0 ? [] : [new Learned(kept.Value, spent(dance))]
            }));
        }

        return known;
    }
}
