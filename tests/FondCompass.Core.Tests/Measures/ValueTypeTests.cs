using CsCheck;
using FondCompass.Core.Measures;
using Xunit;

namespace FondCompass.Core.Tests.Measures;

/// <summary>A type for each meaning, each written and read back.</summary>
public class ValueTypeTests
{
    [Fact]
    public void Ticks_are_24_to_a_count_and_round_trip()
    {
        Assert.Equal(192, Tick.FromCounts(8).Value);
        Assert.Equal(1.5, new Tick(36).InCounts);
        Gen.Int.Sample(value => Assert.Equal(new Tick(value), Tick.Parse(new Tick(value).ToString())));
        Assert.Throws<FormatException>(() => Tick.Parse("a count"));
        Assert.False(Tick.TryParse("1.5", out _));
    }

    [Fact]
    public void Ticks_are_reckoned_with_exactly()
    {
        Gen.Select(Gen.Int[-10_000, 10_000], Gen.Int[-10_000, 10_000]).Sample((a, b) =>
        {
            Assert.Equal(new Tick(a + b), new Tick(a) + new Tick(b));
            Assert.Equal(new Tick(a), new Tick(a) + new Tick(b) - new Tick(b));
            Assert.Equal(a < b, new Tick(a) < new Tick(b));
            Assert.Equal(a <= b, new Tick(a) <= new Tick(b));
            Assert.Equal(a > b, new Tick(a) > new Tick(b));
            Assert.Equal(a >= b, new Tick(a) >= new Tick(b));
        });
    }

    [Theory]
    [InlineData(0, true, 0)]
    [InlineData(12, false, 1)]
    [InlineData(24, true, 1)]
    [InlineData(25, false, 2)]
    public void Ticks_know_whole_counts(int ticks, bool whole, int counts)
    {
        Assert.Equal(whole, new Tick(ticks).IsWhole);
        Assert.Equal(counts, new Tick(ticks).CountsRoundedUp);
    }

    [Theory]
    [InlineData("12", 0)]
    [InlineData("12:00", 0)]
    [InlineData("front", 0)]
    [InlineData("1:30", 1)]
    [InlineData("1.30", 1)]
    [InlineData("3", 2)]
    [InlineData("3 o'clock", 2)]
    [InlineData("4:30", 3)]
    [InlineData("6:00", 4)]
    [InlineData("Back", 4)]
    [InlineData("7:30", 5)]
    [InlineData("9", 6)]
    [InlineData("10:30", 7)]
    public void Facings_are_read_as_people_say_them(string text, int index) => Assert.Equal(index, Facing.Parse(text).Index);

    [Theory]
    [InlineData("2:00")]
    [InlineData("")]
    [InlineData("13")]
    [InlineData("side")]
    public void What_is_no_facing_is_refused(string text)
    {
        Assert.False(Facing.TryParse(text, out _));
        Assert.Throws<FormatException>(() => Facing.Parse(text));
    }

    [Fact]
    public void Facings_go_round_and_round_trip()
    {
        Gen.Select(Gen.Int[-100, 100], Gen.Int[-100, 100]).Sample((start, turn) =>
        {
            var facing = new Facing(start);
            Assert.Equal(facing, Facing.Parse(facing.ToString()));
            Assert.Equal(facing, facing + new Eighths(turn) + new Eighths(-turn));
            Assert.Equal(facing, facing + new Eighths(8));
            Assert.Equal(new Facing(start + turn), facing + new Eighths(turn));
            Assert.Equal(facing + new Eighths(turn), facing + ((facing + new Eighths(turn)) - facing));
            Assert.Equal(facing.Index % 2 == 1, facing.IsCorner);
            Assert.Equal(facing.Index * 45, facing.Degrees);
        });
    }

