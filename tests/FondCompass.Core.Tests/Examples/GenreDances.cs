using FondCompass.Core.Editing;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using Xunit;

namespace FondCompass.Core.Tests.Examples;

/// <summary>Whole dances in every genre, as an instructor writes them, with what the compass must say of them.</summary>
public class GenreDances
{
    private sealed record Says(int Counts, string End, string Facing, int Net, bool Mirrors, params string[] Errors);

    private static void Check(string script, Says says)
    {
        var analysis = Analysis.Analyse(script);
        var errors = analysis.Findings.Where(f => f.Severity == Severity.Error)
            .Select(f => $"{f.Code} {f.Place.Part} {f.Place.Line} {f.Place.Count}")
            .ToArray();
        Assert.Equal(says.Errors, errors);
        Assert.Equal(says.Counts, analysis.Trace.TotalCounts);
        Assert.Equal(says.End, analysis.Trace.EndWeight.Letter());
        Assert.Equal(says.Facing, analysis.Trace.EndFacing.ToString());
        Assert.Equal(says.Net, analysis.Trace.NetTurn.Value);
        Assert.Equal(says.Mirrors, analysis.Trace.Mirrors);
        Assert.Equal(Dances.Danced(script), Dances.Danced(CanonicalForm.Write(script)));
    }

    [Fact]
    public void Line_with_syncopation() => Check(
        """
        title Bollard Hop
        tempo 118
        part A
        1-2 side rock R
        3&4 behind side cross R
        5-6 side rock L
        7&8 sailor L 1/4 left
        1&2 kick ball change R
        3-4 step R forward, pivot 1/2 left
        5&6 shuffle R forward
        7-8 rock step L
        1&2 coaster L
        3-4 walk R, L
        5&6& heel switches R
        7-8 stomp R, stomp L
        """,
        new Says(24, "L", "3:00", -2 - 4, false));

    [Fact]
    public void Line_with_a_written_out_turn() => Check(
        """
        part A
        1 step R side
        2 step L behind
        3 turn 1/4 right, step R forward
        4 scuff L
        5 step L forward
        6 turn 1/2 right, step R in place
        7 step L forward
        8 hold
        """,
        new Says(8, "L", "9:00", 6, false));

    [Fact]
    public void Waltz_in_sixes() => Check(
        """
        line 6
        part A
        1-3 basic L forward
        """,
        new Says(3, "L", "12:00", 0, false, "FOOT01 A 1 1"));

    [Fact]
    public void Waltz_turning_to_the_back() => Check(
        """
        line 6
        start weight R
        part A
        1 step L forward
        2 turn 1/4 left, step R side
        3 close L
        4 step R back
        5 turn 1/4 left, step L side
        6 close R
        """,
        new Says(6, "R", "6:00", -4, false));

    [Fact]
    public void Percussive_lead_left() => Check(
        """
        genre percussive
        start weight R
        feel straight
        part A
        &1 double step L
        &2 double step R
        &3 double step L
        &4 rock step R
        &5 double step R
        6 brush L up
        7 step L
        8 stomp-up R
        """,
        new Says(8, "L", "12:00", 0, true));

    [Fact]
    public void Percussive_on_the_wrong_foot() => Check(
        """
        genre percussive
        start weight R
        part A
        &1 double step L
        &2 double step L
        &3&4 basic R
        """,
        new Says(4, "R", "12:00", 0, false, "FOOT01 A 1 1&", "FOOT01 A 1 2"));

    [Fact]
    public void Fitness_loops() => Check(
        """
        genre fitness
        part A
        1-8 march R
        1-2 step touch R
        3-4 step touch L
        5-8 jacks
        1-8 step touch R
        """,
        new Says(24, "L", "12:00", 0, false));

    [Fact]
    public void Fitness_steps_whose_counts_follow() => Check(
        """
        genre fitness
        part A
        vine R
        vine L
        step touch R x4
        """,
        new Says(16, "L", "12:00", 0, false));

