using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Lessons;

/// <summary>What a lesson that was held says of the next.</summary>
/// <param name="Dances">What is next of each of its dances, with its title.</param>
/// <param name="Plan">The next lesson as it would be planned: the dance it begins with, and what is asked; null where none of its dances is
/// on the shelf.</param>
public sealed record NextLesson(IReadOnlyList<(string Title, NextTime Next)> Dances, (Guid First, PlanState State)? Plan)
{
    public static readonly NextLesson None = new([], null);

    /// <param name="log">What its boards told.</param>
    /// <param name="blocks">The plan it was held with.</param>
    /// <param name="hasEvents">Boards told of it; else a block has taken what it was planned for.</param>
    public static async Task<NextLesson> Read(
        LessonRecord lesson,
        LessonLog log,
        IReadOnlyList<HeldBlock> blocks,
        bool hasEvents,
        DanceShelf shelf,
        LessonBook book,
        CancellationToken cancel)
    {
        var (lexicon, records) = (await shelf.Lexicon(cancel), await shelf.FindAll([.. lesson.Dances], cancel));
        var held = await book.HeldWith(lesson.GroupId, [.. lesson.Dances], cancel);
        var (next, spans) = (new List<(string, NextTime)>(), new List<BiteSpan>());
        var here = lesson.Dances.Select((d, i) => (Id: d, Place: i))
            .Where(d => records.ContainsKey(d.Id) && lesson.HeldOf(d.Id) is not null)
            .ToList();
        foreach (var (id, place) in here)
        {
            // Seconds that the plan's blocks took in which a line was first taught: walked, danced and joined by itself.
            double SpentOn(string part, int line) =>
                blocks.Where(b => b.Dance == place
                    && b.Kind is "walk" or "dance"
                    && b.Bites.Any(x => x.Part == part && x.Line <= line && x.LastLine >= line))
                .Sum(b => log.BlockOf(b.Id) is { } told && told.WasDone(b.Seconds) ? told.Seconds : hasEvents ? 0 : b.Seconds);
            var analysis = Core.Analysis.WhileWaited(records[id].Script, lexicon, cancel);
            next.Add((records[id].Title, TaughtClass.NextOf(id, LoggedLine.LinesOf(analysis, lexicon), held, lesson, SpentOn)));
            // What was taught is recalled, and what is new begins behind it.
            if (next[^1].Item2.GoOn is not null && TaughtOf(analysis, lexicon, lesson.HeldOf(id)!.ReachedLine) is > 0 and var taught)
            {
                spans.Add(new BiteSpan(next.Count - 1, taught));
            }
        }

        var asked = new LessonAsked
        {
            Minutes = lesson.Minutes,
            Kind = lesson.Asked.Kind,
            Way = lesson.Asked.Way with { Until = null },
            Version = lesson.Asked.Version,
            Spans = spans
        };
        return new NextLesson(
            next,
            here.Count > 0 ? (here[0].Id, new PlanState(asked, [.. here.Skip(1).Select(d => d.Id)], lesson.GroupId)) : null);
    }

    /// <summary>Bites up to a line that was reached.</summary>
    private static int TaughtOf(Core.Analysis analysis, StepLexicon lexicon, int reached)
    {
        var lines = LoggedLine.Patterns(analysis).ToList();
        return Bites.Cut(analysis, new ClassKnowledge(lexicon, ClassLevel.Regular), Bites.UsualTempo)
            .TakeWhile(b => lines.FindIndex(l => l.Pattern.Part.Name == b.Part && l.Line.Number == b.Line) is >= 0 and var at
                && at < reached)
            .Count();
    }
}
