using System.Globalization;

namespace FondCompass.Core.Lessons;

/// <summary>The dances of a lesson that the class knows already: they come back where they are due, have the minutes they were given, and fill what is left.</summary>
internal sealed class KnownDances(LessonBrief brief)
{
    /// <summary>Seconds under which it is no use to begin a dance that is known.</summary>
    private const double Shortest = 60;

    /// <summary>The known dances, those least kept first.</summary>
    public IEnumerable<(LessonDance Dance, int Index)> InTurn =>
        brief.Dances.Select((d, i) => (Dance: d, Index: i)).Where(d => d.Dance.IsKnown && d.Dance.Analysis.Trace.TotalCounts > 0).OrderBy(d => d.Dance.Kept).ThenBy(d => d.Index);

    /// <summary>What is due comes back before anything new: of the time first spent on it, the share that is reckoned lost (rules, section 7).</summary>
    public IEnumerable<BlockDraft> Recaps => !brief.Recaps ? [] : InTurn.Where(d => d.Dance.Learned.Any(l => l.IsDue)).Select(d => SingleDraft.Fixed(
            new LessonBlock
            {
                Id = string.Create(CultureInfo.InvariantCulture, $"recap:{d.Index}"),
                Kind = BlockKind.Recap,
                Title = $"Recap {d.Dance.Title}",
                Dance = d.Index,
                Why = $"By the convention of spaced practice it is due when less than {Memory.Due:0%} of it is kept, with the share that is lost of the time first spent on it: {string.Join(
                    ", ", d.Dance.Learned.Where(l => l.IsDue).Select(l => string.Create(CultureInfo.InvariantCulture, $"{1 - l.Kept:0%} of {LessonWords.Clock(l.Seconds)}")))}.",
            },
            d.Dance.Learned.Sum(l => l.Recap)));

    /// <summary>Those that were given minutes; they have them before anything is repeated.</summary>
    public IEnumerable<BlockDraft> Pinned => InTurn.Where(d => IsPinned(d.Index)).Select(d => SingleDraft.Fixed(BlockOf(d.Dance, d.Index), OnceThrough(d.Dance)));

    /// <summary>Those that were taken out by hand.</summary>
    public IEnumerable<LessonBlock> TakenOut => InTurn.Where(d => IsTakenOut(d.Index) && !IsPinned(d.Index)).Select(d => BlockOf(d.Dance, d.Index));

    /// <summary>Known dances in turn, each once through to its music while there is time; the last has what is over. Those that were given minutes have them already.</summary>
    public List<LessonBlock> Filling(double left)
    {
        if (left < Shortest)
        {
            return [];
        }

        var blocks = new List<LessonBlock>();
        foreach (var (dance, index) in InTurn.Where(d => !IsPinned(d.Index) && d.Dance.Until is null && !IsTakenOut(d.Index)))
        {
            var once = Math.Round(OnceThrough(dance), 3);
            if (once > left && blocks.Count > 0)
            {
                break;
            }

            var seconds = Math.Min(once, left);
            left = Math.Round(left - seconds, 3);
            blocks.Add(BlockOf(dance, index) with { Seconds = seconds });
        }

        if (blocks.Count > 0 && left > 0)
        {
            blocks[^1] = blocks[^1] with { Seconds = Math.Round(blocks[^1].Seconds + left, 3), Why = $"{blocks[^1].Why} What is left over is here: again, or what they ask for." };
        }

        return blocks;
    }

    public static string IdOf(int index) => string.Create(CultureInfo.InvariantCulture, $"known:{index}");

    private static LessonBlock BlockOf(LessonDance dance, int index) => new()
    {
        Id = IdOf(index),
        Kind = BlockKind.Known,
        Title = $"{dance.Title}, which they know",
        Dance = index,
        Why = dance.Kept < 1 ? string.Create(CultureInfo.InvariantCulture, $"{dance.Kept:0%} is reckoned to be kept, by the convention of spaced practice{(dance.Kept < Memory.Due ? ": it is due" : "")}. To its music, and the time to gather.") : "To its music, and the time to gather.",
    };

    /// <summary>Seconds of a known dance: its track, else four times round.</summary>
    private double OnceThrough(LessonDance dance) =>
        brief.Pace.Regroup + (dance.Song?.Seconds ?? dance.Analysis.Trace.TotalCounts * (dance.Analysis.Dance.IsPhrased ? 1 : 4) * 60 / dance.Bpm);

    private bool IsPinned(int index) => brief.Changes.PinOf(IdOf(index))?.Seconds is not null;

    private bool IsTakenOut(int index) => brief.Changes.Removed.Contains(IdOf(index));
}
