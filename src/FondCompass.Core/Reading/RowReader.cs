using System.Runtime.CompilerServices;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading;

/// <summary>
/// Reads a wording ("step R forward, pivot 1/2 left", "two toe struts") into what it may mean: tokens, words with their meanings,
/// clauses, then the list with its scopes (docs/reading.md). Pure.
/// </summary>
public static class RowReader
{
    /// <summary>
    /// Letters whose readings are kept for one set of names; dances repeat themselves, and each key typed reads them all again.
    /// </summary>
    private const int MostKept = 200_000;

    private static readonly ConditionalWeakTable<IStepNames, KeptReadings> Kept = [];

    private sealed class KeptReadings
    {
        private readonly Dictionary<string, Readings> _byText = [];
        private int _letters;

        public Readings? Find(string text)
        {
            lock (_byText)
            {
                return _byText.GetValueOrDefault(text);
            }
        }

        public void Add(string text, Readings readings)
        {
            lock (_byText)
            {
                if (_letters + text.Length > MostKept)
                {
                    _byText.Clear();
                    _letters = 0;
                }

                _letters += _byText.TryAdd(text, readings) ? text.Length : 0;
            }
        }
    }

    /// <param name="names">The steps known, as the dance understands them.</param>
    /// <param name="text">What stands behind the counts, layers taken off.</param>
    public static Readings Read(IStepNames names, string text)
    {
        var kept = Kept.GetOrCreateValue(names);
        if (kept.Find(text) is { } known)
        {
            return known;
        }

        var readings = ReadAnew(names, text);
        kept.Add(text, readings);
        return readings;
    }

    /// <summary>What it costs to take the name of a step apart into plain deeds, and less where it begins with a number of them.</summary>
    private const int Apart = 4, CountedApart = 1;

    /// <summary>Without the readings that are kept.</summary>
    internal static Readings ReadAnew(IStepNames names, string text)
    {
        text = WithoutColon(text);
        var tokens = Lexer.Read(text);
        var readings = ReadTokens(names, tokens, text, out var lexemes);
        if (readings.IsWhole)
        {
            return readings;
        }

        foreach (var (put, changes) in Spelling.PutRight(names, tokens, lexemes))
        {
            // Steps only: what acts on the rows above is too much to be guessed.
            if (ReadTokens(names, put, text, out _).Candidates.Where(c => c.IsWhole).ToList() is { Count: > 0 } right)
            {
                return new Readings(right.ConvertAll(c => c with { Respelled = changes }));
            }
        }

        return readings;
    }

    /// <summary>"Arms: pump": the colon behind what is moved parts nothing. Columns stay what they are.</summary>
    private static string WithoutColon(string text)
    {
        var at = text.IndexOf(':');
        return at > 0 && at + 1 < text.Length && Vocabulary.LayerOf(text[..at].Trim().ToLowerInvariant()) is not null
            ? $"{text[..at]} {text[(at + 1)..]}"
            : text;
    }

    private static Readings ReadTokens(IStepNames names, List<Token> tokens, string text, out List<Lexeme> lexemes)
    {
        lexemes = WordLookup.CalledAlong(WordLookup.Read(names, tokens));
        var candidates = ListReader.Read(lexemes, text, names.Genre);
        if (lexemes.Exists(l => l is { Words: > 1, Step.IsOwn: false }) && tokens.Count < 200)
        {
            // "Step touch" may be the step of that name, or a step and a touch.
            var apart = WordLookup.CalledAlong(WordLookup.Read(names, tokens, split: true));
            if (apart.Count != lexemes.Count)
            {
                var counted = lexemes.Exists(l => l is { Words: > 1, Step: { IsOwn: false } }
                    && WordLookup.BeginsWithNumber(l.Text.Split(' '), 0));
                candidates.AddRange(ListReader.Read(apart, text, names.Genre)
                    .Select(c => c with { Cost = c.Cost + (counted ? CountedApart : Apart), TakenApart = !counted }));
            }
        }

        return new Readings(WholeSteps.Beside(candidates, names));
    }
}
