using CsCheck;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Planning;

/// <summary>What a lesson is asked to be: changed by presses, kept as JSON, and read again as it was.</summary>
public class LessonAskedTests
{
    private static readonly BlockSeen Walk = new("walk:A:2", 130, null, "walk:A:1", "walk:A:3", new BiteSeen(1, "A", 2, 2, 8));

    private static readonly BlockSeen Danced = new("dance:A:1", 61, 3, "", null);

    /// <summary>The words in which choices stand in requests, forms and all that is kept: who renames a choice breaks these.</summary>
    [Fact]
    public void Choices_have_their_words()
    {
        Assert.Equal(
            "add-on pairs last-part-first parts follow-along layer-rounds move-by-move pool",
            string.Join(' ', WayWords.Orders.Keys));
        Assert.Equal("hall breakdown fitness song party circle", string.Join(' ', WayWords.Kinds.Keys));
        Assert.Equal("quick brisk unhurried", string.Join(' ', WayWords.Paces.Keys));
        Assert.Equal("feet-first all-at-once", string.Join(' ', WayWords.LayerSchools.Keys));
        Assert.Equal("weighted alike first-only", string.Join(' ', WayWords.WallSchools.Keys));
        Assert.Equal("late early", string.Join(' ', WayWords.MusicSchools.Keys));
        Assert.Equal("fading steady", string.Join(' ', WayWords.CueSchools.Keys));
        Assert.Equal("run-on stop", string.Join(' ', WayWords.MistakeSchools.Keys));
        Assert.Equal("look-back runs-only one-run", string.Join(' ', WayWords.ProgressSchools.Keys));
        Assert.Equal(["down", "down-fours", "fours", "names", "rhythm", "up"], WayWords.CountStyles.Keys.Order(StringComparer.Ordinal));
        Assert.Equal("names beat fading feet", string.Join(' ', WayWords.CallerWays.Keys));
        Assert.Equal("beginner improver regular mixed", string.Join(' ', WayWords.Levels.Keys));
        Assert.Equal(("cool-down", ""), (WayWords.Of(BlockKind.CoolDown), WayWords.Of((PaceName?)null)));
        Assert.All(WayWords.Orders, o => Assert.Equal(o.Key, WayWords.Of(o.Value)));
    }

    [Fact]
    public void It_is_written_in_one_form()
    {
        var asked = new LessonAsked
        {
            Kind = LessonKind.Party,
            Minutes = 45,
            Way = new WayAsked
            {
                Order = TeachingOrder.LastPartFirst,
                Demonstration = false,
                Ladder = [new Rate(60), new Rate(112.5)],
                CountIn = 0
            },
            Version = "easier",
            WarmUp = ["march"],
            Changes = new BlockChanges
            {
                Pins = [new BlockPin("walk:A:1", 90)],
                Added = [new OwnBlock("own:1", "Talk “é”", 60)],
                Removed = ["show"]
            },
            Cuts = [new BiteCut(0, "A", 1, 4)],
            Spans = [new BiteSpan(0, 2)],
        };
        Assert.Equal(
            """{"format":1,"kind":"party","minutes":45,"way":{"order":"last-part-first","demonstration":false,"ladder":[60,112.5],"countIn":0},"version":"easier","withoutRecaps":false,"warmUp":["march"],"coolDown":[],"changes":{"pins":[{"block":"walk:A:1","seconds":90}],"added":[{"id":"own:1","title":"Talk “é”","seconds":60}],"moves":[],"removed":["show"],"split":[]},"cuts":[{"dance":0,"part":"A","line":1,"splitAt":4}],"spans":[{"dance":0,"from":2}]}""",
            KeptJson.Write(asked));
    }

    private static readonly Gen<string> Words = Gen.OneOf(
        Gen.String[0, 12].Select(s => s.Replace("\0", "", StringComparison.Ordinal)),
        Gen.OneOfConst("", "walk:A:2", "Lanterns; out = now / 100%*!", "<b onclick=\"x\">'&\t\\", "Ünïcode ☂ 🎈", "own:1"))
        // Half of a character is no text.
        .Where(s => !s.Any(char.IsSurrogate) || s == "Ünïcode ☂ 🎈");

