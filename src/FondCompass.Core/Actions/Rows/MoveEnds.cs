using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Actions.Rows;

/// <summary>
/// Which foot the named moves of a dance end on: what a row behind one tells is so wherever it is danced; a move that nothing tells of is
/// asked
/// about once (reading, section 4).
/// </summary>
internal sealed class MoveEnds
{
    private readonly Dictionary<string, WeightEnd> _known = new(StringComparer.OrdinalIgnoreCase);
    private readonly HashSet<string> _sure = new(StringComparer.OrdinalIgnoreCase);
    private readonly Dictionary<string, (string Name, Place Place)> _danced = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>A move was danced before a later row told of it: the dance is read once more.</summary>
    public bool IsLate { get; private set; }

    /// <summary>The moves that nothing tells of for sure, each where it is danced first.</summary>
    public IEnumerable<(string Name, Place Place)> Open => _danced.Where(a => !_sure.Contains(a.Key)).Select(a => a.Value);

    /// <summary>Null while nothing told it.</summary>
    public WeightEnd? Of(string move) => _known.TryGetValue(move, out var end) ? end : null;

    /// <summary>A move is danced. What was told first holds; a foot that then is not free is told where it stands.</summary>
    /// <param name="end">Where the weight goes; null when nothing told.</param>
    /// <param name="isSure">The words right behind it told.</param>
    public void Danced(string move, WeightEnd? end, bool isSure, Place place)
    {
        IsLate |= end is not null && _danced.ContainsKey(move) && !_known.ContainsKey(move);
        _danced.TryAdd(move, (move, place));
        if (end is { } told && (_known.TryAdd(move, told) || _known[move] == told) && isSure)
        {
            _sure.Add(move);
        }
    }

    /// <summary>The same answers, nothing asked yet.</summary>
    public MoveEnds Anew()
    {
        var anew = new MoveEnds();
        foreach (var (move, end) in _known)
        {
            anew._known[move] = end;
        }

        anew._sure.UnionWith(_sure);

        return anew;
    }
}
