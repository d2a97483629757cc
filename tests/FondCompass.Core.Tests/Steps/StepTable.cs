using FondCompass.Core.Lexicon;
using FondCompass.Core.Steps;
using FondCompass.Core.Tests.Tables;
using Xunit;

namespace FondCompass.Core.Tests.Steps;

/// <summary>
/// Every step of the lexicon as it is danced in the counts of each of its forms, with how hard it is and how it is called: steps.md
/// beside this file, to be read by who teaches them.
/// </summary>
public class StepTable
{
    private static readonly RowTable Table = new("Steps/steps.md");

    public static TheoryData<string> Rows => Table.Written;

    [Theory]
    [MemberData(nameof(Rows))]
    public void A_step_is_danced_as_the_table_says(string name)
    {
        var step = StepLexicon.Shipped.Find(name)!;
        var forms = step.Forms.Zip(step.FormTexts, (f, text) => $"{f.Counts}: {Danced(step, text)}");
        Table.Check(name, [string.Join("; ", forms), .. About(step)]);
    }

    /// <summary>The files read anew, whatever was kept of them: each step is what its row says.</summary>
    [Fact]
    public void The_lexicon_is_read_as_the_table_says()
    {
        var lexicon = StepLexicon.Load(
            LexiconFiles.Texts(n => char.IsAsciiDigit(n.Split('.')[^2][0])),
            LexiconFiles.Texts(n => n.EndsWith(".lang.yaml", StringComparison.Ordinal)));
        Assert.All(Table.Written, row => Assert.Equal(Table.Of(row).Skip(2), About(lexicon.Find(row)!)));
        Assert.Equal("jazz box", lexicon.Find("jazzbox")?.Name);
        Assert.Equal("lock step", lexicon.Find("lockstep")?.Name);
        Assert.Equal("toe strut", lexicon.Find("toestrut")?.Name);
        Assert.Null(lexicon.Find("vstep"));
        Assert.Equal("de", lexicon.LanguageOf("weinrebe"));
        Assert.Equal("es", lexicon.LanguageOf("viña"));
        Assert.Equal("es", lexicon.LanguageOf("caja"));
    }

    /// <summary>How hard it is and what it does, its other names, how it is called out.</summary>
    private static string[] About(NamedStep step) =>
    [
        $"level {step.Level}, trusted from {step.Trust}{(step.HighImpact ? ", off the floor" : "")}{(step.Repeats ? ", repeats" : "")}"
            + $"{(step.Pivots ? ", pivots" : "")}{(step.TurnsAway ? ", turns away" : "")}{(step.IsManner ? ", a manner" : "")}"
            + $"{(step.GoesAnywhere ? ", goes anywhere" : "")}{(step.TurnAt is { } at ? $", turns on its action {at + 1}" : "")}",
        string.Join(", ", step.Aliases),
        string.Join(" / ", new[] { step.Cue.Sentence, step.Cue.Keyword, step.Cue.OneWord }.Distinct()),
    ];

    private static string Danced(NamedStep step, string form)
    {
        var line = step.Genres.Contains("waltz") || form.StartsWith("1-3", StringComparison.Ordinal) ? "genre line\nline 6\n" : "";
        var counts = form[..form.IndexOf(':', StringComparison.Ordinal)];
        return Script.Deeds(Analysis.Analyse($"{line}part A\n{counts} {step.Name} R"));
    }

    [Fact]
    public void Every_step_is_in_the_table() =>
        Assert.Empty(StepLexicon.Shipped.Steps.Select(s => s.Name).Except(Table.Written.Select(r => (string)r)));
}
