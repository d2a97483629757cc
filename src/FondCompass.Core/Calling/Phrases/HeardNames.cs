namespace FondCompass.Core.Calling.Phrases;

/// <summary>
/// How often a class has been called each name in its place of the dance in a lesson: once for each block that calls it there, however
/// often the block
/// repeats it. A vine they know is still new to them in a line where it has not been.
/// </summary>
public sealed class HeardNames
{
    public static readonly HeardNames None = new([]);

    private readonly Dictionary<(string Part, int Line, string Name), int> _times;

    private HeardNames(Dictionary<(string, int, string), int> times) => _times = times;

    /// <summary>Blocks that have called a phrase by its name in its line, 0 or more.</summary>
    public int TimesOf(CallPhrase phrase) => _times.GetValueOrDefault(Place(phrase));

    /// <summary>The same behind one more block.</summary>
    /// <param name="phrases">What it calls; what comes twice in a line counts once.</param>
    public HeardNames After(IEnumerable<CallPhrase> phrases)
    {
        var times = new Dictionary<(string, int, string), int>(_times);
        foreach (var place in phrases.Select(Place).Distinct())
        {
            times[place] = times.GetValueOrDefault(place) + 1;
        }

        return new HeardNames(times);
    }

    private static (string, int, string) Place(CallPhrase phrase) => (phrase.Stretch.Part, phrase.Line, phrase.Name);
}
