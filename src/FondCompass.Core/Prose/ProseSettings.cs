using System.Globalization;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Reading;
using FondCompass.Core.Steps;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose;

/// <summary>
/// What the words say about the dance as a whole: counts, walls, counts to wait, the foot that starts, its kind (reading, section 7).
/// Such words are settings and never steps, and a number is never changed.
/// </summary>
internal sealed class ProseSettings
{
    /// <summary>Fewest counts of a whole dance, and the slowest and quickest tempo that is one.</summary>
    private const int FewestCounts = 12, Slowest = 40, Quickest = 240;

    /// <summary>Rows of which some words were a setting, with how many words those were.</summary>
    private readonly Dictionary<string, int> _bound = [];

    private readonly Dictionary<string, int> _lengths = new(StringComparer.OrdinalIgnoreCase);

    private int _each;

    public int? Counts { get; private set; }

    /// <summary>Counts stated of a part anywhere in the text; 0 where none are.</summary>
    public int LengthOf(string part) => _lengths.GetValueOrDefault(part, _each);

    /// <summary>Counts a minute, when they are said.</summary>
    public int? Tempo { get; private set; }

    public string? Level { get; private set; }

    public int? WallCount { get; private set; }

    public int? Intro { get; private set; }

    public Weight? Weight { get; private set; }

    public int Line { get; private init; }

    public string Genre { get; private init; } = "";

    /// <summary>How many words of a row were settings.</summary>
    public int BoundIn(string text) => _bound.GetValueOrDefault(text);

    /// <summary>A row of nothing but settings and the words around them names no dance.</summary>
    public bool IsOnly(string text)
    {
        var words = Lexer.Read(text)
            .Where(t => t.Kind is TokenKind.Word or TokenKind.Number)
            .Select(t => t.Text.ToLowerInvariant())
            .ToList();
        return (BoundIn(text) > 0 || words.Exists(Vocabulary.IsSetting) || words.TrueForAll(w => char.IsAsciiDigit(w[0])))
            && words.TrueForAll(w => char.IsAsciiDigit(w[0]) || Vocabulary.IsSetting(w) || Vocabulary.LeadsIn(w)
                || (Vocabulary.Find(w) is { } sense && IsOfSettings(sense)));
    }

    private static bool IsOfSettings(Sense sense) =>
        sense.Foot != Foot.None || sense.Side != 0 || sense.Number > 0
            || sense.Is(Roles.Foot | Roles.Filler | Roles.Facing | Roles.Free | Roles.Counts | Roles.Wall);

    public static ProseSettings Find(IReadOnlyList<ProseLine> lines, StepLexicon lexicon, string? genre)
    {
        var translation = lexicon.Translation;
        var plain = lines.Select(l => ProseForms.Plain(l.Text, translation)).ToList();
        var whole = string.Join('\n', plain);
        var settings = new ProseSettings { Genre = genre ?? GenreOf(plain, whole), Line = ProseForms.Says("threes", whole) ? 6 : 8 };
        for (var i = 0; i < lines.Count; i++)
        {
            if (!lines[i].IsEmpty)
            {
                settings.Read(lines[i].Text, plain[i], lexicon);
            }
        }

        return settings;
    }

    /// <summary>The kinds of dance that show by their words; "line" is what is left.</summary>
    private static readonly string[] Genres = ["percussive", "circle", "fitness"];

    private static readonly char[] Marks = [',', ';', '.', '|', '/'];

    private static string GenreOf(List<string> rows, string whole) =>
        Array.Find(Genres, g => ProseForms.Says($"genre {g}", whole) || ProseForms.Says($"genre {g}", string.Join(' ', rows))) ?? "line";

