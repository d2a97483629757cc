using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Prose.Clauses;

namespace FondCompass.Core.Prose.Search;

/// <summary>
/// Reads a text in the way that uses its words best and makes the stated lengths come out (reading, section 7): each clause may be steps, a
/// telling of what was
/// told, something to do again, or talk, each at a cost; the cheapest ways are kept from clause to clause. Costs are in the units of
/// <see cref="ProseLayer"/>.
/// </summary>
internal sealed partial class ProseSearch(ProseLayer layer, Translation translation)
{
    /// <summary>Ways that are kept from clause to clause, and those that are gone on with at the end.</summary>
    private const int MostWays = 16, MostEnds = 5;

    /// <summary>
    /// A stated length that does not come out: by itself, and for each count; one of a piece costs less than one of a part.
    /// </summary>
    private const int MissesLength = 24, MissesCount = 2, MissesPiece = 10;

    /// <summary>A section that ends on no line, by what is left of it; and a row of text that does.</summary>
    private static readonly (int Half, int Even, int Odd) SectionEnds = (3, 8, 14), RowEnds = (1, 3, 6);

    /// <summary>Steps that are not danced, though nothing says that they are told twice: by itself, and for each word.</summary>
    private const int Skips = 16, SkipsWord = 3;

    /// <summary>A name whose actions are told behind it, and actions that are told again: only told.</summary>
    private const int OnlyTold = 1;

    /// <summary>Steps of one sentence laid apart.</summary>
    private const int LaidApartCost = 2;

    /// <summary>
    /// Both a step and what explains it danced; a word left out of the steps it stands in; the other weight to start with.
    /// </summary>
    private const int BothDanced = 8, LeavesWord = 2, OtherStart = 4;

    /// <summary>What a part is called that begins by itself.</summary>
    public const string FirstPart = "A";

    private int LineCounts => layer.LineCounts;

    /// <summary>The row, from 0, from which on only the likeliest way was gone on with; null where all were.</summary>
    public int? HurriedFrom { get; private set; }

    /// <summary>The cheapest ways through a text, the best first.</summary>
    /// <param name="start">The feet that are stated, or usual; the other weight is tried too where none is stated.</param>
    /// <param name="mayStartOther">No starting foot is stated.</param>
    /// <param name="total">Counts stated of the whole; 0 when none are.</param>
    public List<ProseWay> Read(IReadOnlyList<ProseItem> items, WeightState start, bool mayStartOther, int total)
    {
        List<ProseWay> ways = [new ProseWay { Feet = start }];
        if (mayStartOther && start.Weight.IsSingle())
        {
            ways.Add(new ProseWay { Feet = start.On(start.Weight.StandingFoot().Other().OnWeight()), Cost = OtherStart });
        }

        for (var i = 0; i < items.Count; i++)
        {
            var from = ways;
            HurriedFrom ??= IsHurried ? items[i].Row : null;
            ways = items[i] switch
            {
                PartItem part => [.. from.Select(w => Begin(EndPart(w), part))],
                SectionItem section => [.. from.Select(w => Begin(w, section))],
                FrameItem frame =>
                    [.. from.Select(w => w.Write(frame.Row, PastedFate.Frame, frame.Script) with { Bound = w.Bound + frame.Bound })],
                NoteItem note => [.. from.Select(w => Note(w, note.Row, note.Text))],
                SentenceItem told => Prune(told.Cuts.SelectMany(cut => Cut(from, told, cut)).Concat(from.SelectMany(w => Named(w, told)))),
                _ => from,
            };
            if (i + 1 == items.Count || items[i + 1].Row != items[i].Row)
            {
                ways = [.. ways.Select(w => w.Units?.Row == items[i].Row ? w.Plus(Off(w.At, RowEnds)) : w)];
            }
        }

        return [.. ways.Select(EndPart).Select(w => w.Parts == 1 && total > 0 ? w.Plus(Missed(w.Gone, total, MissesLength)) : w)
            .OrderBy(w => w.Cost).Take(MostEnds)];
    }

    /// <summary>A heading that lists the steps below it, as their name.</summary>
    private static IEnumerable<ProseWay> Named(ProseWay way, SentenceItem told) => told.Names is not { } name ? []
        : [
            Opened(way, told.Row).Write(told.Row, PastedFate.Frame, $"line {LineName(name)}") with
            {
                Cost = way.Cost + OnlyTold,
                Bound = way.Bound + 1
            }
        ];

