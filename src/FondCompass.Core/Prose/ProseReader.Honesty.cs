using FondCompass.Core.Findings;

namespace FondCompass.Core.Prose;

/// <summary>How much was understood, never more than can be answered for (reading, section 7).</summary>
public sealed partial class ProseReader
{
    /// <summary>Rows of steps that are told one by one as doubtful.</summary>
    private const int MostDoubts = 3;

    /// <summary>Letters of a line past which line breaks may have been lost, where less than this is understood.</summary>
    private const int LongLine = 400;

    private const double Doubtful = 0.9;

    /// <summary>Bound words by all that should have been; what the text says of itself and the dance does not bear out counts against it.</summary>
    private double Understood(Analysis analysis)
    {
        var share = Share(analysis);
        if (share < Doubtful && _rows.Find(r => r.From.Length > LongLine) is { } row)
        {
            _doubts.Add($"One line has {row.From.Length} letters: the line breaks may have been lost on the way. Put each section, or each eight, on a line of its own.");
        }

        return share;
    }

    private double Share(Analysis analysis)
    {
        var trace = analysis.Trace;
        if (!trace.Parts.Any(p => p.Actions.Count > 0))
        {
            return 0;
        }

        var share = _boundWords / Math.Max(1, _boundWords + _lostWords);
        var total = trace.TotalCounts;
        if (_settings.Counts is { } counts && !analysis.Dance.IsPhrased && counts != total)
        {
            share *= Math.Min((double)total, counts) / Math.Max(total, counts) * 0.8;
            _doubts.Add($"The text says {counts} counts; what is made of it has {total}.");
        }

        if (_settings.WallCount is { } walls && !analysis.Dance.IsPhrased && walls != trace.WallOrder.Count)
        {
            share *= 0.8;
            _doubts.Add($"The text says {walls} {(walls == 1 ? "wall" : "walls")}; what is made of it goes through {trace.WallOrder.Count}.");
        }

        // A line that does not hold its counts, a foot that is not free: something was read otherwise than it was meant.
        var told = analysis.Findings.Where(f => f.Severity == Severity.Error || f.Code is "COUNT01" or "COUNT03" or "JOIN01" or "JOIN02" || (f.Code is "COUNT02" or "MIRROR01" && trace.Calls.Any(c => c.Stretch.Pattern.Part.Lines.Count > 1))).DistinctBy(f => f.Place.Row).ToList();
        var wrong = told.Count;
        var rows = trace.Parts.SelectMany(p => p.Actions).Select(a => a.Action.Row).Distinct().Count();
        share *= 1 - Math.Min(0.7, 0.8 * wrong / Math.Max(1, rows));
        var script = PastedDance.ScriptOf(_rows).Split('\n');
        _doubts.AddRange(told.Take(MostDoubts).Select(f => $"'{script[Math.Clamp((f.Place.Row ?? 1) - 1, 0, script.Length - 1)]}': {f.Message}"));
        if (wrong > MostDoubts)
        {
            _doubts.Add($"{wrong - MostDoubts} more {(wrong == MostDoubts + 1 ? "row is" : "rows are")} doubtful in such a way.");
        }

        if (_lostWords >= 1)
        {
            _doubts.Add("Some words beside the steps were not read; they stay as notes.");
        }

        return Math.Round(Math.Clamp(share, 0, 1) * 0.98, 3);
    }

    /// <summary>Each pasted row with how its steps are read.</summary>
    private List<PastedRow> WithReads(Analysis analysis)
    {
        var reads = analysis.Reads.ToDictionary(r => r.Row, r => r.Text);
        var rows = new List<PastedRow>();
        var at = 1;
        foreach (var row in _rows)
        {
            var count = row.Script.Length == 0 ? 0 : row.Script.Split('\n').Length;
            var told = Enumerable.Range(at, count).Select(r => reads.GetValueOrDefault(r, "")).Where(t => t.Length > 0);
            rows.Add(row with { Reads = string.Join(" · ", told) });
            at += count;
        }

        return rows;
    }
}
