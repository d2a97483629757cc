using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>How often, behind a turn, behind feet alone, of each foot: nothing of it is left out.</summary>
public class SaidTwiceTests
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
    [InlineData("1-4 R, L x2", "1 step R · 2 step L · 3 step R · 4 step L")]
    [InlineData("1-8 R, L, R, L x2", "1 step R · 2 step L · 3 step R · 4 step L · 5 step R · 6 step L · 7 step R · 8 step L")]
    [InlineData("1-8 R x4", "1 step R · 3 step L · 5 step R · 7 step L")]
    [InlineData("1-4 hip bumps R x2, L x2", "1 hip bump R · 2 hip bump · 3 hip bump L · 4 hip bump")]
    [InlineData("1-8 kick R x2, L x2", "1 kick R · 3 kick R · 5 kick L · 7 kick L")]
    [InlineData("1-6 kick R x2, L", "1 kick R · 3 kick R · 5 kick L")]
    [InlineData("1-8 swivel R x2, L x2", "1 swivel L to the right · 3 swivel L to the right · 5 swivel L to the left · 7 swivel L to the left")]
    [InlineData("1-8 hips right x2, left x2", "1 hips right x2, left x2")]
    [InlineData("1-4 shoulders up x2, down x2", "1 shoulders up x2, down x2")]
    [InlineData("1-4 arms up twice, down twice", "1 arms up twice, down twice")]
    [InlineData("1-4 shoulders up x2", "1 shoulders up · 3 shoulders up")]
    [InlineData("1-4 point R side, L side", "1 point R · 3 point L")]
    [InlineData("1-8 point R to the side and L to the side x2", "1 point R · 3 point L · 5 point R · 7 point L")]
    [InlineData("1-4 kick R forward, L back", "1 kick R · 3 step L back")]
    [InlineData("1-4 touch R side, R back", "1 touch R side · 3 step R back")]
    [InlineData("1-3 stomp R 3 times", "1 stomp R · 2 stomp L · 3 stomp R")]
    [InlineData("1-5 clap five times", "1 clap · 2 clap · 3 clap · 4 clap · 5 clap")]
    [InlineData("1-4 step R, touch L 2 times", "1 step R · 2 touch L · 3 step L · 4 touch R")]
    [InlineData("1-5 kick R 3 times, coaster step", "1 kick R · 2 kick R · 3 kick R · 4 step R back · 4& close L · 5 step R forward")]
    [InlineData("1-8 walk R, L x2", "1 walk R · 3 walk L · 5 walk R · 7 walk L")]
    public void What_is_said_twice_is_danced_twice(string row, string reads) =>
        Assert.Equal(reads, Assert.Single(Analysis.Analyse($"part A\n{row}").Reads).Text);

    [Theory]
    [InlineData("1-4 stomp 1 2", "2")]
    [InlineData("1-4 stomp 2 1", "1")]
    [InlineData("1-4 walk 4 2", "2")]
    public void Of_two_numbers_the_second_is_told(string row, string told) =>
        Assert.Contains(
            Analysis.Analyse($"part A\n{row}").Findings,
            f => f.Code == "WORD02" && f.Message.StartsWith($"'{told}' in ", StringComparison.Ordinal));
}
