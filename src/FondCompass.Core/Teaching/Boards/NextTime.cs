using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Boards;

/// <summary>One line of a dance in the lessons of a group.</summary>
/// <param name="Name">As it is called.</param>
/// <param name="Days">Each day on which it was danced, and what was marked then: clean, lost, or nothing (null).</param>
/// <param name="Spent">Seconds first spent on it; 0 where nobody knows.</param>
public sealed record LineDanced(string Name, IReadOnlyList<(DateOnly Day, bool? Clean)> Days, double Spent)
{
    /// <summary>The share reckoned to be kept on a day; null where it was never clean.</summary>
    public double? KeptOn(DateOnly day) => Memory.Kept(Days, day);
}

/// <summary>A line to be brought back, and how long that takes.</summary>
/// <param name="Kept">The share reckoned to be kept by then; null where it was never clean.</param>
public readonly record struct RecapLine(string Name, double? Kept, double Seconds);

/// <summary>What the lessons so far say of the next (rules, section 7).</summary>
/// <param name="Recap">What is due then, or was never clean; those kept least first.</param>
/// <param name="Rate">Percent at which to begin.</param>
/// <param name="GoOn">The line that is new then; null when all were reached.</param>
public sealed record NextTime(IReadOnlyList<RecapLine> Recap, int Rate, string? GoOn)
{
    /// <summary>Percent under the best clean rate at which what was lost is taken up again, and the slowest there is.</summary>
    private const int Slower = 15, Slowest = 60;

    public double Seconds => Recap.Sum(r => r.Seconds);

    /// <param name="lines">The dance's lines, as many as were reached first.</param>
    /// <param name="reached">Lines that the last lesson reached.</param>
    /// <param name="rate">Its best clean rate in percent; 0 for walked.</param>
    /// <param name="next">The day of the next lesson.</param>
    public static NextTime Advise(IReadOnlyList<LineDanced> lines, int reached, int rate, DateOnly next)
    {
        var due = lines.Take(reached)
            .Select(l => new RecapLine(l.Name, l.KeptOn(next), 0) is var r && l.KeptOn(next) is { } kept
                ? r with { Seconds = new Learned(kept, l.Spent).Recap }
                : r with { Seconds = l.Spent })
            .Where(r => r.Kept is null or < Memory.Due).OrderBy(r => r.Kept ?? -1).ToList();
        var lost = lines.Take(reached).Any(l => l.Days.Count > 0 && l.Days[^1].Clean == false);
        return new NextTime(due, Math.Clamp(lost ? rate - Slower : rate, Slowest, 100), reached < lines.Count ? lines[reached].Name : null);
    }

    private static string Named(RecapLine line) =>
        line.Kept is { } kept
            ? BoardTexts.KeptByThen(line.Name, kept)
            : BoardTexts.NeverCleanYet(line.Name);

    /// <summary>The same in a sentence or two.</summary>
    public string Words
    {
        get
        {
            var then = GoOn is { } line ? BoardTexts.GoOnWith(line)
                : Recap.Count == 0 ? BoardTexts.KnownDanceItWhole
                : BoardTexts.DanceItOnEveryWall;
            if (Recap.Count == 0)
            {
                return BoardTexts.NextTime(then);
            }

            var lines = string.Join(", ", Recap.Select(Named));
            return BoardTexts.NextTimeThen(
                Seconds > 0 ? BoardTexts.RecapMinutes(lines, LessonWords.Clock(Seconds), Rate) : BoardTexts.Recap(lines, Rate),
                then);
        }
    }
}
