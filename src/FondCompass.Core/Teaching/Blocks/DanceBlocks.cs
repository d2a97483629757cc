using System.Globalization;
using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Blocks;

/// <summary>The blocks in which one dance is taught, their repeats not settled yet (rules, section 7).</summary>
internal sealed partial class DanceBlocks
{
    /// <summary>
    /// Repeats by fit at the most: of a bite, of one whose steps are all known, of a chain, of a rung, and songs (rules, section 7).
    /// </summary>
    private const int MostOfBite = 4, MostOfKnown = 8, MostOfChain = 3, MostOfRung = 2, MostSongs = 3;

    /// <summary>Repeats of a pattern without a song at the most.</summary>
    private const int MostRepeats = 8;

    /// <summary>Counts of an order, folded, over which it is also walked by names.</summary>
    private const int LongOrder = 128;

    /// <summary>The share of a new bite's walking time that its other side costs.</summary>
    private const double OtherSideShare = 0.4;

    /// <summary>Seconds to walk one call of an order by its name.</summary>
    private const double MapCall = 4;

    /// <summary>Seconds of a look back, of a drink in the middle, and between two hard runs.</summary>
    private const double LookBackSeconds = 60, WaterSeconds = 120, BreathSeconds = 60;

    /// <summary>Things to watch for in one block at the most; nobody looks after more.</summary>
    private const int MostWatched = 12;

    private readonly LessonBrief _brief;
    private readonly LessonDance _dance;
    private readonly int _index;
    private readonly string _prefix;
    private readonly IReadOnlyList<Bite> _bites;
    private readonly List<TaughtUnit> _units;
    private readonly bool _isWhole;

    /// <summary>Units that earlier lessons taught.</summary>
    private readonly int _before;
    private readonly int _countIn;

    /// <summary>What is danced once through, folded.</summary>
    private readonly IReadOnlyList<TracedCall> _order;
    private readonly BiteCues? _cues;
    private readonly List<BlockDraft> _drafts = [];

    /// <param name="index">Place of the dance in the lesson, from 0.</param>
    /// <param name="bites">What is taught of it.</param>
    /// <param name="isWhole">Those are all of it; else nothing is danced to its end.</param>
    /// <param name="cues">For what is said and watched; null where only the minutes are wanted.</param>
    public DanceBlocks(LessonBrief brief, int index, IReadOnlyList<Bite> bites, bool isWhole, BiteCues? cues)
    {
        _brief = brief;
        _index = index;
        _dance = brief.Dances[index];
        _prefix = index == 0 ? "" : string.Create(CultureInfo.InvariantCulture, $"{index + 1}.");
        _bites = bites;
        _units = TeachingMoves.Units(bites, _dance.From);
        _before = _units.Count - TeachingMoves.Units([.. bites.Skip(_dance.From)], 0).Count;
        // Where only tags are written there is nothing to go round.
        _isWhole = isWhole && _dance.Analysis.Trace.TotalCounts > 0;
        // The pool of a free order has no whole: its moves are danced as they are called.
        _order = Trace.Dance.IsPhrased && _isWhole ? OrderFold.Fold(Trace.Calls) : Trace.Calls;
        _countIn = brief.Way.CountIn ?? _dance.Analysis.Dance.Header.CountIn;
        _cues = cues;
    }

    private TeachingWay Way => _brief.Way;

    private KindRules Rules => _brief.Rules;

    private DanceTrace Trace => _dance.Analysis.Trace;

    private bool IsPhrased => Trace.Dance.IsPhrased;

    private bool IsFree => Trace.Dance.IsFree || Way.Order == TeachingOrder.Pool;

    /// <summary>The order is danced folded, so that the whole is not all that its trace goes through.</summary>
    private bool IsFolded => _isWhole && _order.Count < Trace.Calls.Count;

    /// <summary>
    /// Counts of what is danced once through: the pattern, the order once, folded; of an unfinished dance what is taught of it.
    /// </summary>
    private int WholeCounts => _isWhole ? _order.Sum(c => c.Stretch.Counts) : _bites.Sum(b => b.Counts);

    /// <summary>The rate at which a bite is danced first.</summary>
    private Rate FirstRate => Way.Ladder.Count > 0 ? Way.Ladder[0] : Rules.BiteRate;

    /// <summary>The rate of what is danced at tempo: the ladder's last rung, else full.</summary>
    private Rate LastRate => Way.Ladder.Count > 0 ? Way.Ladder[^1] : Rate.Full;

