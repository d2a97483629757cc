namespace FondCompass.Core.Tests;

/// <summary>Small dances that several tests need.</summary>
internal static class Dances
{
    /// <summary>Thirty-two counts that end as they begin, facing 9:00.</summary>
    public const string Stroll = """
        title Slack Tide Stroll
        part A
        1-4 vine R
        5-8 vine L
        1-4 vine R
        5-8 vine L
        1-4 vine R
        5-8 vine L
        1-4 vine R
        5-7 vine L with 1/4 left
        8 touch R beside
        """;

    /// <summary>A pattern of so many counts of stepping touches, feet back as they were after every second count pair.</summary>
    public static string Touches(int counts)
    {
        var rows = new List<string> { "part A" };
        for (var count = 0; count < counts; count += 2)
        {
            var foot = count / 2 % 2 == 0 ? "R" : "L";
            var other = foot == "R" ? "L" : "R";
            rows.Add($"{(count % 8) + 1} step {foot} side");
            rows.Add($"{(count % 8) + 2} touch {other} beside");
        }

        return string.Join('\n', rows);
    }
}
