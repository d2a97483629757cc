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
        Table.Check(
            name,
            string.Join("; ", forms),
            $"level {step.Level}, trusted from {step.Trust}{(step.HighImpact ? ", off the floor" : "")}{(step.Repeats ? ", repeats" : "")}"
                + $"{(step.Pivots ? ", pivots" : "")}{(step.TurnsAway ? ", turns away" : "")}{(step.IsManner ? ", a manner" : "")}"
                + $"{(step.GoesAnywhere ? ", goes anywhere" : "")}{(step.TurnAt is { } at ? $", turns on its action {at + 1}" : "")}",
            string.Join(", ", step.Aliases),
            string.Join(" / ", new[] { step.Cue.Sentence, step.Cue.Keyword, step.Cue.OneWord }.Distinct()));
    }

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
