using FondCompass.Core.Notation;
using FondCompass.Core.Runs.Fitting;

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
/// <param name="Bound">Which part each passage wants, and why, in order of the song.</param>
/// <param name="All">The passages from the first repeat on, in order of the song.</param>
public sealed record PartMeetings(IReadOnlyList<PassageBinding> Bound, IReadOnlyList<PassageMeeting> All)
{
    /// <summary>
    /// Everything that matters is met (rules, section 6): each passage that counts meets the start of the part it wants, or, where it is
    /// open, of any; and each part that is wanted is danced.
    /// </summary>
    public bool Fits { get; } = All.All(m => !m.Counts || (m.Meets is not null && !m.IsWrong))
        && All.All(m => m.Right is null || m.Nearest is not null);

    /// <summary>
    /// Kinds of passage with the part they want, and why, each once and in order of the song; those that are open left out.
    /// </summary>
    public IReadOnlyList<(string Kind, string Part, BoundBy By)> Kinds { get; private init; } = [];

    /// <summary>Passages met by another part than belongs to them.</summary>
    public IReadOnlyList<PassageMeeting> Wrong { get; } = [.. All.Where(m => m.IsWrong)];

    /// <summary>Kinds of passage of a phrased dance that no part was found to belong to, so that any is taken.</summary>
    public IReadOnlyList<string> Unbound { get; } = [.. All.Where(m => m.Right is null)
        .Select(m => PassageKind.KindOf(m.Passage))
        .Distinct()];

    public static PartMeetings Judge(DanceRun run)
    {
        var bound = PassageParts.Bind(run);
        if (run.Repeats.Count == 0)
        {
            return new PartMeetings(bound, []) { Kinds = KindsOf(run, bound) };
        }

        var all = new List<PassageMeeting>();
        var wants = bound.ToDictionary(b => b.Passage, b => b.Part);
        var beginnings = run.Beginnings;
        var starts = beginnings.GroupBy(b => b.At).ToDictionary(g => g.Key, g => g.First().Part);
        var seen = new Dictionary<string, int>();
        var counted = FitTargets.Counted(run.Song, run.Start).ToHashSet();
        for (var i = 0; i < run.Song.Passages.Count; i++)
        {
            var kind = PassageKind.KindOf(run.Song.Passages[i].Name);
            var which = seen[kind] = seen.GetValueOrDefault(kind) + 1;
            var at = run.Song.Starts[i];
            if (at >= run.Start && run.Song.Passages[i].Rest is null)
            {
                var right = wants.GetValueOrDefault(i);
                all.Add(new PassageMeeting(
                    run.Song.Passages[i].Name,
                    which,
                    at,
                    counted.Contains(i),
                    right,
                    starts.GetValueOrDefault(at),
                    Nearest(beginnings, right, at)));
            }
        }

        return new PartMeetings(bound, all) { Kinds = KindsOf(run, bound) };
    }

    private static IReadOnlyList<(string Kind, string Part, BoundBy By)> KindsOf(DanceRun run, IReadOnlyList<PassageBinding> bound) =>
        [.. bound.Where(b => b.Part is not null)
            .Select(b => (Kind: PassageKind.KindOf(run.Song.Passages[b.Passage].Name), Part: b.Part!, b.By))
            .DistinctBy(b => (b.Kind, b.Part))];

    private static int? Nearest(IReadOnlyList<(int At, string Part)> beginnings, string? part, int at) =>
        beginnings.Where(b => part is null || string.Equals(b.Part, part, StringComparison.OrdinalIgnoreCase))
            .Select(b => (int?)b.At)
            .MinBy(b => Math.Abs(b!.Value - at));
}
