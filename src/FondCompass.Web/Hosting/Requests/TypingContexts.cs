using FondCompass.Core.Steps;
using Microsoft.Extensions.Caching.Memory;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>What a text that is being written is read with.</summary>
/// <param name="Tempo">The fitted track's tempo, when there is one.</param>
public sealed record TypingContext(StepLexicon Lexicon, double? Tempo);

/// <summary>
/// Remembers for a few seconds what somebody's dance is read with, so that a keystroke asks no database. Whoever has no desk is looked up
/// first, so that none is ever another's; words that are saved here take effect at once, and saved by another instance within those
/// seconds.
/// </summary>
public sealed class TypingContexts(IMemoryCache cache)
{
    /// <summary>How long a desk is kept.</summary>
    public static readonly TimeSpan Kept = TimeSpan.FromSeconds(15);

    private sealed record Words(Guid Owner);

    private sealed record Desk(Guid Owner, Guid Dance, object Words);

    public TypingContext? Of(Guid owner, Guid dance) => cache.Get<TypingContext>(new Desk(owner, dance, WordsOf(owner)));

    public void Keep(Guid owner, Guid dance, TypingContext desk) => cache.Set(new Desk(owner, dance, WordsOf(owner)), desk, Kept);

    /// <summary>The owner's words have changed.</summary>
    public void Clear(Guid owner) => cache.Remove(new Words(owner));

    /// <summary>A mark that stays the same until the owner's words change.</summary>
    private object WordsOf(Guid owner) => cache.GetOrCreate(new Words(owner), entry =>
    {
        entry.SlidingExpiration = 4 * Kept;
        return new object();
    })!;
}
