using CsCheck;
using FondCompass.Core.Editing;
using FondCompass.Core.Notation;
using Xunit;

namespace FondCompass.Core.Tests.Editing;

/// <summary>Reading then writing gives the same text; the tidy form dances the same and is its own tidy form.</summary>
public class WritingBackTests
{
    private static readonly Gen<string> AnyText = Gen.OneOf(
        Gen.String,
        Gen.OneOfConst(
            "part A",
            "1-4 vine R  # remark",
            "\r\n",
            "\n",
            "\r",
            "  5-8   Grapevine Left w/ 1/4 L ",
            "title X",
            "\u2028",
            "// x",
            "",
            "again",
            "+ 3 clap",
            "é – ½").Array[
            0,
            30]
            .Select(string.Concat));

    [Fact]
    public void Reading_then_writing_gives_the_same_text() =>
        AnyText.Sample(text => Assert.Equal(text, ScriptWriter.Write(ScriptReader.Read(text))));

    [Fact]
    public void Tidying_changes_nothing_that_is_danced()
    {
        foreach (var script in Dances.Demo.Values.Append(Dances.Stroll))
        {
            var tidy = CanonicalForm.Write(script);
            Assert.Equal(Dances.Danced(script), Dances.Danced(tidy));
            Assert.Equal(tidy, CanonicalForm.Write(tidy));
        }
    }

    [Theory]
    [InlineData("1-4 GRAPEVINE to the right", "1-4 vine R")]
    [InlineData("1&2 triple L fwd", "1&2 shuffle L forward")]
    [InlineData("5-6 pivot ½ left # mind the knee", "5-6 pivot turn 1/2 left  # mind the knee")]
    [InlineData("7:  step right foot forward,  1/4 turn left", "7 step R forward, turn 1/4 left")]
    [InlineData("8 | 1-3 step R side, step L behind, step R side, touch L", "8 | 1-3 step R side, step L behind, step R side, touch L")]
    [InlineData("1, 3,5,7  Clap", "1,3,5,7 clap")]
    [InlineData("&1 ball R, step L forward", "&1 ball R, step L forward")]
    [InlineData("3 kick R and slide L back", "3 kick R and slide L back")]
    [InlineData("1-4 vine R  +  4 clap", "1-4 vine R + 4 clap")]
    [InlineData("1-8 blimp sideways", "1-8 blimp sideways")]
    [InlineData("easier 5-8 GRAPEVINE left", "easier 5-8 vine L")]
    public void One_spelling_for_each_thing(string row, string tidy) =>
        Assert.Equal(tidy, CanonicalForm.Write($"part A\n1-8 vine R\n{row}").Split('\n')[2]);

    [Fact]
    public void Remarks_and_paragraphs_stay() =>
        Assert.Equal(
            "# mine\ntitle X\n\npart A\n# go\n1-4 vine R\n",
            CanonicalForm.Write("# mine\ntitle   X\n\n\n\npart A\n# go\n1-4  vine  right\n\n"));
}