    [Theory]
    [InlineData(1, "1/8 right")]
    [InlineData(-2, "1/4 left")]
    [InlineData(3, "3/8 right")]
    [InlineData(-4, "1/2 left")]
    [InlineData(6, "3/4 right")]
    [InlineData(7, "7/8 right")]
    [InlineData(8, "1 right")]
    [InlineData(-9, "1 1/8 left")]
    [InlineData(12, "1 1/2 right")]
    [InlineData(16, "2 right")]
    [InlineData(0, "none")]
    public void Turns_are_written_as_people_say_them(int eighths, string text)
    {
        Assert.Equal(text, new Eighths(eighths).ToString());
        Assert.Equal(eighths, Eighths.Parse(text).Value);
    }

    [Theory]
    [InlineData("left")]
    [InlineData("1/3 left")]
    [InlineData("1/4")]
    [InlineData("1/4 up")]
    [InlineData("")]
    public void What_is_no_turn_is_refused(string text) => Assert.Throws<FormatException>(() => Eighths.Parse(text));

    [Theory]
    [InlineData("quarter", 2)]
    [InlineData("three quarters", 6)]
    [InlineData("three-eighths", 3)]
    [InlineData("five eighths", 5)]
    [InlineData("half", 4)]
    [InlineData("full", 8)]
    [InlineData("1 1/4", 10)]
    [InlineData("one half", 12)]
    [InlineData("¾", 6)]
    [InlineData("⅞", 7)]
    [InlineData("6/8", 6)]
    [InlineData("2/4", 4)]
    public void Amounts_are_read_in_words_and_figures(string text, int eighths)
    {
        Assert.True(TurnAmount.TryParse(text, out var read));
        Assert.Equal(eighths, read);
    }

    [Theory]
    [InlineData("1/3")]
    [InlineData("0/8")]
    [InlineData("1/0")]
    [InlineData("999/1")]
    [InlineData("some")]
    public void Amounts_that_nobody_can_turn_are_refused(string text) => Assert.False(TurnAmount.TryParse(text, out _));

    [Theory]
    [InlineData(0, 1)]
    [InlineData(8, 1)]
    [InlineData(-4, 2)]
    [InlineData(6, 4)]
    [InlineData(-6, 4)]
    [InlineData(3, 8)]
    [InlineData(-5, 8)]
    [InlineData(12, 2)]
    public void The_net_turn_says_how_many_walls(int net, int walls) => Assert.Equal(walls, new Eighths(net).Walls);

    [Fact]
    public void Turns_add_and_are_never_reduced()
    {
        Gen.Select(Gen.Int[-50, 50], Gen.Int[-50, 50]).Sample((a, b) =>
        {
            Assert.Equal(a + b, (new Eighths(a) + new Eighths(b)).Value);
            Assert.Equal(a - b, (new Eighths(a) - new Eighths(b)).Value);
            Assert.Equal(a * 3, (new Eighths(a) * 3).Value);
            Assert.Equal(Math.Abs(a), new Eighths(a).Size);
        });
    }

    [Theory]
    [InlineData("112", 112)]
    [InlineData("98.5", 98.5)]
    public void Tempos_round_trip(string text, double value)
    {
        Assert.Equal(value, Bpm.Parse(text).Value);
        Assert.Equal(text, Bpm.Parse(text).ToString());
        Assert.Equal(60 / value, Bpm.Parse(text).SecondsPerCount);
    }

    [Theory]
    [InlineData("0")]
    [InlineData("-10")]
    [InlineData("fast")]
    [InlineData("1e9")]
    [InlineData("NaN")]
    public void What_is_no_tempo_is_refused(string text)
    {
        Assert.False(Bpm.TryParse(text, out _));
        Assert.Throws<FormatException>(() => Bpm.Parse(text));
    }

    [Fact]
    public void A_tempo_of_nothing_cannot_be_made() => Assert.Throws<ArgumentOutOfRangeException>(() => new Bpm(0));

