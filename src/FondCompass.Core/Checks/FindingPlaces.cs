using FondCompass.Core.Actions;
using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Checks;

/// <summary>Where a finding points, told the same way by every check.</summary>
internal static class FindingPlaces
{
    public static string Count(Dance dance, TracedAction action) => action.Action.Beat.Label(dance.Header.LineCounts);

    public static Place Action(Dance dance, PartTrace trace, TracedAction action) =>
        Moment(dance, trace.Part.Name, action.Action) with { Words = action.Action.Source.Length > 0 ? action.Action.Source : null };

    public static Place Moment(Dance dance, string part, Moment moment) =>
        new(part, moment.Line, moment.Beat.Label(dance.Header.LineCounts), moment.Row);
}
