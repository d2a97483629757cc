using System.Collections;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Calling;
using FondCompass.Core.Comparing;
using FondCompass.Core.Editing;
using FondCompass.Core.Floor;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Courses;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Teaching.Rooms;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Fits;
using Xunit;
using static FondCompass.Core.Tests.WrittenOut.Table;

namespace FondCompass.Core.Tests.WrittenOut;

/// <summary>
/// All that the core makes of a dance, written out in tables that somebody who teaches can read, beside this file. Whoever changes a rule,
/// a constant or a
/// sentence sees here what else it changes; FOND_WRITE_DOCS=1 writes them anew, and the difference is to be read before it is kept.
/// </summary>
public class WrittenOut
{
    private const double Bpm = 112;

    private static string Folder => Path.Combine(Dances.Root(), "tests", "FondCompass.Core.Tests", "WrittenOut");

    private static readonly Dictionary<string, string> Scripts = Dances.Demo
        .Concat(Directory.EnumerateFiles(Path.Combine(Folder, "Dances"), "*.dance")
            .Select(f => KeyValuePair.Create(Path.GetFileNameWithoutExtension(f), File.ReadAllText(f))))
        .ToDictionary();

    /// <summary>Rows that are hard to read, trace or judge, by what is hard about them.</summary>
    private static readonly Dictionary<string, string> Rows = Directory.EnumerateFiles(Path.Combine(Folder, "Rows"), "*.dance")
        .ToDictionary(f => Path.GetFileNameWithoutExtension(f), File.ReadAllText);

    private static readonly Dictionary<string, Action<Table, Analysis>> Tables = new()
    {
        ["danced"] = Danced,
        ["hard"] = Hard,
        ["run"] = Run,
        ["fit"] = Fit,
        ["plans"] = Plans,
        ["ways"] = Ways,
        ["cues"] = Cues,
        ["room"] = Room,
        ["board"] = Board,
        ["blocks"] = Blocks,
        ["swaps"] = Swaps,
        ["offers"] = Offers,
        ["floor"] = Floor,
        ["course"] = CourseOf,
        ["beside"] = Beside,
    };

    public static TheoryData<string, string> Each =>
        [.. Scripts.Keys.Order(StringComparer.Ordinal)
            .SelectMany((s, i) => Tables.Keys.Where(t => t != "ways" || i % 2 == 0).Select(t => (s, t)))];

    public static TheoryData<string> EachOfRows => [.. Rows.Keys.Order(StringComparer.Ordinal)];

    [Theory]
    [MemberData(nameof(EachOfRows))]
    public void So_are_rows(string topic)
    {
        var now = new Table();
        var analysis = Analysis.Analyse(Rows[topic]);
        Danced(now, analysis);
        Run(now, analysis, Songs.Take(1));
        now.Compare(Path.Combine("Rows", $"{topic}.txt"));
    }

    [Theory]
    [MemberData(nameof(Each))]
    public void Is_as_it_is_written(string dance, string table)
    {
        var now = new Table();
        Tables[table](now, Analysis.Analyse(Scripts[dance]));
        now.Compare(Path.Combine(dance, $"{table}.txt"));
    }

