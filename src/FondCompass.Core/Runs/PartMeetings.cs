namespace FondCompass.Core.Runs;

/// <summary>A passage of a song that is not met by the part that met the first of its kind.</summary>
/// <param name="Passage">The passage's name.</param>
/// <param name="Which">Which of its kind, from 1.</param>
/// <param name="Count">Song count at which it begins.</param>
/// <param name="Right">The part that belongs to it, as the first meeting was taken.</param>
/// <param name="Meets">What begins there instead; null when nothing begins there.</param>
/// <param name="Off">Counts to the nearest beginning of the right part; null when it is not danced at all.</param>
public sealed record WrongMeeting(string Passage, int Which, int Count, string Right, string? Meets, int? Off);

/// <summary>
/// Whether the right part meets each passage of a phrased dance: a kind of passage belongs to the part that begins with the first of it.
/// That is an assumption, and is told as one (rules, section 6).
/// </summary>
/// <param name="Bound">Kind of passage and its part, in order of the song.</param>
/// <param name="Wrong">Passages met otherwise, in order of the song.</param>
public sealed record PartMeetings(IReadOnlyList<(string Passage, string Part)> Bound, IReadOnlyList<WrongMeeting> Wrong)
{
    private static readonly PartMeetings None = new([], []);

    public static PartMeetings Of(DanceRun run)
    {
        if (!run.Trace.Dance.IsPhrased)
        {
            return None;
        }

        var bound = new List<(string Passage, string Part)>();
        var wrong = new List<WrongMeeting>();
        var starts = run.Repeats.GroupBy(r => r.FromCount).ToDictionary(g => g.Key, g => g.First().Part);
        var song = run.Song;
        var kinds = Enumerable.Range(0, song.Passages.Count).Where(i => song.Passages[i].Rest is null && song.Passages[i].Counts > 0).GroupBy(i => song.Passages[i].Name, StringComparer.OrdinalIgnoreCase);
        foreach (var kind in kinds.Where(k => k.Count() > 1))
        {
            var all = kind.ToList();
            var first = all.FindIndex(i => starts.ContainsKey(song.Starts[i]));
            if (first < 0)
            {
                continue;
            }

            var right = starts[song.Starts[all[first]]];
            bound.Add((kind.Key, right));
            for (var which = first + 1; which < all.Count; which++)
            {
                var at = song.Starts[all[which]];
                var meets = starts.GetValueOrDefault(at);
                if (!string.Equals(meets, right, StringComparison.OrdinalIgnoreCase))
                {
                    wrong.Add(new WrongMeeting(song.Passages[all[which]].Name, which + 1, at, right, meets, Nearest(run, right, at)));
                }
            }
        }

        return new PartMeetings(bound, [.. wrong.OrderBy(w => w.Count)]);
    }

    private static int? Nearest(DanceRun run, string part, int at) =>
        run.Repeats.Where(r => string.Equals(r.Part, part, StringComparison.OrdinalIgnoreCase)).Select(r => (int?)Math.Abs(r.FromCount - at)).Min();
}
