namespace FondCompass.Core.Text;

/// <summary>Text cut to a length.</summary>
public static class Letters
{
    /// <summary>At most so many UTF-16 units; a character that needs two is left out rather than halved, for half of one is no text.</summary>
    public static string Cut(string text, int most) =>
        text.Length <= most ? text : most > 0 && char.IsHighSurrogate(text[most - 1]) ? text[..(most - 1)] : text[..most];
}
