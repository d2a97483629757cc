using System.Globalization;
using System.Text.RegularExpressions;
using FondCompass.Core.Actions;
using FondCompass.Core.Checks;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Prose.Frames;
using FondCompass.Core.Prose.Search;
using FondCompass.Core.Text;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Prose;

/// <summary>How much was understood, never more than can be answered for (reading, section 7).</summary>
internal sealed partial class ProseHonesty(
    ProseWay way,
    ProseSettings settings,
    ProseFrame frame,
    Analysis analysis,
    List<PastedRow> rows,
    List<string> doubts)
{
    /// <summary>Rows of steps that are told one by one as doubtful.</summary>
    private const int MostDoubts = 3;

    /// <summary>Letters of a line past which line breaks may have been lost, where less than this is understood.</summary>
    private const int LongLine = 400;

    private const double Doubtful = 0.9;

    /// <summary>Findings that show that something was read otherwise than it was meant; the latter where the dance has lines.</summary>
    private static readonly FindingCode[]
        Broken = [ActionFindings.TooFewCounts, ActionFindings.Gap, JoinChecks.FeetDoNotFit, JoinChecks.LoopFeet],
        BrokenInLines = [ActionFindings.LineLength, JoinChecks.Mirrors];

    /// <summary>What the whole dance costs, in the search's units: a total or walls that do not come out, and each error.</summary>
    private const int MissesTotal = 20, MissesWalls = 10, Errs = 1;

    /// <summary>What another reading may cost more and still be told, in the search's units.</summary>
    public const int Margin = 5;

    /// <summary>
    /// The share that is claimed at most where nothing that the text states of itself bears it out, and where another reading is as likely.
    /// </summary>
    private const double MostUnproved = 0.6, MostRivalled = 0.6;

    /// <summary>The share that is claimed at most where a tag is told and not danced; and letters of its row that are told.</summary>
    private const double MostWithoutTag = 0.6;

    private const int TagTold = 60;

    /// <summary>Words bound by all words, whatever the text bears out; 0 where nothing is danced.</summary>
    private double _bound;

    /// <summary>Not all readings were weighed.</summary>
    public bool IsNarrowed { get; init; }

    public int Total => analysis.Trace.TotalCounts;

    public (Weight, Facing) End => (analysis.Trace.EndWeight, analysis.Trace.EndFacing);

    /// <summary>The dance with what is said of it.</summary>
    /// <param name="rival">Another reading that is about as likely; null where there is none.</param>
    public PastedDance Told(ProseHonesty? rival)
    {
        var (understood, scriptRows) = (Understood(), PastedDance.ScriptOf(rows).Split('\n'));
        if (rival is not null)
        {
            doubts.Add(rival.Total != Total ? PasteTexts.RivalHasOtherTotal(rival.Total)
                : PasteTexts.RivalEndsOtherwise);
            understood = Math.Min(understood, MostRivalled);
        }

        foreach (var tag in analysis.Findings.Where(f => f.Kind == NoteChecks.TagAsNote || f.Kind == NoteChecks.TagWithoutSteps)
            .Take(MostDoubts))
        {
            doubts.Add(PasteTexts.TagNotRead(Letters.Cut(scriptRows[(tag.Place.Row ?? 1) - 1].Trim(), TagTold)));
            understood = Math.Min(understood, MostWithoutTag);
        }

        understood = IsNarrowed ? Math.Min(understood, MostRivalled) : understood;
        return new PastedDance(WithReads(), understood, doubts, analysis);
    }

    private bool MissesTheTotal => settings.Counts is { } counts && counts != analysis.Trace.TotalCounts && !analysis.Dance.IsPhrased;

    private bool MissesTheWalls => settings.WallCount is { } walls && !analysis.Dance.IsPhrased && walls != analysis.Trace.WallOrder.Count;

    /// <summary>What the search could not yet see: the dance as a whole.</summary>
    public double Cost =>
        (MissesTheTotal ? MissesTotal + Math.Min(16, Math.Abs(settings.Counts!.Value - analysis.Trace.TotalCounts)) : 0)
            + (MissesTheWalls ? MissesWalls : 0)
        + (Errs * analysis.Findings.Where(f => f.Severity == Severity.Error).DistinctBy(f => f.Place.Row).Count());

    /// <summary>
    /// Bound words by all that should have been; what the text says of itself and the dance does not bear out counts against it.
    /// </summary>
    private double Understood()
    {
        var share = Share();
        if (_bound < Doubtful && rows.Find(r => r.From.Length > LongLine) is { } row)
        {
            doubts.Add(PasteTexts.LineBreaksLost(row.From.Length));
        }

        return share;
    }

    private double Share()
    {
        var trace = analysis.Trace;
        if (!trace.Parts.Any(p => p.Actions.Count > 0))
        {
            return 0;
        }

        var spare = SpareNumbers();
        var (bound, lost) = (way.Bound + frame.Bound, way.Lost + frame.Lost + spare);
        var share = _bound = bound / Math.Max(1, bound + lost);
        var total = trace.TotalCounts;
        if (MissesTheTotal && settings.Counts is { } counts)
        {
            share *= Math.Min((double)total, counts) / Math.Max(total, counts) * 0.8;
            doubts.Add(PasteTexts.TextSaysOtherCounts(counts, total));
        }

        if (MissesTheWalls && settings.WallCount is { } walls)
        {
            share *= 0.8;
            doubts.Add(
                PasteTexts.TextSaysOtherWalls(walls, trace.WallOrder.Count));
        }

        if (way.Stated > way.Met)
        {
            share = Math.Min(share, (double)way.Met / way.Stated);
            doubts.Add(PasteTexts.StatedLengthsMet(way.Stated, way.Met));
        }

        if (way.Written > way.Filled)
        {
            share = Math.Min(share, (double)way.Filled / way.Written);
            doubts.Add(PasteTexts.WrittenCountsFilled(way.Written, way.Filled));
        }

        // Walls alone may come out by chance.
        var isProved = (settings.Counts is not null && !MissesTheTotal)
            || way.Met > 0
            || (way.Written == way.Filled && way.Written >= total);
        if (!isProved && share > MostUnproved && rows.Exists(r => r.Fate is PastedFate.Aside or PastedFate.Partly))
        {
            share = MostUnproved;
            doubts.Add(PasteTexts.NothingBearsItOut(MostUnproved));
        }

        share = frame.IsOrderGuessed ? Math.Min(share, MostUnproved) : share;
        share *= 1 - TellDoubtful();
        if (lost - spare >= 1)
        {
            doubts.Add(PasteTexts.WordsNotRead);
        }

        return Math.Round(Math.Clamp(share, 0, 1) * 0.98, 3);
    }

    /// <summary>
    /// Numbers in what is only told that are none of the settings that were taken from it: something may have been said with them.
    /// </summary>
    private int SpareNumbers()
    {
        int?[] taken = [settings.Counts, settings.WallCount, settings.Intro, settings.Tempo];
        return rows.Where(r => r.Fate is PastedFate.Aside or PastedFate.Frame && r.Script.StartsWith('#'))
            .Sum(r => Numbers()
                .Matches(r.From)
                .Count(m => int.TryParse(m.Value, CultureInfo.InvariantCulture, out var n) && n < 200 && !taken.Contains(n)));
    }

    [GeneratedRegex(@"(?<![\d:.,/])\d{1,3}(?![\d:./]|(?:st|nd|rd|th)\b)", RegexOptions.CultureInvariant)]
    private static partial Regex Numbers();

    /// <summary>
    /// A line that does not hold its counts, a foot that is not free: something was read otherwise than it was meant. The share it takes
    /// away.
    /// </summary>
    private double TellDoubtful()
    {
        var trace = analysis.Trace;
        var hasLines = trace.Calls.Any(c => c.Stretch.Pattern.Part.Lines.Count > 1);
        var told = analysis.Findings
            .Where(f => f.Severity == Severity.Error || Broken.Contains(f.Kind) || (hasLines && BrokenInLines.Contains(f.Kind)))
            .DistinctBy(f => f.Place.Row)
            .ToList();
        var danced = trace.Parts.SelectMany(p => p.Actions).Select(a => a.Action.Row).Distinct().Count();
        var script = PastedDance.ScriptOf(rows).Split('\n');
        doubts.AddRange(told.Take(MostDoubts)
            .Select(f => $"'{script[Math.Clamp((f.Place.Row ?? 1) - 1, 0, script.Length - 1)]}': {f.Message}"));
        if (told.Count > MostDoubts)
        {
            doubts.Add(PasteTexts.MoreRowsDoubtful(told.Count - MostDoubts));
        }

        return Math.Min(0.7, 0.8 * told.Count / Math.Max(1, danced));
    }

    /// <summary>Each pasted row with how its steps are read.</summary>
    private List<PastedRow> WithReads()
    {
        var reads = analysis.Reads.ToDictionary(r => r.Row, r => r.Text);
        var shown = new List<PastedRow>();
        var at = 1;
        foreach (var row in rows)
        {
            var count = row.Script.Length == 0 ? 0 : row.Script.Split('\n').Length;
            shown.Add(row with
            {
                Reads = string.Join(" · ", Enumerable.Range(at, count).Select(r => reads.GetValueOrDefault(r, ""))
                .Where(t => t.Length > 0))
            });
            at += count;
        }

        return shown;
    }
}
