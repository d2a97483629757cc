using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Drawing.Rulers;

/// <summary>
/// The count ruler of a part: an eight is a ruler with wide notches and finer ones between, steps lie on it, and below runs
/// the weight line, one stroke that crosses from the left lane to the right when the weight changes.
/// </summary>
public static class RulerDrawing
{
    public const double Height = 84;
    public const double BandTop = 15;
    public const double BandHeight = 25;
    public const double LaneHeight = 20;
    public const double LeftLane = 53;
    public const double RightLane = 74;

    /// <summary>Half the length over which the weight line crosses between the lanes.</summary>
    private const double Crossing = 5;

    /// <summary>Actions drawn in one line at the most; nobody dances so many.</summary>
    private const int MostDrawn = 400;

    /// <summary>Marks hung on one line at the most.</summary>
    private const int MostHung = 12;

    private const double MiddleLane = (LeftLane + RightLane) / 2;

    /// <param name="mostLines">Lines drawn at the most.</param>
    public static IReadOnlyList<RulerLine> Draw(
        PartTrace trace,
        int lineCounts,
        RulerPaper paper,
        int mostLines = int.MaxValue,
        bool isRing = false)
    {
        var widest = Math.Max(lineCounts, trace.Part.Lines.Select(l => l.Counts).DefaultIfEmpty(lineCounts).Max());
        var notch = paper.NotchWidth(widest);
        var state = trace.Start;
        var byLine = trace.Actions.ToLookup(a => a.Action.Line);
        var lines = new List<RulerLine>();
        foreach (var line in trace.Part.Lines.Take(mostLines))
        {
            var actions = byLine[line.Number].Take(MostDrawn).ToList();
            var end = trace.Lines[line.Number - 1].State;
            // A pick-up has the gutter's room.
            double X(Tick at) => Math.Max(RulerPaper.PickUps, RulerPaper.Gutter + ((at - line.Start).InCounts * notch));
            lines.Add(new RulerLine(
                line.Number, line.Counts, line.Counts != lineCounts,
                Notches(line, actions, X),
                [.. Spans(line, actions, [.. trace.Part.Moments.OfType<FreeSpan>().Where(f => f.Line == line.Number).Select(f => f.At)], X)
                    .Concat(Free(trace.Part, line, X))
                    .OrderBy(s => s.X)],
                Weights(line, actions, state.Weight, end.Weight, X),
                Marks(actions, X),
                Turns(actions, X),
                end.Weight.Letter(), end.Facing,
                DrawingTexts.RulerLine(
                    line.Number,
                    line.Counts,
                    end.Weight.Letter(),
                    isRing ? FacingWords.InBrief(end.Facing) : end.Facing.ToString()))
            {
                InRing = isRing ? FacingWords.InBrief(end.Facing) : "",
                NotchWidth = notch,
                Paper = paper,
                Widest = widest,
                Layers = [.. trace.Part.Layers.Where(l => l.Line == line.Number)
                    .DistinctBy(l => (l.At, l.Text))
                    .Take(MostDrawn)
                    .Select(l => new LayerMark(
                        X(l.At),
                        Math.Max(6, X(l.At + l.Length) - X(l.At) - 2),
                        WordedLayer.Read(l.Text).Kind,
                        l.Text))],
                Name = line.Name,
                Hung = HungOn(trace.Part, line, lineCounts),
            });
            state = end;
        }

        return lines;
    }

    private static List<Notch> Notches(DanceLine line, List<TracedAction> actions, Func<Tick, double> x)
    {
        var notches = new List<Notch>();
        for (var count = 0; count < line.Counts; count++)
        {
            notches.Add(new Notch(x(line.Start + Tick.FromCounts(count)), $"{count + 1}", false));
        }

        notches.AddRange(actions
            .Where(a => a.Action.Beat.Fraction != Fraction.Whole || a.Action.IsPickUp)
            .DistinctBy(a => a.At)
            .Select(a => new Notch(
                x(a.At),
                a.Action.Beat.Fraction == Fraction.Whole ? a.Action.Beat.Label() : Beat.Letter(a.Action.Beat.Fraction),
                true)));
        return notches;
    }

