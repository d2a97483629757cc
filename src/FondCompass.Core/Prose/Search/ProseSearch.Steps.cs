using FondCompass.Core.Measures;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Prose.Search;

/// <summary>Steps from one clause on: where they may end, and whether they are danced or only told.</summary>
internal sealed partial class ProseSearch
{
    /// <summary>Steps from one clause to where they may end: danced, or only told.</summary>
    private IEnumerable<(ProseWay Way, int Clause, bool HasLaid)> Steps(PieceWalk walk, ProseWay way, int at, bool hasLaid, int from)
    {
        foreach (var end in Ends(walk.Clauses, at))
        {
            var run = walk.Clauses.GetRange(at, end - at).Where(c => c.Kind == ClauseKind.Steps || c.IsLength).ToList();
            var each = run.Find(c => c.IsLength)?.Each ?? 0;
            var text = Joined(run.FindAll(c => !c.IsLength), walk.Piece.Text);

            // How long each is, is said of the last step where others stand before it with their own number.
            var spread = each > 0 && run.Count > 2 && run.SkipLast(2).Any(c => c.IsNamed || c.HasTimes) ? LaidApartCost * 2 : 0;
            foreach (var laid in Lay(walk, way, run, text, hasLaid, from, each))
            {
                yield return (laid.Plus(spread), end, true);
            }

            if (run[0].Explains && at > 0 && !hasLaid && walk.Clauses[..at].Find(c => c.IsNamed && c.Count > 1) is { } many)
            {
                // "2 rocking chairs: DS BR UP DS RS": how one goes, and how many.
                foreach (var laid in Lay(walk, way, run, $"({text}) x{many.Count}", hasLaid, from))
                {
                    yield return (laid, end, true);
                }
            }

            if (end < walk.Clauses.Count && walk.Clauses[end] is { Weight: not Foot.None } fact)
            {
                // "Half turn left, weight ends left": a fact of the last action, which settles what it leaves open.
                foreach (var laid in Lay(walk, way, run, $"{text} (weight on {fact.Weight.Letter()})", hasLaid, from))
                {
                    yield return (laid, end + 1, true);
                }
            }

            if (OnEachSide(walk, way, run) is { } sided)
            {
                yield return (sided, end, hasLaid);
            }

            if (Modified(walk, way, run, text) is { } modified)
            {
                yield return (modified, end, hasLaid);
            }

            var losesTurn = run.Exists(c => c.HasTurn) && !walk.Clauses.Exists(c => c.HasTurn && !run.Contains(c));
            var isTold = IsOnlyTold(walk, way, run, text, end);
            yield return (Note(way, walk.Told.Row, run[0].Whole.To(run[^1].Whole).In(walk.Piece.Text)) with
            {
                Cost = way.Cost
                    + (isTold
                        ? OnlyTold + (run[0].Explains ? 2 : 0) + (losesTurn ? Skips / 2 : 0)
                        : Skips + (SkipsWord * run.Sum(c => c.Bound))),
                Lost = way.Lost + (isTold && !losesTurn ? 0 : run.Sum(c => c.Bound)),
            }, end, hasLaid);
        }
    }

    /// <summary>Where steps that begin at a clause may end: at the last of them, and before those that explain or tell again.</summary>
    private IEnumerable<int> Ends(List<ProseClause> clauses, int at)
    {
        var end = at + 1;
        var found = 0;
        while (end < clauses.Count && end < at + LongestRun && clauses[end].Kind is ClauseKind.Steps or ClauseKind.Chant)
        {
            if (clauses[end] is { IsAside: true, IsJoined: false })
            {
                // What is told beside the steps is no step of theirs.
                break;
            }

            if (clauses[end].IsLength)
            {
                end++;
                break;
            }

            if (found < MostParts && !IsHurried && clauses[end].Kind == ClauseKind.Steps && MayPart(clauses, end))
            {
                found++;
                yield return end;
            }

            end++;
        }

        yield return end;
    }

    /// <summary>
    /// Whether steps may end before a clause of steps: where it explains, tells again, counts or names what stands before it.
    /// </summary>
    private static bool MayPart(List<ProseClause> clauses, int at)
    {
        var (before, here) = (clauses[at - 1], clauses[at]);
        return here.Explains
            || (at + 1 < clauses.Count && clauses[at + 1].Explains)
            || here.HasTimes
            || before.HasTimes
            || Announces(before, here)
            || here is { IsThen: true, Deeds: 0, Feet: > 0 } or { GoesOn: true, IsBareName: true } or { IsWayAlone: true }
                || (here.Deeds == 0 && before.IsNamed)
            || here.OnlySides.Count == 2 || here.SaysSame || IsSpelling(clauses, at);
    }

    /// <summary>"Walk up three and lift, right left right lift left": feet, one after another, behind steps that name none.</summary>
    private static bool IsSpelling(List<ProseClause> clauses, int at) =>
        clauses[at - 1].Deeds > 0 && clauses[at - 1].OnlySides.Count == 0 && clauses[at].Feet > clauses[at].Deeds
            && (clauses[at].Feet > 2 || (at + 1 < clauses.Count && clauses[at].Deeds == 0 && clauses[at + 1].Feet > 0));

    /// <summary>A name before what it is made of, or before the same with its foot or number.</summary>
    private static bool Announces(ProseClause name, ProseClause next) =>
        name.IsBareName && (name.IsNamed || name.Names.All(next.Names.Contains));

