using FondCompass.Core.Runs.Fitting;

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
                $"a tag of {last} counts after repeat {repeat}",
            ["drop", var call] => $"call {call} left out",
            ["repeat", var call, "again"] => $"call {call} twice",
            ["repeat", var repeat, .. var version] => $"repeat {repeat}: {string.Join(' ', version)}",
            ["move", var call, "after", "0"] => $"call {call} first",
            ["move", var call, .. var to] => $"call {call} {string.Join(' ', to)}",
            ["order", ..] => "the order round and round",
            ["finish", "pose", .. var turn] => $"a pose at the end{(turn.Length > 0 ? $", {string.Join(' ', turn)}" : "")}",
            ["finish", var count, .. var turn] => $"the last time, count {count}: {string.Join(' ', turn)}",
            _ => rows[0],
        };
    }
}
