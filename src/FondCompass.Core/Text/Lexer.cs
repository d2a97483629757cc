using System.Globalization;

namespace FondCompass.Core.Text;

/// <summary>Cuts a text into tokens that keep their places. Every character that is no white space belongs to a token.</summary>
public static class Lexer
{
    /// <summary>Fraction signs and what they stand for.</summary>
    private const string FractionSigns = "¼½¾⅛⅜⅝⅞";

    private static readonly string[] FractionTexts = ["1/4", "1/2", "3/4", "1/8", "3/8", "5/8", "7/8"];

    public static List<Token> Read(string text) => Read(text, 0, text.Length);

    /// <param name="text">The whole row; spans are columns of it.</param>
    /// <param name="start">First column read.</param>
    /// <param name="end">Column after the last.</param>
    public static List<Token> Read(string text, int start, int end)
    {
        var tokens = new List<Token>(Math.Max(4, (end - start) / 4));
        var at = start;
        while (at < end)
        {
            var c = text[at];
            if (char.IsWhiteSpace(c) || char.IsControl(c))
            {
                at++;
                continue;
            }

            var token = char.IsAsciiDigit(c) ? Digits(text, at, end)
                : IsLetter(text, at) ? Word(text, at, end)
                : Sign(text, at, end, tokens);
            token = token.Kind is TokenKind.Number or TokenKind.Times && BeginsClause(tokens) ? HowMany(text, token, end) : token;
            at = token.Span.End;
            if (token.Text.Length > 0)
            {
                tokens.Add(token);
            }
        }

        return tokens;
    }

    private static bool BeginsClause(List<Token> before) =>
        before.Count == 0 || before[^1].Kind is TokenKind.Separator or TokenKind.Open or TokenKind.Close;

    /// <summary>"8 x march", "2x vine": a number of what is named behind it.</summary>
    private static Token HowMany(string text, Token number, int end)
    {
        var at = number.Span.End;
        if (number.Kind == TokenKind.Number)
        {
            at = SkipSpaces(text, at, end);
            if (at >= end || text[at] is not ('x' or 'X' or '×') || at + 1 >= end || !char.IsWhiteSpace(text[at + 1]))
            {
                return number;
            }

            at++;
        }

        var word = SkipSpaces(text, at, end);
        return word > at && word < end && IsLetter(text, word) ? Make(TokenKind.Number, number.Text, number.Span.Start, at) : number;
    }

    private static int SkipSpaces(string text, int at, int end)
    {
        while (at < end && char.IsWhiteSpace(text[at]))
        {
            at++;
        }

        return at;
    }

    private static Token Digits(string text, int at, int end)
    {
        var to = at;
        while (to < end && char.IsAsciiDigit(text[to]))
        {
            to++;
        }

        if (to + 2 < end && text[to] is ':' or '.' && to - at <= 2 && char.IsAsciiDigit(text[to + 1]) && char.IsAsciiDigit(text[to + 2])
            && (to + 3 >= end || !char.IsAsciiDigit(text[to + 3])))
        {
            return Make(TokenKind.Clock, string.Concat(text.AsSpan(at, to - at), ":", text.AsSpan(to + 1, 2)), at, to + 3);
        }

        if (to + 1 < end && text[to] is '/' or '⁄' && char.IsAsciiDigit(text[to + 1]))
        {
            var under = to + 1;
            while (under < end && char.IsAsciiDigit(text[under]))
            {
                under++;
            }

            return Make(TokenKind.Fraction, $"{text[at..to]}/{text[(to + 1)..under]}", at, under);
        }

        if (to < end && text[to] is 'x' or 'X' or '×' && (to + 1 >= end || !char.IsLetterOrDigit(text[to + 1])))
        {
            return Make(TokenKind.Times, text[at..to], at, to + 1);
        }

        if (to + 1 < end && IsOrdinal(text.AsSpan(to, 2)) && (to + 2 >= end || !char.IsLetterOrDigit(text[to + 2])))
        {
            return Make(TokenKind.Word, text[at..(to + 2)].ToLowerInvariant(), at, to + 2);
        }

        return Make(TokenKind.Number, text[at..to], at, to);
    }

    private static Token Word(string text, int at, int end)
    {
        if (text[at] is 'x' or 'X' or '×' && at + 1 < end && char.IsAsciiDigit(text[at + 1]))
        {
            var digits = at + 1;
            while (digits < end && char.IsAsciiDigit(text[digits]))
            {
                digits++;
            }

            if (digits >= end || !IsLetter(text, digits))
            {
                return Make(TokenKind.Times, text[(at + 1)..digits], at, digits);
            }
        }

        if (text[at] is 'w' or 'W' && at + 1 < end && text[at + 1] == '/')
        {
            return Make(TokenKind.Word, "with", at, at + 2);
        }

        if (IsRunOfFeet(text, at, end))
        {
            return Make(TokenKind.Word, Lower(text.AsSpan(at, 1)), at, at + 1);
        }

        var hangul = IsHangul(text[at]);
        var to = at;
        while (to < end
            && (IsLetter(text, to) || char.IsAsciiDigit(text[to]) || IsInside(text, to, end))
            && (IsHangul(text[to]) == hangul || !char.IsLetter(text[to])))
        {
            to += char.IsHighSurrogate(text[to]) && to + 1 < end ? 2 : 1;
        }

        return Make(TokenKind.Word, Lower(text.AsSpan(at, to - at)), at, to);
    }

