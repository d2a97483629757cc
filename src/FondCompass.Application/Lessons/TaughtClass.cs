using FondCompass.Core;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Lessons;
using FondCompass.Data.Dances;
using FondCompass.Data.Records;

namespace FondCompass.Application.Lessons;

/// <summary>Groups, dances and lessons as the shelf keeps them, told to the core.</summary>
public static class TaughtClass
{
    public static ClassLevel LevelOf(GroupRecord? group) =>
        WayWords.Levels.TryGetValue(group?.Level ?? "", out var level) ? level : ClassLevel.Beginner;

    /// <summary>What a lesson that is kept was asked to be.</summary>
    public static PlanState StateOf(LessonRecord lesson) => new(lesson.Asked, lesson.Also, lesson.GroupId);

    /// <summary>The week of a course that a lesson is; null for one by itself.</summary>
    public static CourseWeekOf? WeekOf(LessonRecord lesson) => lesson.CourseId is { } course ? new CourseWeekOf(course, lesson.Week) : null;

    /// <summary>What a group knows: by its log, and by hand where the instructor said otherwise.</summary>
    public static ClassKnowledge KnowledgeOf(GroupRecord? group, StepLexicon lexicon, IReadOnlyList<StepState>? log = null)
    {
        string Own(string name) => lexicon.Find(name.ToLowerInvariant())?.Name ?? name.ToLowerInvariant();
        var (knows, seen) = (Names(group?.Knows), Names(group?.Seen));
        var byHand = knows.Concat(seen).Select(Own).ToHashSet();
        IEnumerable<string> Logged(Familiarity how) =>
            (log ?? []).Where(s => s.Familiarity == how && !byHand.Contains(s.Step)).Select(s => s.Step);
        return new ClassKnowledge(
            lexicon,
            LevelOf(group),
            [.. knows, .. Logged(Familiarity.Known)],
            [.. seen, .. Logged(Familiarity.Seen)]);
    }

    /// <summary>What the lessons held say of each line of a dance.</summary>
    public static LineLog LinesOf(Guid dance, IReadOnlyList<LoggedLine> lines, IEnumerable<LessonRecord> held)
    {
        var lessons = held.Select(l => l.HeldOf(dance)).OfType<DanceHeld>().ToList();
        return new LineLog(lines.Select((l, i) => (Key: (l.Part, l.Line), Place: i + 1)).DistinctBy(l => l.Key).ToDictionary(
            l => l.Key,
            l => (lessons.Count(h => h.ReachedLine >= l.Place
                || h.WeakLines.Contains(l.Place)), lessons.Count(h => h.WeakLines.Contains(l.Place)))));
    }

    /// <summary>Each line of a dance in the lessons held, as it is called, with the days on which it was danced.</summary>
    /// <param name="spent">Seconds first spent on a line of a part; 0 where nobody knows.</param>
    public static IReadOnlyList<LineDanced> DaysOf(
        Guid dance,
        IReadOnlyList<LoggedLine> lines,
        IEnumerable<LessonRecord> held,
        Func<string, int, double>? spent = null)
    {
        var lessons = held.OrderBy(l => l.Date).Select(l => (l.Date, Went: l.HeldOf(dance)!)).Where(l => l.Went is not null).ToList();
        return [.. lines.Select((l, i) => new LineDanced(
            l.Name,
            [.. lessons.Where(h => h.Went.ReachedLine > i || h.Went.WeakLines.Contains(i + 1))
                .Select(h => (h.Date, MarkOf(h.Went, i + 1)))],
            spent?.Invoke(l.Part, l.Line) ?? 0))];
    }

    /// <summary>What the lessons with a dance say of the one a week after the last of them.</summary>
    /// <param name="held">Lessons of one group, <paramref name="last"/> among them.</param>
    public static NextTime NextOf(
        Guid dance,
        IReadOnlyList<LoggedLine> lines,
        IEnumerable<LessonRecord> held,
        LessonRecord last,
        Func<string, int, double>? spent = null)
    {
        var went = last.HeldOf(dance) ?? new DanceHeld();
        return NextTime.Advise(
            DaysOf(dance, lines, held.Where(l => l.Held && l.Date <= last.Date), spent),
            went.ReachedLine,
            went.RatePercent,
            LessonDay.After(last.Date, DaysToNext));
    }

    /// <summary>Days from a lesson to the next, as classes meet.</summary>
    public const int DaysToNext = 7;

    /// <summary>What was marked of a line, from 1: clean, lost, or nothing.</summary>
    private static bool? MarkOf(DanceHeld went, int line) =>
        went.WeakLines.Contains(line) ? false : went.CleanLines.Contains(line) ? true : null;

    /// <summary>How far a dance of a lesson got, in words; lines by their names.</summary>
    /// <param name="lines">The names of the dance's lines; their numbers where they are not at hand.</param>
    public static string WordsOf(DanceHeld went, IReadOnlyList<string>? lines = null)
    {
        string Name(int line) => lines is not null && line <= lines.Count ? lines[line - 1] : DeskTexts.EightNumber(line);
        var reached = went.ReachedLine > 0
            ? (went.RatePercent > 0
                ? DeskTexts.ReachedAt(Name(went.ReachedLine), went.RatePercent)
                : DeskTexts.Reached(Name(went.ReachedLine)))
            : went.RatePercent > 0 ? DeskTexts.DancedAt(went.RatePercent)
            : DeskTexts.NoLineReached;
        var lost = went.WeakLines.Length > 0 ? DeskTexts.Lost(string.Join(", ", went.WeakLines.Select(Name))) : "";
        var isAllClean = went.ReachedLine > 0 && Enumerable.Range(1, went.ReachedLine).All(went.CleanLines.Contains);
        var clean = went.CleanLines.Length == 0 ? ""
            : isAllClean ? DeskTexts.CleanAll
            : DeskTexts.Clean(string.Join(", ", went.CleanLines.Select(Name)));
        return $"{reached}{lost}{clean}";
    }

