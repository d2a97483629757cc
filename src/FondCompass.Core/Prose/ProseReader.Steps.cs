using System.Text.RegularExpressions;
using FondCompass.Core.Actions;
using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose;

/// <summary>Sentences: steps are laid on counts, what stands before is repeated, the rest is noted at its place.</summary>
public sealed partial class ProseReader
{
    private PastedFate ReadSentences(string text)
    {
        var fate = PastedFate.Aside;
        foreach (var piece in Pieces(text))
        {
            var became = ReadPiece(piece.Counts, piece.Text, piece.Length);
            fate = Better(fate, became);
        }

        return fate;
    }

    private static PastedFate Better(PastedFate a, PastedFate b) => (a, b) switch
    {
        (PastedFate.Aside, _) => b,
        (_, PastedFate.Aside) => a == PastedFate.Understood ? PastedFate.Partly : a,
        _ => a > b ? a : b,
    };

    private sealed record Piece(CountSpec? Counts, string Text, int Length);

    /// <summary>Sentences, counted clauses, and pieces whose counts stand behind them in brackets.</summary>
    private List<Piece> Pieces(string text)
    {
        var pieces = new List<Piece>();
        if (CountsReader.TryRead(text, 4096, null, out var counts, out var used) == CountsOutcome.Read && StartsWithCounts(text))
        {
            foreach (var (own, _, words, _) in CountedPieces.Split(text[used..].TrimStart(' ', ':', '.', ')', '-'), 4096, counts))
            {
                pieces.AddRange(Behind(own, words));
            }

            return pieces;
        }

        var sentences = Sentences(text);
        foreach (var sentence in sentences)
        {
            // "1-4: …" may begin any sentence of a row.
            if (StartsWithCounts(sentence) && CountsReader.TryRead(sentence, 4096, null, out counts, out used) == CountsOutcome.Read)
            {
                pieces.AddRange(CountedPieces.Split(sentence[used..].TrimStart(' ', ':', '.', ')', '-'), 4096, counts).Select(p => new Piece(p.Counts, p.Wording, 0)));
            }
            else
            {
                // A length behind several sentences is that of all of them, which their steps have by themselves.
                pieces.AddRange(Behind(null, sentence).Select(p => sentences.Count > 1 && p.Length > 0 && sentence == sentences[^1] && Sentences(text).Count(s => ProseClauses.Read(s, Names).Any(x => x.Kind == StretchKind.Steps)) > 1 ? p with { Length = 0 } : p));
            }
        }

        return pieces;
    }

    /// <summary>"step R (1), touch L (2)", "cross shuffle (7&amp;8)", "three steps in (8)".</summary>
    private List<Piece> Behind(CountSpec? counts, string text)
    {
        var marks = counts is null ? CountsBehind.Matches(text) : null;
        if (marks is not { Count: > 0 })
        {
            return [Said(counts, text)];
        }

        var pieces = new List<Piece>();
        var at = 0;
        foreach (Match mark in marks)
        {
            var words = text[at..mark.Index].Trim(' ', ',', ';', '.');
            at = mark.Index + mark.Length;
            if (words.Length == 0)
            {
                continue;
            }

            var single = int.TryParse(mark.Groups[1].Value, out var number);
            if (single && (marks.Count == 1 || number > 2 && IsLength(marks)))
            {
                pieces.Add(new Piece(null, words, number));
            }
            else if (CountsReader.TryRead(mark.Groups[1].Value, LineCounts, null, out var behind, out _) == CountsOutcome.Read)
            {
                pieces.Add(new Piece(behind, words, 0));
            }
            else
            {
                pieces.Add(new Piece(null, words, 0));
            }
        }

        if (text[at..].Trim(' ', ',', ';', '.') is { Length: > 0 } rest)
        {
            pieces.Add(Said(null, rest));
        }

        return pieces;
    }

    /// <summary>Numbers in brackets are lengths where they do not count on.</summary>
    private static bool IsLength(MatchCollection marks)
    {
        var numbers = marks.Select(m => int.TryParse(m.Groups[1].Value, out var n) ? n : 0).ToList();
        return numbers.Zip(numbers.Skip(1)).Any(p => p.Second <= p.First && p.Second > 0);
    }

    private static Piece Said(CountSpec? counts, string text)
    {
        if (counts is null && !text.Contains("that's", StringComparison.OrdinalIgnoreCase) && LengthBehind.Match(text) is { Success: true } said && said.Groups.Values.Skip(1).First(g => g.Success) is var number)
        {
            var length = int.TryParse(number.Value, out var digits) ? digits : Vocabulary.Find(number.Value.ToLowerInvariant())?.Number ?? 0;
            if (length is >= 2 and <= 64 && text[..said.Index].Trim().Length > 3)
            {
                return new Piece(null, text[..said.Index].Trim(), length);
            }
        }

        return new Piece(counts, text, 0);
    }

