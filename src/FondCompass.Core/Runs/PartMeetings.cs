using FondCompass.Core.Notation;

namespace FondCompass.Core.Runs;

/// <summary>How a passage of the song is met.</summary>
/// <param name="Passage">The passage's name.</param>
/// <param name="Which">Which of its kind, from 1.</param>
/// <param name="Count">Song count at which it begins.</param>
/// <param name="Counts">It counts when the dance is fitted.</param>
/// <param name="Right">The part that belongs to it; null when any will do.</param>
/// <param name="Meets">The part that begins there; null when none does.</param>
/// <param name="Nearest">Song count of the nearest beginning of what it waits for; null when that is not danced at all.</param>
public sealed record PassageMeeting(string Passage, int Which, int Count, bool Counts, string? Right, string? Meets, int? Nearest)
{
    /// <summary>Counts to the nearest beginning; null when there is none.</summary>
    public int? Off => Nearest is { } nearest ? Math.Abs(nearest - Count) : null;

    /// <summary>Another part begins there than belongs to it, or none.</summary>
    public bool IsWrong => Right is not null && !string.Equals(Meets, Right, StringComparison.OrdinalIgnoreCase);
}

/// <summary>Whether each passage is met, and by the right part (rules, section 6).</summary>
/// <param name="Bound">Kind of passage and its part, in order of the song; empty for a loop.</param>
/// <param name="All">The passages from the first repeat on, in order of the song.</param>
public sealed record PartMeetings(IReadOnlyList<BoundPassage> Bound, IReadOnlyList<PassageMeeting> All)
{
    /// <summary>Passages met by another part than belongs to them.</summary>
    public IReadOnlyList<PassageMeeting> Wrong { get; } = [.. All.Where(m => m.IsWrong)];

    /// <summary>Kinds of passage of a phrased dance that no part was found to belong to, so that any is taken.</summary>
    public IReadOnlyList<string> Unbound { get; } = [.. All.Where(m => m.Right is null).Select(m => PassageKind.Of(m.Passage)).Distinct()];

    public static PartMeetings Of(DanceRun run)
    {
        var bound = PassageParts.Of(run);
        if (run.Repeats.Count == 0)
        {
            return new PartMeetings(bound, []);
        }

        var all = new List<PassageMeeting>();
        var starts = run.Repeats.GroupBy(r => r.FromCount).ToDictionary(g => g.Key, g => g.First().Part);
        var seen = new Dictionary<string, int>();
        var counted = FitTargets.Counted(run.Song, run.Start).ToHashSet();
        for (var i = 0; i < run.Song.Passages.Count; i++)
        {
            var kind = PassageKind.Of(run.Song.Passages[i].Name);
            var which = seen[kind] = seen.GetValueOrDefault(kind) + 1;
            var at = run.Song.Starts[i];
            if (at >= run.Start && run.Song.Passages[i].Rest is null)
            {
                var right = bound.FirstOrDefault(b => b.Kind == kind)?.Part;
                all.Add(new PassageMeeting(run.Song.Passages[i].Name, which, at, counted.Contains(i), right, starts.GetValueOrDefault(at), Nearest(run, right, at)));
            }
        }

        return new PartMeetings(bound, all);
    }

    private static int? Nearest(DanceRun run, string? part, int at) =>
        run.Repeats.Where(r => part is null || string.Equals(r.Part, part, StringComparison.OrdinalIgnoreCase)).MinBy(r => Math.Abs(r.FromCount - at))?.FromCount;
}
