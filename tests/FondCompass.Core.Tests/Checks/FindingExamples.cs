using System.Reflection;
using FondCompass.Core.Findings;
using Xunit;

namespace FondCompass.Core.Tests.Checks;

/// <summary>
/// For every finding a script that has it at a row, and the same script with that row put right, which has it no more. A new finding
/// needs its pair here.
/// </summary>
public class FindingExamples
{
    private sealed record Example(string Code, int Row, string With, string Without, string Says = "");

    private static readonly Example[] Examples =
    [
        new("COUNT01", 2, "part A\n1 vine R", "part A\n1-4 vine R"),
        new("COUNT02", 2, "part A\n1-4 vine R\n5-7 shuffle L\n1-8 march R", "part A\n1-4 vine R\n5-8 vine L\n1-8 march R", "7"),
        new("COUNT03", 3, "part A\n1-4 vine R\n6-8 shuffle L", "part A\n1-4 vine R\n5-8 vine L", "Count 5"),
        new("COUNT04", 1, "part A\n1-8 march R\n1-4 vine R", "part A\n1-8 march R\n1-4 vine R\n5-8 vine L"),
        new("COUNT05", 3, "feel swing\npart A\n1e2 step R, step L, step R", "feel straight\npart A\n1e2 step R, step L, step R"),
        new("COUNT07", 2, "part A\nagain", "part A\n1-8 march R\nagain"),
        new("CUE01", 3, "part A\n1-8 march R\ncue 9 watch the left", "part A\n1-8 march R\ncue 8 watch the left", "8 counts"),
        new("CUE02", 3, "part A\n1-8 march R\nnote tag after wall 2, sways", "part A\n1-8 march R\nnote no tag after wall 2", "after wall 2"),
        new("DRIFT01", 1, "part A\n1-8 walk R forward x8", "part A\n1-4 walk R forward x4\n5-8 walk R back x4", "in front"),
        new("FACT01", 3, "part A\n1 step R\ncheck weight L", "part A\n1 step R\ncheck weight R"),
        new(
            "FACT02",
            3,
            "part A\n1 step R forward, turn 1/4 left\ncheck facing 3",
            "part A\n1 step R forward, turn 1/4 left\ncheck facing 9"),
        new("FOOT01", 3, "part A\n1 step R\n2 step R", "part A\n1 step R\n2 step L", "since count 1"),
        new("FOOT02", 3, "part A\n1 step R\n2 hop L", "part A\n1 step R\n2 hop R", "since count 1"),
        new("JOIN01", 4, "part A\n1 step R\npart B\n1 step R\norder A B", "part A\n1 step R\npart B\n1 step L\norder A B"),
        new(
            "JOIN02",
            3,
            "start weight both\npart A\n1 step R\n2 step L\n3 step R",
            "start weight both\npart A\n1 step R\n2 step L\n3 touch R"),
        new(
            "JOIN03",
            8,
            "part A\n1-4 vine R\n5 step L\n6 step R\n7 step L\n8 touch R\npart B\nrestart 2 after 6",
            "part A\n1-4 vine R\n5 step L\n6 step R\n7 step L\n8 touch R\npart B\nrestart 2 after 5"),
        new("LAYER01", 2, "part A\n1-4 vine R + 6 clap\n5-8 vine L", "part A\n1-4 vine R + 4 clap\n5-8 vine L", "+ 6 clap"),
        new("MIRROR01", 1, "part A\n1 step R", "part A\n1 step R\n2 step L"),
        new("PART01", 3, "part A\n1 step R\norder A Q", "part A\n1 step R\norder A A"),
        new("PART02", 3, "part A\n1-8 march R\norder A[1-99]", "part A\n1-8 march R\norder A[1-8]", "A[1-8]"),
        new("PART03", 3, "part A\n1-8 march R\nrestart soon", "part A\n1-8 march R\nrestart 3 after 4"),
        new("PART04", 3, "part A\n1-8 march R\npart B\n1-8 march R", "part A\n1-8 march R\npart B\n1-8 march R\norder A B", "order"),
        new("PART05", 3, "part A\n1-8 march R\ntag Bell\nafter 2 Bell", "part A\n1-8 march R\ntag Bell\n1-2 sway R\nafter 2 Bell", "Bell"),
        new("PICKUP01", 4, "part A\n1-7 march R\n8& step L, step R\n&1 step L, step R", "part A\n1-7 march R\n8 step L\n&1 step R, step L"),
        new("RUN01", 3, "part A\n1-8 march R\nrestart 3 after 12", "part A\n1-8 march R\nrestart 3 after 4"),
        new("RUN06", 3, "part A\n1-8 march R\ndrop 2", "part A\n1-8 march R\npart B\n1-8 march L\norder A B A\ndrop 2"),
        new("SPIN01", 2, "part A\n1 step R forward, turn 1 left\n2 step L", "part A\n1 step R forward, turn 1/2 left\n2 step L"),
        new(
            "SPIN02",
            2,
            "part A\n1& step R forward, step L turn 1 left\n2 step R",
            "part A\n1& step R forward, step L turn 1/2 left\n2 step R",
            "1&"),
        new("STEP01", 1, "step rope walk =\npart A\n1-8 march R", "step rope walk = step R, step L\npart A\n1-8 march R", "'='"),
        new(
            "STEP02",
            2,
            "step reef = step R, step L\nstep reef = step R, close L\npart A\n1-2 reef",
            "step reef = step R, step L\nstep keel = step R, close L\npart A\n1-2 reef"),
        new("STEP03", 1, "step reef = reef R, step L\npart A\n1-2 reef", "step reef = step R, step L\npart A\n1-2 reef"),
        new("STEP04", 1, "step reef = flurble R, step L\npart A\n1-2 reef", "step reef = touch R, step R\npart A\n1-2 reef"),
        new("TEXT01", 2, "part A\n1-4\n5-8 vine R", "part A\n1-4 vine R\n5-8 vine L", "no step"),
        new("TEXT02", 2, "part A\n7-2 march R", "part A\n2-7 march R"),
        new("TEXT03", 1, "tempo brisk\npart A\n1-8 march R", "tempo 112\npart A\n1-8 march R"),
        new("TEXT04", 1, "title Slack Tide", "title Slack Tide\npart A\n1-8 march R", "1-4 vine R"),
        new("TEXT05", 3, "part A\n1-8 march R\npart A\n1-8 march R", "part A\n1-8 march R\npart B\n1-8 march R"),
        new("TEXT06", 1, "1-8 march R", "part A\n1-8 march R", "part A"),
        new("TEXT07", 3, "part A\n1-8 march R\ncheck weight sideways", "part A\n1-8 march R\ncheck weight L"),
        new("TEXT08", 2, "part A\n1-8 march\u0001 R", "part A\n1-8 march R"),
        new(
            "TEXT09",
            4,
            "part A\n1-4000 shuffle R x4000\n" + string.Concat(Enumerable.Repeat("again x99\n", 20)),
            "part A\n1-8 march R\nagain x99"),
        new(
            "TEXT10",
            2,
            $"part A\n1-8 {string.Join(", ", Enumerable.Repeat("march R", 250))}",
            $"part A\n1-8 {string.Join(", ", Enumerable.Repeat("march R", 8))}"),
        new(
            "TEXT11",
            500,
            string.Concat(Enumerable.Repeat("tempo soon\n", 501)) + "part A\n1-8 march R",
            string.Concat(Enumerable.Repeat("tempo soon\n", 500)) + "part A\n1-8 march R",
            "at least 2 more"),
        new("TEXT12", 2, "tempo 112\ntempo 96\npart A\n1-8 march R", "tempo 112\npart A\n1-8 march R", "Another 'tempo' stands above"),
        new(
            "TRAP01",
            3,
            "part A\n1 step R side\n2 touch L beside\n3 step L forward",
            "part A\n1 step R side\n2 touch L beside\n3 touch L beside"),
        new("TRAP02", 3, "part A\n1 step R side\n2 kick L\n3 kick L\n4 step L", "part A\n1 step R side\n2 kick L\n3 step L\n4 step R"),
        new("TRAP03", 2, "part A\n1 heel R\n2 step R", "part A\n1 step R\n2 step L"),
        new("TRAP04", 2, "part A\n1-4 vine R, brush L", "part A\n1-4 vine R"),
        new("TURN01", 3, "part A\n1 cross R\n2 unwind 1/2 right", "part A\n1 cross R\n2 unwind 1/2 left", "to the left"),
        new("TURN02", 3, "part A\n1 step R side\n2 unwind 1/2 left", "part A\n1 cross R\n2 unwind 1/2 left"),
        new("TURN03", 2, "part A\n1 step R forward, turn left\n2 step L", "part A\n1 step R forward, turn left\ncheck facing 9\n2 step L"),
        new("TURN04", 2, "part A\n1 step R forward, turn 1/4\n2 step L", "part A\n1 step R forward, turn 1/4 left\n2 step L"),
        new(
            "TURN05",
            2,
            "part A\n1 step R forward, turn 1/4 left to 3:00\n2 step L",
            "part A\n1 step R forward, turn 1/4 left to 9:00\n2 step L",
            "9:00"),
        new("VARIANT01", 3, "part A\n1-4 vine R\neasier", "part A\n1-4 vine R\neasier 1-4 vine R"),
        new("VARIANT02", 4, "part A\n1-4 vine R\n5-8 vine L\neasier 5-9 vine L, hold", "part A\n1-4 vine R\n5-8 vine L\neasier 5-8 vine L"),
        new(
            "VARIANT03",
            3,
            "part A\n1-4 vine R\neasier 1-4 vine R, close L\n5-8 vine L",
            "part A\n1-4 vine R\neasier 1-4 vine R\n5-8 vine L"),
        new("VARIANT04", 3, "part A\n1-4 vine R\neasier 1-4 vine R with 1/4 right", "part A\n1-4 vine R\neasier 1-4 vine R"),
        new("VARIANT05", 3, "part A\n1-4 vine R\neasier 1-4 step R in place, touch L, hold, hold", "part A\n1-4 vine R\neasier 1-4 vine R"),
        new("VARIANT06", 3, "part A\n1-8 march R\npart A easier\n1-4 vine R", "part A\n1-8 march R\npart A easier\n1-4 vine R\n5-8 vine L"),
        new("VARIANT07", 3, "part A\n1-4 vine R\nno turn 1-4 rolling vine R", "part A\n1-4 rolling vine R\nno turn 1-4 vine R"),
        new(
            "VARIANT08",
            3,
            "part A\n1-4 vine R\neasier 1-4 step L side, touch R, step R side, touch L",
            "part A\n1-4 vine R\neasier 1-4 step R side, touch L, step L side, touch R"),
        new(
            "VARIANT09",
            3,
            "part A\n1-8 march R\nfrom 3 version island",
            "part A\n1-8 march R\nversion island 1-8 march R\nfrom 3 version island"),
        new("WALL01", 2, "walls 4\npart A\n1-8 march R", "walls 4\npart A\n1-8 march R\n1-4 vine R\n5-8 vine L with 1/4 left", "4 walls"),
        new("WORD01", 2, "part A\n1-4 flurble the wizzle quonk by grommet lane", "part A\n1-4 vine R"),
        new("WORD02", 2, "part A\n1-4 walk R L R L, turn 1/4 left 1/2 right", "part A\n1-4 walk R L R L, turn 1/4 left"),
        new("WORD03", 2, "part A\n? 1-4 flurble the wizzle", "part A\n1-4 vine R"),
        new("WORD04", 2, "part A\n1,2,3,4 basic R", "part A\n1-4 vine R"),
        new("WORD05", 3, "step reef = flurble R, step L\npart A\n1-2 reef", "step reef = step R, step L\npart A\n1-2 reef"),
        new("WORD06", 2, "part A\nstep R forward, step L back x4", "part A\n(step R forward, step L back) x4"),
        new("WORD07", 2, "part A\n1&2 shufle R", "part A\n1&2 shuffle R"),
        new("WORD08", 2, "part A\n1-4 flurble R\n5-8 hold", "step flurble = other foot\npart A\n1-4 flurble R\n5-8 hold"),
        new("WORD09", 2, "part A\n1-4 vine R flurble", "part A\n1-4 vine R"),
    ];