    /// <summary>The lines of a dance as they are called.</summary>
    public static IReadOnlyList<string> LineNames(Analysis analysis)
    {
        var logged = LoggedLine.Patterns(analysis);
        var several = logged.Select(l => l.Pattern).Distinct().Count() > 1;
        return [.. logged.Select(l => Core.Wording.PartWording.Name(l.Pattern.Part, l.Line, several))];
    }

    /// <summary>Every named step of the lessons held, line by line as far as the class got.</summary>
    /// <param name="lines">The lines of their dances.</param>
    public static IReadOnlyList<StepState> StepsOf(
        IReadOnlyList<LessonRecord> held,
        IReadOnlyDictionary<Guid, IReadOnlyList<LoggedLine>> lines,
        DateOnly today) =>
        StepLog.Read(
            held.SelectMany(l => l.Dances.Where(lines.ContainsKey), (l, dance) => (l.Date, Lines: lines[dance], Went: l.HeldOf(dance)!))
                .Where(l => l.Went is not null)
            .SelectMany(l => l.Lines.Take(l.Went.ReachedLine)
                .SelectMany((line, i) => line.Steps.Select(s => new StepDanced(l.Date, s, MarkOf(l.Went, i + 1), l.Went.RatePercent)))),
                today);

    /// <summary>What is known of a group's pace: its given numbers, and what the log makes of the others.</summary>
    public static GroupPace PaceOf(GroupRecord? group) => new()
    {
        SecondsPerAction = group?.SecondsPerAction,
        TalkPerBite = group?.TalkPerBite,
        WarmUpMinutes = group?.WarmUp,
        CoolDownMinutes = group?.CoolDown,
        Walking = Holds(group, Walk) ? 1 : group?.WalkFactor ?? 1,
        Talking = Holds(group, Talk) ? 1 : group?.TalkFactor ?? 1,
        Gathering = Holds(group, Gather) ? 1 : group?.GatherFactor ?? 1,
    };

    /// <summary>Words of constants that are held fast.</summary>
    public const string Walk = "walk", Talk = "talk", Gather = "gather";

    public static bool Holds(GroupRecord? group, string constant) => (group?.HeldFast ?? "").Split(' ').Contains(constant);

    /// <summary>
    /// Names out of a list as somebody writes one: with commas or a row each, dots before them, and "they know:" before all.
    /// </summary>
    public static IReadOnlyList<string> Names(string? list) =>
        [.. Listed(list)
            .Select(n => n.TrimStart('-', '*', '•', '·', ' ').Trim().TrimEnd('.'))
            .Select(n => n.StartsWith("and ", StringComparison.OrdinalIgnoreCase) ? n[4..] : n)
            .Where(n => n.Length > 0)
            .Distinct(StringComparer.OrdinalIgnoreCase)];

    private static string[] Listed(string? list) =>
        (list ?? "").Trim() is var text
            && text.IndexOf(':', StringComparison.Ordinal) is > 0 and < 24 and var colon
            && !text[..colon].Contains(',', StringComparison.Ordinal)
            && !text[..colon].Contains('\n', StringComparison.Ordinal)
            ? Parts(text[(colon + 1)..])
            : Parts(text);

    private static string[] Parts(string list) =>
        list.Split([',', ';', '\n'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    /// <summary>A dance of the shelf as it is danced to the track it is fitted to.</summary>
    /// <param name="cues">What the class is told otherwise; empty for nothing.</param>
    public static async Task<LessonDance> FittedOf(
        DanceRecord record,
        ClassCues cues,
        StepLexicon lexicon,
        TrackBook tracks,
        CancellationToken cancel)
    {
        var fit = record.Fit.Kept;
        var analysis = cues.On(Analysis.WhileWaited(fit.Under(record.Script), lexicon, cancel));
        var tempo = fit.Tempo ?? analysis.Dance.Header.Tempo?.Value ?? Bites.UsualTempo;
        var track = record.Fit.TrackId is { } id ? await tracks.Find(id, cancel) : null;
        var passages = track?.Passages ?? fit.Passages;
        var song = string.IsNullOrWhiteSpace(passages) ? null
            : SongText.Read(passages, new Bpm(tempo)) is { Problem: null, Song: var read } ? read
            : null;
        return new LessonDance(analysis, tempo, song) { Intro = fit.Intro };
    }

    /// <summary>A dance of the shelf at the tempo of its track, else at its own.</summary>
    public static LessonDance DanceOf(DanceRecord record, StepLexicon lexicon)
    {
        var analysis = Analysis.Analyse(record.Script, lexicon);
        return new LessonDance(analysis, record.Fit.Kept.Tempo ?? analysis.Dance.Header.Tempo?.Value ?? Bites.UsualTempo);
    }

    /// <summary>
    /// The share kept today by the lessons held of one dance; null while it was never clean, for then nothing is known to be kept.
    /// </summary>
    /// <param name="held">Lessons of one group in which it was danced.</param>
    public static double? KeptOf(Guid dance, IEnumerable<LessonRecord> held, DateOnly today) =>
        Memory.Kept(held.Select(l => (l.Date, l.WasClean(dance))), today);
}
