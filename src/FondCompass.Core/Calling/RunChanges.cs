using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Runs;

namespace FondCompass.Core.Calling;

/// <summary>Something structural that comes: the next part, a tag, a restart, the last time, the ending, another tempo.</summary>
/// <param name="At">Song count at which it comes.</param>
/// <param name="Until">Song count up to which it is what is danced.</param>
/// <param name="Words">Ways of telling it, the fullest first.</param>
/// <param name="Stretch">The stretch that begins, or that ends with it.</param>
internal sealed record RunChange(int At, int Until, IReadOnlyList<string> Words, RunStretch Stretch);

/// <summary>What changes over a run, each told once (calls, section 2).</summary>
internal sealed class RunChanges(CallTongue tongue)
{
    /// <summary>Music that is faster or slower by this factor than before is told.</summary>
    private const double Faster = 1.02;

    public List<RunChange> Of(DanceRun run, IReadOnlyList<RunStretch> stretches)
    {
        var changes = new List<RunChange>();
        var eight = run.Trace.Dance.Header.LineCounts;
        var restarts = run.Events.Where(e => e.Kind == RunEventKind.Restart).Select(e => e.AtCount).ToHashSet();
        var told = new HashSet<string>();
        for (var i = 0; i < stretches.Count; i++)
        {
            var words = i == 0
                ? FirstWords(run, stretches[0])
                : WordsOf(run, stretches[i - 1], stretches[i], restarts.Contains(stretches[i].FromCount), told);
            told.Add(stretches[i].Called);
            if (words.Count == 0)
            {
                continue;
            }

            // What is shorter than an eight is told with what follows it, the same twice once.
            var (until, next) = (stretches[i].ToCount, i + 1);
            if (stretches[i].ToCount - stretches[i].FromCount < eight && next < stretches.Count)
            {
                var then = WordsOf(run, stretches[i], stretches[next], restarts.Contains(stretches[next].FromCount), told);
                words = words[0] == then[0]
                    ? words
                    : [.. new[]
                    {
                        CallTongue.Say(tongue.Then, words[0], then[0]),
                        CallTongue.Say(tongue.Then, words[^1], then[^1])
                    }.Distinct()];
                told.Add(stretches[next].Called);
                until = stretches[next].ToCount;
            }

            changes.Add(new RunChange(stretches[i].FromCount, until, words, stretches[i]));
            i += until == stretches[i].ToCount ? 0 : 1;
        }

        changes.AddRange(Tempi(run, stretches));
        if (stretches.Count > 0 && stretches[^1] == run.Stretches[^1])
        {
            changes.Add(new RunChange(stretches[^1].ToCount, stretches[^1].ToCount, [tongue.Finish], stretches[^1]));
        }

        return [.. changes.OrderBy(c => c.At)];
    }

    /// <summary>The part that an order begins with is named like every other.</summary>
    private List<string> FirstWords(DanceRun run, RunStretch first) => run.Trace.Dance.IsPhrased && !run.IsExcerpt ? [NameOf(first)] : [];

    private IEnumerable<RunChange> Tempi(DanceRun run, IReadOnlyList<RunStretch> stretches)
    {
        var passages = run.Song.Passages;
        for (var i = 1; i < passages.Count; i++)
        {
            var count = run.Song.Starts[i];
            if (stretches.Count == 0 || count <= stretches[0].FromCount || count >= stretches[^1].ToCount || passages[i].Rest is not null)
            {
                continue;
            }

            var (before, after) = (run.Song.Time.BpmAt(new SongCount(count - 0.001)), run.Song.Time.BpmAt(new SongCount(count + 0.001)));
            if (after > Faster * before || before > Faster * after)
            {
                yield return new RunChange(
                    count,
                    count,
                    [after > before ? tongue.Faster : tongue.Slower],
                    stretches.First(s => count < s.ToCount));
            }
        }
    }

    private List<string> WordsOf(DanceRun run, RunStretch before, RunStretch next, bool restart, HashSet<string> told)
    {
        var name = NameOf(next);
        if (next.IsTag)
        {
            return [name];
        }

        if (restart)
        {
            return [tongue.Restart, tongue.RestartShort];
        }

        var otherSide = next.Stretch.Mirrored != before.Stretch.Mirrored && !before.IsTag;
        var isLast = next == run.Stretches.LastOrDefault(s => !s.IsTag);
        if (run.Trace.Dance.IsPhrased || run.IsExcerpt)
        {
            return run.IsExcerpt ? ExcerptWords(run, before, next, otherSide)
                : next.Part == before.Part && next.Called == before.Called && !before.IsTag
                    ? otherSide ? [OtherSide(name), tongue.OtherSide] : [CallTongue.Say(tongue.NameAgain, name), tongue.Again]
                : told.Contains(next.Called) && otherSide && next.Stretch.Mirrored ? [OtherSide(name)]
                : [name];
        }

        return isLast ? [tongue.Last] : otherSide ? [tongue.OtherSide] : [tongue.Top];
    }

    private List<string> ExcerptWords(DanceRun run, RunStretch before, RunStretch next, bool otherSide) =>
        next.Repeat == before.Repeat ? [NameOf(next)]
        : next == run.Stretches.First(s => s.Repeat == run.Stretches[^1].Repeat) ? [tongue.Last]
        : otherSide ? [tongue.OtherSide] : [tongue.Again];

    private string OtherSide(string name) => CallTongue.Say(tongue.NameOtherSide, name);

    /// <summary>A part or tag as it is said: by its name, one of a single letter with what it is.</summary>
    private string NameOf(RunStretch stretch)
    {
        var bare = stretch.Called.Split(',')[0];
        return bare.Length == 1 ? CallTongue.Say(stretch.IsTag ? tongue.Tag : tongue.Part, stretch.Called) : stretch.Called;
    }
}
