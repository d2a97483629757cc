using FondCompass.Data.Dances;
using FondCompass.Data.Records;

namespace FondCompass.Data.Demo;

/// <summary>Two dances that a new studio begins with, to look at and to change; thrown away at once when they are not wanted.</summary>
public static class Examples
{
    /// <summary>The remark at the end of an example, by which it is known while nobody has changed it.</summary>
    public const string Remark = "# An example, to look at and to change.";

    private static readonly string[] Names = ["slack-tide-stroll", "low-water-waltz"];

    public static async Task AddTo(DanceShelf shelf, CancellationToken cancel = default)
    {
        foreach (var (_, script) in DemoWorld.Scripts().Where(s => Names.Contains(s.Name)))
        {
            await shelf.Add($"{script.TrimEnd()}\n\n{Remark}\n", cancel);
        }
    }

    /// <summary>Whether it is an example as it was given: one that was changed is the instructor's own.</summary>
    public static bool IsOne(DanceRecord dance) => dance.Version <= 1 && dance.Script.Contains(Remark, StringComparison.Ordinal);
}
