using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Swaps;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Runs;

/// <summary>One action of a run, in song time.</summary>
/// <param name="Seconds">From the song's count 0, at full rate.</param>
/// <param name="SongCount">Song count at which it sounds, with its fraction.</param>
/// <param name="StartsCall">First action of a named step, so that its cue is due.</param>
public sealed record RunAction(
    Seconds Seconds, SongCount SongCount, string Count, string Step, string Verb, Foot Foot, bool TakesWeight, Weight Weight, Facing Facing,
    Eighths Turn, int Repeat, int? Wall, string Part, int Line, bool IsTag, bool StartsCall)
{
    /// <summary>What its call is called as it is danced here; on the first action of a call only.</summary>
    public StepWording? Wording { get; init; }

    /// <summary>What this one action is: "step behind", "touch beside", "step forward, turn 1/4 left"; the foot stands apart.</summary>
    public string Deed { get; init; } = "";

    /// <summary>Where it goes, as danced.</summary>
    public Direction Direction { get; init; }

    /// <summary>Sounds before its line's first count.</summary>
    public bool IsPickUp { get; init; }

    /// <summary>A movement by itself: its words name no step that is known by that name.</summary>
    public bool IsLoose { get; init; }

    /// <summary>Counts it was written to last.</summary>
    public double Counts { get; init; }
}

/// <summary>
/// Words of the instructor that hang on counts of a run: a cue, note, caution or trouble spot, or what is done on top of the feet.
/// </summary>
/// <param name="Kind">cue, note, caution, trouble; of a layer arms, hips, head, sounds or body.</param>
/// <param name="Until">Seconds at which its counts end.</param>
public sealed record RunNote(
    Seconds Seconds,
    Seconds Until,
    SongCount SongCount,
    string Kind,
    string Text,
    int Repeat,
    string Part,
    int Line);

/// <summary>A run as what happens when, for the call board, sheets and sound.</summary>
public static class RunTimeline
{
    /// <summary>The kind of a note that says what may be danced beside.</summary>
    public const string SideNote = "beside";

    /// <param name="run">The run.</param>
    /// <param name="mostRepeats">Stop after so many repeats; null for the whole song.</param>
    /// <param name="isWanted">Stretches that are looked at; all when left out.</param>
    public static IReadOnlyList<RunAction> ActionsOf(DanceRun run, int? mostRepeats = null, Func<RunStretch, bool>? isWanted = null)
    {
        var walls = run.Repeats.ToDictionary(r => r.Index, r => r.Wall);
        var actions = new List<RunAction>();
        foreach (var stretch in Wanted(run, mostRepeats, isWanted))
        {
            Add(run, stretch, walls.GetValueOrDefault(stretch.Repeat), actions);
        }

        actions.Sort((a, b) => a.SongCount.CompareTo(b.SongCount));
        return actions;
    }

    /// <summary>The same, stretch by stretch, each in order of time.</summary>
    public static IEnumerable<(RunStretch Stretch, IReadOnlyList<RunAction> Actions)> ByStretch(
        DanceRun run,
        IEnumerable<RunStretch> stretches)
    {
        var walls = run.Repeats.ToDictionary(r => r.Index, r => r.Wall);
        foreach (var stretch in stretches)
        {
            var actions = new List<RunAction>();
            Add(run, stretch, walls.GetValueOrDefault(stretch.Repeat), actions);
            yield return (stretch, [.. actions.OrderBy(a => a.SongCount)]);
        }
    }

    private static IEnumerable<RunStretch> Wanted(DanceRun run, int? mostRepeats, Func<RunStretch, bool>? isWanted) =>
        run.Stretches.TakeWhile(s => !(s.Repeat > mostRepeats)).Where(s => isWanted?.Invoke(s) ?? true);

    /// <summary>The instructor's cues, notes, cautions and trouble spots, and the layers, at the counts they hang on.</summary>
    /// <param name="run">The run.</param>
    /// <param name="mostRepeats">Stop after so many repeats; null for the whole song.</param>
    /// <param name="isWanted">Stretches that are looked at; all when left out.</param>
    public static IReadOnlyList<RunNote> Notes(DanceRun run, int? mostRepeats = null, Func<RunStretch, bool>? isWanted = null)
    {
        // A variant is told in the same words however often its part is danced.
        var beside = new Dictionary<(PartTrace, SpanVariant), string>();
        var notes = Wanted(run, mostRepeats, isWanted).SelectMany(s => NotesOf(run, s).Concat(BesideOf(run, s, beside))).ToList();
        notes.Sort((a, b) => a.SongCount.CompareTo(b.SongCount));
        return notes;
    }

    /// <summary>What may be danced beside, by who takes it easier.</summary>
    private static IEnumerable<RunNote> BesideOf(DanceRun run, RunStretch stretch, Dictionary<(PartTrace, SpanVariant), string> told)
    {
        var (from, to) = Span(stretch);
        foreach (var variant in stretch.Stretch.Pattern.Part.Variants.Where(v => v.From >= from
            && v.From < to
            && v.Label.Kind is VariantKind.Easier or VariantKind.NoTurn or VariantKind.LowImpact))
        {
            if (!told.TryGetValue((stretch.Stretch.Pattern, variant), out var words))
            {
                words = told[(stretch.Stretch.Pattern, variant)] = PartWording.WordsOf(SpanTrace.Trace(
                    run.Trace.Dance.Header,
                    stretch.Stretch.Pattern,
                    variant));
            }

            var at = CountOf(stretch, variant.From);
            yield return new RunNote(
                run.Song.Time.SecondsAt(at), run.Song.Time.SecondsAt(CountOf(stretch, variant.To)), at, SideNote,
                $"{variant.Label}: {(stretch.Stretch.Mirrored ? SideWords.Mirrored(words) : words)}",
                stretch.Repeat,
                stretch.Part,
                variant.Line);
        }
    }

