using FondCompass.Core.Editing;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Editing;

/// <summary>Edits of rows that are several things: an ending and its steps, clauses and layers with counts of their own, notes.</summary>
public class RowPlaceTests
{
    private static readonly StepLexicon Steps = StepLexicon.Shipped;

    private static string Longer(string rows, int row, int by = 1) => After(StepEdits.Lengthen("part A\n" + rows, Steps, row + 1, by));

    private static string After(EditResult result)
    {
        Assert.Null(result.Refusal);
        return result.Script["part A\n".Length..];
    }

    [Theory]
    [InlineData("1-4 vine R\nfirst time 5-8 vine L\nsecond time 5-8 march L", 1, "1-5 vine R\nfirst time 6-9 vine L\nsecond time 6-9 march L")]
    [InlineData("1-4 vine R\n1st time 5-6 rock step L\n7-8 march L\n2nd time 5-8 march L", 2, "1-4 vine R\n1st time 5-7 rock step L\n8-9 march L\n2nd time 5-8 march L")]
    [InlineData("1-4 vine R\nthe second time: 5-8 vine L # end", 2, "1-4 vine R\nthe second time: 5-9 vine L # end")]
    [InlineData("1-4 vine R\nsecond time vine L", 2, "1-4 vine R\nsecond time 5-9 vine L")]
    public void An_ending_keeps_its_words_and_its_place(string rows, int row, string expected) => Assert.Equal(expected, Longer(rows, row));

    [Theory]
    [InlineData("1 step R\n2-3 rock step L, 4 touch L\n5-8 vine L", 1, "1-2 step R\n3-4 rock step L, 5 touch L\n6-9 vine L")]
    [InlineData("1-2 rock step R, 3 touch R\n5-8 vine R", 1, "1-2 rock step R, 3-4 touch R\n6-9 vine R")]
    [InlineData("1 step R\n2-4 step L, touch R, hold + 2,4 clap + snap on 3\n5-8 march R", 1, "1-2 step R\n3-5 step L, touch R, hold + 3,5 clap + snap on 4\n6-9 march R")]
    [InlineData("1 step R\n2-4 march L\n+ 2 right arm up, 4 left arm up\n5-8 march R", 1, "1-2 step R\n3-5 march L\n+ 3 right arm up, 5 left arm up\n6-9 march R")]
    [InlineData("1 step R\n2-4 march L\nnote 3 walls only\nnote 3: breathe\ncue 4 look\n5-8 march R", 1, "1-2 step R\n3-5 march L\nnote 3 walls only\nnote 4: breathe\ncue 5 look\n6-9 march R")]
    [InlineData("1-4 vine R\n5-8 vine L\nno arms 5-8 vine L\nversion out at sea: 5-6 rock step L, 7 touch L, 8 hold", 1, "1-5 vine R\n6-9 vine L\nno arms 6-9 vine L\nversion out at sea: 6-7 rock step L, 8 touch L, 9 hold")]
    [InlineData("1 step R\n? 2-4 flurble\n5-8 march L", 1, "1-2 step R\n? 3-5 flurble\n6-9 march L")]
    [InlineData("1 step R\ncheck weight R facing 12\n2-4 march L", 1, "1-2 step R\ncheck weight R facing 12\n3-5 march L")]
    public void Every_count_moves_and_no_other_number(string rows, int row, string expected) => Assert.Equal(expected, Longer(rows, row));

    [Theory]
    [InlineData("1-4 vine R\nsecond time 5-8 vine L # end", "rocking chair L", "1-4 vine R\nsecond time 5-8 rocking chair L # end")]
    [InlineData("1-4 vine R\nsecond time 5-8 vine L # end", "5-6 rock step L", "1-4 vine R\nsecond time 5-6 rock step L # end")]
    [InlineData("1-4 vine R\n 5-8 vine L + clap", "rocking chair L", "1-4 vine R\n 5-8 rocking chair L + clap")]
    [InlineData("1-4 vine R\n5-8 L vine # L vine", "rocking chair L", "1-4 vine R\n5-8 rocking chair L # L vine")]
    [InlineData("1-4 vine R\n5-6 rock step L, 7 touch L # so", "vine L", "1-4 vine R\n5-7 vine L # so")]
    public void Other_words_go_where_the_old_ones_stood(string rows, string words, string expected) =>
        Assert.Equal(expected, After(StepEdits.Replace("part A\n" + rows, Steps, 3, words)));

    [Fact]
    public void A_split_ending_stays_one() =>
        Assert.Equal(
            "1-4 vine R\nsecond time 5 step L side # end\n6 step R behind\n7 step L side\n8 touch R beside",
            After(StepEdits.Split("part A\n1-4 vine R\nsecond time 5-8 vine L # end", Steps, 3)));
}
