using CsCheck;
using FondCompass.Core.Editing;
using FondCompass.Core.Floor;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Editing;

/// <summary>Whatever is asked of whatever text: an answer, and nothing lost when it is refused.</summary>
public sealed class HostileEdits
{
    private static readonly Gen<string> AnyScript = Gen.OneOfConst(
        "part A",
        "part B x2",
        "tag T",
        "order A B T",
        "after 2 T",
        "restart 1 after 3",
        "from 2 easier",
        "1-4 vine R",
        "5-8 vine L",
        "easier 1-4 vine R",
        "&1 step R",
        "1&2 shuffle L forward",
        "again mirrored",
        "line x x2",
        "first time 7-8 hold",
        "cue 3 hey",
        "+ 1-4 clap",
        "5 touch L + snap",
        "check weight R",
        "1-8 free",
        "? 5-6 what",
        "step q = step R, q",
        "1-4 q R",
        "line 6",
        "mirrors",
        "layout circle",
        "",
        "# hm",
        "8|1 step L",
        "3000 step R",
        "\u202e1-4 vine",
        "🦀",
        "part A easier",
        "version x 5-8 vine L")
        .Array[1, 18].Select(rows => string.Join('\n', rows));

    private static readonly StepLexicon Steps = StepLexicon.Shipped;

    [Fact]
    public void Are_answered() =>
        Gen.Select(AnyScript, Gen.Int[-1, 22], Gen.OneOfConst("A", "B", "T", "Z", ""), Gen.Int[-1, 5], Gen.Int[-2, 14], Gen.Int[-5, 6])
            .Sample(
        (script, row, part, line, count, by) =>
        {
            EditResult[] results =
            [
                StepEdits.Insert(script, Steps, part, line, count, by, "vine"),
                StepEdits.Replace(script, Steps, row, "1-2 rock step\n3-4 x"),
                StepEdits.Lengthen(script, Steps, row, by),
                StepEdits.Split(script, Steps, row),
                StepEdits.Duplicate(script, Steps, row),
                StepEdits.Mirror(script, Steps, row),
                StepEdits.Remove(script, Steps, row),
                StepEdits.Move(script, Steps, row, by < 0 ? -1 : 1),
                StepEdits.MoveTo(script, Steps, row, part, line, count),
                StepEdits.Paste(script, Steps, part, line, count, "1-4 vine R\ncue 2 x"), BlockEdits.NewPart(script, Steps),
                .. Enum.GetValues<BlockAct>().Select(act => BlockEdits.Line(script, Steps, part, line, act, "1-4 vine")),
                .. Enum.GetValues<BlockAct>().Select(act => BlockEdits.Part(script, Steps, part, act, "part A\n1-4 vine")),
            ];
            Assert.All(results.Where(r => r.Refusal is not null), r => Assert.Equal(script, r.Script));
            Assert.All(results, r => Assert.InRange(r.Row, -1, r.Script.Split('\n').Length + 25));
            var analysis = Analysis.Analyse(script);
            StepCompletion.ForRow(script, Math.Max(1, row), Steps);
            StepCompletion.Find("vin", StepSlot.At(analysis, part, line, count), analysis.Dance.Header, Steps);
            Assert.All(analysis.Trace.Parts, p => Assert.True(double.IsFinite(FloorPicture.OfPart(p, default).Width)));
            Assert.True(double.IsFinite(FloorPicture.OfWhole(analysis.Trace).Way));
        },
        iter: Trials.Of(80));
}