    [Fact]
    public void Jazz_from_the_eight() => Check(
        """
        genre jazz
        start weight R
        part A
        8|1-2 ball L, step R, step L
        3&4 pas de bourree R
        5-6 pivot 1/2 right
        7-8 jazz walk L, R
        """,
        new Says(8, "R", "6:00", 4, false));

    [Fact]
    public void Circle_in_and_out() => Check(
        """
        genre circle
        layout circle
        part A
        1-3 step R in, step L in, step R in
        4 touch L beside
        5-7 step L out, step R out, step L out
        8 touch R
        1-4 circle vine L
        5-8 step L side, touch R, step R side, touch L
        """,
        new Says(16, "R", "12:00", 0, true, "FOOT01 A 2 1"));

    [Fact]
    public void Social_triple_and_rock() => Check(
        """
        genre social
        start weight R
        part A
        1&2 side shuffle L
        3&4 side shuffle R
        5-6 back rock L, recover R
        """,
        new Says(6, "R", "12:00", 0, false));

    [Fact]
    public void Both_feet_and_hops() => Check(
        """
        start weight both
        part A
        1 jump both forward
        2 clap
        3 hop L
        4 step R side
        5 close L
        6 jump both
        7 kick R forward
        8 step R beside
        """,
        new Says(8, "R", "12:00", 0, false));

    [Fact]
    public void Spread_turn_on_a_line_of_walks() => Check(
        """
        part A
        1-8 walk R L R L R L R L turning 3/4 left
        check facing 3 weight L
        """,
        new Says(8, "L", "3:00", -6, false));

    [Fact]
    public void Eight_counts_of_your_own() => Check(
        """
        part A
        1-4 vine R
        5-8 vine L
        1-8 free, left free facing 6
        1-4 vine L with 1/2 left
        """,
        new Says(20, "L", "12:00", 0, false));

    [Fact]
    public void Arms_only() => Check(
        """
        part A
        1-4 arms up
        5-8 hips R
        1-4 vine R + clap
        5-8 vine L + clap on 8
        """,
        new Says(16, "L", "12:00", 0, false));

    [Fact]
    public void A_stated_weight_that_does_not_hold() => Check(
        """
        part A
        1-4 vine R
        check weight L
        5-8 vine L
        check facing 9
        """,
        new Says(8, "L", "12:00", 0, false, "FACT01 A 1 4", "FACT02 A 1 8"));

    [Fact]
    public void Own_steps() => Check(
        """
        step rope walk = step R across, step L across
        step anchor = rope walk R, touch R beside
        part A
        1-2 rope walk R
        3-4 rope walk R
        5-7 anchor R
        8 hold
        """,
        new Says(8, "L", "12:00", 0, false));

    [Fact]
    public void An_order_with_a_part_danced_half() => Check(
        """
        part V
        1-4 vine R
        5-8 vine L
        1-4 vine R
        5-8 vine L with 1/4 left
        part C
        1-4 rocking chair R
        5-8 jazz box R
        order V C V[1-8] C V
        """,
        new Says(16 + 8 + 8 + 8 + 16, "L", "6:00", -4, false));

    [Fact]
    public void Traps_are_hints_and_no_more()
    {
        var analysis = Analysis.Analyse("part A\n1 touch R side\n2 touch R beside\n3 step R side\n4 touch L beside\n5 step L forward");
        Assert.All(
            analysis.Findings.Where(f => f.Code.StartsWith("TRAP", StringComparison.Ordinal)),
            f => Assert.Equal(Severity.Info, f.Severity));
        Assert.Equal(
            ["TRAP01", "TRAP01", "TRAP02", "TRAP03"],
            analysis.Findings.Select(f => f.Code).Where(c => c.StartsWith("TRAP", StringComparison.Ordinal)).Order());
    }
}
