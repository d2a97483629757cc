using FondCompass.Core.Calling;
using FondCompass.Core.Editing;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Planning;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Planning;

/// <summary>What one class is told otherwise, laid on the counts of the dance.</summary>
public class ClassCuesTests
{
    private static List<string> Own(Analysis dance) =>
        [.. dance.Trace.Parts.SelectMany(p => p.Part.Notes.Where(n => n.Kind == "cue").Select(n => $"{p.Part.Name}{n.Line} {n.Text}"))];

    [Fact]
    public void A_class_is_told_in_its_own_words()
    {
        var dance = Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L\ncue 5 away\n");
        var told = ClassCues.None.With(new ClassCue("A", 1, "5", "to the quay"))
            .With(new ClassCue("Z", 9, "1", "nowhere"))
            .With(new ClassCue("A", 1, "&8", "no such count"))
            .With(new ClassCue("a", 1, "1", "off # we go"))
            .With(new ClassCue("A", 1, "5", "home"));
        Assert.Equal(4, told.Cues.Count);
        Assert.Equal(["A1 off # we go", "A1 home"], Own(told.On(dance)));
        Assert.Equal(
            ["A1 off # we go", "A1 away"],
            Own(told.With(new ClassCue("A", 1, "5", "")).On(dance)).Order(StringComparer.Ordinal).Reverse());
        Assert.Same(dance, ClassCues.None.On(dance));
    }

    [Fact]
    public void It_is_told_at_each_call_of_a_part_and_on_lines_that_stand_for_others()
    {
        var dance =
            Analysis.Analyse(
                "part A\nline pier x2\n1-8 march R\nline quay\n1-4 vine R\nfirst time 5-8 vine L\nsecond time 5-8 march L\norder A A");
        var told = ClassCues.None.With(new ClassCue("A", 2, "1", "once more")).On(dance);
        Assert.All(
            told.Trace.Parts.Concat(told.Trace.LaterCalls),
            p => Assert.Contains(p.Part.Notes, n => n is { Line: 2, Text: "once more" }));
        Assert.NotEmpty(told.Trace.LaterCalls);
    }

    public static TheoryData<string> Demo => [.. Dances.Demo.Keys.Order(StringComparer.Ordinal)];

    /// <summary>It is called as if the words were written into the script, and the script's rows stay as they are.</summary>
    [Theory]
    [MemberData(nameof(Demo))]
    public void It_is_called_as_if_it_were_written(string name)
    {
        var script = Dances.Demo[name];
        var dance = Analysis.Analyse(script);
        var cues = dance.Trace.Parts.SelectMany(p => p.Actions.Select(a => (Part: p.Part.Name, a.Action)))
            // A row that is danced as several lines cannot be told of one of them in the script.
            .Where((a, i) => i % 3 == 0 && dance.Trace.Parts.SelectMany(p => p.Actions).Where(o => o.Action.Row == a.Action.Row)
                .All(o => o.Action.Line == a.Action.Line))
            .Take(15)
            .Select(a => new ClassCue(a.Part, a.Action.Line, a.Action.Beat.Label(dance.Dance.Header.LineCounts), $"own {a.Action.Line}"))
            .DistinctBy(c => (c.Part, c.Line, c.Count))
            .ToList();
        var written = cues.Aggregate(
            script,
            (text, c) => StepEdits.SetCue(text, StepLexicon.Shipped, c.Part, c.Line, c.Count, c.Words) is { Refusal: null } done
                ? done.Script
                : throw new InvalidOperationException($"{c.Part} {c.Line} {c.Count}"));
        var told = new ClassCues { Cues = cues }.On(dance);
        static List<string> Calls(Analysis a) =>
            [.. CueSheet.Write(
                    RunUnroller.Unroll(a.Trace, Song.Steady(200, new Bpm(100)), a.Dance.Header.Intro),
                    new CallSettings(Rate.Full, 2, 4))
                .Select(c => $"{c.At:0.000} {c.Words}")];
        Assert.Equal(Calls(Analysis.Analyse(written)), Calls(told));
        Assert.Equal(dance.Findings.Select(f => f.Place.Row), told.Findings.Select(f => f.Place.Row));
    }
}
