using System.Globalization;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Blocks;

/// <summary>
/// The dances of a lesson that the class knows already: they come back where they are due, have the minutes they were given, and fill what
/// is left.
/// </summary>
internal sealed class KnownDances(LessonBrief brief)
{
    /// <summary>Seconds under which it is no use to begin a dance that is known.</summary>
    private const double Shortest = 60;

    /// <summary>Songs of one known dance at the most.</summary>
    private const int MostTimes = 3;

    /// <summary>The known dances, those least kept first.</summary>
    public IEnumerable<(LessonDance Dance, int Index)> InTurn =>
        brief.Dances.Select((d, i) => (Dance: d, Index: i))
            .Where(d => d.Dance.IsKnown && d.Dance.Analysis.Trace.TotalCounts > 0)
            .OrderBy(d => d.Dance.Kept)
            .ThenBy(d => d.Index);

    /// <summary>"20% of 3:10".</summary>
    private static string Lost(Learned line) =>
        BlockTexts.LostOf(1 - line.Kept, LessonWords.Clock(line.Seconds));

    /// <summary>
    /// What is due comes back before anything new: of the time first spent on it, the share that is reckoned lost (rules, section 7).
    /// </summary>
    public IEnumerable<BlockDraft> Recaps =>
        !brief.Recaps || brief.Kind == LessonKind.Party
            ? []
            : InTurn.Where(d => d.Dance.Learned.Any(l => l.IsDue)).Select(d => SingleDraft.Fixed(
            new LessonBlock
            {
                Id = string.Create(CultureInfo.InvariantCulture, $"recap:{d.Index}"),
                Kind = BlockKind.Recap,
                Title = BlockTexts.Recap(d.Dance.Title),
                Dance = d.Index,
                Why =
                    BlockTexts.DueBySpacedPractice(Memory.Due, string.Join(", ", d.Dance.Learned.Where(l => l.IsDue).Select(Lost))),
            },
            d.Dance.Learned.Sum(l => l.Recap)));

    /// <summary>Those that were given minutes; they have them before anything is repeated.</summary>
    public IEnumerable<BlockDraft> Pinned =>
        InTurn.Where(d => IsPinned(d.Index)).Select(d => SingleDraft.Fixed(BlockOf(d.Dance, d.Index), OnceThrough(d.Dance)));

    /// <summary>Those that were taken out by hand.</summary>
    public IEnumerable<LessonBlock> TakenOut =>
        InTurn.Where(d => IsTakenOut(d.Index) && !IsPinned(d.Index)).Select(d => BlockOf(d.Dance, d.Index));

    /// <summary>A dance of a set, in its place, when it is known: its song once.</summary>
    public IEnumerable<BlockDraft> Set(int index) =>
        InTurn.Where(d => d.Index == index && !IsPinned(index) && !IsTakenOut(index))
            .Select(d => SingleDraft.Fixed(BlockOf(d.Dance, d.Index), OnceThrough(d.Dance)));

    /// <summary>
    /// Known dances in turn, each once through to its music while all of it fits, then each once more. Those that were given minutes have
    /// them already.
    /// </summary>
    public List<LessonBlock> Filling(double left)
    {
        var blocks = new List<LessonBlock>();
        var dances = InTurn.Where(d => !IsPinned(d.Index) && d.Dance.Until is null && !IsTakenOut(d.Index)).ToList();
        for (var round = 0; round < MostTimes; round++)
        {
            foreach (var (dance, index) in dances)
            {
                var once = Math.Round(OnceThrough(dance), 3);
                var place = blocks.FindIndex(b => b.Dance == index);
                if (once > left || left < Shortest || (round > 0 && place < 0))
                {
                    continue;
                }

                left = Math.Round(left - once, 3);
                var block = BlockOf(dance, index) with { Seconds = once };
                if (place < 0)
                {
                    blocks.Add(block);
                }
                else
                {
                    blocks[place] = block with
                    {
                        Seconds = Math.Round(blocks[place].Seconds + once, 3),
                        Repeats = round + 1,
                        Why = round == 1 ? BlockTexts.TimeForItTwice(block.Why) : BlockTexts.TimeForItAgain(block.Why, round + 1)
                    };
                }
            }
        }

        return blocks;
    }

    public static string IdOf(int index) => string.Create(CultureInfo.InvariantCulture, $"known:{index}");

    private static LessonBlock BlockOf(LessonDance dance, int index) => new()
    {
        Id = IdOf(index),
        Kind = BlockKind.Known,
        Title = BlockTexts.TheyKnowIt(dance.Title),
        Dance = index,
        Why = dance.Kept < 1
            ? BlockTexts.ReckonedToBeKept(dance.Kept, dance.Kept < Memory.Due ? BlockTexts.ItIsDue : Sentence.None)
            : BlockTexts.ToItsMusic,
    };

    /// <summary>Seconds of a known dance: its track, else four times round.</summary>
    private double OnceThrough(LessonDance dance) =>
        brief.Pace.Regroup
            + (dance.Song?.Seconds ?? dance.Analysis.Trace.TotalCounts * (dance.Analysis.Dance.IsPhrased ? 1 : 4) * 60 / dance.Bpm);

    private bool IsPinned(int index) => brief.Changes.PinOf(IdOf(index))?.Seconds is not null;

    private bool IsTakenOut(int index) => brief.Changes.Removed.Contains(IdOf(index));
}
