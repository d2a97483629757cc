namespace FondCompass.Core.Text;

/// <summary>What a token is before anybody asks what it means.</summary>
public enum TokenKind
{
    /// <summary>Letters of any script, with the digits and apostrophes inside them.</summary>
    Word,

    /// <summary>Digits alone.</summary>
    Number,

    /// <summary>1/4, ¼.</summary>
    Fraction,

    /// <summary>3:00, 10.30.</summary>
    Clock,

    /// <summary>x4, 4x, ×4.</summary>
    Times,

    /// <summary>A comma, semicolon, arrow, slash, colon or full stop.</summary>
    Separator,

    Open,

    Close,

    /// <summary>Quotes, exclamation and question marks, bullets: nothing hangs on them.</summary>
    Mark,

    /// <summary>Anything else, such as a fish.</summary>
    Other,
}

/// <summary>A piece of a row with its place in it.</summary>
/// <param name="Text">In lower case; the digits of <see cref="TokenKind.Times"/> alone.</param>
/// <param name="Span">Columns of the text it was read from.</param>
public readonly record struct Token(TokenKind Kind, string Text, TextSpan Span)
{
    /// <summary>A number's value; 0 when it has none or is out of all reason.</summary>
    public int Number =>
        Kind is TokenKind.Number or TokenKind.Times && Text.Length <= 6
            ? int.Parse(Text, System.Globalization.CultureInfo.InvariantCulture)
            : 0;

    public bool Is(char separator) => Kind == TokenKind.Separator && Text[0] == separator;
}
