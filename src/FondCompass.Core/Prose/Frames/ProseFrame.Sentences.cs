using System.Text.RegularExpressions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Prose.Search;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Frames;

/// <summary>
/// Sentences cut into pieces: clauses with counts before or behind them, counts that are called along, what is said in brackets.
/// </summary>
internal sealed partial class ProseFrame
{
    private void ReadSentences(string text)
    {
        if (StartsWithCounts(text) && CountsReader.TryRead(text, MostCounts, null, out var counts, out var used) == CountsOutcome.Read)
        {
            var rest = text[used..].TrimStart(' ', ':', '.', ')', '-');
            // "2 R fwd tch, L bk tch": the second row of a list, or the second count.
            Tell(
                [.. CountedPieces.Split(rest, MostCounts, counts).SelectMany(p => Behind(p.Counts, p.Wording))],
                counts!.Positions.Count == 1
                && _listed.Contains(_row) ? Behind(null, rest) : null);
            return;
        }

        var sentences = Sentences(text);
        // A length behind several sentences is that of all of them, which their steps have by themselves.
        var told = sentences.Count(s => Clauses(s).Any(c => c.Kind == ClauseKind.Steps));
        foreach (var sentence in sentences)
        {
            ReadSentence(sentence, isLengthOfAll: told > 1 && sentence == sentences[^1] && Behind(null, sentence).Count == 1);
        }
    }

    [GeneratedRegex(@"^([1-9])\s+\p{L}", RegexOptions.CultureInvariant)]
    private static partial Regex RowNumber();

    /// <summary>Counts of a dance that stand before a row of it.</summary>
    private const int MostCounts = 4096;

    private void ReadSentence(string sentence, bool isLengthOfAll)
    {
        // "1-4: …" may begin any sentence of a row.
        if (StartsWithCounts(sentence)
            && CountsReader.TryRead(sentence, MostCounts, null, out var counts, out var used) == CountsOutcome.Read)
        {
            Tell([.. CountedPieces.Split(sentence[used..].TrimStart(' ', ':', '.', ')', '-'), MostCounts, counts)
                .Select(p => new Piece(p.Counts, p.Wording, 0))]);
            return;
        }

        if (ReadLengths(sentence))
        {
            return;
        }

        if (IsBesideTitle(ref sentence) || IsRecap(sentence))
        {
            return;
        }

        if (ProseForms.Find("how many", sentence) is { } many && TellsSteps(many.Groups["steps"].Value))
        {
            // "Heel taps, alternating, 8 (16 counts)".
            sentence = $"{many.Groups["n"].Value} {many.Groups["steps"].Value} {many.Groups["rest"].Value}";
        }

        if (ReadFrameSentence(sentence))
        {
            return;
        }

        if (ProseForms.Find("spoken section", sentence) is { } spoken
            && (Clauses(spoken.Groups["rest"].Value).Any(c => c.Kind is ClauseKind.Steps or ClauseKind.Repeat)))
        {
            BeginSection(0, null, isSoft: !ProseForms.Says("new section", sentence));
            sentence = spoken.Groups["rest"].Value;
        }

        if (IsSetting(sentence) || ProseForms.Says("round", ProseForms.Plain(sentence, _lexicon.Translation))
            || (sentence.EndsWith(':') && Clauses(sentence).Sum(c => c.Deeds) <= 1))
        {
            // A row that only leads to the next; what is added round by round.
            Note(sentence);
            return;
        }

        sentence = ProseForms.Replace("on count", sentence, "${rest}");
        var pieces = Behind(null, sentence);
        pieces = isLengthOfAll ? pieces.ConvertAll(p => p with { Length = 0 }) : pieces;
        Tell(pieces, pieces is [{ Length: 0 }] ? [Chanted(sentence), Trailing(sentence)] : []);
    }

