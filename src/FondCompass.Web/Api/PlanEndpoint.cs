using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Api.Bodies;

namespace FondCompass.Web.Api;

/// <summary>POST /api/plan: minutes, dances and a way of teaching in, a lesson out.</summary>
internal static class PlanEndpoint
{
    internal const int MostDances = 60, MostPins = 500;

    internal static readonly IReadOnlyDictionary<string, DanceUse> Uses = new Dictionary<string, DanceUse>
    {
        ["taught"] = DanceUse.Taught,
        ["warm-up"] = DanceUse.WarmUp,
        ["cool-down"] = DanceUse.CoolDown,
        ["party"] = DanceUse.Party,
    };

    public static void MapPlan(this WebApplication app) =>
        app.MapPost("/api/plan", (PlanBody body, CancellationToken cancel) =>
                TypedResults.Ok(PlanJson.From(LessonPlanner.Plan(Read(body, cancel), null, cancel))))
            .TakesJson<PlanBody, PlanJson>(ApiTexts.WhatIsPlanned);

    private static LessonBrief Read(PlanBody body, CancellationToken cancel)
    {
        var (dances, size) = (new List<LessonDance>(), default(LessonSize));
        foreach (var dance in body.Dances.Select(d => Dance(d, cancel)))
        {
            dances.Add(dance);
            size += LessonSize.Measure(dance);
            if (size.IsTooMuch)
            {
                throw RefusedException.Impossible(
                    ApiTexts.FirstDancesAreTooMuch(dances.Count, size.ToString(), LessonSize.Most.ToString()));
            }
        }

        var (knowledge, group) = Group(body.Group);
        var kind = WayWords.Kinds.Meant(body.Kind) ?? LessonKind.Hall;
        var usual = LessonKinds.RulesOf(kind).Way(dances.Find(d => !d.IsKnown)?.Analysis.Dance.IsPhrased ?? false);
        return new LessonBrief(body.Minutes, dances, Way(body.Way, usual), knowledge)
        {
            Kind = kind,
            PaceName = WayWords.Paces.Meant(body.Pace),
            Group = group,
            Changes = new BlockChanges { Pins = [.. (body.Pins ?? []).Select(p => new BlockPin(p.Block, p.Seconds, p.Repeats))] },
        };
    }

    private static LessonDance Dance(PlanDanceBody body, CancellationToken cancel)
    {
        var analysis = JsonEndpoints.Analysed(body.Script, cancel);
        return new LessonDance(
            analysis,
            body.Bpm ?? analysis.Dance.Header.Tempo?.Value ?? Bites.UsualTempo,
            body.Song?.Song(),
            body.Known ?? false)
        {
            Use = Uses.Meant(body.Use) ?? DanceUse.Taught,
            Kept = body.Kept ?? 1,
        };
    }

    private static TeachingWay Way(PlanWayBody? sent, TeachingWay usual)
    {
        if (sent is not { } way)
        {
            return usual;
        }

        var progress = WayWords.ProgressSchools.Meant(way.Progress);
        return usual with
        {
            // Who says how it is danced to its music has runs, whatever the kind of lesson leaves to gifts.
            RunIsGift = usual.RunIsGift && progress is null,
            Pace = WayWords.Paces.Meant(way.Pace),
            Order = WayWords.Orders.Meant(way.Order) ?? usual.Order,
            Demonstration = way.Demonstration ?? usual.Demonstration,
            Layers = WayWords.LayerSchools.Meant(way.Layers) ?? usual.Layers,
            Ladder = way.Ladder is { } ladder ? [.. ladder.Distinct().Order().Select(r => new Rate(r))] : usual.Ladder,
            Walls = WayWords.WallSchools.Meant(way.Walls) ?? usual.Walls,
            Music = WayWords.MusicSchools.Meant(way.Music) ?? usual.Music,
            Cues = WayWords.CueSchools.Meant(way.Cues) ?? usual.Cues,
            Counting = WayWords.CountStyles.Meant(way.Counting) ?? usual.Counting,
            Mistakes = WayWords.MistakeSchools.Meant(way.Mistakes) ?? usual.Mistakes,
            Progress = progress ?? usual.Progress,
            CountIn = way.CountIn ?? usual.CountIn,
            Until = way.Until ?? usual.Until,
        };
    }

    private static (ClassKnowledge Knowledge, GroupPace Pace) Group(PlanGroupBody? sent)
    {
        if (sent is not { } group)
        {
            return (new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner), GroupPace.Unknown);
        }

