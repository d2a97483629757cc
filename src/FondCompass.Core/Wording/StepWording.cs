using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Reading;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Wording;

/// <summary>
/// What a step is called where it is danced, in the instructor's own words (reading, section 8). The foot that leads stands apart from the
/// turn, so that nobody reads "pivot R" as a turn to the right.
/// </summary>
/// <param name="Name">The instructor's word for it, or the name they gave it: "grapevine", "pivot", "arms reach".</param>
/// <param name="Way">Where it goes, when that was said: "forward"; else empty.</param>
/// <param name="Turn">How far and which way it turns as danced: "1/4 left"; else empty.</param>
/// <param name="Lead">The foot that begins; none where no single foot does.</param>
public sealed record StepWording(string Name, string Way, string Turn, Foot Lead)
{
    /// <summary>Without the foot: "pivot 1/4 left", "shuffle forward".</summary>
    public string Called => string.Join(' ', (WayFirst ? new[] { Way, Said, Turn } : [Said, Way, Turn]).Where(w => w.Length > 0));

    /// <summary>Their language has the way before the name.</summary>
    public bool WayFirst { get; init; }

    /// <summary>The way stands in the words that they wrote, not in ours.</summary>
    public bool IsAsWritten { get; init; }

    /// <summary>That it is a step goes without saying where they wrote only where it goes, in their own language: "junto", "vor".</summary>
    private string Said => IsAsWritten && Way.Length > 0 && Name == Verbs.Step.Name ? "" : Name;

    /// <summary>L or R; empty where no single foot begins.</summary>
    public string Letter => Lead.IsSingle() ? Lead.Letter() : "";

    /// <summary>
    /// In one line: "shuffle L forward"; with a turn the foot stands behind it, told as what it is: "pivot 1/4 left, R leads".
    /// </summary>
    public override string ToString() =>
        Letter.Length == 0 ? Called
        : Turn.Length > 0 ? StepTexts.Leads(Called, Letter)
        : string.Join(' ', (WayFirst ? new[] { Way, Said, Letter } : [Said, Letter, Way]).Where(w => w.Length > 0));

    /// <summary>A call of a part as it is written.</summary>
    /// <param name="call">The actions of one call, in order.</param>
    public static StepWording Word(IReadOnlyList<TracedAction> call) =>
        Word(call[0].Action, call.Select(a => a.Foot), call.Select(a => a.Turn), mirrored: false);

    /// <summary>A call as it is danced somewhere in a run.</summary>
    /// <param name="first">Its first action.</param>
    /// <param name="feet">The feet of its actions, as danced.</param>
    /// <param name="turns">Their turns, as danced.</param>
    /// <param name="mirrored">Danced on the other side than it was written for, so that sides in words of arms and body change.</param>
    public static StepWording Word(DanceAction first, IEnumerable<Foot> feet, IEnumerable<Eighths> turns, bool mirrored)
    {
        var isBody = first.Verb.Has(VerbTraits.IsBody) && first.Words.Length > 0;
        var name = isBody ? first.Words : first.Name;
        var way = first.CalledWay == Direction.None ? ""
            : first.WaySaid.Words is { Length: > 0 } said ? said
            : PhraseText.Words(first.CalledWay);
        return new StepWording(
            mirrored && isBody ? SideWords.Mirrored(name) : name,
            name.EndsWith(way, StringComparison.OrdinalIgnoreCase) ? "" : way,
            TurnWords([.. turns.Where(t => !t.IsNone)]),
            isBody ? Foot.None : feet.FirstOrDefault(f => f != Foot.None) is var lead && lead.IsSingle() ? lead : Foot.None)
        { WayFirst = first.WaySaid is { First: true, Words.Length: > 0 }, IsAsWritten = first.WaySaid.Words is { Length: > 0 } };
    }

    /// <summary>Turns to one side are one turn; to and fro are told one by one, unless they are many.</summary>
    private static string TurnWords(List<Eighths> turns)
    {
        var sum = turns.Aggregate(Eighths.None, (all, t) => all + t);
        if (turns.Count == 0)
        {
            return "";
        }

        var oneWay = turns.TrueForAll(t => t.Value > 0) || turns.TrueForAll(t => t.Value < 0);
        return oneWay ? Amount(sum)
            : turns.Count <= 3 ? string.Join(", ", turns.Select(Amount))
            : sum.IsNone ? StepTexts.ToAndFro
            : StepTexts.InAll(Amount(sum));
    }

    private static string Amount(Eighths turn) =>
        Math.Abs(turn.Value) == Eighths.Full ? turn.Value > 0 ? StepTexts.FullTurnRight : StepTexts.FullTurnLeft : turn.ToString();
}
