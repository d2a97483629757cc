using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Actions.Rows;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Prose.Search;

/// <summary>Steps as they lie on some counts.</summary>
/// <param name="Counts">How many they take.</param>
/// <param name="Cost">What it costs to read them so.</param>
/// <param name="Doubts">What is doubted of them, errors among that.</param>
internal sealed record FittedSteps(BoundRow Row, int Counts, int Cost, int Doubts);

/// <summary>Lays steps on counts: those said, those that fill a line, or the steps' own. What was laid once is kept.</summary>
internal sealed class ProseLayer(Dance frame, IStepNames names, CancellationToken cancel)
{
    /// <summary>
    /// What faults cost: steps that miss their counts, feet that are not free, steps bent to their counts, moves of which only the name is
    /// known.
    /// </summary>
    private const int Complains = 10, Faults = 6, Bends = 2, GoesPast = 4, OnlyNamed = 8;

    /// <summary>Faults that count: no step is skipped to be rid of more.</summary>
    private const int MostFaults = 2;

    private readonly Dictionary<(string Text, string Counts, WeightState Feet), FittedSteps?> _kept = [];

    public IStepNames Names => names;

    public int LineCounts => frame.Header.LineCounts;

    /// <summary>Actions that were tried on counts.</summary>
    public int Tried { get; private set; }

    /// <summary>Steps on counts that are said.</summary>
    public FittedSteps? Fit(string text, CountSpec counts, WeightState feet) =>
        Kept((text, CountText.Write(counts, LineCounts), feet), () => FitAnew(text, counts, Math.Max(0, counts.First.Number - 1), feet));

    /// <summary>Steps on so many counts, wherever those lie; 0 for the steps' own.</summary>
    public FittedSteps? Fit(string text, int counts, WeightState feet) =>
        Kept((text, counts.ToString(System.Globalization.CultureInfo.InvariantCulture) + "#", feet),
            () => FitAnew(text, counts == 0 ? null : CountSpec.Over(1, counts), 0, feet));

    private FittedSteps? Kept((string, string, WeightState) key, Func<FittedSteps?> fit)
    {
        cancel.ThrowIfCancellationRequested();
        if (!_kept.TryGetValue(key, out var fitted))
        {
            fitted = _kept[key] = fit();
        }

        return fitted;
    }

    /// <summary>What it costs more to go past the end of a line.</summary>
    public int PastLine(int at, int counts) => at > 0 && at + counts > LineCounts ? GoesPast : 0;

    private FittedSteps? FitAnew(string text, CountSpec? counts, int start, WeightState feet)
    {
        if (!RowReader.Read(names, text).Candidates.Any(c => c.IsRead) && !(counts is not null && NamedMoves.Read(names, text) is not null))
        {
            return null;
        }

        var (complaints, doubts) = (0, 0);
        void Count(Finding finding)
        {
            complaints += finding.Kind == ActionFindings.TooFewCounts ? 1 : 0;
            doubts += finding.Severity == Severity.Error || finding.Kind == ActionFindings.Doubtful ? 1 : 0;
        }

        var bound = new RowBinder(frame, "A", names, new MoveEnds()).Bind(new StepEntry(1, counts, text, 0, []),
            counts?.First ?? new Beat(start + 1, Fraction.Whole), 1, feet, null, Count,
            suggests: false);
        Tried += bound.Moments.Count;
        if (bound.Moments.Count == 0 || bound.Moments[0].Moment is UnreadStep)
        {
            return null;
        }

        var moves = bound.Moments.Count(m => m.Moment is DanceAction action && action.Verb == Verbs.NamedMove);
        bound = moves > 0 ? bound with { After = bound.After.On(Weight.Unknown) } : bound;
        var length = counts is { IsRange: true } or null ? bound.Number - start : counts.Last.Number - start;
        var cost = (Complains * complaints) + (Faults * Math.Min(MostFaults,
            bound.Faults)) + (OnlyNamed * moves) + (Bends * bound.Bent) + (bound.Wording?.Cost ?? 0) + (counts is null ? 0 : 1);
        return new FittedSteps(bound, length, cost, doubts + bound.Faults + moves);
    }

    /// <summary>Script rows of what was laid; steps that go past their line are cut where one begins the next.</summary>
    public List<string> Rows(FittedSteps fit, string text, int start, CountSpec? counts)
    {
        if (counts is not null)
        {
            return [$"{CountText.Write(counts, LineCounts)} {text}"];
        }

        if (start + fit.Counts <= LineCounts || fit.Row.Wording is not { } wording)
        {
            return [$"{CountText.Range(start + 1, start + fit.Counts)} {text}"];
        }

        var rows = new List<string>();
        var items = fit.Row.ItemStarts();
        var (from, at, boundary) = (0, start, LineCounts);
        for (var i = 1; i <= wording.Items.Count; i++)
        {
            var begins = start + (i < items.Count ? items[i] - 1 : fit.Counts);
            if (begins < boundary && i < wording.Items.Count)
            {
                continue;
            }

            if (begins == boundary || i == wording.Items.Count)
            {
                var words = i - from == wording.Items.Count
                    ? text
                    : PhraseText.Write(wording with { Items = [.. wording.Items.Skip(from).Take(i - from)] });
                rows.Add($"{CountText.Range((at % LineCounts) + 1, (at % LineCounts) + begins - at)} {words}");
                (from, at) = (i, begins);
            }

            boundary += LineCounts;
        }

        return rows.Count > 0 ? rows : [$"{CountText.Range(start + 1, start + fit.Counts)} {text}"];
    }

    /// <summary>The same steps begun with the other foot, spelled out.</summary>
    public string Mirrored(string text) =>
        RowReader.Read(names, text).Candidates.FirstOrDefault(c => c.IsRead) is { } wording
            ? PhraseText.Write(MirrorImage.Reflect(wording, Facing.Front))
            : text;

    /// <summary>The same counts later or earlier in a line; null where they would not lie in it.</summary>
    public CountSpec? Shifted(CountSpec counts, int by)
    {
        var moved = counts with
        {
            Positions = counts.Positions.Select(p => p with { Number = p.Number + by }).ToList(),
            Split = counts.Split?.Select(p => p with { Number = p.Number + by }).ToList(),
        };
        return by == 0 ? counts : moved.First.Number > 0 && moved.Last.Number <= LineCounts ? moved : null;
    }

    /// <summary>Counts of the dance as counts of its line.</summary>
    public CountSpec OfLine(CountSpec counts)
    {
        var first = counts.Positions.First(p => p.Number > 0 || counts.Positions.All(x => x.IsPickUp)).Number;
        var past = Math.Min(
            (counts.Positions.Max(p => p.Number) - 1) / LineCounts * LineCounts,
            Math.Max(0, (first - 1) / LineCounts * LineCounts));
        return past <= 0 ? counts : counts with
        {
            Positions = counts.Positions.Select(p => p with { Number = p.Number - past }).ToList(),
            Split = counts.Split?.Select(p => p with { Number = p.Number - past }).ToList(),
        };
    }
}