    private void Read(string text, string plain, StepLexicon lexicon)
    {
        var translation = lexicon.Translation;
        // "Tag 4 counts. Wait 16.": a tag's sentence says nothing of the beginning.
        var ofDance = !ProseForms.Says("event", plain) ? plain
            : text.Split('.').Concat(text.Split(Marks)).Select(s => ProseForms.Plain(s, translation))
                .FirstOrDefault(s => !ProseForms.Says("event", s) && ProseForms.Says("beginning", s) && ProseForms.Says("wait", s)) ?? "";
        var bound = 0;
        if (Intro is null && Number("wait", ofDance) is { } intro && !ofDance.Contains($" {intro} {intro + 1}", StringComparison.Ordinal))
        {
            (Intro, bound) = (intro, bound + 2);
        }

        if (Intro is null && ProseForms.Says("waits inside", plain) && !ProseForms.Says("event", plain) && text.Split(Marks)
            .Select(c => ProseForms.Plain(c, translation))
            .Select(c => (Clause: c, Numbers: System.Text.RegularExpressions.Regex.Matches(c, @"\b\d{1,3}\b")))
            .FirstOrDefault(c => c.Numbers.Count == 1 && ProseForms.Says("waits", c.Clause)) is { Numbers: { } only })
        {
            // "Intro's 16": the only number beside a word of waiting.
            (Intro, bound) = (int.Parse(only[0].Value, CultureInfo.InvariantCulture), bound + 2);
        }

        if ((ProseForms.Says("one wall", plain) ? 1 : Number("walls", plain)) is { } walls)
        {
            (WallCount, bound) = (WallCount ?? walls, bound + 2);
        }

        if (Weight is null && FootIn("start weight", plain) is { } standing)
        {
            (Weight, bound) = (standing == Core.Measures.Foot.Right ? Core.Measures.Weight.Right : Core.Measures.Weight.Left, bound + 3);
        }
        else if (Weight is null && FootIn("start foot", plain) is { } foot)
        {
            (Weight, bound) = (foot == Core.Measures.Foot.Right ? Core.Measures.Weight.Left : Core.Measures.Weight.Right, bound + 3);
        }

        if (Weight is null && bound > 0 && FootIn("foot alone", text) is { } alone)
        {
            (Weight, bound) = (alone == Core.Measures.Foot.Right ? Core.Measures.Weight.Left : Core.Measures.Weight.Right, bound + 1);
        }

        _each = _each == 0 ? Number("each part", plain) ?? 0 : _each;
        if (ProseForms.FindAll("part lengths", plain) is { Count: > 1 } lengths)
        {
            foreach (System.Text.RegularExpressions.Match length in lengths)
            {
                _lengths.TryAdd(length.Groups["name"].Value, int.Parse(length.Groups["n"].Value, CultureInfo.InvariantCulture));
            }
        }

        // The total of a dance is said where its walls, level or waiting are, or by itself; a part's own counts are the part's.
        if (Counts is null && !ProseForms.Says("apart", plain) && !IsLengthOfSteps(text, lexicon)
            && Number("total", plain) is >= FewestCounts and var counts && counts != Intro)
        {
            (Counts, bound) = (counts, bound + 2);
        }

        if (Tempo is null && Number("tempo", plain) is >= Slowest and <= Quickest and var tempo)
        {
            (Tempo, bound) = (tempo, bound + 2);
        }

        if (Level is null && (bound > 0 || IsOnly(text)) && ProseForms.Find("level", plain) is { } level)
        {
            (Level, bound) = (level.Groups["level"].Value.ToLowerInvariant(), bound + 1);
        }

        if (bound > 0)
        {
            _bound[text] = bound;
        }
    }

    /// <summary>"Heel taps x8 (16 counts)": the counts are those of the steps before them.</summary>
    private static bool IsLengthOfSteps(string text, StepLexicon lexicon) => ProseForms.Find("length behind", text) is { } length
        && WordLookup.Read(lexicon, Lexer.Read(text[..length.Index]))
            .Exists(l => l.Step is not null || l.Verb is { Kind: not VerbKind.NoFoot });

    private static int? Number(string kind, string plain) => ProseForms.Find(kind, plain) is { } match
        ? int.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture) : null;

    private static Foot? FootIn(string kind, string plain) =>
        ProseForms.Find(kind, plain)?.Groups["foot"].Value[0] is { } letter
            ? letter is 'r' or 'R' ? Core.Measures.Foot.Right : Core.Measures.Foot.Left
            : null;

    /// <summary>The rows of a script's head that say it.</summary>
    public IEnumerable<string> Rows()
    {
        if (Genre != "line")
        {
            yield return $"genre {Genre}";
        }

        if (Line != 8)
        {
            yield return $"line {Line}";
        }

        if (Weight is { } weight)
        {
            yield return $"start weight {weight.Letter()} facing 12";
        }

        if (Level is not null)
        {
            yield return $"level {Level}";
        }

        if (Tempo is { } tempo)
        {
            yield return $"tempo {tempo}";
        }

        if (Intro is { } intro)
        {
            yield return $"intro {intro}";
        }

        if (WallCount is { } walls)
        {
            yield return $"walls {walls}";
        }
    }
}
