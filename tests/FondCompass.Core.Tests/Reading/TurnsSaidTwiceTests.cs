using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>How often behind a turn: what is turned is done as often, and nothing is left out.</summary>
public class TurnsSaidTwiceTests
{
    [Theory]
    [InlineData("1-4 turn 1/4 left x2", "1 turn L, turning 1/4 left · 3 turn L, turning 1/4 left")]
    [InlineData("1-4 turn 1/8 left twice", "1 turn L, turning 1/8 left · 3 turn L, turning 1/8 left")]
    [InlineData("1-4 full turn R x2", "1 turn L, turning 1 right · 3 turn L, turning 1 right")]
    [InlineData("1-8 step R forward, turn 1/8 left x2", "1 step R forward, turning 1/8 left · 5 step L forward, turning 1/8 left")]
    [InlineData("1-4 touch R side, turn 1/4 right x2", "1 touch R side, turning 1/4 right · 3 touch R side, turning 1/4 right")]
    [InlineData("1-4 touch R side turning 1/4 right x2", "1 touch R side, turning 1/8 right · 3 touch R side, turning 1/8 right")]
    [InlineData("1-4 walk R back with a half turn right twice", "1 walk R back, turning 1/2 right · 3 walk L back, turning 1/2 right")]
    [InlineData("1-8 rock R forward, recover, turn 1/4 left x2", "1 rock R forward · 3 recover L, turning 1/4 left · 5 rock R forward · 7 recover L, turning 1/4 left")]
    [InlineData("1-8 turn 1/4 left x2, step R", "1 turn L, turning 1/4 left · 3 turn L, turning 1/4 left · 6 step R")]
    [InlineData("1-8 body roll, turn 1/4 left x2", "1 body roll · 3 turn L, turning 1/4 left · 5 body roll · 7 turn L, turning 1/4 left")]
    [InlineData("1-8 step R, turn 1/4 left", "1 step R, turning 1/4 left")]
    public void A_turn_said_twice_is_danced_twice(string row, string reads) => Assert.Equal(reads, Assert.Single(Analysis.Of($"part A\n{row}").Reads).Text);
}
