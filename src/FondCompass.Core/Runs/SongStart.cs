using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs;

/// <summary>Where in a song a dance begins when nobody says it otherwise (rules, section 6).</summary>
public static class SongStart
{
    private static readonly HashSet<string> Waited =
    [
        "intro", "introduction", "vamp", "lead-in", "lead in", "leadin", "count-in", "count in", "countin"
    ];

    /// <summary>
    /// The song count at which repeat 1 begins: what the dance's header says, else behind a passage called intro, vamp, lead-in or count-in
    /// at the song's beginning, unless a part of that name is danced.
    /// </summary>
    public static int CountOf(DanceTrace trace, Song? song)
    {
        if (trace.Dance.Header.Intro > 0 || song is null)
        {
            return trace.Dance.Header.Intro;
        }

        var counts = 0;
        foreach (var passage in song.Passages.TakeWhile(p => p.Rest is null && Waited.Contains(PassageKind.KindOf(p.Name))))
        {
            if (trace.Calls.Any(c => PassageKind.KindOf(c.Stretch.Pattern.Part.Name) == PassageKind.KindOf(passage.Name)))
            {
                break;
            }

            counts += passage.Counts;
        }

        return counts < song.Counts ? counts : 0;
    }
}
