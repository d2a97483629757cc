using FondCompass.Core.Actions;
using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;
using static FondCompass.Core.Prose.ProsePatterns;

namespace FondCompass.Core.Prose;

/// <summary>What acts on the steps before: the other side, twice, that again, a turn added, a word taken back.</summary>
public sealed partial class ProseReader
{
    /// <summary>"Same thing to the left", "and the same again", "do those two lines twice".</summary>
    private PastedFate Repeat(CountSpec? counts, ProseStretch stretch, bool opensSentence)
    {
        var words = ProseSettings.Plain(stretch.Whole, _names.Translation);
        if (_units.Count == 0 || FromTheTop.IsMatch(words) && !OtherOrSame.IsMatch(words))
        {
            Note(stretch.Whole);
            return PastedFate.Aside;
        }

        var last = _units[^1];
        var span = counts is null ? 0 : OfLine(counts).Span;
        List<Unit> source;
        if (span > 0)
        {
            source = Before(span);
        }
        else if (ThoseLines.Match(words) is { Success: true } lines)
        {
            var number = lines.Groups[1].Success ? int.Parse(lines.Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture) : 2;
            var rows = _units.Select(u => u.Row).Distinct().TakeLast(number).ToHashSet();
            source = _units.Where(u => rows.Contains(u.Row)).ToList();
        }
        else if (AllOfIt.IsMatch(words))
        {
            source = _units.Where(u => u.Section == last.Section && (u.Row == last.Row || u.Section == _sectionStart)).ToList();
        }
        else if (opensSentence)
        {
            source = SameSentence(last);
        }
        else
        {
            if (_at is 0 || _at >= LineCounts)
            {
                // The eight is full: it only says that what was told fills it.
                Note(stretch.Whole);
                return PastedFate.Partly;
            }

            source = SameSentence(last);
        }

        if (source.Count == 0)
        {
            Note(stretch.Whole);
            return PastedFate.Aside;
        }

        var mirrored = Mirrors(words, source);
        var said = Lexis.Read(_names, Lexer.Read(words)).Select(l => l.Times).DefaultIfEmpty(0).Max();
        for (var time = 0; time < Math.Max(1, said - 1); time++)
        {
            foreach (var unit in source)
            {
                if (IsFull())
                {
                    // Each "again" takes what stands before it, those before it among that.
                    Note(stretch.Whole);
                    return PastedFate.Partly;
                }

                LayAgain(unit, mirrored, counts is null || source.Count > 1 ? null : OfLine(counts));
            }
        }

        _boundWords += 3;
        return PastedFate.Understood;
    }

    /// <summary>Units before that make up so many counts.</summary>
    private List<Unit> Before(int counts)
    {
        var source = new List<Unit>();
        for (var i = _units.Count - 1; i >= 0 && counts > 0; i--)
        {
            source.Insert(0, _units[i]);
            counts -= _units[i].Counts;
        }

        return counts == 0 ? source : [];
    }

    private List<Unit> SameSentence(Unit last) =>
        [.. Enumerable.Reverse(_units).TakeWhile(u => u.Row == last.Row || ReferenceEquals(u, last)).Take(_units.Exists(u => u.Row == _row) ? _units.Count(u => u.Row == _row) : 8).Reverse()];

    private bool Mirrors(string words, List<Unit> source)
    {
        if (OtherWay.IsMatch(words))
        {
            return true;
        }

        if (SameFoot.IsMatch(words))
        {
            return false;
        }

        var side = SideWord.Match(words);
        if (!side.Success)
        {
            return false;
        }

        // The side said is the one they did not go to before.
        var readings = RowReader.Read(Names, source[0].Text).Candidates.FirstOrDefault(c => c.IsRead);
        var lead = readings?.Phrases.Select(p => p.Foot).FirstOrDefault(f => f.IsSingle()) ?? Foot.None;
        lead = lead == Foot.None ? source[0].Before.Weight.FreeFoot() : lead;
        return lead.IsSingle() && lead == Foot.Right != side.Value.Equals("right", StringComparison.OrdinalIgnoreCase);
    }

    private void LayAgain(Unit unit, bool mirrored, CountSpec? counts)
    {
        var text = unit.Text;
        if (mirrored)
        {
            text = string.Join(", ", RowReader.Read(Names, text).Candidates.First(c => c.IsRead) is var wording
                ? MirrorImage.Of(wording, Facing.Front).Items.Select(item => string.Join(" and ", item.Together.Select(PhraseText.Write)))
                : []);
        }

        _at = _at >= LineCounts ? 0 : _at;
        var start = counts is null ? _at : Math.Max(0, counts.First.Number - 1);
        var spec = counts ?? CountSpec.Over(start + 1, start + unit.Counts);
        if (Fit(text, spec, start) is not { } fit)
        {
            return;
        }

        var before = _feet;
        var rows = Rows(fit, text, start, counts);
        _script.AddRange(rows);
        _feet = fit.Row.After;
        _units.Add(unit with { Row = _row, Text = text, Start = start, Before = before, After = _feet, Rows = rows });
        _at = start + unit.Counts > LineCounts ? (start + unit.Counts) % LineCounts is 0 ? LineCounts : (start + unit.Counts) % LineCounts : start + unit.Counts;
    }

    /// <summary>Steps told behind "the other side" that take its counts tell it once more.</summary>
    private bool TellsTheRepeat(ProseStretch stretch, int counts)
    {
        foreach (var wanted in new int?[] { null, counts })
        {
            if (Fit(stretch.Text, wanted is { } w ? CountSpec.Over(1, Math.Min(w, LineCounts)) : null, 0) is { Cost: < 12 } fit && fit.Counts == Math.Min(counts, LineCounts) && stretch.Deeds + stretch.Bound > 2)
            {
                _script.Add($"# {AsWritten(stretch.Whole)}");
                if (fit.Row.Wording?.Phrases.Any(p => p.Turn is not null) != true || !Modifies(stretch))
                {
                    _boundWords += stretch.Bound;
                }

                return true;
            }
        }

        return false;
    }

    /// <summary>"… and as you step it in turn a quarter right": a turn laid on the last step of what was repeated.</summary>
    private bool Modifies(ProseStretch stretch)
    {
        var readings = RowReader.Read(Names, stretch.Text).Candidates.FirstOrDefault(c => c.IsRead);
        if (readings is null || readings.Phrases.Select(p => p.Turn).FirstOrDefault(t => t is not null) is not { } turn || _units.Count == 0)
        {
            return false;
        }

        var rows = _units[^1].Rows;
        var at = rows.Count > 0 ? _script.LastIndexOf(rows[^1]) : -1;
        if (at < 0)
        {
            return false;
        }

        _script[at] += ", " + PhraseText.Write(new Phrase { Verb = Verbs.Turn, Name = Verbs.Turn.Name, Turn = turn with { First = false, Spread = false } });
        _units[^1] = _units[^1] with { Rows = [.. rows.SkipLast(1), _script[at]] };
        _boundWords += stretch.Bound;
        return true;
    }

    /// <summary>"Four walks, no sorry, three walks": what was said before is taken back.</summary>
    private void TakeBack()
    {
        var unit = _units[^1];
        _units.RemoveAt(_units.Count - 1);
        foreach (var row in unit.Rows)
        {
            var at = _script.LastIndexOf(row);
            if (at >= 0)
            {
                _script.RemoveAt(at);
            }
        }

        (_at, _feet) = (unit.Start, unit.Before);
    }
}
