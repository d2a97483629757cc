using FondCompass.Core.Actions;
using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Prose;

/// <summary>Steps laid on counts: those said, those that fill the eight, or the steps' own.</summary>
public sealed partial class ProseReader
{
    /// <summary>Lays steps on counts: those said, or those that fill the eight, or the steps' own.</summary>
    private PastedFate Lay(CountSpec? counts, ProseStretch stretch, int length)
    {
        var text = stretch.Text;
        var readings = RowReader.Read(Names, text);
        if (!readings.Candidates.Any(c => c.IsRead))
        {
            _lostWords += text.Split(' ').Length;
            if (counts is not null)
            {
                Park(counts, text);
            }
            else
            {
                Note(stretch.Whole);
            }

            return PastedFate.Aside;
        }

        if (IsFull())
        {
            Note(stretch.Whole);
            return PastedFate.Aside;
        }

        if (_at >= LineCounts)
        {
            _at = 0;
        }

        var start = _at;
        Fitted? best = null;
        if (counts is not null)
        {
            var own = OfLine(counts);
            start = Math.Max(0, own.First.Number - 1);
            best = Fit(text, own, start);
            if (best is { Cost: >= 10 } && LastClause(text, own) is { } cut)
            {
                // "rock, recover, coaster (3&4)": the counts are those of what stands right before them.
                var head = stretch with { Text = text[..cut].TrimEnd(' ', ','), Bound = stretch.Bound / 2 };
                var tail = stretch with { Text = text[(cut + 1)..].TrimStart(), Bound = stretch.Bound - head.Bound };
                return Worse(Lay(null, head, 0), Lay(counts, tail, 0));
            }
        }
        else
        {
            foreach (var wanted in Wanted(length))
            {
                var spec = wanted > 0 ? CountSpec.Over(_at + 1, _at + wanted) : null;
                if (Fit(text, spec, _at) is { } fit && (best is null || fit.Cost < best.Cost))
                {
                    best = fit;
                }
            }
        }

        if (best is null)
        {
            Note(stretch.Whole);
            return PastedFate.Aside;
        }

        var before = _feet;
        var rows = Rows(best, text, start, counts is not null ? OfLine(counts) : null);
        _script.AddRange(rows);
        _feet = best.Row.After;
        var until = start + best.Counts;
        _units.Add(new Unit(_row, _sectionStart, text, best.Counts, start, before, _feet, rows));
        _at = until > LineCounts && best.Counts % LineCounts == 0 && start == 0 ? LineCounts : until > LineCounts ? until - LineCounts : until;
        _boundWords += stretch.Bound;
        _lostWords += stretch.Stray + best.Doubts;
        return stretch.Stray > 0 ? PastedFate.Partly : PastedFate.Understood;
    }

    /// <summary>Where the last clauses begin that fit the counts by themselves.</summary>
    private int? LastClause(string text, CountSpec counts)
    {
        for (var cut = text.LastIndexOf(','); cut > 0; cut = text.LastIndexOf(',', cut - 1))
        {
            if (Fit(text[(cut + 1)..].TrimStart(), counts, counts.First.Number - 1) is { Cost: < 10 })
            {
                return cut;
            }
        }

        return null;
    }

    private sealed record Fitted(BoundRow Row, int Counts, int Cost, int Doubts);

    /// <summary>Counts worth trying where none are said: those of the length said, the rest of the line, halves and wholes of it.</summary>
    private IEnumerable<int> Wanted(int length)
    {
        if (length > 0)
        {
            yield return length;
            yield break;
        }

        yield return 0;
        foreach (var counts in new[] { LineCounts - _at, LineCounts, LineCounts / 2, 2 * LineCounts }.Distinct().Where(c => c > 0 && _at + c <= 2 * LineCounts))
        {
            yield return counts;
        }
    }

