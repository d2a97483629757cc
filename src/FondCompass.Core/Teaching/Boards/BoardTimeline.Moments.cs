using FondCompass.Core.Actions;
using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Boards;

/// <summary>The moments a board shows: clicks, steps, what is set, said and to come.</summary>
public sealed partial record BoardTimeline
{
    private static IEnumerable<BoardClick> ClicksOf(
        DanceRun run,
        RunStretch stretch,
        Func<DanceLine, double, int, string> counted,
        Dictionary<double, RunAction> halves,
        string wall)
    {
        var part = stretch.Stretch.Pattern.Part;
        var name = stretch.Called;
        foreach (var line in part.Lines)
        {
            for (var i = 0; i < line.Counts; i++)
            {
                var count = (line.Start.Value / Tick.PerCount) + i;
                if (count < stretch.Stretch.From || count >= stretch.Stretch.To)
                {
                    continue;
                }

                var at = stretch.FromCount - stretch.Stretch.From + count;
                var where = run.Trace.Dance.IsPhrased || stretch.IsTag
                    ? $"{name} · {PartWording.Name(line)}"
                    : BoardTexts.RepeatOf(stretch.Repeat, PartWording.Name(part, line, several: true));
                yield return new BoardClick(
                    run.Song.Time.SecondsAt(at),
                    counted(line, at, i + 1),
                    false,
                    i == 0,
                    false,
                    stretch.Repeat,
                    where,
                    wall,
                    stretch.Part,
                    line.Number,
                    i + 1);
                foreach (var share in Shares)
                {
                    if (halves.TryGetValue(Math.Round(at + share.Part, 6), out var moved) && moved.Repeat == stretch.Repeat)
                    {
                        yield return new BoardClick(
                            moved.Seconds,
                            share.Letter,
                            false,
                            false,
                            true,
                            stretch.Repeat,
                            where,
                            wall,
                            stretch.Part,
                            line.Number,
                            i + 1);
                    }
                }
            }
        }
    }

    private static readonly (double Part, string Letter)[] Shares = [(0.25, "e"), (0.5, "&"), (2 / 3.0, "&"), (0.75, "a")];

    private static List<BoardStep> StepsOf(DanceHeader header, IReadOnlyList<RunAction> actions)
    {
        var steps = new List<BoardStep>();
        foreach (var action in actions)
        {
            // The free foot and the facing follow every action; the name stays until the next call.
            var name = action.Wording?.Called ?? (steps.Count > 0 ? steps[^1].Name : "");
            var foot = action.Foot.IsSingle() ? action.Foot.Letter() : "";
            steps.Add(new BoardStep(
                action.Seconds,
                action.Wording is not null,
                name,
                action.Wording is { Letter.Length: > 0 } own ? own.Letter : foot,
                action.Weight.FreeFoot() is var free && free.IsSingle() ? free.Letter() : "",
                FacingWords.Say(header, action.Facing),
                action.Facing.Degrees,
                action.Deed,
                action.Wording is null ? "" : action.Step));
        }

        return steps;
    }

    private static List<BoardParts> PartsOf(DanceRun run, IReadOnlyList<RunAction> actions, StepLexicon lexicon)
    {
        var parts = new StepParts(run.Trace.Dance, lexicon);
        return [.. actions.Where(a => a.Wording is not null)
            .Select(a => a.Step)
            .Distinct()
            .Select(s => new BoardParts(s, parts.Of(s)))
            .Where(p => p.Parts.Count > 0)];
    }

    private static CallSettings SettingsOf(BlockRun block, double rate, int repeats, BoardCalls calls) =>
        new(new Rate(rate * 100), Speech.DefaultLead, repeats)
        {
            Way = calls.Way,
            Rule = calls.Rule,
            Counting = calls.Counting,
            FeetOnly = calls.FeetOnly,
            Layers = calls.Layers,
            Heard = calls.Heard,
            Starts = block.Starts,
            CountIn = block.Starts.Count > 0 ? block.CountIn : 0,
            WithBeat = false,
        };

    private static List<BoardSay> SaysOf(DanceRun run, CallSettings settings, StepLexicon lexicon) =>
        settings.Rule == CallRule.CountsOnly ? []
        : [.. CueSheet.Write(run, settings, lexicon)
            .Where(c => c.Words.Length > 0 && !c.IsBeat)
            .Select(c => new BoardSay(c.At, c.Until, c.StepAt, c.Words, c.IsOwn, c.Layer))];

