using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Steps;

/// <summary>
/// Reads a form of a step in the lexicon's shorthand: "1&amp;2: step R forward*; close L; turn 1/4* right, step R forward". R is the
/// lead. An action is verb, foot, direction; a turn stands before it and is danced before it. A star after a direction or a turn
/// marks what the dance may replace. The shorthand is the plain form's, read strictly; it needs no other step.
/// </summary>
public static class FormReader
{
    /// <exception cref="FormatException">The form is not readable; shipped data only.</exception>
    public static StepForm Read(string text)
    {
        var colon = text.IndexOf(':');
        if (colon < 0 || CountsReader.TryRead(text[..colon], 8, null, out var counts, out _) != CountsOutcome.Read)
        {
            throw new FormatException(StepTexts.FormNeedsCounts(text));
        }

        var positions = counts!.Positions;
        var pieces = text[(colon + 1)..].Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        if (counts.Split is not null && counts.Split.Count == pieces.Length)
        {
            positions = counts.Split;
        }

        if (pieces.Length != positions.Count)
        {
            throw new FormatException(StepTexts.FormCountsDiffer(text, positions.Count, pieces.Length));
        }

        var actions = pieces.Select((piece, i) => new FormAction(Action(piece), positions[i].ToTick(swing: false, bothInCount: false)))
            .ToList();
        return new StepForm(actions, positions[^1].Number);
    }

    private static Phrase Action(string piece)
    {
        var comma = piece.IndexOf(',');
        (Turn Turn, bool Slot)? turn = comma < 0 ? null : Turn(piece[..comma]) ?? throw Unreadable(piece);
        var words = (comma < 0 ? piece : piece[(comma + 1)..]).Trim().Split(' ');
        if (Verbs.Find(words[0]) is not { } verb)
        {
            throw Unreadable(piece);
        }

        var at = 1;
        var feet = new List<Foot>();
        if (at < words.Length && Feet.TryParse(words[at], out var foot))
        {
            feet.Add(foot);
            at++;
        }

        var rest = string.Join(' ', words.Skip(at));
        if (verb.IsTurn && rest.Length > 0)
        {
            turn = Turn("turn " + rest) ?? throw Unreadable(piece);
            rest = "";
        }

        return new Phrase
        {
            Verb = verb,
            Name = verb.Name,
            Feet = feet,
            Direction = LexiconFiles.Direction(rest.TrimEnd('*')),
            DirectionSlot = rest.EndsWith('*'),
            Turn = turn is { } t ? t.Turn with { First = comma >= 0 } : null,
            TurnSlot = turn is { Slot: true },
        };
    }

    private static (Turn Turn, bool Slot)? Turn(string text)
    {
        var words = text.Trim().Split(' ');
        if (words is not ["turn", .. var rest] || rest.Length < 2 || Vocabulary.Side(rest[^1]) == 0)
        {
            return null;
        }

        var side = Vocabulary.Side(rest[^1]);
        var slot = rest[^2].EndsWith('*');
        return TurnAmount.TryParse(string.Join(' ', rest[..^1]).TrimEnd('*'), out var amount) ? (new Turn(amount, side), slot) : null;
    }

    private static FormatException Unreadable(string piece) => new(StepTexts.ActionCannotBeRead(piece));
}
