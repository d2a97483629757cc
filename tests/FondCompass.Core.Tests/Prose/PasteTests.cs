using System.Text.Json;
using FondCompass.Core.Measures;
using FondCompass.Core.Prose;
using Xunit;

namespace FondCompass.Core.Tests.Prose;

/// <summary>Whole texts in free wording become the dances they were written after; the cases stand in pastes.json.</summary>
public class PasteTests
{
    private static readonly IReadOnlyList<JsonElement> Cases =
        [.. JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Prose", "pastes.json"))).RootElement.GetProperty("pastes").EnumerateArray()];

    public static TheoryData<string> Ids => [.. Cases.Select(c => c.GetProperty("id").GetString()!)];

    private static (double Score, double Claimed, List<string> Missed) Judge(JsonElement entry)
    {
        var pasted = ProseReader.Read(entry.GetProperty("text").GetString()!);
        var analysis = Analysis.Analyse(pasted.Script);
        var truth = entry.GetProperty("truth");
        var points = new List<(string What, bool Reached)>();
        var trace = analysis.Trace;
        foreach (var part in truth.GetProperty("parts").EnumerateObject())
        {
            points.Add(($"part {part.Name} = {part.Value}", trace.Parts.Any(p => p.Part.Counts == part.Value.GetInt32()
                && (p.Part.Name == part.Name || trace.Parts.Count == 1))));
        }

        points.Add(($"total {truth.GetProperty("totalCounts")}", trace.TotalCounts == truth.GetProperty("totalCounts").GetInt32()));
        points.Add(("end weight", trace.EndWeight.Letter() == truth.GetProperty("endWeight").GetString()));
        points.Add(("end facing", trace.EndFacing.ToString() == truth.GetProperty("endFacing").GetString()));
        points.Add(("start weight", trace.StartWeight.Letter() == truth.GetProperty("startWeight").GetString()));
        foreach (var spot in truth.GetProperty("spots").EnumerateArray())
        {
            var part = trace.Parts.FirstOrDefault(p => p.Part.Name == spot.GetProperty("part").GetString())
                ?? (trace.Parts.Count > 0 ? trace.Parts[0] : null);
            points.Add(($"spot {spot}", part?.Actions.Any(a => a.Action.Line == spot.GetProperty("line").GetInt32()
                && a.Action.Beat.Label(analysis.Dance.Header.LineCounts) == spot.GetProperty("count").GetString()
                && (spot.GetProperty("foot").ValueKind == JsonValueKind.Null || a.Foot.Letter() == spot.GetProperty("foot").GetString())
                && a.After.Weight.Letter() == spot.GetProperty("weightAfter").GetString()
                && a.After.Facing.ToString() == spot.GetProperty("facingAfter").GetString()) == true));
        }

        return (points.Count(p => p.Reached) / (double)points.Count, pasted.Understood, [.. points.Where(p => !p.Reached)
            .Select(p => p.What)]);
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_text_becomes_its_dance(string id)
    {
        var (score, claimed, missed) = Judge(Cases.Single(c => c.GetProperty("id").GetString() == id));
        Assert.True(score >= 0.6, $"{score:0.00}: {string.Join("; ", missed)}");
        Assert.True(claimed - score <= 0.2, $"claims {claimed:0.00} and reaches {score:0.00}: {string.Join("; ", missed)}");
    }

    [Fact]
    public void On_the_whole_they_become_their_dances_and_no_more_is_claimed()
    {
        var judged = Cases.Select(Judge).ToList();
        Assert.InRange(judged.Average(j => j.Score), 0.93, 1);
        Assert.InRange(judged.Average(j => Math.Max(0, j.Claimed - j.Score)), 0, 0.03);
    }

    [Fact]
    public void What_is_said_is_kept_or_put_aside_and_never_danced()
    {
        foreach (var entry in Cases)
        {
            var pasted = ProseReader.Read(entry.GetProperty("text").GetString()!);
            var danced = Analysis.Analyse(pasted.Script).Trace.Parts.SelectMany(p => p.Actions).Select(a => a.Action.Row).ToHashSet();
            var rows = pasted.Script.Split('\n');
            foreach (var aside in entry.GetProperty("truth").GetProperty("mustAside").EnumerateArray().Select(a => a.GetString()!))
            {
                Assert.DoesNotContain(danced, row => rows[row - 1].Contains(aside, StringComparison.OrdinalIgnoreCase));
            }
        }
    }

    /// <summary>A text in one line, as some programs paste it: nothing is made up of it, and it is told what to do.</summary>
    [Theory]
    [InlineData(400, false)]
    [InlineData(401, true)]
    public void Lost_line_breaks_are_told(int letters, bool isTold)
    {
        var pasted = ProseReader.Read("Subject: the new one " + "x".PadRight(letters - 21, 'y'));
        Assert.Equal(isTold, pasted.Doubts.Any(d => d.StartsWith($"One line has {letters} letters", StringComparison.Ordinal)));
    }

    [Fact]
    public void A_long_remark_beside_steps_that_are_understood_is_none() =>
        Assert.DoesNotContain(
            ProseReader.Read($"part A\n1-4 vine right\n5-8 vine left\nnote {string.Join(' ', Enumerable.Repeat("breathe", 60))}").Doubts,
            d => d.Contains("letters", StringComparison.Ordinal));
}