    [Theory]
    [InlineData(5, Fraction.Whole, "5", 96)]
    [InlineData(5, Fraction.E, "5e", 102)]
    [InlineData(5, Fraction.And, "5&", 108)]
    [InlineData(5, Fraction.A, "5a", 114)]
    [InlineData(0, Fraction.And, "&1", -12)]
    [InlineData(0, Fraction.A, "a1", -6)]
    [InlineData(0, Fraction.Whole, "8", -24)]
    [InlineData(-1, Fraction.Whole, "7", -48)]
    public void Beats_have_labels_and_ticks(int number, Fraction fraction, string label, int tick)
    {
        var beat = new Beat(number, fraction);
        Assert.Equal(label, beat.Label());
        Assert.Equal(tick, beat.ToTick(swing: false, bothInCount: false).Value);
        Assert.Equal(beat, Beat.FromStraightTick(new Tick(tick)));
        Assert.Equal(number <= 0, beat.IsPickUp);
    }

    [Theory]
    [InlineData(Fraction.And, false, 16)]
    [InlineData(Fraction.A, false, 16)]
    [InlineData(Fraction.And, true, 8)]
    [InlineData(Fraction.A, true, 16)]
    [InlineData(Fraction.E, false, 6)]
    [InlineData(Fraction.Whole, true, 0)]
    public void Swing_sets_the_finer_beats_later(Fraction fraction, bool both, int tick) =>
        Assert.Equal(tick, new Beat(1, fraction).ToTick(swing: true, both).Value);

    [Fact]
    public void Beats_are_in_order_of_time()
    {
        Gen.Select(Gen.Int[-1, 9], Gen.Int[0, 3], Gen.Int[-1, 9], Gen.Int[0, 3]).Sample((n, f, m, g) =>
        {
            var one = new Beat(n, (Fraction)f);
            var two = new Beat(m, (Fraction)g);
            var ticks = one.ToTick(false, false).CompareTo(two.ToTick(false, false));
            Assert.Equal(Math.Sign(ticks), Math.Sign(one.CompareTo(two)));
            Assert.Equal(ticks < 0, one < two);
            Assert.Equal(ticks <= 0, one <= two);
            Assert.Equal(ticks > 0, one > two);
            Assert.Equal(ticks >= 0, one >= two);
        });
        Assert.Null(Beat.FromStraightTick(new Tick(5)));
    }

    [Theory]
    [InlineData("R", Foot.Right)]
    [InlineData("left", Foot.Left)]
    [InlineData("RF", Foot.Right)]
    [InlineData("Both", Foot.Both)]
    public void Feet_are_read_in_any_case(string text, Foot foot)
    {
        Assert.True(Feet.TryParse(text, out var read));
        Assert.Equal(foot, read);
        Assert.Equal(foot, foot.Other().Other());
    }

    [Fact]
    public void Weight_and_free_foot_are_each_others_mirror()
    {
        Assert.Equal(Foot.Right, Weight.Left.FreeFoot());
        Assert.Equal(Foot.Left, Weight.Left.StandingFoot());
        Assert.Equal(Foot.None, Weight.Both.FreeFoot());
        Assert.Equal(Foot.None, Weight.Unknown.StandingFoot());
        Assert.Equal(Weight.Right, Weight.Left.Other());
        Assert.Equal(Weight.Both, Weight.Both.Other());
        Assert.Equal(
            ("L", "R", "both", "unknown"),
            (Weight.Left.Letter(), Weight.Right.Letter(), Weight.Both.Letter(), Weight.Unknown.Letter()));
        Assert.Equal(("L", "R", "both", "none"), (Foot.Left.Letter(), Foot.Right.Letter(), Foot.Both.Letter(), Foot.None.Letter()));
        Assert.False(Feet.TryParse("knee", out _));
    }

    [Fact]
    public void A_place_in_a_song_is_made_of_whole_counts_or_by_saying_so()
    {
        SongCount at = 8;
        Assert.Equal(7.5, at.After(-0.5).Value);
        Assert.True(at < at.After(0.25) && at >= 8 && new Seconds(2) > new Seconds(1.5));
        Assert.Equal(("7.5", "1.25", "1.3"), ($"{at.After(-0.5)}", $"{new Seconds(1.25)}", new Seconds(1.26).ToString("0.0")));
    }
}
