using FondCompass.Core.Measures;
using FondCompass.Core.Wording;
using Xunit;

namespace FondCompass.Core.Tests.Examples;

/// <summary>What the instructor wrote is what a step is called, with its way and its turn; the foot stands apart.</summary>
public class StepWordingTests
{
    private static IReadOnlyList<StepWording> Of(string row, string head = "") =>
        [.. Analysis.Analyse($"{head}\npart A\n{row}").Trace.Parts[0].Actions
            .GroupBy(a => a.Action.Call)
            .Select(g => StepWording.Word([.. g]))];

    [Theory]
    [InlineData("1-4 vine R", "vine", "R", "vine R")]
    [InlineData("1-4 grapevine R", "grapevine", "R", "grapevine R")]
    [InlineData("1-4 vine R with a 1/4 right", "vine 1/4 right", "R", "vine 1/4 right, R leads")]
    [InlineData("1&2 shuffle R forward", "shuffle forward", "R", "shuffle R forward")]
    [InlineData("1-2 rock step R back", "rock step back", "R", "rock step R back")]
    [InlineData("1 step R forward", "step forward", "R", "step R forward")]
    [InlineData("1 step R", "step", "R", "step R")]
    [InlineData("1 tch R beside", "touch beside", "R", "touch R beside")]
    [InlineData("1 stamp R", "stamp", "R", "stamp R")]
    [InlineData("1 stepping R", "step", "R", "step R")]
    [InlineData("1-4 2 pivots 1/4 left", "pivot turn 1/4 left", "R", "pivot turn 1/4 left, R leads")]
    [InlineData("1-4 rolling vine R", "rolling vine full turn right", "R", "rolling vine full turn right, R leads")]
    [InlineData("1-4 toe struts R, L", "toe strut", "R", "toe strut R")]
    [InlineData("1-2 arms reach up", "arms reach up", "", "arms reach up")]
    [InlineData("1 jump both", "jump", "", "jump")]
    [InlineData("1 clap", "clap", "", "clap")]
    [InlineData("1-4 hold", "hold", "", "hold")]
    [InlineData("1-2 unwind 1/2 left", "unwind 1/2 left", "", "unwind 1/2 left")]
    public void A_step_is_called_as_it_was_written(string row, string called, string letter, string whole)
    {
        var wording = Of(row)[0];
        Assert.Equal((called, letter, whole), (wording.Called, wording.Letter, wording.ToString()));
    }

    [Fact]
    public void A_name_of_ones_own_is_the_name()
    {
        Assert.Equal("rope walk", Of("1-2 rope walk R", "step rope walk = step R across, step L across")[0].Name);
        Assert.Equal(["step", "clap"], Of("1 step R\n2 clap")
            .Select(w => w.Name));
    }

    [Theory]
    [InlineData("right arm up", "left arm up")]
    [InlineData("Left hand on the hip, R elbow", "Right hand on the hip, L elbow")]
    [InlineData("arms up", "arms up")]
    [InlineData("links Arm hoch", "links Arm hoch (other side)")]
    public void On_the_other_side_words_of_the_arms_change_sides(string words, string other) =>
        Assert.Equal(other, SideWords.Mirrored(words));

    [Theory]
    [InlineData("right arm up", LayerKind.Arms)]
    [InlineData("hips roll", LayerKind.Hips)]
    [InlineData("look left", LayerKind.Head)]
    [InlineData("clap", LayerKind.Sounds)]
    [InlineData("shout hey", LayerKind.Sounds)]
    [InlineData("clap hands", LayerKind.Sounds)]
    [InlineData("hands clap", LayerKind.Arms)]
    [InlineData("body roll", LayerKind.Body)]
    [InlineData("lantern high", LayerKind.Body)]
    public void A_layer_is_told_by_what_is_moved_or_heard(string words, LayerKind kind) => Assert.Equal(kind, WordedLayer.Read(words).Kind);

    [Theory]
    [InlineData("order V", "V")]
    [InlineData("order V[1-8]", "V, first half")]
    [InlineData("order V[9-16]", "V, second half")]
    [InlineData("order V[1-4]", "V, counts 1 to 4")]
    [InlineData("order V[5-12]", "V, counts 5 to 12")]
    public void A_part_is_called_by_how_much_of_it_is_danced(string order, string called)
    {
        var analysis = Analysis.Analyse($"part V\n1-8 march x8\n1-8 march x8\n{order}");
        Assert.Equal(called, PartWording.Name(analysis.Trace.Calls[0].Stretch));
    }

    [Fact]
    public void A_line_goes_by_its_name()
    {
        var part = Analysis.Analyse("part V\nline out and back\n1-8 march x8\n1-8 walk R, L, R, L, R, L, R, L").Trace.Parts[0].Part;
        Assert.Equal(["out and back", "2"], part.Lines.Select(PartWording.Name));
        Assert.Equal(["V: out and back", "V 2"], part.Lines.Select(l => PartWording.Name(part, l, several: true)));
        Assert.Equal(Foot.None, Of("1-4 hold")[0].Lead);
    }
}
