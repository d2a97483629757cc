using FondCompass.Core.Runs;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Calling.Phrases;

/// <summary>
/// What is done on top of the feet, as far as it is danced in a run: each in its own words, once (calls, sections 4 and 5).
/// </summary>
internal sealed class LayerCalls(CallSettings settings)
{
    /// <summary>Less than a name that is new: the feet come first.</summary>
    private const double First = 12;


    /// <summary>Whether a note is no layer, or one that is danced.</summary>
    public static bool IsDanced(RunNote note, CallSettings settings) =>
        !Enum.TryParse<LayerKind>(note.Kind, ignoreCase: true, out var kind)
            || (!settings.FeetOnly.Contains(note.Part) && settings.Layers?.Contains(kind) != false);

    /// <summary>
    /// The layers of a stretch, each with what it is worth to be told; of those that come again one is said (<see cref="SaidOnce"/>).
    /// </summary>
    /// <param name="notes">All that hangs on the stretch.</param>
    public IEnumerable<(RunNote Layer, double Worth)> Of(IReadOnlyList<RunNote> notes)
    {
        if (settings.Rule != CallRule.All || settings.Way == CallerWay.Beat)
        {
            yield break;
        }

        foreach (var note in notes.Where(n => Enum.TryParse<LayerKind>(n.Kind, ignoreCase: true, out _) && IsDanced(n, settings))
            .OrderBy(n => n.SongCount))
        {
            yield return (note, First - Speech.Syllables(note.Text));
        }
    }

    /// <summary>Times that a layer is put off at the most.</summary>
    private const int MostPutOff = 3;

    /// <summary>
    /// The timetable in which each layer is said once: the first time it is danced, or where that leaves no room the first time there is
    /// some.
    /// </summary>
    /// <param name="entries">In order; a layer stands as often as it is danced.</param>
    /// <param name="textOf">The words of a layer; empty for anything else.</param>
    /// <param name="timetable">Of the entries that it is given.</param>
    /// <returns>The entries that were laid, and what is said of them.</returns>
    public static (List<T> Laid, IReadOnlyList<Called> Said) SaidOnce<T>(
        IReadOnlyList<T> entries,
        Func<T, string> textOf,
        Func<IReadOnlyList<T>, IReadOnlyList<Called>> timetable)
    {
        var turns = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        for (var round = 0; ; round++)
        {
            var seen = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
            bool IsTurn(string text)
            {
                var time = seen[text] = seen.GetValueOrDefault(text) + 1;
                return time == turns.GetValueOrDefault(text) + 1;
            }

            var laid = entries.Where(e => textOf(e) is var text && (text.Length == 0 || IsTurn(text))).ToList();
            var said = timetable(laid);
            var heard = said.Select(c => c.Item).ToHashSet();
            var unsaid = laid.Where((e, i) => textOf(e) is { Length: > 0 } text
                && !heard.Contains(i)
                && seen[text] > turns.GetValueOrDefault(text) + 1)
                .Select(textOf)
                .ToList();
            if (unsaid.Count == 0 || round == MostPutOff)
            {
                return (laid, said);
            }

            unsaid.ForEach(text => turns[text] = turns.GetValueOrDefault(text) + 1);
        }
    }
}
