using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Editing;

/// <summary>A place for a step: where it would begin and how many counts are left there.</summary>
/// <param name="Part">The part's name; empty when there is none yet.</param>
/// <param name="Line">The line, from 1.</param>
/// <param name="Count">First count, from 1.</param>
/// <param name="Room">Whole counts up to the next step or the line's end.</param>
/// <param name="State">Weight, facing and place on the floor when it begins.</param>
public sealed record StepSlot(string Part, int Line, int Count, int Room, TraceState State)
{
    /// <summary>The place of a text row: after the row of steps above it, or on the counts that it names itself.</summary>
    /// <param name="script">The text; what stands on the row is left out of account.</param>
    /// <param name="row">Text row, from 1.</param>
    public static StepSlot AtRow(string script, int row, StepLexicon lexicon)
    {
        var (rows, breaks) = RowText.SplitRows(script);
        row = Math.Clamp(row, 1, rows.Length);
        var own = RowText.WithoutComment(rows[row - 1]);
        rows[row - 1] = "";
        var analysis = Analysis.Analyse(string.Concat(rows.Zip(breaks, (r, b) => r + b)), lexicon);
        var map = ScriptMap.Map(analysis.Trace.Actions);
        var header = analysis.Dance.Header;
        var counts = CountsReader.TryRead(own + " x", header.LineCounts, null, out var read, out _) == CountsOutcome.Read ? read : null;
        if (map.Parts.LastOrDefault(p => p.Row < row) is not { } part)
        {
            return new StepSlot(
                "",
                1,
                counts?.First.Number ?? 1,
                counts?.Span ?? header.LineCounts,
                TraceState.Start(header.StartWeight, header.StartFacing));
        }

        var above = part.Lines.SelectMany(l => l.Rows.Select(r => (Line: l, Row: r))).LastOrDefault(r => r.Row.Row < row);
        var (line, count) = above.Row is null ? (1, 1)
            : above.Row.Last >= header.LineCounts || (counts is not null && counts.First.Number <= above.Row.Last)
                ? (Following(analysis, part, above.Line), 1)
            : (above.Line.Number, above.Row.Last + 1);
        count = counts is null ? count : Math.Max(1, counts.First.Number);
        return At(analysis, part.Name, line, count, counts is { Span: > 1 } ? counts.Span : null);
    }

    /// <summary>The place at a count of a line; one line beyond the last begins anew.</summary>
    /// <param name="room">Counts to be filled; up to the next step when left out.</param>
    public static StepSlot At(Analysis analysis, string part, int line, int count, int? room = null)
    {
        var header = analysis.Dance.Header;
        // A place before the first line or count is the first; one behind all that can be written is the last of it.
        (line, count) = (Math.Max(1, line), Math.Clamp(count, 1, Beat.Largest));
        var trace = analysis.Trace.Written(part);
        if (trace is null)
        {
            return new StepSlot(part, 1, count, room ?? header.LineCounts, TraceState.Start(header.StartWeight, header.StartFacing));
        }

        var last = trace.Part.Lines.Count;
        if (line > last)
        {
            return new StepSlot(part, last + 1, count, room ?? Math.Max(1, header.LineCounts - count + 1), trace.End);
        }

        var start = trace.Part.Lines[line - 1].Start + Tick.FromCounts(count - 1);
        var next = trace.Actions.Where(a => a.Action.Line == line && a.At >= start && !a.Action.IsPickUp)
            .Select(a => (int?)a.Action.Beat.Number)
            .FirstOrDefault();
        var left = Math.Max(1, (next > count ? next.Value : header.LineCounts + 1) - count);
        return new StepSlot(part, line, count, room ?? left, trace.StateBefore(start));
    }

    /// <summary>The line danced after a written one and all its repeats.</summary>
    private static int Following(Analysis analysis, WrittenPart part, WrittenLine line)
    {
        var next = part.Lines.SkipWhile(l => l != line).Skip(1).FirstOrDefault();
        return next?.Number ?? (analysis.Trace.Actions.Part(part.Name)?.Lines.Count ?? 0) + 1;
    }
}

