using FondCompass.Core;
using FondCompass.Core.Findings;
using FondCompass.Core.Wording;
using FondCompass.Web.Pages.Dances;

namespace FondCompass.Web.Drawing.Rulers;

/// <summary>All parts of a dance, drawn, and what there is to say about it.</summary>
/// <param name="Compass">Sent along when the page's compass must change too.</param>
public sealed record RulerSheet(IReadOnlyList<RulerPart> Parts, IReadOnlyList<Finding> Findings, Compass? Compass)
{
    /// <summary>Lines drawn at the most; a longer dance is drawn in part and says so.</summary>
    private const int MostLines = 120;

    /// <summary>Findings listed at the most.</summary>
    private const int MostFindings = 60;

    /// <summary>How each row is read, in plain words.</summary>
    public IReadOnlyList<RowRead> Reads { get; private init; } = [];

    public int LinesLeftOut { get; private init; }

    /// <summary>Errors and warnings that stand at no line of the ruler, at most as many as are listed.</summary>
    public IReadOnlyList<Finding> Elsewhere { get; private init; } = [];

    public int ElsewhereLeftOut { get; private init; }

    /// <summary>Traps and spins, to be looked after in class, at most as many as are listed.</summary>
    public IReadOnlyList<Finding> Hints { get; private init; } = [];

    public int HintsLeftOut { get; private init; }

    public static RulerSheet Draw(Analysis analysis, Compass? compass, RulerPaper paper)
    {
        var parts = new List<RulerPart>();
        var room = MostLines;
        var header = analysis.Dance.Header;
        var byLine = analysis.Findings.Where(f => f.Place.Line is not null).ToLookup(f => (f.Place.Part, f.Place.Line!.Value));
        var placed = new HashSet<Finding>();
        foreach (var trace in analysis.Trace.Parts)
        {
            if (room > 0)
            {
                var lines = RulerDrawing.Draw(trace, header.LineCounts, paper, room, FacingWords.IsRing(header))
                    .Select(l => RulerFlags.On(l, [.. byLine[(trace.Part.Name, l.Number)]])).ToList();
                placed.UnionWith(lines.SelectMany(l => l.Told));
                parts.Add(new RulerPart(trace.Part.Name, trace.Part.IsTag, trace.Part.Counts, lines, header.LineCounts));
            }

            room -= trace.Part.Lines.Count;
        }

        var elsewhere = analysis.Findings.Where(f => (f.Severity != Severity.Info || f.IsDoubt) && !placed.Contains(f))
            .OrderBy(f => f.Severity)
            .ToList();
        var hints = analysis.Findings.Where(f => f.Severity == Severity.Info && !f.IsDoubt).ToList();
        return new RulerSheet(parts, analysis.Findings, compass)
        {
            Reads = analysis.Reads,
            LinesLeftOut = Math.Max(0, -room),
            Elsewhere = [.. elsewhere.Take(MostFindings)],
            ElsewhereLeftOut = Math.Max(0, elsewhere.Count - MostFindings),
            Hints = [.. hints.Take(MostFindings)],
            HintsLeftOut = Math.Max(0, hints.Count - MostFindings),
        };
    }
}

/// <param name="LineCounts">Counts a line should have.</param>
public sealed record RulerPart(string Name, bool IsTag, int Counts, IReadOnlyList<RulerLine> Lines, int LineCounts)
{
    /// <summary>The place after the last step: in the last line while it has room, else at the top of a new one.</summary>
    public (int Line, int Count) End => Lines.Count == 0 ? (1, 1)
        : Lines[^1].Counts < LineCounts ? (Lines[^1].Number, Lines[^1].Counts + 1)
        : (Lines[^1].Number + 1, 1);
}