    private static List<string> Sentences(string text)
    {
        var sentences = new List<string>();
        var start = 0;
        var depth = 0;
        for (var i = 0; i < text.Length; i++)
        {
            depth += text[i] is '(' or '[' ? 1 : text[i] is ')' or ']' ? -1 : 0;
            var stops = text[i] is '.' or '!' or '?' or '。' && (i + 1 >= text.Length || char.IsWhiteSpace(text[i + 1])) && depth <= 0;
            if (stops && text[i] == '.' && i + 2 < text.Length && char.IsLower(text[i + 2]) && i - start < 12 && !text[start..i].Contains(' '))
            {
                stops = false;
            }

            if (stops)
            {
                Add(start, i + 1);
                start = i + 1;
            }
        }

        Add(start, text.Length);
        return sentences;

        void Add(int from, int to)
        {
            if (text[from..to].Trim() is { Length: > 0 } sentence)
            {
                sentences.Add(sentence);
            }
        }
    }

    private PastedFate ReadPiece(CountSpec? counts, string text, int length)
    {
        if (Round.IsMatch(text) && counts is null)
        {
            // What is added round by round is told, not danced in this one.
            Note(text);
            return PastedFate.Aside;
        }

        if (counts is null && text.EndsWith(':') && ProseClauses.Read(text, Names).Sum(s => s.Deeds) <= 1)
        {
            // A row that only leads to the next.
            Note(text);
            return PastedFate.Aside;
        }

        text = WithoutRemarks(text, out var remarks);
        var fate = ReadWords(counts, text, length);
        foreach (var remark in remarks)
        {
            Note(remark);
        }

        return fate;
    }

    /// <summary>Brackets that tell nothing of the steps are taken out and noted.</summary>
    private string WithoutRemarks(string text, out List<string> remarks)
    {
        remarks = [];
        if (text.Length > 1 && text[0] == '(' && text.IndexOf(')') >= text.TrimEnd('.').Length - 1)
        {
            return text;
        }

        for (var open = text.IndexOf('('); open >= 0; open = open + 1 < text.Length ? text.IndexOf('(', open + 1) : -1)
        {
            var close = text.IndexOf(')', open);
            if (close < 0)
            {
                break;
            }

            var inside = text[(open + 1)..close];
            var lexemes = Lexis.Read(Names, Lexer.Read(inside));
            var tells = lexemes.Exists(l => l.Wall is not null && l.Kind == TokenKind.Clock) || (lexemes.Exists(l => l.Text is "weight" or "wt") && lexemes.Exists(l => l.Foot.IsSingle()))
                || ProseClauses.Read(inside, Names) is [{ Kind: StretchKind.Steps, Stray: 0 } steps] && !lexemes.Exists(l => l.Is(Roles.Body)) && (steps.Deeds > 0 || steps.Feet > 0 || steps.Bound > 1);
            if (!tells && inside.Trim().Length > 0)
            {
                remarks.Add(text[open..(close + 1)]);
                text = (text[..open].TrimEnd() + text[(close + 1)..]).Trim();
                open = Math.Max(-1, open - 2);
            }
        }

        return text;
    }

