using System.Collections;
using System.Text.RegularExpressions;
using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>
/// What the core calls things by itself never leaves it as words: no "none", no "body", no "both feet", no code of a verb (calls, section
/// 4).
/// </summary>
public partial class InternalWordsTests
{
    public static TheoryData<string> All => [.. Dances.Demo.Keys];

    /// <summary>Every kind of thing that can be danced, in every genre that has its own words.</summary>
    public static TheoryData<string> Shapes =>
    [
        "part A\n1-8 body roll\n1-8 arms open slowly",
        "part A\n1-4 running man\n5-8 running man R",
        "part A\n1-2 jump both out, jump both in\n3-4 clap, snap\n5-6 hip bump R, hip bump L\n7-8 hold",
        "part A\n1-4 heels out, heels in\n5-8 swivel both to the right",
        "part A\n1-8 free, left free",
        "genre percussive\npart A\n&1-&4 basic L\n5 stomp L\n6 stomp R\n7-8 hold",
        "genre circle\nlayout circle\norder free\npart in\n1-8 step R in, step L in, step R in, touch L, step L out, step R out, step L "
            + "out, touch R\npart round\n1-8 grapevine round R x2",
        "genre fitness\npart A\n1-8 march R + arms pump\n1-4 v step R\n5-8 squat, squat\n+ 1-8 arms up",
        "step capstan = 1&2 shuffle R, 3 touch L, 4 hold\npart A\n1-4 capstan R\n5-8 capstan L",
        "part A\nline out and home x2 mirrored\n1-4 vine R\n5-8 vine L\ntag T\n1-4 rocking chair R\nafter 1 T",
        "part A\n1-4 unwind 1/2 left, hold\n5-8 step R side, sway L, sway R, touch L",
    ];

    [Theory]
    [MemberData(nameof(All))]
    public void Nothing_internal_is_told_of_a_demo_dance(string dance) => AssertPlain(Dances.Demo[dance]);

    [Theory]
    [MemberData(nameof(Shapes))]
    public void Nothing_internal_is_told_of_any_shape(string script) => AssertPlain(script);

    private static void AssertPlain(string script)
    {
        var analysis = Analysis.Analyse(script);
        var told = new List<string>();
        told.AddRange(analysis.Findings.Select(f => f.Message));
        told.AddRange(RowReadings.Read(analysis.Trace, analysis.Findings).Select(r => r.Text));
        var run = RunUnroller.Unroll(analysis.Trace, Song.Steady(16 + (3 * Math.Max(8, analysis.Trace.TotalCounts)), new Bpm(112)), 16);
        foreach (var way in Enum.GetValues<CallerWay>())
        {
            told.AddRange(CueSheet.Write(run, new CallSettings(Rate.Full, 2, 99) { Way = way })
                .SelectMany(c => new[] { c.Words, c.Step, c.Why, c.Best }));
        }

        told.AddRange(Texts(BoardTimeline.Build(analysis, run, 0.8, 3)));
        var dance = new LessonDance(analysis, 112);
        var knowledge = new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner);
        foreach (var order in Enum.GetValues<TeachingOrder>())
        {
            var plan = LessonPlanner.Plan(new LessonBrief(60, [dance], new TeachingWay { Order = order }, knowledge), StepLexicon.Shipped);
            told.AddRange(plan.Blocks.SelectMany(b => new[] { b.Title, b.Why }.Concat(b.Say).Concat(b.Watch)));
            told.AddRange(plan.Bites.SelectMany(b => b).Select(b => b.Name));
            told.AddRange(plan.Blocks.Select(b => BlockRun.Lay(dance, b))
                .OfType<BlockRun>()
                .Take(12)
                .SelectMany(r => Texts(BoardTimeline.Build(r, 1))));
        }

        // Where a row's own words say "body" they are the instructor's.
        var internalWords = told.Distinct()
            .Where(t => Internal().IsMatch(t) && !script.Contains(t, StringComparison.OrdinalIgnoreCase))
            .Where(t => !OwnBody(t, script))
            .ToList();
        Assert.True(internalWords.Count == 0, string.Join('\n', internalWords.Take(20)));
    }

    private static bool OwnBody(string text, string script) =>
        script.Contains("body roll", StringComparison.Ordinal)
            && Internal().Replace(
                text.Replace("body roll", "", StringComparison.Ordinal),
                "").Length == text.Replace("body roll", "", StringComparison.Ordinal).Length;

    /// <summary>All texts of a timeline's moments.</summary>
    private static IEnumerable<string> Texts(BoardTimeline board) =>
        typeof(BoardTimeline)
            .GetProperties()
            .Select(p => p.GetValue(board))
            .OfType<IEnumerable>()
            .Where(l => l is not string)
            .SelectMany(l => l.Cast<object>())
            .SelectMany(o => o.GetType()
                .GetProperties()
                .Where(p => p.PropertyType == typeof(string) && p.Name != "Kind")
                .Select(p => (string?)p.GetValue(o) ?? ""));

    [GeneratedRegex(
        @"\b(none|body|both feet|named move|no foot|InPlace|WithSun|AgainstSun|DiagonalForward|DiagonalBack|null)\b",
        RegexOptions.NonBacktracking | RegexOptions.IgnoreCase)]
    private static partial Regex Internal();
}
