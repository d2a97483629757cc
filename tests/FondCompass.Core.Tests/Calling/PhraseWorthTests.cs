using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>What is worth saying of each phrase, the first time and later (calls, section 3).</summary>
public class PhraseWorthTests
{
    private static List<PhraseTelling> Tellings(string rows, int repeats, CallerWay way = CallerWay.Names)
    {
        var trace = Analysis.Analyse($"part A\n{rows}").Trace;
        var run = RunUnroller.Unroll(trace, Song.Steady(trace.TotalCounts * repeats, new Bpm(100)), 0);
        var cutter = new PhraseCutter(trace.Dance.Header, StepLexicon.Shipped, CallTongue.English);
        var worth = new PhraseWorth(new CallSettings(Rate.Full, 2, repeats) { Way = way }, loops: true);
        return [.. RunTimeline.ByStretch(run, run.Stretches)
            .SelectMany(s => cutter.Cut(s.Stretch, s.Actions))
            .Select(p => worth.Of(p, "A", (int)((p.From - p.Stretch.FromCount) * 8), otherSide: false))];
    }

    [Fact]
    public void A_way_that_changes_is_worth_most_the_first_time() =>
        Assert.Equal([40, 40, 12, 12, 12, 12, 0, 0], Tellings("1-4 walk forward R x4\n5-8 walk back R x4", 4).Select(t => t.Way));

    [Fact]
    public void A_name_is_worth_less_once_it_is_known_and_nothing_where_it_goes_on() =>
        Assert.Equal([30, 30, 12, 12, 12, 12, 0, 0], Tellings("1-4 rocking chair R\n5-8 jazz box R", 4).Select(t => t.Name));

    [Fact]
    public void A_turn_is_worth_the_same_each_time() =>
        Assert.All(Tellings("1-2 pivot 1/2 left R\n3-8 march R x6", 5).Where((_, i) => i % 2 == 0), t => Assert.Equal(40, t.Turn));

    [Fact]
    public void Over_the_beat_names_are_worth_nothing() =>
        Assert.All(Tellings("1-4 rocking chair R\n5-8 walk back R x4", 2, CallerWay.Beat), t => Assert.Equal((0, 0), (t.Name, t.Detail)));
}
