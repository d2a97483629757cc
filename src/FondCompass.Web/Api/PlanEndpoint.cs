using FondCompass.Core;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Api;

/// <summary>POST /api/plan: minutes, dances and a way of teaching in, a lesson out.</summary>
internal static class PlanEndpoint
{
    private const int MostDances = 60, MostPins = 500, MostRungs = 12;

    private static readonly Dictionary<string, DanceUse> Uses = new()
    {
        ["taught"] = DanceUse.Taught,
        ["warm-up"] = DanceUse.WarmUp,
        ["cool-down"] = DanceUse.CoolDown,
        ["party"] = DanceUse.Party,
    };

    public static void MapPlan(this WebApplication app) =>
        app.MapJson<PlanBody, PlanJson>(
            "/api/plan",
            ApiTexts.WhatIsPlanned,
            (body, cancel) => PlanJson.From(LessonPlanner.Plan(Read(body, cancel), null, cancel)));

    private static LessonBrief Read(ApiBody body, CancellationToken cancel)
    {
        var minutes = body.Number("minutes") ?? throw RefusedException.Missing(ApiTexts.MinutesAsNumber);
        if (!(minutes > 0 && minutes <= LessonBrief.Longest))
        {
            throw RefusedException.Impossible(ApiTexts.LessonMinutesSent(minutes, LessonBrief.Longest));
        }

        var sent = body.Objects("dances") ?? throw RefusedException.Missing(ApiTexts.DancesAsList);
        if (sent.Count > MostDances)
        {
            throw RefusedException.Impossible(ApiTexts.MostDancesSent(sent.Count, MostDances));
        }

        var (dances, size) = (new List<LessonDance>(), default(LessonSize));
        foreach (var dance in sent.Select(d => Dance(d, cancel)))
        {
            dances.Add(dance);
            size += LessonSize.Measure(dance);
            if (size.IsTooMuch)
            {
                throw RefusedException.Impossible(
                    ApiTexts.FirstDancesAreTooMuch(dances.Count, size.ToString(), LessonSize.Most.ToString()));
            }
        }

        var (knowledge, group) = Group(body.Object("group"));
        var kind = body.Word("kind", WayWords.Kinds) ?? LessonKind.Hall;
        var usual = LessonKinds.RulesOf(kind).Way(dances.Find(d => !d.IsKnown)?.Analysis.Dance.IsPhrased ?? false);
        return new LessonBrief(minutes, dances, Way(body.Object("way"), usual), knowledge)
        {
            Kind = kind,
            PaceName = body.Word("pace", WayWords.Paces),
            Group = group,
            Changes = new BlockChanges { Pins = Pins(body) },
        };
    }

    private static LessonDance Dance(ApiBody body, CancellationToken cancel)
    {
        var analysis = Analysis.WhileWaited(body.Script(), null, cancel);
        var song = body.Song();
        return new LessonDance(
            analysis,
            body.Bpm() ?? analysis.Dance.Header.Tempo?.Value ?? Bites.UsualTempo,
            song,
            body.Flag("known") ?? false)
        {
            Use = body.Word("use", Uses) ?? DanceUse.Taught,
            Kept = body.Number("kept", 0, 1) ?? 1,
        };
    }

    private static TeachingWay Way(ApiBody? sent, TeachingWay usual)
    {
        if (sent is not { } way)
        {
            return usual;
        }

        var ladder = way.Numbers("ladder");
        if (ladder is not null && (ladder.Count > MostRungs || !ladder.All(Rate.IsValid)))
        {
            throw RefusedException.Impossible(
                ApiTexts.LadderSent(way.At, MostRungs, Rate.Slowest, Rate.Fastest));
        }

        var progress = way.Word("progress", WayWords.ProgressSchools);
        return usual with
        {
            // Who says how it is danced to its music has runs, whatever the kind of lesson leaves to gifts.
            RunIsGift = usual.RunIsGift && progress is null,
            Pace = way.Word("pace", WayWords.Paces),
            Order = way.Word("order", WayWords.Orders) ?? usual.Order,
            Demonstration = way.Flag("demonstration") ?? usual.Demonstration,
            Layers = way.Word("layers", WayWords.LayerSchools) ?? usual.Layers,
            Ladder = ladder is null ? usual.Ladder : [.. ladder.Distinct().Order().Select(r => new Rate(r))],
            Walls = way.Word("walls", WayWords.WallSchools) ?? usual.Walls,
            Music = way.Word("music", WayWords.MusicSchools) ?? usual.Music,
            Cues = way.Word("cues", WayWords.CueSchools) ?? usual.Cues,
            Counting = way.Word("counting", WayWords.CountStyles) ?? usual.Counting,
            Mistakes = way.Word("mistakes", WayWords.MistakeSchools) ?? usual.Mistakes,
            Progress = progress ?? usual.Progress,
            CountIn = way.Whole("countIn", 0, 64) ?? usual.CountIn,
            Until = way.Whole("until", 1, 100_000) ?? usual.Until,
        };
    }

    private static (ClassKnowledge Knowledge, GroupPace Pace) Group(ApiBody? sent)
    {
        if (sent is not { } group)
        {
            return (new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner), GroupPace.Unknown);
        }

        var level = group.Word("level", WayWords.Levels) ?? ClassLevel.Beginner;
        var pace = group.Object("pace");
        return (new ClassKnowledge(StepLexicon.Shipped, level, group.Texts("knows"), group.Texts("seen")), new GroupPace
        {
            SecondsPerAction = pace?.Number("secondsPerAction", 0.1, 600),
            TalkPerBite = pace?.Number("talkPerBite", 0, 3600),
            Regroup = pace?.Number("regroup", 0, 3600),
            WarmUpMinutes = group.Number("warmUp", 0, LessonBrief.Longest),
            CoolDownMinutes = group.Number("coolDown", 0, LessonBrief.Longest),
        });
    }

    private static List<BlockPin> Pins(ApiBody body)
    {
        var sent = body.Objects("pins") ?? [];
        return sent.Count > MostPins
            ? throw RefusedException.Impossible(ApiTexts.MostPinsSent(sent.Count, MostPins))
            : [.. sent.Select(p => new BlockPin(
                p.Text("block") ?? throw RefusedException.Missing(ApiTexts.BlockWithId(p.At)),
                p.Number("seconds", 0, LessonBrief.Longest * 60),
                p.Whole("repeats", 1, LessonPlanner.MostPinnedRepeats)))];
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
