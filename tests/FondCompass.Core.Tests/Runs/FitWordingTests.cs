using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Wording.Fits;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>Facts of a fit as an instructor reads them, and as the rows that carry them out.</summary>
public class FitWordingTests
{
    public static TheoryData<FitChange, string, string> Changes => new()
    {
        { new FitChange(FitKind.Restart, 4, 16, 128), "Restart in repeat 4 after 16 counts", "restart 4 after 16" },
        { new FitChange(FitKind.Restart, 4, 1, 128), "Restart in repeat 4 after 1 count", "restart 4 after 1" },
        { new FitChange(FitKind.Tag, 2, 8, 64, "C"), "A tag of 8 counts after repeat 2", "after 2 Wait 2\ntag Wait 2\n1-8 hold" },
        { new FitChange(FitKind.Wait, 2, 24, 64, "C"), "Wait 24 counts after C, call 2", "after 2 Wait 2\ntag Wait 2\n1-24 hold" },
        { new FitChange(FitKind.Half, 3, 24, 64, "V"), "Only the first half of V, 24 counts, as call 3", "restart 3 after 24" },
        { new FitChange(FitKind.Drop, 3, 48, 64, "V"), "Leave out V, call 3", "drop 3" },
        { new FitChange(FitKind.Repeat, 3, 48, 64, "V"), "Dance V, call 3, twice", "repeat 3 again" },
        { new FitChange(FitKind.Move, 4, 16, 64, "C", 5), "Dance C, call 4, after call 5", "move 4 after 5" },
        { new FitChange(FitKind.Move, 4, 16, 64, "C", 0), "Dance C, call 4, first", "move 4 after 0" },
    };

    [Theory]
    [MemberData(nameof(Changes))]
    public void A_change_in_words_and_in_rows(FitChange change, string words, string rows)
    {
        Assert.Equal(words, FitWording.What(change));
        Assert.Equal(rows, FitRows.Write([change]));
        Assert.Equal($"{words}: the repeats after it come nearer to the passages.", FitWording.Say(change));
        Assert.Equal($"{words}.", FitWording.InList(change));
        var meets = change with { Meets = "chorus", Next = 96 };
        Assert.Equal($"{words}: what follows begins with chorus, at count 96.", FitWording.Say(meets));
        Assert.Equal(FitWording.Say(meets), FitWording.InList(meets));
    }

    [Fact]
    public void Several_changes_are_blocks_of_their_own() =>
        Assert.Equal(
            "drop 3\n\nrepeat 5 again",
            FitRows.Write([new FitChange(FitKind.Drop, 3, 8, 0), new FitChange(FitKind.Repeat, 5, 8, 0)]));

    [Theory]
    [InlineData("7&", 2, 0, "on count 7& leave out the 1/4 right turn the last time", "finish 7& no turn")]
    [InlineData("23", 2, 6, "on count 23 turn 3/4 right in place of 1/4 right the last time", "finish 23 turn 3/4 right")]
    [InlineData("23", 2, -2, "on count 23 turn 1/4 left, the other way, in place of 1/4 right the last time", "finish 23 turn 1/4 left")]
    [InlineData(null, 0, 4, "turn 1/2 right on the last count and hold a pose", "finish pose turn 1/2 right")]
    public void An_ending_in_words_and_in_its_row(string? count, int was, int becomes, string words, string row)
    {
        var way = new EndingFix(count, new Eighths(was), new Eighths(becomes));
        Assert.Equal($"To finish to the front, {words}.", FitWording.Say(way));
        Assert.Equal(row, FitRows.Write(way));
        Assert.Equal(new FinishChange(count, new Eighths(becomes), 5), RowOpeners.Finish(5, row));
    }

    [Fact]
    public void An_ending_to_the_front_has_nothing_to_say() => Assert.Null(FitWording.Say(new RunEnding("A", 8, default, [])));

    [Theory]
    [InlineData("C", "chorus", "C on chorus")]
    [InlineData("long walk", "bell", "long walk on \"bell\"")]
    public void A_part_on_its_passage(string part, string kind, string row)
    {
        Assert.Equal(row, FitRows.Write(part, kind));
        Assert.Equal(new PartOnPassage(part, kind, 2), RowOpeners.Meeting(2, row));
    }

    [Theory]
    [InlineData(0, 0.5, 3, "shuffle sets the feet 0.5 counts apart, 3 times running")]
    [InlineData(0, 1, 2, "shuffle sets the feet 1 count apart")]
    [InlineData(-4, 1.5, 1, "shuffle turns 1/2 left and has 1.5 counts for it")]
    public void What_holds_a_tempo_back(int turn, double apart, int running, string words) =>
        Assert.Equal(words, FitWording.Say(new TempoLimit(1, "3", 150, "shuffle", new Eighths(turn), apart, running)));

    public static TheoryData<TempoInstead?, string> Insteads => new()
    {
        { null, "Write an easier variant of it." },
        {
            new TempoInstead(new VariantLabel(VariantKind.Easier, ""), null, 200, true),
            "Instead: its variant 'easier' can be danced at the 180 it comes to."
        },
        { new TempoInstead(null, "B", 160.4, false), "Instead: part B carries it as far as 160." },
    };

    [Theory]
    [MemberData(nameof(Insteads))]
    public void What_could_carry_it(TempoInstead? instead, string words) =>
        Assert.Equal(
            words,
            FitWording.Say(new PastTempo(
                "A",
                2,
                40,
                new Seconds(20),
                170,
                new TempoLimit(1, "3", 150, "shuffle", Eighths.None, 0.5, 3),
                180,
                instead)));

    [Theory]
    [InlineData(0, "1")]
    [InlineData(23, "1a")]
    [InlineData(24, "2")]
    [InlineData(30, "2e")]
    [InlineData(36, "2&")]
    // A swung half is still the half.
    [InlineData(40, "2&")]
    [InlineData(42, "2a")]
    [InlineData(528, "23")]
    [InlineData(-12, "0&")]
    public void A_place_in_a_part(int tick, string label) => Assert.Equal(label, PartCount.Label(new Tick(tick)));
}
