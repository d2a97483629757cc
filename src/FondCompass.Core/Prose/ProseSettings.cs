using System.Globalization;
using System.Text.RegularExpressions;
using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose;

/// <summary>
/// What the words say about the dance as a whole: counts, walls, counts to wait, the foot that starts, its kind (reading, section 7).
/// Such words are settings and never steps, and a number is never changed.
/// </summary>
internal sealed class ProseSettings
{
    private const RegexOptions Safe = RegexOptions.NonBacktracking | RegexOptions.IgnoreCase | RegexOptions.CultureInvariant;

    private static readonly Regex Total = new(@"\b(\d{1,3})\s*(?:counts?|cts?|beats)\b|^counts? (\d{1,3})\b", Safe);
    private static readonly Regex Apart = new(@"\b(?:restart|tag|part|section|verse|chorus|bridge|break|eight)\b", Safe);
    private static readonly Regex Walls = new(@"\b([1248])\s*(?:walls?|w)\b|\bwalls?\s+([1248])\b", Safe);
    private static readonly Regex OneWall = new(@"\b(?:one|single) wall\b", Safe);
    private static readonly Regex Wait = new(
        @"\bafter (?:the )?(?:first )?(\d{1,3}) counts?\b|\b(?:wait|waits|intro|introduction|count in|lead in)(?: (?:is|of|for|the|first|bell|drums|music|about|we|a|,)){0,5} (\d{1,3})\b|\b(\d{1,3}) (?:count|counts|ct|cts|beat|beats) (?:of )?(?:intro|introduction|wait)\b|\b(?:start|starts|begin|begins|beginning|dance begins|after|in|come in)(?: [a-z]+){0,4} after (?:the first )?(\d{1,3})\b|\bafter (\d{1,3})(?: (?:count|counts|beats))?(?: of music)?(?: we start)?$|\bintro (\d{1,3})\b|\b(\d{1,3}) count intro\b|\b(?:start|starts|begin|begins)(?: [a-z]+){0,3} (\d{1,3}) (?:count|counts|beats) in(?:to)?\b|^(\d{1,3}) (?:count|counts|beats) in$|\bwait for [a-z ]{0,30}?(\d{1,3}) counts\b", Safe);
    private static readonly Regex StartFoot = new(
        @"\b(?:start|starts|started|starting|begin|begins|lead|leads|leading|off)(?: [a-z]+){0,2}? (?:on|with|from|by)(?: (?:the|your|our|a))? (right|left|r|l|rf|lf)\b|\b(right|left|rf|lf|r|l)(?: foot)? (?:lead|leads|leading|first|starts|begins|start|begin|to start|to begin)\b|^(right|left) foot(?: \d|$)|\b(right|left) foot (?:we )?wait\b|\bwait \d{1,3} (right|left) foot\b|\b(?:12 00|counts) (right|left) foot\b|\b(?:counts|beats),? (right|left) foot,|\bstarting (?:on )?(?:the )?(right|left)\b|\b(?:start|starts|begin|begins) (right|left|rf|lf)(?: foot)?(?: (?:after|facing|wait|on|at|\d)|$)|\b(?:start|starts|begin|begins) (right|left) foot\b|\b(?:counts|beats) (right|left) foot$", Safe);
    private static readonly Regex StartWeight = new(@"\b(?:start|begin|stand|standing|begins|starts)(?: [a-z]+){0,5} weight (?:is )?(?:on )?(?:the |your )?(right|left|r|l|rf|lf)\b|\bweight (?:is )?on (?:the |your )?(right|left|r|l|rf|lf)(?: [a-z]+){0,2} to (?:begin|start)\b|^(?:count in .*)?weight on (right|left|r|l)$|\bcounts weight on (right|left|r|l)\b", Safe);
    private static readonly Regex Numbers = new(@"\b(?:thirty two|thirtytwo|forty eight|sixty four|twenty four|sixteen|twenty|twelve|eight|four|two|one|six|forty|twenty eight|sixty)\b", Safe);

    private static readonly Regex Beats = new(@"\b(\d{2,3})(?: \d)? (?:bpm|beats (?:a|per) minute)\b|\b(\d{2,3})bpm\b|\b(?:tempo|bpm) (?:is |about |around |of )?(\d{2,3})\b", Safe);
    private static readonly Regex Levels = new(@"\b((?:(?:absolute|high|easy|low|upper|phrased) )?(?:beginner|improver|intermediate|advanced|beg|imp|int|adv))\b", Safe);

    public int? Counts { get; private set; }

    /// <summary>Counts a minute, when they are said.</summary>
    public int? Tempo { get; private set; }

    public string? Level { get; private set; }

    public int? WallCount { get; private set; }

    public int? Intro { get; private set; }

    public Weight? Weight { get; private set; }

    public int Line { get; private set; } = 8;

    public string Genre { get; private set; } = "line";

    /// <summary>Rows of which some words were a setting, with how many words those were.</summary>
    private readonly Dictionary<string, int> _bound = [];

    /// <summary>How many words of a row were settings.</summary>
    public int BoundIn(string text) => _bound.GetValueOrDefault(text);

    /// <summary>A row of nothing but settings and the words around them names no dance.</summary>
    public bool IsOnly(string text)
    {
        var words = Lexer.Read(text).Where(t => t.Kind is TokenKind.Word or TokenKind.Number).Select(t => t.Text.ToLowerInvariant()).ToList();
        return (BoundIn(text) > 0 || words.Exists(Vocabulary.IsSetting) || words.TrueForAll(w => char.IsAsciiDigit(w[0])))
            && words.TrueForAll(w => char.IsAsciiDigit(w[0]) || Vocabulary.IsSetting(w) || Vocabulary.LeadsIn(w) || Vocabulary.Find(w) is { } sense && (sense.Foot != Foot.None || sense.Side != 0 || sense.Number > 0 || sense.Is(Roles.Foot | Roles.Filler | Roles.Facing | Roles.Wall)));
    }

