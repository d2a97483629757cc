namespace FondCompass.Tests.Databases;

/// <summary>
/// A clock that shows what it is set to, so that a test that names a date is as true on any other day. What measures how long something
/// takes goes on.
/// </summary>
internal sealed class StillClock(DateTimeOffset now) : TimeProvider
{
    private long _looks;

    public override TimeZoneInfo LocalTimeZone => TimeZoneInfo.Utc;

    /// <summary>A millionth of a second later at every look, so that what was kept first is known to be.</summary>
    public override DateTimeOffset GetUtcNow() => now.ToUniversalTime().AddMicroseconds(Interlocked.Increment(ref _looks));
}
