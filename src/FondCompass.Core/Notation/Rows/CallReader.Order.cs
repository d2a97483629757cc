using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Notation.Rows;

/// <summary>Orders: calls, groups, repeats.</summary>
internal sealed partial class CallReader
{
    /// <summary>"A A T1 A[1-16] (B C) x2 A mirrored, round and round".</summary>
    public Order ReadOrder(int row, string rest)
    {
        var trimmed = rest.Trim().TrimEnd('.');
        if (string.Equals(trimmed, "free", StringComparison.OrdinalIgnoreCase) && !parts.Exists(p => Same(p.Name, "free")))
        {
            return new Order([], false, true);
        }

        if (trimmed.Length == 0)
        {
            findings.Add(NotationFindings.BadCall.At(
                row,
                NotationTexts.OrderCallsNothing));
        }

        var walk = new Walk(rest, row) { Calls = _called };
        var calls = Group(walk, 0);
        _called = walk.Calls;
        if (walk.IsCut || (walk.Calls >= MostCalls && walk.At < walk.Text.TrimEnd(' ', '.', ')').Length))
        {
            findings.Add(NotationFindings.BadCall.At(
                row,
                NotationTexts.TooManyCalls(MostCalls)));
        }

        return new Order(calls, walk.Loops, false);
    }

    private sealed class Walk(string text, int row)
    {
        public string Text { get; } = text;

        public int Row { get; } = row;

        public int At { get; set; }

        public int Calls { get; set; }

        /// <summary>Repeats were left out for want of room.</summary>
        public bool IsCut { get; set; }

        public bool Loops { get; set; }

        public bool Done => At >= Text.Length || Calls >= MostCalls;

        /// <summary>Moves past a word that stands here by itself.</summary>
        public bool Take(string word)
        {
            var end = At + word.Length;
            var letters = char.IsLetter(word[^1]);
            if (end <= Text.Length && string.Compare(Text, At, word, 0, word.Length, StringComparison.OrdinalIgnoreCase) == 0
                && (!letters || end == Text.Length || !char.IsLetterOrDigit(Text[end])))
            {
                At = end;
                return true;
            }

            return false;
        }

        public void Skip()
        {
            while (At < Text.Length
                && (char.IsWhiteSpace(Text[At])
                    || Text[At] is ',' or ';' or '-' or '–' or '—' or '→' or '>' or '/' or '|' or '+' or ':' or '.'))
            {
                At++;
            }
        }

        public int? Number()
        {
            var end = At;
            while (end < Text.Length && char.IsAsciiDigit(Text[end]))
            {
                end++;
            }

            if (end == At)
            {
                return null;
            }

            var number = end - At > 6
                ? int.MaxValue
                : int.Parse(Text.AsSpan(At, end - At), System.Globalization.CultureInfo.InvariantCulture);
            At = end;
            return number;
        }
    }

    private List<OrderCall> Group(Walk walk, int depth)
    {
        var calls = new List<OrderCall>();
        var last = 0;
        while (!walk.Done)
        {
            walk.Skip();
            if (walk.Done || (walk.Text[walk.At] == ')' && depth > 0))
            {
                break;
            }

            if (walk.Text[walk.At] == ')')
            {
                findings.Add(NotationFindings.BadCall.At(
                    walk.Row,
                    NotationTexts.BracketNeverOpened));
                walk.At++;
                last = calls.Count;
                continue;
            }

            if (Loops.Any(walk.Take))
            {
                walk.Loops = true;
            }
            else if (calls.Count > last && Extra(walk, calls, last))
            {
                continue;
            }
            else if (walk.Text[walk.At] == '(' && depth < Deepest)
            {
                walk.At++;
                last = calls.Count;
                calls.AddRange(Group(walk, depth + 1));
                walk.Skip();
                if (walk.At < walk.Text.Length && walk.Text[walk.At] == ')')
                {
                    walk.At++;
                }
            }
            else if (NameAt(walk.Text, walk.At) is { } name)
            {
                walk.At += name.Length;
                last = calls.Count;
                Call(walk, name, calls);
            }
            else if (Joiners.Any(walk.Take))
            {
                continue;
            }
            else
            {
                Unknown(walk);
            }
        }

        return calls;
    }

    private void Call(Walk walk, string name, List<OrderCall> calls)
    {
        var (from, to) = ((int?)null, (int?)null);
        var at = walk.At;
        while (walk.At < walk.Text.Length && walk.Text[walk.At] == ' ')
        {
            walk.At++;
        }

        if (walk.At < walk.Text.Length && walk.Text[walk.At] == '[')
        {
            var close = walk.Text.IndexOf(']', walk.At);
            var inside = close < 0 ? "" : walk.Text[(walk.At + 1)..close].Trim();
            var ends = inside.Split('-', '–');
            walk.At = close < 0 ? walk.Text.Length : close + 1;
            if (ends.Length > 2
                || !int.TryParse(ends[0], out var first)
                || !int.TryParse(ends[^1], out var last)
                || first < 1
                || last < first)
            {
                findings.Add(NotationFindings.BadCall.At(
                    walk.Row,
                    NotationTexts.SpanCannotBeDanced(name, inside)));
                return;
            }

            (from, to) = (first, last);
        }
        else
        {
            walk.At = at;
        }

        calls.Add(new OrderCall(name, from, to, walk.Row));
        walk.Calls++;
    }

    /// <summary>"x3", "twice", "3 times", "mirrored" behind a call or a bracket.</summary>
    private bool Extra(Walk walk, List<OrderCall> calls, int from)
    {
        var at = walk.At;
        if (walk.Take("*") || walk.Take("mirrored") || walk.Take("other side") || walk.Take("other foot"))
        {
            for (var i = from; i < calls.Count; i++)
            {
                calls[i] = calls[i] with { Mirrored = !calls[i].Mirrored };
            }

            return true;
        }

        int? times = walk.Take("twice") ? 2 : walk.Take("thrice") || walk.Take("three times") ? 3 : walk.Take("once") ? 1 : null;
        if (times is null && walk.Text[at] is 'x' or 'X' or '×' && at + 1 < walk.Text.Length)
        {
            walk.At = at + 1;
            while (walk.At < walk.Text.Length && walk.Text[walk.At] == ' ')
            {
                walk.At++;
            }

            times = walk.Number();
        }

        if (times is null && char.IsAsciiDigit(walk.Text[at]))
        {
            walk.At = at;
            times = walk.Number();
            walk.Skip();
            times = walk.Take("times") || walk.Take("x") ? times : null;
        }

        if (times is null)
        {
            walk.At = at;
            return false;
        }

        if (times < 1)
        {
            findings.Add(NotationFindings.BadCall.At(
                walk.Row,
                NotationTexts.CalledNoTimes(calls[from].Part, times.Value)));
            calls.RemoveRange(from, calls.Count - from);
            return true;
        }

        var once = calls.GetRange(from, calls.Count - from);
        for (var i = 1; i < times; i++)
        {
            if (walk.Calls + once.Count > MostCalls)
            {
                walk.IsCut = true;
                break;
            }

            calls.AddRange(once);
            walk.Calls += once.Count;
        }

        return true;
    }

    private void Unknown(Walk walk)
    {
        var end = walk.At;
        while (end < walk.Text.Length && !char.IsWhiteSpace(walk.Text[end]) && walk.Text[end] is not (',' or ')'))
        {
            end++;
        }

        end = Math.Max(end, walk.At + 1);
        var word = walk.Text[walk.At..end];
        walk.At = end;
        findings.Add(NotationFindings.UnknownPart.At(walk.Row, NotationTexts.OrderCallsUnknown(word, Known())));
    }
}
