using FondCompass.Core.Measures;
using FondCompass.Core.Runs;

namespace FondCompass.Core.Calling.Phrases;

/// <summary>
/// What one call is for (calls, section 1): a named or own step, a run of equal steps, or the loose movements between these.
/// </summary>
public sealed record CallPhrase
{
    public required RunStretch Stretch { get; init; }

    /// <summary>All its actions, in order of time.</summary>
    public required IReadOnlyList<RunAction> Actions { get; init; }

    /// <summary>What it is called in the instructor's words, without feet, turn and side: "grapevine", "walk".</summary>
    public required string Name { get; init; }

    /// <summary>Fewer of the same words; the name itself where there are none.</summary>
    public required string ShortName { get; init; }

    /// <summary>Where it goes where that was said and is no part of the name: "forward"; else empty.</summary>
    public string Way { get; init; } = "";

    /// <summary>Where the foot is put where nobody goes there: "beside", "in place"; else empty.</summary>
    public string Place { get; init; } = "";

    /// <summary>The side it goes to: +1 right, −1 left, 0 to none.</summary>
    public int Side { get; init; }

    /// <summary>The way is said before the name, as the instructor's language has it.</summary>
    public bool WayFirst { get; init; }

    /// <summary>In a ring, whether that side is round it with the sun (+1) or against it (−1); 0 where there is none.</summary>
    public int Round { get; init; }

    /// <summary>Eighths that are told, to the right positive: of several equal turns one, of a turn spread over steps all of it.</summary>
    public int Turn { get; init; }

    /// <summary>The side it turns to: +1 right, −1 left, 0 when it does not turn, or to both.</summary>
    public int TurnSide { get; init; }

    /// <summary>The turn is what the step is known by, so that its amount says nothing more: a half of a pivot.</summary>
    public bool TurnsAsUsual { get; init; }

    /// <summary>What arms, hips or the body do by themselves, in words that are no name.</summary>
    public bool IsBody { get; init; }

    /// <summary>Equal steps in a row.</summary>
    public int Times { get; init; } = 1;

    /// <summary>What is done, in order, of loose movements: "side left, behind"; else empty.</summary>
    public string Detail { get; init; } = "";

    /// <summary>The same without sides; by it two pairs of movements are known to be equal.</summary>
    public string Movements { get; init; } = "";

    /// <summary>The step and its foot as a sheet shows them: "grapevine R".</summary>
    public required string Step { get; init; }

    /// <summary>Its first movement's line, from 1.</summary>
    public int Line => Actions[0].Line;

    /// <summary>The beat of its first movement: "5&amp;".</summary>
    public string Count => Actions[0].Count;

    /// <summary>Song count of its first movement, a pick-up included.</summary>
    public SongCount From => Actions[0].SongCount;

    /// <summary>Song count at which it is over, half-open.</summary>
    public required SongCount To { get; init; }

    /// <summary>The foot that begins; empty where no single foot does.</summary>
    public string Foot => Actions[0].Wording is { } wording && wording.Lead.IsSingle() ? wording.Lead.Word() : "";

    /// <summary>Eighths that it turns in all, to the right positive.</summary>
    public required int Turned { get; init; }

    /// <summary>By this two phrases are equal steps: the name, where it goes or is put, and the size of the turn, whichever side.</summary>
    public (string Name, string Way, string Place, int Turn) Kind => (Name, Way, Place, Math.Abs(Turned));

    /// <summary>All that its words are made of.</summary>
    internal (string Name,
        string Short,
        string Way,
        int Turn,
        string Detail,
        int Side,
        int TurnSide,
        int Times,
        bool AsUsual,
        bool IsBody,
        int Round) Said =>
        (Name, ShortName, Way, Turn, Detail + Place, Side, TurnSide, Times, TurnsAsUsual, IsBody, Round);
}
