using System.Diagnostics.CodeAnalysis;
using System.Text.RegularExpressions;
using FondCompass.Core.Prose.Clauses;

namespace FondCompass.Core.Prose;

/// <summary>
/// The names that an order calls, and the headings they are short for: "V1" for "Verse 1", "Ch" for "Chorus", "B2" for "Block 2".
/// </summary>
internal sealed partial class CalledNames
{
    private readonly HashSet<string> _names;
    private readonly List<string> _inOrder;
    private readonly Dictionary<string, string> _headings = new(StringComparer.OrdinalIgnoreCase);

    /// <param name="called">Names as an order calls them.</param>
    /// <param name="lines">The rows of the text; a name that stands above steps itself is short for nothing.</param>
    public CalledNames(IEnumerable<string> called, IReadOnlyList<ProseLine> lines)
    {
        _names = called.Where(n => !ProseForms.Says("all parts", n)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        _inOrder = [.. _names];
        var heads = lines.Where(l => !l.IsTooLong)
            .Select(l => Heading().Match(l.Text))
            .Where(m => m.Success)
            .Select(m => m.Groups["name"].Value)
            .Distinct(StringComparer.OrdinalIgnoreCase).ToList();
        foreach (var name in _names.Where(n => !heads.Exists(h => h.Equals(n, StringComparison.OrdinalIgnoreCase)
            || h.EndsWith($" {n}", StringComparison.OrdinalIgnoreCase))))
        {
            if (heads.Where(h => IsShortFor(name, h)).ToList() is [var heading])
            {
                _headings[name] = char.ToUpperInvariant(heading[0]) + heading[1..];
            }
        }
    }

    public int Count => _names.Count;

    /// <summary>What the part is called that stands under a heading; false where no order calls it.</summary>
    public bool TryGetValue(string heading, [NotNullWhen(true)] out string? name)
    {
        if (_headings.Values.FirstOrDefault(h => h.Equals(heading, StringComparison.OrdinalIgnoreCase)) is { } whole)
        {
            name = whole;
            return true;
        }

        return _names.TryGetValue(heading, out name);
    }

    public bool Contains(string heading) => TryGetValue(heading, out _);

    /// <summary>An order with the headings that its short names stand for.</summary>
    public string Written(string calls)
    {
        // "Block 1 x2, Block 2 x2, then both once": each of them, in the order in which they were called first.
        calls = string.Join(", ", ProseForms.Split("call mark", calls)
            .Select(c => ProseForms.Says("all parts", ProseForms.Replace("call times", c, "").Trim(' ', '.'))
            ? string.Join(", ", _inOrder) : c.Trim())) is var each && each.Split(", ").Length > ProseForms.Split("call mark", calls).Length
                ? each
                : calls;
        if (_headings.Count == 0)
        {
            return calls;
        }

        var parted = calls.Contains(',') ? calls : BetweenCalls().Replace(calls.Trim(), ", ");
        return Word().Replace(parted, m => _headings.GetValueOrDefault(m.Value, m.Value));
    }

    /// <summary>Whether some line of a text may be the heading that a short name stands for.</summary>
    public static bool IsShortFor(string name, string heading)
    {
        var (brief, whole) = (Short().Match(name), Heading().Match(heading));
        return brief.Success
            && whole.Success
            && whole.Groups["word"].Value.StartsWith(brief.Groups[1].Value, StringComparison.OrdinalIgnoreCase)
            && whole.Groups["word"].Length > brief.Groups[1].Length
                && string.Equals(whole.Groups["rank"].Value, brief.Groups[2].Value, StringComparison.OrdinalIgnoreCase)
            && (brief.Groups[2].Length > 0 || ProseForms.Says("kind", whole.Groups["name"].Value));
    }

    [GeneratedRegex(
        @"^(?<name>(?<word>\p{L}{3,})(?: (?<rank>\d{1,2}|[A-Z]))?)(?: steps| part| section)?\s*(?:$|[:(\[–—-])",
        RegexOptions.CultureInvariant)]
    private static partial Regex Heading();

    [GeneratedRegex(@"^(\p{L}{1,3})(\d{0,2})$", RegexOptions.CultureInvariant)]
    private static partial Regex Short();

    [GeneratedRegex(@"[\p{L}\p{Nd}]+", RegexOptions.CultureInvariant)]
    private static partial Regex Word();

    [GeneratedRegex(@"\s+(?!x\s?\d|\(|\))|\s*[>→|+]\s*", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex BetweenCalls();
}
