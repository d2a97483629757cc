using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>Passages of one kind, however they are numbered; and the row that gives a part to a kind.</summary>
public class PassageKindTests
{
    [Theory]
    [InlineData("Verse", "verse")]
    [InlineData("verse 2", "verse")]
    [InlineData("Verse2", "verse")]
    [InlineData("2nd verse", "verse")]
    [InlineData("the last  chorus", "chorus")]
    [InlineData("choruses", "chorus")]
    [InlineData("verses", "verse")]
    [InlineData("chorus b", "chorus")]
    [InlineData("verse ii", "verse")]
    [InlineData("bridge iv", "bridge")]
    [InlineData("middle eight", "middle eight")]
    // Of names that are no kind each stands for itself.
    [InlineData("passage 2", "passage 2")]
    [InlineData("p1", "p1")]
    [InlineData("A2", "a2")]
    [InlineData("the long lantern", "the long lantern")]
    public void Kinds(string name, string kind) => Assert.Equal(kind, PassageKind.KindOf(name));

    [Theory]
    [InlineData("C on chorus", "C", "chorus")]
    [InlineData("C on every chorus", "C", "chorus")]
    [InlineData("c on the choruses.", "c", "chorus")]
    [InlineData("long walk on verse", "long walk", "verse")]
    [InlineData("V belongs on the verse", "V", "verse")]
    [InlineData("B on \"the long lantern\"", "B", "the long lantern")]
    public void Meetings(string row, string part, string kind)
    {
        var meeting = RowOpeners.Meeting(7, row);
        Assert.Equal(new PartOnPassage(part, kind, 7), meeting);
    }

    [Theory]
    [InlineData("step on R")]
    [InlineData("C on lanterns")]
    // One of them is not all of them.
    [InlineData("C on the last chorus")]
    [InlineData("C on second verse")]
    [InlineData("C on chorus 2")]
    [InlineData("C on chorus and bridge")]
    [InlineData("1-4 stomp on chorus")]
    [InlineData("+ arms on chorus")]
    [InlineData("C at chorus")]
    public void Other_rows_are_none(string row) => Assert.Null(RowOpeners.Meeting(1, row));

    [Theory]
    [InlineData("drop 3", CallChange.Drop, 3, 0)]
    [InlineData("Drop call 12.", CallChange.Drop, 12, 0)]
    [InlineData("drop the third call", CallChange.Drop, 3, 0)]
    [InlineData("drop 2nd repeat", CallChange.Drop, 2, 0)]
    [InlineData("repeat 3 again", CallChange.Again, 3, 0)]
    [InlineData("move 3 after 5", CallChange.Move, 3, 5)]
    [InlineData("move 3 before 1", CallChange.Move, 3, 0)]
    public void Changes(string row, CallChange change, int call, int to) =>
        Assert.Equal(new OrderChange(change, call, to, 4), RowOpeners.Change(4, row));

    [Theory]
    [InlineData("drop R heel")]
    [InlineData("drop every call")]
    [InlineData("drop the right heel")]
    [InlineData("drop 0")]
    [InlineData("repeat 3 easier")]
    [InlineData("repeat 3 times")]
    [InlineData("move 3 steps")]
    public void No_changes(string row) => Assert.Null(RowOpeners.Change(1, row));

    [Theory]
    [InlineData("drop 2", 1)]
    [InlineData("A on chorus", 1)]
    [InlineData("move 1 after 2\nrepeat 1 again", 2)]
    [InlineData("drop 2\norder A A", 0)]
    public void What_only_an_order_can_have_is_told_where_there_is_none(string rows, int told) =>
        Assert.Equal(told, Analysis.Analyse($"part A\n1-8 march R\n{rows}").Findings.Count(f => f.Code == "RUN06"));

    [Fact]
    public void A_part_that_is_not_there_is_told() =>
        Assert.Contains(Analysis.Analyse("part A\n1-8 march x8\nB on chorus").Findings, f => f is { Code: "PART01", Place.Row: 3 });
}