    /// <summary>The name of a line as the script bears it: how often stands in its steps, and would be danced behind the name.</summary>
    private static string LineName(string words) => Plainly(ProseForms.Replace("times at end", words, ""));

    /// <summary>Words without what a script takes for a remark.</summary>
    private static string Plainly(string words) => words.Replace('#', ' ').Replace("//", "/", StringComparison.Ordinal).Trim();

    /// <summary>What is said at its place: a note inside a part, a remark before the first.</summary>
    public static ProseWay Note(ProseWay way, int row, string text)
    {
        var words = text.Trim().Replace('\n', ' ');
        if (words.Length == 0)
        {
            return way;
        }

        var plain = Plainly(words);
        if (plain.Length == 0)
        {
            // Nothing but marks that make a remark in a script.
            return way;
        }

        // A note that begins with digits would be taken for counts.
        var safe = char.IsAsciiDigit(plain[0]) || plain[0] is '&' ? $"· {plain}" : plain;
        return way.Write(row, PastedFate.Aside, way.Part is null ? $"# {words}" : $"note {safe}");
    }

    private static ProseWay Begin(ProseWay way, PartItem part) =>
        way.Write(part.Row, PastedFate.Frame, $"{(way.Part is null ? "" : "\n")}{(part.IsTag ? "tag" : "part")} {part.Name}") with
        {
            Part = part.Name,
            IsTag = part.IsTag,
            Parts = way.Parts + 1,
            Sections = way.Sections + 1,
            Gone = 0,
            At = 0,
            PartLength = part.Counts,
            SectionLength = 0,
            Bound = way.Bound + 2,
        };

    private ProseWay Begin(ProseWay way, SectionItem section)
    {
        if (section.IsSoft && way.At % LineCounts != 0)
        {
            return way;
        }

        way = way is { IsTag: true, Parts: 1 }
            ? Begin(EndPart(way), new PartItem(section.Row, FirstPart, false, 0))
            : Opened(way, section.Row);
        way = EndSection(way) with { SectionLength = section.Counts };
        return section.Name is null
            ? way
            : way.Write(section.Row, PastedFate.Frame, $"line {LineName(section.Name)}".TrimEnd()) with { Bound = way.Bound + 1 };
    }

    /// <summary>The first part begins by itself.</summary>
    private static ProseWay Opened(ProseWay way, int row) =>
        way.Part is null ? Begin(way, new PartItem(row, FirstPart, false, 0)) with { Bound = way.Bound } : way;

    private ProseWay EndSection(ProseWay way)
    {
        var stated = way.SectionLength;
        var cost = way.At == 0 ? 0 : stated > 0 ? Missed(way.At, stated, MissesLength) : way.PartLength > 0 ? 0 : Off(way.At, SectionEnds);
        return way with
        {
            Cost = way.Cost + cost,
            At = 0,
            SectionLength = 0,
            Sections = way.Sections + 1,
            Stated = way.Stated + stated,
            Met = way.Met + (way.At == stated ? stated : 0),
        };
    }

    private ProseWay EndPart(ProseWay way)
    {
        if (way.Part is null)
        {
            return way;
        }

        var ended = EndSection(way);
        return way.PartLength == 0 ? ended : ended with
        {
            Cost = ended.Cost + Missed(way.Gone, way.PartLength, MissesLength),
            Stated = ended.Stated + way.PartLength,
            Met = ended.Met + (way.Gone == way.PartLength ? way.PartLength : 0),
        };
    }

    private static double Missed(int gone, int stated, int cost) => gone == stated ? 0
        : cost + (MissesCount * Math.Min(Math.Abs(gone - stated), LongestMissed));

    /// <summary>What is farther off is no worse.</summary>
    private const int LongestMissed = 16;

    private double Off(int at, (int Half, int Even, int Odd) costs) =>
        at % LineCounts == 0 ? 0 : at % LineCounts * 2 == LineCounts ? costs.Half : at % 2 == 0 ? costs.Even : costs.Odd;

    private List<ProseWay> Prune(IEnumerable<ProseWay> ways) =>
        [.. ways.OrderBy(w => w.Cost).DistinctBy(w => w.Key).Take(IsHurried ? 1 : MostWays)];
}
