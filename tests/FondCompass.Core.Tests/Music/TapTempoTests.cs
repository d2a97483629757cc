using CsCheck;
using FondCompass.Core.Music;
using Xunit;

namespace FondCompass.Core.Tests.Music;

/// <summary>Tempo and passages by tapping.</summary>
public sealed class TapTempoTests
{
    private static List<double> Taps(double bpm, int count, double first = 0) =>
        [.. Enumerable.Range(0, count).Select(i => first + (i * 60 / bpm))];

    [Theory]
    [InlineData(112)]
    [InlineData(60)]
    [InlineData(174)]
    public void Even_taps_tell_their_tempo_and_no_spread(double bpm)
    {
        var tapped = TapTempo.Measure(Taps(bpm, 9))!;
        Assert.Equal(bpm, tapped.Bpm, 6);
        Assert.Equal((0, 8, 0), (Math.Round(tapped.Spread, 6), tapped.Used, tapped.Dropped));
    }

    [Fact]
    public void A_slip_is_left_out_and_a_tap_missed_still_counts()
    {
        var taps = Taps(120, 12);
        taps.RemoveAt(5);
        taps.Add(taps[^1] + 2.9);
        var tapped = TapTempo.Measure(taps)!;
        Assert.Equal(120, tapped.Bpm, 6);
        Assert.Equal((10, 1), (tapped.Used, tapped.Dropped));
    }

    [Fact]
    public void Too_few_taps_tell_nothing()
    {
        Assert.Null(TapTempo.Measure(Taps(100, 3)));
        Assert.Null(TapTempo.Measure([]));
        Assert.Null(TapTempo.Measure([1, double.NaN, 2, 3]));
    }

    [Fact]
    public void A_shaky_hand_is_within_two_in_a_hundred() =>
        Gen.Select(Gen.Double[60, 180], Gen.Double[-0.02, 0.02].Array[16]).Sample((bpm, shake) =>
        Math.Abs(TapTempo.Measure([.. Taps(bpm, 16).Select((t, i) => t + shake[i])])!.Bpm - bpm) < bpm * 0.05);

    [Fact]
    public void Passages_tapped_a_little_late_have_whole_fours()
    {
        // 16, 32 and 32 counts at 120 are 8, 16 and 16 seconds.
        var passages = TapTempo.Passages([0.1, 8.2, 23.9], 40.3, 120);
        Assert.Equal([16, 32, 32], passages.Select(p => p.Counts));
        Assert.All(passages, p => Assert.Equal(120, p.Bpm));
    }

    [Fact]
    public void An_odd_passage_stays_odd() => Assert.Equal([18, 6], TapTempo.Passages([0, 9], 12, 120).Select(p => p.Counts));
}
