using FondCompass.Core.Teaching.Plans;

namespace FondCompass.Core.Teaching.Material;

/// <summary>Bites next to each other that are danced alike: one is taught, and danced so many times.</summary>
public sealed record TaughtUnit(IReadOnlyList<Bite> Bites)
{
    public Bite First => Bites[0];

    public string Part => First.Part;
}

internal enum MoveKind
{
    Walk,
    Dance,
    Chain,

    /// <summary>What earlier lessons taught, joined.</summary>
    Recall,
    Map,

    /// <summary>A part is whole: what goes on top of the feet may come.</summary>
    PartDone,
}

/// <summary>One step of an order of teaching, over units from one to another, both included.</summary>
internal readonly record struct TeachingMove(MoveKind Kind, int From, int To);

/// <summary>The orders of teaching (rules, section 7), each over units 0 … n−1.</summary>
internal static class TeachingMoves
{
    /// <summary>Joins bites that repeat the one right before them.</summary>
    /// <param name="taught">Bites, from the first, that earlier lessons taught; they are joined to none that is new.</param>
    public static List<TaughtUnit> Units(IReadOnlyList<Bite> bites, int taught)
    {
        var units = new List<List<Bite>>();
        for (var i = 0; i < bites.Count; i++)
        {
            var bite = bites[i];
            if (units.Count > 0
                && i != taught
                && bite.Relation == BiteRelation.Same
                && units[^1][^1] is { } before
                && before.Part == bite.Part
                && (bite.SameAs == before || bite.SameAs == before.SameAs && before.Relation == BiteRelation.Same))
            {
                units[^1].Add(bite);
            }
            else
            {
                units.Add([bite]);
            }
        }

        return units.ConvertAll(u => new TaughtUnit(u));
    }

    /// <param name="needsMap">The order is long enough to be walked by names before its parts are joined.</param>
    /// <param name="taught">Units, from the first, that earlier lessons taught.</param>
    public static List<TeachingMove> InOrder(TeachingOrder order, IReadOnlyList<TaughtUnit> units, bool needsMap, int taught)
    {
        var moves = order switch
        {
            TeachingOrder.AddOn => AddOn(0, units.Count),
            TeachingOrder.Pairs => Pairs(units.Count),
            TeachingOrder.LastPartFirst => LastFirst(units.Count),
            TeachingOrder.Parts => Parts(units),
            TeachingOrder.MoveByMove or TeachingOrder.Pool => OneByOne(units.Count),
            _ => [],
        };
        return WithParts(taught > 0 ? Onwards(moves, taught) : moves, units, needsMap).ToList();
    }

    /// <summary>
    /// Nothing that earlier lessons taught is walked again: it is recalled joined, then each chain that brings something new.
    /// </summary>
    private static List<TeachingMove> Onwards(List<TeachingMove> moves, int taught)
    {
        var onwards = new List<TeachingMove> { new(MoveKind.Recall, 0, taught - 1) };
        foreach (var move in moves.Where(m => m.Kind == MoveKind.Map || m.To >= taught))
        {
            var isOld = move.Kind is MoveKind.Walk or MoveKind.Dance && move.From < taught;
            // A chain right after a chain only adds what was recalled: the longer one stands for both.
            if (move.Kind == MoveKind.Chain
                && move.From < taught
                && onwards[^1] is { Kind: MoveKind.Chain } last
                && last.From < taught
                && last.To == move.To)
            {
                onwards[^1] = move;
            }
            else if (!isOld)
            {
                onwards.Add(move);
            }
        }

        return onwards;
    }

    private static List<TeachingMove> AddOn(int from, int to)
    {
        var moves = new List<TeachingMove>();
        for (var k = from; k < to; k++)
        {
            moves.Add(new(MoveKind.Walk, k, k));
            moves.Add(new(MoveKind.Dance, k, k));
            if (k > from)
            {
                moves.Add(new(MoveKind.Chain, from, k));
            }
        }

        return moves;
    }

