using System.Text.RegularExpressions;
using CsCheck;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;
using Xunit;

namespace FondCompass.Core.Tests.Properties;

/// <summary>What holds for every dance, tried on many.</summary>
public partial class DanceProperties
{
    /// <summary>Four counts on a free foot; {0} leads, {1} is the other. Keep: whether the same foot is free afterwards.</summary>
    private static readonly (string Row, bool Keeps)[] Blocks =
    [
        ("vine {0}", false), ("lock step {0} forward, brush {1}", false), ("rocking chair {0}", true), ("monterey {0} 1/4", true),
        ("jazz box {0}", true),
        ("step {0} forward, turn 1/4 left, touch {1}, step {1} side, touch {0}", true),
        ("rock {0} back, recover {1}, step {0} forward, hold", false),
        ("v step {0}", true),
        ("pivot turn {0} 1/2, pivot turn {0} 1/4", true),
        ("step {0} side, step {1} behind, step {0} side, step {1} across", true),
    ];

    internal static readonly Gen<List<string>> LegalRows = Gen.Int[0, Blocks.Length - 1].Array[2, 24].Select(picks =>
    {
        var rows = new List<string>();
        var lead = "R";
        for (var i = 0; i < picks.Length; i++)
        {
            var other = lead == "R" ? "L" : "R";
            var counts = i % 2 == 0 ? "1-4" : "5-8";
            rows.Add($"{counts} {string.Format(Blocks[picks[i]].Row, lead, other)}");
            lead = Blocks[picks[i]].Keeps ? lead : other;
        }

        return rows;
    });

    private static Analysis Of(IEnumerable<string> rows) => Analysis.Analyse("part A\n" + string.Join('\n', rows));

    private static IEnumerable<Finding> Errors(Analysis analysis) => analysis.Findings.Where(f => f.Severity == Severity.Error);

    [Fact]
    public void A_legal_dance_has_no_errors() => LegalRows.Sample(rows => Assert.Empty(Errors(Of(rows))));

    [Fact]
    public void One_planted_mistake_is_found_at_its_count()
    {
        Gen.Select(LegalRows, Gen.Int[0, 1000]).Sample((rows, pick) =>
        {
            var at = pick % rows.Count;
            var before = at == 0 ? Weight.Left : Of(rows.Take(at)).Trace.EndWeight;
            var wrong = before.StandingFoot().Letter();
            var counts = at % 2 == 0 ? "1" : "5";
            rows[at] = $"{counts} touch {wrong} beside";
            var found = Errors(Of(rows)).First();
            Assert.Equal(("FOOT01", (at / 2) + 1, counts), (found.Code, found.Place.Line, found.Place.Count));
        });
    }

    [Fact]
    public void The_net_turn_is_the_sum_of_the_turns()
    {
        LegalRows.Sample(rows =>
        {
            var trace = Of(rows).Trace;
            Assert.Equal(trace.NetTurn.Value, trace.Parts[0].Actions.Sum(a => a.Turn.Value));
            Assert.Equal(trace.EndFacing, trace.StartFacing + trace.NetTurn);
        });
    }

    [Fact]
    public void Mirrored_twice_is_the_dance_itself_and_once_mirrors_the_findings()
    {
        LegalRows.Sample(rows =>
        {
            var plain = Analysis.Analyse("start weight L\npart A\n" + string.Join('\n', rows));
            var mirrored = Analysis.Analyse("start weight R\npart A\n" + string.Join('\n', rows.Select(Mirror)));
            Assert.Equal(rows, rows.Select(Mirror).Select(Mirror));
            Assert.Equal(plain.Trace.EndWeight.Other(), mirrored.Trace.EndWeight);
            Assert.Equal(-plain.Trace.NetTurn, mirrored.Trace.NetTurn);
            Assert.Equal(
                plain.Findings.Select(f => (f.Code, f.Place with { Words = null })),
                mirrored.Findings.Select(f => (f.Code, f.Place with { Words = null })));
            var stretch = Stretch.Whole(plain.Trace.Parts[0], mirrored: true).End(Weight.Right);
            Assert.Equal((mirrored.Trace.EndWeight, mirrored.Trace.NetTurn), (stretch.Weight, stretch.Turn));
        });
    }

    [Fact]
    public void Splitting_a_part_in_two_changes_no_weight_and_no_facing()
    {
        Gen.Select(LegalRows, Gen.Int[0, 1000]).Sample((rows, pick) =>
        {
            var cut = pick % (rows.Count / 2) * 2;
            var whole = Of(rows).Trace;
            var text = $"part A\n{string.Join('\n', rows.Take(cut))}\npart B\n{string.Join('\n', rows.Skip(cut))}\norder A B";
            var split = Analysis.Analyse(text).Trace;
            Assert.Equal(whole.TotalCounts, split.TotalCounts);
            Assert.Equal((whole.EndWeight, whole.EndFacing, whole.NetTurn), (split.EndWeight, split.EndFacing, split.NetTurn));
            Assert.Equal(
                whole.Parts[0].Actions.Select(a => (a.Foot, a.After.Weight, a.After.Facing)),
                split.Parts.SelectMany(p => p.Actions).Select(a => (a.Foot, a.After.Weight, a.After.Facing)));
        });
    }

    [Fact]
    public void Noise_is_read_without_an_exception()
    {
        var words = Gen.OneOfConst(
            "part",
            "A",
            "tag",
            "order",
            "A[1-99999999999]",
            "1-4",
            "5&6",
            "&1",
            "a",
            "8|1",
            "1e9",
            "-1",
            "step",
            "=",
            "vine",
            "R",
            "left",
            "turn",
            "1/4",
            "¼",
            "99/8",
            "and",
            "with",
            ",",
            "+",
            "x99999",
            "unwind",
            "onto",
            "restart",
            "after",
            "3",
            "check",
            "weight",
            "facing",
            "free",
            "\"",
            "\u202e",
            "🦀",
            "\u0000",
            "\n",
            "\n",
            "\n",
            "jazz box",
            "pivot",
            "to");
        words.Array[0, 60].Sample(
            picks =>
            {
                var analysis = Analysis.Analyse(string.Join(' ', picks));
                Assert.InRange(analysis.Trace.TotalCounts, 0, 1_000_000);
            },
            iter: Trials.Of(800));
    }

    [Fact]
    public void Reading_keeps_every_row_as_it_was_written() =>
        Gen.String.Sample(text => Assert.Equal(text.ReplaceLineEndings("\n"), string.Join('\n', Analysis.Analyse(text).Dance.Rows)));

    private static string Mirror(string row) => SideWord().Replace(row, w => w.Value switch
    {
        "R" => "L",
        "L" => "R",
        "left" => "right",
        _ => "left",
    });

    [GeneratedRegex(@"\b(R|L|left|right)\b")]
    private static partial Regex SideWord();
}