    private static Gen<T?> Maybe<T>()
        where T : struct, Enum => Gen.OneOfConst([.. Enum.GetValues<T>().Cast<T?>(), null]);

    private static readonly Gen<WayAsked> Ways = Gen.Select(
        Maybe<PaceName>(),
        Maybe<TeachingOrder>(),
        Gen.OneOfConst<bool?>(true, false, null),
        Gen.Int[10, 200].List[0, 5],
        Maybe<WallSchool>(),
        Maybe<CountStyle>(),
        Maybe<ProgressSchool>(),
        Gen.Int[0, 64])
        .Select((pace, order, show, ladder, walls, counting, progress, countIn) => new WayAsked
        {
            Pace = pace,
            Order = order,
            Demonstration = show,
            Ladder = countIn % 2 == 0 ? null : [.. ladder.Select(r => new Rate(r + 0.25 > 200 ? r : r + 0.25))],
            Walls = walls,
            Counting = counting,
            Progress = progress,
            CountIn = countIn > 8 ? null : countIn,
            Until = countIn == 0 ? null : countIn,
        });

    private static readonly Gen<LessonAsked> Lessons = Gen.Select(
        Ways,
        Maybe<LessonKind>(),
        Gen.Int[5, 540],
        Words.Array[0, 4],
        Words.Array[0, 4],
        Words,
        Gen.Double[0, 9000])
        .Select((way, kind, minutes, moves, blocks, word, seconds) => new LessonAsked
        {
            Way = way,
            Kind = kind,
            Minutes = minutes,
            Version = word,
            WarmUp = moves,
            CoolDown = [.. moves.Reverse()],
            WithoutRecaps = minutes % 2 == 0,
            Changes = new BlockChanges
            {
                Pins = [.. blocks.Select((b, i) => new BlockPin(b, i % 2 == 0 ? seconds : null, i % 2 == 0 ? null : i))],
                Added = [.. blocks.Select((b, i) => new OwnBlock($"own:{i}", b, seconds, i % 2 == 0 ? i : null, i % 2 == 0 ? b : null))],
                Moves = [.. blocks.Select(b => new BlockMove(b, word))],
                Removed = blocks,
                Split = blocks,
            },
            Cuts = [.. blocks.Select((b, i) => new BiteCut(i, b, i + 1, i % 2 == 0 ? 4 : null))],
            Spans = [.. blocks.Select((_, i) => new BiteSpan(i, i, i % 2 == 0 ? null : i))],
        });

    [Fact]
    public void Whatever_is_asked_is_read_as_it_was_written() =>
        Lessons.Sample(
            asked => Assert.Equal(KeptJson.Write(asked), KeptJson.Write(KeptJson.Read<LessonAsked>(KeptJson.Write(asked)))),
            iter: 2000);

    [Theory]
    [InlineData("", "cannot be read")]
    [InlineData("{", "cannot be read")]
    [InlineData("[]", "is no LessonAsked as it is kept")]
    [InlineData("null", "is no LessonAsked as it is kept")]
    [InlineData("""{"minutes":60}""", "has no \"format\"")]
    [InlineData("""{"format":"1"}""", "has no \"format\"")]
    [InlineData("""{"format":0}""", "written in format 0")]
    [InlineData("""{"format":2,"minutes":60}""", "by a later version of the program")]
    [InlineData("""{"format":1,"hours":2}""", "hours")]
    [InlineData("""{"format":1,"kind":"ball"}""", "kind")]
    [InlineData("""{"format":1,"kind":3}""", "kind")]
    [InlineData("""{"format":1,"way":null}""", "way")]
    [InlineData("""{"format":1,"way":{"ladder":[9.9]}}""", "no rate from 10 to 200 percent")]
    [InlineData("""{"format":1,"way":{"ladder":[60,61,62,63,64,65,66,67,68,69,70,71,72]}}""", "at most 12 rungs, not 13")]
    [InlineData("""{"format":1,"way":{"countIn":-1}}""", "from 0 to 64 counts, not -1")]
    [InlineData("""{"format":1,"way":{"countIn":65}}""", "from 0 to 64 counts, not 65")]
    [InlineData("""{"format":1,"way":{"until":0}}""", "from 1 bite on, not 0")]
    [InlineData("""{"format":1,"minutes":4}""", "from 5 to 540 minutes, not 4")]
    [InlineData("""{"format":1,"minutes":541}""", "from 5 to 540 minutes, not 541")]
    [InlineData("""{"format":1,"changes":{"pins":[{"seconds":4}]}}""", "block")]
    public void What_is_no_such_thing_is_refused_and_said(string text, string says) =>
        Assert.Contains(says, Assert.Throws<KeptFormatException>(() => KeptJson.Read<LessonAsked>(text)).Message, StringComparison.Ordinal);

