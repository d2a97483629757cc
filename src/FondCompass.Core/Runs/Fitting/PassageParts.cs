using FondCompass.Core.Notation;

namespace FondCompass.Core.Runs.Fitting;

/// <summary>How it was settled which part a passage wants (rules, section 6); the first that says anything.</summary>
public enum BoundBy
{
    /// <summary>The instructor bound them: "C on chorus".</summary>
    Said,

    /// <summary>The part bears the passage's name, or its kind's.</summary>
    Name,

    /// <summary>The written order, laid along the passages.</summary>
    Order,

    /// <summary>Nothing says it: the passage matters only by where any part begins.</summary>
    Open,
}

/// <summary>Which part a passage wants.</summary>
/// <param name="Passage">Its place in the song, from 0.</param>
/// <param name="Part">The part's name; null where it is open.</param>
public sealed record PassageBinding(int Passage, string? Part, BoundBy By);

/// <summary>
/// Which part of a phrased dance each passage wants, settled before any distance is measured (rules, section 6): what the instructor bound;
/// a
/// part that bears the passage's name or its kind's; the written order laid along the passages so that most counts agree, if that goes
/// without
/// a contradiction; else it is open. Never by what happens to be near.
/// </summary>
public static class PassageParts
{
    /// <summary>
    /// Calls of an order that one passage may take together, and calls and passages that are laid along each other at the most.
    /// </summary>
    private const int MostTogether = 8, MostLaid = 2_000;

    /// <summary>Other words for a kind of passage.</summary>
    private static readonly Dictionary<string, string> SameKind = new()
    {
        ["refrain"] = "chorus",
        ["hook"] = "chorus",
        ["introduction"] = "intro",
        ["coda"] = "outro",
        ["ending"] = "outro",
        ["middle eight"] = "bridge"
    };

    /// <summary>Each passage that begins at or after the start and has counts, in order of the song; a loop leaves all open.</summary>
    public static IReadOnlyList<PassageBinding> Bind(DanceRun written)
    {
        var (dance, song) = (written.Trace.Dance, written.Song);
        var places = Enumerable.Range(0, song.Passages.Count)
            .Where(i => song.Passages[i].Rest is null && song.Starts[i] >= written.Start)
            .ToList();
        if (!dance.IsPhrased)
        {
            return [.. places.Select(i => new PassageBinding(i, null, BoundBy.Open))];
        }

        var names = written.Trace.Calls.Select(c => c.Stretch.Pattern.Part.Name).Distinct(StringComparer.OrdinalIgnoreCase).ToList();
        var bindings = places.ConvertAll(i => Told(dance, names, i, song.Passages[i].Name));
        var laid = Laid(written, bindings);
        return [.. bindings.Select(b => b.By == BoundBy.Open
            && laid.TryGetValue(PassageKind.KindOf(song.Passages[b.Passage].Name), out var part)
            ? b with { Part = part, By = BoundBy.Order }
            : b)];
    }

    /// <summary>By what the instructor said, else by a name.</summary>
    private static PassageBinding Told(Dance dance, List<string> names, int passage, string name)
    {
        var kind = PassageKind.KindOf(name);
        return dance.Meetings.LastOrDefault(m => m.Passage == kind) is { } said
            ? new PassageBinding(passage, dance.Part(said.Part)?.Name ?? said.Part, BoundBy.Said)
            : Named(names, name, kind) is { } part ? new PassageBinding(passage, part, BoundBy.Name)
            : new PassageBinding(passage, null, BoundBy.Open);
    }

    /// <summary>
    /// The part that bears a passage's name, its kind's, or the first letters of that; null where none does, or several would.
    /// </summary>
    private static string? Named(List<string> names, string passage, string kind)
    {
        string? Only(Func<string, bool> bears) => names.Where(bears).ToList() is [var only] ? only : null;
        var plain = passage.Trim();
        string[] kinds = SameKind.TryGetValue(kind, out var same)
            ? [kind, same]
            : [kind, .. SameKind.Where(s => s.Value == kind).Select(s => s.Key)];
        // Parts called A and B are lettered in turn: their letters are nobody's initials.
        var isLettered = names.Contains("A", StringComparer.OrdinalIgnoreCase) && names.Contains("B", StringComparer.OrdinalIgnoreCase);
        bool IsInitial(string name, string of) =>
            Bare(name) is { Length: > 0 } bare
                && (bare.Length > 1 || !isLettered)
                && of.StartsWith(bare, StringComparison.OrdinalIgnoreCase);
        return Only(n => string.Equals(n, plain, StringComparison.OrdinalIgnoreCase))
            ?? Only(n => kinds.Contains(PassageKind.KindOf(n)))
            ?? (PassageKind.IsUsual(kind)
                ? kinds.Select(k => Only(n => IsInitial(n, k))).FirstOrDefault(p => p is not null)
                    ?? Longest(names.Where(n => IsInitial(n, kind)))
                : null);
    }