    /// <summary>"RLR", "RRLL", and what is left of one: letters of feet that stand for themselves.</summary>
    private static bool IsRunOfFeet(string text, int at, int end)
    {
        var from = at;
        while (from > 0 && text[from - 1] is 'R' or 'L')
        {
            from--;
        }

        var to = at;
        while (to < end && text[to] is 'R' or 'L')
        {
            to++;
        }

        return text[at] is 'R' or 'L'
            && to - from is >= 2 and <= 16
            && (to >= text.Length || !(IsLetter(text, to) || char.IsAsciiDigit(text[to]) || text[to] is '\'' or '’'))
            && (from == 0 || !(IsLetter(text, from - 1) || char.IsAsciiDigit(text[from - 1])));
    }

    private static Token Sign(string text, int at, int end, List<Token> before)
    {
        var c = text[at];
        if (FractionSigns.IndexOf(c) is >= 0 and var sign)
        {
            // "1¼" is one and a quarter.
            return Make(TokenKind.Fraction, FractionTexts[sign], at, at + 1);
        }

        switch (c)
        {
            case '×' when at + 1 < end && char.IsAsciiDigit(text[at + 1]):
                return Word(text, at, end);
            case '(' or '[' or '{':
                return Make(TokenKind.Open, "(", at, at + 1);
            case ')' or ']' or '}':
                return Make(TokenKind.Close, ")", at, at + 1);
            case ',' or ';' or '，' or '、':
                return Make(TokenKind.Separator, ",", at, at + 1);
            case '/' or '|' or '→' or ':' or '=' or '.' or '。' or '…':
                return Make(TokenKind.Separator, c is '。' or '…' ? "." : c.ToString(), at, at + 1);
            case '-' or '–' or '—' or '~':
                if (at + 1 < end && text[at + 1] == '>')
                {
                    return Make(TokenKind.Separator, "→", at, at + 2);
                }

                // A hyphen parts words and means nothing; a dash between spaces parts clauses.
                var dash = (at == 0 || char.IsWhiteSpace(text[at - 1])) && (at + 1 >= end || char.IsWhiteSpace(text[at + 1]));
                return Make(dash ? TokenKind.Separator : TokenKind.Mark, dash ? "–" : "-", at, at + 1);
            case '&':
                return Make(TokenKind.Word, "and", at, at + 1);
            case '+':
                return Make(TokenKind.Word, "plus", at, at + 1);
            case '"' or '“' or '”' or '„' or '«' or '»' or '\'' or '‘' or '’' or '`' or '!' or '?' or '*' or '•' or '·' or '¡' or '¿'
                or '#' or '_' or '>' or '<':
                return Make(TokenKind.Mark, c.ToString(), at, at + 1);
            default:
                // Several code points that are one sign ("🕺🏽", joined figures) are one token.
                var length = Math.Max(1, StringInfo.GetNextTextElementLength(text.AsSpan(at, end - at)));
                return Make(TokenKind.Other, text.Substring(at, length), at, at + length);
        }
    }

    private static Token Make(TokenKind kind, string text, int start, int end) => new(kind, text, new TextSpan(start, end - start));

    /// <summary>Lower case without a new string where the word is a common one.</summary>
    private static string Lower(ReadOnlySpan<char> word)
    {
        Span<char> lower = word.Length <= 64 ? stackalloc char[word.Length] : new char[word.Length];
        word.ToLowerInvariant(lower);
        return Common.TryGetValue(lower, out var known) ? known : lower.ToString();
    }

    private static readonly HashSet<string>.AlternateLookup<ReadOnlySpan<char>> Common = new HashSet<string>(
        [
            "step", "walk", "rock", "recover", "r", "l", "right", "left", "forward", "back", "side", "turn", "touch", "hold",
            "vine", "with", "and", "x", "march", "shuffle", "beside", "behind", "across", "close"
        ])
        .GetAlternateLookup<ReadOnlySpan<char>>();

    private static bool IsOrdinal(ReadOnlySpan<char> letters) =>
        letters.Equals("st", StringComparison.OrdinalIgnoreCase) || letters.Equals("nd", StringComparison.OrdinalIgnoreCase)
        || letters.Equals("rd", StringComparison.OrdinalIgnoreCase) || letters.Equals("th", StringComparison.OrdinalIgnoreCase);

    private static bool IsLetter(string text, int at) =>
        char.IsLetter(text, at) || (char.IsLowSurrogate(text[at]) && at > 0 && char.IsLetter(text, at - 1));

    /// <summary>An apostrophe or a combining mark inside a word: don't, driver's.</summary>
    private static bool IsInside(string text, int at, int end) =>
        (text[at] is '\'' or '’' && at + 1 < end && char.IsLetter(text[at + 1]))
            || CharUnicodeInfo.GetUnicodeCategory(text[at]) == UnicodeCategory.NonSpacingMark;

    private static bool IsHangul(char c) => c is >= '\uac00' and <= '\ud7a3' or >= '\u1100' and <= '\u11ff' or >= '\u3130' and <= '\u318f';
}
