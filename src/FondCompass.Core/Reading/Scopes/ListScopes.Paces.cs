using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>
/// Slow and quick said apart from a deed: of the one before, of as many before as there are words, or of the one to come.
/// </summary>
internal sealed partial class ListScopes
{
    private PhraseDraft? _waitingPace;

    /// <summary>"Slow, quick, quick": said one after the other they are one rhythm, of the deed they stand before.</summary>
    private void GatherPaces()
    {
        for (var i = 0; i + 1 < _drafts.Count; i++)
        {
            var (draft, next) = (_drafts[i], _drafts[i + 1]);
            if (draft.IsPaceOnly && next.Paces.Count > 0 && (next.IsPaceOnly || i == 0))
            {
                next.Paces = [.. draft.Paces, .. next.Paces];
                next.Span = draft.Span.To(next.Span);
                next.Joint = draft.Joint;
                _drafts.RemoveAt(i--);
            }
        }
    }

    private void LayPaces(PhraseDraft draft)
    {
        var said = draft.Paces;
        if (_drafts is [{ IsPaceOnly: true, Paces.Count: > 1 }])
        {
            // A rhythm alone is walked.
            (draft.Verb, draft.Direction, draft.Times, draft.TimesInAll) = (Verbs.Step, Direction.Forward, said.Count, true);
            Add(draft);
        }
        else if (_items.Count == 0 && said.Count == 1)
        {
            // "Slowly, step R": of what comes.
            _waitingPace = draft;
        }
        else if (Last is { Paces.Count: 0 } last && (said.Count == 1 || Dancings(last) == said.Count))
        {
            last.Absorb(draft);
        }
        else if (said.Count > 1
            && _items.Count >= said.Count
            && _items[^said.Count..].TrueForAll(i => Dancings(i[0]) == 1 && i[0].Paces.Count == 0))
        {
            for (var i = 0; i < said.Count; i++)
            {
                _items[^(said.Count - i)][0].Paces.Add(said[i]);
            }
        }
        else
        {
            _unreadable.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
        }
    }

    /// <summary>A word for each dancing, or one for all; any other number of them is told.</summary>
    private List<Pace> PacesOf(PhraseDraft draft)
    {
        if (draft.Paces.Count <= 1 || draft.Paces.Count == Dancings(draft))
        {
            return draft.Paces;
        }

        if (draft.Paces.Distinct().Count() > 1)
        {
            draft.Unread.Add(new UnreadWord(draft.Span.In(_text), draft.Span));
        }

        return draft.Paces[..1];
    }

    private static int Dancings(PhraseDraft draft) =>
        draft.TimesInAll ? Math.Max(draft.Feet.Count, draft.Times) : Math.Max(1, draft.Feet.Count) * draft.Times;
}
