using System.Collections.Frozen;

namespace FondCompass.Core.Lexicon;

/// <summary>The words around a verb or a step's name, and how a wording is cut into them.</summary>
internal static class PhraseWords
{
    public static readonly FrozenDictionary<string, Direction> Directions = new Dictionary<string, Direction>
    {
        ["forward"] = Direction.Forward,
        ["forwards"] = Direction.Forward,
        ["fwd"] = Direction.Forward,
        ["fw"] = Direction.Forward,
        ["ahead"] = Direction.Forward,
        ["front"] = Direction.Forward,
        ["back"] = Direction.Back,
        ["backward"] = Direction.Back,
        ["backwards"] = Direction.Back,
        ["bk"] = Direction.Back,
        ["side"] = Direction.Side,
        ["sideways"] = Direction.Side,
        ["apart"] = Direction.Side,
        ["across"] = Direction.Across,
        ["over"] = Direction.Across,
        ["crossed"] = Direction.Across,
        ["crossing"] = Direction.Across,
        ["behind"] = Direction.Behind,
        ["beside"] = Direction.Beside,
        ["together"] = Direction.Beside,
        ["tog"] = Direction.Beside,
        ["next"] = Direction.Beside,
        ["home"] = Direction.Beside,
        ["in"] = Direction.In,
        ["inward"] = Direction.In,
        ["inwards"] = Direction.In,
        ["out"] = Direction.Out,
        ["outward"] = Direction.Out,
        ["outwards"] = Direction.Out,
        ["round"] = Direction.WithSun,
        ["sunwise"] = Direction.WithSun,
    }.ToFrozenDictionary();

    public static readonly FrozenSet<string> Diagonals = new[] { "diagonal", "diagonally", "diag", "corner" }.ToFrozenSet();

    public static readonly FrozenSet<string> Fillers = new[]
    {
        "to", "the", "your", "a", "an", "on", "with", "foot", "feet", "of", "turn", "turning", "turned", "at", "then", "ball", "toes",
        "heels", "toe", "heel", "hips", "hip", "up", "down", "wall", "spot", "weight", "by", "make", "making", "slightly", "as",
        "you", "go", "from", "it", "and", "from", "sun", "low", "high", "knee", "knees",
    }.ToFrozenSet();

    /// <summary>Cuts a wording into lower-case words; hyphens part words, a fraction sign stands alone.</summary>
    public static List<string> Split(string wording)
    {
        var words = new List<string>();
        var start = -1;
        for (var i = 0; i <= wording.Length; i++)
        {
            var c = i < wording.Length ? wording[i] : ' ';
            var isFraction = c is '¼' or '½' or '¾' or '⅛' or '⅜' or '⅝' or '⅞';
            var isBreak = char.IsWhiteSpace(c) || c is '-' or ';' or '(' or ')' or '"' or '“' or '”' || isFraction;
            if (!isBreak)
            {
                start = start < 0 ? i : start;
                continue;
            }

            if (start >= 0)
            {
                var word = wording[start..i].TrimEnd('.', '!', '?', ':', '\'').ToLowerInvariant();
                if (word.Length > 0)
                {
                    words.Add(word);
                }

                start = -1;
            }

            if (isFraction)
            {
                words.Add(c.ToString());
            }
        }

        return words;
    }

    /// <summary>+1 right, −1 left, 0 neither.</summary>
    public static int Side(string word) => word switch
    {
        "right" or "r" or "clockwise" => 1,
        "left" or "l" or "anticlockwise" or "counterclockwise" => -1,
        _ => 0,
    };

    public static bool IsFraction(string word) =>
        word.Contains('/') || word is "¼" or "½" or "¾" or "⅛" or "⅜" or "⅝" or "⅞" or "quarter" or "half" or "full" or "eighth"
            or "quarters" or "eighths" or "three";
}
