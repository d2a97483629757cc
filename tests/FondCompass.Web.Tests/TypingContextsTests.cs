using FondCompass.Core.Steps;
using FondCompass.Web.Hosting.Requests;
using Microsoft.Extensions.Caching.Memory;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>What a keystroke is read with is remembered for its owner and its dance only, and until the owner's words change.</summary>
public sealed class TypingContextsTests
{
    private readonly TypingContexts _desks = new(new MemoryCache(new MemoryCacheOptions()));
    private readonly Guid _owner = Guid.NewGuid();
    private readonly Guid _dance = Guid.NewGuid();

    [Fact]
    public void It_is_the_owners_and_the_dances_alone()
    {
        Assert.Null(_desks.Of(_owner, _dance));
        var desk = new TypingContext(StepLexicon.Shipped, 104);
        _desks.Keep(_owner, _dance, desk);
        Assert.Same(desk, _desks.Of(_owner, _dance));
        Assert.Null(_desks.Of(Guid.NewGuid(), _dance));
        Assert.Null(_desks.Of(_owner, Guid.NewGuid()));
    }

    [Fact]
    public void Changed_words_clear_every_dance_of_that_owner_and_of_nobody_else()
    {
        var (second, other) = (Guid.NewGuid(), Guid.NewGuid());
        foreach (var (owner, dance) in new[] { (_owner, _dance), (_owner, second), (other, _dance) })
        {
            _desks.Keep(owner, dance, new TypingContext(StepLexicon.Shipped, null));
        }

        _desks.Clear(_owner);
        Assert.Null(_desks.Of(_owner, _dance));
        Assert.Null(_desks.Of(_owner, second));
        Assert.NotNull(_desks.Of(other, _dance));
        _desks.Keep(_owner, _dance, new TypingContext(StepLexicon.Shipped, 96));
        Assert.Equal(96, _desks.Of(_owner, _dance)!.Tempo);
    }
}
