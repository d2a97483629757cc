using FondCompass.Core.Counts;

namespace FondCompass.Core.Music;

/// <summary>
/// A passage of a song: so many counts at a tempo that is constant or changes evenly from count to count.
/// </summary>
/// <param name="Bpm">Counts per minute at its first count.</param>
/// <param name="BpmEnd">Counts per minute at its end; null when constant.</param>
/// <param name="Important">The dance should begin a repeat where this passage begins.</param>
/// <param name="Note">The instructor's own reminder.</param>
public sealed record Passage(string Name, int Counts, double Bpm, double? BpmEnd = null, bool Important = false, string? Note = null);

/// <summary>A song as the sum of its passages. Counts are song counts from 0, half-open.</summary>
public sealed record Song
{
    /// <summary>Longest song, in counts.</summary>
    public const int MostCounts = 100_000;

    public Song(IReadOnlyList<Passage> passages)
    {
        Passages = passages;
        var starts = new int[passages.Count];
        for (var i = 0; i < passages.Count; i++)
        {
            starts[i] = Counts;
            Counts += passages[i].Counts;
        }

        Starts = starts;
        Time = new TimeMap(passages);
    }

    public string Title { get; init; } = "";

    public IReadOnlyList<Passage> Passages { get; }

    /// <summary>The song count at which each passage begins.</summary>
    public IReadOnlyList<int> Starts { get; }

    public int Counts { get; }

    public TimeMap Time { get; }

    public double Seconds => Time.SecondsAt(Counts);

    /// <summary>A song of one tempo, long enough for a number of counts.</summary>
    public static Song Steady(int counts, Bpm tempo) => new([new Passage("song", counts, tempo.Value)]);

    /// <summary>What makes these passages no song, in words; null when they are one.</summary>
    public static string? ProblemWith(IReadOnlyList<Passage> passages)
    {
        if (passages.Count == 0)
        {
            return "The song has no passages. Give at least one, with its counts and tempo.";
        }

        long total = 0;
        for (var i = 0; i < passages.Count; i++)
        {
            var passage = passages[i];
            var where = $"Passage {i + 1}{(string.IsNullOrWhiteSpace(passage.Name) ? "" : $" ({passage.Name})")}";
            if (passage.Counts <= 0)
            {
                return $"{where} has {passage.Counts} counts; a passage has at least 1.";
            }

            if (!IsTempo(passage.Bpm) || (passage.BpmEnd is { } end && !IsTempo(end)))
            {
                return $"{where} has a tempo that cannot be danced; it is more than 0 and at most {Core.Counts.Bpm.Fastest} counts per minute.";
            }

            total += passage.Counts;
        }

        return total > MostCounts ? $"The song has {total} counts; at most {MostCounts} can be reckoned." : null;
    }

    private static bool IsTempo(double bpm) => Core.Counts.Bpm.IsValid(bpm);
}
