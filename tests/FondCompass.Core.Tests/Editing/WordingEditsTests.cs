using FondCompass.Core.Editing;
using FondCompass.Core.Steps;
using FondCompass.Wordings;
using Xunit;

namespace FondCompass.Core.Tests.Editing;

/// <summary>Rows that say more than their steps: what is tidied, split or mirrored twice is danced as before.</summary>
public class WordingEditsTests
{
    public static TheoryData<string> Rows =>
    [
        "1 touch R front, 2 side, 3 step R beside",
        "1-2 step R on 1, kick L on 2",
        "rock R forward 1, recover L 2",
        "step R side (1), close L (2)",
        "1-4 1 step R side, 2 close L, 3 step R side, 4 touch L",
        "1-4 step R on 1, touch L on 4",
        "1-4 vine R, no touch",
        "1-4 vine R, not on 4",
        "1-4 vine R, brush instead of touch",
        "1-4 vine R, kick on 4",
        "1-4 vine R, no rushing",
        "1 stomp R without weight",
        "1-2 stomp R, stomp L (no weight)",
        "1-2 rock R forward, do not recover",
        "1-4 vine R, smooth and low",
        "1-4 jazz box R like a gull",
        "1-4 walk forward",
        "1-8 4 pivots left, 1/4 each",
        "1-4 full turn left, R L R L",
        "1-4 jazz box turning 1/4 right",
        "1-8 vine R (4), vine L (4)",
        "1-8 4 heel digs",
        "1-8 two 1/4 jazz boxes left",
        "1-2 step touch R, hitch L",
        "1-2 point R front back",
    ];

    private static string Script(string row) => $"start weight L\npart A\n{row}\n";

    [Theory]
    [MemberData(nameof(Rows))]
    public void Tidied_it_is_danced_as_before(string row) =>
        Assert.Equal(Dances.Danced(Script(row)), Dances.Danced(CanonicalForm.Write(Script(row))));

    [Theory]
    [MemberData(nameof(Rows))]
    public void Split_its_feet_are_as_before(string row)
    {
        // A step told by its actions has no name any more.
        var split = StepEdits.Split(Script(row), StepLexicon.Shipped, 3);
        Assert.Equal(Judge.Feet(Analysis.Analyse(Script(row))), Judge.Feet(Analysis.Analyse(split.Script)));
    }

    [Theory]
    [MemberData(nameof(Rows))]
    public void Mirrored_twice_it_is_danced_as_before(string row)
    {
        var mirrored = BlockEdits.Line(Script(row), StepLexicon.Shipped, "A", 1, BlockAct.Mirror).Script
            .Replace("start weight L", "start weight R", StringComparison.Ordinal);
        Assert.NotEqual(Dances.Danced(Script(row)), Dances.Danced(mirrored));
        var again = BlockEdits.Line(mirrored, StepLexicon.Shipped, "A", 1, BlockAct.Mirror).Script
            .Replace("start weight R", "start weight L", StringComparison.Ordinal);
        Assert.Equal(Dances.Danced(Script(row)), Dances.Danced(again));
    }
}
