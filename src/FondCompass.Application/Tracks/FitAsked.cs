using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Application.Tracks;

/// <summary>A fit as its form says it, as it was typed.</summary>
public sealed record FitAsked(string? Tempo, string? Intro, string? Repeats)
{
    /// <summary>What can be read of it laid over a fit; what cannot keeps its old value.</summary>
    /// <param name="shown">The tempo, intro and repeats that hold now, for messages.</param>
    /// <returns>The fit, and what could not be read of it.</returns>
    public (FitKept Fit, IReadOnlyList<Sentence> Problems) Over(FitKept fit, (double Tempo, int Intro, int Repeats) shown)
    {
        var problems = new List<Sentence>();
        if (Bpm.TryParse(Tempo?.Trim().Replace(',', '.'), out var bpm) && bpm.Value is >= FitKept.Slowest and <= FitKept.Fastest)
        {
            fit = fit with { Tempo = bpm.Value };
        }
        else
        {
            problems.Add(DancePageTexts.TempoCannotBeDanced(Tempo, FitKept.Slowest, FitKept.Fastest, shown.Tempo));
        }

        if (string.IsNullOrWhiteSpace(Intro))
        {
            // As the dance says, else behind an intro of the song.
            fit = fit with { Intro = null };
        }
        else if (Typed.Whole(Intro, 0, FitKept.LongestIntro) is { } wait)
        {
            fit = fit with { Intro = wait };
        }
        else
        {
            problems.Add(DancePageTexts.NoIntroCounts(Intro, FitKept.LongestIntro, shown.Intro));
        }

        if (Typed.Whole(Repeats, 1, FitKept.MostRepeats) is { } times)
        {
            fit = fit with { Repeats = times };
        }
        else
        {
            problems.Add(DancePageTexts.NoRepeatsNumber(Repeats, FitKept.MostRepeats, shown.Repeats));
        }

        return (fit, problems);
    }
}

/// <summary>What is set on the strip of a song: half or double time, a stop of the music, a count held to a moment.</summary>
/// <param name="Set">half, double, played, stop, pin or loose.</param>
/// <param name="Passage">From 0, as the strip has them.</param>
/// <param name="Seconds">Of a stop, as they were typed.</param>
/// <param name="Count">Of the song, that is held or let go.</param>
/// <param name="Moment">Of the song, as it was typed: "1:23.4".</param>
public sealed record StripAsked(string? Set, int Passage, string? Seconds, int Count, string? Moment)
{
    /// <summary>A song's text with it.</summary>
    /// <param name="tempo">Counts a minute where the text says none.</param>
    /// <returns>The text, or what cannot be.</returns>
    public (string? Text, Sentence? Problem) Into(string text, double tempo)
    {
        var changed = Set switch
        {
            "half" => SongEdits.WithFeel(text, Passage, CountingFeel.HalfTime),
            "double" => SongEdits.WithFeel(text, Passage, CountingFeel.DoubleTime),
            "played" => SongEdits.WithFeel(text, Passage, CountingFeel.AsPlayed),
            "stop" when SongText.MomentOf(Seconds) is { } rest && rest <= Song.LongestRest => SongEdits.WithRestAfter(text, Passage, rest),
            "pin" when SongText.MomentOf(Moment) is { } at => SongEdits.WithAnchor(text, Count, at),
            "loose" => SongEdits.WithAnchor(text, Count, null),
            _ => null,
        };
        if (changed is null)
        {
            return (null, Set == "pin" ? DancePageTexts.NoMomentOfSong(Moment) : DancePageTexts.NoSecondsNumber(Seconds, Song.LongestRest));
        }

        return SongText.Read(changed, new Bpm(tempo)) is { Problem: { } problem }
            ? (null, DancePageTexts.NothingWasChanged(problem))
            : (changed, null);
    }
}