    [Theory]
    [InlineData(BlockPress.OnceLess, null, 2)]
    [InlineData(BlockPress.OnceMore, null, 4)]
    [InlineData(BlockPress.MinuteLess, 0.0, null)]
    [InlineData(BlockPress.MinuteMore, 120.0, null)]
    [InlineData(BlockPress.KeepSo, 61.0, null)]
    public void A_press_settles_a_block(BlockPress press, double? seconds, int? repeats)
    {
        var asked = LessonAsked.Usual.With(BlockPress.OnceMore, Danced with { Repeats = 8 }).With(press, Danced);
        Assert.Equal([new BlockPin("dance:A:1", seconds, repeats)], asked.Changes.Pins);
        Assert.Empty(asked.With(BlockPress.LetGo, Danced).Changes.Pins);
    }

    [Fact]
    public void Numbers_have_their_bounds()
    {
        Assert.Equal(1, LessonAsked.Usual.With(BlockPress.OnceLess, Danced with { Repeats = 1 }).Changes.Pins[0].Repeats);
        Assert.Equal(99, LessonAsked.Usual.With(BlockPress.OnceMore, Danced with { Repeats = 99 }).Changes.Pins[0].Repeats);
        Assert.Equal(
            LessonBrief.Longest * 60,
            LessonAsked.Usual.With(BlockPress.MinuteMore, Danced with { Seconds = 1e6 }).Changes.Pins[0].Seconds);
        Assert.Equal(60, LessonAsked.Usual.With(BlockPress.MinuteMore, Danced with { Seconds = 29 }).Changes.Pins[0].Seconds);
        Assert.Equal(120, LessonAsked.Usual.With(BlockPress.MinuteMore, Danced with { Seconds = 31 }).Changes.Pins[0].Seconds);
        // Where nothing is repeated there is nothing to repeat once more, and what stands nowhere goes nowhere.
        Assert.Same(LessonAsked.Usual, LessonAsked.Usual.With(BlockPress.OnceMore, Walk));
        Assert.Same(LessonAsked.Usual, LessonAsked.Usual.With(BlockPress.Later, Danced));
        Assert.Same(LessonAsked.Usual, LessonAsked.Usual.With(BlockPress.Earlier, new BlockSeen("walk:Z:9")));
        Assert.Same(LessonAsked.Usual, LessonAsked.Usual.With(BlockPress.AsTwoBites, Walk with { Bite = Walk.Bite! with { Counts = 1 } }));
    }

    [Fact]
    public void Blocks_are_put_elsewhere_halved_and_taken_out()
    {
        var asked = LessonAsked.Usual.With(BlockPress.Earlier, Danced).With(BlockPress.Later, Walk).With(BlockPress.Earlier, Walk);
        // Put further and further it is written once; where another was put between, its own move stands before that.
        Assert.Equal([new BlockMove("dance:A:1", ""), new BlockMove("walk:A:2", "walk:A:1")], asked.Changes.Moves);
        Assert.Equal(3, asked.With(BlockPress.Earlier, Danced).Changes.Moves.Count);
        asked = asked.With(BlockPress.InTwo, Walk)
            .With(BlockPress.InTwo, Walk)
            .With(BlockPress.TakeOut, Danced)
            .With(BlockPress.TakeOut, Danced);
        Assert.Equal(["walk:A:2"], asked.Changes.Split);
        Assert.Equal(["dance:A:1"], asked.Changes.Removed);
        Assert.Equal(4, asked.Changes.Count());
        Assert.Empty(asked.With(BlockPress.InOne, Walk).Changes.Split);
        Assert.Empty(asked.With(BlockPress.PutBack, Danced).Changes.Removed);
    }