    private static IEnumerable<BoardEvent> EventsOf(DanceRun run, List<RunStretch> stretches, int repeats) =>
        ExceptionsOf(run, repeats).Concat(JoinsOf(run, stretches)).Concat(PassagesOf(run));

    private static string FacingOf(DanceRun run, Facing facing) => BoardTexts.Facing(FacingWords.Say(run.Trace.Dance.Header, facing));

    private static BoardEvent EventAt(DanceRun run, SongCount count, int ahead, string words) =>
        new(run.Song.Time.SecondsAt(count.After(-ahead)), run.Song.Time.SecondsAt(count), words);

    /// <summary>Tags and restarts.</summary>
    private static IEnumerable<BoardEvent> ExceptionsOf(DanceRun run, int repeats)
    {
        foreach (var happens in run.Events.Where(e => e.Kind != RunEventKind.Ending && e.AfterRepeat <= repeats))
        {
            var tag = run.Stretches.FirstOrDefault(s => s.IsTag && s.FromCount == happens.AtCount);
            var facing = FacingOf(run, happens.Facing);
            yield return EventAt(
                run,
                happens.AtCount,
                AheadOfChange,
                happens.Kind == RunEventKind.Tag ? $"{tag?.Called ?? BoardTexts.ATag}, {facing}" : BoardTexts.RestartFromTop(facing));
        }
    }

    /// <summary>Where one part, or one time through, goes over to the next.</summary>
    private static IEnumerable<BoardEvent> JoinsOf(DanceRun run, List<RunStretch> stretches)
    {
        var told = run.Events.Where(e => e.Kind == RunEventKind.Restart).Select(e => e.AtCount).ToHashSet();
        foreach (var (before, next) in stretches.Zip(stretches.Skip(1)))
        {
            if (!next.IsTag && !told.Contains(next.FromCount))
            {
                yield return EventAt(
                    run,
                    next.FromCount,
                    AheadOfPart,
                    $"{JoinWords(run, before, next)}, {FacingOf(run, next.StartFacing)}");
            }
        }
    }

    private static string JoinWords(DanceRun run, RunStretch before, RunStretch next)
    {
        if (run.IsExcerpt)
        {
            return next.Repeat == before.Repeat ? BoardTexts.Next(next.Called)
                : next == run.Stretches.First(s => s.Repeat == run.Stretches[^1].Repeat) ? BoardTexts.LastOne
                : BoardTexts.AgainOnly;
        }

        if (run.Trace.Dance.IsPhrased)
        {
            return next.Part == before.Part && next.Stretch.From <= before.Stretch.From
                ? BoardTexts.AgainPart(next.Called)
                : BoardTexts.Next(next.Called);
        }

        return next.Stretch.Mirrored != before.Stretch.Mirrored && !before.IsTag
            ? BoardTexts.FromTheTopOtherSide
            : BoardTexts.BoardFromTheTop;
    }

    /// <summary>Rests of the music, another way to count it, and what the song's text reminds of.</summary>
    private static IEnumerable<BoardEvent> PassagesOf(DanceRun run)
    {
        for (var i = 0; i < run.Song.Passages.Count; i++)
        {
            var passage = run.Song.Passages[i];
            var before = i > 0 ? run.Song.Passages[i - 1].Feel : CountingFeel.AsPlayed;
            if (passage.Rest is { } rest)
            {
                yield return EventAt(run, run.Song.Starts[i], AheadOfPart, BoardTexts.MusicStops(rest));
            }
            else if (passage.Feel != before)
            {
                yield return EventAt(
                    run,
                    run.Song.Starts[i],
                    AheadOfPart,
                    passage.Feel switch
                    {
                        CountingFeel.HalfTime => BoardTexts.HalfTime,
                        CountingFeel.DoubleTime => BoardTexts.DoubleTime,
                        _ => BoardTexts.OwnPaceAgain
                    });
            }

            if (passage.Note is { Length: > 0 } reminder)
            {
                yield return EventAt(run, run.Song.Starts[i], AheadOfPart, reminder);
            }
        }
    }
}
