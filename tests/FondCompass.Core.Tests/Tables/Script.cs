using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Tests.Tables;

/// <summary>Rows of a dance on one line, as the tables have them, and what comes of them in a few words.</summary>
internal static class Script
{
    /// <summary>"1-4 vine R / 5-8 again" as part A of a dance; what begins with a header or a part stands as it is.</summary>
    public static Analysis Read(string written)
    {
        var rows = written.Replace(" / ", "\n", StringComparison.Ordinal);
        var isWhole = rows.StartsWith("genre ", StringComparison.Ordinal) || rows.StartsWith("part ", StringComparison.Ordinal);
        var own = rows.Split('\n')
            .TakeWhile(r => r.StartsWith("step ", StringComparison.Ordinal) && r.Contains('=', StringComparison.Ordinal)
            || r.StartsWith("alias ", StringComparison.Ordinal)).ToList();
        return Analysis.Analyse(isWhole ? rows
            : string.Join('\n', [.. own, "part A", .. rows.Split('\n').Skip(own.Count)]));
    }

    /// <summary>What each row is read as, and the weight and wall behind it all.</summary>
    public static string Danced(Analysis analysis)
    {
        var reads = string.Join(" / ", analysis.Reads.Select(r => r.Text).Where(t => t.Length > 0));
        var last = analysis.Trace.Parts.SelectMany(p => p.Actions).LastOrDefault();
        return last is null ? reads : $"{reads} → {OnFoot(last.After.Weight)} {last.After.Facing}";
    }

    /// <summary>Each deed by line and count with foot, way and turn, and the weight and wall behind it all.</summary>
    public static string Deeds(Analysis analysis)
    {
        var deeds = analysis.Trace.Parts.SelectMany(p => p.Actions).ToList();
        return Deeds(deeds, deeds.Exists(d => d.Action.Line > 1));
    }

    /// <param name="isLong">Whether the line is told with each count.</param>
    public static string Deeds(List<TracedAction> deeds, bool isLong)
    {
        var told = deeds.Select(d => string.Join(' ', new[]
        {
            (isLong ? $"{d.Action.Line}." : "") + d.Action.Beat.Label(),
            d.Action.Verb.Name,
            d.Foot == Foot.None ? "" : d.Foot.Letter() + "",
            d.Direction == Core.Lexicon.Direction.None ? "" : d.Direction.ToString().ToLowerInvariant(),
            d.Turn.IsNone ? "" : d.Turn.ToString(),
            d.Action.Layers.Count == 0 ? "" : $"+ {string.Join(", ", d.Action.Layers)}",
            d.Fault == Fault.None ? "" : "(this foot has the weight)",
        }.Where(w => w.Length > 0)));
        var end = deeds.Count == 0 ? "" : $" → {OnFoot(deeds[^1].After.Weight)} {deeds[^1].After.Facing}";
        return string.Join(" · ", told) + end;
    }

    /// <summary>The codes of what is told of the rows, each once, in order.</summary>
    public static string Told(Analysis analysis) =>
        string.Join(' ', analysis.Findings.Select(f => f.Code).Where(c => !Length.Contains(c)).Distinct().Order(StringComparer.Ordinal));

    /// <summary>Findings of the whole, which most rows of a table would have: a line that is not full, feet at the loop's join.</summary>
    private static readonly HashSet<string> Length = ["LEN01"];

    private static string OnFoot(Weight weight) => weight switch
    {
        Weight.Right => "R",
        Weight.Left => "L",
        Weight.Both => "both",
        _ => "open",
    };
}