    /// <summary>Findings of a song (Runs) and of the own lexicon are raised by others and tested there.</summary>
    private static readonly string[] Elsewhere = ["OWN01", "OWN02", "RUN02", "RUN03", "RUN04", "RUN05"];

    public static TheoryData<string> Codes => [.. Examples.Select(e => e.Code)];

    [Theory]
    [MemberData(nameof(Codes))]
    public void It_is_told_at_its_row_and_gone_when_mended(string code)
    {
        var example = Examples.Single(e => e.Code == code);
        var told = Analysis.Analyse(example.With).Findings.Where(f => f.Code == code).ToList();
        Assert.True(
            told.Exists(f => (f.Place.Row ?? 0) == example.Row && f.Message.Contains(example.Says, StringComparison.Ordinal)),
            string.Join('\n', Analysis.Analyse(example.With).Findings));
        Assert.DoesNotContain(Analysis.Analyse(example.Without).Findings, f => f.Code == code);
    }

    [Theory]
    [MemberData(nameof(Codes))]
    public void It_says_what_and_where_in_a_sentence(string code)
    {
        var found = Analysis.Analyse(Examples.Single(e => e.Code == code).With);
        foreach (var finding in found.Findings)
        {
            Assert.EndsWith(".", finding.Message);
            Assert.True(finding.Message.Length > 20, finding.Message);
            if (finding.Place is { Row: { } row, Words: { } words })
            {
                Assert.InRange(words.Start, 0, found.Dance.Rows[row - 1].Length);
                Assert.InRange(words.End, words.Start + 1, found.Dance.Rows[row - 1].Length);
            }
        }
    }

    [Fact]
    public void Every_finding_has_its_pair() => Assert.Equal(
        typeof(FindingCode).Assembly.GetTypes().SelectMany(t => t.GetFields(BindingFlags.Public | BindingFlags.Static))
            .Where(f => f.FieldType == typeof(FindingCode)).Select(f => ((FindingCode)f.GetValue(null)!).Code).Except(Elsewhere).Order(),
        Examples.Select(e => e.Code).Order());
}
