using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Plans;

/// <summary>Numbers of a plan that an instructor would notice: water, turns that are fast at tempo.</summary>
public class PlanBoundaryTests
{
    private static LessonPlan Plan(string script, double bpm) => LessonPlanner.Plan(new LessonBrief(
        60,
        [new LessonDance(Analysis.Analyse(script), bpm)],
        LessonKinds.RulesOf(LessonKind.Hall).Way(false),
        new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner)));

    [Fact]
    public void Water_takes_two_minutes_in_the_middle_of_what_is_new()
    {
        var plan = Plan(Dances.Demo["slack-tide-stroll"], 112);
        var water = plan.Blocks.Where(b => b.Kind == BlockKind.Water).ToList();
        Assert.Equal(120, Assert.Single(water).Seconds);
    }

    /// <summary>A whole turn over two counts is told where it goes round in less than 2.4 s: over 50 a minute.</summary>
    [Theory]
    [InlineData(45, false)]
    [InlineData(49.5, false)]
    [InlineData(50.5, true)]
    [InlineData(112, true)]
    public void A_turn_that_is_fast_at_tempo(double bpm, bool isTold) =>
        Assert.Equal(
            isTold,
            Plan("part A\n1 step R forward, turn 1/2 right\n2 step L back, turn 1/2 right\n3-8 march R", bpm)
                .Cautions.Any(c => c.Code == "SPIN01"));
}
