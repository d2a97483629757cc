using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Actions.Placing;
using FondCompass.Core.Actions.Rows;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Steps;

namespace FondCompass.Core.Actions;

/// <summary>Looks up the words of a dance and lays every action on the tick grid.</summary>
public static class ActionBinder
{
    /// <summary>Actions that are read in all; three quarters of an hour in which nothing comes again have fewer.</summary>
    public const int MostMoments = 10_000;

    /// <summary>Counts of all lines together; no song that can be reckoned has more.</summary>
    public const int MostCounts = 100_000;

    /// <summary>Rows that are gone through, each as often as it is danced; those that nothing is danced in count too.</summary>
    public const int MostEntries = 20_000;

    public static DanceActions Bind(Dance dance, StepLexicon lexicon) => WhileWaited(dance, lexicon, CancellationToken.None);

    /// <summary>The same as long as somebody waits for it; then it ends with <see cref="OperationCanceledException"/>.</summary>
    public static DanceActions WhileWaited(Dance dance, StepLexicon lexicon, CancellationToken cancel)
    {
        var ends = new MoveEnds();
        var bound = Bind(dance, lexicon, ends, cancel);
        if (ends.IsLate)
        {
            // What a row far behind tells of a move is so from its first time on.
            ends = ends.Anew();
            bound = Bind(dance, lexicon, ends, cancel);
        }

        return bound with
        {
            Findings = [.. bound.Findings, .. ends.Open
            .Select(m => UnknownWords.OpenMove(m.Place, m.Name, dance, NamesOf(dance, lexicon, [])))]
        };
    }

    private static DanceActions Bind(Dance dance, StepLexicon lexicon, MoveEnds ends, CancellationToken cancel)
    {
        var findings = new List<Finding>();
        var names = NamesOf(dance, lexicon, findings);
        var store = new LineTable(dance);
        var parts = new PartActions?[dance.Parts.Count];
        var capacity = new Budget(cancel);
        var weight = dance.Header.StartWeight;
        // In the order in which they are danced, so that each is read on the feet it is reached on.
        foreach (var index in Reached(dance))
        {
            cancel.ThrowIfCancellationRequested();
            if (parts[index] is not null)
            {
                continue;
            }

            var part = dance.Parts[index];
            // Of a pool each move begins where its own words want it to.
            var own = dance.IsFree ? PartBinder.NeededAt(part, names) ?? dance.Header.StartWeight
                : part.Variant is null && !part.IsTag ? weight
                : Weight.Unknown;
            parts[index] = BindPart(dance, part, names, store, findings, capacity, ends, own, out var end);
            weight = part.Variant is null && !part.IsTag ? end : weight;
        }

        return new DanceActions(dance, parts!, findings);
    }

    /// <summary>The names as this dance understands them: its own definitions, then the genre's names, then all others.</summary>
    public static IStepNames NamesOf(Dance dance, StepLexicon lexicon, List<Finding> findings) =>
        OwnSteps.Over(lexicon.For(dance.Header.Genre, dance.Header.LineCounts), dance.Definitions, findings);

    private static IEnumerable<int> Reached(Dance dance)
    {
        foreach (var call in dance.Order)
        {
            if (dance.Parts.ToList()
                .FindIndex(p => string.Equals(p.Name, call.Part, StringComparison.OrdinalIgnoreCase)) is >= 0 and var index)
            {
                yield return index;
            }
        }

        for (var i = 0; i < dance.Parts.Count; i++)
        {
            yield return i;
        }
    }

    /// <summary>
    /// A part with its endings. In an order every call has its own; in a loop they take turns, and the part is as long as all
    /// of them together (reading, section 6).
    /// </summary>
    private static PartActions BindPart(
        Dance dance,
        DancePart part,
        IStepNames names,
        LineTable store,
        List<Finding> findings,
        Budget capacity,
        MoveEnds ends, Weight start, out Weight end)
    {
        var endings = EndingsOf(part);
        if (!dance.IsPhrased || endings <= part.Times)
        {
            var binder = new PartBinder(dance, part, names, store, findings, capacity, ends, start);
            var whole = binder.Bind(Enumerable.Range(1, Math.Max(part.Times, endings)), endings);
            end = binder.End;
            capacity.Take(whole);
            return whole;
        }

        var calls = new List<PartActions>();
        // What is wrong in the rows that every call shares is told once.
        var known = findings.Select(f => (f.Code, f.Place.Row, f.Message)).ToHashSet();
        end = start;
        for (var first = 1; first <= endings; first += part.Times)
        {
            var told = new List<Finding>();
            var binder = new PartBinder(dance, part, names, store, told, capacity, ends, end);
            calls.Add(binder.Bind(Enumerable.Range(first, part.Times), endings));
            findings.AddRange(told.Where(f => known.Add((f.Code, f.Place.Row, f.Message))));
            capacity.Take(calls[^1]);
            end = binder.End;
        }

        return calls[0] with { LaterCalls = [.. calls.Skip(1)] };
    }

    /// <summary>How many times the part's endings tell of; those inside a line danced several times count that line.</summary>
    private static int EndingsOf(DancePart part)
    {
        var most = 1;
        var line = 1;
        foreach (var entry in part.Entries)
        {
            line = entry switch { LineEntry l => l.Times, AgainEntry => 1, _ => line };
            if (entry is EndingEntry { Time: { } time } && line == 1)
            {
                most = Math.Max(most, time);
            }
        }

        return most;
    }
}