    [Fact]
    public void A_block_of_ones_own_has_its_length_and_is_gone_with_all_that_was_said_of_it()
    {
        var changes = BlockChanges.None.With("Lanterns", 90, 0, "A:2", "warm-up").With("Talk", 60, null, null, "own:1");
        Assert.Equal([new OwnBlock("own:1", "Lanterns", 90, 0, "A:2"), new OwnBlock("own:2", "Talk", 60)], changes.Added);
        changes = changes.Settled("own:1", 120, null).Settled("own:1", null, 4).Halved("own:1", true);
        Assert.Equal((120, 4), (changes.Added[0].Seconds, changes.PinOf("own:1")!.Repeats));
        var gone = changes.TakenOut("own:1");
        Assert.Equal([new OwnBlock("own:2", "Talk", 60)], gone.Added);
        Assert.Equal([new BlockMove("own:2", "own:1")], gone.Moves);
        Assert.Equal((0, 0, 0), (gone.Pins.Count, gone.Removed.Count, gone.Split.Count));
        // A number is given once, though an earlier one is gone.
        Assert.Equal("own:3", gone.With("More", 60, null, null, "").Added[^1].Id);
    }

    [Fact]
    public void Lines_are_cut_otherwise_and_dances_keep_their_own()
    {
        var asked = LessonAsked.Usual.With(BlockPress.AsTwoBites, Walk);
        Assert.Equal([new BiteCut(1, "A", 2, 4)], asked.Cuts);
        asked = asked.With(BlockPress.WithNextLine, Walk);
        Assert.Equal([new BiteCut(1, "A", 2)], asked.Cuts);
        Assert.Empty(asked.With(BlockPress.AsWritten, Walk with { Bite = Walk.Bite! with { LastLine = 3 } }).Cuts);
        Assert.Equal(asked.Cuts, asked.With(BlockPress.AsWritten, Walk with { Bite = Walk.Bite! with { Dance = 0 } }).Cuts);
        asked = asked with { Cuts = [.. asked.Cuts, new BiteCut(2, "B", 1)], Spans = [new BiteSpan(0, 1), new BiteSpan(2, 3, 5)] };
        Assert.Equal((3, 5), (asked.SpanOf(2).From, asked.SpanOf(2).Until!.Value));
        Assert.Equal(new BiteSpan(1, 0), asked.SpanOf(1));
        // Without the second dance the third is the second.
        var without = asked.WithoutDance(1);
        Assert.Equal([new BiteCut(1, "B", 1)], without.Cuts);
        Assert.Equal([new BiteSpan(0, 1), new BiteSpan(1, 3, 5)], without.Spans);
    }

    [Fact]
    public void A_way_is_laid_over_what_is_suggested()
    {
        var suggested = LessonKinds.RulesOf(LessonKind.Breakdown).Way(false);
        Assert.Equal(suggested, WayAsked.AsSuggested.Over(suggested));
        Assert.True(suggested.RunIsGift);
        Assert.False(new WayAsked { Progress = ProgressSchool.OneRun }.Over(suggested).RunIsGift);
        // A whole way is itself, over whatever is suggested.
        var own = new TeachingWay
        {
            Order = TeachingOrder.Pairs,
            Ladder = [],
            CountIn = 0,
            Until = 3,
            Counting = CountStyle.Down,
            Pace = PaceName.Quick
        };
        Assert.Equal(own, WayAsked.From(own).Over(new TeachingWay { Ladder = [new Rate(80)], Demonstration = false }));
    }
}
