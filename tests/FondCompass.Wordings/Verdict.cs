using FondCompass.Core;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Wordings;

/// <summary>How a wording was read.</summary>
public enum Verdict
{
    /// <summary>It came back as the dance it was made from.</summary>
    Kept,

    /// <summary>It came back otherwise, and a finding at its row says so.</summary>
    Told,

    /// <summary>It came back otherwise without a word: what must never be.</summary>
    Silent,

    /// <summary>The dance it was made from has a fault of its own, so that nothing can be asked of it.</summary>
    Unusable,
}

/// <summary>Reads a wording and holds it against the dance it was made from.</summary>
public static class Judge
{
    /// <summary>Text row, from 1, of the first row of steps.</summary>
    private const int FirstRow = 4;

    /// <summary>Remarks for the lesson: they tell nothing about how words were read.</summary>
    private static readonly string[] OfTheLesson = ["TRAP", "SPIN", "DRIFT", "MIRROR", "JOIN", "WALL", "PHRASE"];

    public static Verdict Of(Wording wording)
    {
        var known = Analysis.Analyse(Script(wording, wording.Known));
        if (wording.Owed != Owed.TheCounts && known.Findings.Any(IsOfWords))
        {
            return Verdict.Unusable;
        }

        var said = Analysis.Analyse(Script(wording, [wording.Said]));
        var kept = wording.Owed switch
        {
            Owed.TheDance => Feet(known).SequenceEqual(Feet(said)) && (!wording.WithWays || Ways(known).SequenceEqual(Ways(said))),
            Owed.TheCounts => said.Trace.TotalCounts == Whole(wording),
            _ => false,
        };
        return kept ? Verdict.Kept : said.Findings.Any(f => f.Place.Row == FirstRow && IsOfWords(f)) ? Verdict.Told : Verdict.Silent;
    }

    /// <summary>Every action of a foot, in order of time: tick, foot, whether it takes the weight, and the state after it.</summary>
    public static IEnumerable<(int Tick, Foot Foot, bool Takes, Weight Weight, Facing Facing)> Feet(Analysis analysis) =>
        analysis.Trace.Parts
        .SelectMany(p => p.Actions)
        .Where(a => a.Foot != Foot.None && !a.Verb.Unwinds)
        .OrderBy(a => a.At.Value).ThenBy(a => a.Foot)
        .Select(a => (a.At.Value, a.Foot, a.TakesWeight, a.After.Weight, a.After.Facing));

    /// <summary>Where the foot of each action goes, in order of time.</summary>
    public static IEnumerable<Direction> Ways(Analysis analysis) => analysis.Trace.Parts.SelectMany(p => p.Actions)
        .Where(a => a.Foot != Foot.None).OrderBy(a => a.At.Value).ThenBy(a => a.Foot)
        .Select(a => a.Direction == Direction.None ? a.Verb.Default : a.Direction);

    public static string Shown(Analysis analysis) =>
        string.Join(' ', Feet(analysis).Select(a => $"{a.Tick}:{a.Foot.Letter()}{(a.Takes ? '+' : '-')}@{a.Facing}"));

    /// <summary>A whole dance of rows: what they leave of their last line is held.</summary>
    public static string Script(Wording wording, IReadOnlyList<string> rows)
    {
        var (from, to) = (((wording.Length - 1) % Line) + 2, Line);
        var rest = from > to ? "" : from == to ? $"{to} hold\n" : $"{from}-{to} hold\n";
        return $"start weight {wording.Start} facing 12\ngenre line\npart A\n{string.Join('\n', rows)}\n{rest}";
    }

    /// <summary>Counts of a line.</summary>
    private const int Line = 8;

    private static int Whole(Wording wording) => (wording.Length + Line - 1) / Line * Line;

    private static bool IsOfWords(Core.Findings.Finding finding) =>
        !Array.Exists(OfTheLesson, p => finding.Code.StartsWith(p, StringComparison.Ordinal));
}