    public static ProseSettings Of(IReadOnlyList<ProseLine> lines, Translation translation, string? genre)
    {
        var settings = new ProseSettings();
        var plain = lines.Select(l => Plain(l.Text, translation)).ToList();
        var whole = string.Join('\n', plain);
        settings.Genre = genre ?? GenreOf(whole);
        settings.Line = Has(whole, "waltz") || Has(whole, "twinkle") ? 6 : 8;
        for (var i = 0; i < lines.Count; i++)
        {
            if (!lines[i].IsEmpty)
            {
                settings.Read(lines[i].Text, plain[i], translation);
            }
        }

        return settings;
    }

    /// <summary>Whether a word begins anywhere in a text; <paramref name="whole"/> when it must end there too.</summary>
    private static bool Has(string text, string word, bool whole = false)
    {
        for (var at = text.IndexOf(word, StringComparison.OrdinalIgnoreCase); at >= 0; at = text.IndexOf(word, at + 1, StringComparison.OrdinalIgnoreCase))
        {
            var end = at + word.Length;
            if ((at == 0 || !IsWordPart(text[at - 1])) && (!whole || end == text.Length || !IsWordPart(text[end])))
            {
                return true;
            }
        }

        return false;
    }

    private static bool IsWordPart(char c) => char.IsLetterOrDigit(c) || c == '_';

    private static string GenreOf(string text) =>
        Has(text, "percussive") || Has(text, "ds", whole: true) || Has(text, "double step") ? "percussive"
        : Has(text, "circle", whole: true) && (Has(text, "hands") || Has(text, "ring", whole: true)) || Has(text, "ring,") || Has(text, "the ring", whole: true) || Has(text, "into the circle") ? "circle"
        : Has(text, "fitness") || Has(text, "marches", whole: true) || Has(text, "jumping jack") || Has(text, "knee lifts") ? "fitness"
        : "line";

    /// <summary>A row in the script's words: lower case, numbers as digits, other languages translated, marks as spaces.</summary>
    public static string Plain(string text, Translation translation)
    {
        var tokens = Lexer.Read(text);
        if (translation.Touches(tokens))
        {
            tokens = translation.Read(tokens);
        }

        var plain = string.Join(' ', tokens.Where(t => t.Kind is not (TokenKind.Mark or TokenKind.Separator or TokenKind.Open or TokenKind.Close)).Select(t => t.Text.Replace("'", "", StringComparison.Ordinal)));
        return Numbers.Replace(plain, m => (Vocabulary.Find(m.Value)?.Number ?? m.Value.ToLowerInvariant() switch { "thirtytwo" => 32, "forty" => 40, "sixty" => 60, "twenty eight" => 28, _ => 0 }).ToString(CultureInfo.InvariantCulture));
    }

    private static bool IsOfEvent(string plain) => plain.Contains("restart", StringComparison.Ordinal) || plain.Contains("tag", StringComparison.Ordinal);

    private void Read(string text, string plain, Translation translation)
    {
        var bound = 0;
        // "Tag 4 counts. Wait 16.": a tag's sentence says nothing of the beginning.
        var intro = !IsOfEvent(plain) ? Match(Wait, plain) : text.Split('.').Select(s => Plain(s, translation)).Where(s => !IsOfEvent(s)).Select(s => Match(Wait, s)).FirstOrDefault(m => m is not null);
        if (intro is not null && Intro is null)
        {
            Intro = int.Parse(intro, CultureInfo.InvariantCulture);
            bound += 2;
        }

        if (Match(Walls, plain) is { } walls)
        {
            WallCount ??= int.Parse(walls, CultureInfo.InvariantCulture);
            bound += 2;
        }
        else if (OneWall.IsMatch(plain))
        {
            WallCount ??= 1;
            bound += 2;
        }

        if (Weight is null && Match(StartWeight, plain) is { } weight)
        {
            Weight = weight[0] is 'r' or 'R' ? Core.Counts.Weight.Right : Core.Counts.Weight.Left;
            bound += 3;
        }
        else if (Weight is null && Match(StartFoot, plain) is { } foot)
        {
            Weight = foot[0] is 'r' or 'R' ? Core.Counts.Weight.Left : Core.Counts.Weight.Right;
            bound += 3;
        }

        // The total of a dance is said where its walls, level or waiting are, or by itself; a part's own counts are the part's.
        if (Counts is null && !Apart.IsMatch(plain) && Match(Total, plain) is { } total && int.Parse(total, CultureInfo.InvariantCulture) is >= 12 and var counts && total != intro)
        {
            Counts = counts;
            bound += 2;
        }

        if (Tempo is null && Match(Beats, plain) is { } beats && int.Parse(beats, CultureInfo.InvariantCulture) is >= 40 and <= 240 and var tempo)
        {
            Tempo = tempo;
            bound += 2;
        }

        if (Level is null && (bound > 0 || IsOnly(text)) && Match(Levels, plain) is { } level)
        {
            Level = level.ToLowerInvariant();
            bound += 1;
        }

        if (bound > 0)
        {
            _bound[text] = bound;
        }
    }

    private static string? Match(Regex pattern, string text)
    {
        var match = pattern.Match(text);
        return match.Success ? match.Groups.Values.Skip(1).FirstOrDefault(g => g.Success)?.Value : null;
    }

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
