namespace FondCompass.Core;

/// <summary>The switches of the mutated core: one change at most is on.</summary>
internal static class Switches
{
    /// <summary>The number of the change that is on; -1 for none.</summary>
    public static volatile int Active = int.TryParse(Environment.GetEnvironmentVariable("FOND_MUTANT"), out var id) ? id : -1;

    /// <summary>Which switches were asked since it was set; null while nobody wants to know.</summary>
    public static bool[]? Asked;

    public static bool On(int id)
    {
        if (Asked is { } asked)
        {
            asked[id] = true;
        }

        return id == Active;
    }
}
