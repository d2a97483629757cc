using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Lessons;

/// <summary>Which wording of a cue is used.</summary>
public enum CueLength
{
    Sentence,
    Keyword,
    OneWord,
    Foot,
}

/// <summary>Whether a cue can be said before its step (rules, section 7).</summary>
public static class Cue
{
    /// <summary>Syllables a second that a caller can be understood at.</summary>
    public const double SyllablesPerSecond = 4.5;

    /// <summary>Seconds of breath and reaction.</summary>
    public const double Pause = 0.15;

    /// <summary>Counts before the step at which its cue may begin.</summary>
    public const double DefaultLead = 2;

    /// <summary>Seconds needed to say the words.</summary>
    public static double Seconds(string words) => (Syllables(words) / SyllablesPerSecond) + Pause;

    /// <summary>Whether the words fit a room of so many seconds.</summary>
    public static bool Fits(string words, double room) => Seconds(words) <= room + 1e-9;

    /// <summary>The longest wording that fits; the foot alone when none does.</summary>
    public static (string Words, CueLength Length) Choose(CueWords words, string foot, double room)
    {
        if (Fits(words.Sentence, room))
        {
            return (words.Sentence, CueLength.Sentence);
        }

        if (Fits(words.Keyword, room))
        {
            return (words.Keyword, CueLength.Keyword);
        }

        return Fits(words.OneWord, room) ? (words.OneWord, CueLength.OneWord) : (foot, CueLength.Foot);
    }

    /// <summary>Syllables by groups of vowels; a silent e at a word's end is not counted, "-le" after a consonant is.</summary>
    public static int Syllables(string words)
    {
        var total = 0;
        foreach (var word in words.ToLowerInvariant().Split([' ', '-', ',', '.', ';'], StringSplitOptions.RemoveEmptyEntries))
        {
            total += char.IsDigit(word[0]) ? Math.Max(1, word.Count(char.IsDigit)) : InWord(word);
        }

        return total;
    }

    private static int InWord(string word)
    {
        var groups = 0;
        var before = false;
        foreach (var c in word)
        {
            var vowel = c is 'a' or 'e' or 'i' or 'o' or 'u' or 'y';
            groups += vowel && !before ? 1 : 0;
            before = vowel;
        }

        var silent = word.Length > 2 && word[^1] == 'e' && !IsVowel(word[^2]) && !(word[^2] == 'l' && !IsVowel(word[^3]));
        return Math.Max(1, groups - (silent ? 1 : 0));
    }

    private static bool IsVowel(char c) => c is 'a' or 'e' or 'i' or 'o' or 'u' or 'y';
}
