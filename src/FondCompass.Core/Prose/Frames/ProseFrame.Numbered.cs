using System.Text.RegularExpressions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Frames;

/// <summary>Headings known by how they stand to one another: numbered, lettered, each with the counts of a line.</summary>
internal sealed partial class ProseFrame
{
    /// <summary>Rows that open with one word and a number or letter counting up from the first: "BLOCK 1 - 32 counts", "Combo A".</summary>
    private Dictionary<string, NumberedHead> NumberedIn(IReadOnlyList<ProseLine> lines)
    {
        var heads = new Dictionary<string, NumberedHead>();
        foreach (var group in lines.Where(l => !l.IsTooLong)
            .Select(l => (l.Text, Match: Numbered().Match(l.Text)))
            .Where(l => l.Match.Success)
            .GroupBy(l => l.Match.Groups["word"].Value.ToLowerInvariant()).Where(g => IsUnit(g.Key)))
        {
            var rank = 0;
            foreach (var (text, match) in group)
            {
                var said = match.Groups["rank"].Value;
                var number = char.IsLetter(said[0]) ? char.ToUpperInvariant(said[0]) - 'A' + 1
                    : int.Parse(said, System.Globalization.CultureInfo.InvariantCulture);
                if (number == rank + 1)
                {
                    rank = number;
                    heads.TryAdd(text, new NumberedHead($"{match.Groups["word"].Value} {said}", match.Groups["rest"].Value));
                }
            }

            if (rank < 2)
            {
                group.ToList().ForEach(g => heads.Remove(g.Text));
            }
        }

        return heads;
    }

    /// <param name="Name">The word and its number.</param>
    /// <param name="Rest">What stands behind them.</param>
    private readonly record struct NumberedHead(string Name, string Rest);

    /// <summary>A word that names no step, count, wall or foot.</summary>
    private bool IsUnit(string word) =>
        WordLookup.Read(Names, Lexer.Read(word)) is [{ Step: null, Verb: null, Foot: Foot.None, Number: 0, Direction: Direction.None } only]
        && !only.Is(Roles.Counts | Roles.Wall | Roles.Body | Roles.Filler | Roles.Turn);

    [GeneratedRegex(@"^(?<word>\p{L}{2,12})\s+(?<rank>\d{1,2}|[A-Ha-h])(?=$|\s*[-–—:.,(\[])(?<rest>.*)$", RegexOptions.CultureInvariant)]
    private static partial Regex Numbered();

    /// <summary>A part where an order calls it or it is longer than a line, else lines of one.</summary>
    private void ReadNumbered(NumberedHead head)
    {
        var rest = head.Rest.TrimStart(BehindHeading).TrimEnd(BehindRest);
        var sized = ProseForms.Find("length before", rest);
        var counts = sized is null ? 0 : ProseForms.Number(sized.Groups["counts"].Value);
        rest = sized is null ? rest : rest[sized.Length..].TrimStart(BehindHeading);
        if (_called.TryGetValue(head.Name, out var called) || counts > LineCounts)
        {
            BeginPart(called ?? head.Name, isTag: false, counts);
        }
        else
        {
            BeginSection(counts, "");
        }

        if (rest.Length > 0 && !TellsSteps(rest))
        {
            Note(rest);
        }
        else
        {
            ReadRest(rest);
        }
    }

    /// <summary>Rows that bear one letter and the numbers from one on: "A1 …", "A2 …".</summary>
    private static HashSet<string> LabelledIn(IReadOnlyList<ProseLine> lines)
    {
        var labelled = lines.Where(l => !l.IsTooLong)
            .Select(l => (l.Text, Match: RowLabel().Match(l.Text)))
            .Where(l => l.Match.Success)
            .ToList();
        var run = new List<string>();
        foreach (var (text, label) in labelled)
        {
            if (label.Groups[1].Value == labelled[0].Match.Groups[1].Value && label.Groups[2].Value[0] - '1' == run.Count)
            {
                run.Add(text);
            }
        }

        return run.Count > 2 ? [.. run] : [];
    }

    /// <summary>
    /// Letters that stand each with the numbers from one on at the head of rows: "A1 …", "A2 …", "B1 …"; none where there is only one such
    /// letter.
    /// </summary>
    private static HashSet<string> LetteredIn(IReadOnlyList<ProseLine> lines)
    {
        var ranks = new Dictionary<string, int>();
        foreach (var label in lines.Where(l => !l.IsTooLong).Select(l => RowLabel().Match(l.Text)).Where(m => m.Success))
        {
            var letter = label.Groups[1].Value;
            ranks[letter] = label.Groups[2].Value[0] - '0' == ranks.GetValueOrDefault(letter) + 1 ? ranks.GetValueOrDefault(letter) + 1
                : ranks.GetValueOrDefault(letter);
        }

        return ranks.Count > 1 && ranks.Values.All(r => r > 1) && ranks.ContainsKey("A") && ranks.ContainsKey("B") ? [.. ranks.Keys] : [];
    }

    /// <summary>Rows that open with the counts of a line and a colon, one after another.</summary>
    private static Dictionary<string, (int Counts, string Steps)> EightsIn(IReadOnlyList<ProseLine> lines, int lineCounts)
    {
        var rows = lines.Where(l => !l.IsTooLong).Select(l => (l.Text, Match: LengthHead().Match(l.Text))).Where(l => l.Match.Success)
            .Select(l => (l.Text, Counts: int.Parse(l.Match.Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture),
                Steps: l.Match.Groups[2].Value)).ToList();
        return rows.Count > 1 && rows.TrueForAll(r => r.Counts == rows[0].Counts && r.Counts % lineCounts == 0)
            ? rows.DistinctBy(r => r.Text).ToDictionary(r => r.Text, r => (r.Counts, r.Steps)) : [];
    }

    [GeneratedRegex(@"^(\d{1,2})\s*:\s+(\D.*)$", RegexOptions.CultureInvariant)]
    private static partial Regex LengthHead();

    [GeneratedRegex(@"^([A-Z])([1-9])\b", RegexOptions.CultureInvariant)]
    private static partial Regex RowLabel();
}
