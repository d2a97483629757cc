using FondCompass.Core.Actions;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Reading;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Wording;

/// <summary>How a row was read, in plain words, so that a wrong reading is seen before the class sees it.</summary>
/// <param name="Row">Text row, from 1.</param>
/// <param name="Text">"1 walk R · 2 walk L, turning 1/4 left".</param>
/// <param name="Doubt">What else the words may mean; empty when they are plain.</param>
/// <param name="Instead">The row in words that mean the other reading; empty when there is none.</param>
public sealed record RowRead(int Row, string Text, string Doubt = "", string Instead = "");

/// <summary>Tells every row of steps as it is danced (reading, promise 3).</summary>
public static class RowReadings
{
    /// <summary>A row tells no more actions than these; the rest is counted.</summary>
    private const int Most = 32;

    /// <summary>Variants whose rows are told; a dance with more says the same of them all.</summary>
    private const int MostVariants = 16;

    /// <summary>Findings that tell that a row may mean something else.</summary>
    private static readonly FindingCode[] Doubts =
        [ActionFindings.Ambiguous, ActionFindings.Doubtful, ActionFindings.Misspelt, ActionFindings.OpenMove];

    /// <summary>In row order; a row that is danced several times is told as it is danced first.</summary>
    public static IReadOnlyList<RowRead> Read(DanceTrace trace, IReadOnlyList<Finding> findings)
    {
        var doubts = findings.Where(f => Doubts.Contains(f.Kind) && f.Place.Row is not null)
            .GroupBy(f => f.Place.Row!.Value)
            .ToDictionary(g => g.Key, g => g.First());
        var reads = new SortedDictionary<int, RowRead>();
        var variants = Versions.All(trace.Actions)
            .Take(MostVariants)
            .SelectMany(label => DanceTracer.Trace(trace.Actions.With(label)).Parts);
        foreach (var part in trace.Parts.Concat(trace.LaterCalls).Concat(trace.StandIns).Concat(variants))
        {
            var layers = part.Part.Layers.ToLookup(l => l.Row);
            foreach (var group in part.Actions.GroupBy(a => (a.Action.Row, a.Action.Line)))
            {
                if (reads.ContainsKey(group.Key.Row))
                {
                    continue;
                }

                var actions = group.ToList();

                // What lies on the whole line is told at its own row.
                var elsewhere = part.Part.Layers.Where(l => l.Row != group.Key.Row && l.Line == group.Key.Line)
                    .Select(l => l.Text)
                    .ToHashSet();
                var told = string.Join(" · ", actions.Take(Most).Select(a => Told(a, trace.Dance.Header.LineCounts, elsewhere)));
                told += string.Concat(Resting(layers[group.Key.Row].Where(l => l.Line == group.Key.Line), actions)
                    .Take(Most)
                    .Select(l => $" · {l.Beat.Label(trace.Dance.Header.LineCounts)} + {l.Text}"));
                told += actions.Count > Most ? StepTexts.AndMore(actions.Count - Most) : "";
                reads[group.Key.Row] = doubts.TryGetValue(group.Key.Row, out var doubt)
                    ? new RowRead(group.Key.Row, told, doubt.Message, doubt.Fix?.NewText ?? "")
                    : new RowRead(group.Key.Row, told);
            }
            foreach (var alone in part.Part.Layers.Where(l => !reads.ContainsKey(l.Row)).GroupBy(l => l.Row).ToList())
            {
                var first = alone.First();
                var counts = first.Length.InCounts;
                var lineCounts = trace.Dance.Header.LineCounts;
                var until = counts > 1 ? $"-{first.Beat.Number + counts - 1:0}" : "";
                var further = alone.Skip(1).Where(l => l.Line == first.Line).Take(Most)
                    .Select(l => $" · {l.Beat.Label(lineCounts)} + {l.Text}");
                reads[alone.Key] = new RowRead(
                    alone.Key,
                    $"{first.Beat.Label(lineCounts)}{until} + {first.Text}{string.Concat(further)}");
            }
        }

        return [.. reads.Values];
    }

    /// <summary>Sounds and arms of a row that begin where no step does.</summary>
    private static IEnumerable<Layer> Resting(IEnumerable<Layer> layers, List<TracedAction> actions) =>
        layers.Where(l => actions.TrueForAll(a => a.Action.At != l.At || !a.Action.Layers.Contains(l.Text)));

    /// <summary>One action: its count, its deed, its foot, its way, its turn.</summary>
    /// <param name="without">Layers that are told elsewhere.</param>
    public static string Told(TracedAction action, int lineCounts, IReadOnlySet<string>? without = null)
    {
        var words = new List<string> { action.Action.Beat.Label(lineCounts) };
        if (action.Action.Words.Length > 0)
        {
            words.Add(action.Action.Words);
        }
        else
        {
            // A named step of hips or arms has no words of its own here: its name, and the side it was called with.
            words.Add(action.Action.Verb.Has(VerbTraits.IsBody)
                ? $"{action.Action.Step}{(action.Action.CallLead.IsSingle() ? " " + action.Action.CallLead.Letter() : "")}"
                : action.Action.Verb.Name);
            if (action.Foot != Foot.None)
            {
                words.Add(action.Foot == Foot.Both ? StepTexts.Both : action.Foot.Letter());
            }

            if (action.Direction != Direction.None && action.Direction != action.Action.Verb.Default)
            {
                words.Add(PhraseText.Words(action.Direction));
            }

            if (action.Action.Way != 0)
            {
                words.Add(action.Action.Way > 0 ? StepTexts.ToTheRight : StepTexts.ToTheLeft);
            }
        }

        var text = string.Join(' ', words);
        if (action.Action.Crossing != Foot.None)
        {
            text = StepTexts.Crossed(text, action.Action.Crossing.Letter());
        }

        if (!action.Turn.IsNone)
        {
            text = action.TurnFirst ? StepTexts.AfterTurning(text, $"{action.Turn}") : StepTexts.TurningWith(text, $"{action.Turn}");
        }

        if (action.Onto != Foot.None && action.Verb.Kind != VerbKind.Takes)
        {
            text = StepTexts.Onto(text, action.Onto == Foot.Both ? StepTexts.Both : action.Onto.Letter());
        }

        return text + string.Concat(action.Action.Layers.Where(l => without?.Contains(l) != true).Select(l => $" + {l}"));
    }
}
