using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Steps;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>A step that could be danced somewhere: its words without counts and foot, bound once.</summary>
/// <param name="Wording">As a script has it, the lead left out: "vine", "vine with 1/4 left".</param>
/// <param name="Step">The lexicon's step; null when it is spelled out.</param>
/// <param name="Counts">Whole counts it takes.</param>
public sealed record StepChoice(string Wording, NamedStep? Step, int Counts, PartActions Actions)
{
    /// <summary>The words with the foot that leads and the counts before them.</summary>
    /// <param name="from">First count, from 1.</param>
    /// <param name="lead">L or R; empty when no foot is to be named.</param>
    public string Row(int from, string lead)
    {
        var counts = CountText.Range(from, from + Counts - 1);
        var foot = lead.Length == 0 || (Step is null && Wording.Contains(',')) ? "" : $" {lead}";
        // Of a plain action the foot comes after the verb: "brush L forward".
        var cut = Wording.IndexOf(Step is null ? " " : " with ", StringComparison.Ordinal);
        return cut < 0 ? $"{counts} {Wording}{foot}" : $"{counts} {Wording[..cut]}{foot}{Wording[cut..]}";
    }
}

/// <summary>All choices there are for one way of counting, bound once and kept.</summary>
public static class StepChoices
{
    /// <summary>Kept as long as the lexicon itself is in use.</summary>
    private static readonly ConditionalWeakTable<StepLexicon, ConcurrentDictionary<(Genre,
        int,
        bool,
        bool), IReadOnlyList<StepChoice>>> Kept =
        [];

    /// <summary>Spelled-out pairs and single actions that fill what no named step does.</summary>
    private static readonly (string Wording, int Counts)[] Plain =
    [
        ("hold", 1),
        ("hold", 2),
        ("touch beside", 1),
        ("close", 1),
        ("step forward", 1),
        ("step back", 1),
        ("step side", 1),
        ("step in place", 1),
        ("stomp", 1), ("brush forward", 1), ("kick forward", 1), ("step forward, touch beside", 2), ("step back, touch beside", 2),
        ("step forward, hold", 2), ("step side, hold", 2), ("step side, close, step side, touch", 4), ("walk, walk, walk, touch", 4),
        ("walk back, walk back, walk back, touch", 4),
        ("walk, walk, walk, walk", 4),
        ("step in place, step in place, step in place, touch", 4),
        ("step in place, step in place, step in place, step in place", 4),
    ];

    /// <summary>Quarters and halves that a dancer lays on a step.</summary>
    private static readonly string[] Turns = ["1/4 left", "1/4 right", "1/2 left", "1/2 right"];

    /// <param name="withTurns">Also every step with a turn laid on it.</param>
    public static IReadOnlyList<StepChoice> For(StepLexicon lexicon, DanceHeader header, bool withTurns) =>
        Kept.GetOrCreateValue(lexicon)
            .GetOrAdd((header.Genre, header.LineCounts, header.Swing, withTurns), _ => Bind(lexicon, header, withTurns));

    /// <summary>A dancer turns on a foot that takes the weight; a step that only swivels or taps has none.</summary>
    private static bool TakesATurn(NamedStep step) =>
        !step.Forms[0].Actions.Any(a => a.Phrase.Turn is not null) && step.Forms[0].Actions.Any(a => a.Phrase.Verb?.Kind == VerbKind.Takes);

    /// <summary>One of the genre's own, or plain actions that every genre has.</summary>
    public static bool IsOwn(StepChoice choice, Genre genre) =>
        choice.Step is null || choice.Step.Genres.Contains(genre.ToString().ToLowerInvariant());

    private static List<StepChoice> Bind(StepLexicon lexicon, DanceHeader header, bool withTurns)
    {
        var rows = new List<(string Wording, NamedStep? Step, int Counts, string Text)>();
        foreach (var (wording, counts) in Plain)
        {
            rows.Add((wording, null, counts, $"{CountText.Range(1, counts)} {wording}"));
        }

        foreach (var step in lexicon.Steps)
        {
            foreach (var counts in step.Forms.Select(f => f.Counts).Distinct())
            {
                var turns = withTurns && TakesATurn(step) ? Turns.Select(t => $" with {t}").Prepend("") : [""];
                rows.AddRange(turns.Select(turn => (step.Name
                    + turn, (NamedStep?)step, counts, $"{CountText.Range(1, counts)} {step.Name}{turn}")));
            }
        }

        // Each is a part of its own, as many at a time as a dance may have.
        return [.. rows.Chunk(ScriptReader.MostParts).SelectMany(some => Bind(some, lexicon, header))];
    }

    private static IEnumerable<StepChoice> Bind(
        (string Wording, NamedStep? Step, int Counts, string Text)[] rows,
        StepLexicon lexicon,
        DanceHeader header)
    {
        var script = string.Concat(rows.Select((r, i) => $"part c{i}\n{r.Text}\n"));
        var dance = ScriptReader.Read($"line {Math.Max(header.LineCounts, 16)}\n{script}") with { Header = header };
        var bound = ActionBinder.Bind(dance, lexicon);
        var bad = bound.Findings.Where(f => f.Kind.IsOfWords || f.Kind == ActionFindings.TooFewCounts)
            .Select(f => f.Place.Part)
            .ToHashSet();
        return rows
            .Select((r, i) => (Choice: new StepChoice(r.Wording, r.Step, r.Counts, bound.Parts[i]), Name: $"c{i}"))
            // On one count some steps are danced in another form, which takes more.
            .Where(r => !bad.Contains(r.Name) && r.Choice.Actions.Counts == r.Choice.Counts)
            .Select(r => r.Choice);
    }

    /// <summary>Danced from a state; null when a foot is not free for it.</summary>
    public static PartTrace? From(DanceHeader header, StepChoice choice, TraceState state)
    {
        var trace = PartTracer.Trace(header, choice.Actions, state, throughJoin: false);
        return trace.Actions.Any(a => a.Fault != Fault.None) || trace.Actions.Count == 0 ? null : trace;
    }
}
