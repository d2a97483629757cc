using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Blocks;

/// <summary>What one block is reckoned to: its seconds, its starts, its effort, what is watched for.</summary>
internal sealed partial class DanceBlocks
{
    private void AddDanced(
        BlockKind kind,
        string id,
        string title,
        IReadOnlyList<Bite> bites,
        int counts,
        Rate rate,
        int least,
        double worth,
        int most,
        Func<LessonBlock, LessonBlock>? also = null,
        int firstGift = 0)
    {
        var block = Block(kind, id, title, bites, counts, rate);
        _drafts.Add(new SingleDraft(Danced(also is null ? block : also(block), bites, least))
        {
            Repeats = least,
            Least = least,
            Most = Math.Max(least, most),
            Worth = worth,
            FirstGift = firstGift
        });
    }

    private LessonBlock Block(BlockKind kind, string id, string title, IReadOnlyList<Bite> bites, int counts, Rate rate)
    {
        var parts = bites.Select(b => b.Part).Distinct().ToList();
        return new LessonBlock
        {
            Id = _prefix + id,
            Kind = kind,
            Title = title,
            Dance = _index,
            Part = parts.Count == 1 ? parts[0] : null,
            Lines = parts.Count == 1 ? [.. bites.SelectMany(b => b.Lines).Distinct()] : null,
            Bites = bites,
            IsWhole = _isWhole && !IsFree && counts == Trace.TotalCounts,
            Order = IsFolded
                && !IsFree
                && counts == WholeCounts
                && kind is BlockKind.Show or BlockKind.Chain or BlockKind.Whole or BlockKind.Layer
                && bites.Count == _bites.Count
                ? _order
                : null,
            Counts = counts,
            CountIn = _countIn,
            Rate = rate,
            Effort = EffortOf(bites, rate),
            Why = "",
            Rule = RuleOf(kind),
            FeetOnly = kind is BlockKind.Dance or BlockKind.Chain ? FeetOnly(bites) : [],
            Say = kind switch
            {
                BlockKind.Dance or BlockKind.Chain => _cues?.Keywords(bites, Trace) ?? [],
                BlockKind.Whole or BlockKind.Walls or BlockKind.Music or BlockKind.Runs when Way.Cues == CueSchool.Steady =>
                    _cues?.Keywords(bites, Trace) ?? [],
                _ =>
                    RuleOf(kind) switch
                    {
                        CallRule.CountsOnly => [BlockTexts.CountsOnly],
                        CallRule.ChangesOnly => [BlockTexts.SilenceButChanges],
                        _ => []
                    },
            },
            Watch = kind is BlockKind.Dance or BlockKind.Chain or BlockKind.Whole
                ? [.. WatchOf(bites), .. OnMistakes(kind)]
                : OnMistakes(kind),
        };
    }

    /// <summary>Whose layers come later: who teaches feet first dances a part without them until they have been laid on it.</summary>
    private List<string> FeetOnly(IReadOnlyList<Bite> bites) =>
        !LayersApart && !InLevels
            ? []
            : [.. bites.Where(b => b.Layers.Count > 0).Select(b => b.Part).Distinct().Where(p => !_layered.Contains(p))];

    /// <summary>
    /// What may be said: who says less and less counts over the whole, and is silent over the music but for what changes.
    /// </summary>
    private CallRule RuleOf(BlockKind kind) => kind switch
    {
        BlockKind.Show => CallRule.CountsOnly,
        BlockKind.Whole or BlockKind.Walls when Way.Cues == CueSchool.Fading => CallRule.CountsOnly,
        BlockKind.Music or BlockKind.Runs when Way.Cues == CueSchool.Fading => CallRule.ChangesOnly,
        _ => CallRule.All,
    };

    /// <summary>What is done when it breaks, where more than one bite is danced.</summary>
    private string[] OnMistakes(BlockKind kind) =>
        _cues is null || kind is BlockKind.Show or BlockKind.Dance or BlockKind.Drill or BlockKind.Recap ? []
        : Way.Mistakes == MistakeSchool.Stop ? [BlockTexts.LostTakeTheWeakEight]
        : [BlockTexts.LostLetItRun];

    /// <summary>
    /// A danced block with its formula; it begins anew with a count-in wherever it cannot be danced again from where it ends.
    /// </summary>
    private BlockReckoning Danced(LessonBlock block, IReadOnlyList<Bite> bites, int repeats)
    {
        var loops = block.Kind is BlockKind.Walls && block.Walls.Count > 1 || Loops(bites, block.Counts!.Value);
        int Starts(int times) => loops ? Math.Min(1, times) : times;
        double Seconds(int times) =>
            times == 0
                ? 0
                : _brief.Pace.Regroup
                    + TeachingTime.Danced(block.Counts!.Value, times, Starts(times), block.CountIn!.Value, block.Rate!.Value, _dance.Tempo);
        string Why(int times) =>
            BlockTexts.RunsReckoned(
                times,
                block.Counts!.Value,
                Starts(times),
                _countIn,
                $"{block.Rate}",
                _dance.Tempo,
                _brief.Pace.Regroup,
                loops || times == 1 ? Sentence.None : BlockTexts.EndsOnOtherFoot);
        return new BlockReckoning(block, repeats, Starts, Seconds, Why);
    }

    /// <summary>Whether it can be danced again from where it ends.</summary>
    private bool Loops(IReadOnlyList<Bite> bites, int counts) =>
        _isWhole && counts == Trace.TotalCounts ? Trace.GoesRound : CanGoOn(bites[0], bites[^1].Feet.Ends);

    /// <summary>A dance that comes round on the other foot goes on as its mirror image; a bite does not.</summary>
    private static bool CanGoOn(Bite first, Weight ends) =>
        first.Feet.Begins == ends || (first.Feet.Begins != ends.Other() && first.CanBeginOn(ends));

    private void AddFixed(BlockKind kind, string id, string title, double seconds, string why, Func<LessonBlock, LessonBlock>? also = null)
    {
        var block = new LessonBlock { Id = _prefix + id, Kind = kind, Title = title, Dance = _index, Why = why };
        _drafts.Add(SingleDraft.Fixed(also is null ? block : also(block), seconds));
    }

    private double EffortOf(IReadOnlyList<Bite> bites, Rate rate)
    {
        var seconds = bites.Sum(b => b.Counts) * 60 / (_dance.Tempo * rate.Share);
        return Math.Clamp(
            (bites.Sum(b => b.Footed) / Math.Max(0.1, seconds)) + (bites.Any(b => b.Jumps) ? 1 : 0) + (bites.Any(b => b.IsHeavy) ? 0.5 : 0),
            0,
            5);
    }

    /// <summary>Mean of expected loss × novelty over what is danced.</summary>
    private static double WorthOf(IReadOnlyList<Bite> bites) => bites.Average(b => b.Loss * b.Novelty);

    private List<string> WatchOf(IReadOnlyList<Bite> bites)
    {
        var watch = new List<string>();
        foreach (var bite in _cues is null ? [] : bites)
        {
            watch.AddRange(bite.WatchIn(Way.Counting).Select(w => bites.Count > 1 ? $"{LessonWords.Say(bite)}: {w}" : w));
            if (bite.Relation == BiteRelation.OtherEnding)
            {
                watch.Add(BlockTexts.BeginsAlikeEndsOtherwise(LessonWords.Say(bite), LessonWords.Say(bite.SameAs!)));
            }

            if (watch.Count > MostWatched)
            {
                return [.. watch.Take(MostWatched), BlockTexts.MoreInFindings];
            }
        }

        return watch;
    }
}
