using CsCheck;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Tests.Properties;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>What the fit promises is what comes out when its changes are written into the script and danced.</summary>
public sealed class FitIsDanced
{
    private static string Rows(FitResult fit) => string.Join('\n', fit.Changes.Select(c => c.Kind == FitKind.Restart
        ? $"restart {c.Repeat} after {c.Counts}"
        : $"after {c.Repeat} W{c.Repeat}\ntag W{c.Repeat}\n1-{c.Counts} hold"));

    [Fact]
    public void On_any_song() => Gen.Select(
        DanceProperties.LegalRows,
        Gen.Select(Gen.Int[1, 70], Gen.Bool).Array[1, 6],
        Gen.Int[0, 20],
        Gen.OneOfConst("", "\nfrom 2 easier", "\nrepeat 3 easier", "\nafter 1 T\ntag T\n1-4 hold"))
        .Sample(
            (rows, passages, start, more) =>
            {
                var script = $"part A\n{string.Join('\n', rows)}\neasier 5-8 hold{more}";
                var song = new Song([.. passages.Select((p, i) => new Passage($"p{i}", p.Item1, 112, null, p.Item2))]);
                var trace = Analysis.Analyse(script).Trace;
                if (trace.Mirrors)
                {
                    return;
                }

                foreach (var fit in PhraseFit.Ranked(trace, song, start, new FitConstraints()))
                {
                    var danced = RunUnroller.Unroll(Analysis.Analyse($"{script}\n{Rows(fit)}").Trace, song, start);
                    Assert.Equal(fit.Starts, danced.Repeats.Select(r => r.FromCount));
                }
            },
            iter: Trials.Of(100));
}
