using System.Collections.Concurrent;
using System.Diagnostics;

namespace FondCompass.Mutants;

/// <summary>Tries each change on the tests that touch it, the quickest first, on two processors, until the time is up.</summary>
internal sealed class Trial(string program, int processors, TimeSpan budget, bool ownFolder = false)
{
    private readonly Stopwatch clock = Stopwatch.StartNew();
    private readonly ConcurrentDictionary<string, ConcurrentQueue<int>> killers = [];

    public Dictionary<int, (Fate Fate, string? By)> Run(List<Mutation> mutations)
    {
        var switches = mutations.Max(m => m.Id) + 1;
        var covered = Enumerable.Range(0, processors).AsParallel().WithDegreeOfParallelism(processors).Select(p =>
        {
            using var worker = new Workers(program);
            return worker.Cover(switches, p, processors);
        }).ToList();
        var cases = covered.SelectMany(c => c.Cases).OrderBy(c => c.Number).ToArray();
        foreach (var left in cases.Where(c => !c.Green))
        {
            Console.Error.WriteLine($"  judges nothing ({left.Seconds:0.0} s): {left.Name}");
        }

        Console.Error.WriteLine(
            $"  {cases.Length} cases, {cases.Sum(c => c.Seconds):0} s, {cases.Count(c => !c.Green)} of them judge nothing; "
                + $"{clock.Elapsed.TotalSeconds:0} s so far");
        var cold = covered.SelectMany(c => c.Cold).ToHashSet();
        var touching = cases.Where(c => c.Green).SelectMany(c => c.Asked.Select(id => (id, c.Number))).ToLookup(t => t.id, t => t.Number);
        var quickest = cases.Where(c => c.Green).OrderBy(c => c.Seconds).Select(c => c.Number).ToList();
        var fates = new ConcurrentDictionary<int, (Fate, string?)>();
        var queue = new ConcurrentQueue<Mutation>(mutations);
        var done = 0;
        Parallel.For(0, processors, new ParallelOptions { MaxDegreeOfParallelism = processors }, _ =>
        {
            using var worker = new Workers(program);
            while (queue.TryDequeue(out var mutation))
            {
                fates[mutation.Id] = clock.Elapsed > budget
                    ? (Fate.NotTried, null)
                    : Judge(worker, mutation, cases, touching[mutation.Id].ToList(), cold.Contains(mutation.Id), quickest);
                if (Interlocked.Increment(ref done) % 100 == 0)
                {
                    Console.Error.WriteLine($"  {done} of {mutations.Count} tried, {clock.Elapsed.TotalSeconds:0} s");
                }
            }
        });
        return fates.ToDictionary(f => f.Key, f => f.Value);
    }

    /// <summary>Of the cases that touch a change the quickest of so many seconds judge it.</summary>
    private const double MostSeconds = 6;

    private (Fate, string?) Judge(Workers worker, Mutation mutation, Touch[] cases, List<int> touching, bool cold, List<int> quickest)
    {
        if (touching.Count == 0 && !cold && !ownFolder)
        {
            return (Fate.Untouched, null);
        }

        var known = killers.GetOrAdd(mutation.File, _ => []);
        var lately = known.Reverse().Take(6).Distinct().ToList();
        var order = (touching.Count > 0 ? touching : quickest)
            .OrderBy(n => lately.Contains(n) ? 0 : cases[n].Folder == mutation.Folder ? 1 : 2)
            .ThenBy(n => cases[n].Seconds)
            .Select(n => cases[n])
            .Where(c => !ownFolder || c.Folder == mutation.Folder)
            .ToList();
        var seconds = 0.0;
        order = order.TakeWhile(c => (seconds += c.Seconds) < MostSeconds).ToList();
        if (order.Count == 0)
        {
            return (Fate.Untouched, null);
        }

        var (fate, by) = touching.Count > 0 ? worker.Try(mutation.Id, order) : worker.TryFromTheStart(mutation.Id, order);
        if (by is { } killer)
        {
            known.Enqueue(killer);
        }

        return (fate, by is { } b ? cases[b].Name : null);
    }
}
