namespace FondCompass.Core.Text;

/// <summary>A stretch of a text row: its first column from 0, and how many characters it has.</summary>
public readonly record struct TextSpan(int Start, int Length)
{
    public int End => Start + Length;

    /// <summary>The span moved so many columns to the right.</summary>
    public TextSpan From(int column) => this with { Start = Start + column };

    /// <summary>The smallest span that holds both.</summary>
    public TextSpan To(TextSpan other)
    {
        var start = Math.Min(Start, other.Start);
        return new TextSpan(start, Math.Max(End, other.End) - start);
    }

    public string In(string text) => text.Substring(Start, Length);

    /// <summary>The text with other words in this span.</summary>
    public string Replace(string text, string words) => string.Concat(text.AsSpan(0, Start), words, text.AsSpan(End));

    /// <summary>What is left of a span when the space around it is taken away.</summary>
    public static TextSpan Trimmed(string text, int start, int end)
    {
        while (start < end && char.IsWhiteSpace(text[start]))
        {
            start++;
        }

        while (end > start && char.IsWhiteSpace(text[end - 1]))
        {
            end--;
        }

        return new TextSpan(start, end - start);
    }
}
