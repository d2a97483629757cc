using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Reading;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Editing;

/// <summary>A row taken apart: its steps one a row, or the actions of its one step, feet and turns as they are danced.</summary>
internal static class SplitText
{
    public static IReadOnlyList<string> Split(Analysis analysis, IStepNames names, WrittenLine line, WrittenRow written)
    {
        // An ending of another time is danced at a later call, or in a later line.
        var parts = analysis.Trace.LaterCalls.Where(p => p.Part.Name == line.Part).Prepend(analysis.Trace.Written(line.Part)!);
        var actions = parts.Select(p => p.Actions.Where(a => a.Action.Row == written.Row).ToList()).FirstOrDefault(a => a.Count > 0) ?? [];
        actions.RemoveAll(a => a.Action.Line != actions[0].Action.Line);
        if (actions.Count == 0)
        {
            return [];
        }

        var lineCounts = analysis.Dance.Header.LineCounts;
        var wording = RowReader.Read(names, written.Wording).First;
        var calls = actions.GroupBy(a => a.Action.Call).Select(g => g.ToList()).ToList();
        // An ending that takes the place of a step's own leaves less than any form of it.
        var areWhole = wording.Items.Count == calls.Count
            && wording.Items.Zip(calls)
                .All(p => p.First.Main.Step is not { } step || step.Forms.Any(f => f.Actions.Count == p.Second.Count));
        if (wording.IsRead && areWhole && calls.Count > 1)
        {
            return [.. calls.Select((call, i) =>
                $"{CountsOf(call, Until(calls, i, written), lineCounts)} "
                    + $"{string.Join(" and ", wording.Items[i].Together.Select(PhraseText.Write))}{Layers(call)}")];
        }

        if (actions.Count == 1)
        {
            return written.Length == 1 ? [] :
            [
                $"{actions[0].Action.Beat.Label(lineCounts)} {Words(actions[0])}{Layers(actions)}",
                $"{CountText.Range(written.First + 1, written.Last)} hold",
            ];
        }

        return [.. actions.Select((action, i) => $"{action.Action.Beat.Label(lineCounts)} {Words(action)}{Layers([action])}")
            .Concat(Rest(actions, written, lineCounts))];
    }

    /// <summary>Counts at the end of the row in which nothing begins.</summary>
    private static IEnumerable<string> Rest(List<TracedAction> actions, WrittenRow written, int lineCounts) =>
        actions[^1].Action.Beat.Number < written.Last && actions[^1].Action.Length.Value <= Tick.PerCount
            ? [$"{CountText.Range(actions[^1].Action.Beat.Number + 1, written.Last)} hold"]
            : [];

    private static int Until(List<List<TracedAction>> calls, int i, WrittenRow written) =>
        i + 1 < calls.Count
            ? calls[i + 1][0].Action.Beat.Number - (calls[i + 1][0].Action.Beat.Fraction == Fraction.Whole ? 1 : 0)
            : written.Last;

    private static string CountsOf(List<TracedAction> call, int until, int lineCounts)
    {
        var beats = call.ConvertAll(a => a.Action.Beat);
        return beats.TrueForAll(b => b is { Fraction: Fraction.Whole, IsPickUp: false })
            ? CountText.Range(beats[0].Number, Math.Max(until, beats[^1].Number))
            : CountText.Write(new CountSpec { Positions = [.. beats.Distinct()] }, lineCounts);
    }

    private static string Layers(List<TracedAction> actions) =>
        string.Concat(actions.SelectMany(a => a.Action.Layers).Select(l => $" + {l}"));

    private static string Words(TracedAction action) => PhraseText.Write(new Phrase
    {
        Name = action.Action.Verb.Name,
        Verb = action.Action.Verb,
        Feet = action.Foot == Foot.None ? [] : [action.Foot],
        Direction = action.Direction,
        Turn = action.Turn.IsNone ? null : new Turn(action.Turn.Size, Math.Sign(action.Turn.Value), null, action.TurnFirst),
        Onto = action.Onto,
    });
}
