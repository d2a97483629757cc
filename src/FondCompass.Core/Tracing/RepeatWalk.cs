using FondCompass.Core.Measures;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Tracing;

/// <summary>What there is to dance: the walk asks for each repeat, call and tag when it comes to it.</summary>
internal interface IRepeats
{
    /// <summary>Every second repeat is the mirror image.</summary>
    bool Mirrors { get; }

    /// <summary>The calls of the order, in the order as written.</summary>
    IReadOnlyList<(Stretch Stretch, int Row)> Calls { get; }

    /// <summary>The looped pattern in a repeat, from 1; null when there is none.</summary>
    PartTrace? Loop(int repeat);

    /// <summary>A call of the order as it is danced when it is the call of that number.</summary>
    Stretch Called(Stretch written, int call);

    /// <summary>A tag by its name; null when it is unknown or empty.</summary>
    Stretch? Tag(string name, Weight weight, Facing facing);
}

/// <summary>One thing danced after another, without regard to where the song ends.</summary>
/// <param name="Call">Number of the call or repeat as written, from 1; a tag has that of the one before it, 0 before the first.</param>
/// <param name="Repeat">Number of the repeat as danced, from 1: it differs from <paramref name="Call"/> where calls are left out or danced
/// again.</param>
/// <param name="Whole">As called.</param>
/// <param name="Danced">As called, up to the restart.</param>
/// <param name="Row">Text row that calls it; null for a repeat of a loop and a tag within the order.</param>
internal sealed record Walked(
    bool IsTag,
    int Call,
    int Repeat,
    Stretch Whole,
    Stretch Danced,
    RestartAfter? Restart,
    int? Row,
    Weight StartWeight,
    Facing StartFacing,
    Weight EndWeight,
    Facing EndFacing);

/// <summary>
/// Dances repeat after repeat, with their tags, restarts, and calls left out, danced again or moved (rules, section 6). Lazy: a loop has
/// no end, so whoever walks stops.
/// </summary>
internal sealed class RepeatWalk
{
    private readonly Dance _dance;
    private readonly IRepeats _repeats;
    private Weight _weight;
    private Facing _facing;
    private int _repeat;

    private RepeatWalk(Dance dance, IRepeats repeats)
    {
        _dance = dance;
        _repeats = repeats;
        _weight = dance.Header.StartWeight;
        _facing = dance.Header.StartFacing;
    }

    public static IEnumerable<Walked> Walk(Dance dance, IRepeats repeats)
    {
        var walk = new RepeatWalk(dance, repeats);
        return dance.IsPhrased ? walk.Order() : walk.Loop();
    }

    private IEnumerable<Walked> Loop()
    {
        for (var repeat = 1; _repeats.Loop(repeat) is { Part.Counts: > 0 } pattern; repeat++)
        {
            var mirrored = _repeats.Mirrors && _weight == _dance.Header.StartWeight.Other();
            yield return Repeat(repeat, Stretch.Whole(pattern, mirrored), null);
            foreach (var tag in TagsAfter(repeat))
            {
                yield return tag;
            }
        }
    }

    /// <summary>The order once through, or round and round.</summary>
    private IEnumerable<Walked> Order()
    {
        var calls = CallsOf(_repeats.Calls);
        var front = _repeats.Calls.TakeWhile(c => c.Stretch.Pattern.Part.IsTag).ToList();
        for (var before = 0; ; before += calls.Count)
        {
            foreach (var tag in front)
            {
                yield return Tag(before, tag.Stretch, null);
            }

            foreach (var (number, call) in Changed(calls, before))
            {
                yield return Repeat(number, _repeats.Called(call.Stretch, number), call.Row);
                foreach (var tag in call.Tags.Select(t => Tag(number, t, null)).Concat(TagsAfter(number)))
                {
                    yield return tag;
                }
            }

            if (!_dance.OrderLoops || calls.Count == 0)
            {
                yield break;
            }
        }
    }

    private sealed record Call(Stretch Stretch, int Row, IReadOnlyList<Stretch> Tags);

    /// <summary>The calls of an order, each with the tags called behind it.</summary>
    private static List<Call> CallsOf(IReadOnlyList<(Stretch Stretch, int Row)> written)
    {
        var calls = new List<Call>();
        foreach (var (stretch, row) in written)
        {
            if (!stretch.Pattern.Part.IsTag)
            {
                calls.Add(new Call(stretch, row, []));
            }
            else if (calls.Count > 0)
            {
                calls[^1] = calls[^1] with { Tags = [.. calls[^1].Tags, stretch] };
            }
        }

        return calls;
    }

    /// <summary>One round of the order with its calls left out, danced again or moved, each with its number as written.</summary>
    private List<(int Number, Call Call)> Changed(List<Call> calls, int before)
    {
        var round = calls.Select((c, i) => (Number: before + i + 1, Call: c)).ToList();
        // What moves does so before anything is gone that it might move behind.
        foreach (var change in _dance.OrderChanges.OrderByDescending(c => c.Change))
        {
            var at = round.FindIndex(c => c.Number == change.Call);
            if (at < 0)
            {
                continue;
            }

            var call = round[at];
            switch (change.Change)
            {
                case CallChange.Drop:
                    round.RemoveAll(c => c.Number == change.Call);
                    break;
                case CallChange.Again:
                    round.Insert(at, (call.Number, call.Call with { Tags = [] }));
                    break;
                case CallChange.Move when change.To != change.Call && (change.To == before || round.Exists(c => c.Number == change.To)):
                    round.RemoveAt(at);
                    round.Insert(round.FindLastIndex(c => c.Number == change.To) + 1, call);
                    break;
            }
        }

        return round;
    }

    private Walked Repeat(int number, Stretch whole, int? row)
    {
        var restart = _dance.Restarts.FirstOrDefault(r => r.Repeat == number && r.AfterCount < whole.Counts);
        var danced = restart is null ? whole : whole with { To = whole.From + restart.AfterCount };
        _repeat++;
        return Dance(false, number, whole, danced, restart, row);
    }

    private IEnumerable<Walked> TagsAfter(int number)
    {
        foreach (var tag in _dance.Tags.Where(t => t.Repeat == number))
        {
            if (_repeats.Tag(tag.Tag, _weight, _facing) is { Counts: > 0 } stretch)
            {
                yield return Tag(number, stretch, tag.Row);
            }
        }
    }

    private Walked Tag(int number, Stretch stretch, int? row) => Dance(true, number, stretch, stretch, null, row);

    private Walked Dance(bool isTag, int number, Stretch whole, Stretch danced, RestartAfter? restart, int? row)
    {
        var (weight, facing) = (_weight, _facing);
        var (end, turn) = danced.End(weight);
        (_weight, _facing) = (end, facing + turn);
        return new Walked(isTag, number, _repeat, whole, danced, restart, row, weight, facing, _weight, _facing);
    }
}
