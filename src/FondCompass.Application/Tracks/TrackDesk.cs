using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;

namespace FondCompass.Application.Tracks;

/// <summary>What an instructor does with tracks and what a dance is danced to.</summary>
public sealed class TrackDesk(TrackBook tracks, InstructorClock clock)
{
    private const string Preset = "preset:";

    /// <summary>Dances to another track of the library, to a new one, or to passages of the dance's own.</summary>
    /// <param name="track">An id, "new", "preset:" with the title of one that ships, or anything else for passages of its own.</param>
    /// <param name="title">Of a new one.</param>
    /// <param name="passages">What a new one begins with.</param>
    /// <returns>False where dance or track are nobody's or anybody else's.</returns>
    public Task<bool> Choose(Guid dance, string? track, string? title, string passages, CancellationToken cancel) => track switch
    {
        "new" => tracks.AddAndChoose(dance, title ?? "", passages, cancel),
        _ when track?.StartsWith(Preset, StringComparison.Ordinal) == true
            && PresetSongs.All.FirstOrDefault(p => p.Title == track[Preset.Length..]) is { } preset =>
            tracks.AddAndChoose(dance, preset.Title, preset.Text, cancel),
        _ => tracks.Choose(dance, Guid.TryParse(track, out var id) ? id : null, cancel),
    };

    /// <summary>Keeps tapped music as a steady track in the library.</summary>
    /// <returns>Its title, or why it is not kept.</returns>
    public async Task<(string? Title, Sentence? Problem)> Keep(TappedTrack? track, CancellationToken cancel) =>
        track is { IsPossible: true }
            ? ((await tracks.Add($"Tapped on {clock.Today:d MMMM yyyy}", track.Passages, cancel)).Title, null)
            : (null, LessonPageTexts.TappedTrackOutOfRange(
                TapTrain.Slowest,
                TapTrain.Fastest,
                TappedTrack.LeastCounts,
                TappedTrack.MostCounts));
}

/// <summary>Music that was tapped.</summary>
/// <param name="Bpm">Counts a minute.</param>
public sealed record TappedTrack(double Bpm, double Counts)
{
    /// <summary>Counts of it, at the least and at the most.</summary>
    public const int LeastCounts = 8, MostCounts = 4000;

    public bool IsPossible => Bpm is >= TapTrain.Slowest and <= TapTrain.Fastest && Counts is >= LeastCounts and <= MostCounts;

    /// <summary>As the library writes a track: one passage at a steady tempo.</summary>
    public string Passages => FormattableString.Invariant($"tapped {Counts:0} @{Bpm:0.0}");
}
