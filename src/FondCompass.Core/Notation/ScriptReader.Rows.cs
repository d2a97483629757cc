using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Text;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Notation;

/// <summary>The rows inside a part that are no plain steps: endings, variants, notes, what is put aside.</summary>
public sealed partial class ScriptReader
{
    private void ReadEnding(int row, int? time, string text, TextSpan at)
    {
        Entries(row).Add(new EndingEntry(row, time));
        (_ending, _endingLast) = (time, null);
        if (at.Length > 0)
        {
            ReadSteps(row, text, at);
        }
    }

    private void ReadVariant(int row, VariantLabel label, string text, TextSpan at)
    {
        var read = RowParts.Read(text, at, _header.LineCounts, _lastBeat);
        var counts = read.Counts ?? (read.Outcome == CountsOutcome.None ? _lastCounts : null);
        if (counts is null || read.Words.Length == 0)
        {
            _findings.Add(NotationFindings.BadVariant.At(
                row,
                NotationTexts.VariantWithoutCounts(label.ToString())));
            return;
        }

        IReadOnlyList<CountedPiece> steps = read.Steps.Count > 0
            ? read.Steps
            : [new CountedPiece(counts, default, "", read.Words with { Length = 0 })];
        for (var i = 0; i < steps.Count; i++)
        {
            Entries(row).Add(new VariantEntry(
                row,
                label,
                new StepEntry(
                    row,
                    steps[i].Counts ?? counts,
                    steps[i].Wording,
                    steps[i].Span.Start,
                    i == steps.Count - 1 ? read.LayerTexts : [])));
        }
    }

    private void ReadNote(int row, string kind, string text, TextSpan at)
    {
        if (_parts.Count == 0)
        {
            return;
        }

        var (counts, countsAt) = RowParts.NoteCounts(kind, text, at, _header.LineCounts);
        Entries(row).Add(new NoteEntry(row, kind, counts, TextSpan.Trimmed(text, Math.Max(at.Start, countsAt.End), at.End).In(text)));
    }

    /// <summary>A row put aside with a question mark: it fills its counts, and waits to be understood.</summary>
    private void Park(int row, string text, TextSpan at)
    {
        var read = RowParts.Read(text, at, _header.LineCounts, _lastBeat);
        if (read.Counts is { } counts)
        {
            (_lastBeat, _lastCounts) = (counts.Last, counts);
        }

        Entries(row).Add(new UnreadableEntry(row, read.Words.In(text), read.Counts, Parked: true));
    }
}
