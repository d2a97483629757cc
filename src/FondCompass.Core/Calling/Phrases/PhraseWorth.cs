using FondCompass.Core.Runs;

namespace FondCompass.Core.Calling.Phrases;

/// <summary>
/// What each way of saying a phrase is worth where it stands in a run (calls, section 3): what changes, what is new, and each syllable its
/// price.
/// </summary>
internal sealed class PhraseWorth(CallSettings settings, bool loops)
{
    private const double ChangeFirst = 40, ChangeLater = 12, NameFirst = 30, NameLater = 12, Detail = 4;

    /// <summary>What a name is worth the second, third and any further time where the caller says less and less.</summary>
    private static readonly double[] Fading = [12, 4, 0];

    /// <summary>The round of a loop from which its names need no saying any more.</summary>
    private const int KnownRound = 4;

    private readonly Dictionary<string, int> _names = new(StringComparer.OrdinalIgnoreCase);
    private readonly HashSet<(string, string, int)> _ways = [];
    private readonly Dictionary<(string Unit, int Offset), (string, string, string, int)> _places = [];
    private readonly HashSet<string> _units = [];
    private (string Way, int Side) _before = ("", 0);
    private int _turnBefore;
    private string _nameBefore = "", _movementsBefore = "";

    /// <summary>What is said of a phrase in its place; phrases are asked in the order in which they are danced.</summary>
    /// <param name="phrase">The phrase.</param>
    /// <param name="unit">The line it belongs to, by its name where it has one.</param>
    /// <param name="offset">Eighths of a count from where that line begins.</param>
    /// <param name="otherSide">That it is the other side is told of the whole line.</param>
    public PhraseTelling Of(CallPhrase phrase, string unit, int offset, bool otherSide)
    {
        var times = _names.GetValueOrDefault(phrase.Name);
        var isOther = _units.Contains(unit) && _places.TryGetValue((unit, offset), out var was) && was != phrase.Kind;
        // The same step to the other side is a step of its own: "vine right … vine left"; back after forward is only another way.
        var goesOn = string.Equals(_nameBefore, phrase.Name, StringComparison.OrdinalIgnoreCase)
            && (phrase.Side == 0 || phrase.Side == _before.Side)
            && phrase.TurnSide == _turnBefore
            && phrase.Movements == _movementsBefore;
        var heard = settings.Way == CallerWay.Fading ? settings.Heard.TimesOf(phrase) : 0;
        var isNewWay = _ways.Add((phrase.Name, phrase.Way, phrase.Side)) && heard == 0;
        var name = WorthOfName(phrase, times, heard, isOther, goesOn);
        var way = WorthOfWay(phrase, isNewWay && !otherSide, isOther);
        _names[phrase.Name] = times + 1;
        _places[(unit, offset)] = phrase.Kind;
        (_before, _turnBefore) = ((phrase.Way, phrase.Side), phrase.TurnSide);
        (_nameBefore, _movementsBefore) = (phrase.Name, phrase.Movements);
        return new PhraseTelling(
            name,
            way,
            phrase.TurnSide != 0 ? ChangeFirst : 0,
            settings.Way == CallerWay.Beat ? 0 : name > 0 || goesOn ? Detail : 0,
            goesOn,
            times + heard == 0,
            isOther);
    }

    private bool IsKnownRound(CallPhrase phrase) => loops && phrase.Stretch.Repeat >= KnownRound;

    private double WorthOfName(CallPhrase phrase, int times, int heard, bool isOther, bool goesOn) =>
        settings.Way == CallerWay.Beat ? 0
        : times + heard == 0 || isOther ? NameFirst
        : goesOn || IsKnownRound(phrase) ? 0
        : settings.Way == CallerWay.Fading ? Faded(Math.Max(times, heard))
        : NameLater;

    /// <summary>What a way or a side is worth that is another than before; nothing where neither changes.</summary>
    private double WorthOfWay(CallPhrase phrase, bool isNew, bool isOther)
    {
        var changes = (phrase.Way.Length > 0 && phrase.Way != _before.Way) || (phrase.Side != 0 && phrase.Side != _before.Side);
        return !changes || (IsKnownRound(phrase) && !isOther) ? 0
            : isNew || isOther ? ChangeFirst
            : ChangeLater;
    }

    /// <summary>What a name is worth to a caller who says less and less.</summary>
    /// <param name="times">How often it was called before, 1 or more.</param>
    public static double Faded(int times) => Fading[Math.Min(times, Fading.Length) - 1];

    /// <summary>A line is through: what is danced otherwise the next time is told as other.</summary>
    public void Through(string unit) => _units.Add(unit);

    /// <summary>Something stands between, so that what follows goes on from nothing.</summary>
    public void Break() => _nameBefore = "";

    /// <summary>The name of a line: the first time, and danced again later.</summary>
    public double OfLine(bool isFirst, RunStretch stretch) =>
        settings.Way == CallerWay.Beat ? 0 : isFirst ? NameFirst : loops && stretch.Repeat >= KnownRound ? 0 : NameLater;

    /// <summary>The other side of a line, the first time and later.</summary>
    public static double OfOtherSide(bool isFirst) => isFirst ? ChangeFirst : ChangeLater;
}

/// <summary>What is worth telling of one phrase.</summary>
/// <param name="GoesOn">It has the name of what is danced just before.</param>
/// <param name="IsFirst">Its name is danced for the first time.</param>
/// <param name="IsOther">Its line has been danced before, and otherwise here.</param>
internal sealed record PhraseTelling(double Name, double Way, double Turn, double Detail, bool GoesOn, bool IsFirst, bool IsOther)
{
    /// <summary>What a name loses where not all of their words are said.</summary>
    private const double Fewer = 4;

    public double Of(CallWording wording) =>
        (wording.Tells.HasFlag(Tells.Name) ? Name : 0)
            + (wording.Tells.HasFlag(Tells.Way) ? Way : 0)
            + (wording.Tells.HasFlag(Tells.Turn) ? Turn : 0)
        + (wording.Tells.HasFlag(Tells.Detail) ? Detail : 0)
        + (wording.Tells.HasFlag(Tells.Number) ? Detail : 0)
        - (wording.Tells.HasFlag(Tells.InBrief) ? Fewer : 0)
        - wording.Syllables;
}
