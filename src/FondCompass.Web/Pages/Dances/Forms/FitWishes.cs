using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Pages.Dances;

/// <summary>What the instructor allows of the fit.</summary>
public sealed record FitWishes
{
    public bool NoRestarts { get; init; }

    public bool NoTags { get; init; }

    public bool KeepOrder { get; init; }

    public bool WholeLines { get; init; }

    public int? MostTags { get; init; }

    public FitConstraints Constraints => new(NoRestarts, NoTags, WholeLines, MostTags is >= 0 and <= 9 ? MostTags : null, KeepOrder);
}

/// <summary>What holds for one track alone, in words.</summary>
public static class FitChangeWords
{
    /// <summary>One change, as the script rows that say it, in words.</summary>
    public static string Of(string block)
    {
        var rows = block.Split('\n');
        var words = rows[0].Split(' ');
        return words switch
        {
            ["after", var repeat, ..] when rows.Length > 2 && rows[2].Split(' ')[0].Split('-') is [_, var last] =>
                DancePageTexts.WishTag(last, repeat),
            ["drop", var call] => DancePageTexts.WishCallLeftOut(call),
            ["repeat", var call, "again"] => DancePageTexts.WishCallTwice(call),
            ["repeat", var repeat, .. var version] => DancePageTexts.WishRepeatIn(repeat, string.Join(' ', version)),
            ["move", var call, "after", "0"] => DancePageTexts.WishCallFirst(call),
            ["move", var call, .. var to] => DancePageTexts.WishCallMoved(call, string.Join(' ', to)),
            ["order", ..] => DancePageTexts.WishRoundAndRound,
            ["finish", "pose", .. var turn] =>
                turn.Length > 0 ? DancePageTexts.WishPoseTurned(string.Join(' ', turn)) : DancePageTexts.WishPose,
            ["finish", var count, .. var turn] => DancePageTexts.WishLastTime(count, string.Join(' ', turn)),
            _ => rows[0],
        };
    }
}
