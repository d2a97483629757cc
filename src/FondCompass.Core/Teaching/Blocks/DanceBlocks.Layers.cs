using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Blocks;

/// <summary>What arms, hips, head and voice add: a part's layers once its feet are known, or the whole in rounds.</summary>
internal sealed partial class DanceBlocks
{
    private static readonly LayerKind[] LayerOrder = [LayerKind.Hips, LayerKind.Arms, LayerKind.Head, LayerKind.Sounds, LayerKind.Body];

    /// <summary>Hips, arms, head in turn on top of a part's feet; one layer alone before the round of arms, or of what there is.</summary>
    private void AddLayers(string part)
    {
        var bites = _bites.Where(b => b.Part == part).ToList();
        var kinds = LayerOrder.Where(k => bites.Exists(b => b.Layers.Any(l => l.Kind == k))).ToList();
        LayerKind? drilled = kinds.OrderBy(k => k == LayerKind.Arms ? 0 : 1)
            .Select(k => (LayerKind?)k)
            .FirstOrDefault(k => LayerMoves.MoveAlone([.. bites.SelectMany(b => b.Layers).Where(l => l.Kind == k)]));
        foreach (var kind in kinds)
        {
            var with = bites.Where(b => b.Layers.Any(l => l.Kind == kind)).ToList();
            var say = with.SelectMany(b => b.Layers.Where(l => l.Kind == kind).Select(l => l.Text)).Distinct().ToList();
            LessonBlock Layered(LessonBlock block) =>
                block with
                {
                    Layer = LessonWords.Say(kind),
                    Say = say,
                    FeetOnly = [],
                    Layers = block.Kind == BlockKind.Drill ? [kind] : [.. kinds.TakeWhile(k => k != kind), kind]
                };
            if (kind == drilled)
            {
                AddDanced(
                    BlockKind.Drill,
                    $"drill:{part}:{LessonWords.Say(kind)}",
                    BlockTexts.LayerAlone(Capital(LessonWords.Say(kind)), LessonWords.Say(with, _bites)),
                    with,
                    with.Sum(b => b.Counts),
                    FirstRate,
                    1,
                    worth: WorthOf(with), most: MostOfRung, also: Layered);
            }

            AddDanced(
                BlockKind.Layer,
                $"layer:{part}:{LessonWords.Say(kind)}",
                BlockTexts.LayerOnTopOfPart(Capital(LessonWords.Say(kind)), part),
                bites,
                bites.Sum(b => b.Counts),
                RungOf(1, 2),
                1,
                worth: WorthOf(bites),
                most: MostOfRung,
                also: Layered);
        }

        _layered.Add(part);
    }

    /// <summary>Parts whose hips and arms have been laid on their feet.</summary>
    private readonly HashSet<string> _layered = [];

    /// <summary>The levels of a move of a circle: what goes on top of its feet, each in a block of its own, arms twice as often.</summary>
    private void AddLevels(Bite bite)
    {
        var kinds = LayerOrder.Where(k => bite.Layers.Any(l => l.Kind == k)).ToList();
        foreach (var kind in kinds)
        {
            var least = kind == LayerKind.Arms ? 4 : 2;
            AddDanced(
                BlockKind.Layer,
                $"layer:{bite.Key}:{LessonWords.Say(kind)}",
                BlockTexts.LayerOnTop(Capital(LessonWords.Say(kind)), LessonWords.Say(bite)),
                [bite],
                bite.Counts,
                FirstRate,
                least,
                worth: WorthOf([bite]),
                most: Math.Max(least, MostOfBite),
                also: b => b with
                {
                    Layer = LessonWords.Say(kind),
                    FeetOnly = [],
                    Layers = [.. kinds.TakeWhile(k => k != kind), kind],
                    Say = [.. bite.Layers.Where(l => l.Kind == kind).Select(l => l.Text)]
                });
        }
    }

    /// <summary>The whole in every round: feet, then each layer there is, then with attitude. What is new is shown once before.</summary>
    private void AddRounds()
    {
        foreach (var bite in _bites.Where(b => b.Relation != BiteRelation.Same
            && b.Novelties.Any(n => n > ClassKnowledge.Novelty(Familiarity.Known))))
        {
            AddDanced(
                BlockKind.Show,
                $"show:{bite.Key}",
                BlockTexts.ShowWhatIsNew(LessonWords.Say(bite)),
                [bite],
                bite.Counts,
                FirstRate,
                1,
                most: 1,
                worth: 0);
        }

        var kinds = LayerOrder.Where(k => _bites.Any(b => b.Layers.Any(l => l.Kind == k))).ToList();
        List<string> rounds = ["feet", .. kinds.Select(LessonWords.Say), "attitude"];
        for (var i = 0; i < rounds.Count; i++)
        {
            var rate = Way.Ladder.Count == 0 ? Rate.Full : Way.Ladder[Math.Min(Way.Ladder.Count - 1, i * Way.Ladder.Count / rounds.Count)];
            var layer = rounds[i];
            IReadOnlyList<LayerKind> danced = [.. kinds.Take(i)];
            AddDanced(
                BlockKind.Layer,
                $"layer:{layer}",
                i == 0 ? BlockTexts.FeetOnly(WholeWord)
                    : layer == "attitude" ? BlockTexts.WithAttitude(WholeWord)
                    : BlockTexts.WithLayer(WholeWord, layer),
                _bites,
                WholeCounts,
                rate,
                1,
                worth: WorthOf(_bites), most: MostOfRung, also: b => b with { Layer = layer, FeetOnly = [], Layers = danced });
        }

        if (LastRate is var top && rounds.Count < Way.Ladder.Count)
        {
            AddDanced(
                BlockKind.Whole,
                $"whole:{top.Percent:0.##}",
                BlockTexts.AtRate(WholeWord, $"{top}"),
                _bites,
                WholeCounts,
                top,
                1,
                worth: WorthOf(_bites),
                most: MostOfRung);
        }
    }
}
