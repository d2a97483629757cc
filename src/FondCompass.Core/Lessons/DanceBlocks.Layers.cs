using FondCompass.Core.Told;

namespace FondCompass.Core.Lessons;

/// <summary>What arms, hips, head and voice add: a part's layers once its feet are known, or the whole in rounds.</summary>
internal sealed partial class DanceBlocks
{
    private static readonly LayerKind[] LayerOrder = [LayerKind.Hips, LayerKind.Arms, LayerKind.Head, LayerKind.Sounds, LayerKind.Body];

    /// <summary>Hips, arms, head in turn on top of a part's feet; one layer alone before the round of arms, or of what there is.</summary>
    private void AddLayers(string part)
    {
        var bites = _bites.Where(b => b.Part == part).ToList();
        var kinds = LayerOrder.Where(k => bites.Exists(b => b.Layers.Any(l => l.Kind == k))).ToList();
        var drilled = kinds.Contains(LayerKind.Arms) ? LayerKind.Arms : kinds.FirstOrDefault();
        foreach (var kind in kinds)
        {
            var with = bites.Where(b => b.Layers.Any(l => l.Kind == kind)).ToList();
            var say = with.SelectMany(b => b.Layers.Where(l => l.Kind == kind).Select(l => l.Text)).Distinct().ToList();
            LessonBlock Layered(LessonBlock block) => block with { Layer = LessonWords.Of(kind), Say = say, FeetOnly = [], Layers = block.Kind == BlockKind.Drill ? [kind] : [.. kinds.TakeWhile(k => k != kind), kind] };
            if (kind == drilled)
            {
                AddDanced(
                    BlockKind.Drill, $"drill:{part}:{LessonWords.Of(kind)}", $"{Capital(LessonWords.Of(kind))} alone, feet still: {LessonWords.Of(with, _bites)}", with, with.Sum(b => b.Counts), Way.Ladder[0], 1,
                    worth: WorthOf(with), also: Layered);
            }

            AddDanced(
                BlockKind.Layer, $"layer:{part}:{LessonWords.Of(kind)}", $"{Capital(LessonWords.Of(kind))} on top of the feet of {part}", bites, bites.Sum(b => b.Counts), RungOf(1, 2), 1, worth: WorthOf(bites), also: Layered);
        }

        _layered.Add(part);
    }

    /// <summary>Parts whose hips and arms have been laid on their feet.</summary>
    private readonly HashSet<string> _layered = [];

    /// <summary>The whole in every round: feet, then each layer there is, then with attitude.</summary>
    private void AddRounds()
    {
        var kinds = LayerOrder.Where(k => _bites.Any(b => b.Layers.Any(l => l.Kind == k))).ToList();
        List<string> rounds = ["feet", .. kinds.Select(LessonWords.Of), "attitude"];
        for (var i = 0; i < rounds.Count; i++)
        {
            var rate = Way.Ladder[Math.Min(Way.Ladder.Count - 1, i * Way.Ladder.Count / rounds.Count)];
            var layer = rounds[i];
            IReadOnlyList<LayerKind> danced = [.. kinds.Take(i)];
            AddDanced(
                BlockKind.Layer, $"layer:{layer}", i == 0 ? $"{WholeWord}: feet only" : layer == "attitude" ? $"{WholeWord}, with attitude" : $"{WholeWord}, with {layer}", _bites, WholeCounts, rate, 1,
                worth: WorthOf(_bites), also: b => b with { Layer = layer, FeetOnly = [], Layers = danced });
        }

        if (Way.Ladder[^1] is var top && rounds.Count < Way.Ladder.Count)
        {
            AddDanced(BlockKind.Whole, $"whole:{top.Percent:0.##}", $"{WholeWord}, at {top}", _bites, WholeCounts, top, 1, worth: WorthOf(_bites));
        }
    }
}
