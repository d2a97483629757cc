using FondCompass.Core.Runs;
using FondCompass.Core.Told;

namespace FondCompass.Core.Calling;

/// <summary>What is done on top of the feet, as far as it is danced in a run: each in its own words, once (calls, sections 4 and 5).</summary>
internal sealed class LayerCalls(CallSettings settings)
{
    /// <summary>Less than a name that is new: the feet come first.</summary>
    private const double First = 12;

    private readonly HashSet<string> _told = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>Whether a note is no layer, or one that is danced.</summary>
    public static bool IsDanced(RunNote note, CallSettings settings) =>
        !Enum.TryParse<LayerKind>(note.Kind, ignoreCase: true, out var kind) || (!settings.FeetOnly.Contains(note.Part) && settings.Layers?.Contains(kind) != false);

    /// <summary>The layers of a stretch that are still to be told, each with what it is worth; those that come again say nothing.</summary>
    /// <param name="notes">All that hangs on the stretch.</param>
    public IEnumerable<(RunNote Layer, double Worth)> Of(IReadOnlyList<RunNote> notes)
    {
        if (settings.Rule != CallRule.All || settings.Way == CallerWay.Beat)
        {
            yield break;
        }

        foreach (var note in notes.Where(n => Enum.TryParse<LayerKind>(n.Kind, ignoreCase: true, out _) && IsDanced(n, settings)).OrderBy(n => n.SongCount))
        {
            if (_told.Add(note.Text))
            {
                yield return (note, First - Speech.Syllables(note.Text));
            }
        }
    }
}
