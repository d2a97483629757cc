using FondCompass.Core.Notation;

namespace FondCompass.Core.Runs;

/// <summary>The part that belongs to a kind of passage.</summary>
/// <param name="Kind">Kind of passage, as <see cref="PassageKind"/> tells it.</param>
/// <param name="Said">Said by the script or the fit; otherwise taken from the first meeting.</param>
public sealed record BoundPassage(string Kind, string Part, bool Said);

/// <summary>
/// Which part of a phrased dance belongs to which kind of passage: what the script or the fit says ("C on chorus"), else the part that meets
/// the first passage of the kind, which is an assumption and told as one (rules, section 6).
/// </summary>
public static class PassageParts
{
    /// <summary>A part meets a passage when it begins so many counts from it at the most.</summary>
    public const int Meets = 4;

    /// <summary>In order of the song; of kinds that nothing meets there is none.</summary>
    public static IReadOnlyList<BoundPassage> Of(DanceRun written)
    {
        var dance = written.Trace.Dance;
        if (!dance.IsPhrased)
        {
            return [];
        }

        var bound = new List<BoundPassage>();
        var song = written.Song;
        for (var i = 0; i < song.Passages.Count; i++)
        {
            if (song.Passages[i].Rest is not null || song.Starts[i] < written.Start)
            {
                continue;
            }

            var kind = PassageKind.Of(song.Passages[i].Name);
            if (bound.Exists(b => b.Kind == kind))
            {
                continue;
            }

            if (dance.Meetings.LastOrDefault(m => m.Passage == kind) is { } said)
            {
                bound.Add(new BoundPassage(kind, dance.Part(said.Part)?.Name ?? said.Part, true));
            }
            else if (written.Repeats.MinBy(r => Math.Abs(r.FromCount - song.Starts[i])) is { } nearest && Math.Abs(nearest.FromCount - song.Starts[i]) <= Meets)
            {
                bound.Add(new BoundPassage(kind, nearest.Part, false));
            }
        }

        return bound;
    }
}
