using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Calling;

/// <summary>What can be said of each phrase where it stands.</summary>
public sealed partial class CueSheet
{
    private void AddPhrase(int at, LineUnits units, bool otherSide, string? cue)
    {
        var phrase = _phrases[at];
        var stretch = phrase.Stretch;
        var unit = units.Of(phrase);
        var telling = _worth.Of(phrase, unit.Key, (int)Math.Round((phrase.From - unit.From) * 8), otherSide);
        if (phrase.To >= unit.To - 1e-6)
        {
            _worth.Through(unit.Key);
        }

        // A block of changes alone is silent where nothing changes, own words or not.
        if (cue is not null && (_settings.Rule != CallRule.ChangesOnly || telling.Way > 0 || telling.Turn > 0))
        {
            AddOwn(stretch, phrase.From, phrase.Line, cue, phrase.Step, phrase.From, phrase.To);
            return;
        }

        if (_settings.Rule == CallRule.CountsOnly)
        {
            return;
        }

        var options = OptionsOf(at, telling);
        if (options.Count > 1)
        {
            var best = options.MaxBy(o => o.Worth)!;
            var missed = telling.IsFirst || telling.Turn > 0;
            _entries.Add(new Entry(
                new CallItem(options, Deadline(phrase.From), Begins(phrase.From, _settings.Lead), Must: false),
                stretch,
                phrase.Line,
                phrase.Count,
                phrase.Step,
                phrase.From,
                phrase.To,
                telling.IsOther ? CallTexts.OtherThanTheTimeBefore
                    : telling.Turn > 0 ? CallTexts.TurnSaidEachTime
                    : telling.IsFirst ? CallTexts.DancedFirstTime
                    : telling.Way > 0 ? CallTexts.WayChanges
                    : CallTexts.ItsName,
                best.Words,
                missed));
        }
    }

    private List<CallOption> OptionsOf(int at, PhraseTelling telling)
    {
        var phrase = _phrases[at];
        var options = new List<CallOption> { CallOption.Silence };
        var earliest = Begins(phrase.From, Math.Max(LongLead, _settings.Lead));
        foreach (var wording in Wordings(at, telling))
        {
            var worth = telling.Of(wording);
            if (worth <= 0
                || (_settings.Way == CallerWay.Beat && wording.Tells.HasFlag(Tells.Name))
                || (_settings.Rule == CallRule.ChangesOnly
                    && (telling.Way == 0 || !wording.Tells.HasFlag(Tells.Way))
                    && !wording.Tells.HasFlag(Tells.Turn)))
            {
                continue;
            }

            var from = wording.Side == 0 ? earliest : Math.Max(earliest, OtherWayDone(at, wording.Side));
            var option = new CallOption(wording.Words, FormOf(wording.Tells), worth, Takes(wording.Syllables), from);
            if (!options.Exists(o => o.Worth >= option.Worth && o.Takes <= option.Takes && o.Earliest <= option.Earliest))
            {
                options.Add(option);
            }
        }

        return options;
    }

    private static CueForm FormOf(Tells tells) =>
        tells.HasFlag(Tells.Foot) ? CueForm.Foot
            : !tells.HasFlag(Tells.Name) ? CueForm.Key
            : (tells & ~Tells.InBrief) == Tells.Name ? CueForm.Name
            : CueForm.Full;

    private readonly Dictionary<((string, string, string, int, string, int, int, int, bool, bool, int) Said,
        bool GoesOn,
        bool OtherWay,
        string Foot), IReadOnlyList<CallWording>> _wordings =
        [];

    /// <summary>The ways of saying a phrase; the same step comes again and again.</summary>
    private IReadOnlyList<CallWording> Wordings(int at, PhraseTelling telling)
    {
        var phrase = _phrases[at];
        var foot = _settings.Way == CallerWay.Feet && MaySayFoot(at) ? phrase.Foot : "";
        var key = (phrase.Said, telling.GoesOn, telling.Way > 0, foot);
        if (!_wordings.TryGetValue(key, out var wordings))
        {
            wordings = _words.Of(phrase, telling.GoesOn, telling.Way > 0);
            wordings = _wordings[key] = foot.Length == 0 ? wordings
                : [
                    .. wordings.Where(w => w.Tells == Tells.Name && w.Words == phrase.Name)
                        .Select(w => new CallWording($"{foot} {w.Words}", w.Tells | Tells.Detail | Tells.Foot, 0)),
                    .. wordings
                ];
        }

        return wordings;
    }

    /// <summary>
    /// A foot may precede a name only where nothing turns or goes to the other side, in the phrase and within a count of it.
    /// </summary>
    private bool MaySayFoot(int at)
    {
        var phrase = _phrases[at];
        var side = phrase.Actions[0].Foot == Foot.Right ? 1 : -1;
        bool Disturbs(CallPhrase other) =>
            other.Actions.Any(a => a.SongCount > phrase.From - 1 - 1e-6 && a.SongCount < phrase.To + 1 - 1e-6 && !a.Turn.IsNone)
            || (other.Side * side < 0 && other.To > phrase.From - 1 && other.From < phrase.To + 1);
        return phrase is { Side: 0, Foot.Length: > 0 }
            && !Enumerable.Range(Math.Max(0, at - 2), Math.Min(_phrases.Count, at + 3) - Math.Max(0, at - 2))
                .Any(i => Disturbs(_phrases[i]));
    }

    /// <summary>
    /// The second from which a side may be said: half of what goes or turns the other way is done, and the last of it has begun. What comes
    /// behind
    /// equal steps is told while they go on.
    /// </summary>
    private double OtherWayDone(int at, int side)
    {
        var from = double.NegativeInfinity;
        for (var i = at - 1; i >= 0 && _phrases[i].To > _phrases[at].From - LongLead; i--)
        {
            var before = _phrases[i];
            var last = before.Actions.LastOrDefault(a => a.Turn.Value * side < 0 || (before.Side * side < 0 && a.TakesWeight));
            if (last is not null)
            {
                var half = Time((before.From + before.To) / 2);
                from = Math.Max(from, before.Times > 1 ? half : Math.Max(half, Time(last.SongCount)));
            }
        }

        return from;
    }
}
