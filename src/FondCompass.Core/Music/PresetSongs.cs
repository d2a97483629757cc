namespace FondCompass.Core.Music;

/// <summary>A song that ships: invented, played by the built-in band.</summary>
public sealed record PresetSong(string Title, string Text);

/// <summary>Songs to begin with: steady ones, one that gathers speed, one that doubles, one in sixes, one that stops.</summary>
public static class PresetSongs
{
    public static readonly IReadOnlyList<PresetSong> All =
    [
        new("Lamp Street, steady", "intro 16 @112\nverse 32\n! chorus 32\nverse 32\n! chorus 32\nbridge 16\n! chorus 32\noutro 8\n"),
        new("Lamp Street, for learning", "intro 16 @92\nverse 32\n! chorus 32\nverse 32\n! chorus 32\nbridge 16\n! chorus 32\noutro 8\n"),
        new("Rope Reel, gathering speed", "intro 8 @96\nslack 64\nhauling 64 @96-132\nfull strain 64 @132-160\n"),
        new("Two Tides, doubling", "intro 16 @84\nebb 32\nebb 32\nflood 64 @84 double (twice as quick from here)\nebb 32\n"),
        new("Low Water, in sixes", "intro 12 @96 3/bar\nverse 48 3/bar\n! refrain 48 3/bar\nverse 48 3/bar\n! refrain 48 3/bar\n"),
        new(
            "Fog Bell, with a stop",
            "intro 16 @120\nverse 32\n! chorus 32\nthe bell 3s (stand still)\n! chorus 32\nverse 32\n! chorus 32\nlast note 4s\n"),
    ];
}