    private static List<TeachingMove> Pairs(int count)
    {
        var moves = new List<TeachingMove>();
        for (var i = 0; i < count; i += 2)
        {
            var last = Math.Min(i + 1, count - 1);
            for (var k = i; k <= last; k++)
            {
                moves.Add(new(MoveKind.Walk, k, k));
                moves.Add(new(MoveKind.Dance, k, k));
            }

            if (last > i)
            {
                moves.Add(new(MoveKind.Chain, i, last));
            }

            if (i > 0)
            {
                moves.Add(new(MoveKind.Chain, 0, last));
            }
        }

        return moves;
    }

    private static List<TeachingMove> LastFirst(int count)
    {
        var moves = new List<TeachingMove>();
        for (var k = count - 1; k >= 0; k--)
        {
            moves.Add(new(MoveKind.Walk, k, k));
            moves.Add(new(MoveKind.Dance, k, k));
            if (k < count - 1)
            {
                moves.Add(new(MoveKind.Chain, k, count - 1));
            }
        }

        return moves;
    }

    /// <summary>Each walked and danced, and nothing joined.</summary>
    private static List<TeachingMove> OneByOne(int count) =>
        [.. Enumerable.Range(0, count).SelectMany(k => (TeachingMove[])[new(MoveKind.Walk, k, k), new(MoveKind.Dance, k, k)])];

    /// <summary>The bites of each part, joined when the part is through; then the parts in the dance's order.</summary>
    private static List<TeachingMove> Parts(IReadOnlyList<TaughtUnit> units)
    {
        var moves = new List<TeachingMove>();
        var ends = Enumerable.Range(0, units.Count).Where(i => i == units.Count - 1 || units[i + 1].Part != units[i].Part).ToList();
        var from = 0;
        foreach (var end in ends)
        {
            moves.AddRange(OneByOne(end - from + 1).Select(m => m with { From = m.From + from, To = m.To + from }));
            if (end > from)
            {
                moves.Add(new(MoveKind.Chain, from, end));
            }

            from = end + 1;
        }

        return [.. moves, .. ends.Skip(1).Select(end => new TeachingMove(MoveKind.Chain, 0, end))];
    }

    /// <summary>
    /// Says after which move each part is whole, and puts the map, once all parts are known, before the chain that joins them.
    /// </summary>
    private static IEnumerable<TeachingMove> WithParts(List<TeachingMove> moves, IReadOnlyList<TaughtUnit> units, bool needsMap)
    {
        var left = units.Select((u, i) => (u.Part, i)).GroupBy(u => u.Part).ToDictionary(g => g.Key, g => g.Select(u => u.i).ToHashSet());
        for (var m = 0; m < moves.Count; m++)
        {
            var move = moves[m];
            if (needsMap && move.Kind == MoveKind.Chain && units[move.From].Part != units[move.To].Part && left.Count == 0)
            {
                yield return new(MoveKind.Map, 0, units.Count - 1);
                needsMap = false;
            }

            yield return move;
            foreach (var danced in move.Kind is MoveKind.Dance or MoveKind.Recall
                ? Enumerable.Range(move.From, move.To - move.From + 1)
                : [])
            {
                left[units[danced].Part].Remove(danced);
            }

            if (move.Kind == MoveKind.Recall)
            {
                // What was whole before has had its layers.
                foreach (var whole in left.Where(l => l.Value.Count == 0).Select(l => l.Key).ToList())
                {
                    left.Remove(whole);
                }
            }

            // A part is joined to itself before anything goes on top of it.
            var part = units[move.To].Part;
            if (left.TryGetValue(part, out var open)
                && open.Count == 0
                && (m == moves.Count - 1 || moves[m + 1].Kind != MoveKind.Chain || units[moves[m + 1].From].Part != part))
            {
                left.Remove(part);
                yield return new(MoveKind.PartDone, move.To, move.To);
            }
        }
    }
}
