namespace FondCompass.Core.Teaching.Boards;

/// <summary>How one block of a lesson went.</summary>
/// <param name="Seconds">It was on a board for so long.</param>
/// <param name="Dancing">Seconds of them in which it was counted.</param>
/// <param name="Rates">The rates danced, in percent, with how often each; in the order in which they came.</param>
/// <param name="Trouble">Marks by bite.</param>
/// <param name="IsDone">The leader went on from it.</param>
/// <param name="IsSkipped">The leader left it out.</param>
public sealed record BlockHeld(
    string Block,
    double Seconds,
    double Dancing,
    IReadOnlyList<(int Rate, int Repeats)> Rates,
    IReadOnlyList<(string Bite, int Marks)> Trouble,
    bool IsDone,
    bool IsSkipped)
{
    /// <summary>It was marked as clean, all but what was lost in it.</summary>
    public bool IsClean { get; init; }

    /// <summary>
    /// Whether it counts as done (rules, section 7): it was danced or walked at least half its planned time, whatever was pressed.
    /// </summary>
    /// <param name="planned">Seconds planned for it; 0 where nobody planned it, and then what was pressed counts.</param>
    public bool WasDone(double planned) => planned > 0 ? Seconds >= planned / 2 : IsDone;

    public int Repeats => Rates.Sum(r => r.Repeats);

    /// <summary>The fastest at which nothing was marked in it; 0 where something was, and where it was not danced.</summary>
    public int CleanRate => Trouble.Count > 0 ? 0 : Rates.Select(r => r.Rate).DefaultIfEmpty(0).Max();
}

/// <summary>A lesson as its events tell it.</summary>
public sealed record LessonLog
{
    /// <summary>Blocks in the order in which they were first shown.</summary>
    public required IReadOnlyList<BlockHeld> Blocks { get; init; }

    /// <summary>Dancers counted; null where nobody counted.</summary>
    public required int? Heads { get; init; }

    public required IReadOnlyList<LessonEvent> Notes { get; init; }

    /// <summary>Moves called, in order.</summary>
    public required IReadOnlyList<string> Calls { get; init; }

    /// <summary>Counts a minute that were tapped, in order.</summary>
    public required IReadOnlyList<double> Taps { get; init; }

    /// <summary>Marks that hold, for whoever wants to take one back.</summary>
    public required IReadOnlyList<LessonEvent> Marks { get; init; }

    /// <summary>Seconds from the first block shown to the last event, over all boards, pauses between boards left out.</summary>
    public required double Seconds { get; init; }

    public required bool IsClosed { get; init; }

    public BlockHeld? BlockOf(string block) => Blocks.FirstOrDefault(b => b.Block == block);

