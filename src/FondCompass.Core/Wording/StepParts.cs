using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Steps;

namespace FondCompass.Core.Wording;

/// <summary>A part of a step, in the words of its definition.</summary>
/// <param name="Counts">The counts it has in the definition's own rhythm; empty where none are written.</param>
/// <param name="Parts">What it is made of itself; empty for a single movement.</param>
public sealed record StepPart(string Words, string Counts, IReadOnlyList<StepPart> Parts);

/// <summary>
/// How a step goes, one level at a time (calls, section 4): its parts in the words of the definition, each of these again, down to single
/// movements.
/// </summary>
public sealed class StepParts
{
    /// <summary>Levels that are told; a definition made of definitions so deep is nothing that anybody teaches.</summary>
    private const int Deepest = 8;

    /// <summary>Parts that one step tells at the most, on all levels together.</summary>
    private const int Most = 256;

    private readonly StepLexicon _lexicon;
    private readonly int _lineCounts;
    private readonly Dictionary<string, string> _meanings = [];
    private int _told;

    /// <param name="dance">Whose own steps come before the lexicon's.</param>
    public StepParts(Dance dance, StepLexicon lexicon)
    {
        _lexicon = lexicon;
        _lineCounts = dance.Header.LineCounts;
        foreach (var definition in dance.Definitions)
        {
            _meanings.TryAdd(StepLexicon.Key(definition.Name), definition.Meaning);
        }
    }

    /// <summary>The parts of a step; empty for a single movement, and for a step nobody has told.</summary>
    /// <param name="step">Its name in the lexicon, or in its definition.</param>
    public IReadOnlyList<StepPart> Of(string step)
    {
        _told = 0;
        return PartsOf(StepLexicon.Key(step), []);
    }

    /// <summary>
    /// The named steps that a step of the dance's or the instructor's own is made of, one level down; null where it is made of single
    /// movements, and for any other step.
    /// </summary>
    public IReadOnlyList<string>? NamesIn(string step)
    {
        var key = StepLexicon.Key(step);
        if (!_names.TryGetValue(key, out var names))
        {
            var meaning = _meanings.GetValueOrDefault(key) ?? (_lexicon.Find(key) is { IsOwn: true } mine ? mine.FormTexts[0] : null);
            List<string> found = meaning is null
                ? []
                : [.. CountedPieces.Split(meaning, _lineCounts)
                    .SelectMany(p => p.Counts is null ? p.Wording.Split([',', ';']) : [p.Wording])
                    .Select(NamedIn)
                    .OfType<string>()
                    .Where(n => n != key)
                    .Distinct()];
            names = _names[key] = found.Count > 0 ? found : null;
        }

        return names;
    }

    private readonly Dictionary<string, IReadOnlyList<string>?> _names = [];

    private IReadOnlyList<StepPart> PartsOf(string key, HashSet<string> under)
    {
        if (under.Count >= Deepest || !under.Add(key))
        {
            return [];
        }

        var own = _meanings.GetValueOrDefault(key) ?? (_lexicon.Find(key) is { IsOwn: true } mine ? mine.FormTexts[0] : null);
        IReadOnlyList<StepPart> parts = own is not null ? Defined(own, under) : _lexicon.Find(key) is { } known ? Known(known) : [];
        under.Remove(key);
        return parts;
    }

    private List<StepPart> Defined(string meaning, HashSet<string> under)
    {
        var parts = new List<StepPart>();
        foreach (var piece in CountedPieces.Split(meaning, _lineCounts))
        {
            var items = piece.Counts is null ? piece.Wording.Split([',', ';']) : [piece.Wording];
            foreach (var words in items.Select(i => i.Trim()).Where(i => i.Length > 0))
            {
                if (++_told > Most)
                {
                    return parts;
                }

                parts.Add(new StepPart(
                    words,
                    piece.Counts is null ? "" : piece.CountsAt.In(meaning).Trim(),
                    NamedIn(words) is { } named ? PartsOf(named, under) : []));
            }
        }

        return parts;
    }

    /// <summary>The longest name of a step that words begin with.</summary>
    private string? NamedIn(string words)
    {
        var tokens = StepLexicon.Key(words).Split(' ', StringSplitOptions.RemoveEmptyEntries);
        for (var length = tokens.Length; length > 0; length--)
        {
            var key = string.Join(' ', tokens.Take(length));
            if (_meanings.ContainsKey(key) || _lexicon.Find(key) is not null)
            {
                return key;
            }
        }

        return null;
    }

    /// <summary>
    /// The movements of a step that everybody knows; the foot is left out, for which one leads is said where it is danced.
    /// </summary>
    private static IReadOnlyList<StepPart> Known(NamedStep step)
    {
        if (step.Forms[0].Actions.Count < 2)
        {
            return [];
        }

        var form = step.FormTexts[0];
        var movements = form[(form.IndexOf(": ", StringComparison.Ordinal) is >= 0 and var at ? at + 2 : 0)..].Split(';');
        return [.. movements.Select(m => string.Join(
            ' ',
            m.Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Where(w => w is not ("R" or "L" or "both" or "body"))
                .Select(w => w.TrimEnd('*'))))
            .Where(m => m.Length > 0).Select(m => new StepPart(m, "", []))];
    }
}
