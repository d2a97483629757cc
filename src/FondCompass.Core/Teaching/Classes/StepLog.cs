namespace FondCompass.Core.Teaching.Classes;

/// <summary>One step as it was danced in one lesson.</summary>
/// <param name="Step">The lexicon's name of it.</param>
/// <param name="IsClean">Its line was marked: clean, or lost; null where nothing was.</param>
/// <param name="Rate">Percent of full tempo; 0 where it was only walked.</param>
public readonly record struct StepDanced(DateOnly Day, string Step, bool? IsClean, int Rate);

/// <summary>What a group's log says of one step.</summary>
/// <param name="Kept">Reckoned to be kept by now, 0 to 1; null while it was never clean.</param>
/// <param name="BestRate">Percent of full tempo at which it was clean at best; 0 for walked or never.</param>
public sealed record StepState(string Step, DateOnly First, DateOnly Last, int Lessons, double? Kept, int BestRate)
{
    /// <summary>Clean when it was marked last: known; else seen.</summary>
    public required Familiarity Familiarity { get; init; }

    public bool IsFading => Kept < Memory.Fading;
}

/// <summary>
/// What a group knows by its log (rules, section 7): a step that was marked clean is known, one that was lost the last time, or never
/// marked, is seen.
/// </summary>
public static class StepLog
{
    /// <summary>Every step danced, those kept least first.</summary>
    public static IReadOnlyList<StepState> Read(IEnumerable<StepDanced> danced, DateOnly today) =>
        [.. danced.GroupBy(d => d.Step).Select(step =>
    {
        // In one lesson a step is clean when a line with it was marked so and none was lost.
        var days = step.GroupBy(d => d.Day)
            .OrderBy(d => d.Key)
            .Select(d => (Day: d.Key, Clean: d.Any(x => x.IsClean == false) ? false : d.Any(x => x.IsClean == true) ? true : (bool?)null))
            .ToList();
        return new StepState(
            step.Key,
            days[0].Day,
            days[^1].Day,
            days.Count,
            Memory.Kept(days, today),
            step.Where(d => d.IsClean == true).Select(d => d.Rate).DefaultIfEmpty(0).Max())
        {
            Familiarity = days.LastOrDefault(d => d.Clean is not null).Clean == true ? Familiarity.Known : Familiarity.Seen,
        };
    }).OrderBy(s => s.Kept ?? -1).ThenBy(s => s.Step, StringComparer.Ordinal)];
}
