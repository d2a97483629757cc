namespace FondCompass.Core.Text;

/// <summary>Text cut to a length, and letters without their accents.</summary>
public static class Letters
{
    /// <summary>
    /// At most so many UTF-16 units; a character that needs two is left out rather than halved, for half of one is no text.
    /// </summary>
    public static string Cut(string text, int most) =>
        text.Length <= most ? text : most > 0 && char.IsHighSurrogate(text[most - 1]) ? text[..(most - 1)] : text[..most];

    private const string Accented = "àáâãäåçèéêëìíîïñòóôõöøùúûüýÿ", Plain = "aaaaaaceeeeiiiinoooooouuuuyy";

    /// <summary>A word in small letters with the Latin letters that bear an accent as they are without it: "chassé" is "chasse".</summary>
    public static string WithoutAccents(string word) =>
        word.All(char.IsAscii) ? word : string.Concat(word.Select(c => Accented.IndexOf(c) is >= 0 and var at ? Plain[at] : c));
}
