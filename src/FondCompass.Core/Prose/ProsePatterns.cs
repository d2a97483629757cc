using System.Text.RegularExpressions;

namespace FondCompass.Core.Prose;

/// <summary>
/// Turns of phrase of people who write about a dance. None runs away on any text, and each is made once: the runtime keeps only a few that
/// are written where they are used.
/// </summary>
internal static class ProsePatterns
{
    private const RegexOptions Safe = RegexOptions.NonBacktracking | RegexOptions.IgnoreCase | RegexOptions.CultureInvariant;

    public static readonly Regex NameParts = new(@"\s+[-–—/·]\s+|\s*[|(),:\t]\s*", Safe);
    public static readonly Regex Amounts = new(@"\s(\d{1,3}\s*(?:counts?|cts?|walls?|w)\b)", Safe);
    public static readonly Regex Unfinished = new(@"\s+(?:and|so|which|that|is|it's|for|with)$", Safe);
    public static readonly Regex Maker = new(@"^(?:choreographed|choreo|choreography|created|made|written|devised|danced and written)(?: and [a-z]+)? by:? (.+)$", Safe);
    public static readonly Regex Lasting = new(@"\b(?:for|x) ?\d{1,2}\b|\b\d{1,2} (?:counts?|cts?|beats|times)\b|\b(?:twice|both ways)\b", Safe);
    public static readonly Regex OrderRow = new(@"^(?:(?:so |and )?(?:the )?(?:sequence|order|phrasing|running order|dance order)(?: is| goes)?|it goes|orden|secuencia|reihenfolge|ablauf|순서|порядок)\s*:?\s+(.+)$", Safe);
    public static readonly Regex RestartRow = new(@"\brestart\b.{0,60}?\b(?:wall|repeat|round|time)\s*(\d{1,2})\b.{0,40}?\bafter\s*(?:count\s*)?(\d{1,3})\b|\brestart\b.{0,40}?\bafter\s*(?:count\s*)?(\d{1,3})\b.{0,60}?\b(?:wall|repeat|round)\s*(\d{1,2})\b|\b(?:wall|round|repeat) (\d{1,2})\b.{0,50}?\b(?:restart|start again)\b.{0,40}?\bafter\s*(?:count\s*)?(\d{1,3})", Safe);
    public static readonly Regex TagAfterWall = new(@"\b(?:end of|after|following)(?: the)? (?:walls?|repeats?|rounds?)\s*(\d{1,2})(?:(?:,| and| &|, and)\s*(?:walls? )?(\d{1,2}))?", Safe);
    public static readonly Regex NoEvent = new(@"\bno (?:tags?|restarts?)\b", Safe);
    public static readonly Regex Key = new(@"^([a-z][a-z ]{1,22}?)\s*[:=]\s*(.+)$", Safe);
    public static readonly Regex CountsBehind = new(@"[(\[](?:counts?\s*)?(\d{1,2}(?:\s*[-–]\s*\d{1,2}|[&ea]\d{0,2})*)\s*(?:counts?|beats?)?[)\]]\s*[.,;:]?", Safe);
    public static readonly Regex LengthBehind = new(@"[,(]?\s*\b(?:for\s+)?(\d{1,2}|two|three|four|six|eight|twelve|sixteen)\s+counts?\)?[.\s]*$|\((\d{1,2})\)\s*\.?$|\bfor (\d{1,2}|four|eight)\.?$", Safe);
    public static readonly Regex Clock = new(@"^\d{1,2}[:.]\d\d\b", Safe);
    public static readonly Regex Sized = new(@"^\d{1,3} (?:counts?|cts?|beats|walls?)\b", Safe);
    public static readonly Regex Correction = new(@"^(?:no|sorry|no sorry|i mean|wait no|no wait|or rather|no no)$", Safe);
    public static readonly Regex Detail = new(@",?\s+so\s+(?:it's |its |that's |that is |you |we |go )*", Safe);
    public static readonly Regex OnCount = new(@"\s+(?:on|on count|on counts|that's|thats|on the count of)\s+(one|two|three|four|five|six|seven|eight)(\s*(?:,|\.|$| and ))", Safe);
    public static readonly Regex Title = new(@"\b(?:called|named|tonight it's the|steps of|this is the|this is|dance is)\s+[\x22“']?((?:[A-Z][\w'’]*)(?:\s+(?:of|the|and|[A-Z][\w'’-]*)){0,5})", RegexOptions.NonBacktracking | RegexOptions.CultureInvariant);
    public static readonly Regex AsYouTurn = new(@",?\s*(?:and\s+|but\s+)?as (?:you|they|we) [^,.]{0,60}?\bturn(?:ing)?\s+([^,.]+)", Safe);
    public static readonly Regex Definition = new(@"^([\p{L}][\p{L}' -]{0,24}?)\s*(?:=|\bis\b)\s*(.+)$", Safe);
    public static readonly Regex OnAnd = new(@"\s+and\s+(hold |\w+ (?:beside|on) )", Safe);
    public static readonly Regex Called = new(@"^(.*?)(?:\b(?:on|for|that's|thats|that is|is)\s+)?((?:\b(?:one|two|three|four|five|six|seven|eight)\b\s*)+)$", Safe);
    public static readonly Regex NumberedSection = new(@"^\W*(?:okay |so |and |then |the )*(?:first|second|third|fourth|fifth|sixth|last|next|final) (?:eight|section|part)", Safe);
    public static readonly Regex SettingWord = new(@"\b(?:wait|intro|walls?|weight|counts)\b", Safe);
    public static readonly Regex FromTheTop = new(@"\b(?:top|begin|begins|start|starts|beginning|wall|music|dance|loop|enjoy|day)\b", Safe);
    public static readonly Regex OtherOrSame = new(@"\bother|same\b", Safe);
    public static readonly Regex ThoseLines = new(@"\b(?:those|these|the last|both) ?(\d)? ?(?:lines|rows|eights|parts|bits)\b", Safe);
    public static readonly Regex AllOfIt = new(@"\b(?:all of|all that|the whole|everything|whole lot)\b", Safe);
    public static readonly Regex OtherWay = new(@"\bother|opposite|mirror", Safe);
    public static readonly Regex SameFoot = new(@"\bsame foot\b", Safe);
    public static readonly Regex SideWord = new(@"\b(left|right)\b", Safe);
    public static readonly Regex CapitalFirst = new(@"^[A-Z]\b", RegexOptions.NonBacktracking | RegexOptions.CultureInvariant);
    public static readonly Regex NameOrNumber = new(@"[\p{L}]+|\d+", RegexOptions.NonBacktracking | RegexOptions.CultureInvariant);
    public static readonly Regex CountedSteps = new(@"^\s*(?:x|walks|steps|marches|step touches|shuffles|basics|kicks|knee|counts?|walls?|times)\b", Safe);
    public static readonly Regex TwoParts = new(@"part\s+\w+\W.*\bpart\s+\w+", Safe);
}
