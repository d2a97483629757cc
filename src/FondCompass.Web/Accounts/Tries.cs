using Microsoft.Extensions.Caching.Memory;

namespace FondCompass.Web.Accounts;

/// <summary>
/// Counts tries that failed, so that nobody guesses for long: for each browser that has signed in before by itself, for each other by its network
/// address and the account tried. So a stranger's guesses keep the stranger out, and never the owner. Kept by each instance for itself.
/// </summary>
public sealed class Tries(IMemoryCache cache)
{
    /// <summary>Wrong passwords before a wait.</summary>
    public const int Most = 8;

    /// <summary>Guesses at one account from everywhere that it is not known; its known browsers are not counted and not kept out.</summary>
    public const int MostFromEverywhere = 200;

    /// <summary>How long tries are remembered from the first of them on.</summary>
    public static readonly TimeSpan Remembered = TimeSpan.FromMinutes(5);

    private sealed class Count
    {
        public int Value;
    }

    /// <summary>Whether one more may be tried; it counts from now on, until <see cref="Forget"/>.</summary>
    public bool Begin(string who, int most = Most) => Interlocked.Increment(ref CountOf(who).Value) <= most;

    /// <summary>It was right: what was tried before is forgotten.</summary>
    public void Forget(string who) => cache.Remove((nameof(Tries), who));

    private Count CountOf(string who) => cache.GetOrCreate((nameof(Tries), who), entry =>
    {
        entry.AbsoluteExpirationRelativeToNow = Remembered;
        return new Count();
    })!;
}
