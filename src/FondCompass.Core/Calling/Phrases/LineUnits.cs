using FondCompass.Core.Runs;

namespace FondCompass.Core.Calling.Phrases;

/// <summary>A line as it is danced once.</summary>
/// <param name="Key">By this the same line is known again: its name, else its part and number.</param>
/// <param name="IsTold">Its name says more than its steps and its number do.</param>
internal sealed record LineUnit(int Number, string Name, string Key, double From, double To, bool IsTold, string Lead);

/// <summary>How a line stands to what was danced of its name before.</summary>
/// <param name="IsOtherSide">It begins on the other foot than the time before, or, where other lines came between, than the first
/// time.</param>
/// <param name="IsAgain">It comes directly behind itself.</param>
internal readonly record struct LineMeeting(bool IsFirst, bool IsOtherSide, bool IsAgain);

/// <summary>The lines of a stretch, with what each is called.</summary>
internal sealed class LineUnits
{
    private readonly List<LineUnit> _lines = [];

    public LineUnits(RunStretch stretch, IReadOnlyList<CallPhrase> phrases, CallWords words)
    {
        var part = stretch.Stretch.Pattern.Part;
        var shift = stretch.FromCount - stretch.Stretch.From;
        foreach (var line in part.Lines)
        {
            var here = phrases.Where(p => p.Line == line.Number).ToList();
            var from = shift + line.Start.InCounts;
            _lines.Add(new LineUnit(
                line.Number,
                line.Name,
                line.Name.Length > 0 ? line.Name.ToUpperInvariant() : $"{part.Name} {line.Number}",
                from,
                from + line.Counts,
                line.Name.Length > 0 && SaysMore(line.Name, here, words), here.Find(p => p.Foot.Length > 0)?.Foot ?? ""));
        }
    }

    public LineUnit Of(CallPhrase phrase) => _lines[Math.Clamp(phrase.Line, 1, _lines.Count) - 1];

    /// <summary>The line that begins with a phrase; null within a line, and where the stretch begins in the middle of one.</summary>
    public LineUnit? Begins(CallPhrase phrase)
    {
        var line = Of(phrase);
        return phrase.From < line.From + 1 - 1e-6 && Math.Abs(Math.Max(phrase.From, line.From) - line.From) < 1 ? line : null;
    }

    /// <summary>How a line stands to what was danced of its name before; it is remembered.</summary>
    /// <param name="met">The foot with which each name was danced first, and last.</param>
    public LineMeeting Meet(LineUnit line, Dictionary<string, (string First, string Last)> met)
    {
        var isFirst = !met.TryGetValue(line.Key, out var leads);
        var isAgain = _lines.Find(l => Math.Abs(l.To - line.From) < 1e-6)?.Key == line.Key;
        met[line.Key] = (isFirst ? line.Lead : leads.First, line.Lead);
        var known = isAgain ? leads.Last : leads.First;
        return new LineMeeting(isFirst, !isFirst && known.Length > 0 && line.Lead.Length > 0 && known != line.Lead, isAgain);
    }

    /// <summary>A name that only lists the steps, or numbers the line, says nothing besides them.</summary>
    private static bool SaysMore(string name, List<CallPhrase> phrases, CallWords words)
    {
        var known =
            phrases.SelectMany(p => $"{p.Name} {p.Way} {p.Detail} {string.Join(' ', words.Of(p, false).Select(w => w.Words))}".Split(
            [' ', ','],
            StringSplitOptions.RemoveEmptyEntries))
            .SelectMany(w => new[] { w, Reading.PhraseText.Plural(w) })
            .Concat(["line", "and", "then", "the", "a"])
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        return name.Split([' ', ',', '-', '.', '/', '+'], StringSplitOptions.RemoveEmptyEntries)
            .Any(w => !known.Contains(w) && !w.All(char.IsDigit));
    }
}
