using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>Each choice tried, judged and told.</summary>
public sealed partial class SwapSearch
{
    private void Look(StepLexicon lexicon, CancellationToken cancel)
    {
        var withTurns = Net != 0;
        var effects = StepEffects.For(lexicon, _header, withTurns).Where(e => e.Choice.Counts <= _counts && MayBe(e.Choice)).ToList();
        var seconds = effects.Where(e => e.EndsOpen).ToLookup(e => (e.Choice.Counts, e.From, e.To, Key(e.Net)));
        // What a step does from an open stance is known; from any other it is danced.
        var firsts = _before is { Stance: Stance.Open } && _before.Weight.IsSingle() ? effects.Where(e => e.From == _before.Weight)
            : StepChoices.For(lexicon, _header, withTurns)
                .Where(c => c.Counts <= _counts && MayBe(c))
                .Select(c => StepEffects.EffectOf(_header, c, _before))
                .OfType<StepEffect>();
        foreach (var first in firsts.Where(f => f.Choice.Counts <= _counts))
        {
            cancel.ThrowIfCancellationRequested();
            if (first.Choice.Counts == _counts)
            {
                if (first.To == _after.Weight && Key(first.Net) == Key(Net) && IsNear(first, null))
                {
                    Consider(first, null);
                }
            }
            else if (first.EndsOpen && _after.Stance == Stance.Open)
            {
                foreach (var second in seconds[(_counts
                    - first.Choice.Counts, first.To, _after.Weight, Key(Net - first.Net))].Where(s => IsNear(
                    first,
                    s)))
                {
                    Consider(first, second);
                }
            }
        }
    }

    /// <summary>It may end at the same place, as far as that can be said before it is danced.</summary>
    private bool IsNear(StepEffect first, StepEffect? second)
    {
        var body = _before.Body + first.Moved.Turned(_before.Facing.Index);
        return second is null
            ? (body - _after.Body).Length <= SwapVerdict.Tolerance + Slack
            : (body + second.Moved.Turned((_before.Facing + new Eighths(first.Net)).Index) - _after.Body).Length <= SwapVerdict.Tolerance
                + (2 * Slack);
    }

    /// <summary>Takes note of what is wanted; whether it ends where it should is traced only when it is among the best.</summary>
    private void Consider(StepEffect first, StepEffect? second)
    {
        // A step that begins before its first count would begin before the span.
        if (StartsEarly(first) || (second is not null && StartsEarly(second)))
        {
            return;
        }

        if (_ownSteps.Contains(Name(first.Choice)) && (second is null || _ownSteps.Contains(Name(second.Choice))))
        {
            return;
        }

        var points = InLine(second is null ? first.Load : first.Load + second.Load, NoveltyOf(first.Steps, second?.Steps ?? []));
        var turning = first.Turning + (second?.Turning ?? 0);
        var impact = first.HighImpact || second is { HighImpact: true };
        var wanted = _aim switch
        {
            SwapAim.Easier => points < _points - 1e-9,
            SwapAim.Showier => points > _points,
            SwapAim.LowImpact => !impact,
            SwapAim.NoTurn => turning < _ownTurning || turning == 0,
            _ => true,
        };
        if (wanted)
        {
            var misfit = _aim switch
            {
                SwapAim.Easier => points,
                SwapAim.Showier => -points,
                _ => Math.Abs(points - _points),
            };
            var rank = (_aim == SwapAim.NoTurn ? turning : 0, !(first.IsOwn && second is null or { IsOwn: true }), Math.Round(misfit, 9));
            (_found.TryGetValue(rank, out var alike)
                ? alike
                : _found[rank] = []).Add(new Candidate(first, second, points, turning, impact));
        }
    }

    /// <summary>The genre's own first, then the most fitting, then the least difference in place; each traced to its end.</summary>
    private List<Swap> Ranked(int first, int most)
    {
        var swaps = new List<Swap>();
        var written = new HashSet<string>();
        foreach (var (rank, alike) in _found.OrderBy(f => f.Key))
        {
            // Those that fit alike are told apart by where they end.
            swaps.AddRange(alike.Select(c => Write(c, first, !rank.Foreign)).OfType<Swap>()
                .OrderBy(s => s.Metres)
                .ThenBy(s => s.Pieces)
                .ThenBy(s => s.Words, StringComparer.Ordinal)
                .Where(s => written.Add(string.Join('\n', s.Rows))));
            if (swaps.Count >= most)
            {
                break;
            }
        }

        return swaps.Count > most ? swaps[..most] : swaps;
    }

    private Swap? Write(in Candidate found, int from, bool isOwn)
    {
        var (choice, then) = (found.First.Choice, found.Second?.Choice);
        if (StepChoices.From(_header, choice, _before) is not { } first
            || (then is null ? first : StepChoices.From(_header, then, first.End)) is not { } last)
        {
            return null;
        }

        var verdict = SafeSwap.Compare(_after, last.End);
        if (!verdict.IsSafe || Key((last.End.Net - _before.Net).Value) != Key(Net))
        {
            return null;
        }

        List<string> rows = [choice.Row(from, Lead(first))];
        if (then is not null)
        {
            rows.Add(then.Row(from + choice.Counts, Lead(last)));
        }

        return new Swap(
            rows,
            _ownPoints + found.Points - _points,
            verdict.Metres,
            found.Turning > 0,
            found.HighImpact,
            Math.Max(choice.Step?.Level ?? 1, then?.Step?.Level ?? 1))
        {
            IsOwn = isOwn,
            Turning = found.Turning,
            Difference = found.Points - _points,
            Pieces = rows.Count,
        };
    }

    private readonly record struct Candidate(StepEffect First, StepEffect? Second, double Points, int Turning, bool HighImpact);

    private static bool StartsEarly(StepEffect effect) => effect.Steps[0].At < default(Tick);

    private static string Name(StepChoice choice) => choice.Step?.Name ?? choice.Wording;

    /// <summary>The first foot that moves.</summary>
    internal static string Lead(PartTrace trace) =>
        trace.Actions.FirstOrDefault(a => a.Foot.IsSingle() && a.Action.Verb.Kind is VerbKind.Takes or VerbKind.Leaves)?.Foot.Letter()
            ?? "";
}