    private PastedFate ReadWords(CountSpec? counts, string text, int length)
    {
        if (counts is null && length == 0 && Chanted(text) is { } chanted)
        {
            var fates = PastedFate.Aside;
            foreach (var piece in chanted)
            {
                fates = Better(fates, ReadWords(piece.Counts, piece.Text, 0));
            }

            return fates;
        }

        text = AsYouTurn.Replace(OnCount.Replace(text, "$2"), ", turn $1");
        var part = ProseHeadings.PartOf(text);
        if (part is { Part: not null } && counts is null && part.Rest.Length > 0)
        {
            return ReadPart(part, text);
        }

        if (OrderRow.IsMatch(text) && ReadOrder(text))
        {
            return PastedFate.Frame;
        }

        if (counts is null && ProseHeadings.SpokenSection(text) is { } spoken && !IsTalkOnly(spoken.Rest))
        {
            if (_at >= LineCounts || _at == 0 || _units.Count == 0 || Regex.IsMatch(text, @"^\W*(?:okay |so |and |then |the )*(?:first|second|third|fourth|fifth|sixth|last|next|final) (?:eight|section|part)", Safe))
            {
                BeginSection(0);
            }

            text = spoken.Rest;
        }

        if (counts is null && Detail.Match(text) is { Success: true, Index: > 0 } detail && ProseClauses.Read(text[(detail.Index + detail.Length)..], Names) is [{ Kind: StretchKind.Steps, Deeds: var told, Feet: var feet }, ..] && told + feet > 2
            && ProseClauses.Read(text[..detail.Index], Names).Any(s => s.Kind == StretchKind.Steps))
        {
            // "Two toe struts, so right toe, drop the heel, …": what is told in full is what is danced.
            Note(text[..detail.Index]);
            text = text[(detail.Index + detail.Length)..];
        }

        var settings = _settings.BoundIn(_lines[_row].Text);
        var stretches = ProseClauses.Read(text, Names, counts is not null || length > 0);
        if (settings > 0 && counts is null && (_part is null || stretches.Sum(s => s.Kind == StretchKind.Steps ? s.Bound : 0) < 6) && IsSetting(text, stretches))
        {
            _boundWords += settings;
            Note(text);
            return PastedFate.Frame;
        }

        var steps = stretches.Where(s => s.Kind == StretchKind.Steps).ToList();
        var bound = steps.Sum(s => s.Bound);
        var talk = stretches.Where(s => s.Kind == StretchKind.Talk).Sum(s => s.Whole.Split(' ').Length);
        var repeats = stretches.Any(s => s.Kind == StretchKind.Repeat) && _units.Count > 0;
        if (!repeats && (steps.Count == 0 || (counts is null && length == 0 && ((bound < 2 && !(talk == 0 && steps.Count == 1 && steps[0].Stray == 0 && RowReader.Read(Names, steps[0].Text).First is { Items: [{ Main.IsNamed: true }] })) || (talk > 3 * bound && bound < 4)))))
        {
            // Talk that speaks of feet and steps was not understood; other talk is none of the steps.
            _lostWords += counts is not null ? text.Split(' ').Length : 0;
            if (counts is not null && stretches.All(s => s.Kind == StretchKind.Talk))
            {
                Park(counts, text);
                return PastedFate.Aside;
            }

            Note(text);
            return PastedFate.Aside;
        }

        EnsurePart();
        var fate = PastedFate.Understood;
        var first = true;
        var repeated = 0;
        foreach (var stretch in stretches)
        {
            if (stretch.Kind == StretchKind.Steps && repeated > 0 && (TellsTheRepeat(stretch, repeated) || ((stretch.Deeds <= 1 || stretch.Text.Contains(" on the ", StringComparison.OrdinalIgnoreCase)) && Modifies(stretch))))
            {
                repeated = 0;
                continue;
            }

            switch (stretch.Kind)
            {
                case StretchKind.Steps:
                    fate = Worse(fate, Lay(first ? counts : null, stretch, steps.Count == 1 && !repeats ? length : 0));
                    first = false;
                    break;
                case StretchKind.Repeat:
                    var before = _units.Count;
                    fate = Worse(fate, Repeat(first ? counts : null, stretch, first));
                    repeated = _units.Skip(before).Sum(u => u.Counts);
                    first = false;
                    break;
                case StretchKind.Talk when Correction.IsMatch(string.Join(' ', Lexer.Read(stretch.Whole).Where(t => t.Kind == TokenKind.Word).Select(t => t.Text))) && _units.Count > 0 && _units[^1].Row == _row:
                    TakeBack();
                    Note(stretch.Whole);
                    break;
                case StretchKind.Talk:
                    Note(stretch.Whole);
                    fate = Worse(fate, PastedFate.Partly);
                    break;
                default:
                    break;
            }
        }

        return fate;
    }

    private static PastedFate Worse(PastedFate a, PastedFate b) => a > b ? a : b;

    private bool IsTalkOnly(string text) => ProseClauses.Read(text, Names).All(s => s.Kind is StretchKind.Talk or StretchKind.Chant);

    /// <summary>A sentence that only tells about the dance as a whole: no deed but its first foot and its numbers.</summary>
    private static bool IsSetting(string text, IReadOnlyList<ProseStretch> stretches) =>
        stretches.Where(s => s.Kind == StretchKind.Steps).Sum(s => s.Deeds) == 0 && stretches.Where(s => s.Kind == StretchKind.Steps).Sum(s => s.Bound) <= 4 || Regex.IsMatch(text, @"\b(?:wait|intro|walls?|weight|counts)\b", Safe) && stretches.Where(s => s.Kind == StretchKind.Steps).Sum(s => s.Deeds) <= 1;

