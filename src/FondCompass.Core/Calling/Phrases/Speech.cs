namespace FondCompass.Core.Calling.Phrases;

/// <summary>How fast a caller speaks (calls, section 3).</summary>
/// <param name="SyllablesPerSecond">Syllables a second that the class can still understand; 4.5 unless the caller has a rate of their
/// own.</param>
public sealed record Speech(double SyllablesPerSecond)
{
    /// <summary>Syllables a second that a caller can be understood at.</summary>
    public const double UsualRate = 4.5;

    /// <summary>The slowest and the fastest rate that can be set.</summary>
    public const double Slowest = 2, Fastest = 9;

    /// <summary>Seconds of breath and reaction.</summary>
    public const double Pause = 0.15;

    /// <summary>Counts before the step at which its call begins.</summary>
    public const double DefaultLead = 2;

    public static readonly Speech Usual = new(UsualRate);

    /// <summary>Seconds of the clock needed to say the words; none for none.</summary>
    public double Seconds(string words) => words.Length == 0 ? 0 : Seconds(Syllables(words));

    /// <summary>Seconds of the clock for so many syllables.</summary>
    public double Seconds(int syllables) => (syllables / SyllablesPerSecond) + Pause;

    /// <summary>
    /// Syllables by groups of vowels, in Latin and Cyrillic letters, with or without accents; a plain e at a word's end is silent, "-le"
    /// after a consonant is;
    /// each Korean letter block is one.
    /// </summary>
    public static int Syllables(string words)
    {
        var total = 0;
        foreach (var word in words.ToLowerInvariant()
            .Split([' ', '-', ',', '.', ';', ':', '!', '?'], StringSplitOptions.RemoveEmptyEntries))
        {
            var blocks = word.Count(IsBlock);
            total += char.IsDigit(word[0]) ? Math.Max(1, word.Count(char.IsDigit)) : blocks > 0 ? blocks : InWord(word);
        }

        return total;
    }

    private static bool IsBlock(char c) => c is >= '\uAC00' and <= '\uD7A3';

    private static int InWord(string word)
    {
        var groups = 0;
        var before = false;
        foreach (var c in word)
        {
            var vowel = IsVowel(c);

            // In Cyrillic letters every vowel is a syllable of its own.
            groups += vowel && (!before || c >= 'а') ? 1 : 0;
            before = vowel;
        }

        var silent = word.Length > 2 && word[^1] == 'e' && !IsVowel(word[^2]) && !(word[^2] == 'l' && !IsVowel(word[^3]));
        return Math.Max(1, groups - (silent ? 1 : 0));
    }

    private static bool IsVowel(char c) => "aeiouyàáâãäåæèéêëìíîïòóôõöøùúûüýÿœаеёиоуыэюяєії".Contains(c, StringComparison.Ordinal);
}
