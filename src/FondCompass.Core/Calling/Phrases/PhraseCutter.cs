using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;

namespace FondCompass.Core.Calling.Phrases;

/// <summary>Cuts what is danced into phrases, each of which has one call (calls, section 1).</summary>
internal sealed partial class PhraseCutter(DanceHeader header, StepLexicon lexicon, CallTongue tongue)
{
    /// <summary>
    /// Widths of a step that something has to go to a side for the side to be told where it begins with a step there; and those with which
    /// it is told
    /// however it begins, and with which steps to both sides are no run.
    /// </summary>
    private const double Aside = 1, FarAside = 2;

    /// <summary>One dancing of one step, or one movement.</summary>
    private sealed record Piece(List<RunAction> Actions, CallPhrase Phrase, int Cell, double Far)
    {
        /// <summary>A movement by itself, or a turn that finishes what was written before it: the pivot behind a step forward.</summary>
        public bool IsLoose => Actions[0].IsLoose || (Actions.Count == 1 && Verbs.Find(Actions[0].Verb) is { IsTurn: true });

        public int Line => Actions[0].Line;
    }

    /// <summary>The phrases of a stretch.</summary>
    /// <param name="stretch">The stretch.</param>
    /// <param name="actions">Its actions, in order of time.</param>
    public List<CallPhrase> Cut(RunStretch stretch, IReadOnlyList<RunAction> actions)
    {
        var pieces = PiecesOf(stretch, actions);
        var phrases = new List<CallPhrase>();
        for (var i = 0; i < pieces.Count;)
        {
            var run = RunFrom(pieces, i);
            var length = run > 1 ? run : LooseFrom(pieces, i);
            phrases.Add(run > 1 ? Several(pieces.GetRange(i, run)) : length > 1 ? Together(pieces.GetRange(i, length)) : pieces[i].Phrase);
            i += length;
        }

        return EqualPairs(phrases);
    }

    private List<Piece> PiecesOf(RunStretch stretch, IReadOnlyList<RunAction> actions)
    {
        var lines = stretch.Stretch.Pattern.Part.Lines;
        var calls = new List<List<RunAction>>();
        foreach (var action in actions)
        {
            if (action.StartsCall || calls.Count == 0)
            {
                calls.Add([]);
            }

            calls[^1].Add(action);
        }

        var pieces = new List<Piece>(calls.Count);
        for (var i = 0; i < calls.Count; i++)
        {
            var first = calls[i][0];
            var to = i + 1 < calls.Count ? calls[i + 1][0].SongCount : stretch.ToCount;
            var start = stretch.FromCount - stretch.Stretch.From + (first.Line <= lines.Count ? lines[first.Line - 1].Start.InCounts : 0);

            // A movement before its line's first count belongs to that count.
            var inLine = first.IsPickUp ? 0 : Math.Max(0, (int)Math.Floor(first.SongCount - start + 1e-6));
            if (pieces.Count > 0 && GivesBack(calls[i], pieces[^1]))
            {
                // "Side rock L, recover": the weight comes back by itself, and needs no call of its own.
                List<RunAction> both = [.. pieces[^1].Actions, .. calls[i]];
                pieces[^1] = pieces[^1] with { Actions = both, Phrase = pieces[^1].Phrase with { Actions = both, To = to } };
                continue;
            }

            var far = Lateral(calls[i]);
            pieces.Add(new Piece(calls[i], PhraseOf(stretch, calls[i], to, far), inLine / (header.LineCounts % 3 == 0 ? 3 : 2), far));
        }

        return pieces;
    }

    /// <summary>A recover by itself behind a named step of its line.</summary>
    private static bool GivesBack(List<RunAction> call, Piece before) =>
        call is [{ Verb: "recover", Turn.IsNone: true }] && !before.IsLoose && before.Line == call[0].Line;

