using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;
using static FondCompass.Core.Prose.ProsePatterns;

namespace FondCompass.Core.Prose;

/// <summary>Sentences: which of their clauses are steps, what repeats, what is talk and noted at its place.</summary>
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

    private static PastedFate Worse(PastedFate a, PastedFate b) => a > b ? a : b;

    private PastedFate ReadPiece(CountSpec? counts, string text, int length)
    {
        if (counts is null && NamesRound(text))
        {
            // What is added round by round is told, not danced in this one.
            Note(text);
            return PastedFate.Aside;
        }

        if (counts is null && text.EndsWith(':') && Stretches(text).Sum(s => s.Deeds) <= 1)
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

    /// <summary>"Round two", "time one": which round it is about.</summary>
    private static bool NamesRound(string text)
    {
        var tokens = Lexer.Read(text);
        return tokens.Zip(tokens.Skip(1)).Any(p => p.First.Text is "round" or "time" or "lap" && p.Second.Text is "one" or "two" or "three" or "four" or "1" or "2" or "3" or "4");
    }

    /// <summary>Brackets that tell nothing of the steps are taken out and noted.</summary>
    private string WithoutRemarks(string text, out List<string> remarks)
    {
        remarks = [];
        if (text.Length > 1 && text[0] == '(' && text.IndexOf(')') >= text.TrimEnd('.').Length - 1)
        {
            return text;
        }

        var kept = new HashSet<string>();
        for (var open = text.IndexOf('('); open >= 0; open = open + 1 < text.Length ? text.IndexOf('(', open + 1) : -1)
        {
            var close = text.IndexOf(')', open);
            if (close < 0)
            {
                break;
            }

            var inside = text[(open + 1)..close];
            if (inside.Contains('(', StringComparison.Ordinal) || inside.Trim().Length == 0 || kept.Contains(inside))
            {
                // Brackets inside brackets come first.
                continue;
            }

            var lexemes = Lexis.Read(Names, Lexer.Read(inside));
            var tells = lexemes.Exists(l => l.Wall is not null && l.Kind == TokenKind.Clock) || (lexemes.Exists(l => l.Text is "weight" or "wt") && lexemes.Exists(l => l.Foot.IsSingle()))
                || Stretches(inside) is [{ Kind: StretchKind.Steps, Stray: 0 } steps] && !lexemes.Exists(l => l.Is(Roles.Body)) && (steps.Deeds > 0 || steps.Feet > 0 || steps.Bound > 1);
            if (tells)
            {
                kept.Add(inside);
                continue;
            }

            remarks.Add($"({inside.Trim()})");
            text = (text[..open].TrimEnd() + text[(close + 1)..]).Trim();
            open = -1;
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
            if (_at >= LineCounts || _at == 0 || _units.Count == 0 || NumberedSection.IsMatch(text))
            {
                BeginSection(0);
            }

            text = spoken.Rest;
        }

        if (counts is null && Detail.Match(text) is { Success: true, Index: > 0 } detail && Stretches(text[(detail.Index + detail.Length)..]) is [{ Kind: StretchKind.Steps, Deeds: var told, Feet: var feet }, ..] && told + feet > 2
            && Stretches(text[..detail.Index]).Any(s => s.Kind == StretchKind.Steps))
        {
            // "Two toe struts, so right toe, drop the heel, …": what is told in full is what is danced.
            Note(text[..detail.Index]);
            text = text[(detail.Index + detail.Length)..];
        }

        var settings = _settings.BoundIn(_lines[_row].Text);
        var stretches = Stretches(text, counts is not null || length > 0);
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

    private bool IsTalkOnly(string text) => Stretches(text).All(s => s.Kind is StretchKind.Talk or StretchKind.Chant);

    /// <summary>A sentence that only tells about the dance as a whole: no deed but its first foot and its numbers.</summary>
    private static bool IsSetting(string text, IReadOnlyList<ProseStretch> stretches) =>
        stretches.Where(s => s.Kind == StretchKind.Steps).Sum(s => s.Deeds) == 0 && stretches.Where(s => s.Kind == StretchKind.Steps).Sum(s => s.Bound) <= 4 || SettingWord.IsMatch(text) && stretches.Where(s => s.Kind == StretchKind.Steps).Sum(s => s.Deeds) <= 1;
}
