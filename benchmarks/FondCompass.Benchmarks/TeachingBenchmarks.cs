using BenchmarkDotNet.Attributes;
using FondCompass.Core;
using FondCompass.Core.Calling;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tests.Teaching.Boards;

namespace FondCompass.Benchmarks;

/// <summary>What the board asks for while a lesson is held, beside a plan of the same hour.</summary>
public class TeachingBenchmarks
{
    private static readonly LessonDance Dance = new(Analysis.Analyse(AnalyseBenchmarks.Script(32)), 112);
    private static readonly ClassKnowledge Beginners = new(StepLexicon.Shipped, ClassLevel.Beginner);
    private static readonly LessonPlan Hour = LessonPlanner.Plan(new LessonBrief(60, [Dance], new TeachingWay(), Beginners));
    private static readonly IReadOnlyList<double> Taps = TapTrains.Of(4).Taps;
    private static readonly string[] Known = [.. Beginners.WhatEverybodyKnows.Order(StringComparer.Ordinal)];
    private static readonly Guid Board = Guid.CreateVersion7();

    private static readonly LessonEvent[] Told =
        [.. Enumerable.Range(1, 1000)
            .Select(i => new LessonEvent(
                Guid.CreateVersion7(),
                Board,
                i,
                1_780_000_000,
                i,
                i % 10 == 0 ? LessonEventKind.Enter : LessonEventKind.Repeat,
                $"b{i / 50}")
            {
                Value = 60
            })];

    [Benchmark(Description = "  yardstick: plan an hour with one dance")]
    public double Yardstick() => LessonPlanner.Plan(new LessonBrief(60, [Dance], new TeachingWay(), Beginners)).TotalSeconds;

    [Benchmark(Description = "times of all blocks of an hour for the board")]
    public int Blocks() => Hour.Blocks.Select(b => (Block: b, Run: BlockRun.Lay(Dance, b))).Where(b => b.Run is not null)
        .Sum(b => BoardTimeline.Build(b.Run!, 1, calls: BoardCalls.For(b.Block, null, CallerWay.Fading)).Clicks.Count);

    [Benchmark(Description = "times of all blocks of an hour, all of it called")]
    public int BlocksCalled() =>
        Hour.Blocks.Select(b => BlockRun.Lay(Dance, b)).OfType<BlockRun>().Sum(r => BoardTimeline.Build(r, 1).Clicks.Count);

    [Benchmark(Description = "moves to call live of what beginners know")]
    public int Moves() => LiveMoves.Find(Known, 112, StepLexicon.Shipped).Moves.Moves.Count;

    [Benchmark(Description = "the beat of 24 taps")]
    public double Taps24() => TapTrain.Follow(Taps)!.Value.Bpm;

    [Benchmark(Description = "the log of 1,000 events")]
    public int Log() => LessonLog.Read(Told).Blocks.Count;

    /// <summary>
    /// How well taps are understood over sixty trains: hands of 25 ms, music that drifts by up to 3 %, beats left out and tapped twice.
    /// </summary>
    public static string Understood()
    {
        var trains = Enumerable.Range(0, 60).Select(TapTrains.Of).ToList();
        var (eight, sixteen) = (Tempo(trains, 8), Tempo(trains, 16));
        var phase = trains.Count(t => TapTrain.Follow(t.Taps) is { } beat && Math.Abs(t.NearestBeat(beat.BeatAt) - beat.BeatAt) < 0.03);
        return $"taps: tempo within 1 % after 8 taps in {eight} of {trains.Count} trains, after 16 in {sixteen}; phase within 30 ms in "
            + $"{phase}";
    }

    private static int Tempo(List<TapTrains> trains, int taps) =>
        trains.Count(t => TapTrain.Follow([.. t.Taps.Take(taps)]) is { } beat && Math.Abs((beat.Bpm / t.TempoOver(taps)) - 1) < 0.01);
}
