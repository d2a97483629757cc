using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Boards;

/// <summary>Moves called without an order: only what feet and counts allow.</summary>
public class LiveMovesTests
{
    private static LiveMoves Of(params string[] names) => LiveMoves.Find(names, 112, StepLexicon.Shipped).Moves;

    [Fact]
    public void A_move_fills_its_eight_on_alternating_sides_where_the_feet_ask_for_it()
    {
        var vine = Assert.Single(Of("vine").Moves);
        Assert.Equal(4, vine.Counts);
        // From the left the right foot is free: to the right and back, and the left carries again.
        var right = vine.From(Weight.Left)!;
        Assert.Equal([false, true], right.Stretches.Select(s => s.Mirrored));
        Assert.Equal((Weight.Left, 0), (right.Ends, right.Turn.Value));
        Assert.Equal("R", right.Steps.First().Foot.Letter());
        Assert.Equal("L", vine.From(Weight.Right)!.Steps.First().Foot.Letter());
        Assert.Equal([0, 1, 2, 3, 4, 5, 6, 7], right.Steps.Select(s => s.Count));
    }

    [Fact]
    public void Only_what_the_free_foot_allows_is_offered_easy_ones_first()
    {
        var (moves, leftOut) = LiveMoves.Find(["vine", "march", "wizzle the wobble", "rocking chair"], 112, StepLexicon.Shipped);
        Assert.Equal(["wizzle the wobble"], leftOut);
        Assert.Equal(3, moves.Moves.Count);
        Assert.Equal(moves.Moves.Select(m => m.Difficulty).Order(), moves.Moves.Select(m => m.Difficulty));
        Assert.All(
            moves.Offered(Weight.Left),
            m => Assert.Equal("R", m.From(Weight.Left)!.Steps.First(s => s.Foot.IsSingle()).Foot.Letter()));
        Assert.Empty(moves.Offered(Weight.Unknown));
    }

    [Fact]
    public void A_dances_lines_are_moves_too_on_either_side()
    {
        var analysis = Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L\n1-4 lock step R forward\n5-8 lock step L forward\n1-6 march R");
        var lines = LiveMoves.OfLines(analysis, 112, StepLexicon.Shipped);
        // The line of six goes into no eight.
        Assert.Equal(2, lines.Moves.Count);
        Assert.Equal(8, lines.Eight);
        Assert.All(lines.Moves, m => Assert.NotNull(m.From(Weight.Left)));
        Assert.True(lines.Moves[0].From(Weight.Right)!.Stretches[0].Mirrored);
    }

    [Fact]
    public void Random_calls_are_all_danced_and_the_trace_agrees()
    {
        var knowledge = new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Regular);
        var moves = LiveMoves.Find(knowledge.WhatEverybodyKnows.Order(StringComparer.Ordinal), 112, StepLexicon.Shipped).Moves;
        Assert.True(moves.Moves.Count > 25, $"{moves.Moves.Count} moves");
        var random = new Random(61);
        var calls = 0;
        while (calls < Trials.Of(1_500))
        {
            var weight = random.Next(2) == 0 ? Weight.Left : Weight.Right;
            var (script, starts) = ($"start weight {weight.Letter()}\npart M\n", new List<Weight>());
            var free = 1.0;
            for (var eight = 0; eight < 50; eight++, calls++)
            {
                var offered = moves.Offered(weight, free).ToList();
                Assert.NotEmpty(offered);
                var move = offered[random.Next(offered.Count)];
                var danced = move.From(weight, free)!;
                starts.Add(weight);
                Assert.Equal(8, danced.Stretches.Sum(s => s.Counts));
                for (var i = 0; i < danced.Stretches.Count; i++)
                {
                    var stretch = danced.Stretches[i];
                    var foot = (stretch.Mirrored ? danced.Lead.Other() : danced.Lead).Letter();
                    script += $"{(i * move.Counts) + 1}{(move.Counts == 1 ? "" : $"-{(i + 1) * move.Counts}")} {move.Name} {foot}\n";
                }

                (weight, free) = (danced.Ends, danced.Free);
            }

            var trace = Analysis.Analyse(script);
            var ends = starts.Skip(1).Append(weight).ToList();
            var apart = trace.Trace.Parts[0].Lines.Zip(ends).FirstOrDefault(l => l.First.State.Weight != l.Second);
            Assert.True(apart.First is null, $"line {apart.First?.Line}: {apart.First?.State.Weight} for {apart.Second}\n{script}");
            Assert.True(
                trace.Findings.All(f => f.Severity != Severity.Error),
                string.Join(
                    '\n',
                    trace.Findings.Where(f => f.Severity == Severity.Error)
                        .Select(f =>
                            $"{f.Message}: {script.Split('\n')[f.Place.Row!.Value - 2]} / {script.Split('\n')[f.Place.Row!.Value - 1]}")));
        }
    }
}