    /// <summary>Clauses that are laid together, and places at which they may be parted.</summary>
    private const int LongestRun = 32, MostParts = 4;

    /// <summary>Actions tried, past which only the likeliest ways are gone.</summary>
    private const int Hurry = 40_000;

    private bool IsHurried => layer.Tried > Hurry;

    /// <summary>Steps that only tell what was told, or what is told behind them, or that stand beside the steps.</summary>
    private bool IsOnlyTold(PieceWalk walk, ProseWay way, List<ProseClause> run, string text, int end)
    {
        if (run[0].IsAside)
        {
            return true;
        }

        if (Says("and so on", walk.Piece.Text.TrimEnd(' ', '.'))
            && way.Units is not null
            && end >= walk.Clauses.FindLastIndex(c => c.Kind == ClauseKind.Steps))
        {
            // "Left, close, left, close and so on": as told before.
            return true;
        }

        if (run is [{ GoesOn: true, IsBareName: true }] && way.Units?.Sentence == walk.Told.Sentence)
        {
            // "Eight steps round, just walking".
            return true;
        }

        var next = end < walk.Clauses.Count && walk.Clauses[end].Kind == ClauseKind.Steps ? walk.Clauses[end] : null;
        if (next is { IsThen: false } && (next.Explains || (run[^1].IsBareName && IsTellingOf(walk, way, text, end))))
        {
            return true;
        }

        // Announced: "we march, eight big marches".
        if (next is { IsThen: false, Feet: > 0 } && run is [{ IsBareName: true } bare] && bare.Names.All(next.Names.Contains))
        {
            return true;
        }

        // "4 jacks, out and in": ways behind a name.
        if (run.TrueForAll(c => c is { Deeds: 0, Feet: 0 }) && way.Units is { IsNamed: true } named && named.Sentence == walk.Told.Sentence)
        {
            return true;
        }

        // Told again: it takes the counts of what was danced just before, in the same sentence.
        var counts = Chain(way.Units).TakeWhile(u => u.Sentence == walk.Told.Sentence && u.IsAgain).Sum(u => u.Counts);
        var isAgain = counts > 0;
        if (!isAgain && way.Units is { IsBody: true } && run.Sum(c => c.Feet) > 1)
        {
            // "Circle to the left: walk L, R, L, R": it is the feet that tell how it goes.
            return false;
        }

        counts = isAgain ? counts : way.Units is { } last && last.Sentence == walk.Told.Sentence ? last.Counts : 0;
        return counts > 0 && (isAgain || run[0].Explains || IsSpelledOut(way.Units!, run)) && run.Sum(c => c.Bound) > 2
            && (run.Count == counts
                || (layer.Fit(text, 0, way.Units!.Feet)?.Counts is { } told && told <= counts && told * 4 >= counts * 3));
    }

    /// <summary>Feet one after another behind steps that name none: the same once more, by its feet.</summary>
    private bool IsSpelledOut(LaidUnit last, List<ProseClause> run) =>
        run.Sum(c => c.Feet) > 2 && run.Sum(c => c.Feet) > run.Sum(c => c.Deeds)
        && RowReader.Read(layer.Names, last.Text).Candidates.FirstOrDefault(c => c.IsRead) is { } told
        && told.Phrases.All(p => !p.Foot.IsSingle());

    /// <summary>What stands behind a name takes its counts, or a few times as many where it says how many.</summary>
    private bool IsTellingOf(PieceWalk walk, ProseWay way, string name, int from)
    {
        var rest = walk.Clauses.Skip(from).TakeWhile(c => c.Kind == ClauseKind.Steps && !c.Explains).ToList();
        return layer.Fit(name, 0, way.Feet) is { } named
            && rest.Count > 1
            && layer.Fit(Joined(rest, walk.Piece.Text), 0, way.Feet) is { } told
            && told.Counts == named.Counts;
    }

    /// <summary>The words of a run; "eight of them" counts what stands before it.</summary>
    private string Joined(List<ProseClause> run, string text)
    {
        for (var i = 0; i + 1 < run.Count; i++)
        {
            if (run[i].IsWayAlone && (i == 0 || run[i].IsThen) && run[i + 1] is { IsWayAlone: false, Feet: 0 } first)
            {
                // "To the left, side, together": the way of the first step.
                run = [.. run.Take(i), first with { Text = $"{first.Text} {run[i].Text}" }, .. run.Skip(i + 2)];
            }
        }

        for (var i = 0; i + 1 < run.Count; i++)
        {
            if (run[i].OnlySides.Count == 1 && (i == 0 || run[i].IsThen)
                && run[i + 1] is { Count: > 1, Deeds: 1, HasTurn: false, OnlySides.Count: 0 } some && some.Feet == 1)
            {
                // "To the right, eight steps".
                run = [.. run.Take(i), some with { Text = $"{some.Text} {run[i].Text}" }, .. run.Skip(i + 2)];
            }
        }

        for (var i = 1; i < run.Count; i++)
        {
            if (Find("of them", run[i].Text) is { } match)
            {
                var counted = run[i - 1] with { Text = $"{ProseForms.Number(match.Groups["number"].Value)} {run[i - 1].Text}" };
                run = [.. run.Take(i - 1), counted, .. run.Skip(i + 1)];
            }
        }

        return ProseClauses.Words(run, text);
    }
}
