using System.Text.RegularExpressions;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Calling;

/// <summary>What a way of saying a phrase tells of it; each is worth something (calls, section 3).</summary>
[Flags]
public enum Tells
{
    None = 0,
    Name = 1,
    Way = 2,
    Turn = 4,

    /// <summary>More than the name: how many, how far it turns.</summary>
    Detail = 8,

    /// <summary>The name in fewer words than theirs.</summary>
    InBrief = 16,
}

/// <summary>Words for one phrase.</summary>
/// <param name="Side">The side that is told as a way or a turn: +1 right, −1 left, 0 none.</param>
public sealed record CallWording(string Words, Tells Tells, int Side)
{
    public int Syllables { get; } = Speech.Syllables(Words);
}

/// <summary>The ways of saying a phrase, from its name with all that belongs to it down to its turn or way alone; never a foot (calls, section 1).</summary>
public static partial class CallWords
{
    private static readonly string[] Numbers = ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "thirteen", "fourteen", "fifteen", "sixteen"];

    /// <param name="phrase">The phrase.</param>
    /// <param name="goesOn">It has the name of what is danced just before it.</param>
    /// <param name="otherWay">It goes another way than what is danced just before it.</param>
    public static IReadOnlyList<CallWording> Of(CallPhrase phrase, bool goesOn, bool otherWay = false)
    {
        var options = new List<CallWording>();
        var way = string.Join(' ', new[] { phrase.Way, SideWords(phrase) }.Where(w => w.Length > 0));
        var turn = phrase.TurnSide == 0 ? "" : Spoken(phrase.Turn);
        var wayTells = way.Length > 0 ? Tells.Way : Tells.None;
        if (phrase.Detail.Length > 0 && phrase.Detail != phrase.Name && turn.Length == 0)
        {
            Add(options, phrase.Times > 1 ? Several(phrase.Detail, phrase.Times, goesOn) : phrase.Detail, Tells.Name | Tells.Detail | wayTells, phrase.Side);
            Add(options, phrase.Detail, Tells.Name | Tells.Detail | wayTells, phrase.Side);
        }
        else if (phrase.Place.Length > 0 && turn.Length == 0)
        {
            Add(options, $"{phrase.Name} {phrase.Place}", Tells.Name | Tells.Detail, 0);
        }

        foreach (var (name, told) in new[] { (phrase.Name, Tells.Name), (phrase.ShortName, Tells.Name | Tells.InBrief) }.DistinctBy(n => n.Item1))
        {
            if (phrase is { Times: > 1, Movements.Length: 0 } && !(goesOn && otherWay))
            {
                AddNamed(options, phrase, Several(name, phrase.Times, goesOn), way, told | Tells.Detail);
            }

            AddNamed(options, phrase, name, way, told);
        }

        if (turn.Length > 0)
        {
            Add(options, turn, Tells.Turn, phrase.TurnSide);
        }
        else if (way.Length > 0)
        {
            Add(options, phrase.Way.Length > 0 ? way : $"to the {way}", Tells.Way, phrase.Side);
        }

        return options;
    }

    /// <summary>A name with all that belongs to it, then with less. A turn that is not the step's usual one is told with its amount: a quarter is no half.</summary>
    private static void AddNamed(List<CallWording> options, CallPhrase phrase, string named, string way, Tells told)
    {
        var wayTells = way.Length > 0 ? Tells.Way : Tells.None;
        if (phrase.TurnSide != 0)
        {
            var turn = phrase.TurnsAsUsual ? SideOf(phrase.TurnSide) : Spoken(phrase.Turn);
            Add(options, $"{named} {way}{(way.Length > 0 ? "," : "")} {turn}", told | wayTells | Tells.Turn, phrase.TurnSide);
            Add(options, $"{named} {turn}", told | Tells.Turn, phrase.TurnSide);
        }

        Add(options, $"{named} {way}", told | wayTells, phrase.Side);

        // A step that goes to a side says which.
        if (phrase.Side == 0)
        {
            Add(options, named, told, 0);
        }
    }

    private static void Add(List<CallWording> options, string words, Tells tells, int side)
    {
        var said = Tidy().Replace(words, m => m.Value.Contains(',', StringComparison.Ordinal) ? ", " : " ").Trim(' ', ',');
        if (said.Length > 0 && !options.Exists(o => o.Words == said))
        {
            options.Add(new CallWording(said, tells, side));
        }
    }

    /// <summary>The side it goes to, where its name does not say it.</summary>
    private static string SideWords(CallPhrase phrase)
    {
        if (phrase.Side == 0)
        {
            return "";
        }

        var side = SideOf(phrase.Side);
        return phrase.Name.Split(' ').Contains(side, StringComparer.OrdinalIgnoreCase) ? "" : side;
    }

    public static string SideOf(int side) => side > 0 ? "right" : "left";

    /// <summary>"Eight walks", "four more", "kick ball change, four of them": in the plural where that is plain English, else the number behind.</summary>
    private static string Several(string name, int times, bool goesOn)
    {
        var number = times < Numbers.Length ? Numbers[times] : $"{times}";
        return goesOn ? $"{number} more"
            : name.Split(' ').Length > 2 || name.Contains(',', StringComparison.Ordinal) ? $"{name}, {number} of them"
            : name.All(c => char.IsAsciiLetter(c) || c == ' ') ? $"{number} {PhraseText.Plural(name)}"
            : $"{name}, {times}";
    }

    /// <summary>As it is said aloud: "pivot 1/4 left" is "pivot quarter left".</summary>
    public static string Spoken(string words) => Amount().Replace(words, m => (m.Groups["whole"].Value, m.Groups["part"].Value) switch
    {
        ("", var part) => Part(part),
        (var whole, var part) => $"{(int.TryParse(whole, out var n) && n < Numbers.Length ? Numbers[n] : whole)} and {(part is "1/8" ? "an eighth" : part is "1/4" or "1/2" ? $"a {Part(part)}" : Part(part))}",
    });

    private static string Part(string part) => part switch
    {
        "1/8" => "an eighth",
        "1/4" => "quarter",
        "3/8" => "three eighths",
        "1/2" => "half",
        "5/8" => "five eighths",
        "3/4" => "three quarters",
        "7/8" => "seven eighths",
        _ => part,
    };

    [GeneratedRegex(@"\b((?<whole>[1-9]) )?(?<part>[1-7]/[248])\b", RegexOptions.NonBacktracking)]
    private static partial Regex Amount();

    [GeneratedRegex(@"[\s,]{2,}|\s,", RegexOptions.NonBacktracking)]
    private static partial Regex Tidy();
}
