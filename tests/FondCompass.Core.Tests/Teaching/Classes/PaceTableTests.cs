using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Classes;

/// <summary>The numbers of teaching as tables (rules, section 7): how long a frame is, how long a line is kept, how many lose it.</summary>
public class PaceTableTests
{
    /// <summary>
    /// Five minutes at least, a minute more for each point of effort over three, ten at the most; one's own where it is more.
    /// </summary>
    [Theory]
    [InlineData(null, 2.9, 5)]
    [InlineData(null, 3, 5)]
    [InlineData(null, 3.9, 5)]
    [InlineData(null, 4, 6)]
    [InlineData(null, 5, 7)]
    [InlineData(9.0, 5, 10)]
    [InlineData(8.0, 3, 8)]
    [InlineData(12.0, 5, 12)]
    [InlineData(0.0, 5, 0)]
    public void Minutes_of_a_warm_up_by_effort(double? own, double peak, double minutes) =>
        Assert.Equal(minutes, TeachingTime.Frame(own, peak) / 60);

    [Theory]
    [InlineData(null, 12, true, 3)]
    [InlineData(null, 9, true, 2.5)]
    [InlineData(null, 60, true, 10)]
    [InlineData(4.0, 60, true, 4)]
    [InlineData(null, 36, false, 3)]
    [InlineData(null, 10, false, 1)]
    public void Minutes_of_a_fitness_classs_frame(double? own, double minutes, bool isWarmUp, double frame) =>
        Assert.Equal(frame, TeachingTime.ScaledFrame(own, minutes, isWarmUp) / 60, 6);

    /// <summary>C is a day it was clean, L one it was lost.</summary>
    [Theory]
    [InlineData("L", null)]
    [InlineData("C", 7.0)]
    [InlineData("LC", 7.0)]
    [InlineData("CC", 14.0)]
    [InlineData("CCC", 28.0)]
    [InlineData("CL", 3.5)]
    [InlineData("CLL", 3.0)]
    [InlineData("CCL", 7.0)]
    [InlineData("CCCCC", 112.0)]
    [InlineData("CCCCCC", 180.0)]
    [InlineData("CCCCCCC", 180.0)]
    public void Days_until_half_of_a_line_is_lost(string days, double? half) =>
        Assert.Equal(half, Memory.HalfLife(days.Select(d => d == 'C')));

    [Theory]
    [InlineData(0, 0)]
    [InlineData(10, 0.5)]
    [InlineData(30, 0.75)]
    public void The_share_of_a_class_that_loses_a_bite(double points, double loss) => Assert.Equal(loss, Bites.LossOf(points));

    /// <summary>Counts danced and counted in, by the tempo and the rate.</summary>
    [Theory]
    [InlineData(32, 1, 1, 8, 100, 120, 20)]
    [InlineData(32, 2, 1, 8, 100, 120, 36)]
    [InlineData(32, 2, 2, 8, 100, 120, 40)]
    [InlineData(32, 1, 0, 8, 50, 120, 32)]
    public void Seconds_of_dancing(int counts, int repeats, int starts, int countIn, double rate, double bpm, double seconds) =>
        Assert.Equal(seconds, TeachingTime.Danced(counts, repeats, starts, countIn, new Rate(rate), bpm), 6);
}
