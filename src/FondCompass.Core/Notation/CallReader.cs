using System.Text.RegularExpressions;
using FondCompass.Core.Findings;

namespace FondCompass.Core.Notation;

/// <summary>Reads the rows that call parts: the order, tags after a repeat, restarts.</summary>
internal sealed partial class CallReader(List<(string Name, bool IsTag)> parts, List<Finding> findings)
{
    /// <summary>Longest order that is unrolled, in calls.</summary>
    private const int MostCalls = 2_000;

    /// <summary>"A A T1 A[1-16] B x2 A mirrored".</summary>
    public IEnumerable<OrderCall> ReadOrder(int row, string rest)
    {
        var calls = new List<OrderCall>();
        var at = 0;
        while (at < rest.Length && calls.Count < MostCalls)
        {
            if (char.IsWhiteSpace(rest[at]) || rest[at] is ',' or '-' or '→' or '>')
            {
                at++;
                continue;
            }

            var extra = Extra().Match(rest, at);
            if (extra.Success && calls.Count > 0)
            {
                AddExtra(extra, calls);
                at += extra.Length;
                continue;
            }

            var name = NameAt(rest, at);
            if (name is null)
            {
                var end = rest.IndexOf(' ', at);
                var word = end < 0 ? rest[at..] : rest[at..end];
                findings.Add(NotationFindings.UnknownPart.At(row, $"The order calls '{word}', but no part or tag has that name.{Known()}"));
                at += word.Length;
                continue;
            }

            at += name.Length;
            var span = Span().Match(rest, at);
            int? from = null;
            int? to = null;
            if (span.Success)
            {
                at += span.Length;
                from = Number(span.Groups[1].Value);
                to = span.Groups[2].Success ? Number(span.Groups[2].Value) : from;
                if (from < 1 || to < from)
                {
                    findings.Add(NotationFindings.BadCall.At(row, $"'{name}{span.Value}' cannot be danced: write the first and last count, such as {name}[1-16]."));
                    continue;
                }
            }

            calls.Add(new OrderCall(name, from, to, row));
        }

        return calls;
    }

    /// <summary>"3 T1": tag T1 after repeat 3.</summary>
    public TagAfter? ReadTag(int row, string rest)
    {
        var match = TagCall().Match(rest);
        if (!match.Success)
        {
            findings.Add(NotationFindings.BadException.At(row, $"'after {rest}' cannot be read: write the repeat and the tag, such as 'after 3 T1'."));
            return null;
        }

        var name = match.Groups[2].Value.Trim();
        var repeat = Number(match.Groups[1].Value);
        if (repeat < 1)
        {
            findings.Add(NotationFindings.BadException.At(row, "Repeats are numbered from 1; a tag cannot come before the first."));
            return null;
        }

        if (!parts.Exists(p => Same(p.Name, name)))
        {
            findings.Add(NotationFindings.UnknownPart.At(row, $"'after {rest}' calls '{name}', but no tag or part has that name.{Known()}"));
            return null;
        }

        return new TagAfter(repeat, name, row);
    }

    /// <summary>"4 after 16": cut repeat 4 after 16 counts.</summary>
    public RestartAfter? ReadRestart(int row, string rest)
    {
        var match = RestartCall().Match(rest);
        var repeat = match.Success ? Number(match.Groups[1].Value) : 0;
        var count = match.Success ? Number(match.Groups[2].Value) : 0;
        if (repeat < 1 || count < 1)
        {
            findings.Add(NotationFindings.BadException.At(
                row, $"'restart {rest}' cannot be read: write the repeat and the last count danced, such as 'restart 4 after 16'."));
            return null;
        }

        return new RestartAfter(repeat, count, row);
    }

    private static void AddExtra(Match extra, List<OrderCall> calls)
    {
        if (extra.Groups[1].Success)
        {
            var times = Math.Clamp(Number(extra.Groups[1].Value), 1, MostCalls);
            var last = calls[^1];
            for (var i = 1; i < times && calls.Count < MostCalls; i++)
            {
                calls.Add(last);
            }
        }
        else
        {
            calls[^1] = calls[^1] with { Mirrored = true };
        }
    }

    private string? NameAt(string text, int at)
    {
        string? best = null;
        foreach (var (name, _) in parts)
        {
            var end = at + name.Length;
            if (end <= text.Length && string.Compare(text, at, name, 0, name.Length, StringComparison.OrdinalIgnoreCase) == 0
                && (end == text.Length || text[end] is '[' or ',' or '*' || char.IsWhiteSpace(text[end]))
                && name.Length > (best?.Length ?? 0))
            {
                best = name;
            }
        }

        return best;
    }

    private string Known() => parts.Count == 0
        ? " There are no parts yet."
        : $" There is {string.Join(", ", parts.Select(p => p.Name).Distinct().Take(12))}.";

    private static bool Same(string a, string b) => string.Equals(a, b, StringComparison.OrdinalIgnoreCase);

    private static int Number(string digits) => digits.Length > 6 ? int.MaxValue : int.Parse(digits);

    [GeneratedRegex(@"\G\s*\[\s*(\d+)\s*(?:[-–]\s*(\d+)\s*)?\]")]
    private static partial Regex Span();

    [GeneratedRegex(@"\G(?:[x×](\d+)(?=\s|$)|mirrored(?=\s|$)|\*)", RegexOptions.IgnoreCase)]
    private static partial Regex Extra();

    [GeneratedRegex(@"^(?:repeat\s+)?(\d+)\s+(?:tag\s+(?=\S+\s*$))?(.+)$", RegexOptions.IgnoreCase)]
    private static partial Regex TagCall();

    [GeneratedRegex(@"^(?:repeat\s+)?(\d+)\s+after\s+(?:count\s+)?(\d+)\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex RestartCall();
}
