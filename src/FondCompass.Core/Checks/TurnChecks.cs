using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Checks;

/// <summary>Unwinds, open turns and spins (rules, section 3).</summary>
public static class TurnChecks
{
    public static readonly FindingCode UnwindWay = new("TURN01", Severity.Error, "An unwind the wrong way");
    public static readonly FindingCode NothingCrossed = new("TURN02", Severity.Warning, "An unwind with nothing crossed");
    public static readonly FindingCode OpenTurn = new("TURN03", Severity.Warning, "A turn that does not say how far");
    public static readonly FindingCode OpenSide = new("TURN04", Severity.Warning, "A turn that does not say which way");
    public static readonly FindingCode MissesWall = new("TURN05", Severity.Error, "A turn that does not reach the wall it names");
    public static readonly FindingCode Spin = new("SPIN01", Severity.Info, "A spin");
    public static readonly FindingCode SpinLanding = new("SPIN02", Severity.Warning, "A spin that lands between counts");

    public static IEnumerable<Finding> Check(Dance dance, PartTrace trace)
    {
        foreach (var action in trace.Actions)
        {
            var place = FindingPlaces.Action(dance, trace, action);
            var said = Eighths.AmountText(action.Turn.Value);
            switch (action.Fault)
            {
                case Fault.UnwindWrongWay:
                    var way = action.Turn.Value > 0 ? "left" : "right";
                    yield return new Finding(
                        UnwindWay,
                        place,
                        $"count {place.Count}: from this crossed stance the feet can only unwind to the {way}. Write 'unwind {said} "
                            + $"{way}', or cross the other foot.",
                        RowFixes.OtherSide(dance, action));
                    break;
                case Fault.NothingToUnwind:
                    yield return new Finding(
                        NothingCrossed,
                        place,
                        $"count {place.Count}: the feet are not crossed here, so there is nothing to unwind. Cross or step behind on "
                            + $"the count before, or write 'turn {said}'.");
                    break;
                case Fault.OpenTurn:
                    yield return new Finding(
                        OpenTurn,
                        place,
                        $"count {place.Count}: this turn does not say how far. Write the amount ('1/4 left'), the wall ('to 9:00'), or "
                            + "state the facing at the line's end ('check facing 9').");
                    break;
                case Fault.OpenSide:
                    yield return new Finding(
                        OpenSide,
                        place,
                        $"count {place.Count}: this turn says how far but not which way; it is read as to the right. Write left or right.");
                    break;
                case Fault.TurnMissesWall:
                    yield return new Finding(
                        MissesWall,
                        place,
                        $"count {place.Count}: {said} from here ends facing {action.After.Facing}, not on the wall that is written. "
                            + "Change the amount, the side or the wall.");
                    break;
            }
        }

        foreach (var finding in Spins(dance, trace))
        {
            yield return finding;
        }
    }

    /// <summary>More than half a turn in one count, or a full turn or more within two, the same way round.</summary>
    private static IEnumerable<Finding> Spins(Dance dance, PartTrace trace)
    {
        var turns = trace.Actions.Where(a => !a.Turn.IsNone).ToList();
        var reported = -1;
        for (var i = 0; i < turns.Count; i++)
        {
            var sum = 0;
            for (var j = i; j < turns.Count && Math.Sign(turns[j].Turn.Value) == Math.Sign(turns[i].Turn.Value); j++)
            {
                sum += turns[j].Turn.Size;
                // A turn written over several counts takes them all.
                var alone = turns[j].Action.Verb.IsTurn ? Math.Max(0, turns[j].Action.Length.Value - Tick.PerCount) : 0;
                var span = (turns[j].At - turns[i].At).Value + alone;
                if (span >= 2 * Tick.PerCount)
                {
                    break;
                }

                if ((span < Tick.PerCount && sum > 4) || sum >= Eighths.Full)
                {
                    if (j <= reported)
                    {
                        continue;
                    }

                    reported = j;
                    var place = FindingPlaces.Action(dance, trace, turns[i]);
                    yield return new Finding(
                        Spin,
                        place,
                        $"count {place.Count}: {Eighths.AmountText(sum)} of a turn within "
                            + $"{(span < Tick.PerCount ? "one count" : "two counts")} is a spin. Spot, offer the no-turn version, and "
                                + "let dizzy dancers stop.");
                    if (!turns[j].At.IsWhole)
                    {
                        var landing = FindingPlaces.Action(dance, trace, turns[j]);
                        yield return new Finding(
                            SpinLanding,
                            landing,
                            $"count {landing.Count}: this spin lands between two counts, where nothing helps it to stop. Let it end on "
                                + "a whole count.");
                    }
                }
            }
        }
    }
}