    public List<BlockDraft> Drafts()
    {
        if (_bites.Count == 0)
        {
            return [];
        }

        if (Way.Demonstration
            && Rules.Shown != Shown.EachMove
            && !(Way.Order == TeachingOrder.MoveByMove && Rules.Kind == LessonKind.Breakdown))
        {
            AddDanced(
                BlockKind.Show,
                "show",
                IsFree ? BlockTexts.ShowTheMoves : BlockTexts.ShowItWhole,
                _bites,
                WholeCounts,
                Rules.Kind == LessonKind.Breakdown ? FirstRate : Rate.Full,
                1,
                most: 1,
                worth: 0);
        }

        if (Way.Order == TeachingOrder.LayerRounds)
        {
            AddRounds();
        }
        else
        {
            AddTaught();
        }

        if (_isWhole)
        {
            if (!IsFree)
            {
                AddWalls();
            }

            AddMusic();
        }

        return Rules.Breathes && Way.Order != TeachingOrder.FollowAlong ? Breathing() : _drafts;
    }

    /// <summary>
    /// The whole at the rungs above the one it was joined at; moves one by one are put in a row only where no song is run.
    /// </summary>
    /// <param name="reached">The rung at which it was joined; null where it was not.</param>
    private void AddWhole(Rate? reached)
    {
        if (Way.Order == TeachingOrder.Pool)
        {
            AddDanced(
                BlockKind.Whole,
                "mixed",
                BlockTexts.MovesAsCalled,
                _bites,
                _bites.Sum(b => b.Counts),
                Rate.Full,
                1,
                worth: WorthOf(_bites),
                most: MostOfRung,
                also: b => b with { IsWhole = false, Rule = CallRule.All, Say = [] });
            return;
        }

        if (Way.Order == TeachingOrder.MoveByMove)
        {
            if (!_isWhole || Way.RunIsGift || _dance.Song is null)
            {
                AddDanced(
                    BlockKind.Whole,
                    "whole:100",
                    BlockTexts.AllMovesInARow,
                    _bites,
                    WholeCounts,
                    Rate.Full,
                    1,
                    worth: WorthOf(_bites),
                    most: MostOfRung);
            }

            return;
        }

        var rungs = Way.Ladder.Count == 0
            ? reached is null || _units.Count == 1 ? [Rate.Full] : []
            : Way.Ladder.Where(r => reached is not { } joined || r.Percent > joined.Percent || Way.Ladder.Count == 1 && _units.Count == 1)
                .ToList();
        foreach (var rung in rungs)
        {
            var slowed = rung.Percent < 100 && Way.Music == MusicSchool.Late && rung == rungs.LastOrDefault(r => r.Percent < 100)
                ? BlockTexts.ToSlowedMusic
                : Sentence.None;
            AddDanced(
                BlockKind.Whole,
                $"whole:{rung.Percent:0.##}",
                rung == Rate.Full ? BlockTexts.AtFullTempo(WholeWord) : BlockTexts.AtRateWith(WholeWord, $"{rung}", slowed),
                _bites,
                WholeCounts,
                rung,
                1,
                worth: WorthOf(_bites),
                most: MostOfRung,
                also: rung == rungs[^1] ? Prepared : null);
        }
    }

    /// <summary>Where the track is faster than where it begins, the last block before the music says how that is prepared.</summary>
    private LessonBlock Prepared(LessonBlock block)
    {
        if (_cues is null || _dance.Song is not { } song)
        {
            return block;
        }

        var faster = song.Passages.Select((p, i) => (Passage: p, Top: Math.Max(p.Bpm, p.BpmEnd ?? p.Bpm), At: song.Passages.Take(i)
            .Sum(x => x.Counts)))
            .Where(p => p.Passage.Rest is null && p.Top > _dance.Tempo * SafetyNotices.SpeedsUp)
            .ToList();
        return faster.Count == 0 ? block : block with
        {
            Watch = [
                .. block.Watch,
                .. faster.DistinctBy(p => (p.Passage.Name, p.Top))
                    .Take(3)
                    .Select(p => BlockTexts.TrackIsFasterThere(
                        p.Top,
                        p.Passage.Name.Length > 0 ? p.Passage.Name : BlockTexts.APassage,
                        p.At + 1,
                        _dance.Tempo,
                        p.Top / _dance.Tempo))
            ],
        };
    }

    private string WholeWord =>
        !_isWhole ? BlockTexts.AllTaughtToday
            : IsPhrased ? IsFolded ? BlockTexts.OrderOnceShortened : BlockTexts.OrderOnceThrough
            : BlockTexts.TheWhole;

    /// <summary>Chains climb the ladder slowly, and never onto its last rung.</summary>
    private Rate RungOf(int chain, int chains) =>
        Way.Ladder.Count == 0 ? LastRate : Way.Ladder[Way.Ladder.Count == 1 ? 0 : chain * (Way.Ladder.Count - 1) / Math.Max(1, chains)];

    private static bool IsHard(BlockDraft draft) => draft.Outline.Any(b => b.IsDanced && b.Effort >= TeachingTime.HardEffort);

    private static string Capital(string word) => char.ToUpperInvariant(word[0]) + word[1..];
}
