using Xunit;

namespace FondCompass.Tests.Databases;

/// <summary>Waits for a state of something that runs by itself, never for a time; what never comes is told.</summary>
internal static class Until
{
    /// <summary>Between two looks.</summary>
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(20);

    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(1);

    /// <summary>Until something is there; gives it.</summary>
    /// <param name="what">What is waited for, as a failure says it.</param>
    /// <param name="look">Null while it is not there.</param>
    /// <param name="patience">A minute when left out.</param>
    public static async Task<T> There<T>(string what, Func<Task<T?>> look, TimeSpan? patience = null)
        where T : class
    {
        using var over = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        over.CancelAfter(patience ?? Patience);
        while (true)
        {
            if (await look() is { } found)
            {
                return found;
            }

            if (over.IsCancellationRequested)
            {
                Assert.Fail($"Never so: {what}");
            }

            await Task.Delay(Pause, TestContext.Current.CancellationToken);
        }
    }

    public static Task Holds(string what, Func<Task<bool>> look, TimeSpan? patience = null) =>
        There(what, async () => await look() ? "yes" : null, patience);
}
