using FondCompass.Core.Prose;
using Xunit;

namespace FondCompass.Core.Tests.Prose;

/// <summary>
/// What a row of pasted text says of the whole dance, as instructors write it: counts, walls, level, tempo, waiting, the foot to start
/// with.
/// </summary>
public class SettingsTests
{
    private static readonly string[] Frames = ["title", "credit", "genre", "line", "start", "level", "tempo", "intro", "walls"];

    private static string FrameOf(string row)
    {
        var script = ProseReader.Read($"{row}\n1-8 vine R, vine L\n").Script;
        return string.Join("; ", script.Split('\n').Where(r => Array.Exists(Frames, f => r.StartsWith(f + " ", StringComparison.Ordinal))));
    }

    [Theory]
    [InlineData("32 counts, 4 walls, beginner", "level beginner; walls 4")]
    [InlineData("48 count 2 wall intermediate line dance", "level intermediate; walls 2")]
    [InlineData("64-count, four-wall", "walls 4")]
    [InlineData("32ct 4w", "walls 4")]
    [InlineData("32 ct / 4 wall / beg", "level beg; walls 4")]
    [InlineData("32/4", "")]
    [InlineData("1 wall", "walls 1")]
    [InlineData("one wall dance", "walls 1")]
    [InlineData("Walls: 4", "walls 4")]
    [InlineData("Counts: 32 Walls: 2 Level: Improver", "level improver; walls 2")]
    [InlineData("Improver", "level improver")]
    [InlineData("Level - easy beginner", "level easy beginner")]
    [InlineData("High beginner - two wall - 48 counts - 1 restart", "level high beginner; walls 2")]
    [InlineData("No tags, no restarts", "")]
    [InlineData("24 counts waltz, 2 walls", "line 6; walls 2")]
    public void Counts_walls_and_level(string row, string frame) => Assert.Equal(frame, FrameOf(row));

    [Theory]
    [InlineData("Wait 16 counts", "intro 16")]
    [InlineData("Intro: 32 counts", "intro 32")]
    [InlineData("16 count intro", "intro 16")]
    [InlineData("Start after 8 counts", "intro 8")]
    [InlineData("We start after the first 24 counts", "intro 24")]
    [InlineData("dance starts 16 counts in on the lyrics", "intro 16")]
    [InlineData("Start on vocals", "")]
    [InlineData("Tempo 112", "tempo 112")]
    [InlineData("about 120 bpm", "tempo 120")]
    [InlineData("120 BPM", "tempo 120")]
    [InlineData("116 bpm, intro 32 counts", "tempo 116; intro 32")]
    [InlineData("fitness routine, 128 bpm", "genre fitness; tempo 128")]
    public void Waiting_and_tempo(string row, string frame) => Assert.Equal(frame, FrameOf(row));

    [Theory]
    [InlineData("Starts on the right foot", 'L')]
    [InlineData("Left foot lead", 'R')]
    [InlineData("R lead", 'L')]
    [InlineData("RF lead", 'L')]
    [InlineData("start LF", 'R')]
    [InlineData("Lead with the left", 'R')]
    [InlineData("Begin with your left foot free", 'R')]
    [InlineData("Weight on the right to start", 'R')]
    [InlineData("Start with weight on left, facing 12", 'L')]
    [InlineData("64 beats, left foot", 'R')]
    [InlineData("Waltz, 48 counts, start left", 'R')]
    [InlineData("Easy 32 count 4 wall line dance, start left foot after 16 counts", 'R')]
    [InlineData("percussive, left foot lead, wait 16 beats", 'R')]
    public void The_foot_to_start_with(string row, char weight) =>
        Assert.Contains($"start weight {weight} facing 12", FrameOf(row), StringComparison.Ordinal);

    [Theory]
    [InlineData("Easy Street", "title Easy Street")]
    [InlineData("Sixteen Candles Burning", "title Sixteen Candles Burning")]
    [InlineData("High Tide Beginner", "title High Tide Beginner")]
    [InlineData("Music Box", "title Music Box")]
    [InlineData("One Wall Between Us", "walls 1; title One Wall Between Us")]
    [InlineData("The Long Watch (32 counts, 4 walls)", "walls 4; title The Long Watch")]
    [InlineData("Left Behind (32 counts)", "title Left Behind")]
    [InlineData("The Right Side, 64 counts", "title The Right Side")]
    [InlineData("Choreographed by Tolv Merrow", "credit Tolv Merrow")]
    [InlineData("Written and danced by: Ada Voss.", "credit Ada Voss")]
    public void A_name_is_a_name_though_it_has_a_word_of_settings(string row, string frame) => Assert.Equal(frame, FrameOf(row));

    /// <summary>What is said of one wall is no number of walls.</summary>
    [Fact]
    public void A_wall_is_not_the_walls() =>
        Assert.DoesNotContain(
            "walls",
            ProseReader.Read("1-8 vine R, vine L\nWall 2: leave out the claps").Script,
            StringComparison.Ordinal);

    [Fact]
    public void What_a_row_of_settings_says_is_kept_as_a_remark() =>
        Assert.Contains(
            "# Left foot lead, wait 16",
            ProseReader.Read("Left foot lead, wait 16\n1-8 vine L, vine R").Script,
            StringComparison.Ordinal);

    [Theory]
    [InlineData("chest circle to the right for 8", 16)]
    [InlineData("hips right x4", 12)]
    [InlineData("arms up for 4", 12)]
    [InlineData("4 beats circle left", 12)]
    [InlineData("8 counts of circle walk", 16)]
    [InlineData("easy walks 8 counts", 16)]
    public void A_first_row_that_has_a_word_of_settings_but_tells_what_to_do_is_danced(string row, int total) =>
        Assert.Equal(total, ProseReader.Read($"{row}\n1-8 vine L, vine R").Analysis.Trace.TotalCounts);
}