    /// <summary>The instructor's cues, notes, cautions and trouble spots, and the layers, of one stretch.</summary>
    public static IEnumerable<RunNote> NotesOf(DanceRun run, RunStretch stretch)
    {
        var (from, to) = Span(stretch);
        var part = stretch.Stretch.Pattern.Part;
        var hung = part.Notes.Select(n => ((Moment)n, n.Kind, n.Text))
            .Concat(part.Layers.Select(l => ((Moment)l, WordedLayer.Read(l.Text).Kind.ToString().ToLowerInvariant(), l.Text)));
        foreach (var (moment, kind, text) in hung.Where(n => n.Item1.At >= from && n.Item1.At < to))
        {
            var at = CountOf(stretch, moment.At);
            yield return new RunNote(
                run.Song.Time.SecondsAt(at), run.Song.Time.SecondsAt(CountOf(stretch, moment.At + moment.Length)), at, kind,
                stretch.Stretch.Mirrored ? SideWords.Mirrored(text) : text, stretch.Repeat, stretch.Part, moment.Line);
        }
    }

    private static (Tick From, Tick To) Span(RunStretch stretch) =>
        (Tick.FromCounts(stretch.Stretch.From), Tick.FromCounts(stretch.Stretch.From + stretch.ToCount - stretch.FromCount));

    private static SongCount CountOf(RunStretch stretch, Tick at) => new(stretch.FromCount - stretch.Stretch.From + at.InCounts);

    private static void Add(DanceRun run, RunStretch stretch, int? wall, List<RunAction> actions)
    {
        var lineCounts = run.Trace.Dance.Header.LineCounts;
        var facing = stretch.StartFacing;
        var steps = stretch.Stretch.Dance(stretch.StartWeight).ToList();
        var call = -1;
        if (stretch.Stretch.Finish is { Count: null } pose)
        {
            var last = stretch.ToCount - 1;
            var at = new SongCount(steps.Exists(s => s.Step.Moment.At >= Tick.FromCounts(stretch.Stretch.To - 1)) ? last + 0.5 : last);
            actions.Add(new RunAction(
                run.Song.Time.SecondsAt(at),
                at,
                $"{stretch.Stretch.To}",
                "pose",
                "pose",
                Foot.None,
                false,
                stretch.EndWeight,
                stretch.EndFacing,
                pose.Turn,
                stretch.Repeat, wall, stretch.Part, stretch.Stretch.Pattern.Part.Lines.Count, stretch.IsTag, true)
            { Wording = new StepWording("pose", "", pose.Turn.IsNone ? "" : $"{pose.Turn}", Foot.None) });
        }

        for (var i = 0; i < steps.Count; i++)
        {
            var (step, weight, _) = steps[i];
            facing += step.Turn;
            var count = new SongCount(stretch.FromCount - stretch.Stretch.From + step.Moment.At.InCounts);
            if (step.Moment is FreeSpan free)
            {
                actions.Add(new RunAction(
                    run.Song.Time.SecondsAt(count),
                    count,
                    free.Beat.Label(lineCounts),
                    "free",
                    "free",
                    Foot.None,
                    false,
                    weight,
                    facing,
                    Eighths.None,
                    stretch.Repeat, wall, stretch.Part, free.Line, stretch.IsTag, true)
                { Wording = new StepWording(CheckTexts.YourOwn, "", "", Foot.None) });
                call = -1;
            }
            else if (step.Moment is DanceAction action && step.Verb is { } verb)
            {
                var starts = action.Call != call;
                call = action.Call;
                actions.Add(new RunAction(
                    run.Song.Time.SecondsAt(count), count, action.Beat.Label(lineCounts), action.Step, verb.Name, step.Foot,
                    verb.Kind == VerbKind.Takes,
                    weight,
                    facing,
                    step.Turn,
                    stretch.Repeat,
                    wall,
                    stretch.Part,
                    action.Line,
                    stretch.IsTag,
                    starts)
                {
                    Wording = starts ? WordingOf(steps, i, action, stretch.Stretch.Mirrored) : null,
                    Deed = DeedOf(action, verb, step.Turn),
                    Direction = action.Direction,
                    IsPickUp = action.IsPickUp,
                    IsLoose = !action.IsInside && !verb.Has(VerbTraits.IsBody) && (action.Step == verb.Name || verb.IsTurn),
                    Counts = action.Length.InCounts,
                });
            }
        }
    }

    /// <summary>What one action is, in words: nothing that is not danced is named.</summary>
    private static string DeedOf(DanceAction action, Verb verb, Eighths turn)
    {
        if (verb.Has(VerbTraits.IsBody))
        {
            return action.Deed;
        }

        var way = action.Direction == Direction.None ? "" : $" {PhraseText.Words(action.Direction)}";
        return turn.IsNone ? verb.Name + way : StepTexts.WithTurn(verb.Name + way, $"{turn}");
    }

    private static StepWording WordingOf(
        List<(ReplayStep Step, Weight After, Fault Fault)> steps,
        int first,
        DanceAction action,
        bool mirrored)
    {
        var danced = steps.Skip(first)
            .TakeWhile(s => s.Step.Moment is not DanceAction a || a.Call == action.Call)
            .Where(s => s.Step.Moment is DanceAction)
            .Select(s => s.Step)
            .ToList();
        return StepWording.Word(action, danced.Select(s => s.Foot), danced.Select(s => s.Turn), mirrored);
    }
}
