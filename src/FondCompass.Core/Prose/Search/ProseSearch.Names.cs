using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Search;

/// <summary>Names of moves, and talk.</summary>
internal sealed partial class ProseSearch
{
    /// <summary>
    /// Talk up to the next clause that is none, kept as it stands; what it says of the counts gone so far, or of the weight, counts.
    /// </summary>
    private (ProseWay Way, int Clause, bool HasLaid) Talk(PieceWalk walk, ProseWay way, int at, bool hasLaid)
    {
        var end = at + 1;
        while (end < walk.Clauses.Count && walk.Clauses[end].Kind is ClauseKind.Talk or ClauseKind.Chant)
        {
            end++;
        }

        var until = end < walk.Clauses.Count ? walk.Clauses[end].Whole.Start : walk.Piece.Text.Length;
        var words = walk.Piece.Text[walk.Clauses[at].Whole.Start..until].TrimEnd(' ', ',');
        var soFar = Find("count so far", Plain(words.Trim(' ', '.', ',', '!'))) is { } counted
            ? ProseForms.Number(counted.Groups["n"].Value)
            : 0;
        var isCountedOtherwise = soFar > 0 && way.Units is not null && soFar != way.Gone && soFar != way.At && way.Gone % soFar != 0;
        var talk = walk.Clauses.GetRange(at, end - at);
        var spoken = talk.Where(c => c.Kind == ClauseKind.Talk && c.Feet > 0).ToList();
        // A step with its foot that stands in talk was hardly put there for nothing.
        var named = spoken.Count(c => c.IsNamed) * MissesPiece / 2;
        var told = Note(way, walk.Told.Row, words);
        return (told with
        {
            Cost = told.Cost + (isCountedOtherwise ? MissesPiece : 0) + (hasLaid && talk.Exists(c => c.Weight != Foot.None) ? LeavesWord
                : 0) + (2 * spoken.Sum(c => c.Feet)) + named,
            Lost = told.Lost + spoken.Sum(c => c.Bound),
        }, end, hasLaid);
    }

    /// <summary>Counts of the longest move that is laid by its name alone, and what it costs where no counts are said for it.</summary>
    private const int LongestMove = 8, FillsHole = 4;

    /// <summary>A few words, none of them of talk, that may be what a move is called.</summary>
    private bool IsNameOfMove(string words)
    {
        if (!_moves.TryGetValue(words, out var isName))
        {
            isName = _moves[words] = words.Length < LongestName && MayName(words);
        }

        return isName;
    }

    private readonly Dictionary<string, bool> _moves = [];

    /// <summary>Letters of the longest name of a move.</summary>
    private const int LongestName = 60;

    private bool MayName(string words) =>
        NamedMoves.Read(layer.Names, words) is not null
        && Lexer.Read(words).TrueForAll(t => !Vocabulary.IsTalk(t.Text) && !Vocabulary.IsSetting(t.Text))
        && !Vocabulary.LeadsIn(Lexer.Read(words)[0].Text);
}
