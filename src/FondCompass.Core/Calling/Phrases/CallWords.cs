using System.Text.RegularExpressions;

namespace FondCompass.Core.Calling.Phrases;

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

    /// <summary>The foot that begins, before the name.</summary>
    Foot = 32,

    /// <summary>How often a list of movements is danced, besides what they are.</summary>
    Number = 64,
}

/// <summary>Words for one phrase.</summary>
/// <param name="Side">The side that is told as a way or a turn: +1 right, −1 left, 0 none.</param>
public sealed record CallWording(string Words, Tells Tells, int Side)
{
    public int Syllables { get; } = Speech.Syllables(Words);
}

/// <summary>
/// The ways of saying a phrase, from its name with all that belongs to it down to its turn or way alone; never a foot (calls, section 1).
/// </summary>
public sealed partial class CallWords(CallTongue tongue)
{
    /// <param name="phrase">The phrase.</param>
    /// <param name="goesOn">It has the name of what is danced just before it.</param>
    /// <param name="otherWay">It goes another way than what is danced just before it.</param>
    public IReadOnlyList<CallWording> Of(CallPhrase phrase, bool goesOn, bool otherWay = false)
    {
        var options = new List<CallWording>();
        var way = string.Join(' ', new[] { phrase.Way, SideWords(phrase) }.Where(w => w.Length > 0));
        var turn = phrase.TurnSide == 0 ? "" : tongue.TurnOf(phrase.Turn);
        var wayTells = way.Length > 0 ? Tells.Way : Tells.None;
        if (phrase.Detail.Length > 0 && phrase.Detail != phrase.Name && turn.Length == 0)
        {
            if (phrase.Times > 1)
            {
                Add(options, Several(phrase, phrase.Detail, goesOn), Tells.Name | Tells.Detail | Tells.Number | wayTells, phrase.Side);
            }

            Add(options, phrase.Detail, Tells.Name | Tells.Detail | wayTells, phrase.Side);
        }
        else if (phrase.Place.Length > 0 && turn.Length == 0)
        {
            Add(options, $"{phrase.Name} {phrase.Place}", Tells.Name | Tells.Detail, 0);
        }

        foreach (var (name, told) in new[]
        {
            (phrase.Name, Tells.Name),
            (phrase.ShortName, Tells.Name | Tells.InBrief)
        }.DistinctBy(n => n.Item1))
        {
            if (phrase.Times > 1 && (phrase.Movements.Length == 0 || turn.Length > 0) && !(goesOn && otherWay))
            {
                AddNamed(options, phrase, Several(phrase, name, goesOn), way, told | Tells.Detail);
            }

            AddNamed(options, phrase, name, way, told);
        }

        if (turn.Length > 0)
        {
            Add(options, turn, Tells.Turn, phrase.TurnSide);
        }
        else if (way.Length > 0)
        {
            Add(
                options,
                phrase.Way.Length > 0 ? way : phrase.Round != 0 ? way : CallTongue.Say(tongue.ToSide, way),
                Tells.Way,
                phrase.Side);
        }

        return options;
    }

    /// <summary>
    /// A name with all that belongs to it, then with less. A turn that is not the step's usual one is told with its amount: a quarter is no
    /// half.
    /// </summary>
    private void AddNamed(List<CallWording> options, CallPhrase phrase, string named, string way, Tells told)
    {
        var wayTells = way.Length > 0 ? Tells.Way : Tells.None;
        if (phrase.TurnSide != 0)
        {
            // "Full turn forward" says already how far.
            var turn = phrase.TurnsAsUsual || tongue.SaysAmount(named, phrase.Turn)
                ? tongue.Side(phrase.TurnSide)
                : tongue.TurnOf(phrase.Turn);
            Add(options, $"{Going(phrase, named, way)}{(way.Length > 0 ? "," : "")} {turn}", told | wayTells | Tells.Turn, phrase.TurnSide);
            Add(options, $"{named} {turn}", told | Tells.Turn, phrase.TurnSide);
        }

        Add(options, Going(phrase, named, way), told | wayTells, phrase.Side);

        // A step that goes to a side says which.
        if (phrase.Side == 0)
        {
            Add(options, named, told, 0);
        }
    }

    private static string Going(CallPhrase phrase, string named, string way) => phrase.WayFirst ? $"{way} {named}" : $"{named} {way}";

    private static void Add(List<CallWording> options, string words, Tells tells, int side)
    {
        var said = Tidy().Replace(words, m => m.Value.Contains(',', StringComparison.Ordinal) ? ", " : " ").Trim(' ', ',');
        if (said.Length > 0 && !options.Exists(o => o.Words == said))
        {
            options.Add(new CallWording(said, tells, side));
        }
    }

    /// <summary>The side it goes to, where its name does not say it.</summary>
    private string SideWords(CallPhrase phrase)
    {
        if (phrase.Side == 0)
        {
            return "";
        }

        var side = tongue.Way(phrase.Side, phrase.Round);
        return phrase.Name.Split(' ').Contains(side, StringComparer.OrdinalIgnoreCase) ? "" : side;
    }

    /// <summary>"Eight walks", "four more".</summary>
    private string Several(CallPhrase phrase, string name, bool goesOn) =>
        goesOn ? CallTongue.Say(tongue.More, tongue.Number(phrase.Times)) : tongue.SeveralOf(name, phrase.Times, isName: !phrase.IsBody);

    /// <summary>As own words are said aloud: "pivot 1/4 left" is "pivot quarter left".</summary>
    public string Spoken(string words) => Amount().Replace(words, m =>
    {
        var (number, of) = (m.Groups["part"].ValueSpan[0] - '0', m.Groups["part"].ValueSpan[2] - '0');
        var part = number * Measures.Eighths.Full / of;
        return part is < 1 or >= Measures.Eighths.Full ? m.Value
            : m.Groups["whole"].Length == 0 ? tongue.Eighths[part - 1]
            : CallTongue.Say(tongue.AndPart, tongue.Number(m.Groups["whole"].ValueSpan[0] - '0'), tongue.EighthsBehind[part - 1]);
    });

    [GeneratedRegex(@"\b((?<whole>[1-9]) )?(?<part>[1-7]/[248])\b", RegexOptions.NonBacktracking)]
    private static partial Regex Amount();

    [GeneratedRegex(@"[\s,]{2,}|\s,", RegexOptions.NonBacktracking)]
    private static partial Regex Tidy();
}
