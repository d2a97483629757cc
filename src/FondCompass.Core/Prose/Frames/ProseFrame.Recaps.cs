using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Prose.Search;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Prose.Frames;

/// <summary>Sentences that tell again what was told.</summary>
internal sealed partial class ProseFrame
{
    /// <summary>Rows that are numbered one after another, from one on.</summary>
    private static HashSet<int> ListedIn(IReadOnlyList<ProseLine> lines)
    {
        var listed = new HashSet<int>();
        var run = new List<int>();
        for (var i = 0; i <= lines.Count; i++)
        {
            var number = i < lines.Count && !lines[i].IsTooLong && RowNumber().Match(lines[i].Text) is { Success: true } match
                ? match.Groups[1].Value[0] - '0' : 0;
            if (number == run.Count + 1)
            {
                run.Add(i);
                continue;
            }

            listed.UnionWith(run.Count > 2 ? run : []);
            run = number == 1 ? [i] : run.Count > 0 && i < lines.Count && number == 0 && !lines[i].IsEmpty ? run : [];
        }

        return listed;
    }

    /// <summary>What stands in the row of the title beside it, and is kept; the title itself is taken off.</summary>
    private bool IsBesideTitle(ref string sentence)
    {
        if (_title is { } title && _row == _titleRow && sentence.Contains(title, StringComparison.Ordinal))
        {
            var rest = sentence.Replace(title, "", StringComparison.Ordinal)
                .Trim(' ', ':', ',', '-', '–', '"', '“', '”', '|', '/', '(', ')', '.');
            if (!TellsSteps(rest))
            {
                // The name and what is said of the whole.
                Bound += _settings.BoundIn(_lines[_row].Text);
                Note(sentence);
                return true;
            }

            sentence = rest;
        }

        if (_title is not null && _row == _titleRow && !_hasPart && !ProseForms.Says("lasting", sentence) && Clauses(sentence)
            .Where(c => c is { Kind: ClauseKind.Steps, IsBody: false }).ToList() is var steps && steps.Sum(c => c.Deeds) < 2
            && steps.Sum(c => c.Feet) == 0)
        {
            // "Circle, holding hands": how they stand, beside the name.
            Note(sentence);
            return true;
        }

        return false;
    }

    /// <summary>"So all together that's side together side touch …": what was told, once more.</summary>
    private bool IsRecap(string sentence)
    {
        if (ProseForms.Says("recap", ProseForms.Plain(sentence, _lexicon.Translation)) && _items.OfType<SentenceItem>().Count() > 1)
        {
            Note(sentence);
            _doubts.Add(PasteTexts.ToldOnceMore(_row + 1));
            return true;
        }

        return false;
    }

    /// <summary>"March 8, 4 heel digs (8)": the length may be that of the last of them only. Null where nothing is so.</summary>
    private static List<Piece>? LengthOfLast(List<Piece> pieces)
    {
        var apart = pieces.SelectMany(p => p.Length > 0 && p.Text.LastIndexOf(',') is > 0 and var comma && p.Text.IndexOf('(', comma) < 0
            ? [new Piece(null, p.Text[..comma].Trim(), 0), p with { Text = p.Text[(comma + 1)..].Trim() }] : (Piece[])[p]).ToList();
        return apart.Count == pieces.Count || pieces.Count(p => p.Length > 0) < 2 ? null : apart;
    }
}
