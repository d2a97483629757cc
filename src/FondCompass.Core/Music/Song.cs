using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Music;

/// <summary>How the dancers count a passage: at the music's own pace, at half of it or at twice it.</summary>
public enum CountingFeel
{
    AsPlayed,
    HalfTime,
    DoubleTime,
}

/// <summary>
/// A passage of a song: so many counts at a tempo that is constant or changes evenly from count to count, or so many seconds
/// without a beat (a pause, a held ending), in which nothing is counted.
/// </summary>
/// <param name="Counts">Counts danced; 0 for a passage without a beat.</param>
/// <param name="Bpm">Counts per minute at its first count, as danced.</param>
/// <param name="BpmEnd">Counts per minute at its end; null when constant.</param>
/// <param name="Important">The dance should begin a repeat where this passage begins.</param>
/// <param name="Note">The instructor's own reminder.</param>
public sealed record Passage(string Name, int Counts, double Bpm, double? BpmEnd = null, bool Important = false, string? Note = null)
{
    /// <summary>Seconds without a beat; null where there is one.</summary>
    public double? Rest { get; init; }

    public CountingFeel Feel { get; init; }

    /// <summary>Counts in a bar, for the accents.</summary>
    public int Bar { get; init; } = 4;
}

/// <summary>A count of the song that sounds at a given moment.</summary>
/// <param name="Count">Song count, from 0.</param>
/// <param name="Seconds">From the song's count 0.</param>
public readonly record struct Anchor(int Count, double Seconds);

/// <summary>A song as the sum of its passages. Counts are song counts from 0, half-open.</summary>
public sealed record Song
{
    /// <summary>Longest song, in counts.</summary>
    public const int MostCounts = 100_000;

    /// <summary>Passages that a song has at the most.</summary>
    public const int MostPassages = 2_000;

    /// <summary>Longest passage without a beat, in seconds.</summary>
    public const double LongestRest = 600;

    public Song(IReadOnlyList<Passage> passages, IReadOnlyList<Anchor>? anchors = null)
    {
        Anchors = anchors ?? [];
        Passages = passages;
        var starts = new int[passages.Count];
        for (var i = 0; i < passages.Count; i++)
        {
            starts[i] = Counts;
            Counts += passages[i].Counts;
        }

        Starts = starts;
        Time = new TimeMap(passages, Anchors);
    }

    public string Title { get; init; } = "";

    public IReadOnlyList<Passage> Passages { get; }

    /// <summary>Counts held to a moment, in order.</summary>
    public IReadOnlyList<Anchor> Anchors { get; }

    /// <summary>The song count at which each passage begins.</summary>
    public IReadOnlyList<int> Starts { get; }

    public int Counts { get; }

    public TimeMap Time { get; }

    public double Seconds => Time.Seconds;

    /// <summary>
    /// Whether lines of so many counts fill its bars: an eight goes into bars of two and four, a waltz line into bars of three.
    /// </summary>
    public bool Suits(int lineCounts) => Passages.All(p => p.Rest is not null || lineCounts % p.Bar == 0);

    /// <summary>A song of one tempo, long enough for a number of counts.</summary>
    public static Song Steady(int counts, Bpm tempo) => new([new Passage("song", counts, tempo.Value)]);

    /// <summary>What makes these passages no song, in words; null when they are one.</summary>
    public static string? ProblemWith(IReadOnlyList<Passage> passages)
    {
        if (passages.Count == 0)
        {
            return SongTexts.NoPassages;
        }

        if (passages.Count > MostPassages)
        {
            return SongTexts.TooManyPassages(passages.Count, MostPassages);
        }

        long total = 0;
        for (var i = 0; i < passages.Count; i++)
        {
            var passage = passages[i];
            var where = string.IsNullOrWhiteSpace(passage.Name)
                ? SongTexts.PassageNumber(i + 1)
                : SongTexts.PassageNamed(i + 1, passage.Name);
            if (passage.Rest is { } rest)
            {
                if (!(rest > 0 && rest <= LongestRest) || passage.Counts != 0)
                {
                    return SongTexts.PauseOutOfRange(where, rest, LongestRest);
                }

                continue;
            }

            if (passage.Counts <= 0)
            {
                return SongTexts.PassageWithoutCounts(where, passage.Counts);
            }

            if (!IsTempo(passage.Bpm) || (passage.BpmEnd is { } end && !IsTempo(end)))
            {
                return SongTexts.PassageTempoOutOfRange(where, Core.Measures.Bpm.Slowest, Core.Measures.Bpm.Fastest);
            }

            total += passage.Counts;
        }

        if (total == 0)
        {
            return SongTexts.NoCountsToDanceTo;
        }

        return total > MostCounts ? SongTexts.TooManySongCounts(total, MostCounts) : null;
    }

    /// <summary>What makes these anchors impossible on a song, in words; null when they hold.</summary>
    public static string? ProblemWith(Song song, IReadOnlyList<Anchor> anchors)
    {
        var before = new Anchor(0, 0);
        foreach (var anchor in anchors)
        {
            if (anchor.Count < 0
                || anchor.Count > song.Counts
                || anchor.Seconds < 0
                || anchor.Count < before.Count
                || anchor.Seconds < before.Seconds)
            {
                return SongTexts.AnchorOutOfOrder(anchor.Count, anchor.Seconds, song.Counts);
            }

            var (own, wanted) = (song.Time.SecondsAt(anchor.Count) - song.Time.SecondsAt(before.Count), anchor.Seconds - before.Seconds);
            if ((own == 0) != (wanted == 0) || (wanted > 0 && own / wanted is < 0.25 or > 4))
            {
                return SongTexts.AnchorChangesTempo(anchor.Count, anchor.Seconds);
            }

            before = anchor;
        }

        return null;
    }

    private static bool IsTempo(double bpm) => Core.Measures.Bpm.IsValid(bpm);
}