    /// <summary>An event, a part or an order told in a sentence.</summary>
    private bool ReadFrameSentence(string sentence)
    {
        if (IsOfEvent(sentence) && ReadEvents(sentence))
        {
            return true;
        }

        if (ProseForms.Find("spoken part", sentence) is { } said && _called.TryGetValue(said.Groups["name"].Value, out var called)
            && Clauses(said.Groups["rest"].Value).Any(c => c.Kind == ClauseKind.Steps && c.Deeds > 0))
        {
            BeginPart(called, ProseForms.Says("named tag", called), 0);
            ReadRest(said.Groups["rest"].Value);
            return true;
        }

        if (ProseForms.Find("order", sentence) is { } order && order.Groups["calls"].Value.TrimEnd('.', '!') is var calls
            && NamesIn(calls).Count() > 1 && IsOrder(calls))
        {
            WriteOrder(ProseForms.Replace("whole order", calls, "").TrimEnd(' ', ','), sentence);
            return true;
        }

        if (PartOf(sentence) is { } part && part.Groups["rest"].Value.Length > 0)
        {
            BeginPart(part, isTag: false);
            ReadRest(part.Groups["rest"].Value);
            return true;
        }

        return false;
    }

    private void Tell(List<Piece> pieces, params List<Piece>?[] otherwise)
    {
        // "RF fwd, kick L (x2)".
        pieces = pieces.ConvertAll(p => p with { Text = BracketedTimes().Replace(p.Text, " $1") });
        // "Knee lifts x4 (2 counts each)": how long each is, is said of the steps.
        pieces = pieces.ConvertAll(p => p with
        {
            Text = Brackets().Replace(p.Text, m => Clauses(m.Value.Trim(' ', '(', ')')) is [{ IsLength: true }]
            ? $", {m.Value.Trim(' ', '(', ')')}" : m.Value)
        });
        // "DS DS DS RS (triple left)": what stands in brackets may only name the rest.
        var bare = pieces.ConvertAll(p => p.Text.IndexOf('(') > 0 && Brackets().Replace(p.Text, "").Trim() is { Length: > 0 } left
            ? p with { Text = left, Remarks = [.. Brackets().Matches(p.Text).Select(m => m.Value)] } : p);
        // "2 basics (ds rs, ds rs)": or tell how it goes.
        var inside = pieces.ConvertAll(p => Brackets().Match(p.Text) is { Success: true, Index: > 0 } told
            && told.Index + told.Length >= p.Text.TrimEnd('.').Length && Clauses(told.Value.Trim(' ', '(', ')')).Sum(c => c.Deeds) > 1
            ? p with { Text = told.Value.Trim(' ', '(', ')'), Remarks = [p.Text[..told.Index].Trim()] } : p);
        // "Grapevine both ways": one way, then the other.
        var both = pieces.Exists(p => ProseForms.Says("both ways", p.Text))
            ? pieces.SelectMany(p => ProseForms.Replace("both ways", p.Text, "") is var one && one != p.Text && p.Counts is null
                ? [p with { Text = one.Trim(), Length = p.Length / 2 }, new Piece(null, ProseForms.OtherWay, p.Length / 2)] : (Piece[])[p])
                    .ToList()
                : null;
        var sides = Array.TrueForAll(otherwise, o => o is null)
            && pieces is [{ Counts: null } only]
            && ProseForms.Find("each side", only.Text) is { } sided
            && char.ToLowerInvariant(sided.Groups["first"].Value[0]) != char.ToLowerInvariant(sided.Groups["second"].Value[0])
            && Clauses(only.Text[..sided.Index]).Sum(c => c.Deeds) > 1
            ? new List<Piece>
            {
                only with { Text = only.Text[..sided.Index], Length = only.Length / 2 },
                new(null, ProseForms.OtherWay, only.Length / 2)
            }
                : null;
        otherwise = sides is null ? [.. otherwise, LengthOfLast(pieces)] : [sides];
        List<List<Piece>> whole = both is not null
            ? [both, .. otherwise.OfType<List<Piece>>()]
            : [pieces, .. otherwise.OfType<List<Piece>>()];
        List<IReadOnlyList<Piece>> cuts =
        [
            .. whole.Concat(whole.Select(Apart).OfType<List<Piece>>()).Select(o => o.ConvertAll(WithoutRemarks)),
            .. bare.SequenceEqual(pieces) ? Array.Empty<IReadOnlyList<Piece>>() : [bare], .. inside.SequenceEqual(pieces)
            ? Array.Empty<IReadOnlyList<Piece>>() : [inside]];

        _hasPart |= pieces.Exists(p => Clauses(p.Text).Any(c => c.Kind == ClauseKind.Steps && c.Deeds + c.Feet > 1));
        _items.Add(new SentenceItem(_row, _sentence++, cuts));
    }