        var level = WayWords.Levels.Meant(group.Level) ?? ClassLevel.Beginner;
        return (new ClassKnowledge(StepLexicon.Shipped, level, group.Knows, group.Seen), new GroupPace
        {
            SecondsPerAction = group.Pace?.SecondsPerAction,
            TalkPerBite = group.Pace?.TalkPerBite,
            Regroup = group.Pace?.Regroup,
            WarmUpMinutes = group.WarmUp,
            CoolDownMinutes = group.CoolDown,
        });
    }
}

internal sealed record PlanJson(
    double Seconds,
    double Over,
    IEnumerable<BlockJson> Blocks,
    IEnumerable<GiveJson> Gives,
    IEnumerable<BiteJson> Bites,
    IEnumerable<CareJson> Cautions)
{
    public static PlanJson From(LessonPlan plan) => new(
        plan.TotalSeconds,
        plan.Over,
        plan.Blocks.Select(BlockJson.FromBlock),
        plan.Gives.Where(g => g.Version.Length == 0).Select(GiveJson.From),
        plan.Bites.SelectMany((dance, i) => dance.Select(b => BiteJson.From(b, i))),
        plan.Cautions.Select(c => new CareJson(c.Code, c.Message, c.Gentler)));
}

internal sealed record BlockJson(
    string Id,
    string Kind,
    string Title,
    int? Dance,
    string? Part,
    IReadOnlyList<int>? Lines,
    int? Counts,
    int? Repeats,
    int? Starts,
    int? CountIn,
    double? RatePercent,
    IEnumerable<string> Walls,
    string? Layer, double From, double Seconds, string Why, IReadOnlyList<string> Say, IReadOnlyList<string> Watch)
{
    public static BlockJson FromBlock(LessonBlock block) => new(
        block.Id,
        KindOf(block.Kind),
        block.Title,
        block.Dance,
        block.Part,
        block.Lines,
        block.Counts,
        block.Repeats,
        block.Starts,
        block.IsDanced ? block.CountIn : null,
        block.Rate?.Percent,
        block.Walls.Select(w => w.ToString()), block.Layer, block.From, block.Seconds, block.Why, block.Say, block.Watch);

    /// <summary>warm-up, look-back, cool-down, and the others as they are.</summary>
    public static string KindOf(BlockKind kind) => kind switch
    {
        BlockKind.WarmUp => "warm-up",
        BlockKind.LookBack => "look-back",
        BlockKind.CoolDown => "cool-down",
        _ => kind.ToString().ToLowerInvariant(),
    };
}

/// <param name="Progress">Null where a run to the music is left to gifts, as the kind has it.</param>
internal sealed record WayJson(
    string? Pace,
    string Order,
    bool Demonstration,
    string Layers,
    IEnumerable<double> Ladder,
    string Walls,
    string Music,
    string Cues,
    string Mistakes,
    string? Progress,
    int? CountIn,
    int? Until)
{
    public static WayJson From(TeachingWay way) => new(
        way.Pace is { } pace ? WayWords.Of(pace) : null,
        WayWords.Of(way.Order),
        way.Demonstration,
        WayWords.Of(way.Layers),
        way.Ladder.Select(r => r.Percent),
        WayWords.Of(way.Walls),
        WayWords.Of(way.Music),
        WayWords.Of(way.Cues),
        WayWords.Of(way.Mistakes),
        way.RunIsGift ? null : WayWords.Of(way.Progress),
        way.CountIn,
        way.Until);
}

internal sealed record GiveJson(string What, double SavesSeconds, WayJson Way)
{
    public static GiveJson From(OfferedWayOut give) => new(give.What, give.SavesSeconds, WayJson.From(give.Way));
}

internal sealed record TermJson(string What, double Points);

/// <param name="Of">Title of the dance it is of, where that is another; else null.</param>
internal sealed record BitePlaceJson(string Part, int Line, string? Of);

internal sealed record BiteJson(
    string Part,
    int Line,
    string Name,
    int Dance,
    BitePlaceJson? SameAs,
    string Relation,
    double Difficulty,
    IEnumerable<TermJson> Terms,
    double ExpectedLoss,
    double Novelty)
{
    public static BiteJson From(Bite bite, int dance) => new(
        bite.Part,
        bite.Line,
        bite.Name,
        dance,
        bite.SameAs is { } like
            ? new BitePlaceJson(like.Part, like.Line, like.DanceTitle == bite.DanceTitle ? null : like.DanceTitle)
            : null,
        LessonWords.Say(bite.Relation),
        bite.Difficulty.Points, bite.Difficulty.Terms.Select(t => new TermJson(t.Why, t.Points)), bite.Loss, bite.Novelty);
}

internal sealed record CareJson(string Code, string Message, string Gentler);