    /// <summary>Every step of the lexicon with its forms, names and cues, loaded anew.</summary>
    [Fact]
    public void So_is_the_lexicon()
    {
        var lexicon = StepLexicon.Load(
            Core.Lexicon.LexiconFiles.Texts(n => char.IsAsciiDigit(n.Split('.')[^2][0])),
            Core.Lexicon.LexiconFiles.Texts(n => n.EndsWith(".lang.yaml", StringComparison.Ordinal)));
        var now = new Table();
        foreach (var step in lexicon.Steps)
        {
            now.Head(
                $"{step.Name}, level {step.Level}, trusted from {step.Trust}: "
                    + $"{string.Join(", ", step.Genres)}{(step.Repeats ? " repeats" : "")}{(step.Pivots ? " pivots" : "")}{(step.IsManner ? " manner" : "")}{(step.HighImpact ? " off the floor" : "")} {step.TurnAt} {step.Caution} | {step.Cue}");
            now.Row(
                $"also {string.Join(", ", step.Aliases)} | "
                    + $"{string.Join("; ", step.LocalNames.Select(l => $"{l.Key}: {string.Join(", ", l.Value)}"))} | "
                        + $"{string.Join("; ", step.Languages.OrderBy(l => l.Key, StringComparer.Ordinal).Select(l => $"{l.Key}: {string.Join(", ", l.Value)}"))}");
            foreach (var form in step.Forms)
            {
                now.Row(
                    $"{form.Counts}: "
                        + $"{string.Join("; ", form.Actions.Select(a => $"{a.At.InCounts:0.##} {a.Phrase.Name} {string.Join('+', a.Phrase.Feet)} {a.Phrase.Direction}{(a.Phrase.DirectionSlot ? "*" : "")} {(a.Phrase.Turn is { } turn ? $"turn {turn.Amount * turn.Side}{(turn.First ? " first" : "")}" : "")}{(a.Phrase.TurnSlot ? "*" : "")}"))}");
            }
        }

        foreach (var name in (string[])[
            "vine", "vines", "toe touches", "basic", "basics", "Grapevine", "grape-vine", "nothing of the kind", "s", "xs", "es"
        ])
        {
            var words = Core.Text.Lexer.Read(name).Select(x => x.Text).ToList();
            foreach (var genre in Enum.GetValues<Core.Notation.Genre>())
            {
                var local = lexicon.For(genre, genre == Core.Notation.Genre.Line ? 6 : 8);
                var found = local.Find(words, 0, words.Count, out var plural);
                now.Row(
                    $"'{name}' in {genre} ({local.Genre}): {found?.Name} "
                        + $"{(plural ? "plural " : "")}{string.Join(", ", local.Otherwise(words, 0, words.Count).Select(s => s.Name))} "
                            + $"{local.Find(name)?.Name} begins {local.MayBegin(words[0])} of {local.LongestName} words");
            }
        }

        now.Compare("lexicon.txt");
    }

    private static void Danced(Table t, Analysis a)
    {
        var trace = a.Trace;
        t.Row(
            $"{trace.TotalCounts} counts; from weight {trace.StartWeight} facing {trace.StartFacing} to weight {trace.EndWeight} facing "
                + $"{trace.EndFacing}; turns {trace.NetTurn} in all; walls {string.Join(' ', trace.WallOrder)}; "
                    + $"{(trace.Mirrors ? "mirrors" : "does not mirror")}; {(trace.GoesRound ? "goes round" : "does not go round")}");
        foreach (var part in trace.Parts.Concat(trace.StandIns).Concat(trace.LaterCalls))
        {
            t.Head($"{part.Part.Name}: {part.Part.Counts} counts");
            foreach (var x in part.Actions)
            {
                t.Row(
                    $"{x.Action.Line}.{x.Action.Beat.Label()} row {x.Action.Row}: {x.Action.Name} | {x.Action.Verb.Name} {x.Foot} "
                        + $"{x.Direction} turn {x.Turn}{(x.TurnFirst ? " first" : "")} | weight {x.After.Weight} facing "
                            + $"{x.After.Facing} {x.After.Stance} left {At(x.After.Left)} right "
                                + $"{At(x.After.Right)}{(x.Fault == Fault.None ? "" : $" | {x.Fault} since {x.HeldSince}")}{Layers(x)}");
            }
        }

        t.Head("findings");
        foreach (var f in a.WithTriedFixes().Findings)
        {
            t.Row(
                $"{f.Code} {f.Severity} row {f.Place.Row} {f.Place.Part} {f.Place.Line}.{f.Place.Count}: "
                    + $"{f.Message}{(f.Fix is { } fix ? $" [{fix.Label}: row {fix.Row} {fix.NewText}]" : "")}");
        }

        t.Head("as it is read");
        foreach (var read in a.Reads)
        {
            t.Row(read);
        }
    }

    private static string Layers(TracedAction x) => x.Action.Layers.Count == 0 ? "" : $" + {string.Join(", ", x.Action.Layers)}";

    private static void Hard(Table t, Analysis a)
    {
        foreach (var part in a.Trace.Parts)
        {
            foreach (var line in part.Part.Lines)
            {
                var difficulty = Difficulty.OfLine(part, line.Number, Bpm);
                t.Row(
                    $"{part.Part.Name}:{line.Number} {difficulty.Points:0.000} = "
                        + $"{string.Join(" + ", difficulty.Terms.Select(x => $"{x.Points:0.000} {x.Why}"))}");
            }

            t.Row(FitWording.Say(TempoLimits.LimitOf(part, a.Dance.Header.Genre)));
            foreach (var limit in TempoLimits.Each(part, a.Dance.Header.Genre).Where(l => double.IsFinite(l.Bpm)))
            {
                t.Row(limit);
            }
        }

        foreach (var level in Enum.GetValues<ClassLevel>())
        {
            t.Head($"bites for a class of {level}");
            foreach (var bite in Bites.Cut(a, new ClassKnowledge(StepLexicon.Shipped, level), Bpm))
            {
                t.Row(
                    $"{bite.Key} {bite.Name} | {bite.Relation} {bite.SameAs?.Key} | {bite.Counts} counts, {bite.Footed} of the feet | "
                        + $"{bite.Difficulty.Points:0.000} points | loss {bite.Loss:0.0000} novelty {bite.Novelty:0.000} | "
                            + $"{bite.Feet.Begins} to {bite.Feet.Ends}{(bite.Jumps ? " jumps" : "")} | "
                                + $"{string.Join(", ", bite.Layers.Select(l => l.Text))} | {string.Join("; ", bite.Watch)} | "
                                    + $"{string.Join(" + ", bite.Difficulty.Terms.Select(x => $"{x.Points:0.00} {x.Why}"))}");
            }
        }
    }

    private static IEnumerable<(string Title, Song Song)> Songs =>
        PresetSongs.All.Select(p => (p.Title, SongText.Read(p.Text, new Bpm(Bpm)).Song)).Append(("steady", Song.Steady(300, new Bpm(150))));

    private static void Run(Table t, Analysis a) => Run(t, a, Songs);

    private static void Run(Table t, Analysis a, IEnumerable<(string Title, Song Song)> songs)
    {
        foreach (var (title, song) in songs)
        {
            var run = RunUnroller.Unroll(a.Trace, song, a.Dance.Header.Intro);
            t.Head($"{title}: {song.Counts} counts, pattern of {run.PatternSeconds:0.00} s");
            foreach (var repeat in run.Repeats)
            {
                t.Row(
                    $"{repeat.Index} (call {repeat.Call}) {repeat.Called}: {repeat.FromCount} to {repeat.ToCount}, "
                        + $"{repeat.StartSeconds:0.00} s, {repeat.StartFacing} to {repeat.EndFacing}, weight {repeat.StartWeight}, wall "
                            + $"{run.WallOf(repeat)}{(repeat.Mirrored ? " mirrored" : "")}{(repeat.Cut ? " cut" : "")}");
            }

            foreach (var e in run.Events)
            {
                t.Row($"{e.Kind} after {e.AfterRepeat} at count {e.AtCount}, {e.Seconds.Value:0.00} s, facing {e.Facing}, wall {e.Wall}");
            }

            if (run.Ending is { } end)
            {
                t.Row(
                    $"ends on count {end.Count} of {end.Part} facing {end.Facing}: "
                        + $"{string.Join(" / ", end.Ways.Select(w => $"{FitWording.Say(w)} {FitRows.Write(w)}"))}");
            }

            foreach (var f in run.Findings)
            {
                t.Row($"{f.Code} {f.Place.Row}: {f.Message}");
            }

            foreach (var p in TempoLimits.Past(run))
            {
                t.Row($"{p.SongCount}, {p.Seconds.Value:0.00} s: {FitWording.Say(p)}");
            }

            foreach (var m in PartMeetings.Judge(run).All)
            {
                t.Row(m);
            }

            foreach (var row in TempoComparison.Compare(run, StepLexicon.Shipped))
            {
                t.Row(row);
            }
        }
    }

    private static void Fit(Table t, Analysis a)
    {
        foreach (var (title, song) in Songs.Take(5))
        {
            foreach (var (constraints, what) in new[]
            {
                (new FitConstraints(), "anything"),
                (new FitConstraints(NoTags: true, WholeLinesOnly: true), "no tags, whole lines"),
                (new FitConstraints(NoRestarts: true, MostTags: 1, NoMoves: true), "no restarts, one tag")
            })
            {
                t.Head($"{title}, {what}");
                foreach (var fit in PhraseFit.Ranked(a.Trace, song, a.Dance.Header.Intro, constraints))
                {
                    t.Row(
                        $"off {fit.OffBefore} to {fit.OffAfter}{(fit.Narrowed ? ", narrowed" : "")}; looked at {fit.Work}, reckoned "
                            + $"{fit.Reckoned}; starts {string.Join(' ', fit.Starts)}; "
                                + $"{string.Join(' ', fit.Changes.Select(c => $"{FitWording.InList(c)} ({FitRows.Write([c]).ReplaceLineEndings(" / ")})"))}");
                }
            }
        }
    }

    private static IEnumerable<(string What, TeachingWay Way)> Schools =>
        Enum.GetValues<TeachingOrder>().Select(o => ($"{o}", new TeachingWay { Order = o }))
            .Concat([
                ("all at once, weighted walls, late music", new TeachingWay
                {
                    Layers = LayerSchool.AllAtOnce,
                    Walls = WallSchool.Weighted,
                    Music = MusicSchool.Late
                }),
                ("first wall only, early music, stop at mistakes", new TeachingWay
                {
                    Walls = WallSchool.FirstOnly,
                    Music = MusicSchool.Early,
                    Mistakes = MistakeSchool.Stop,
                    Demonstration = false
                }),
                ("runs only, fading", new TeachingWay
                {
                    Progress = ProgressSchool.RunsOnly,
                    Cues = CueSchool.Fading,
                    CountIn = 4,
                    Ladder = [new Rate(50), new Rate(100)]
                }),
                ("one run", new TeachingWay { Progress = ProgressSchool.OneRun, Cues = CueSchool.Steady, Until = 2 }),
            ]);

    private static LessonPlan Plan(Analysis a, double minutes, TeachingWay way, ClassLevel level, Song? song = null) =>
        LessonPlanner.Plan(new LessonBrief(minutes, [new LessonDance(a, Bpm, song)], way, new ClassKnowledge(StepLexicon.Shipped, level)));

    private static void Write(Table t, LessonPlan plan, bool why)
    {
        t.Row(
            $"{LessonWords.Clock(plan.TotalSeconds)} of {LessonWords.Clock(plan.LessonSeconds)}, least {plan.LeastSeconds:0.0} s, over "
                + $"{plan.Over:0.0} s");
        foreach (var b in plan.Blocks)
        {
            t.Row(
                $"{b.From,7:0.0} {b.Seconds,6:0.0} s {b.Kind} {b.Id} '{b.Title}' {b.Counts}×{b.Repeats} in {b.Starts} starts of "
                    + $"{b.CountIn} at {b.Rate} effort {b.Effort:0.00} {string.Join(' ', b.Walls)} "
                        + $"{b.Layer}{(b.IsRest ? " rest" : "")}{(why ? $" | {b.Why} | say {string.Join("; ", b.Say)} | watch {string.Join("; ", b.Watch)}" : "")}");
        }

        foreach (var give in plan.Gives)
        {
            t.Row($"or: {give.What} saves {give.SavesSeconds:0.0} s");
        }

        foreach (var care in plan.Cautions)
        {
            t.Row($"{care.Code}: {care.Message} {care.Gentler}");
        }
    }

    private static void Plans(Table t, Analysis a)
    {
        foreach (var level in Enum.GetValues<ClassLevel>())
        {
            t.Head($"an hour, {level}");
            Write(t, Plan(a, 60, LessonKinds.RulesOf(LessonKind.Hall).Way(a.Dance.IsPhrased), level), why: level == ClassLevel.Beginner);
        }

        t.Head("to a song that gathers speed");
        Write(t, Plan(a, 45, new TeachingWay(), ClassLevel.Improver, Songs.ElementAt(2).Song), why: false);
    }

    private static void Ways(Table t, Analysis a)
    {
        // In turn too short and long enough.
        foreach (var ((what, way), i) in Schools.Select((s, i) => (s, i)))
        {
            var minutes = i % 2 == 0 ? 25 : 90;
            t.Head($"{what}, {minutes} minutes");
            Write(t, Plan(a, minutes, way, ClassLevel.Improver), why: false);
        }
    }

    private static void Cues(Table t, Analysis a)
    {
        var run = RunUnroller.Unroll(a.Trace, Songs.First().Song, a.Dance.Header.Intro);
        foreach (var (rate, lead) in new[] { (100.0, 2.0), (60.0, 2.0), (100.0, 1.0) })
        {
            t.Head($"at {rate} %, {lead} counts before");
            foreach (var cue in CueSheet.Write(run, new CallSettings(new Rate(rate), lead, 4)).Take(rate == 100 && lead == 2 ? 60 : 12))
            {
                t.Row(cue);
            }
        }
    }

    private static void Room(Table t, Analysis a)
    {
        RoomWish[] wishes =
        [
            new(new Hall(12, 15), 24, RoomLayout.Rows),
            new(new Hall(9, 9), 20, RoomLayout.Staggered, Repeats: 3),
            new(new Hall(14, 14), 16, RoomLayout.Circle),
            new(new Hall(8, 6), 40, RoomLayout.Rows, Spacing: 1.6, Allowance: 0.2),
            new(
                new Hall(12, 12, 0.5) { Obstacles = [new RoomObstacle(4, 4, 2, 1), new RoomObstacle(8, 8, 0.5, 0.5, IsPillar: true)] },
                30,
                RoomLayout.Staggered),
        ];
        foreach (var wish in wishes)
        {
            var room = RoomPlan.Lay(a.Trace, wish);
            t.Head($"{wish.Dancers} in {wish.Layout}, hall {wish.Hall.Width} by {wish.Hall.Depth}");
            t.Row(
                $"{(room.Fits ? "fits" : "does not fit")}, {room.Most} at the most, {room.Rows} by {room.Columns}, {room.Spacing:0.00} "
                    + $"m apart, radius {room.Radius:0.00}, from {At(room.Low)} to {At(room.High)}, drift {At(room.DriftPerPattern)}");
            t.Row($"places {string.Join(' ', room.Places.Select(At))}");
            t.Row(
                $"front {string.Join(' ', room.FrontRow.Select(f => $"{f.Key}:{f.Value}"))}; helpers "
                    + $"{string.Join(' ', room.Helpers.Select(h => $"{h.Place}:{h.Wall}"))}");
            foreach (var instead in room.Insteads)
            {
                t.Row($"or: {instead}");
            }
        }
    }

    private static void Board(Table t, Analysis a)
    {
        var run = RunUnroller.Unroll(a.Trace, Songs.First().Song, a.Dance.Header.Intro);
        var board = BoardTimeline.Build(a, run, 0.8, 3);
        foreach (var list in typeof(BoardTimeline)
            .GetProperties()
            .Select(p => p.GetValue(board))
            .OfType<IEnumerable>()
            .Where(l => l is not string))
        {
            t.Head("");
            foreach (var item in list.Cast<object>().Take(36))
            {
                t.Row(item);
            }
        }
    }

    /// <summary>
    /// Every block of a lesson as it is danced, on either foot, and what the board tells while songs are danced that stop and change their
    /// pace.
    /// </summary>
    private static void Blocks(Table t, Analysis a)
    {
        foreach (var (what, song) in new[] { ("by count", null), ("to its song", Songs.First().Song) })
        {
            t.Head(what);
            var dance = new LessonDance(a, Bpm, song);
            foreach (var block in Plan(
                a,
                60,
                LessonKinds.RulesOf(LessonKind.Hall).Way(a.Dance.IsPhrased),
                ClassLevel.Improver,
                song).Blocks)
            {
                foreach (var other in new[] { false, true })
                {
                    if (BlockRun.Lay(dance, block, other) is { } run)
                    {
                        t.Row($"{block.Kind} {block.Id}{(other ? ", other side" : "")}: starts {string.Join(' ', run.Starts)} after "
                            + $"{run.CountIn}, {run.Repeats} repeats, {run.Passes} passes, {run.Run.Song.Counts} counts; "
                            +
                            string.Join(
                                ", ",
                                run.Run.Stretches.Take(4)
                                    .Append(run.Run.Stretches[^1])
                                    .Select(s =>
                                        $"{s.Repeat}: {s.Called} {s.FromCount} to {s.ToCount} {s.StartWeight.Letter()} {s.StartFacing} "
                                            + $"to {s.EndWeight.Letter()} {s.EndFacing}")));
                        var board = BoardTimeline.Build(run, 0.6);
                        t.Row(
                            $"  {string.Join("; ", board.Events.Take(3))} | "
                                + $"{string.Join("; ", board.Clicks.Take(2).Select(c => $"{c.At:0.###} {c.Label}"))} … {board.End:0.###}");
                    }
                }
            }
        }

        foreach (var (title, song) in Songs.Skip(1).Take(5))
        {
            t.Head(title);
            foreach (var told in BoardTimeline.Build(a, RunUnroller.Unroll(a.Trace, song, a.Dance.Header.Intro), 1, 12).Events)
            {
                t.Row(told);
            }
        }
    }

    private static void Swaps(Table t, Analysis a)
    {
        foreach (var part in a.Trace.Parts.Take(1))
        {
            foreach (var line in part.Part.Lines.Take(2))
            {
                foreach (var (first, last) in new[] { (1, 4), (5, 6) })
                {
                    foreach (var aim in Enum.GetValues<SwapAim>())
                    {
                        t.Head($"{part.Part.Name}:{line.Number} counts {first} to {last}, {aim}");
                        foreach (var swap in SwapSearch.Find(
                            a.Trace,
                            part,
                            line.Number,
                            first,
                            last,
                            aim,
                            Bpm,
                            StepLexicon.Shipped,
                            Known,
                            most: 4))
                        {
                            t.Row(swap);
                        }
                    }
                }
            }
        }
    }

    private static readonly HashSet<string> Known = [.. StepLexicon.Shipped.Steps.Where(s => s.Level == 1).Select(s => s.Name)];

    private static void Offers(Table t, Analysis a)
    {
        var header = a.Dance.Header;
        foreach (var part in a.Trace.Parts.Take(1))
        {
            foreach (var typed in (string[])["v", "sh", "1/4", "kick ball", "zzz", "heel"])
            {
                foreach (var count in (int[])[1, 5])
                {
                    var slot = StepSlot.At(a, part.Part.Name, 1, count);
                    t.Head($"{part.Part.Name}:1.{count} room {slot.Room} weight {slot.State.Weight}: '{typed}'");
                    foreach (var offer in StepCompletion.Find(typed, slot, header, StepLexicon.Shipped))
                    {
                        t.Row(offer);
                    }
                }
            }

            foreach (var gap in (Gap[])[
                new(4, null, null),
                new(8, Weight.Left, null),
                new(2, Weight.Right, Facing.Front),
                new(4, Weight.Right, null) { Turn = new Eighths(-2) },
                new(3, null, null)
            ])
            {
                t.Head($"{gap.Counts} counts, ending {gap.EndWeight} {gap.Facing} {gap.Turn}");
                foreach (var filling in LineCompletion.Find(
                    header,
                    StepSlot.At(a, part.Part.Name, 1, 1).State,
                    1,
                    gap,
                    StepLexicon.Shipped,
                    8))
                {
                    t.Row($"{string.Join(" / ", filling.Rows)} level {filling.Level} cost {filling.Cost}");
                }
            }
        }
    }

    private static void Floor(Table t, Analysis a)
    {
        var pictures = new List<(string, FloorPicture)>
        {
            ("pattern", FloorPicture.OfPattern(a.Trace)),
            ("whole", FloorPicture.OfWhole(a.Trace))
        };
        pictures.AddRange(a.Trace.Parts.Take(2).Select(p => (p.Part.Name, FloorPicture.OfPart(p, new Facing(2)))));
        pictures.AddRange(a.Trace.Parts.Take(1)
            .SelectMany(p => p.Part.Lines.Take(2).Select(l => ($"{p.Part.Name}:{l.Number}", FloorPicture.OfLine(p, l.Number)))));
        foreach (var (name, picture) in pictures)
        {
            t.Head(
                $"{name}: from {At(picture.Low)} to {At(picture.High)}, {picture.Width:0.00} by {picture.Depth:0.00}, "
                    + $"{picture.Way:0.00} m, drift {At(picture.Drift)}");
            foreach (var moment in picture.Moments.Take(10))
            {
                t.Row(moment);
            }

            t.Row($"at 2.5: {Table.Plain(picture.At(2.5))}");
        }

        t.Row($"six repeats: {At(FloorPicture.EnvelopeOf(a.Trace, 6).Low)} to {At(FloorPicture.EnvelopeOf(a.Trace, 6).High)}");
    }

    private static void CourseOf(Table t, Analysis a)
    {
        var other = Analysis.Analyse(Dances.Stroll);
        var brief = new CourseBrief(
            6,
            45,
            [new LessonDance(a, Bpm), new LessonDance(other, 100)],
            new TeachingWay(),
            new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner));
        var course = CoursePlanner.Plan(brief);
        foreach (var week in course.Weeks)
        {
            t.Row(
                $"week {week.Number}: "
                    + $"{string.Join("; ", week.Cells.Select(c => $"dance {c.Dance} bites {c.From} to {c.Until} kept {c.Kept:0.000} recap {c.RecapSeconds:0.0} s{(c.IsWhole ? " whole" : "")}{(c.IsPutOff ? " put off" : "")}"))}; {week.Plan.TotalSeconds:0} s, over {week.Plan.Over:0}");
        }

        t.Row($"ready in {course.ReadyIn(0)} and {course.ReadyIn(1)}, left over {course.LeftOver(0)} and {course.LeftOver(1)}");
        t.Head("two dances in one lesson, one of them known");
        Write(
            t,
            LessonPlanner.Plan(new LessonBrief(
                75,
                [new LessonDance(a, Bpm), new LessonDance(other, 100, IsKnown: true) { Kept = 0.6, Learned = [new Learned(0.6, 900)] }],
                new TeachingWay { Order = TeachingOrder.Pairs },
                new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Regular))),
            why: true);
    }

    private static void Beside(Table t, Analysis a)
    {
        foreach (var level in Enum.GetValues<ClassLevel>())
        {
            var knowledge = new ClassKnowledge(StepLexicon.Shipped, level);
            var dance = new LessonDance(a, Bpm);
            t.Head($"versions side by side, {level}");
            foreach (var one in MixedClass.Choices(dance, Bites.Cut(a, knowledge, Bpm), knowledge, StepLexicon.Shipped))
            {
                t.Row(one);
            }
        }

        var stroll = Analysis.Analyse(Dances.Stroll).Trace;
        t.Head("beside a stroll");
        foreach (var row in Core.Comparing.SideBySide.Lay(a.Trace, stroll).Rows)
        {
            t.Row($"{(row.IsSame ? "=" : "≠")} {(row.Left is { } l ? Table.Plain(l) : "")} | {(row.Right is { } r ? Table.Plain(r) : "")}");
        }

        foreach (var parting in Core.Comparing.SideBySide.Lay(a.Trace, stroll).Partings)
        {
            t.Row(parting);
        }

        foreach (var step in DanceDifference.Between(a.Trace, stroll).Steps)
        {
            t.Row(step);
        }

        var halves = RoomHalves.Judge(a.Trace, stroll);
        t.Row(string.Join(" / ", halves.Obstacles.Concat(halves.Notes)));
    }
}
