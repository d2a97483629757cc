using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Rows;

/// <summary>What hangs on the counts of a line without being danced by the feet: layers, notes, variants.</summary>
internal sealed class Annotations(string part, DanceHeader header)
{
    private readonly List<(PendingMoment Hung, Beat? From, Beat? To)> _layers = [];

    /// <summary>What lies on the whole line, and on every line of the part, with its row.</summary>
    private readonly List<(LayerText Layer, int Row)> _throughLine = [];
    private List<(LayerText Layer, int Row)> _throughPart = [];
    private readonly List<(NoteEntry Note, Beat? Above)> _notes = [];
    private readonly List<(VariantEntry Entry, List<PendingMoment> Steps)> _variants = [];

    /// <summary>What lies on every line from here on; a part that is called within another takes its own away with it.</summary>
    public IReadOnlyList<(LayerText Layer, int Row)> ThroughPart
    {
        get => [.. _throughPart];
        set => _throughPart = [.. value];
    }

    public List<Layer> Layers { get; } = [];

    public List<Annotation> Notes { get; } = [];

    public List<SpanVariant> Variants { get; } = [];

    /// <summary>The layers at the end of a row of steps.</summary>
    public void Hang(StepEntry entry, Beat first, Beat last)
    {
        foreach (var layer in entry.Layers)
        {
            Beat? begins = layer.Counts is null ? null : first;
            foreach (var (from, to) in SpansOf(layer.Counts) ?? [(first, last)])
            {
                _layers.Add((LayerOf(layer, entry.Row, from, to), begins, last));
            }
        }
    }

    /// <summary>A row of layers alone.</summary>
    public void Hang(LayerEntry entry, Beat? first, Beat? last)
    {
        foreach (var layer in entry.Layers)
        {
            if (layer.Counts is null && entry.Lies != LayerSpan.Row)
            {
                (entry.Lies == LayerSpan.Part ? _throughPart : _throughLine).Add((layer, entry.Row));
                continue;
            }

            var above = first ?? new Beat(1, Fraction.Whole);
            foreach (var (from, to) in SpansOf(layer.Counts) ?? [(above, last ?? above)])
            {
                _layers.Add((LayerOf(layer, entry.Row, from, to), null, null));
            }
        }
    }

    /// <summary>"On 2 and 4" is heard twice; "1-4" goes through.</summary>
    private static IEnumerable<(Beat From, Beat To)>? SpansOf(CountSpec? counts) =>
        counts is null ? null : counts.IsList ? counts.Positions.Select(p => (p, p)) : [(counts.First, counts.Last)];

    /// <param name="above">Where the row above begins; null at the top of a line.</param>
    public void Hang(NoteEntry entry, Beat? above) => _notes.Add((entry, above));

    public void Hang(VariantEntry entry, List<PendingMoment> steps) => _variants.Add((entry, steps));

    /// <summary>The line is known whole: everything gets its ticks, and what hangs on nothing is told.</summary>
    /// <param name="place">Gives a moment of this line its ticks.</param>
    public void Close(DanceLine line, List<Moment> moments, Func<PendingMoment, Moment> place, Action<Finding> tell)
    {
        foreach (var (layer, row) in _throughPart.Concat(_throughLine))
        {
            _layers.Add((LayerOf(layer, row, new Beat(1, Fraction.Whole), new Beat(line.Counts, Fraction.Whole)), null, null));

            // What lies on all of it is danced with each of its steps.
            for (var i = moments.Count - 1; i >= 0 && moments[i].Line == line.Number; i--)
            {
                moments[i] = moments[i] is DanceAction action ? action with { Layers = [.. action.Layers, layer.Text] } : moments[i];
            }
        }

        _throughLine.Clear();
        if (_layers.Count + _notes.Count + _variants.Count == 0)
        {
            return;
        }

        var starts = new Dictionary<Tick, int>();
        for (var i = moments.Count - 1; i >= 0 && moments[i].Line == line.Number; i--)
        {
            if (moments[i] is DanceAction or FreeSpan or UnreadStep)
            {
                starts[moments[i].At] = i;
            }
        }

        CloseLayers(line, moments, place, tell, starts);
        CloseNotes(line, place, tell, starts);
        CloseVariants(line, place, tell);
        _layers.Clear();
        _notes.Clear();
        _variants.Clear();
    }