    private static List<StepSpan> Spans(DanceLine line, List<TracedAction> actions, List<Tick> free, Func<Tick, double> x)
    {
        var spans = new List<StepSpan>();
        var end = line.Start + Tick.FromCounts(line.Counts);
        var calls = actions.GroupBy(a => a.Action.Call).Select(g => g.ToList()).ToList();
        for (var i = 0; i < calls.Count; i++)
        {
            var first = calls[i][0];
            var until = calls.Skip(i + 1).Select(c => c[0].At).Concat(free).Where(t => t > first.At).DefaultIfEmpty(end).Min();
            var together = calls.Count(c => c[0].At == first.At);
            if (together > 1 && spans.Count > 0 && calls.FindIndex(c => c[0].At == first.At) < i)
            {
                spans[^1] = spans[^1] with
                {
                    Called = $"{spans[^1].Called} & {StepWording.Word(calls[i]).Called}",
                    Full = $"{spans[^1].Full}, {Wording(calls[i])}"
                };
                continue;
            }

            var left = x(first.At);
            var width = Math.Max(6, x(until) - left - 2);
            var wording = StepWording.Word(calls[i]);
            spans.Add(new StepSpan(
                left, width, wording.Called, Wording(calls[i]), wording.Letter, first.Action.Row, Math.Max(1, first.Action.Beat.Number),
                calls[i].Exists(a =>
                    a.Fault is Fault.FootHoldsWeight or Fault.StandingVerbOnFreeFoot or Fault.UnwindWrongWay or Fault.TurnMissesWall),
                KindOf(first)));
        }

        return spans;
    }

    private static IEnumerable<StepSpan> Free(PartActions part, DanceLine line, Func<Tick, double> x) =>
        part.Moments.OfType<FreeSpan>().Where(f => f.Line == line.Number)
        .Select(f => new StepSpan(
            x(f.At),
            Math.Max(6, x(f.At + f.Length) - x(f.At) - 2),
            "your own",
            DrawingTexts.YourOwnFromCount(f.Beat.Label()),
            "",
            f.Row,
            Math.Max(1, f.Beat.Number),
            false,
            SpanKind.Free));

    private static List<HungMark> HungOn(PartActions part, DanceLine line, int lineCounts) =>
    [
        .. part.Notes.Where(n => n.Line == line.Number)
            .DistinctBy(n => (n.Kind, n.At, n.Text))
            .OrderBy(n => n.At)
            .Take(MostHung)
            .Select(n => new HungMark(n.Kind, n.Beat.Label(lineCounts), n.Text, n.Row)),
        .. part.Variants.Where(v => v.Line == line.Number).Take(MostHung).Select(v => new HungMark(
            v.Label.ToString(),
            Counts(v, line),
            string.Join(
                ", ",
                v.Moments.OfType<DanceAction>()
                    .GroupBy(a => a.Call)
                    .Select(g => g.First())
                    .Select(a => $"{a.Name}{(a.CallLead.IsSingle() ? $" {a.CallLead.Letter()}" : "")}")),
            v.Row)),
    ];

    private static string Counts(SpanVariant variant, DanceLine line) =>
        $"{(int)Math.Floor((variant.From - line.Start).InCounts) + 1} to {(int)Math.Ceiling((variant.To - line.Start).InCounts)}";

    private static string Wording(List<TracedAction> call) =>
        $"{StepWording.Word(call)}: "
            + string.Join(
                ", ",
                call.Select(a => $"{a.Action.Beat.Label()} {a.Action.Deed}{(a.Foot == Foot.None ? "" : $" {a.Foot.Letter()}")}"));

