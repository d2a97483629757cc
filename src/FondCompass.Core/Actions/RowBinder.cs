using FondCompass.Core.Counts;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Actions;

/// <summary>Makes actions of one row of steps: its words are looked up, its phrases laid on their beats.</summary>
internal sealed class RowBinder(Dance dance, string part, IStepNames names)
{
    private static readonly CallPlacer Placer = new(CallFeet.Roles);

    /// <summary>Rows of the same words are read once; dances repeat themselves.</summary>
    private readonly Dictionary<string, Wording> _read = [];
    private int _call;

    /// <summary>Looks up a row's words and lays its actions on their beats.</summary>
    /// <param name="first">Where it begins.</param>
    /// <param name="line">The line it stands in, from 1.</param>
    /// <param name="add">Takes each action.</param>
    /// <param name="suggests">Whether the nearest known names are looked for.</param>
    /// <returns>The last position used and the last whole count.</returns>
    public (Beat Last, int Number) Bind(StepEntry entry, Beat first, int line, Action<Pending> add, Action<Finding> tell, bool suggests)
    {
        if (!_read.TryGetValue(entry.Wording, out var wording))
        {
            wording = _read[entry.Wording] = Wording.Read(names, entry.Wording);
        }

        var place = new Place(part, line, first.Label(dance.Header.LineCounts), entry.Row);
        var written = entry.Counts?.Last ?? first;
        if (wording.Unreadable.Count > 0 || wording.Groups.Count == 0)
        {
            var unread = wording.Unreadable.Count > 0 ? wording.Unreadable[0] : entry.Wording;
            tell(names.IsBroken(unread)
                ? UnknownWords.Broken(place, unread, dance.Rows[entry.Row - 1])
                : UnknownWords.NoStep(place, unread, names, dance.Rows[entry.Row - 1], suggests));
            add(new Pending(new UnreadStep { Line = 0, At = default, Length = default, Beat = first, Row = entry.Row, Wording = entry.Wording }, written));
            return (written, written.Number);
        }

        var lastNumber = written.Number;
        var layers = entry.Layers.Where(l => l.Counts is null).Select(l => l.Text).ToList();
        foreach (var group in wording.Groups)
        {
            var placed = Placer.Place(group, entry.Counts, first);
            if (placed.Complaint is { } complaint)
            {
                tell(new Finding(ActionFindings.TooFewCounts, place, complaint));
            }

            if (group.Count == 1 && UnknownWords.Ambiguous(place, group[0], entry, dance.Rows[entry.Row - 1], dance.Header.Genre) is { } ambiguous)
            {
                tell(ambiguous);
            }

            foreach (var unread in group.SelectMany(p => p.Unread).Distinct())
            {
                tell(UnknownWords.InStep(place, unread, entry, dance.Rows[entry.Row - 1]));
            }

            AddPlaced(placed, entry, written, layers, add);
            layers = [];
            lastNumber = Math.Max(lastNumber, placed.Last);
        }

        return (lastNumber > written.Number ? new Beat(lastNumber, Fraction.Whole) : written, lastNumber);
    }

    private void AddPlaced(Placement placed, StepEntry entry, Beat written, IReadOnlyList<string> layers, Action<Pending> add)
    {
        var calls = -1;
        var isSingle = placed.Actions.Count == 1;
        for (var i = 0; i < placed.Actions.Count; i++)
        {
            var item = placed.Actions[i];
            var phrase = item.Phrase;
            var starts = item.Call != calls;
            calls = item.Call;
            _call += starts ? 1 : 0;
            var (role, foot) = Role(phrase, item.FromForm);
            var until = isSingle || (i == placed.Actions.Count - 1 && written > item.Beat) ? written : item.Beat;
            var action = new DanceAction
            {
                Line = 0,
                At = default,
                Length = default,
                Beat = item.Beat,
                Row = entry.Row,
                Step = item.Step,
                Verb = phrase.Verb!,
                Role = role,
                Foot = foot,
                Call = _call,
                CallLead = item.Lead,
                StartsCall = starts,
                Direction = phrase.Direction,
                Turn = phrase.Turn,
                TurnFlips = item.TurnFlips,
                TurnKeepsTravel = item.TurnKeepsTravel,
                Onto = phrase.Onto,
                Angle = phrase.Angle,
                AltersEnding = item.AltersEnding,
                Layers = i == 0 ? layers : [],
            };
            add(new Pending(action, until));
        }
    }

    private static (FootRole Role, Foot Foot) Role(Phrase phrase, bool fromForm)
    {
        if (phrase.Verb!.Kind == VerbKind.NoFoot)
        {
            // An unwind's weight is told by "onto"; nothing else without a foot names one.
            return phrase.Onto == Foot.None || !fromForm ? (FootRole.None, Foot.None) : (phrase.Onto == Foot.Right ? FootRole.Lead : FootRole.Trail, Foot.None);
        }

        return (phrase.Foot, fromForm) switch
        {
            (Foot.None, _) => (FootRole.Open, Foot.None),
            (Foot.Both, _) => (FootRole.Named, Foot.Both),
            (Foot.Right, true) => (FootRole.Lead, Foot.None),
            (Foot.Left, true) => (FootRole.Trail, Foot.None),
            var (named, _) => (FootRole.Named, named),
        };
    }
}
