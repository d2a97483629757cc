using FondCompass.Core.Runs.Fitting;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>Which moves are open where, with their boundaries.</summary>
public class FitMovesTests
{
    private const string Order =
        "part V\n1-4 walk R, L, R, L\n5-8 walk R, L, R, L\n1-8 hold\npart C\n1-4 walk R, L, R, L\n5-8 walk R, L, R, L\npart B\n1-2 walk "
            + "R, L\norder ";

    private static List<FitMove> From(string script, FitConstraints? constraints = null)
    {
        var moves = FitMoves.For(Analysis.Analyse(script).Trace, constraints ?? new FitConstraints());
        return [.. moves.From(moves.Begin)];
    }

    private static List<int> Counts(IEnumerable<FitMove> moves, FitKind kind) =>
        [.. moves.Where(m => m.Kind == kind).Select(m => m.Counts)];

    [Fact]
    public void In_an_order()
    {
        var moves = From(Order + "V C B");
        Assert.Equal((null, 16), (moves[0].Kind, moves[0].Length));
        Assert.Equal([2, 4, 6, 8, 10, 12, 14, 16], Counts(moves, FitKind.Tag));
        Assert.Equal([24, 32, 40, 48, 56, 64], Counts(moves, FitKind.Wait));
        // Cut where the feet suit what follows: after an even count, and anywhere in the hold; in the middle it is the half.
        Assert.Equal([2, 4, 6, 9, 10, 11, 12, 13, 14, 15], Counts(moves, FitKind.Restart));
        Assert.Equal([8], Counts(moves, FitKind.Half));
        Assert.Equal([16], Counts(moves, FitKind.Drop));
        Assert.Equal([(32, 16)], moves.Where(m => m.Kind == FitKind.Repeat).Select(m => (m.Length, m.Changed)));
    }

    [Fact]
    public void In_a_loop_there_are_only_tags_and_restarts() =>
        Assert.Equal(
            [FitKind.Restart, FitKind.Tag],
            From("part A\n1-4 walk R, L, R, L\n5-8 walk R, L, R, L").Where(m => m.Kind is not null).Select(m => m.Kind!.Value).Distinct());

    [Fact]
    public void In_sixes_tags_are_threes() =>
        Assert.Equal([3, 6, 9, 12], Counts(From("line 6\npart A\n1-3 waltz basic R\n4-6 waltz basic L"), FitKind.Tag));

    [Theory]
    [InlineData("NoTags", "Restart Half Drop Repeat Move")]
    [InlineData("NoRestarts", "Tag Half Drop Repeat Move Wait")]
    [InlineData("KeepOrder", "Restart Tag Wait")]
    [InlineData("NoMoves", "Restart Tag Half Drop Repeat Wait")]
    public void What_is_not_allowed_is_not_there(string not, string left)
    {
        var constraints = new FitConstraints(
            NoRestarts: not == "NoRestarts",
            NoTags: not == "NoTags",
            KeepOrder: not == "KeepOrder",
            NoMoves: not == "NoMoves");
        Assert.Equal(
            left.Split(' ').Order(),
            From(Order + "V C B", constraints).Where(m => m.Kind is not null).Select(m => $"{m.Kind}").Distinct().Order());
    }

    [Theory]
    // A part is moved past four calls at the most; a later one is danced before it as well.
    [InlineData("V C", "1>2")]
    [InlineData("V C B", "1>2 1>3 3>0")]
    [InlineData("V C B C V C", "1>2 1>3 3>0 1>4 4>0 1>5 5>0")]
    // Past what has a tag or a restart of its own nothing moves.
    [InlineData("V C B\nrestart 2 after 4", "")]
    [InlineData("V C B\nrestart 3 after 1", "1>2")]
    // Nor past the end of the round.
    [InlineData("V C, round and round", "1>2")]
    public void How_far_a_part_moves(string order, string moved) =>
        Assert.Equal(moved, string.Join(' ', From(Order + order).Where(m => m.Kind == FitKind.Move).Select(m => $"{m.Call}>{m.To}")));

    [Theory]
    [InlineData("V C B\nrestart 1 after 4", "", 4)]
    // A tag of its own keeps all but dancing it twice.
    [InlineData("V T C B\ntag T\n1-4 hold", "Repeat", 20)]
    public void What_has_a_change_already_is_danced_as_written(string order, string open, int length)
    {
        var moves = From(Order + order);
        Assert.Equal(length, moves[0].Length);
        Assert.Equal(open, string.Join(' ', moves.Where(m => m.Kind is not null).Select(m => $"{m.Kind}").Distinct()));
    }

    [Fact]
    public void The_last_of_an_order_is_danced_or_danced_twice()
    {
        var moves = FitMoves.For(Analysis.Analyse(Order + "V").Trace, new FitConstraints());
        Assert.Equal([null, FitKind.Repeat], moves.From(moves.Begin).Select(m => m.Kind));
        Assert.True(moves.Ends);
        Assert.False(FitMoves.For(Analysis.Analyse(Order + "V, round and round").Trace, new FitConstraints()).Ends);
    }
}
