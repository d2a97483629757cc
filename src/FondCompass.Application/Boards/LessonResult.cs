using FondCompass.Application.Lessons;
using FondCompass.Core.Teaching.Boards;

namespace FondCompass.Application.Boards;

/// <summary>
/// What a lesson's log says of one of its dances, line by line: from blocks that the class danced, never from what was shown, nor from what
/// was left out.
/// </summary>
/// <param name="Reached">Lines, from the first, that were danced without one left out between.</param>
/// <param name="Rate">The fastest rate at which a block was danced without losing it, in percent; 0 for walked.</param>
/// <param name="Weak">Places of the lines that were marked as lost, from 1.</param>
/// <param name="Clean">Places of the lines that were marked as clean, and nowhere as lost.</param>
public sealed record LessonResult(int Reached, int Rate, IReadOnlyList<int> Weak, IReadOnlyList<int> Clean)
{
    /// <param name="dance">The dance's place in the lesson, from 0.</param>
    /// <param name="lines">The dance's lines as they are logged: part and number.</param>
    public static LessonResult Read(IReadOnlyList<HeldBlock> blocks, int dance, LessonLog log, IReadOnlyList<(string Part, int Line)> lines)
    {
        var own = blocks.Where(b => b.Dance == dance).ToList();
        int PlaceOf((string, int) line) => lines.ToList().IndexOf(line) + 1;
        IEnumerable<int> LinesOf(HeldBite bite) =>
            Enumerable.Range(bite.Line, Math.Max(1, bite.LastLine - bite.Line + 1)).Select(l => PlaceOf((bite.Part, l))).Where(p => p > 0);
        var danced = own.Where(b => b.Rate is not null
            && b.Kind != "show"
            && log.BlockOf(b.Id) is { Repeats: > 0 } held
            && held.WasDone(b.Seconds))
            .ToList();
        // Danced up to there without a gap: who teaches from the end has not reached the end with its first bite.
        var places = danced.SelectMany(b => b.Bites).SelectMany(LinesOf).ToHashSet();
        var reached = Enumerable.Range(1, lines.Count).TakeWhile(places.Contains).Count();
        var bites = own.SelectMany(b => b.Bites).GroupBy(b => b.Key).ToDictionary(g => g.Key, g => g.First());
        var weak = log.Marks.Where(m => own.Any(b => b.Id == m.Block) || (m.Block.Length == 0 && dance == 0))
            .Select(m => bites.GetValueOrDefault(m.Bite))
            .OfType<HeldBite>()
            .SelectMany(LinesOf)
            .Distinct()
            .Order()
            .ToList();
        var clean = danced.Where(b => log.BlockOf(b.Id)!.IsClean)
            .SelectMany(b => b.Bites)
            .SelectMany(LinesOf)
            .Distinct()
            .Except(weak)
            .Order()
            .ToList();
        return new LessonResult(reached, danced.Select(b => log.BlockOf(b.Id)!.CleanRate).DefaultIfEmpty(0).Max(), weak, clean);
    }
}
