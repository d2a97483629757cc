using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>
/// "…, repeat to the left", "…, same on the other side": what stands before it in the row is danced once more (reading, section 7).
/// </summary>
internal sealed partial class ListScopes
{
    private const int MostItems = 512;

    /// <summary>Where what the next such word repeats begins: behind the one before.</summary>
    private int _againFrom;

    private void LayAgain(PhraseDraft word)
    {
        var block = _items.Skip(_againFrom).ToList();
        var lead = LeadOf(block);
        var wanted = word.Feet.Where(f => f.IsSingle()).FirstOrDefault(SideOf(word.Way));
        var mirrors = word.Operation.HasFlag(Operation.OtherSide) || (lead.IsSingle() && wanted.IsSingle() && lead != wanted);
        if (block.Count == 0
            || word.Turn is not null
            || word.Direction != Direction.None
            || (mirrors && !lead.IsSingle() && !wanted.IsSingle() && Changes(block) % 2 == 0))
        {
            // Of a turn or a way of its own, or with a side that nothing fixes, it would be a guess: it is told.
            Last!.Unread.Add(new UnreadWord(word.Span.In(_text), word.Span));
            Last.Absorb(word);
            return;
        }

        for (var time = 0; time < word.Times && _items.Count + block.Count <= MostItems; time++)
        {
            var copies = block.ConvertAll(item => item.ConvertAll(d => d.Copy()));
            if (mirrors && time % 2 == 0)
            {
                copies.ForEach(item => item.ForEach(d => d.Mirrored()));
            }

            if (wanted.IsSingle()
                && !lead.IsSingle()
                && copies[0][0] is { Feet.Count: 0, Body: null } first
                && first.Verb is not { Kind: VerbKind.NoFoot })
            {
                first.Feet.Add(wanted);
            }

            copies.ForEach(item => item.ForEach(d => d.Unread.Clear()));
            _items.AddRange(copies);
        }

        _againFrom = _items.Count;
        Last!.Absorb(word);
    }

    private static Foot SideOf(int way) => way switch { > 0 => Foot.Right, < 0 => Foot.Left, _ => Foot.None };

    /// <summary>The foot or side the first deed of a foot is told with; none when it is left to the free foot.</summary>
    private static Foot LeadOf(List<List<PhraseDraft>> block)
    {
        var first = block.SelectMany(i => i).FirstOrDefault(d => d.Body is null && d.Verb is not { Kind: VerbKind.NoFoot });
        return first is null ? Foot.None : first.Feet.Where(f => f.IsSingle()).FirstOrDefault(SideOf(first.Way));
    }

    /// <summary>How often the weight changes feet.</summary>
    private static int Changes(List<List<PhraseDraft>> block) => block.SelectMany(i => i).Sum(d =>
        d.Times * (d.Step is { } step ? step.Forms[0].Actions.Count(a => a.Phrase.Verb?.Kind == VerbKind.Takes)
            : d.Verb?.Kind == VerbKind.Takes ? Math.Max(1, d.Feet.Count)
            : 0));
}
