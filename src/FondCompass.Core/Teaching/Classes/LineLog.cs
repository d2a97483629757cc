namespace FondCompass.Core.Teaching.Classes;

/// <summary>
/// What a group's log says of the lines of one dance: in how many lessons each was danced, and in how many of them it was marked as lost.
/// </summary>
public sealed class LineLog(IReadOnlyDictionary<(string Part, int Line), (int Danced, int Marked)> lines)
{
    /// <summary>Lessons' worth of weight that the reckoning from its difficulty keeps.</summary>
    public const int Doubt = 2;

    public static readonly LineLog None = new(new Dictionary<(string, int), (int, int)>());

    /// <summary>
    /// Share of the class expected to lose what the lines hold: that reckoned by its difficulty, drawn towards the share of lessons in
    /// which it was marked.
    /// </summary>
    /// <param name="reckoned">By its difficulty, 0 to 1.</param>
    public double LossOf(string part, IEnumerable<int> numbers, double reckoned)
    {
        var logged = numbers.Select(l => lines.GetValueOrDefault((part, l))).ToList();
        // A bite is lost when any of its lines is; it was danced as often as the least of them.
        var danced = logged.Select(l => l.Danced).DefaultIfEmpty(0).Min();
        return ((reckoned * Doubt) + Math.Min(logged.Select(l => l.Marked).DefaultIfEmpty(0).Max(), danced)) / (Doubt + danced);
    }
}