    /// <param name="events">In the order in which they arrived, twice or not; boards may be mixed.</param>
    public static LessonLog Read(IEnumerable<LessonEvent> events)
    {
        var all = SinceBegun([.. events.DistinctBy(e => e.Id)]);
        var undone = Undone(all);
        // One board after the other as they first told something, each in its own order.
        var boards = all.GroupBy(e => e.Board).Select(g => g.OrderBy(e => e.Number).ToList()).ToList();
        var spans = boards.SelectMany(Spans).ToList();
        var held = all.Where(e => !undone.Contains(e.Id)).ToList();
        var ordered = boards.SelectMany(b => b).Where(e => !undone.Contains(e.Id)).ToList();
        var blocks = boards.SelectMany(b => b).Where(e => e.Block.Length > 0).Select(e => e.Block).Distinct().Select(block =>
        {
            var own = ordered.FindAll(e => e.Block == block);
            return new BlockHeld(
                block,
                Union(spans.Where(s => s.Block == block && !s.IsPlaying.HasValue).Select(s => (s.From, s.To))),
                Union(spans.Where(s => s.Block == block && s.IsPlaying == true).Select(s => (s.From, s.To))),
                [.. own.Where(e => e.Kind == LessonEventKind.Repeat)
                    .GroupBy(e => (int)Math.Round(e.Value ?? 0))
                    .Select(g => (g.Key, g.Count()))],
                [.. own.Where(e => e.Kind == LessonEventKind.Trouble).GroupBy(e => e.Bite).Select(g => (g.Key, g.Count()))],
                own.LastOrDefault(e => e.Kind is LessonEventKind.Done or LessonEventKind.Skip)?.Kind == LessonEventKind.Done,
                own.LastOrDefault(e => e.Kind is LessonEventKind.Done or LessonEventKind.Skip)?.Kind == LessonEventKind.Skip)
            {
                IsClean = own.Exists(e => e.Kind == LessonEventKind.Clean),
            };
        }).ToList();
        return new LessonLog
        {
            Blocks = blocks,
            Heads = (int?)held.LastOrDefault(e => e.Kind == LessonEventKind.Heads)?.Value,
            Notes = ordered.FindAll(e => e.Kind == LessonEventKind.Note),
            Calls = [.. ordered.Where(e => e.Kind == LessonEventKind.Call).Select(e => e.Words)],
            Taps = [.. ordered.Where(e => e.Kind == LessonEventKind.Tap).Select(e => e.Value ?? 0)],
            Marks = ordered.FindAll(e => e.Kind == LessonEventKind.Trouble),
            Seconds = Union(spans.Where(s => !s.IsPlaying.HasValue).Select(s => (s.From, s.To))),
            IsClosed = ordered.Exists(e => e.Kind == LessonEventKind.Close),
        };
    }

    /// <summary>What was told since the lesson was begun for the last time.</summary>
    private static List<LessonEvent> SinceBegun(List<LessonEvent> all)
    {
        var undone = Undone(all);
        var anew = all.Where(e => e.Kind == LessonEventKind.Anew && !undone.Contains(e.Id))
            .Select(e => e.Opened + e.Since)
            .DefaultIfEmpty(0)
            .Max();
        return anew == 0 ? all : all.FindAll(e => e.Opened + e.Since >= anew && e.Kind != LessonEventKind.Anew);
    }

    /// <summary>Events that were taken back; a taking back can be taken back itself.</summary>
    private static HashSet<Guid> Undone(List<LessonEvent> all)
    {
        var undone = new HashSet<Guid>();
        // Later ones first, so that what takes back is itself settled before it counts.
        foreach (var undo in all.Where(e => e.Kind == LessonEventKind.Undo && e.Undoes is not null)
            .OrderByDescending(e => e.Opened + e.Since)
            .ThenByDescending(e => e.Number))
        {
            if (!undone.Contains(undo.Id))
            {
                undone.Add(undo.Undoes!.Value);
            }
        }

        return undone;
    }

    /// <summary>What one board showed and when: each block until the next, and within it what was counted.</summary>
    private static IEnumerable<(string Block, double From, double To, bool? IsPlaying)> Spans(List<LessonEvent> board)
    {
        var (block, isPlaying, from) = ("", false, 0.0);
        foreach (var told in board)
        {
            var at = told.Opened + told.Since;
            if (block.Length > 0 && at > from)
            {
                yield return (block, from, at, null);
                if (isPlaying)
                {
                    yield return (block, from, at, true);
                }
            }

            from = at;
            switch (told.Kind)
            {
                case LessonEventKind.Enter:
                    (block, isPlaying) = (told.Block, false);
                    break;
                case LessonEventKind.Done or LessonEventKind.Skip or LessonEventKind.Close:
                    (block, isPlaying) = ("", false);
                    break;
                case LessonEventKind.Play or LessonEventKind.Pause:
                    isPlaying = told.Kind == LessonEventKind.Play;
                    break;
            }
        }
    }

    /// <summary>Seconds that are in any of the spans: two boards that show the same at once are one.</summary>
    private static double Union(IEnumerable<(double From, double To)> spans)
    {
        var (seconds, until) = (0.0, double.NegativeInfinity);
        foreach (var (from, to) in spans.OrderBy(s => s.From))
        {
            seconds += Math.Max(0, to - Math.Max(from, until));
            until = Math.Max(until, to);
        }

        return seconds;
    }
}