/// <summary>A step offered while one writes: the row it would make and what it would do.</summary>
/// <param name="Name">As the list shows it.</param>
/// <param name="Row">The script row, counts and foot included.</param>
/// <param name="Wording">The row without its counts.</param>
/// <param name="Trace">Danced from the state there; null when it cannot be.</param>
/// <param name="Why">Why it cannot be danced here; empty when it can.</param>
public sealed record OfferedStep(string Name, string Row, string Wording, int Counts, PartTrace? Trace, int Level, string Why)
{
    public bool Fits => Why.Length == 0;
}

/// <summary>Steps that begin with what has been typed and that the free foot and the counts left allow.</summary>
public static class StepCompletion
{
    /// <summary>Offers shown at the most.</summary>
    public const int Most = 9;

    /// <summary>
    /// What is offered for a text row as it stands; nothing where the row is no row of steps, or where something stands behind the
    /// step (a layer, a remark) that an offer would write over.
    /// </summary>
    /// <param name="row">Text row, from 1.</param>
    public static IReadOnlyList<OfferedStep> ForRow(string script, int row, StepLexicon lexicon)
    {
        var dance = ScriptReader.Read(script);
        var typed = dance.Parts.SelectMany(p => p.Entries).FirstOrDefault(e => e.Row == row) switch
        {
            StepEntry { Layers.Count: 0 } step => step.Wording,
            UnreadableEntry unread => unread.Text,
            _ => "",
        };
        var raw = row >= 1 && row <= dance.Rows.Count ? dance.Rows[row - 1].Trim() : "";
        typed = RowText.WithoutComment(raw) == raw && !raw.EndsWith('+') ? typed : "";
        return typed.Trim().Length == 0 ? [] : Find(typed, StepSlot.AtRow(script, row, lexicon), dance.Header, lexicon, dance.Definitions);
    }

    /// <param name="typed">What has been typed of the step, its counts left out.</param>
    /// <param name="own">The dance's own definitions, which may be typed too.</param>
    public static IReadOnlyList<OfferedStep> Find(
        string typed,
        StepSlot slot,
        DanceHeader header,
        StepLexicon lexicon,
        IReadOnlyList<StepDefinition>? own = null)
    {
        var key = StepLexicon.Key(typed);
        var words = key.Split(' ');
        if (key.Length == 0)
        {
            return [];
        }

        var choices = StepChoices.For(lexicon, header, withTurns: false);
        var offers = new List<(OfferedStep Step, int Rank)>();
        if (AsTyped(typed.Trim(), slot, header, lexicon, own ?? []) is { } plain)
        {
            // A word that is only the beginning of a name, or of its next word, is more likely that name.
            var isBeginning = choices.Any(c => c.Wording.Length > key.Length
                && c.Wording.StartsWith(key, StringComparison.Ordinal)
                && (words.Length == 1 || c.Wording[key.Length] != ' '))
                && !choices.Any(c => c.Wording == key);
            offers.Add((plain, isBeginning ? 30 : 0));
        }

        foreach (var choice in choices)
        {
            if (Rank(choice, key) is not { } rank)
            {
                continue;
            }

            var genre = StepChoices.IsOwn(choice, header.Genre) ? 0 : 3;
            var fits = choice.Counts == slot.Room ? 0 : choice.Counts < slot.Room ? 1 : 40;
            offers.Add((Offer(choice, slot, header), (rank * 4) + genre + fits + (choice.Step?.Level ?? 1)));
        }

        return offers
            .OrderBy(o => o.Step.Fits ? 0 : 1).ThenBy(o => o.Rank)
            .Select(o => o.Step).DistinctBy(o => o.Row).Take(Most).ToList();
    }

