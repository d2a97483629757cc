using System.Text.Json;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Tests.Reading;

/// <summary>A wording and what a dancer does on hearing it, from readings.json.</summary>
public sealed class ReadingCase(JsonElement entry)
{
    /// <summary>Remarks for the lesson; they tell nothing about how words were read.</summary>
    private static readonly string[] ForTheLesson = ["TRAP", "SPIN", "DRIFT", "MIRROR", "JOIN", "WALL", "PHRASE"];

    public string Id => entry.GetProperty("id").GetString()!;

    public string Group => entry.GetProperty("group").GetString()!;

    public string Why => entry.GetProperty("why").GetString()!;

    public string Script => entry.GetProperty("script").GetString()!;

    public static IReadOnlyList<ReadingCase> All(string json) =>
        [.. JsonDocument.Parse(json).RootElement.GetProperty("readings").EnumerateArray().Select(e => new ReadingCase(e))];

    /// <summary>Where the analysis differs from what is danced; empty when it does not.</summary>
    public IReadOnlyList<string> Differences()
    {
        var analysis = Analysis.Analyse(Script);
        var trace = analysis.Trace;
        var told = new List<string>();
        var expect = entry.GetProperty("expect");
        foreach (var field in expect.EnumerateObject())
        {
            switch (field.Name)
            {
                case "total":
                    Same("total", field.Value.GetInt32(), trace.TotalCounts);
                    break;
                case "endWeight":
                    Same("end weight", field.Value.GetString(), trace.EndWeight.Letter());
                    break;
                case "endFacing":
                    Same("end facing", field.Value.GetString(), trace.EndFacing.ToString());
                    break;
                case "netTurnEighths":
                    Same("net turn", field.Value.GetInt32(), trace.NetTurn.Value);
                    break;
                case "parts":
                    Same(
                        "parts",
                        string.Join(' ', field.Value.EnumerateArray().Select(p => $"{p[0].GetString()}={p[1].GetInt32()}")),
                        string.Join(' ', trace.Parts.Select(p => $"{p.Part.Name}={p.Part.Counts}")));
                    break;
                case "verbs":
                    foreach (var verb in field.Value.EnumerateObject())
                    {
                        Same(
                            verb.Name + " danced",
                            verb.Value.GetInt32(),
                            trace.Parts.Sum(p => p.Actions.Count(a => a.Action.Verb.Name == verb.Name)));
                    }

                    break;
                case "feet":
                    Feet(field.Value, trace, told);
                    break;
                case "among":
                    Among(field.Value, trace, told);
                    break;
                case "states":
                    States(field.Value, trace, told);
                    break;
                case "without":
                    told.AddRange(analysis.Findings.Where(f => field.Value.EnumerateArray().Any(c => c.GetString() == f.Code))
                        .Select(f => $"needless {f}"));
                    break;
                case "errors":
                    var errors = analysis.Findings.Where(f => f.Severity == Severity.Error).ToList();
                    if (errors.Count != field.Value.GetInt32())
                    {
                        told.Add($"{errors.Count} errors for {field.Value}: {string.Join("; ", errors)}");
                    }

                    break;
                case "flag":
                    Flag(field.Value, analysis, told);
                    break;
                default:
                    told.Add($"nobody compares '{field.Name}'");
                    break;
            }
        }

        return told;

        void Same<T>(string what, T want, T got)
        {
            if (!Equals(want, got))
            {
                told.Add($"{what} {got} for {want}");
            }
        }
    }

    private static List<TracedAction> Footed(DanceTrace trace) => [.. trace.Parts.SelectMany(p => p.Actions)
        .Where(a => a.Foot != Foot.None && !a.Action.Verb.Unwinds).OrderBy(a => a.At.Value)];

    private static bool Fits(JsonElement want, TracedAction got) =>
        Fits(want[1], got.Foot.Letter()) && (want[2].ValueKind == JsonValueKind.Null || want[2].GetBoolean() == got.TakesWeight)
        && Fits(want[3], got.After.Weight.Letter()) && Fits(want[4], got.After.Facing.ToString());

    private static bool Fits(JsonElement want, string got) => want.ValueKind == JsonValueKind.Null || want.GetString() == got;

    private static string Short(TracedAction a) =>
        $"{a.At.Value}:{a.Foot.Letter()}{(a.TakesWeight ? "+" : "-")}/{a.After.Weight.Letter()}@{a.After.Facing}";

    private static void Feet(JsonElement want, DanceTrace trace, List<string> told)
    {
        var got = Footed(trace);
        var wanted = want.EnumerateArray().ToList();
        var same = wanted.Select(w => w[0].GetInt32()).SequenceEqual(got.Select(g => g.At.Value));
        foreach (var tick in wanted.Select(w => w[0].GetInt32()).Distinct())
        {
            var here = got.Where(g => g.At.Value == tick).ToList();
            var there = wanted.Where(w => w[0].GetInt32() == tick).ToList();
            same &= here.Count == there.Count
                && (there.Zip(here).All(p => Fits(p.First, p.Second))
                    || there.AsEnumerable().Reverse().Zip(here).All(p => Fits(p.First, p.Second)));
        }

        if (!same)
        {
            told.Add($"feet got {string.Join(' ', got.Select(Short))}\n         want {string.Join(' ', wanted.Select(w => w.ToString()))}");
        }
    }

    private static void Among(JsonElement want, DanceTrace trace, List<string> told)
    {
        var got = Footed(trace);
        foreach (var w in want.EnumerateArray().Where(w => !got.Exists(g => g.At.Value == w[0].GetInt32() && Fits(w, g))))
        {
            told.Add($"missing {w} in {string.Join(' ', got.Select(Short))}");
            return;
        }
    }

    private static void States(JsonElement want, DanceTrace trace, List<string> told)
    {
        var all = trace.Parts.SelectMany(p => p.Actions).OrderBy(a => a.At.Value).ToList();
        foreach (var w in want.EnumerateArray())
        {
            var last = all.LastOrDefault(a => a.At.Value <= w[0].GetInt32());
            if (last is null || !Fits(w[1], last.After.Weight.Letter()) || !Fits(w[2], last.After.Facing.ToString()))
            {
                told.Add(
                    $"at tick {w[0]} {last?.After.Weight} {last?.After.Facing} for {w[1]} {w[2]}; {string.Join(' ', all.Select(Short))}");
                return;
            }
        }
    }

    private static void Flag(JsonElement flag, Analysis analysis, List<string> told)
    {
        var rows = flag.GetProperty("row") is { ValueKind: JsonValueKind.Array } several
            ? several.EnumerateArray().Select(r => r.GetInt32()).ToList()
            : [flag.GetProperty("row").GetInt32()];
        var least = flag.GetProperty("atLeast").GetString() switch
        {
            "error" => Severity.Error,
            "warning" => Severity.Warning,
            _ => Severity.Info
        };
        if (!analysis.Findings.Any(f => f.Place.Row is { } row
            && rows.Contains(row)
            && f.Severity <= least
            && !ForTheLesson.Any(l => f.Code.StartsWith(l, StringComparison.Ordinal))))
        {
            told.Add($"row {rows[0]} is not told ({least} or more)");
        }

        if (analysis.Findings.FirstOrDefault(f => f.Severity == Severity.Error
            && !(f.Place.Row is { } row && rows.Contains(row))) is { } elsewhere)
        {
            told.Add($"error elsewhere: {elsewhere}");
        }
    }
}
