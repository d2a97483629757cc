using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Prose.Frames;
using FondCompass.Core.Prose.Search;
using FondCompass.Core.Steps;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Prose;

/// <summary>
/// Reads somebody's own wording (reading, section 7): what each row may be, then the one search through all of it. Steps go through the one
/// reader of rows; counts are those said, those of the headings, or the steps' own. Nothing is dropped.
/// </summary>
public static class ProseReader
{
    /// <summary>Actions that are laid on counts; each is tried on some counts before it is written.</summary>
    internal const int MostTried = 4 * ActionBinder.MostMoments;

    /// <param name="text">Any text; at most what a script may be.</param>
    /// <param name="lexicon">The steps known.</param>
    /// <param name="genre">The kind of dance, when it is known; else what the words suggest.</param>
    public static PastedDance Read(string text, StepLexicon? lexicon = null, string? genre = null) =>
        WhileWaited(text, lexicon, genre, CancellationToken.None);

    /// <summary>The same as long as somebody waits for it; then it ends with <see cref="OperationCanceledException"/>.</summary>
    public static PastedDance WhileWaited(string text, StepLexicon? lexicon, string? genre, CancellationToken cancel)
    {
        lexicon ??= StepLexicon.Shipped;
        var lines = ProseLine.All(text, out var behind);
        var settings = ProseSettings.Find(lines, lexicon, genre);
        var frame = new ProseFrame(lines, settings, lexicon, cancel);
        var items = frame.Read();
        var head = ScriptReader.Read(string.Join('\n', settings.Rows().Concat(frame.Definitions).Append("part A")));
        var layer = new ProseLayer(head, frame.Names, cancel);
        var search = new ProseSearch(layer, lexicon.Translation);
        var ways = search.Read(items, new WeightState(head.Header.StartWeight), settings.Weight is null, settings.Counts ?? 0);
        var read = ways.Select(Written).OrderBy(w => w.Cost).ToList();
        var rival = read.Skip(1).FirstOrDefault(r => r.Honesty.Total != read[0].Honesty.Total || r.Honesty.End != read[0].Honesty.End);
        return read[0].Honesty.Told(rival.Honesty is { } other && rival.Cost - read[0].Cost < ProseHonesty.Margin ? other : null);

        (double Cost, ProseHonesty Honesty) Written(ProseWay way)
        {
            var rows = Rows(way, lines, settings, frame, behind, out var doubts);
            var analysis = Analysis.WhileWaited(PastedDance.ScriptOf(rows), lexicon, cancel);
            doubts.AddRange(frame.Doubts);
            if (search.HurriedFrom is { } row)
            {
                doubts.Add(PasteTexts.OnlyLikeliestFollowed(row + 1));
            }

            var honesty = new ProseHonesty(way, settings, frame, analysis, rows, doubts) { IsNarrowed = search.HurriedFrom is not null };
            return (way.Cost + honesty.Cost, honesty);
        }
    }

    /// <summary>Each row of the text with the script rows made of it, and what stands before and behind them.</summary>
    private static List<PastedRow> Rows(
        ProseWay way,
        IReadOnlyList<ProseLine> lines,
        ProseSettings settings,
        ProseFrame frame,
        string[] behind,
        out List<string> doubts)
    {
        doubts = [];
        var (made, fates) = (new List<string>?[lines.Count], new List<PastedFate>?[lines.Count]);
        for (var step = way.Script; step is not null; step = step.Before)
        {
            (made[step.Row] ??= []).InsertRange(0, step.Script());
            (fates[step.Row] ??= []).Add(step.Fate);
        }

        var rows = new List<PastedRow>();
        if (settings.Rows().Concat(way.StartRow(settings)).ToList() is { Count: > 0 } head)
        {
            rows.Add(new PastedRow("", string.Join('\n', head), PastedFate.Frame));
        }

        if (frame.Definitions.Count > 0)
        {
            rows.Add(new PastedRow("", string.Join('\n', frame.Definitions), PastedFate.Frame));
        }

        for (var i = 0; i < lines.Count; i++)
        {
            // Nothing is dropped: what said its word elsewhere stays as a remark.
            var script = made[i] is { } some && some.Exists(s => s.Length > 0) ? string.Join('\n', some)
                : lines[i].IsEmpty && !lines[i].IsTooLong
                ? "" : $"# {RowText.Plain(lines[i].IsTooLong ? lines[i].Raw : lines[i].Text).Trim()}";
            rows.Add(new PastedRow(
                lines[i].Raw,
                script,
                fates[i] is { } told ? Fate(told) : lines[i].IsTooLong ? PastedFate.Aside : PastedFate.Frame));
        }

        if (frame.Tail.Count > 0)
        {
            rows.Add(new PastedRow("", string.Join('\n', frame.Tail), PastedFate.Frame));
        }

        TellUnread(way, lines, behind, rows, doubts);
        return rows;
    }

    /// <summary>A row that was danced and noted in parts is partly understood.</summary>
    private static PastedFate Fate(List<PastedFate> told)
    {
        var isDanced = told.Exists(f => f is PastedFate.Understood or PastedFate.Partly);
        return isDanced ? told.Exists(f => f is PastedFate.Partly or PastedFate.Aside) ? PastedFate.Partly : PastedFate.Understood
            : told.Contains(PastedFate.Aside) ? PastedFate.Aside : PastedFate.Frame;
    }

    /// <summary>What is beyond all that is read stays as remarks, and is told.</summary>
    private static void TellUnread(ProseWay way, IReadOnlyList<ProseLine> lines, string[] behind, List<PastedRow> rows, List<string> doubts)
    {
        for (var i = 0; i < lines.Count; i++)
        {
            if (lines[i].IsTooLong)
            {
                doubts.Add(PasteTexts.ProseRowTooLong(i + 1, lines[i].Raw.Length, ProseLine.LongestRow));
            }
        }

        if (way.Actions > MostTried && way.Units is { } last)
        {
            doubts.Add(PasteTexts.GoesOnPastWhatIsTried(last.Row + 1, MostTried));
            if (last.Row + 1 < lines.Count)
            {
                behind = [.. lines.Skip(last.Row + 1).Select(l => l.Raw), .. behind];
                rows.RemoveRange(rows.FindIndex(r => ReferenceEquals(r.From, lines[last.Row + 1].Raw)), lines.Count - last.Row - 1);
            }
        }

        if (behind.Length > 0)
        {
            var first = (way.Actions > MostTried && way.Units is { } unit ? unit.Row + 1 : lines.Count) + 1;
            doubts.Add(PasteTexts.TooMuchToRead(ProseLine.MostRows, ProseLine.MostWords, MostTried, first));
            var kept = behind.Where(r => r.Trim().Length > 0).Select(r => $"# {RowText.Plain(r).Trim()}");
            rows.Add(new PastedRow(string.Join('\n', behind), string.Join('\n', kept), PastedFate.Aside));
        }
    }

    /// <summary>The weight to start on where the steps alone tell it.</summary>
    private static IEnumerable<string> StartRow(this ProseWay way, ProseSettings settings)
    {
        var first = way.Units;
        while (first?.Before is { } before)
        {
            first = before;
        }

        return settings.Weight is null && first is { Feet.Weight: Core.Measures.Weight.Right } ? ["start weight R facing 12"] : [];
    }
}
