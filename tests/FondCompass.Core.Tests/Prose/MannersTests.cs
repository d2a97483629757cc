using System.Text.Json;
using System.Text.RegularExpressions;
using FondCompass.Core.Measures;
using FondCompass.Core.Prose;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Prose;

/// <summary>
/// Texts in the manners in which instructors write and talk come out with the counts, parts, orders and ends that they state; they stand in
/// manners.json.
/// </summary>
public partial class MannersTests
{
    private static readonly IReadOnlyList<JsonElement> Texts =
        [.. JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Prose", "manners.json"))).RootElement
            .EnumerateArray()];

    public static TheoryData<string> Ids => [.. Texts.Select(t => t.GetProperty("id").GetString()!)];

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_text_comes_out_as_it_says(string id)
    {
        var text = Texts.Single(t => t.GetProperty("id").GetString() == id);
        var pasted = ProseReader.Read(text.GetProperty("text").GetString()!);
        var trace = pasted.Analysis.Trace;
        foreach (var part in text.GetProperty("parts").EnumerateObject())
        {
            var read = trace.Parts.Count == 1
                ? trace.Parts[0]
                : trace.Parts.Single(p => p.Part.Name.Equals(part.Name, StringComparison.OrdinalIgnoreCase));
            Assert.Equal((part.Name, part.Value.GetInt32()), (part.Name, read.Part.Counts));
        }

        Assert.Equal(text.GetProperty("total").GetInt32(), trace.TotalCounts);
        Assert.Equal(Stated("endWeight") ?? trace.EndWeight.Letter(), trace.EndWeight.Letter());
        Assert.Equal(Stated("endFacing") ?? trace.EndFacing.ToString(), trace.EndFacing.ToString());
        Assert.Contains(Stated("intro") is { } intro ? $"intro {intro}\n" : "", pasted.Script, StringComparison.Ordinal);
        Assert.Equal(Stated("walls") ?? $"{trace.WallOrder.Count}", $"{trace.WallOrder.Count}");
        var order = Order().Match(pasted.Script).Groups[1].Value;
        Assert.Equal(Stated("order")?.ToLowerInvariant() ?? string.Join(' ', Words().Matches(order.ToLowerInvariant())),
            string.Join(' ', Words().Matches(order.ToLowerInvariant())));

        string? Stated(string what) => text.TryGetProperty(what, out var value) ? value.ToString() : null;
    }

    /// <summary>Each row of a text stands in what comes back, in its order.</summary>
    [Fact]
    public void Every_word_of_them_is_still_there()
    {
        foreach (var text in Texts.Select(t => t.GetProperty("text").GetString()!))
        {
            var pasted = ProseReader.Read(text);
            Assert.Equal(text.Split('\n'), pasted.Rows.Where(r => r.From.Length > 0 || r.Script.Length == 0).Select(r => r.From));
        }
    }

    /// <summary>Each turn of phrase is taken from its own example.</summary>
    [Fact]
    public void Each_form_takes_its_example()
    {
        foreach (var form in ProseForms.All)
        {
            Assert.True(form.Pattern.IsMatch(form.OfText ? form.Example : ProseForms.Plain(form.Example, StepLexicon.Shipped.Translation)),
                $"{form.Kind}: '{form.Example}'");
        }
    }

    /// <summary>No step is skipped to be rid of a foot that is not free: the whole block comes again, and what is wrong is told.</summary>
    [Fact]
    public void A_fault_is_told_and_skips_nothing()
    {
        var pasted = ProseReader.Read("8 marches R\n4 step touches\nRepeat the block on the other side.");
        Assert.Equal(32, pasted.Analysis.Trace.TotalCounts);
    }

    /// <summary>Two readings of one text that are about as likely: the other is told, and less is claimed.</summary>
    [Fact]
    public void A_rival_is_told()
    {
        var pasted = ProseReader.Read("8 marches\n4 step touches\nRepeat the block on the other side.");
        Assert.Contains(pasted.Doubts, d => d.StartsWith("It may also be read so that", StringComparison.Ordinal));
        Assert.InRange(pasted.Understood, 0, 0.8);
    }

