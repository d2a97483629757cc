using BenchmarkDotNet.Columns;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Diagnosers;
using BenchmarkDotNet.Filters;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Loggers;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using FondCompass.Benchmarks;
using FondCompass.Tests.Databases;

// "keep" may stand behind any of them: what was measured is kept for the next landing.
var isKept = args.Contains("keep");
args = [.. args.Where(a => a != "keep")];
if (args is [var web, "load"])
{
    await LoadBenchmarks.Run(web);
    return;
}

if (args is [var scaled, "scale"])
{
    await ScaleBenchmarks.Run(scaled);
    return;
}

// Core first, by the benchmark library; then the pages of the running application. Ten or more runs of a tenth of a second each tell a
// median well enough, and all of it is through in under four minutes.
var job = Job.Default
    .WithToolchain(InProcessEmitToolchain.DontLogOutput)
    .WithUnrollFactor(1)
    .WithMinInvokeCount(1)
    .WithEvaluateOverhead(false)
    .WithGcForce(false)
    .WithWarmupCount(4)
    .WithIterationCount(8)
    .WithIterationTime(Perfolizer.Horology.TimeInterval.FromMilliseconds(80));
var config = ManualConfig.CreateEmpty()
    .AddJob(job)
    .AddDiagnoser(MemoryDiagnoser.Default)
    .AddColumnProvider(DefaultColumnProviders.Instance)
    .AddLogger(NullLogger.Instance)
    .WithOptions(ConfigOptions.DisableLogFile);
if (args is [_, "only", var words])
{
    // What is named so, and the yardsticks beside it; no pages.
    config.AddFilter(new SimpleFilter(b => b.Descriptor.WorkloadMethodDisplayInfo is var name
        && (name.Contains(words, StringComparison.OrdinalIgnoreCase) || name.Contains("yardstick:", StringComparison.Ordinal))));
}

var figures = new KeptFigures(Path.Combine(Environment.CurrentDirectory, "benchmarks", "figures.txt"));
Console.WriteLine($"{"what",-52} {"median",12} {"allocated",14}");
foreach (var type in args is [_, "pages"]
    ? []
    : (Type[])[typeof(AnalyseBenchmarks), typeof(RunBenchmarks), typeof(LessonBenchmarks), typeof(TeachingBenchmarks)])
{
    var summary = BenchmarkRunner.Run(type, config);
    foreach (var report in summary.Reports)
    {
        var bytes = report.GcStats.GetBytesAllocatedPerOperation(report.BenchmarkCase) ?? 0;
        figures.Print(
            report.BenchmarkCase.Descriptor.WorkloadMethodDisplayInfo,
            (report.ResultStatistics?.Median ?? double.NaN) / 1_000_000,
            $"{bytes / 1024.0:0.0} KiB");
    }
}

if (args is not [_, "only", _])
{
    Console.WriteLine(TeachingBenchmarks.Understood());
}

if (args is [_] or [_, "pages"])
{
    await using var application = new RunningApplication(args[0]);
    await application.Start();
    FirstPaint.Run(application.Address, figures);
    await PageBenchmarks.Run(application, figures);
}

if (isKept)
{
    figures.Keep();
}
