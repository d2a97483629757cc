using System.Globalization;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Reading;
using FondCompass.Core.Steps;

namespace FondCompass.Wordings;

/// <summary>
/// A step of the lexicon whose every action is known, so that it can be spelled out: a foot at each moment, none at one time with another.
/// </summary>
public sealed class KnownStep
{
    private readonly StepForm _form;

    private KnownStep(NamedStep step, StepForm form) => (Step, _form) = (step, form);

    public NamedStep Step { get; }

    public int Counts => _form.Counts;

    public IReadOnlyList<FormAction> Actions => _form.Actions;

    /// <summary>It changes the foot that is free.</summary>
    public bool Changes => _form.Actions.Count(a => a.Phrase.Verb!.Kind == VerbKind.Takes) % 2 == 1;

    /// <summary>Its last action leaves the weight where it is: a touch, a brush.</summary>
    public bool EndsOnALeave => _form.Actions[^1].Phrase.Verb!.Kind == VerbKind.Leaves;

    /// <summary>Each action has a whole count of its own.</summary>
    public bool IsPlain => _form.Actions.All(a => a.At.Value % Tick.PerCount == 0) && _form.Actions.Count == _form.Counts;

    /// <summary>A turn can be danced with it, each action on a whole count.</summary>
    public bool CanTurn => IsPlain && _form.Actions.Any(a => a.Phrase.Verb!.Kind == VerbKind.Takes);

    /// <summary>Steps of line dance that can be spelled out.</summary>
    public static IReadOnlyList<KnownStep> All { get; } = [.. StepLexicon.Shipped.Steps
        .Where(s => s.Genres.Contains("line")
            && !s.Name.StartsWith("a ", StringComparison.Ordinal)
            && !s.Repeats
            && !s.Pivots
            && !s.IsManner)
        .Select(s => (Step: s, Form: s.Forms[0]))
        .Where(s => s.Form.Actions.Count > 1 && s.Form.Positions == s.Form.Actions.Count
            && s.Form.Actions.All(a => a.Phrase.Verb is { Kind: VerbKind.Takes or VerbKind.Leaves }
            && a.Phrase is { Turn: null, Feet: [Foot.Left or Foot.Right], Times: 1, Onto: Foot.None, Step: null }))
        .Where(s => s.Form.Actions[0].Phrase.Feet[0] == Foot.Right && s.Form.Actions.All(a => a.At.Value >= 0))
        .Select(s => new KnownStep(s.Step, s.Form))];

    /// <summary>The row that spells the step out from a count on.</summary>
    /// <param name="lead">The foot it begins on: R or L.</param>
    /// <param name="from">Its first count, from 1.</param>
    /// <param name="turn">Signed quarters danced with the action that takes a turn; 0 for none.</param>
    public IEnumerable<string> Rows(char lead, int from, int turn = 0, Func<IReadOnlyList<string>, IReadOnlyList<string>>? change = null)
    {
        var deeds = Deeds(lead);
        deeds = change?.Invoke(deeds) ?? deeds;
        if (turn != 0)
        {
            var at = Step.TurnAt ?? _form.Actions.Select((a, i) => (a, i)).Last(p => p.a.Phrase.Verb!.Kind == VerbKind.Takes).i;
            return deeds.Select((d,
                i) =>
                    $"{Place(_form.Actions[i].At, from)} "
                        + $"{(i == at ? $"turn {Math.Abs(turn)}/4 {(turn > 0 ? "right" : "left")}, " : "")}{d}");
        }

        return [$"{Places(_form.Actions.Take(deeds.Count), from)} {string.Join(", ", deeds)}"];
    }

    /// <summary>Its actions in words, in order.</summary>
    public IReadOnlyList<string> Deeds(char lead) =>
        [.. _form.Actions.Select(a => PhraseText.Write(lead == 'R' ? a.Phrase : Mirror.Reflect(a.Phrase, Facing.Front)))];

    /// <summary>Its counts as a row begins with them: "1-4", "1&amp;2".</summary>
    public string Span(int from) =>
        IsPlain ? string.Create(CultureInfo.InvariantCulture, $"{from}-{from + Counts - 1}") : Places(_form.Actions, from);

    /// <summary>"1 2 3", "1&amp;2": a half stands with its count.</summary>
    private static string Places(IEnumerable<FormAction> actions, int from)
    {
        var said = "";
        var last = 0;
        foreach (var action in actions)
        {
            var beat = Beat.FromStraightTick(new Tick(action.At.Value + ((from - 1) * Tick.PerCount)))!.Value;
            said += beat.Number == last ? Beat.Letter(beat.Fraction)
                : said.Length == 0 || !char.IsAsciiDigit(said[^1]) ? Place(action.At, from)
                : $" {Place(action.At, from)}";
            last = beat.Number;
        }

        return said;
    }

    public static char Other(char foot) => foot == 'R' ? 'L' : 'R';

    private static string Place(Tick at, int from)
    {
        var beat = Beat.FromStraightTick(new Tick(at.Value + ((from - 1) * Tick.PerCount)))!.Value;
        return beat.Number.ToString(CultureInfo.InvariantCulture) + Beat.Letter(beat.Fraction);
    }
}
