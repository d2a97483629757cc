namespace FondCompass.Core.Music;

/// <summary>What plays a note.</summary>
public enum BandVoice
{
    Kick,
    Snare,
    Hat,
    Bass,
    Tune,
}

/// <summary>One note of the built-in band.</summary>
/// <param name="At">Seconds from the song's count 0, at full rate.</param>
/// <param name="Length">Seconds it sounds.</param>
/// <param name="Pitch">Semitones above the A of 55 Hz; drums have none.</param>
/// <param name="Strong">On the first count of a bar.</param>
public readonly record struct BandNote(double At, double Length, BandVoice Voice, int Pitch, bool Strong);

/// <summary>
/// A plain arrangement of any song for drums, bass and a tune, so that fitting and teaching sound out of the box. Passages of
/// one name sound alike; important ones are fuller; where there is no beat nothing plays but a held note. The same song always gives the
/// same notes.
/// </summary>
public static class BandScore
{
    private static readonly int[] Scale = [0, 2, 4, 7, 9];

    /// <summary>Roots of the bass, two bars each.</summary>
    private static readonly int[] Roots = [0, 5, 7, 0];

    private const int BassOctave = 0;
    private const int TuneOctave = 24;

    /// <param name="swing">Halves fall on the last third of the count.</param>
    public static IReadOnlyList<BandNote> Arrange(Song song, bool swing = false)
    {
        var notes = new List<BandNote>();
        for (var i = 0; i < song.Passages.Count; i++)
        {
            var passage = song.Passages[i];
            if (passage.Rest is { } rest)
            {
                notes.Add(new BandNote(RestBegins(song, i), Math.Min(rest, 6), BandVoice.Tune, TuneOctave, true));
                continue;
            }

            Play(notes, song, song.Starts[i], passage, swing);
        }

        return notes.OrderBy(n => n.At).ToList();
    }

    /// <summary>A rest begins where the last count before it ends.</summary>
    private static double RestBegins(Song song, int index)
    {
        var count = song.Starts[index];
        return count == 0 ? 0 : song.Time.SecondsAt(count - 1) + (60 / song.Time.BpmAt(count - 1));
    }

    private static void Play(List<BandNote> notes, Song song, int start, Passage passage, bool swing)
    {
        var seed = Seed(passage.Name);
        var half = swing ? 2.0 / 3 : 0.5;
        for (var i = 0; i < passage.Counts; i++)
        {
            var at = song.Time.SecondsAt(start + i);
            var length = Math.Min(song.Time.SecondsAt(start + i + 1) - at, 60 / song.Time.BpmAt(start + i) * 1.05);
            var (bar, beat) = (i / passage.Bar, i % passage.Bar);
            var root = Roots[((bar / 2) + seed) % Roots.Length];
            var isLastBar = i >= passage.Counts - passage.Bar && passage.Counts > passage.Bar;
            Drums(notes, passage, at, length, beat, half, isLastBar);
            if (beat == 0 || (passage.Bar % 2 == 0 && beat == passage.Bar / 2))
            {
                notes.Add(new BandNote(at, length * 0.9, BandVoice.Bass, BassOctave + root + (beat == 0 ? 0 : 7), beat == 0));
            }

            Tune(notes, passage, at, length, i, half, root, seed);
        }
    }

    private static void Drums(List<BandNote> notes, Passage passage, double at, double length, int beat, double half, bool isLastBar)
    {
        var isDown = beat == 0 || (passage.Bar % 2 == 0 && beat == passage.Bar / 2);
        notes.Add(new BandNote(at, 0.12, isDown ? BandVoice.Kick : BandVoice.Snare, 0, beat == 0));
        notes.Add(new BandNote(at, 0.05, BandVoice.Hat, 0, beat == 0));
        if (passage.Important || isLastBar)
        {
            notes.Add(new BandNote(at + (length * half), 0.04, isLastBar ? BandVoice.Snare : BandVoice.Hat, 0, false));
        }
    }

    /// <summary>A phrase of eight counts, made of the passage's name, over the bass's root.</summary>
    private static void Tune(List<BandNote> notes, Passage passage, double at, double length, int count, double half, int root, int seed)
    {
        var place = count % 8;
        var pick = (seed >> place) + (place * 3) + (count / 16 % 2);
        if (place is 3 or 7 && pick % 2 == 0)
        {
            return;
        }

        var pitch = TuneOctave + (passage.Important ? 5 : 0) + root + Scale[pick % Scale.Length];
        notes.Add(new BandNote(at, length * (place is 6 ? 1.6 : 0.8), BandVoice.Tune, pitch, place == 0));
        if (pick % 3 == 0)
        {
            notes.Add(new BandNote(at + (length * half), length * 0.35, BandVoice.Tune, pitch + 2, false));
        }
    }

    /// <summary>The same number for the same name on every machine.</summary>
    private static int Seed(string name) =>
        name.TrimEnd('0', '1', '2', '3', '4', '5', '6', '7', '8', '9', ' ').Aggregate(17, (sum, c) => ((sum * 31) + c) & 0xffff);
}
