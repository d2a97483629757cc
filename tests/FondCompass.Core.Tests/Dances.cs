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

    /// <summary>The dances that ship with the demo, by file name.</summary>
    public static IReadOnlyDictionary<string, string> Demo { get; } = Directory
        .EnumerateFiles(Path.Combine(Root(), "src", "FondCompass.Data", "Demo", "Dances"), "*.dance")
        .ToDictionary(f => Path.GetFileNameWithoutExtension(f), File.ReadAllText);

    /// <summary>Everything that is danced, one row for each action, to compare two readings by.</summary>
    public static string Danced(string script) =>
        string.Join('\n', Analysis.Analyse(script).Trace.Parts.SelectMany(p => p.Actions).Select(a =>
        $"{a.Action.Line} {a.At.Value} {a.Action.Step} {a.Action.Verb.Name} {a.Foot} {a.Turn} {a.Direction} {a.After.Weight} "
            + $"{a.After.Facing} {string.Join('+', a.Action.Layers)}"));

    internal static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "start")))
        {
            folder = folder.Parent ?? throw new InvalidOperationException("The tests run from within the repository.");
        }

        return folder.FullName;
    }

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