    private CallPhrase PhraseOf(RunStretch stretch, List<RunAction> actions, SongCount to, double far)
    {
        var wording = actions[0].Wording!;
        var sum = actions.Sum(a => a.Turn.Value);
        var oneWay = actions.TrueForAll(a => a.Turn.Value * sum >= 0);
        var known = Known(actions[0].Step);
        var aside = actions.Find(a => a.TakesWeight) is { Direction: Direction.Side } ? Aside : FarAside;
        var side = Math.Abs(far) >= aside && sum == 0 ? Math.Sign(far) : 0;
        var goes = actions[0].TakesWeight && actions[0].Direction is not (Direction.Beside or Direction.InPlace);
        var isStep = actions[0] is { TakesWeight: true, Direction: not Direction.InPlace } && IsPlainStep(actions[0]);
        var name = !isStep ? wording.Name
            : actions[0].Direction == Direction.Beside && !wording.IsAsWritten ? tongue.Together
            : wording.Way;

        // "Cross rock R over L": its name says so.
        var isOwnWay = actions[0].Direction is Direction.Across or Direction.Behind
            && known?.Forms[0].Actions[0].Phrase.Direction == actions[0].Direction;
        return new CallPhrase
        {
            Stretch = stretch,
            Actions = actions,
            Name = name,
            ShortName = isStep ? name : Short(name, known),
            Way = isStep || !goes || isOwnWay ? "" : wording.Way,
            Place = isStep || goes ? "" : wording.Way,
            Side = side,
            Round = RoundOf(side, actions[0]),
            WayFirst = wording.WayFirst,
            Turn = sum,
            TurnSide = oneWay ? Math.Sign(sum) : 0,
            Turned = sum,
            IsBody = Verbs.Find(actions[0].Verb) is { } verb && verb.Has(VerbTraits.IsBody),
            TurnsAsUsual = known is { Pivots: true }
                ? Math.Abs(sum) == Eighths.Full / 2
                : known is { IsOwn: false } && AlwaysTurnsSo(known),
            Step = wording.ToString(),
            To = to,
        };
    }

    /// <summary>Letters that are too few to name a step by.</summary>
    private const int ShortestName = 2;

    private readonly Dictionary<string, NamedStep?> _known = [];
    private readonly Dictionary<(string Name, string Step), string> _short = [];

    private NamedStep? Known(string step) => _known.TryGetValue(step, out var known) ? known : _known[step] = lexicon.Find(step);

    private string Short(string name, NamedStep? known) =>
        _short.TryGetValue((name, known?.Name ?? ""), out var words) ? words : _short[(name, known?.Name ?? "")] = ShortOf(name, known);

    /// <summary>A step that turns by itself and always as far: a rolling vine.</summary>
    private static bool AlwaysTurnsSo(NamedStep step) =>
        step.Forms[0].Actions is var actions && actions.Any(a => a.Phrase.Turn is not null) && !actions.Any(a => a.Phrase.TurnSlot);

    /// <summary>Who faces the middle of a ring goes round with the sun to the left, who looks outwards to the right.</summary>
    private int RoundOf(int side, RunAction first) => header.Layout != Layout.Circle ? 0
        : first.Facing.Degrees switch { 0 => -side, 180 => side, _ => 0 };

    /// <summary>A step that only says where it goes, and is called by that: "behind".</summary>
    private static bool IsPlainStep(RunAction action) =>
        action is { IsLoose: true, Wording: { Way.Length: > 0 } wording } && action.Verb == Verbs.Step.Name && wording.Name == action.Verb;

    /// <summary>
    /// Fewer of their words that still name it: the lexicon's one word where it is among them, else without the way at the end.
    /// </summary>
    private static string ShortOf(string name, NamedStep? known)
    {
        var words = name.Split(' ');
        if (words.Length < 2)
        {
            return name;
        }

        if (known is { IsOwn: false, Cue.OneWord: { Length: > ShortestName } one } && words.Contains(one, StringComparer.OrdinalIgnoreCase))
        {
            return one;
        }

        return Array.Exists(Ways, w => string.Equals(w, words[^1], StringComparison.OrdinalIgnoreCase))
            ? string.Join(' ', words[..^1])
            : name;
    }

    private static readonly string[] Ways = [.. Enum.GetValues<Direction>()
        .Where(d => d != Direction.None)
        .Select(PhraseText.Words)
        .Distinct()];

    /// <summary>How many steps it goes to the right (positive) or left in all.</summary>
    private static double Lateral(List<RunAction> actions)
    {
        var (sum, last) = (0.0, 0.0);
        foreach (var action in actions)
        {
            if (!action.Foot.IsSingle())
            {
                continue;
            }

            var sign = action.Foot == Foot.Right ? 1 : -1;
            if (action.Verb == "recover")
            {
                sum -= last;
                last = 0;
            }
            else if (action.TakesWeight)
            {
                last = action.Direction switch { Direction.Side => sign, Direction.Across or Direction.Behind => -0.5 * sign, _ => 0 };
                sum += last;
            }
        }

        return sum;
    }
}