    [GeneratedRegex(@"\s*[(\[]\s*(x\s?\d{1,2}|\d{1,2}\s?x)\s*[)\]]", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex BracketedTimes();

    [GeneratedRegex(@"\s*\([^()]*\)", RegexOptions.CultureInvariant)]
    private static partial Regex Brackets();

    /// <summary>A sentence that only tells about the dance as a whole: no deed but its first foot and its numbers.</summary>
    private bool IsSetting(string text)
    {
        var bound = _settings.BoundIn(_lines[_row].Text);
        var steps = Clauses(text).Where(c => c.Kind == ClauseKind.Steps).ToList();
        if (bound == 0 || (_hasPart && steps.Sum(s => s.Bound) >= 6))
        {
            return false;
        }

        var plain = ProseForms.Plain(text, _lexicon.Translation);
        var isSetting = (steps.Sum(s => s.Deeds) == 0
            && (steps.Sum(s => s.Bound) <= 4 || ProseForms.Says("start foot", plain) || ProseForms.Says("wait", plain)))
            || (ProseForms.Says("setting word", ProseForms.Plain(text, _lexicon.Translation)) && steps.Sum(s => s.Deeds) <= 1);
        Bound += isSetting ? bound : 0;
        return isSetting;
    }

    /// <summary>Brackets that tell nothing of the steps are taken out and noted.</summary>
    private Piece WithoutRemarks(Piece piece)
    {
        // "DS(xif)": a way right behind its step.
        var text = GluedBracket()
            .Replace(
                piece.Text,
                m => Clauses(m.Groups[1].Value) is [{ Kind: ClauseKind.Steps, Stray: 0 }] ? $" {m.Groups[1].Value}, " : m.Value);
        piece = text == piece.Text ? piece : piece with { Text = text };
        if (text.Length > 1 && text[0] == '(' && text.IndexOf(')') >= text.TrimEnd('.').Length - 1)
        {
            return piece;
        }

        var remarks = new List<string>();
        var kept = new HashSet<string>();
        for (var open = text.IndexOf('('); open >= 0; open = open + 1 < text.Length ? text.IndexOf('(', open + 1) : -1)
        {
            var close = text.IndexOf(')', open);
            if (close < 0)
            {
                break;
            }

            var inside = text[(open + 1)..close];
            // Brackets inside brackets come first.
            if (inside.Contains('(', StringComparison.Ordinal) || inside.Trim().Length == 0 || kept.Contains(inside)
                || ((TellsOfSteps(inside) || (piece.Counts is not null && ProseForms.Says("sized", inside))) && kept.Add(inside)))
            {
                continue;
            }

            remarks.Add(AsWritten($"({inside.Trim()})"));
            text = (text[..open].TrimEnd() + text[(close + 1)..]).Trim();
            open = -1;
        }

        return remarks.Count == 0 && text == piece.Text ? piece : piece with { Text = text, Remarks = remarks };
    }

    [GeneratedRegex(@"(?<=\p{L})\(([\p{L} ]{1,24})\)\s*,?", RegexOptions.CultureInvariant)]
    private static partial Regex GluedBracket();

    private bool TellsOfSteps(string inside)
    {
        var lexemes = WordLookup.Read(Names, Lexer.Read(inside));
        return lexemes.Exists(l => l.Wall is not null && l.Kind == TokenKind.Clock)
            || (lexemes.Exists(l => l.Is(Roles.Onto)) && lexemes.Exists(l => l.Foot.IsSingle()))
            || lexemes is [{ Direction: not Direction.None }]
            || (!lexemes.Exists(l => l.Is(Roles.Body)) && Clauses(inside) is { Count: > 0 } clauses
                && clauses.All(c => c.Kind is ClauseKind.Steps or ClauseKind.Chant && c.Stray == 0)
                && clauses.Where(c => c.Kind == ClauseKind.Steps).ToList() is { Count: > 0 } steps
                    && (steps.Sum(c => c.Deeds + c.Feet) > 0 || steps.Sum(c => c.Bound) > 1));
    }
}
