using FondCompass.Core.Actions;
using FondCompass.Core.Checks;
using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;

namespace FondCompass.Core;

/// <summary>
/// A script taken all the way: text, dance, actions, trace, findings. Pure; nothing is kept between calls.
/// </summary>
public sealed record Analysis(DanceTrace Trace, IReadOnlyList<Finding> Findings)
{
    /// <summary>Every row of steps as it is danced, in row order.</summary>
    public IReadOnlyList<RowRead> Reads => RowReadings.Read(Trace, Findings);

    public Dance Dance => Trace.Dance;

    public bool HasErrors => Findings.Any(f => f.Severity == Severity.Error);

    /// <summary>The dance in the version chosen for a class; itself where nothing is chosen that it has.</summary>
    /// <param name="version">Names of variants with commas between: "no turn, no arms".</param>
    public Analysis In(string version)
    {
        var danced = ClassVersion.In(Trace.Actions, version);
        if (ReferenceEquals(danced, Trace.Actions))
        {
            return this;
        }

        return Judge(danced);
    }

    /// <summary>Actions danced and judged, without reading a word again.</summary>
    public static Analysis Judge(DanceActions actions)
    {
        var trace = DanceTracer.Trace(actions);
        return new Analysis(trace, DanceChecks.Check(trace));
    }

    /// <param name="script">Any text; what cannot be read becomes findings.</param>
    /// <param name="lexicon">The steps known; the shipped ones when left out.</param>
    public static Analysis Analyse(string script, StepLexicon? lexicon = null) => WhileWaited(script, lexicon, CancellationToken.None);

    /// <summary>The same as long as somebody waits for it; then it ends with <see cref="OperationCanceledException"/>.</summary>
    public static Analysis WhileWaited(string script, StepLexicon? lexicon, CancellationToken cancel)
    {
        var dance = ScriptReader.WhileWaited(script, cancel);
        var actions = ActionBinder.WhileWaited(dance, lexicon ?? StepLexicon.Shipped, cancel);
        cancel.ThrowIfCancellationRequested();
        return Judge(actions);
    }
}
