using System.Collections.Frozen;
using System.Globalization;
using System.Text.RegularExpressions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Clauses;

/// <summary>Turns of phrase of people who write about a dance, read from prose.yaml. None runs away on any text.</summary>
internal static class ProseForms
{
    /// <param name="Kind">What it says: a part's name, a wait, a restart.</param>
    /// <param name="Example">A row it is taken from; a test holds it to that.</param>
    internal sealed record Form(string Kind, string Example, bool OfText, Regex Pattern);

    private sealed record Tables(
        FrozenDictionary<string, Form[]> Forms,
        Regex Numbers,
        FrozenDictionary<string, int> Values,
        FrozenDictionary<string, string> Columns,
        FrozenSet<string> Explains, FrozenSet<string> Asides, FrozenSet<string> Tellers, FrozenSet<string> Whiles, string OtherWay,
        string LastLines, string Again, string Sections, FrozenDictionary<string, int> Ordinals,
        FrozenSet<string> Changes);

    private static readonly Lazy<Tables> Read = new(Build);

    /// <summary>All forms, for the test of their examples.</summary>
    internal static IEnumerable<Form> All => Read.Value.Forms.Values.SelectMany(f => f);

    /// <summary>The first form of a kind that the text has; null where none is there.</summary>
    public static Match? Find(string kind, string text) =>
        Read.Value.Forms[kind].Select(f => f.Pattern.Match(text)).FirstOrDefault(m => m.Success);

    public static bool Says(string kind, string text) => Array.Exists(Read.Value.Forms[kind], f => f.Pattern.IsMatch(text));

    public static MatchCollection FindAll(string kind, string text) => Read.Value.Forms[kind][0].Pattern.Matches(text);

    public static string Replace(string kind, string text, string by) => Read.Value.Forms[kind][0].Pattern.Replace(text, by);

    public static string[] Split(string kind, string text) => Read.Value.Forms[kind][0].Pattern.Split(text);

    /// <summary>What a column of that heading holds; null when it is no heading of one.</summary>
    public static string? Column(string heading) => Read.Value.Columns.GetValueOrDefault(heading);

    /// <summary>Whether a word begins what is other in steps that are told again: "but".</summary>
    public static bool IsChange(string word) => Read.Value.Changes.Contains(word);

    /// <summary>Words that mean the same on the other side.</summary>
    public static string OtherWay => Read.Value.OtherWay;

    /// <summary>What says so of the last so many lines.</summary>
    public static string LastLines(int lines, string how) =>
        $"{how} {Read.Value.LastLines.Replace("{n}", lines.ToString(CultureInfo.InvariantCulture), StringComparison.Ordinal)}";

    /// <summary>What says that something is danced again.</summary>
    public static string Again => Read.Value.Again;

    /// <summary>What says so of sections by their numbers.</summary>
    public static string Sections(int from, int until) => Read.Value.Sections
        .Replace("{a}", from.ToString(CultureInfo.InvariantCulture), StringComparison.Ordinal)
        .Replace("{b}", until.ToString(CultureInfo.InvariantCulture), StringComparison.Ordinal);

    /// <summary>What a tag is called that nobody named.</summary>
    public const string TagName = "Tag";

    /// <summary>Whether words begin an explanation of what stands before them: "so", "that's".</summary>
    public static bool Explains(string word) => Read.Value.Explains.Contains(word);

    /// <summary>Whether words begin what is only told beside the steps: "until", "as you".</summary>
    public static bool IsAside(string words) => Read.Value.Asides.Contains(words);

    /// <summary>Whether a word behind "and" begins a clause of its own: "we", "you".</summary>
    public static bool IsTeller(string word) => Read.Value.Tellers.Contains(word);

    /// <summary>Whether a word says that what follows lasts as long as the steps: "while".</summary>
    public static bool IsWhile(string word) => Read.Value.Whiles.Contains(word);

