using FondCompass.Core.Actions;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>Where parts meet, the pattern meets its own top, and pick-ups meet what is still moving.</summary>
public static class JoinChecks
{
    public static readonly FindingCode FeetDoNotFit = new("JOIN01", Severity.Warning);
    public static readonly FindingCode LoopFeet = new("JOIN02", Severity.Warning);
    public static readonly FindingCode RestartFeet = new("JOIN03", Severity.Warning);
    public static readonly FindingCode Mirrors = new("MIRROR01", Severity.Warning);
    public static readonly FindingCode PickUp = new("PICKUP01", Severity.Warning);
    public static readonly FindingCode NeverDanced = new("PART04", Severity.Warning);

    public static IEnumerable<Finding> Check(DanceTrace trace)
    {
        if (trace.Mirrors && !trace.Dance.Header.MirrorMeant && (!trace.Dance.IsPhrased || trace.Dance.OrderLoops))
        {
            var last = trace.Calls[^1].Stretch.Pattern.Part;
            yield return new Finding(
                Mirrors,
                new Place(last.Name, last.Lines.Count > 0 ? last.Lines[^1].Number : null, null, last.Row),
                CheckTexts.PatternMirrors(trace.StartWeight.Letter(), trace.EndWeight.Letter()));
        }

        foreach (var join in trace.Joins.Where(j => !j.Fits).DistinctBy(j => (j.Kind, j.After.Pattern.Part.Name, j.Weight)))
        {
            yield return Unfit(join);
        }

        foreach (var call in trace.Dance.Order.Where(c => c.ToCount is not null).DistinctBy(c => (c.Part, c.ToCount)))
        {
            if (trace.Part(call.Part) is { } called && call.ToCount > called.Part.Counts)
            {
                var from = call.FromCount > called.Part.Counts ? 1 : call.FromCount ?? 1;
                yield return NotationFindings.BadCall.At(
                    call.Row,
                    CheckTexts.SpanPastTheEnd(
                        called.Part.Name,
                        called.Part.Counts,
                        call.FromCount ?? 1,
                        call.ToCount.Value,
                        call.FromCount > called.Part.Counts ? CheckTexts.NothingOfItIsDanced : CheckTexts.DancedToItsEnd,
                        from));
            }
        }

        foreach (var finding in PickUpsInside(trace).Concat(PickUpsAtJoins(trace)))
        {
            yield return finding;
        }

        foreach (var part in trace.Parts.Where(p => trace.Unreached.Contains(p.Part.Name) && !(p.Part.IsTag && p.Actions.Count == 0)))
        {
            yield return new Finding(
                NeverDanced,
                new Place(part.Part.Name, Row: part.Part.Row),
                part.Part.IsTag
                    ? CheckTexts.NothingCallsTag(part.Part.Name)
                    : CheckTexts.NothingCallsPart(part.Part.Name));
        }
    }

    private static Finding Unfit(Join join)
    {
        var after = join.After.Pattern.Part;
        var first = after.Moments.Count > 0 ? after.Moments[0] : null;
        var place = new Place(after.Name, first?.Line ?? 1, first?.Beat.Label(), first?.Row ?? after.Row);
        var weight = CheckTexts.TheWeight(join.Weight.Letter());
        return join.Kind switch
        {
            JoinKind.Loop =>
                new Finding(
                    LoopFeet,
                    place,
                    CheckTexts.PatternEndsOnNeededFoot(weight)),
            JoinKind.Restart =>
                new Finding(
                    RestartFeet,
                    place with { Row = join.Row },
                    CheckTexts.RestartNeedsFoot(join.Before.Counts, join.Weight.Letter())),
            _ =>
                new Finding(
                    FeetDoNotFit,
                    place,
                    CheckTexts.PartsMeetOnNeededFoot(join.Before.Pattern.Part.Name, weight, after.Name)),
        };
    }

    private static IEnumerable<Finding> PickUpsInside(DanceTrace trace)
    {
        foreach (var part in trace.Parts)
        {
            var byLine = part.Actions.ToLookup(a => a.Action.Line);
            foreach (var action in part.Actions.Where(a => a.Action.IsPickUp && a.Action.Line > 1))
            {
                var before = byLine[action.Action.Line - 1].FirstOrDefault(a => !a.Action.IsPickUp && Moves(a) && a.At >= action.At);
                if (before is not null)
                {
                    yield return Collision(
                        FindingPlaces.Action(trace.Dance, part, action),
                        CheckTexts.LineStillMoves(before.Action.Line, FindingPlaces.Count(trace.Dance, before)));
                    break;
                }
            }
        }
    }

    private static IEnumerable<Finding> PickUpsAtJoins(DanceTrace trace)
    {
        var told = new HashSet<(JoinKind, string, string, int)>();
        // An order joins the same stretches again and again.
        var pickUps = new Stretches<DanceAction?>(s => s.PickUpsBefore().FirstOrDefault());
        var lastMoves = new Stretches<Tick?>(s => s.LastMoveBeforeEnd());
        foreach (var join in trace.Joins)
        {
            var pickUp = pickUps.Of(join.After);
            if (pickUp is null || lastMoves.Of(join.Before) is not { } last)
            {
                continue;
            }

            var start = join.After.Pattern.Part.Lines[pickUp.Line - 1].Start;
            if (last >= pickUp.At - start
                && told.Add((join.Kind, join.Before.Pattern.Part.Name, join.After.Pattern.Part.Name, join.Before.To)))
            {
                var where = join.Kind == JoinKind.Loop
                    ? CheckTexts.PatternStillMoves
                    : CheckTexts.PartStillMoves(join.Before.Pattern.Part.Name);
                yield return Collision(FindingPlaces.Moment(trace.Dance, join.After.Pattern.Part.Name, pickUp), where);
            }
        }
    }

    /// <summary>Something of a stretch, reckoned once for each.</summary>
    private sealed class Stretches<T>(Func<Stretch, T> reckon)
    {
        private readonly Dictionary<object, Dictionary<(int From, int To), T>> _known = new(ReferenceEqualityComparer.Instance);

        public T Of(Stretch stretch)
        {
            var own = _known.TryGetValue(stretch.Pattern, out var known) ? known : _known[stretch.Pattern] = [];
            return own.TryGetValue((stretch.From, stretch.To), out var value) ? value : own[(stretch.From, stretch.To)] = reckon(stretch);
        }
    }

    private static Finding Collision(Place place, Sentence why) =>
        new(
            PickUp,
            place,
            CheckTexts.PickUpTakesItsTime(place.Count, why));

    private static bool Moves(TracedAction action) => action.Verb.MovesFeet;
}
