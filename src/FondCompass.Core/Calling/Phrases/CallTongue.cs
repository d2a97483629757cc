using System.Collections.Frozen;
using System.Globalization;
using System.Runtime.CompilerServices;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Steps;
using FondCompass.Core.Text;

namespace FondCompass.Core.Calling.Phrases;

/// <summary>What a caller says besides the names of steps, in one language; the words stand in calls.yaml.</summary>
public sealed class CallTongue
{
    /// <summary>Of the words of a dance's rows, the share that has to be of another language for it to be called in that.</summary>
    private const double LeastShare = 0.2;

    private static readonly FrozenDictionary<string, CallTongue> All = LexiconFiles.Read<Dictionary<string, CallTongue>>("calls.yaml")
        .ToFrozenDictionary();

    public static CallTongue English => All["en"];

    /// <summary>By its tag ("de"); null for a language that has no words here.</summary>
    public static CallTongue? Find(string language) => All.GetValueOrDefault(language);

    /// <summary>Syllables a second that a class understands.</summary>
    public double Rate { get; set; } = Speech.UsualRate;

    /// <summary>A movement, {0}, and the side to which it goes, {1}.</summary>
    public string Aside { get; set; } = "";

    /// <summary>A step beside the other foot.</summary>
    public string Together { get; set; } = "";

    public string Left { get; set; } = "";

    public string Right { get; set; } = "";

    /// <summary>Round a ring: to the left of who faces its middle.</summary>
    public string WithSun { get; set; } = "";

    public string AgainstSun { get; set; } = "";

    /// <summary>An amount, {0}, and a side, {1}.</summary>
    public string Turn { get; set; } = "";

    public string Full { get; set; } = "";

    public string ToSide { get; set; } = "";

    /// <summary>A whole number of turns and what is over: "one and a quarter".</summary>
    public string AndPart { get; set; } = "";

    /// <summary>One eighth to seven.</summary>
    public List<string> Eighths { get; set; } = [];

    /// <summary>The same behind a whole number.</summary>
    public List<string> EighthsBehind { get; set; } = [];

    /// <summary>From one on.</summary>
    public List<string> Numbers { get; set; } = [];

    public string Several { get; set; } = "";

    /// <summary>Of two to four where the language has other words for those; else empty.</summary>
    public string Few { get; set; } = "";

    private const int MostFew = 4;

    /// <summary>Of a plain name; empty where the language has no simple plural.</summary>
    public string Plural { get; set; } = "";

    public string More { get; set; } = "";

    public string Again { get; set; } = "";

    public string NameAgain { get; set; } = "";

    public string OtherSide { get; set; } = "";

    public string NameOtherSide { get; set; } = "";

    public string Top { get; set; } = "";

    public string Restart { get; set; } = "";

    public string RestartShort { get; set; } = "";

    public string Last { get; set; } = "";

    public string Finish { get; set; } = "";

    public string Faster { get; set; } = "";

    public string Slower { get; set; } = "";

    public string Part { get; set; } = "";

    public string Tag { get; set; } = "";

    public string Then { get; set; } = "";

    public static string Say(string pattern, params object[] with) => string.Format(CultureInfo.InvariantCulture, pattern, with);

    /// <summary>
    /// The language that a dance's rows are written in: that of most of their words that are plainly of one; English where those are few.
    /// </summary>
    public static CallTongue For(Dance dance, StepLexicon lexicon) => Known.GetValue(dance, d => Found(d, lexicon));

    /// <summary>A lesson calls the same dance block after block.</summary>
    private static readonly ConditionalWeakTable<Dance, CallTongue> Known = [];

    private static CallTongue Found(Dance dance, StepLexicon lexicon)
    {
        var (found, words) = (new Dictionary<string, int>(), 0);
        foreach (var row in dance.Parts.SelectMany(p => p.Entries).OfType<StepEntry>())
        {
            foreach (var token in Lexer.Read(row.Wording).Where(t => t.Kind == TokenKind.Word && t.Text.Length > 1))
            {
                words++;
                if (lexicon.LanguageOf(token.Text) is { } language)
                {
                    found[language] = found.GetValueOrDefault(language) + 1;
                }
            }
        }

        return found.Count > 0
            && found.MaxBy(f => f.Value) is var (most, times)
            && times >= LeastShare * words
            && All.TryGetValue(most, out var tongue)
            ? tongue
            : English;
    }

    public string Side(int side) => side > 0 ? Right : Left;

    public string Number(int number) =>
        number > 0 && number <= Numbers.Count ? Numbers[number - 1] : number.ToString(CultureInfo.InvariantCulture);

    /// <summary>A side as a way: in a ring round it.</summary>
    /// <param name="round">Round the ring with the sun (positive) or against it; 0 where there is no ring, or one does not face its middle
    /// or outwards.</param>
    public string Way(int side, int round) => round > 0 ? WithSun : round < 0 ? AgainstSun : Side(side);

    /// <summary>A turn as it is said: "quarter left", "full turn right", "one and a quarter right".</summary>
    /// <param name="eighths">To the right positive; not 0.</param>
    public string TurnOf(int eighths) => Say(Turn, Amount(Math.Abs(eighths)), Side(eighths));

    /// <summary>Whether words tell of themselves how far that turn goes: "full turn forward", "sailor quarter".</summary>
    public bool SaysAmount(string words, int eighths) =>
        words.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries)
            .Contains(Amount(Math.Abs(eighths)).Split(' ')[0], StringComparer.OrdinalIgnoreCase);

    private string Amount(int eighths)
    {
        var (whole, rest) = (eighths / Measures.Eighths.Full, eighths % Measures.Eighths.Full);
        return (whole, rest) switch
        {
            (0, _) => Eighths[rest - 1],
            (1, 0) => Full,
            (_, 0) => Number(whole),
            _ => Say(AndPart, Number(whole), EighthsBehind[rest - 1]),
        };
    }

    /// <summary>Several of a name: "four toe struts", "kick ball change, four of them".</summary>
    /// <param name="isName">It is a name, of which there is a plural; other words are said as they are.</param>
    public string SeveralOf(string name, int times, bool isName) =>
        isName && Plural.Length > 0 && name.Split(' ').Length <= 2 && name.All(c => char.IsAsciiLetter(c) || c == ' ')
            ? Say(Plural, PhraseText.Plural(name), Number(times))
        : Say(times <= MostFew && Few.Length > 0 ? Few : Several, name, Number(times));
}