    /// <summary>Steps beside a sentence of tags, restarts or the dance's name are danced all the same.</summary>
    [Theory]
    [InlineData("No tags. Vine right, vine left.", 8)]
    [InlineData("Vine right, vine left. Restart on wall 3 after 4 counts.", 8)]
    [InlineData("Sea Pink 16 counts vine right, vine left, rocking chair, rocking chair", 16)]
    [InlineData("Tag (4 counts): sway R, L, R, L\nSection 1\nvine right, vine left", 8)]
    public void No_steps_are_lost_beside_the_frame(string text, int counts) =>
        Assert.Equal(counts, ProseReader.Read(text).Analysis.Trace.TotalCounts);

    /// <summary>What the text does not say and is decided all the same is told.</summary>
    [Fact]
    public void An_order_that_nobody_said_is_told()
    {
        var pasted = ProseReader.Read("Part A\nvine right, vine left\nPart B\nrocking chair");
        Assert.Contains(pasted.Doubts, d => d.StartsWith("No order of the parts is said", StringComparison.Ordinal));
    }

    /// <summary>What is said of the whole is no name of a part, though counts stand behind it.</summary>
    [Theory]
    [InlineData("Start after 16 counts", "intro 16")]
    [InlineData("Wait, 32 counts", "intro 32")]
    [InlineData("Intro - 8 counts", "intro 8")]
    [InlineData("Beginner: 8 counts", "level beginner")]
    public void A_setting_is_no_part(string row, string setting)
    {
        var script = ProseReader.Read($"Skerry Lights\n{row}\nvine right, vine left\n").Script;
        Assert.Contains("part A\n", script, StringComparison.Ordinal);
        Assert.Contains(setting, script, StringComparison.Ordinal);
    }

    /// <summary>Steps that are only told are said not to be danced.</summary>
    [Theory]
    [InlineData("Ending: on wall 9 stomp R to face 12:00", "of the ending")]
    [InlineData("So all together that's vine right, vine left", "once more, and is not danced")]
    public void What_is_not_danced_of_an_ending_or_a_recap_is_told(string row, string doubt)
    {
        var pasted = ProseReader.Read($"1-8 vine R, vine L\nwalk forward R, L, R, touch L\nwalk back L, R, L, touch R\n{row}\n");
        Assert.Equal(16, pasted.Analysis.Trace.TotalCounts);
        Assert.Contains(pasted.Doubts, d => d.Contains(doubt, StringComparison.Ordinal));
    }

    /// <summary>A row of nothing but a mark that makes a remark in a script is no fault.</summary>
    [Theory]
    [InlineData("#")]
    [InlineData("//")]
    [InlineData("# #")]
    public void A_row_of_marks_alone_is_nothing(string marks) =>
        Assert.Equal(8, ProseReader.Read($"1-4 vine R\n{marks}\n5-8 vine L\n").Analysis.Trace.TotalCounts);

    /// <summary>What is named outright and is not there is not danced from something else.</summary>
    [Fact]
    public void A_section_that_is_not_there_is_not_guessed()
    {
        var pasted = ProseReader.Read("Section 1\nvine right, vine left\nSection 2\nrepeat section 7");
        Assert.Equal(8, pasted.Analysis.Trace.TotalCounts);
        Assert.NotEmpty(pasted.Doubts);
    }

    /// <summary>So much that only the likeliest way is gone on with: from which row on is told, and less is claimed.</summary>
    [Fact]
    public void A_search_that_was_narrowed_is_told()
    {
        var pasted = ProseReader.Read(string.Join('\n', Enumerable.Range(4000, 9).Select(n => $"1-{n} march R")));
        Assert.Contains(pasted.Doubts, d => d.StartsWith("From row ", StringComparison.Ordinal));
        Assert.InRange(pasted.Understood, 0, 0.8);
    }

    [GeneratedRegex("(?m)^order (.*)$")]
    private static partial Regex Order();

    [GeneratedRegex(@"\w+")]
    private static partial Regex Words();
}
