using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Text;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Notation;

/// <summary>Parts, their rows of steps, and what calls them.</summary>
public sealed partial class ScriptReader
{
    private void AddLayersBehind(int row, string text, TextSpan at)
    {
        if (PlusAt(at.In(text)) is var plus && plus < at.Length)
        {
            AddLayers(row, text, new TextSpan(at.Start + plus + 1, at.Length - plus - 1));
        }
    }

    /// <summary>Under the name of a line or a part a layer lies on all of it, else on the row above.</summary>
    private void AddLayers(int row, string text, TextSpan at)
    {
        var entries = Entries(row);
        entries.Add(new LayerEntry(row, RowParts.Read(text, at, _header.LineCounts, null).LayerTexts, HeadingAbove() ?? LayerSpan.Row));
    }

    /// <summary>
    /// Whether the row stands directly under the name of a part or a line, other such rows between; null where steps stand above.
    /// </summary>
    private LayerSpan? HeadingAbove() => _parts.Count == 0 ? null : _parts[^1].Entries is not [.., var last] ? LayerSpan.Part : last switch
    {
        LineEntry => LayerSpan.Line,
        LayerEntry { Lies: not LayerSpan.Row } layer => layer.Lies,
        CountingEntry counting => counting.Lies,
        _ => null,
    };

    private void StartPart(int row, string name, bool isTag)
    {
        CheckTimes(row, name.TrimEnd(':').Trim());
        var read = RowOpeners.PartName(name.TrimEnd(':').Trim(), of => _partNames.Contains(of));
        if (!_partNames.Add(read.Name))
        {
            _findings.Add(NotationFindings.SamePart.At(
                row,
                NotationTexts.PartNamedTwice(read.Name)));
        }

        _parts.Add((new DancePart(read.Name, isTag, row, [], read.Times, read.Mirrored, read.VariantOf, read.Label), []));
        (_lastBeat, _lastCounts, _ending, _endingLast) = (null, null, null, null);
    }

    private List<PartEntry> Entries(int row)
    {
        if (_parts.Count == 0)
        {
            _findings.Add(NotationFindings.StepsBeforePart.At(row, NotationTexts.ReadAsPartA));
            _partNames.Add("A");
            _parts.Add((new DancePart("A", false, row, []), []));
        }

        return _parts[^1].Entries;
    }

    /// <param name="at">The columns of counts and steps.</param>
    private void ReadSteps(int row, string text, TextSpan at)
    {
        var read = RowParts.Read(text, at, _header.LineCounts, _lastBeat);
        if (read.Outcome == CountsOutcome.Impossible)
        {
            _findings.Add(NotationFindings.ImpossibleCounts.At(
                row,
                NotationTexts.CannotBeCounted(read.CountsAt.In(text).Trim(), Beat.Largest),
                part: _parts.Count > 0 ? _parts[^1].Part.Name : null));
            Entries(row).Add(new UnreadableEntry(row, at.In(text)));
            return;
        }

        if (read.Counts is { } counts)
        {
            EndEnding(counts);
            (_lastBeat, _lastCounts) = (counts.Last, counts);
        }

        if (read.Words.Length == 0)
        {
            _findings.Add(NotationFindings.Unreadable.At(row, NotationTexts.CountsWithoutStep));
            Entries(row).Add(new UnreadableEntry(row, at.In(text)));
            return;
        }

        if (read.Steps is [{ Counts: { } free } only]
            && RowText.FirstWord(only.Wording) is var (first, rest)
            && first.TrimEnd(',') == "free"
            && FactReader.TryRead(rest, out var weight, out var facing))
        {
            Entries(row).Add(new FreeEntry(row, free, weight, facing));
            return;
        }

        // Layers alone lie on counts in which the feet rest.
        IReadOnlyList<CountedPiece> steps = read.Steps.Count > 0
            ? read.Steps
            : [new CountedPiece(read.Counts, default, "hold", read.Words with { Length = 0 })];
        for (var i = 0; i < steps.Count; i++)
        {
            Entries(row).Add(new StepEntry(
                row,
                steps[i].Counts,
                steps[i].Wording,
                steps[i].Span.Start,
                i == steps.Count - 1 ? read.LayerTexts : []));
            if (steps[i].Counts is { } own)
            {
                (_lastBeat, _lastCounts) = (own.Last, own);
            }
        }
    }

    /// <summary>An ending holds for its row and the rows whose counts go on from it.</summary>
    private void EndEnding(CountSpec counts)
    {
        if (_ending is null)
        {
            return;
        }

        if (_endingLast is { } last && counts.First <= last)
        {
            Entries(0).Add(new EndingEntry(0, null));
            (_ending, _endingLast) = (null, null);
            return;
        }

        _endingLast = counts.Last;
    }

    private void ReadCheck(int row, string rest)
    {
        if (_parts.Count > 0 && FactReader.TryRead(rest, out var weight, out var facing) && (weight is not null || facing is not null))
        {
            Entries(row).Add(new CheckEntry(row, weight, facing));
            return;
        }

        _findings.Add(NotationFindings.BadFact.At(
            row, NotationTexts.CheckCannotBeRead(rest)));
    }

    private void ReadDefinition(int row, string rest)
    {
        var equals = rest.IndexOf('=');
        var name = rest[..equals].Trim().ToLowerInvariant();
        var meaning = rest[(equals + 1)..].Trim();
        if (name.Length == 0 || meaning.Length == 0)
        {
            _findings.Add(NotationFindings.BadDefinition.At(
                row,
                NotationTexts.WriteDefinition));
            return;
        }

        if (!_definedNames.Add(name))
        {
            _findings.Add(NotationFindings.SameDefinition.At(row, NotationTexts.DefinedTwice(name)));
            return;
        }

        _definitions.Add(new StepDefinition(name, meaning, row));
    }

    private void ReadCall(CallReader reader, int row, string text)
    {
        var (word, rest) = RowText.FirstWord(text);
        switch (word)
        {
            case "order":
                var order = reader.ReadOrder(row, rest);
                _order.AddRange(order.Calls);
                _orderLoops |= order.Loops;
                _orderFree |= order.IsFree;
                break;
            case "after" when reader.ReadTag(row, rest) is { } tag:
                _tags.Add(tag);
                break;
            case "restart" when reader.ReadRestart(row, rest) is { } restart:
                if (_restarts.Find(r => r.Repeat == restart.Repeat) is { } first && first.AfterCount != restart.AfterCount)
                {
                    _findings.Add(NotationFindings.BadException.At(
                        row,
                        NotationTexts.RestartSaidTwice(first.Repeat, first.AfterCount, first.Row)));
                }

                _restarts.Add(restart);
                break;
            case "order" or "after" or "restart":
                break;
            default:
                var meeting = RowOpeners.Meeting(row, text)!;
                if (reader.Knows(row, text, meeting.Part))
                {
                    _meetings.Add(meeting);
                }

                break;
        }
    }
}
