using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>Unwinds, open turns and spins (rules, section 3).</summary>
public static class TurnChecks
{
    public static readonly FindingCode UnwindWay = new("TURN01", Severity.Error);
    public static readonly FindingCode NothingCrossed = new("TURN02", Severity.Warning);
    public static readonly FindingCode OpenTurn = new("TURN03", Severity.Warning);
    public static readonly FindingCode OpenSide = new("TURN04", Severity.Warning);
    public static readonly FindingCode MissesWall = new("TURN05", Severity.Error);
    public static readonly FindingCode Spin = new("SPIN01", Severity.Info);
    public static readonly FindingCode SpinLanding = new("SPIN02", Severity.Warning);

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
                        CheckTexts.UnwindsOtherWay(place.Count, way, said),
                        RowFixes.OtherSide(dance, action));
                    break;
                case Fault.NothingToUnwind:
                    yield return new Finding(
                        NothingCrossed,
                        place,
                        CheckTexts.NothingToUnwind(place.Count, said));
                    break;
                case Fault.OpenTurn:
                    yield return new Finding(
                        OpenTurn,
                        place,
                        CheckTexts.TurnHowFar(place.Count));
                    break;
                case Fault.OpenSide:
                    yield return new Finding(
                        OpenSide,
                        place,
                        CheckTexts.TurnWhichWay(place.Count));
                    break;
                case Fault.TurnMissesWall:
                    yield return new Finding(
                        MissesWall,
                        place,
                        CheckTexts.TurnMissesWall(place.Count, said, action.After.Facing.ToString()));
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
                        CheckTexts.IsASpin(
                            place.Count,
                            Eighths.AmountText(sum),
                            span < Tick.PerCount ? CheckTexts.OneCount : CheckTexts.TwoCounts));
                    if (!turns[j].At.IsWhole)
                    {
                        var landing = FindingPlaces.Action(dance, trace, turns[j]);
                        yield return new Finding(
                            SpinLanding,
                            landing,
                            CheckTexts.SpinLandsBetweenCounts(landing.Count));
                    }
                }
            }
        }
    }
}
