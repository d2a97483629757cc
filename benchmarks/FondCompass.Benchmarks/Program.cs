using BenchmarkDotNet.Columns;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Diagnosers;
using BenchmarkDotNet.Filters;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Loggers;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using FondCompass.Benchmarks;

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

// Core first, by the benchmark library; then the pages of the running application.
var config = ManualConfig.CreateEmpty()
    .AddJob(Job.ShortRun.WithToolchain(InProcessEmitToolchain.DontLogOutput))
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

Console.WriteLine($"{"what",-52} {"median",12} {"allocated",12}");
foreach (var type in args is [_, "pages"]
    ? []
    : (Type[])[typeof(AnalyseBenchmarks), typeof(RunBenchmarks), typeof(LessonBenchmarks), typeof(TeachingBenchmarks)])
{
    var summary = BenchmarkRunner.Run(type, config);
    foreach (var report in summary.Reports)
    {
        var median = (report.ResultStatistics?.Median ?? double.NaN) / 1_000_000;
        var bytes = report.GcStats.GetBytesAllocatedPerOperation(report.BenchmarkCase) ?? 0;
        Console.WriteLine(
            $"{report.BenchmarkCase.Descriptor.WorkloadMethodDisplayInfo,-52} {median,9:0.000} ms {bytes / 1024.0,9:0.0} KiB");
    }
}

if (args is [_, "only", _])
{
    return;
}

Console.WriteLine(TeachingBenchmarks.Understood());
if (args.Length > 0)
{
    await FirstPaint.Run(args[0]);
    await PageBenchmarks.Run(args[0]);
}
