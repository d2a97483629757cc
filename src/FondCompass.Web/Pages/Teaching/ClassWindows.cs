using System.Collections.Concurrent;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Security.Cryptography;
using System.Text.Json;
using System.Threading.Channels;
using Microsoft.Extensions.Caching.Memory;

namespace FondCompass.Web.Pages.Teaching;

/// <summary>
/// The screens that show a class what its board shows, lesson by lesson. They are told of every change; <see cref="ClassRelay"/> carries it
/// to other instances.
/// </summary>
public sealed class ClassWindows(IMemoryCache cache)
{
    /// <summary>Most letters of what a board shows; called live it tells three eights of steps.</summary>
    public const int LongestState = 24_000;

    /// <summary>How long a code holds.</summary>
    public static readonly TimeSpan Holds = TimeSpan.FromHours(6);

    /// <summary>Screens of one lesson at the most.</summary>
    public const int Most = 200;

    /// <summary>Letters and digits that nobody takes for another.</summary>
    private const string Letters = "abcdefghjkmnpqrstuvwxyz23456789";

    private const int CodeLength = 8;

    /// <summary>Something is sent at least so often, so that a screen that hears nothing knows that it is cut off.</summary>
    private static readonly TimeSpan Quiet = TimeSpan.FromSeconds(5);

    private const string Nothing = "{}";

    public static string NewCode() => RandomNumberGenerator.GetString(Letters, CodeLength);

    /// <summary>Milliseconds of the server's own clock; boards and screens tell their moments by it.</summary>
    public static double Now(TimeProvider time) => (time.GetUtcNow() - DateTimeOffset.UnixEpoch).TotalMilliseconds;

    /// <summary>Screens of a lesson on this instance.</summary>
    public int Count(Guid lesson) => HallOf(lesson).Screens.Count;

    /// <summary>Lessons whose screens came or went since this was last asked, with how many there are now on this instance.</summary>
    public IReadOnlyList<(Guid Lesson, int Screens)> TakeChanged()
    {
        var changed = new List<(Guid, int)>();
        foreach (var lesson in _changed.Keys)
        {
            if (_changed.TryRemove(lesson, out _))
            {
                changed.Add((lesson, Count(lesson)));
            }
        }

        return changed;
    }

    /// <summary>Lessons with screens on this instance.</summary>
    public IReadOnlyList<(Guid Lesson, int Screens)> Watched => [.. _watched.Keys.Select(l => (l, Count(l))).Where(l => l.Item2 > 0)];

    private readonly ConcurrentDictionary<Guid, bool> _changed = new(), _watched = new();

    private void Changed(Guid lesson)
    {
        _changed[lesson] = true;
        if (Count(lesson) > 0)
        {
            _watched[lesson] = true;
        }
        else
        {
            _watched.TryRemove(lesson, out _);
        }
    }

    /// <summary>A lesson's screens; forgotten some hours after anything was shown.</summary>
    private Hall HallOf(Guid lesson) => cache.GetOrCreate((nameof(ClassWindows), lesson), entry =>
    {
        entry.SlidingExpiration = Holds;
        return new Hall();
    })!;

    /// <summary>Whether it is known here what is shown.</summary>
    public bool Knows(Guid lesson) => HallOf(lesson).State != Nothing;

    /// <summary>Whether a dance was called up that is shown now.</summary>
    public bool Shows(Guid lesson, Guid dance)
    {
        using var shown = JsonDocument.Parse(HallOf(lesson).State);
        return shown.RootElement.TryGetProperty("called", out var called)
            && called.ValueKind == JsonValueKind.String
            && called.TryGetGuid(out var id)
            && id == dance;
    }

    /// <summary>Whether a screen hangs on this instance.</summary>
    public bool IsWatched(Guid lesson) => !HallOf(lesson).Screens.IsEmpty;

    /// <summary>Tells every screen of this instance what is shown now.</summary>
    public void Show(Guid lesson, string state)
    {
        var hall = HallOf(lesson);
        hall.State = state;
        foreach (var screen in hall.Screens.Values)
        {
            screen.Writer.TryWrite(state);
        }
    }

    /// <summary>What is shown, from now on, until the screen leaves; null where there are too many already.</summary>
    public IAsyncEnumerable<SseItem<string>>? Watch(Guid lesson, CancellationToken cancel, CancellationToken stops = default)
    {
        var hall = HallOf(lesson);
        return hall.Screens.Count >= Most ? null : Watch(lesson, hall, stops, cancel);
    }

    private async IAsyncEnumerable<SseItem<string>> Watch(
        Guid lesson,
        Hall hall,
        CancellationToken stops,
        [EnumeratorCancellation] CancellationToken cancel)
    {
        // A slow screen misses what is over; the latest is what counts.
        var screen = Channel.CreateBounded<string>(new BoundedChannelOptions(8) { FullMode = BoundedChannelFullMode.DropOldest });
        var id = Guid.NewGuid();
        hall.Screens[id] = screen;
        Changed(lesson);
        try
        {
            yield return new SseItem<string>(hall.State, "shown");
            while (!cancel.IsCancellationRequested && !stops.IsCancellationRequested)
            {
                using var quiet = CancellationTokenSource.CreateLinkedTokenSource(cancel, stops);
                quiet.CancelAfter(Quiet);
                string? state = null;
                try
                {
                    state = await screen.Reader.ReadAsync(quiet.Token);
                }
                catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
                {
                    // Nothing new; that it is still there is told all the same.
                }

                if (stops.IsCancellationRequested)
                {
                    yield break;
                }

                yield return state is null ? new SseItem<string>("{}", "still") : new SseItem<string>(state, "shown");
            }
        }
        finally
        {
            hall.Screens.TryRemove(id, out _);
            Changed(lesson);
        }
    }

    private sealed class Hall
    {
        public string State { get; set; } = Nothing;

        public ConcurrentDictionary<Guid, Channel<string>> Screens { get; } = new();
    }
}