    /// <summary>Exactly what was typed, where it reads whole: "vine l 1/4 l", "step R side, touch".</summary>
    private static OfferedStep? AsTyped(
        string typed,
        StepSlot slot,
        DanceHeader header,
        StepLexicon lexicon,
        IReadOnlyList<StepDefinition> own)
    {
        var definitions = string.Concat(own.Select(d => $"step {d.Name} = {d.Meaning}\n"));
        // First with the counts its own rhythm takes, so that they can be written in front.
        var dance = ScriptReader.Read($"{definitions}line 64\npart c\n{typed}") with { Header = header with { LineCounts = 64 } };
        if (dance.Parts is not [{ Entries: [StepEntry { Counts: null }] }])
        {
            return null;
        }

        var bound = ActionBinder.Bind(dance, lexicon);
        if (bound.Findings.Any(f => f.Severity == Findings.Severity.Error) || bound.Parts[0].Counts is < 1 or > 64)
        {
            return null;
        }

        var counts = bound.Parts[0].Counts;
        var part = bound.Parts[0];
        var trace = PartTracer.Trace(header, part, slot.State, throughJoin: false);
        var lead = Lead(trace);
        var wording = typed;
        var names = ActionBinder.NamesOf(dance, lexicon, []);
        var read = RowReader.Read(names, typed).First;
        if (lead.Length > 0 && read is { IsRead: true, Items: [{ Together: [{ IsNamed: true, Feet.Count: 0, Way: 0 } phrase] }] })
        {
            // The foot that is free leads; saying so makes the script easier to read.
            wording = PhraseText.Write(phrase with { Feet = [lead == "L" ? Foot.Left : Foot.Right] });
        }

        var why = Why(trace, counts, slot);
        return new OfferedStep(
            wording,
            $"{CountText.Range(slot.Count, slot.Count + counts - 1)} {wording}",
            wording,
            counts,
            trace,
            1,
            why);
    }

    private static OfferedStep Offer(StepChoice choice, StepSlot slot, DanceHeader header)
    {
        var trace = StepChoices.From(header, choice, slot.State);
        var why = trace is null ? EditTexts.FootNotFreeForIt
            : choice.Counts > slot.Room ? EditTexts.TakesMoreThanLeft(choice.Counts, slot.Room)
            : "";
        var row = choice.Row(slot.Count, trace is null ? "" : Lead(trace));
        return new OfferedStep(choice.Wording, row, row[(row.IndexOf(' ') + 1)..], choice.Counts, trace, choice.Step?.Level ?? 1, why);
    }

    private static string Why(PartTrace trace, int counts, StepSlot slot) =>
        trace.Actions.FirstOrDefault(a => a.Fault is Fault.FootHoldsWeight or Fault.StandingVerbOnFreeFoot) is { } wrong
            ? EditTexts.TheFootIs(
                wrong.Foot.Word(),
                wrong.Fault == Fault.FootHoldsWeight ? EditTexts.HoldsTheWeight : EditTexts.IsTheFreeOne)
        : trace.Actions.Any(a => a.Fault == Fault.UnwindWrongWay) ? EditTexts.UnwindOtherWay
        : counts > slot.Room ? EditTexts.TakesMoreThanLeft(counts, slot.Room)
        : "";

    /// <summary>0 for a name that begins so, then names of which a word does, then names that hold it somewhere.</summary>
    private static int? Rank(StepChoice choice, string key)
    {
        int? best = Of(choice.Wording, key);
        foreach (var alias in choice.Step is null
            ? []
            : choice.Step.Aliases.Concat(choice.Step.Languages.Values.SelectMany(l => l))
                .Concat(choice.Step.LocalNames.Values.SelectMany(l => l)))
        {
            best = Of(StepLexicon.Key(alias), key) is { } rank && !(best <= rank + 1) ? rank + 1 : best;
        }

        return best;
    }

    private static int? Of(string name, string key) =>
        name == key ? 0
        : name.StartsWith(key, StringComparison.Ordinal) ? 1
        : name.Contains(" " + key, StringComparison.Ordinal) ? 3
        : Initials(name, key) ? 4
        : key.Length > 2 && name.Contains(key, StringComparison.Ordinal) ? 5
        : null;

    /// <summary>"jb" for jazz box, "kbc" for kick ball change.</summary>
    private static bool Initials(string name, string key) =>
        key.Length > 1
            && name.Split(' ') is { Length: > 1 } words
            && words.Length == key.Length
            && words.Zip(key).All(w => w.First.Length > 0 && w.First[0] == w.Second);

    private static string Lead(PartTrace trace) => SwapSearch.Lead(trace);
}
