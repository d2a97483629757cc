using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using FondCompass.Core.Tests.Tables;
using Xunit;

namespace FondCompass.Core.Tests.Steps;

/// <summary>Words, the step they name in each genre, and the language they are plainly of: names.md beside this file.</summary>
public class NameTable
{
    private static readonly RowTable Table = new("Steps/names.md");

    public static TheoryData<string> Rows => Table.Written;

    [Theory]
    [MemberData(nameof(Rows))]
    public void Words_name_the_step_that_the_table_says(string words)
    {
        string[] all = words.Split(' ');
        string In(Genre genre, int line)
        {
            var lexicon = StepLexicon.Shipped.For(genre, line);
            var found = lexicon.Find(all, 0, all.Length, out var plural);
            var others = lexicon.Otherwise(all, 0, all.Length).Select(s => s.Name).ToList();
            return found is null
                ? "–"
                : $"{found.Name}{(plural ? " (several)" : "")}{(others.Count > 0 ? $" or {string.Join(", ", others)}" : "")}";
        }

        Table.Check(
            words,
            In(Genre.Line, 8),
            In(Genre.Line, 6),
            In(Genre.Percussive, 8),
            In(Genre.Fitness, 8),
            StepLexicon.Shipped.LanguageOf(all[^1]) ?? "",
            StepLexicon.Shipped.MayBegin(all[0]) ? "may begin" : "");
    }
}