    private void CloseLayers(
        DanceLine line,
        List<Moment> moments,
        Func<PendingMoment, Moment> place,
        Action<Finding> tell,
        Dictionary<Tick, int> starts)
    {
        foreach (var (hung, from, to) in _layers)
        {
            var layer = (Layer)place(hung);
            Layers.Add(layer);
            var outsideStep = from is { } f && to is { } t && (hung.Moment.Beat < f || hung.Until.Number > t.Number);
            if (hung.Until.Number > line.Counts || outsideStep)
            {
                tell(new Finding(
                    ActionFindings.LayerOutside,
                    PlaceOf(line, layer),
                    ActionTexts.LayerOutsideStep(
                        layer.Text,
                        hung.Moment.Beat.Label(header.LineCounts),
                        outsideStep ? ActionTexts.StepItStandsWith : ActionTexts.ThisLineOf(line.Counts))));
            }

            if (from is not null && starts.TryGetValue(layer.At, out var index) && moments[index] is DanceAction action)
            {
                moments[index] = action with { Layers = [.. action.Layers, layer.Text] };
            }
        }
    }

    private void CloseNotes(DanceLine line, Func<PendingMoment, Moment> place, Action<Finding> tell, Dictionary<Tick, int> starts)
    {
        foreach (var (entry, above) in _notes)
        {
            var first = entry.Counts?.First ?? above ?? new Beat(1, Fraction.Whole);
            var last = entry.Counts?.Last ?? first;
            var note = (Annotation)place(new PendingMoment(
                new Annotation
                {
                    Line = 0,
                    At = default,
                    Length = default,
                    Beat = first,
                    Row = entry.Row,
                    Kind = entry.Kind,
                    Text = entry.Text
                },
                last));
            Notes.Add(note);
            if (entry.Counts is not null && !starts.Keys.Any(s => s >= note.At && s < note.At + note.Length))
            {
                tell(new Finding(
                    ActionFindings.HangsOnNothing,
                    PlaceOf(line, note),
                    ActionTexts.NoteHangsOnNothing(
                        entry.Kind,
                        first.Label(header.LineCounts),
                        first.Number > line.Counts ? ActionTexts.LineHasCounts(line.Counts) : ActionTexts.NothingBeginsThere)));
            }
        }
    }

    private void CloseVariants(DanceLine line, Func<PendingMoment, Moment> place, Action<Finding> tell)
    {
        foreach (var (entry, steps) in _variants)
        {
            var counts = entry.Step.Counts!;
            var span = place(LayerOf(new LayerText(null, ""), entry.Row, counts.First, counts.Last));
            var to = span.At + span.Length;
            if (counts.Last.Number > line.Counts || steps.Exists(s => s.Moment.Beat.Number > counts.Last.Number))
            {
                tell(new Finding(
                    ActionFindings.VariantCounts,
                    new Place(part, line.Number, counts.First.Label(header.LineCounts), entry.Row),
                    ActionTexts.VariantOnOtherCounts(
                        entry.Label.ToString(),
                        counts.First.Label(header.LineCounts),
                        Math.Min(counts.Last.Number, line.Counts))));
            }

            var moments = steps.ConvertAll(s => place(s));
            if (Variants.Count > 0
                && Variants[^1] is var before
                && before.Label == entry.Label
                && before.Line == line.Number
                && before.To == span.At)
            {
                Variants[^1] = before with { To = to, Moments = [.. before.Moments, .. moments] };
            }
            else
            {
                Variants.Add(new SpanVariant(entry.Label, line.Number, entry.Row, span.At, to, moments));
            }
        }
    }

    private static PendingMoment LayerOf(LayerText layer, int row, Beat first, Beat last) =>
        new(new Layer { Line = 0, At = default, Length = default, Beat = first, Row = row, Text = layer.Text }, last);

    private Place PlaceOf(DanceLine line, Moment moment) => new(part, line.Number, moment.Beat.Label(header.LineCounts), moment.Row);
}
