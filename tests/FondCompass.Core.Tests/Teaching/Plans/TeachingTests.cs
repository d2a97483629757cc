using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Classes;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Plans;

public class TeachingTests
{
    [Theory]
    [InlineData(8, 4, 4, 4, 0.6, 112, 42.86)]
    [InlineData(32, 2, 2, 8, 0.75, 112, 57.14)]
    public void Example_5_danced_blocks(int counts, int repeats, int starts, int countIn, double rate, double bpm, double seconds) =>
        Assert.Equal(seconds, TeachingTime.Danced(counts, repeats, starts, countIn, new Rate(rate * 100), bpm), 2);

    [Theory]
    [InlineData("pivot half left", 4, false)]
    [InlineData("pivot left", 3, true)]
    public void Example_6_two_counts_of_lead_at_120_hold_three_syllables(string words, int syllables, bool fits)
    {
        Assert.Equal(syllables, Speech.Syllables(words));
        Assert.Equal(fits, Speech.Usual.Seconds(words) <= Speech.DefaultLead * 60 / 120);
    }

    [Theory]
    [InlineData("vine", 1)]
    [InlineData("shuffle", 2)]
    [InlineData("coaster", 2)]
    [InlineData("recover", 3)]
    [InlineData("monterey", 3)]
    [InlineData("side together side", 5)]
    [InlineData("toe strut", 2)]
    [InlineData("Wechselschritt vor", 4)]
    [InlineData("ballon à côté", 5)]
    [InlineData("вперед", 2)]
    [InlineData("오른쪽 앞으로", 6)]
    [InlineData("5, 6, 7, 8", 4)]
    public void Syllables_are_counted(string words, int syllables) => Assert.Equal(syllables, Speech.Syllables(words));

    [Fact]
    public void Difficulty_never_falls_when_the_tempo_or_a_turn_rises()
    {
        var before = 0.0;
        foreach (var amount in (string[])["1/8", "1/4", "3/8", "1/2", "3/4", "1", "1 1/2"])
        {
            var trace = Analysis.Analyse($"part A\n1-4 vine R\n5 step L side, turn {amount} left\n6 touch R beside\n7-8 hold").Trace;
            foreach (var bpm in (double[])[80, 112, 160])
            {
                var points = Difficulty.OfLine(trace.Parts[0], 1, bpm).Points;
                Assert.True(bpm > 80 || points > before);
                before = bpm == 80 ? points : before;
                Assert.True(points >= before);
            }
        }
    }
}