    /// <summary>Of several initials the one that says most: Br before B on a bridge; null where two say as much.</summary>
    private static string? Longest(IEnumerable<string> names) =>
        names.GroupBy(n => Bare(n).Length).OrderByDescending(g => g.Key).Select(g => g.ToList()).FirstOrDefault() is [var only]
            ? only
            : null;

    /// <summary>A part's name without the number behind it.</summary>
    private static string Bare(string name) => name.Trim().TrimEnd('0', '1', '2', '3', '4', '5', '6', '7', '8', '9', ' ', '.', '-');

    /// <summary>
    /// The order laid along the passages, one behind the other, so that as many counts as can be agree: a passage takes one call, or
    /// several that have its
    /// counts together; passages and calls may be left over. Nothing where fewer than half of the counts agree, or where passages of one
    /// kind would want two parts.
    /// </summary>
    /// <returns>Kind of passage and its part.</returns>
    private static Dictionary<string, string> Laid(DanceRun written, List<PassageBinding> bindings)
    {
        var song = written.Song;
        var calls = CallsOf(written);
        if (bindings.TrueForAll(b => b.By != BoundBy.Open) || bindings.Count * calls.Count > MostLaid * MostTogether || calls.Count == 0)
        {
            return [];
        }

        // agreed[i][j]: counts that agree at most of passages from i and calls from j.
        var agreed = new int[bindings.Count + 1, calls.Count + 1];
        for (var i = bindings.Count - 1; i >= 0; i--)
        {
            for (var j = calls.Count - 1; j >= 0; j--)
            {
                var taken = Taken(song.Passages[bindings[i].Passage].Counts, bindings[i], calls, j);
                var met = taken == 0 ? 0 : song.Passages[bindings[i].Passage].Counts + agreed[i + 1, j + taken];
                agreed[i, j] = Math.Max(met, Math.Max(agreed[i + 1, j], agreed[i, j + 1]));
            }
        }

        if (2 * agreed[0, 0] <= bindings.Sum(b => song.Passages[b.Passage].Counts))
        {
            return [];
        }

        var wants = new Dictionary<string, string>();
        for (var (i, j) = (0, 0); i < bindings.Count && j < calls.Count;)
        {
            var counts = song.Passages[bindings[i].Passage].Counts;
            if (Taken(counts, bindings[i], calls, j) is > 0 and var taken && agreed[i, j] == counts + agreed[i + 1, j + taken])
            {
                var kind = PassageKind.KindOf(song.Passages[bindings[i].Passage].Name);
                if (bindings[i].By == BoundBy.Open && !wants.TryAdd(kind, calls[j].Part) && wants[kind] != calls[j].Part)
                {
                    return [];
                }

                (i, j) = (i + 1, j + taken);
            }
            else if (agreed[i, j] == agreed[i + 1, j])
            {
                i++;
            }
            else
            {
                j++;
            }
        }

        return wants;
    }

    /// <summary>
    /// Calls that a passage takes together from one on: as many as have its counts; 0 where none do, or the first is not what it is bound
    /// to.
    /// </summary>
    private static int Taken(int counts, PassageBinding binding, List<(string Part, int Counts)> calls, int from)
    {
        if (binding.Part is { } part && !string.Equals(part, calls[from].Part, StringComparison.OrdinalIgnoreCase))
        {
            return 0;
        }

        for (var (taken, sum) = (0, 0); taken < MostTogether && from + taken < calls.Count && sum < counts; taken++)
        {
            sum += calls[from + taken].Counts;
            if (sum == counts)
            {
                return taken + 1;
            }
        }

        return 0;
    }

    /// <summary>The calls of the order with their counts, round again where it goes round and the song is longer.</summary>
    private static List<(string Part, int Counts)> CallsOf(DanceRun written)
    {
        var once = written.Trace.Calls.Where(c => c.Stretch.Counts > 0)
            .Select(c => (c.Stretch.Pattern.Part.Name, c.Stretch.Counts))
            .ToList();
        var round = once.Sum(c => c.Counts);
        var times = round == 0 || !written.Trace.Dance.OrderLoops ? 1 : Math.Clamp((written.Song.Counts / round) + 1, 1, 64);
        return [.. Enumerable.Repeat(once, times).SelectMany(c => c)];
    }
}