    private static SpanKind KindOf(TracedAction first) =>
        first.Action.Verb.Has(VerbTraits.IsBody) ? SpanKind.Body : first.Action.Verb.Has(VerbTraits.Holds) ? SpanKind.Hold : SpanKind.Step;

    private static double Lane(Weight weight) => weight switch
    {
        Core.Measures.Weight.Left => LeftLane,
        Core.Measures.Weight.Right => RightLane,
        _ => MiddleLane,
    };

    private static List<WeightStroke> Weights(DanceLine line, List<TracedAction> actions, Weight start, Weight end, Func<Tick, double> x)
    {
        var strokes = new List<WeightStroke>();
        var at = x(line.Start);
        var weight = start;
        var to = x(line.Start + Tick.FromCounts(line.Counts));
        void Run(double until)
        {
            if (until > at)
            {
                strokes.Add(Stroke(weight, at, until));
            }
        }

        foreach (var action in actions)
        {
            var here = Math.Max(at, x(action.At));
            if (action.Before != weight)
            {
                // A row that was not understood, or a statement, has put the weight elsewhere.
                weight = action.Before;
            }

            if (action.Fault is Fault.FootHoldsWeight or Fault.StandingVerbOnFreeFoot)
            {
                Run(here - 7);
                strokes.Add(new WeightStroke("broken", $"M{here - 5:0.#} {Lane(weight) - 5:0.#}l10 10m0 -10l-10 10"));
                at = here + 7;
                weight = action.After.Weight;
            }
            else if (action.After.Weight != weight)
            {
                Run(here - Crossing);
                strokes.Add(new WeightStroke(
                    "solid",
                    $"M{Math.Max(at, here - Crossing):0.#} {Lane(weight):0.#}L{here + Crossing:0.#} {Lane(action.After.Weight):0.#}"));
                at = here + Crossing;
                weight = action.After.Weight;
            }
        }

        if (end != weight)
        {
            weight = end;
        }

        Run(to);
        return strokes;
    }

    private static WeightStroke Stroke(Weight weight, double from, double to) => weight switch
    {
        Core.Measures.Weight.Unknown => new WeightStroke("unknown", $"M{from:0.#} {MiddleLane:0.#}H{to:0.#}"),
        Core.Measures.Weight.Both => new WeightStroke("both", $"M{from:0.#} {LeftLane:0.#}H{to:0.#}M{from:0.#} {RightLane:0.#}H{to:0.#}"),
        _ => new WeightStroke("solid", $"M{from:0.#} {Lane(weight):0.#}H{to:0.#}"),
    };

    private static List<FootMark> Marks(List<TracedAction> actions, Func<Tick, double> x)
    {
        var marks = new List<FootMark>();
        foreach (var action in actions)
        {
            if (!action.Foot.IsSingle()
                || action.Action.Verb.Kind is VerbKind.NoFoot or VerbKind.Standing
                || action.Fault == Fault.FootHoldsWeight)
            {
                continue;
            }

            var lane = action.Foot == Foot.Left ? LeftLane : RightLane;
            marks.Add(new FootMark(
                x(action.At), lane, action.TakesWeight,
                WordsOf(action)));
        }

        return marks;
    }

    private static Sentence WordsOf(TracedAction action) =>
        action.After.Weight.FreeFoot() is var free && free.IsSingle()
            ? DrawingTexts.RulerMarkFree(action.Action.Beat.Label(), action.Action.Deed, action.Foot.Word(), free.Word())
            : DrawingTexts.RulerMark(action.Action.Beat.Label(), action.Action.Deed, action.Foot.Word());

    private static List<TurnMark> Turns(List<TracedAction> actions, Func<Tick, double> x) => actions
        .Where(a => !a.Turn.IsNone)
        .Select(a => new TurnMark(
            x(a.At),
            a.After.Facing.Degrees,
            DrawingTexts.RulerTurn(a.Action.Beat.Label(), a.Turn.ToString(), a.After.Facing.ToString())))
        .ToList();
}
