using FondCompass.Core.Teaching.Boards;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Boards;

/// <summary>The beat that somebody taps along to.</summary>
public class TapTrainTests
{
    private static List<double> Even(double bpm, int taps, double from = 3) =>
        [.. Enumerable.Range(0, taps).Select(i => from + (i * 60 / bpm))];

    [Theory]
    [InlineData(60)]
    [InlineData(112)]
    [InlineData(180)]
    public void Even_taps_tell_tempo_and_beat(double bpm)
    {
        var beat = TapTrain.Follow(Even(bpm, 4))!.Value;
        Assert.Equal(bpm, beat.Bpm, 6);
        Assert.Equal(3 + (3 * 60 / bpm), beat.BeatAt, 6);
        Assert.Equal((3, 0), (beat.Beats, beat.Drift));
        Assert.Equal(0, beat.Spread, 6);
        Assert.Equal(1, beat.CountsAt(beat.BeatAt + (60 / bpm)), 6);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(3)]
    public void Fewer_than_four_tell_nothing(int taps) => Assert.Null(TapTrain.Follow(Even(120, taps)));

    [Theory]
    [InlineData(38)]
    [InlineData(39.9)]
    [InlineData(240.5)]
    [InlineData(260)]
    public void What_nobody_dances_to_is_no_tempo(double bpm) => Assert.Null(TapTrain.Follow(Even(bpm, 8)));

    [Fact]
    public void A_beat_left_out_is_left_out()
    {
        var taps = Even(120, 9);
        taps.RemoveAt(4);
        var beat = TapTrain.Follow(taps)!.Value;
        Assert.Equal(120, beat.Bpm, 6);
        Assert.Equal(8, beat.Beats);
    }

    [Fact]
    public void A_beat_tapped_twice_is_one()
    {
        var taps = Even(120, 8);
        taps.Insert(5, taps[4] + 0.11);
        var beat = TapTrain.Follow(taps)!.Value;
        Assert.Equal(120, beat.Bpm, 6);
        Assert.Equal(7, beat.Beats);
    }

    [Fact]
    public void After_a_pause_it_is_another_train()
    {
        // Eight at 120, a rest of eight beats, four at 100.
        List<double> taps = [.. Even(120, 8, 0), .. Even(100, 4, 7.5)];
        Assert.Equal(100, TapTrain.Follow(taps)!.Value.Bpm, 6);
        // Three beats without a tap are no pause.
        List<double> going = [.. Even(120, 8, 0), .. Even(120, 4, 5.5)];
        Assert.Equal(14, TapTrain.Follow(going)!.Value.Beats);
    }

    /// <summary>Eight at 120, then four more after a gap: six beats are a gap, more a rest.</summary>
    [Theory]
    [InlineData(1, 11)]
    [InlineData(2, 12)]
    [InlineData(6, 16)]
    [InlineData(6.01, 3)]
    [InlineData(7, 3)]
    public void More_than_six_beats_without_a_tap_begin_anew(double gap, int beats) =>
        Assert.Equal(beats, TapTrain.Follow([.. Even(120, 8, 0), .. Even(120, 4, 3.5 + (gap / 2))])!.Value.Beats);

    /// <summary>While no tempo is known yet, six of the slowest beats; the first tap belongs to the others or not.</summary>
    [Theory]
    [InlineData(9, 4)]
    [InlineData(9.01, 3)]
    public void So_do_more_than_six_of_the_slowest_after_the_first_tap(double gap, int taps) =>
        Assert.Equal(taps == 4, TapTrain.Follow([0, gap, gap + 1, gap + 2]) is not null);

    /// <summary>Eight at 120 and one more tap behind the fifth: nearer than two fifths of a beat it is the same beat.</summary>
    [Theory]
    [InlineData(0.09, 0)]
    [InlineData(0.19, 0)]
    [InlineData(0.21, 1)]
    public void Two_taps_of_one_beat_are_one(double behind, int more)
    {
        var taps = Even(120, 8, 0);
        taps.Insert(5, taps[4] + behind);
        Assert.Equal(more > 0, TapTrain.Follow(taps)!.Value.Spread > 0.001);
    }

    [Fact]
    public void Taps_that_go_back_in_time_are_passed_over() =>
        Assert.Equal(120, TapTrain.Follow([0, 0.5, 0.25, 1, 1, 1.5, 2])!.Value.Bpm, 6);

    [Fact]
    public void Music_that_gathers_speed_is_followed_and_said()
    {
        var (taps, at) = (new List<double>(), 0.0);
        for (var i = 0; i < 32; i++)
        {
            taps.Add(at);
            at += 60 / (120 * (1 + (0.03 * i / 31)));
        }

        var beat = TapTrain.Follow(taps)!.Value;
        Assert.InRange(beat.Bpm, 122.4, 123.6);
        Assert.InRange(beat.Drift, 0.01, 0.025);
        Assert.InRange(beat.BeatAt - taps[^1], -0.012, 0.012);
    }

    /// <summary>
    /// Sixty trains as hands tap them: a deviation of 25 ms, music that drifts by up to 3 %, one beat left out and one tapped twice in
    /// every third.
    /// </summary>
    [Fact]
    public void Unsteady_hands_are_understood()
    {
        var (tempo, phase, trains) = (0, 0, 60);
        foreach (var train in Enumerable.Range(0, trains).Select(TapTrains.Of))
        {
            if (TapTrain.Follow([.. train.Taps.Take(8)]) is { } eight && Math.Abs((eight.Bpm / train.TempoOver(8)) - 1) < 0.01)
            {
                tempo++;
            }

            if (TapTrain.Follow(train.Taps) is { } beat && Math.Abs(train.NearestBeat(beat.BeatAt) - beat.BeatAt) < 0.03)
            {
                phase++;
            }
        }

        // What can be known of a tempo from eight taps is limited by the hand: see docs/decisions.md.
        Assert.True(tempo >= 0.7 * trains, $"tempo within 1 %: {tempo} of {trains}");
        Assert.True(phase >= 0.95 * trains, $"phase within 30 ms: {phase} of {trains}");
    }
}