    private void Park(CountSpec counts, string text)
    {
        EnsurePart();
        var label = CountText.Write(OfLine(counts), LineCounts);
        _script.Add($"? {label} {Plainly(text)}");
        _at = Math.Max(_at, OfLine(counts).Last.Number);
        _feet = _feet.On(Weight.Unknown);
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

    /// <summary>
    /// "step right and flick left behind, one two, step left and flick right behind, three four": the counts are called behind the steps.
    /// Null unless a row is told so all through.
    /// </summary>
    private List<Piece>? Chanted(string text)
    {
        var clauses = OnAnd.Replace(text, ", $1").Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        var pieces = new List<Piece>();
        var words = new List<string>();
        var called = 0;
        var last = 0;
        foreach (var clause in clauses)
        {
            if (Lexer.Read(clause).TrueForAll(t => t.Text is "and" || Vocabulary.Find(t.Text) is { Number: > 0 }) && clause.Contains(" and ", StringComparison.OrdinalIgnoreCase))
            {
                // "One and two": a rhythm that is sung along.
                continue;
            }

            var match = Called.Match(clause);
            var numbers = match.Success ? Lexer.Read(match.Groups[2].Value).Select(t => Vocabulary.Find(t.Text)?.Number ?? 0).Where(n => n > 0).ToList() : [];
            var isLength = numbers.Count == 1 && clause.Contains("for " + match.Groups[2].Value.Trim(), StringComparison.OrdinalIgnoreCase);
            if (isLength && last + numbers[0] <= LineCounts)
            {
                // "For four": so many more.
            }
            else if (numbers.Count == 0 || numbers[0] <= last || numbers[0] > last + 4 || numbers.Zip(numbers.Skip(1)).Any(p => p.Second != p.First + 1))
            {
                words.Add(clause);
                continue;
            }

            if (match.Groups[1].Value.Trim() is { Length: > 0 } own)
            {
                words.Add(own);
            }

            var steps = words.Where(w => ProseClauses.Read(w, Names, counted: true).Any(s => s.Kind == StretchKind.Steps)).ToList();
            foreach (var talk in words.Except(steps))
            {
                pieces.Add(new Piece(null, talk, -1));
            }

            var until = isLength ? last + numbers[0] : numbers[^1];
            var from = isLength || numbers.Count == 1 ? last + 1 : numbers[0];
            // What is called but cannot be danced holds its counts.
            pieces.Add(new Piece(CountSpec.Over(from, until), steps.Count > 0 ? string.Join(", ", steps) : "hold", 0));
            called++;
            words.Clear();
            last = until;
        }

        if (called < 2)
        {
            return null;
        }

        if (words.Count > 0)
        {
            pieces.Add(new Piece(null, string.Join(", ", words), -1));
        }

        return pieces;
    }

    private static readonly Regex OnAnd = new(@"\s+and\s+(hold |\w+ (?:beside|on) )", Safe);

    private static readonly Regex Called = new(@"^(.*?)(?:\b(?:on|for|that's|thats|that is|is)\s+)?((?:\b(?:one|two|three|four|five|six|seven|eight)\b\s*)+)$", Safe);

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
        var complaints = 0;
        var doubts = 0;
        var entry = new StepEntry(1, counts, text, 0, []);
        var bound = _binder.With(Names).Bind(entry, counts?.First ?? new Beat(start + 1, Fraction.Whole), 1, _feet, null, Count, suggests: false);
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

    /// <summary>"Same thing to the left", "and the same again", "do those two lines twice".</summary>
    private PastedFate Repeat(CountSpec? counts, ProseStretch stretch, bool opensSentence)
    {
        var words = ProseSettings.Plain(stretch.Whole, _names.Translation);
        if (_units.Count == 0 || Regex.IsMatch(words, @"\b(?:top|begin|begins|start|starts|beginning|wall|music|dance|loop|enjoy|day)\b", Safe) && !Regex.IsMatch(words, @"\bother|same\b", Safe))
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
        else if (Regex.Match(words, @"\b(?:those|these|the last|both) ?(\d)? ?(?:lines|rows|eights|parts|bits)\b", Safe) is { Success: true } lines)
        {
            var number = lines.Groups[1].Success ? int.Parse(lines.Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture) : 2;
            var rows = _units.Select(u => u.Row).Distinct().TakeLast(number).ToHashSet();
            source = _units.Where(u => rows.Contains(u.Row)).ToList();
        }
        else if (Regex.IsMatch(words, @"\b(?:all of|all that|the whole|everything|whole lot)\b", Safe))
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
        if (Regex.IsMatch(words, @"\bother|opposite|mirror", Safe))
        {
            return true;
        }

        if (Regex.IsMatch(words, @"\bsame foot\b", Safe))
        {
            return false;
        }

        var side = Regex.Match(words, @"\b(left|right)\b", Safe);
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
}
