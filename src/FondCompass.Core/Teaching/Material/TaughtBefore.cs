using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Teaching.Material;

/// <summary>
/// What a class has been taught by the time it comes to the next bite, in this dance or another of the lesson, or knows from dances of its
/// own
/// (rules, section 7): whole bites by what they do, and steps from their second occurrence on.
/// </summary>
public sealed class TaughtBefore
{
    /// <summary>What a known step costs on the other foot, with another turn or at another speed.</summary>
    public const double OtherForm = 0.4;

    private readonly Dictionary<string, Bite> _deeds = [];
    private readonly Dictionary<string, Bite> _beginnings = [];
    private readonly Dictionary<string, List<Form>> _steps = [];

    public TaughtBefore()
    {
    }

    /// <summary>The same, to be added to by itself.</summary>
    public TaughtBefore(TaughtBefore other)
    {
        (_deeds, _beginnings) = (new(other._deeds), new(other._beginnings));
        _steps = other._steps.ToDictionary(s => s.Key, s => s.Value.ToList());
    }

    /// <summary>
    /// Takes in bites that are taught, in their order; those of a dance that are not taught today are no memory of anybody's.
    /// </summary>
    public void Learn(IEnumerable<Bite> bites)
    {
        foreach (var bite in bites)
        {
            foreach (var step in bite.Actions.GroupBy(a => a.Action.Call))
            {
                Take(KeyOf(step.First()), Form.Of([.. step]));
            }

            Add(bite, BiteSignature.From([.. bite.Actions], bite.Dance));
        }
    }

    /// <summary>How a bite stands to what was taught: the first that holds of the same, the other side, another ending; else new.</summary>
    internal (BiteRelation Relation, Bite? Like) Of(BiteSignature own) =>
        _deeds.TryGetValue(own.Deeds, out var same) ? (BiteRelation.Same, same)
        : own.Mirrored.Length > 0 && _deeds.TryGetValue(own.Mirrored, out var side) ? (BiteRelation.OtherSide, side)
        : own.Beginning.Length > 0 && _beginnings.TryGetValue(own.Beginning, out var ending) ? (BiteRelation.OtherEnding, ending)
        : (BiteRelation.New, null);

    internal void Add(Bite bite, BiteSignature own)
    {
        _deeds.TryAdd(own.Deeds, bite);
        _beginnings.TryAdd(own.Beginning, bite);
    }

    /// <summary>
    /// How new each action is, one for each and in their order: as the group has it, less where its step was taught before. The steps count
    /// as taught from then on.
    /// </summary>
    internal List<double> Novelties(IReadOnlyList<TracedAction> actions, ClassKnowledge knowledge)
    {
        var novelties = new List<double>(actions.Count);
        foreach (var step in actions.GroupBy(a => a.Action.Call))
        {
            var (key, form) = (KeyOf(step.First()), Form.Of([.. step]));
            var seen = _steps.GetValueOrDefault(key);
            var most = seen is null ? 1 : seen.Contains(form) ? ClassKnowledge.Novelty(Familiarity.Known) : OtherForm;
            novelties.AddRange(step.Select(a => Math.Min(most, ClassKnowledge.Novelty(knowledge.Of(a)))));
            Take(key, form);
        }

        return novelties;
    }

    private void Take(string key, Form form)
    {
        if (!_steps.TryGetValue(key, out var seen))
        {
            _steps[key] = [form];
        }
        else if (!seen.Contains(form))
        {
            seen.Add(form);
        }
    }

    /// <summary>The step's name; of a body or arm row its own words.</summary>
    private static string KeyOf(TracedAction action) =>
        action.Verb.Has(VerbTraits.IsBody) && action.Action.Words.Length > 0 ? action.Action.Words : action.Action.Step;

    /// <summary>How a step was danced: on which foot, turned how far, in how long.</summary>
    private readonly record struct Form(Foot Lead, int Turned, int Ticks)
    {
        public static Form Of(List<TracedAction> step) => new(step[0].Foot, step.Sum(a => a.Turn.Value), (step[^1].At - step[0].At).Value);
    }
}

/// <summary>What a bite does seen from its own start, so that bites can be told alike wherever they stand.</summary>
/// <param name="Mirrored">On the other side; empty where nothing is done.</param>
/// <param name="Beginning">All but its last quarter; empty where nothing is done in it.</param>
internal sealed record BiteSignature(string Deeds, string Mirrored, string Beginning)
{
    public static BiteSignature From(List<TracedAction> actions, DanceLine line)
    {
        string Joined(IEnumerable<string> deeds) => string.Join('|', deeds.Prepend($"{line.Counts}"));
        string Own(TracedAction a) => Deed(a, line, a.Foot, a.Turn, a.Direction, a.Action.Way, a.Action.Crossing, a.Action.Words);
        var beginning = actions.Where(a => (a.At - line.Start).InCounts < line.Counts * 0.75).ToList();
        return new BiteSignature(
            Joined(actions.Select(Own)),
            actions.Count == 0
                ? ""
                : Joined(actions.Select(a => Deed(
                    a,
                    line,
                    a.Foot.Other(),
                    -a.Turn,
                    Mirror.Reflect(a.Direction),
                    -a.Action.Way,
                    a.Action.Crossing.Other(),
                    SideWords.Mirrored(a.Action.Words)))),
            beginning.Count == 0 ? "" : Joined(beginning.Select(Own)));
    }

    private static string Deed(
        TracedAction action,
        DanceLine line,
        Foot foot,
        Eighths turn,
        Direction direction,
        int way,
        Foot crossing,
        string words) =>
        $"{(action.At - line.Start).Value}/{action.Verb.Name}/{foot}/{direction}/{turn.Value}/"
            + $"{(!turn.IsNone && action.TurnFirst)}/{way}/{crossing}/{words}";
}
