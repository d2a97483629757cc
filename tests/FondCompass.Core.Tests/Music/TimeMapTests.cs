using CsCheck;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using Xunit;

namespace FondCompass.Core.Tests.Music;

public class TimeMapTests
{
    private static readonly Gen<Passage> Passages = Gen.Select(
        Gen.Int[1, 60], Gen.Double[60, 180], Gen.Double[60, 180], Gen.Int[0, 2],
        (counts, from, to, kind) => new Passage("p", counts, from, kind switch { 0 => null, 1 => to, _ => from * 1.0000001 }));

    [Fact]
    public void Time_and_back_is_the_same_count_to_a_tenth_of_a_millisecond()
    {
        Passages.Array[200].Sample(
            passages =>
            {
                var song = new Song(passages);
                for (var count = 0.0; count <= song.Counts; count += song.Counts / 97.0)
                {
                    var seconds = song.Time.SecondsAt(new SongCount(count));
                    Assert.InRange(song.Time.SecondsAt(song.Time.CountAt(seconds)) - seconds, -0.0001, 0.0001);
                }
            },
            iter: Trials.Of(200));
    }

    [Fact]
    public void Time_only_goes_forward()
    {
        Passages.Array[1, 20].Sample(passages =>
        {
            var song = new Song(passages);
            var before = -1.0;
            for (var count = 0; count <= song.Counts; count++)
            {
                var now = song.Time.SecondsAt(count);
                Assert.True(now > before);
                before = now;
            }
        });
    }

    [Theory]
    [InlineData(0, "no passages")]
    [InlineData(1, "0 counts")]
    [InlineData(2, "tempo")]
    [InlineData(3, "at most 100000")]
    public void What_is_no_song_is_said(int which, string said)
    {
        IReadOnlyList<Passage> passages = which switch
        {
            0 => [],
            1 => [new Passage("verse", 0, 100)],
            2 => [new Passage("verse", 8, -3)],
            _ => [new Passage("a", 99_999, 100), new Passage("b", 2, 100)],
        };
        Assert.Contains(said, Song.ProblemWith(passages));
    }

    [Fact]
    public void With_rests_and_held_counts_there_and_back_is_still_the_same() => Gen.Select(
        Gen.Select(Gen.Int[1, 64], Gen.Double[60, 180], Gen.Double[60, 180], Gen.Int[0, 3]).Array[1, 30], Gen.Double[0.7, 1.4].Array[4])
            .Sample((rows, bends) =>
    {
        var passages = rows.Select((r, i) => r.Item4 == 0 && i > 0
            ? new Passage("rest", 0, 0) { Rest = r.Item1 / 8.0 }
            : new Passage("p", r.Item1, r.Item2, r.Item3))
            .ToList();
        var plain = new Song(passages);
        var anchors = new List<Anchor>();
        for (var i = 0; i < bends.Length; i++)
        {
            var count = plain.Counts * (i + 1) / bends.Length;
            if (count > (anchors.Count > 0 ? anchors[^1].Count : 0))
            {
                var before = anchors.Count > 0 ? anchors[^1] : new Anchor(0, 0);
                anchors.Add(new Anchor(
                    count,
                    before.Seconds + ((plain.Time.SecondsAt(count) - plain.Time.SecondsAt(before.Count)) * bends[i])));
            }
        }

        var song = new Song(passages, anchors);
        Assert.Null(Song.ProblemWith(plain, anchors));
        Assert.All(anchors.Where(a => a.Count < song.Counts), a => Assert.Equal(a.Seconds, song.Time.SecondsAt(a.Count), 6));
        for (var count = 0; count < song.Counts; count++)
        {
            Assert.Equal(count, song.Time.CountAt(song.Time.SecondsAt(count)), 6);
            Assert.True(song.Time.SecondsAt(count + 1) > song.Time.SecondsAt(count));
        }
    });
}