    private Fitted? Fit(string text, CountSpec? counts, int start)
    {
        _cancel.ThrowIfCancellationRequested();
        var complaints = 0;
        var doubts = 0;
        var entry = new StepEntry(1, counts, text, 0, []);
        var bound = _binder.With(Names).Bind(entry, counts?.First ?? new Beat(start + 1, Fraction.Whole), 1, _feet, null, Count, suggests: false);
        _tried += bound.Moments.Count;
        void Count(Finding finding)
        {
            complaints += finding.Code == ActionFindings.TooFewCounts.Code ? 1 : 0;
            doubts += finding.Severity == Severity.Error || finding.Code == ActionFindings.Doubtful.Code ? 1 : 0;
        }

        if (bound.Moments.Count == 0 || bound.Moments[0].Moment is UnreadStep)
        {
            return null;
        }

        var length = counts is { IsRange: true } or null ? bound.Number - start : counts.Last.Number - start;
        var natural = counts is null;
        var ends = (start + length) % LineCounts;
        var cost = (10 * complaints) + (6 * bound.Faults) + (2 * bound.Bent)
            + (bound.Wording?.Cost ?? 0) + (ends == 0 ? 0 : length % (LineCounts / 2) == 0 ? 1 : length % 2 == 0 ? 2 : 4) + (natural ? 0 : 1) + (start + length > LineCounts && start > 0 ? 4 : 0);
        return new Fitted(bound, length, cost, doubts + bound.Faults);
    }

    /// <summary>Script rows of what was laid; one that goes past its line is cut where a step begins the next.</summary>
    private List<string> Rows(Fitted fit, string text, int start, CountSpec? counts)
    {
        if (counts is not null)
        {
            return [$"{CountText.Write(counts, LineCounts)} {text}"];
        }

        if (start + fit.Counts <= LineCounts)
        {
            return [$"{CountText.Range(start + 1, start + fit.Counts)} {text}"];
        }

        var rows = new List<string>();
        var wording = fit.Row.Wording;
        var items = fit.Row.ItemStarts();
        var from = 0;
        var at = start;
        var boundary = LineCounts;
        for (var i = 1; wording is not null && i <= wording.Items.Count; i++)
        {
            var begins = i < items.Count ? items[i] - 1 : start + fit.Counts;
            if (begins < boundary && i < wording.Items.Count)
            {
                continue;
            }

            if (begins == boundary || i == wording.Items.Count)
            {
                var words = string.Join(", ", Enumerable.Range(from, i - from).Select(n => string.Join(" and ", wording.Items[n].Together.Select(PhraseText.Write))));
                var first = at % LineCounts;
                rows.Add($"{CountText.Range(first + 1, first + begins - at)} {words}");
                (from, at) = (i, begins);
                boundary += LineCounts;
            }
            else
            {
                boundary += LineCounts;
            }
        }

        return rows.Count > 0 ? rows : [$"{CountText.Range(start + 1, start + fit.Counts)} {text}"];
    }

    /// <summary>Counts of the dance as counts of its line.</summary>
    private CountSpec OfLine(CountSpec counts)
    {
        var past = (counts.Positions.Max(p => p.Number) - 1) / LineCounts * LineCounts;
        var first = counts.Positions.First(p => p.Number > 0 || counts.Positions.All(x => x.IsPickUp)).Number;
        past = Math.Min(past, Math.Max(0, (first - 1) / LineCounts * LineCounts));
        return past <= 0 ? counts : counts with
        {
            Positions = counts.Positions.Select(p => p with { Number = p.Number - past }).ToList(),
            Split = counts.Split?.Select(p => p with { Number = p.Number - past }).ToList(),
        };
    }

    private void Park(CountSpec counts, string text)
    {
        EnsurePart();
        var label = CountText.Write(OfLine(counts), LineCounts);
        _script.Add($"? {label} {Plainly(text)}");
        _at = Math.Max(_at, OfLine(counts).Last.Number);
        _feet = _feet.On(Weight.Unknown);
    }
}
