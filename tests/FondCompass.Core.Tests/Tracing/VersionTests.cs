using FondCompass.Core.Actions;
using FondCompass.Core.Tracing;
using Xunit;

namespace FondCompass.Core.Tests.Tracing;

/// <summary>A dance with one of its variants danced throughout.</summary>
public sealed class VersionTests
{
    private const string Dance = """
        part A
        1-4 rolling vine R
        easier 1-4 vine R
        5-8 rolling vine L
        easier 5-8 vine L
        version island 5-8 vine L with 1/4 left
        part B
        1-8 hold
        part B easier
        1-4 rocking chair R
        5-8 rocking chair R
        order A B
        """;

    private static IEnumerable<string> Steps(DanceTrace trace) =>
        trace.Parts.SelectMany(p => p.Actions.Where(a => a.Action.StartsCall).Select(a => $"{p.Part.Name} {a.Action.Step}"));

    private static DanceTrace With(string name)
    {
        var actions = Analysis.Analyse(Dance).Trace.Actions;
        return DanceTracer.Trace(actions.With(Versions.Find(actions, name)!));
    }

    [Fact]
    public void All_variants_are_known_each_once() =>
        Assert.Equal(["easier", "version island"], Versions.All(Analysis.Analyse(Dance).Trace.Actions).Select(l => l.ToString()));

    [Theory]
    [InlineData("easier", "A vine|A vine|B rocking chair|B rocking chair")]
    [InlineData("EASIER", "A vine|A vine|B rocking chair|B rocking chair")]
    [InlineData("island", "A rolling vine|A vine|B hold")]
    public void Danced_throughout_it_takes_the_place_of_what_it_stands_in_for(string name, string steps) =>
        Assert.Equal(steps.Split('|'), Steps(With(name)));

    [Fact]
    public void Its_own_turns_count() =>
        Assert.Equal(("12:00", "9:00"), (With("easier").EndFacing.ToString(), With("version island").EndFacing.ToString()));

    [Fact]
    public void What_nobody_wrote_is_not_there() => Assert.Null(Versions.Find(Analysis.Analyse(Dance).Trace.Actions, "showier"));
}
