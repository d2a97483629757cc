namespace FondCompass.Core.Notation;

/// <summary>The rows inside a part that are no plain steps: layers, repeats, endings, variants, notes.</summary>
public sealed partial class ScriptReader
{
    /// <summary>Rows that only mean something inside a part; false when the row is none of them.</summary>
    private bool ReadSpecial(int row, string word, string rest, string text, string raw)
    {
        if (text[0] == '+')
        {
            Entries(row).Add(new LayerEntry(row, RowText.SplitLayers(text, _header.LineCounts).Layers));
        }
        else if (text[0] == '?')
        {
            Park(row, text[1..].Trim());
        }
        else if (word == "line" && !int.TryParse(rest, out _))
        {
            Entries(row).Add(RowKinds.Line(row, rest));
            _lastBeat = null;
        }
        else if (word is "again" or "other" && RowKinds.Again(row, text) is { } again)
        {
            Entries(row).Add(again);
            _lastBeat = null;
        }
        else if (text.Contains(" time", StringComparison.OrdinalIgnoreCase) && RowKinds.Ending(text) is { Is: true } ending)
        {
            ReadEnding(row, ending.Time, ending.Steps, raw);
        }
        else if (word is "easier" or "showier" or "no" or "no-turn" or "low" or "low-impact" or "small" or "small-room" or "version"
            && RowKinds.Variant(text) is { Label: { } label } variant)
        {
            ReadVariant(row, label, variant.Steps, raw);
        }
        else
        {
            return false;
        }

        return true;
    }

    private void ReadEnding(int row, int? time, string rest, string raw)
    {
        Entries(row).Add(new EndingEntry(row, time));
        (_ending, _endingLast) = (time, null);
        if (rest.Length > 0)
        {
            ReadSteps(row, rest, raw);
        }
    }

    private void ReadVariant(int row, VariantLabel label, string rest, string raw)
    {
        var outcome = CountsReader.TryRead(rest, _header.LineCounts, _lastBeat, out var counts, out var length);
        var wording = outcome == CountsOutcome.Read ? rest[length..].Trim() : rest;
        counts ??= outcome == CountsOutcome.None ? _lastCounts : null;
        if (counts is null || wording.Length == 0)
        {
            _findings.Add(NotationFindings.BadVariant.At(row, $"'{label}' must say for which counts and what is danced instead: '{label} 5-8 vine R'."));
            return;
        }

        var (steps, layers) = RowText.SplitLayers(wording, _header.LineCounts);
        Entries(row).Add(new VariantEntry(row, label, new StepEntry(row, counts, steps, Math.Max(0, raw.IndexOf(wording, StringComparison.Ordinal)), layers)));
    }

    private void ReadNote(int row, string kind, string rest)
    {
        if (_parts.Count == 0)
        {
            return;
        }

        CountSpec? counts = null;
        // "note 3 walls" begins with a number that is no count; ranges and "note 5: …" are counts.
        if (CountsReader.TryRead(rest, _header.LineCounts, null, out var read, out var length) == CountsOutcome.Read
            && (kind != "note" || read!.Positions.Count > 1 || rest[length - 1] == ':'))
        {
            counts = read;
            rest = rest[length..].Trim();
        }

        Entries(row).Add(new NoteEntry(row, kind, counts, rest));
    }

    /// <summary>A row put aside with a question mark: it fills its counts, and waits to be understood.</summary>
    private void Park(int row, string text)
    {
        CountsReader.TryRead(text, _header.LineCounts, _lastBeat, out var counts, out var length);
        if (counts is not null)
        {
            (_lastBeat, _lastCounts) = (counts.Last, counts);
        }

        Entries(row).Add(new UnreadableEntry(row, text[length..].Trim(), counts, Parked: true));
    }
}
