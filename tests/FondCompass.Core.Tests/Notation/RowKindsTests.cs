using System.Runtime.CompilerServices;
using FondCompass.Core.Actions;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using Xunit;

namespace FondCompass.Core.Tests.Notation;

/// <summary>The table of row kinds: each opens by its words and by no others, and the page on the script shows one of each.</summary>
public class RowKindsTests
{
    private static string Page([CallerFilePath] string here = "") =>
        File.ReadAllText(Path.Combine(Path.GetDirectoryName(here)!, "..", "..", "..", "docs", "script.md"));

    public static TheoryData<RowSort> Sorts => [.. RowKinds.All.Select(k => k.Sort)];

    [Theory]
    [MemberData(nameof(Sorts))]
    public void Its_example_is_of_its_kind_and_stands_on_the_page(RowSort sort)
    {
        var kind = RowKinds.All.Single(k => k.Sort == sort);
        Assert.Equal(sort, RowKinds.Open(kind.Example, inPart: true).Kind.Sort);
        Assert.Equal(
            sort == RowSort.Line ? RowSort.Setting : kind.OnlyInPart ? RowSort.Steps : sort,
            RowKinds.Open(kind.Example, inPart: false).Kind.Sort);
        Assert.Contains(kind.Example, Page());
    }

    [Theory]
    [InlineData("step R forward", RowSort.Steps)]
    [InlineData("line dance walk R", RowSort.Line)]
    [InlineData("line 6", RowSort.Setting)]
    [InlineData("start R", RowSort.Steps)]
    [InlineData("lead R", RowSort.Setting)]
    [InlineData("lead with the heel", RowSort.Steps)]
    [InlineData("tag", RowSort.Steps)]
    [InlineData("repeat left", RowSort.Steps)]
    [InlineData("repeat 5 easier", RowSort.Version)]
    [InlineData("other side", RowSort.Again)]
    [InlineData("other foot forward", RowSort.Steps)]
    [InlineData("first rock step R", RowSort.Steps)]
    [InlineData("The Second Time 7-8 hold", RowSort.Ending)]
    [InlineData("8th times: hold", RowSort.Ending)]
    [InlineData("9th time hold", RowSort.Steps)]
    [InlineData("no arms 5-8 vine R", RowSort.Variant)]
    [InlineData("no arms please", RowSort.Steps)]
    [InlineData("without the hop: 5-8 vine R", RowSort.Variant)]
    [InlineData("low kick R", RowSort.Steps)]
    [InlineData("low impact 1-4 vine R", RowSort.Variant)]
    public void Near_words_do_not_mislead(string row, RowSort sort) => Assert.Equal(sort, RowKinds.Open(row, inPart: true).Kind.Sort);

    [Theory]
    [InlineData("version out at sea 5-8 vine L", "version out at sea", "vine L")]
    [InlineData("version out at sea: 5-8 vine L", "version out at sea", "vine L")]
    [InlineData("version island vine L", "version island", "vine L")]
    [InlineData("easier for sore knees 5-8 vine L", "easier for sore knees", "vine L")]
    [InlineData("easier vine L", "easier", "vine L")]
    [InlineData("No Arms 5-8 vine L", "no Arms", "vine L")]
    [InlineData("without turns 5-8 vine L", "no turn", "vine L")]
    [InlineData("harder &5 step L", "showier", "step L")]
    public void A_variant_may_have_a_name_of_several_words(string row, string label, string steps)
    {
        var entry = Assert.Single(ScriptReader.Read($"part A\n1-4 vine R\n5-8 vine L\n{row}").Parts[0].Entries.OfType<VariantEntry>());
        Assert.Equal((label, steps), (entry.Label.ToString(), entry.Step.Wording));
    }

    [Fact]
    public void Rows_of_one_variant_are_checked_together_and_can_be_asked_for()
    {
        var analysis =
            Analysis.Analyse(
                "part A\n1-4 vine R\n5-8 vine L\nno arms 1-2 step R side, touch L\nNO ARMS 3-4 step L side, touch R\nfrom 3 no "
                    + "arms\npart B no arms\n1-8 march R");
        Assert.Single(Versions.All(analysis.Trace.Actions));
        Assert.DoesNotContain(analysis.Findings, f => f.Code is "VARIANT08" or "VARIANT09");
    }

    [Theory]
    [InlineData("part A\n1-4 vine R\n5-8 vine L\neasier 5-6 step touch L, 7-8 step touch R", "5 step L side · 6 touch R · 7 step R side · 8 touch L")]
    [InlineData("part A x2\n1-4 vine R\nfirst time 5-8 vine L\nsecond time 5-8 hold", "5 hold")]
    public void Variants_and_endings_are_read_back(string script, string reads) =>
        Assert.StartsWith(reads, Analysis.Analyse(script).Reads.Single(r => r.Row == script.Split('\n').Length).Text);
}
