using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Clauses;

/// <summary>The marks by which words of a clause are known.</summary>
internal static partial class ProseClauses
{
    /// <summary>Lead-ins go; small words right before the first known one ("with", "a") stay out as well.</summary>
    private static int Opening(List<Lexeme> lexemes, int from, int first)
    {
        var open = first;
        for (var i = first - 1; i >= from
            && lexemes[i].Kind == TokenKind.Word
            && lexemes[i].Step is null
            && (lexemes[i].Verb is null || lexemes[i].Is(Roles.Ends)); i--)
        {
            var word = lexemes[i];
            if (word.Is(Roles.With | Roles.Slow | Roles.Each | Roles.Facing | Roles.Onto | Roles.Starting | Roles.Ends)
                && !Vocabulary.IsTalk(word.Text) && !Vocabulary.StaysOut(word.Text))
            {
                open = i;
            }
            else if (!word.Is(Roles.Filler))
            {
                break;
            }
        }

        return open;
    }

    /// <summary>"As 1-4", "like counts 9 to 16": what lies on those counts once more.</summary>
    private static bool IsAsCounted(List<Lexeme> lexemes, int from, int to)
    {
        var opens = lexemes[from].Is(Roles.With) && lexemes[from] is { Step: null, Verb: null };
        var numbers = lexemes.GetRange(from, to - from).Count(l => l.Number > 0);
        return opens && numbers == 2 && lexemes.GetRange(from + 1, to - from - 1)
            .TrueForAll(l => l.Number > 0 || l.Is(Roles.Counts | Roles.To | Roles.Filler | Roles.Same)
                || l.Kind is TokenKind.Open or TokenKind.Close or TokenKind.Mark);
    }

    /// <summary>"One hold two, three hold four": counted aloud, whatever stands between the counts.</summary>
    private static bool IsCounted(List<Lexeme> lexemes, int from, int to)
    {
        var numbers = lexemes.GetRange(from, to - from).Where(l => l.Number > 0).Select(l => l.Number).ToList();
        var others = lexemes.GetRange(from, to - from)
            .Where(l => l.Number == 0
                && !l.IsSeparator
                && !ProseForms.Explains(l.Text)
                && (!l.Is(Roles.Filler | Roles.And) || l.Verb is not null))
            .ToList();
        return numbers.Count > 1 && numbers.Zip(numbers.Skip(1)).All(p => p.Second == p.First + 1) && others.Count < numbers.Count
            && others.TrueForAll(l => l.Verb is { Kind: VerbKind.NoFoot } && l.Foot == Foot.None);
    }

    /// <summary>"Do those two lines twice", "dance that three times".</summary>
    private static bool IsTwice(List<Lexeme> lexemes, int from, int to)
    {
        var words = lexemes.GetRange(from, to - from);
        var times = words.FindIndex(w => w.Times > 1);
        return times >= 0 && (words.Count == 1 || words.Take(times).Any(w => Vocabulary.PointsBack(w.Text)));
    }

    /// <summary>Words such as "in", "over", "out" that are as often no way at all.</summary>
    private static bool IsLoose(Lexeme word) => word.Words == 1 && Vocabulary.IsLoose(word.Text);

    /// <summary>Clauses of one row of steps, side by side, in the words they stood in.</summary>
    public static string Words(IReadOnlyList<ProseClause> run, string text)
    {
        var joined = new System.Text.StringBuilder();
        for (var i = 0; i < run.Count; i++)
        {
            if (run[i].Text.Length > 0)
            {
                joined.Append(joined.Length == 0 ? "" : run[i].IsJoined ? " " : run[i].Explains ? ": " : ", ").Append(run[i].Text);
            }
        }

        return joined.ToString();
    }

    private static readonly char[] Marks = [' ', ',', '.', '!', '?', '-', '–', ':', ';', '*', '“', '”'];

    private static string Tidy(string words) =>
        string
            .Join(' ', words.Replace('#', ' ').Replace("//", "/", StringComparison.Ordinal).Replace(" + ", " & ", StringComparison.Ordinal)
            .Replace('"', ' ').Trim(Marks).Split(' ', StringSplitOptions.RemoveEmptyEntries))
            .Replace(" ,", ",", StringComparison.Ordinal);
}