    /// <summary>A number in digits or words, or an ordinal; 0 when it is none.</summary>
    public static int Number(string words) =>
        words.Length is > 0 and < 4 && int.TryParse(words, CultureInfo.InvariantCulture, out var digits) ? digits
            : Read.Value.Values.TryGetValue(words.ToLowerInvariant().Replace('-', ' '), out var number) ? number
            : Read.Value.Ordinals.GetValueOrDefault(words);

    /// <summary>A row in plain words: lower case, numbers as digits, other languages translated, marks as spaces.</summary>
    public static string Plain(string text, Translation translation)
    {
        var tokens = Lexer.Read(text);
        if (translation.Touches(tokens))
        {
            tokens = translation.Read(tokens);
        }

        var plain = string.Join(
            ' ',
            tokens.Where(t => t.Kind is not (TokenKind.Mark or TokenKind.Separator or TokenKind.Open or TokenKind.Close))
            .Select(t => t.Text.Replace("'", "", StringComparison.Ordinal)));
        return Read.Value.Numbers.Replace(plain, m => Read.Value.Values[m.Value.ToLowerInvariant()].ToString(CultureInfo.InvariantCulture));
    }

    private static Tables Build()
    {
        var rows = LexiconFiles.Read<FormRows>("prose.yaml");
        var words = string.Join('|', rows.Numbers.Keys.OrderByDescending(k => k.Length)
            .Select(k => Regex.Escape(k).Replace("\\ ", "[ -]", StringComparison.Ordinal)));
        var forms = rows.Forms.Select(r => new Form(r.Kind, r.Example, r.Of == "text",
            new Regex(r.Form.Replace("{N}", $@"(?:\d{{1,3}}|{words})", StringComparison.Ordinal),
                RegexOptions.NonBacktracking | RegexOptions.CultureInvariant | (r.Cased ? RegexOptions.None : RegexOptions.IgnoreCase))));
        var numbers = string.Join('|', rows.Numbers.Keys.OrderByDescending(k => k.Length).Select(Regex.Escape));
        return new Tables(
            forms.GroupBy(f => f.Kind).ToFrozenDictionary(g => g.Key, g => g.ToArray()),
            new Regex($@"\b(?:{numbers})\b", RegexOptions.NonBacktracking | RegexOptions.IgnoreCase | RegexOptions.CultureInvariant),
            rows.Numbers.ToFrozenDictionary(),
            rows.Columns.SelectMany(c => c.Value.Select(w => (Word: w, Holds: c.Key))).ToFrozenDictionary(c => c.Word, c => c.Holds,
                StringComparer.OrdinalIgnoreCase),
            rows.Explains.ToFrozenSet(), rows.Asides.ToFrozenSet(), rows.Tellers.ToFrozenSet(),
            rows.Whiles.ToFrozenSet(), rows.OtherWay, rows.LastLines, rows.Again, rows.Sections,
            rows.Ordinals.ToFrozenDictionary(), rows.Changes.ToFrozenSet());
    }

    private sealed class FormRows
    {
        public List<FormRow> Forms { get; set; } = [];

        public Dictionary<string, int> Numbers { get; set; } = [];

        public Dictionary<string, int> Ordinals { get; set; } = [];

        public Dictionary<string, List<string>> Columns { get; set; } = [];

        public List<string> Explains { get; set; } = [];

        public List<string> Asides { get; set; } = [];

        public List<string> Tellers { get; set; } = [];

        public List<string> Whiles { get; set; } = [];

        public string OtherWay { get; set; } = "";

        public string LastLines { get; set; } = "";

        public string Again { get; set; } = "";

        public string Sections { get; set; } = "";

        public List<string> Changes { get; set; } = [];
    }

    private sealed class FormRow
    {
        public string Kind { get; set; } = "";

        public string Of { get; set; } = "plain";

        public bool Cased { get; set; }

        public string Form { get; set; } = "";

        public string Example { get; set; } = "";
    }
}
