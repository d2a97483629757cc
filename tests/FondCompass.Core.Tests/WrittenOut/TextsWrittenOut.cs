using System.Globalization;
using System.Text.Json;
using FondCompass.Core.Editing;
using FondCompass.Core.Floor;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Prose;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Tracing;
using Xunit;

namespace FondCompass.Core.Tests.WrittenOut;

/// <summary>What is read, pasted, edited, tapped and called, written out in tables beside this file; as <see cref="WrittenOut"/>.</summary>
public class TextsWrittenOut
{
    private static string Folder => Path.Combine(Dances.Root(), "tests", "FondCompass.Core.Tests", "WrittenOut");

    private static List<JsonElement> Cases(string file, string list) =>
        [.. JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, file))).RootElement
            .GetProperty(list)
            .EnumerateArray()];

    public static TheoryData<string> Pastes =>
        [.. Cases(Path.Combine("Prose", "pastes.json"), "pastes").Select(c => c.GetProperty("id").GetString()!)];

    [Theory]
    [MemberData(nameof(Pastes))]
    public void A_pasted_text(string id)
    {
        var text = Cases(Path.Combine("Prose", "pastes.json"), "pastes")
            .Single(c => c.GetProperty("id").GetString() == id)
            .GetProperty("text")
            .GetString()!;
        var pasted = ProseReader.Read(text);
        var t = new Table();
        t.Row($"understood {pasted.Understood:0.000}");
        foreach (var doubt in pasted.Doubts)
        {
            t.Row($"doubt: {doubt}");
        }

        foreach (var row in pasted.Rows)
        {
            t.Row($"{row.Fate}: {row.From} → {row.Script} | {row.Reads}");
        }

        t.Compare(Path.Combine("Pastes", $"{id}.txt"));
    }

    /// <summary>
    /// The same text as others would send it: in one paragraph, a sentence a line, as a list, shouted, without its full stops.
    /// </summary>
    [Theory]
    [MemberData(nameof(Pastes))]
    public void So_is_it_in_other_manners(string id)
    {
        var text = Cases(Path.Combine("Prose", "pastes.json"), "pastes")
            .Single(c => c.GetProperty("id").GetString() == id)
            .GetProperty("text")
            .GetString()!;
        var t = new Table();
        foreach (var (manner, sent) in new[]
        {
            ("in one paragraph", text.ReplaceLineEndings(" ")),
            ("a sentence a line", text.Replace(". ", ".\n", StringComparison.Ordinal).Replace("; ", ";\n", StringComparison.Ordinal)),
            ("as a list", string.Join('\n', text.Split('\n').Select((l, i) => l.Length > 0 ? $"{(i % 2 == 0 ? "- " : "* ")}{l}" : l))),
            ("shouted", text.ToUpperInvariant()),
            ("without full stops", text.Replace(".", "", StringComparison.Ordinal)),
            ("its first half", text[..(text.Length / 2)]),
        })
        {
            var pasted = ProseReader.Read(sent);
            t.Head($"{manner}: understood {pasted.Understood.ToString("0.000", CultureInfo.InvariantCulture)}, {pasted.Rows.Count} rows");
            foreach (var doubt in pasted.Doubts)
            {
                t.Row($"doubt: {doubt}");
            }

            foreach (var row in pasted.Rows.Where(r => r.Script.Length > 0))
            {
                t.Row($"{row.Fate} {row.Script}");
            }
        }

        t.Compare(Path.Combine("Pastes", $"{id}-manners.txt"));
    }

    /// <summary>The script's words in each language there is.</summary>
    [Fact]
    public void Words_of_every_language()
    {
        var t = new Table();
        var translation = StepLexicon.Shipped.Translation;
        foreach (var language in translation.Languages)
        {
            t.Head(language);
            foreach (var (word, there) in translation.Into(language).OrderBy(w => w.Key, StringComparer.Ordinal))
            {
                t.Row($"{word}: {there}");
            }
        }

        t.Compare("languages.txt");
    }

    public static TheoryData<int> Tens => [.. Enumerable.Range(0, 12)];

    [Theory]
    [MemberData(nameof(Tens))]
    public void Rows_as_instructors_word_them(int ten)
    {
        var t = new Table();
        foreach (var reading in Cases(Path.Combine("Reading", "readings.json"), "readings").Skip(ten * 10).Take(10))
        {
            var script = reading.GetProperty("script").GetString()!;
            var analysis = Analysis.Analyse(script);
            t.Head(reading.GetProperty("id").GetString()!);
            foreach (var read in analysis.Reads)
            {
                t.Row($"{read.Row} {analysis.Dance.Rows[read.Row - 1]} → {read.Text}");
            }

            foreach (var finding in analysis.Findings)
            {
                t.Row($"{finding.Code} {finding.Place.Row}: {finding.Message}");
            }

            t.Row(Dances.Danced(script).Replace('\n', ';'));
            t.Row($"in the form of the house: {CanonicalForm.Write(script)}");
        }

        t.Compare(Path.Combine("Readings", $"{ten:00}.txt"));
    }

    public static TheoryData<int> Hundreds => [.. Enumerable.Range(0, 12)];

    /// <summary>Words as they come, in any order: what is read of them, what is told, and in which form the house writes it.</summary>
    [Theory]
    [MemberData(nameof(Hundreds))]
    public void Any_words_whatever(int hundred)
    {
        var t = new Table();
        foreach (var row in File.ReadAllLines(Path.Combine(Folder, "Wordings.txt")).Skip(hundred * 100).Take(100))
        {
            var analysis = Analysis.Analyse($"part A\n1-8 {row}");
            var read = string.Join(' ', analysis.Reads.Select(r => r.Text));
            var danced = string.Join(
                ' ',
                analysis.Trace.Parts[0].Actions.Select(a =>
                    $"{a.Action.Beat.Label()}:{a.Verb.Name}{(a.Foot == Foot.None ? "" : $".{a.Foot.Letter()}")}{(a.Turn.IsNone ? "" : $"/{a.Turn.Value}")}{(a.Direction == Core.Lexicon.Direction.None ? "" : $">{a.Direction}")}"));
            t.Row(
                $"{row} → {read} | {danced} | {string.Join(' ', analysis.Findings.Where(f => f.Place.Row == 2).Select(f => f.Code))} | "
                    + $"{CanonicalForm.Write($"part A\n1-8 {row}").Split('\n').Skip(1).FirstOrDefault(r => r.Length > 0)}");
        }

        t.Compare(Path.Combine("Wordings", $"{hundred:00}.txt"));
    }

    private static readonly string[] Edited =
    [
        Dances.Stroll,
        "title Edits\npart A\n1-2 step touch R # so\n3&4 shuffle L forward\n5,6 rock R forward, recover\n  + 6 clap\n7-8 hold\neasier "
            + "7-8 march R\nnote 2 mind the stove\ncue 3 away\n1-4 vine R with 1/4 right\n? 5-8 flurble\npart B\n1-8 march R\nagain "
                + "x2\norder A B A",
    ];

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    public void Edits_on_the_ruler(int which)
    {
        var (t, script) = (new Table(), Edited[which]);
        void Told(string what, EditResult made)
        {
            var (before, after) = (script.Split('\n'), made.Script.Split('\n'));
            var same = before.Zip(after).TakeWhile(p => p.First == p.Second).Count();
            t.Row(
                $"{what}: row {made.Row} {made.Refusal} {made.Taken?.ReplaceLineEndings(" / ")} | "
                    + $"{string.Join(" / ", after.Skip(same).Take(6))}");
        }

        var lexicon = StepLexicon.Shipped;
        for (var row = 1; row <= script.Split('\n').Length; row++)
        {
            t.Head($"row {row}: {script.Split('\n')[row - 1]}");
            Told("other words", StepEdits.Replace(script, lexicon, row, "rocking chair R"));
            Told("other counts", StepEdits.Replace(script, lexicon, row, "1-2 rock R back, recover"));
            Told("no words", StepEdits.Replace(script, lexicon, row, " "));
            Told("longer", StepEdits.Lengthen(script, lexicon, row, 1));
            Told("shorter", StepEdits.Lengthen(script, lexicon, row, -1));
            Told("much shorter", StepEdits.Lengthen(script, lexicon, row, -9));
            Told("split", StepEdits.Split(script, lexicon, row));
            Told("twice", StepEdits.Duplicate(script, lexicon, row));
            Told("other side", StepEdits.Mirror(script, lexicon, row));
            Told("out", StepEdits.Remove(script, lexicon, row));
            Told("earlier", StepEdits.Move(script, lexicon, row, -1));
            Told("later", StepEdits.Move(script, lexicon, row, 1));
            Told("to A 1.3", StepEdits.MoveTo(script, lexicon, row, "A", 1, 3));
            Told("to A 2.1", StepEdits.MoveTo(script, lexicon, row, "A", 2, 1));
            Told("to B 1.5", StepEdits.MoveTo(script, lexicon, row, "B", 1, 5));
            t.Row($"offered: {string.Join(", ", StepCompletion.ForRow(script, row, lexicon).Select(o => o.Row))}");
            t.Row(StepSlot.AtRow(script, row, lexicon));
        }

        foreach (var (part, line, count) in new[] { ("A", 1, 1), ("A", 1, 5), ("A", 2, 1), ("A", 9, 3), ("B", 1, 8), ("Q", 1, 1) })
        {
            t.Head($"{part} {line}.{count}");
            Told("in", StepEdits.Insert(script, lexicon, part, line, count, 2, "rock step R"));
            Told("long in", StepEdits.Insert(script, lexicon, part, line, count, 12, "march R"));
            Told("pasted", StepEdits.Paste(script, lexicon, part, line, count, "1-2 step touch R\n3 hold"));
            Told("cue", StepEdits.SetCue(script, lexicon, part, line, $"{count}", "over we go"));
            Told("no cue", StepEdits.SetCue(script, lexicon, part, line, $"{count}", ""));
            Told(
                "variant",
                StepEdits.AddVariant(
                    script,
                    lexicon,
                    part,
                    line,
                    count,
                    new VariantLabel(VariantKind.Easier),
                    ["march R"]));
            foreach (var act in Enum.GetValues<BlockAct>())
            {
                Told($"line {act}", BlockEdits.Line(script, lexicon, part, line, act, "1-4 vine R\n5-8 vine L"));
                if (count == 1)
                {
                    Told($"part {act}", BlockEdits.Part(script, lexicon, part, act, "part A\n1-8 march R"));
                }
            }
        }

        Told("new part", BlockEdits.NewPart(script, lexicon));
        t.Compare($"edits-{which}.txt");
    }

    [Fact]
    public void Songs()
    {
        var t = new Table();
        foreach (var text in File.ReadAllLines(Path.Combine(Folder, "Songs.txt"))
            .Select(r => r.Replace(" / ", "\n"))
            .Concat(PresetSongs.All.Select(p => p.Text)))
        {
            t.Head(text);
            var read = SongText.Read(text, new Bpm(100));
            t.Row(read.Problem ?? "reads");
            foreach (var passage in read.Passages)
            {
                t.Row(passage);
            }

            if (read.Problem is not null)
            {
                continue;
            }

            t.Row(SongText.Write(read.Passages, read.Anchors));
            var time = read.Song.Time;
            t.Row(string.Join(
                ' ',
                Enumerable.Range(0, Math.Min(40, read.Song.Counts + 1))
                    .Select(c => FormattableString.Invariant($"{c}:{time.SecondsAt(c):0.000}s@{time.BpmAt(c):0.0}"))));
            t.Row(string.Join(
                ' ',
                BandScore.Arrange(read.Song, swing: read.Song.Counts % 16 == 0)
                    .Take(48)
                    .Select(n => FormattableString.Invariant($"{n.Voice}{n.Pitch}{(n.Strong ? "!" : "")}@{n.At:0.00}+{n.Length:0.00}"))));
            t.Row($"half {SongEdits.WithFeel(text, 1, CountingFeel.HalfTime)}");
            t.Row($"rest {SongEdits.WithRestAfter(text, 0, 1.5)}");
            t.Row($"anchor {SongEdits.WithAnchor(text, 8, 4.25)}");
            t.Row($"no anchor {SongEdits.WithAnchor(text, 12, null)}");
        }

        t.Compare("songs.txt");
    }

    [Fact]
    public void Taps_and_floors_and_weeks()
    {
        var t = new Table();
        var random = new Random(7);
        foreach (var (bpm, jitter, slips) in new[]
        {
            (100.0, 0.0, 0), (112, 0.01, 0), (96, 0.025, 1), (140, 0.02, 2), (60, 0.05, 0), (239, 0.005, 0), (41, 0, 0),
            (300, 0, 0), (30, 0, 0)
        })
        {
            var taps = Enumerable.Range(0, 20)
                .Select(i => (i * 60 / bpm) + (jitter * ((random.NextDouble() * 2) - 1)))
                .Where((_, i) => slips == 0 || i % (9 / slips) != 4)
                .ToList();
            t.Head(FormattableString.Invariant($"{taps.Count} taps at {bpm}, {jitter} s off, {slips} left out"));
            foreach (var number in (int[])[2, 3, 4, 5, 8, 12, 20])
            {
                t.Row(
                    $"{number}: {(TapTempo.Measure([.. taps.Take(number)]) is { } tempo ? Table.Plain(tempo) : "no tempo")} | "
                        + $"{(TapTrain.Follow([.. taps.Take(number)]) is { } beat ? Table.Plain(beat) : "no beat")}");
            }

            foreach (var passage in TapTempo.Passages([0, 9.5, 19.8, 30.2], 41, bpm))
            {
                t.Row(passage);
            }
        }

        foreach (var sight in Enum.GetValues<FloorSight>())
        {
            t.Row(
                $"{sight}: "
                    + $"{string.Join(' ', new[] { (0.0, 0.0), (1, 2), (-3, 4), (2, -9), (-9, -20) }.Select(p => FloorView.Project(new FloorPoint(p.Item1, p.Item2), sight)).Select(p => FormattableString.Invariant($"{Table.At(new FloorPoint(p.X, p.Y))}×{p.Scale:0.000}")))} {FloorView.Degrees(0, sight)} {FloorView.Degrees(270, sight)}");
        }

        var day = new DateOnly(2026, 11, 2);
        foreach (var days in (string[])["c", "l", "cc", "cl", "lc", "ccccccc", "cclc", "ll", "clllll"])
        {
            var line = new LineDanced("vine", [.. days.Select((d, i) => (day.AddDays(7 * i), d == 'c'))], 300);
            var next = NextTime.Advise(
                [line, new LineDanced("jazz box", [(day, true)], 200), new LineDanced("coda", [], 0)],
                2,
                75,
                day.AddDays((7 * days.Length) + 3));
            t.Row($"{days}: {Memory.HalfLife(days.Select(d => d == 'c'))} days, {line.KeptOn(day.AddDays(70)):0.000} | {next.Words}");
        }

        t.Compare("taps-floors-weeks.txt");
    }

    private const string Plain =
        "tempo 112\npart A\n1-4 vine R\n5-8 vine L\n1-8 march R x8\npart B\n1-8 rocking chair R x2\ntag T\n1-4 sway R L R L";

    /// <summary>One row more, or a few, below a plain dance: what becomes of its facts, its order and its parts.</summary>
    [Fact]
    public void Rows_of_every_kind()
    {
        static IEnumerable<string> Facts(object record) => Table.Plain(record).Split(" · ");
        static IEnumerable<string> PartsOf(FondCompass.Core.Notation.Dance dance) =>
            dance.Parts.Select(p =>
                $"{Table.Plain(p)}: {string.Join(" | ", p.Entries.Select(e => $"{e.GetType().Name} {Table.Plain(e)}"))}");
        var t = new Table();
        var plain = Analysis.Analyse(Plain).Dance;
        var song = FondCompass.Core.Music.Song.Steady(104, new Bpm(112));
        foreach (var rows in File.ReadAllLines(Path.Combine(Folder, "RowsOfEveryKind.txt")))
        {
            var analysis = Analysis.Analyse($"{Plain}\n{rows.Replace(" / ", "\n", StringComparison.Ordinal)}");
            var dance = analysis.Dance;
            t.Head(rows);
            t.Row(
                $"{string.Join(" · ", Facts(dance.Header).Except(Facts(plain.Header)))}{(dance.OrderLoops ? " round" : "")}{(dance.IsFree ? " free" : "")}{(dance.Finish is { } finish ? Table.Plain(finish) : "")}");
            foreach (var told in new IEnumerable<object>[]
            {
                dance.Order.Take(12), dance.Tags.Take(4), dance.Restarts, dance.OrderChanges, dance.Meetings, dance.Versions,
                dance.Definitions
            }
                .SelectMany(l => l)
                .Select(o => $"{o.GetType().Name} {Table.Plain(o)}")
                .Concat(PartsOf(dance).Except(PartsOf(plain))))
            {
                t.Row(told);
            }

            t.Row(
                $"{dance.Order.Count} calls; "
                    + $"{string.Join(", ", FondCompass.Core.Runs.RunUnroller.Unroll(analysis.Trace, song, dance.Header.Intro).Repeats.Take(9).Select(r => $"{r.Called} {r.FromCount} to {r.ToCount} {r.StartFacing}"))}");
            foreach (var finding in analysis.Findings.Take(6))
            {
                t.Row($"{finding.Code} {finding.Severity} {finding.Place.Row} {finding.Message}");
            }
        }

        t.Compare("rows-of-every-kind.txt");
    }

    /// <summary>Lessons that two boards tell of, mixed up, with slips taken back, and what is reckoned from them.</summary>
    [Fact]
    public void Lessons_as_boards_tell_them()
    {
        var t = new Table();
        for (var lesson = 0; lesson < 40; lesson++)
        {
            var random = new Random(lesson);
            var told = new List<LessonEvent>();
            var boards = new[] { new Guid(1, 0, 0, new byte[8]), new Guid(2, 0, 0, new byte[8]) }.Take(1 + (lesson % 2)).ToList();
            var at = new double[2];
            for (var i = 0; i < 14; i++)
            {
                var board = random.Next(boards.Count);
                at[board] += random.Next(0, 40) / 2.0;
                // What begins and what is danced comes oftener than the rest.
                var kind = (LessonEventKind)(random.Next(3) > 0
                    ? random.Next(5)
                    : random.Next((int)LessonEventKind.Close + (i > 10 ? 1 : 0)));
                told.Add(new LessonEvent(
                    new Guid(lesson, (short)i, 0, new byte[8]),
                    boards[board],
                    told.Count(e => e.Board == boards[board]) + 1,
                    1000 + (20 * board),
                    at[board],
                    kind,
                    $"block {random.Next(1, 3)}")
                {
                    Bite = $"A:{random.Next(1, 3)}",
                    Value = kind == LessonEventKind.Heads && random.Next(3) == 0 ? null : 60 + (5 * random.Next(4)),
                    Words = $"words {i}",
                    Undoes = told.Count > 0 && kind == LessonEventKind.Undo ? told[random.Next(told.Count)].Id : null,
                });
            }

            t.Head(string.Join(
                ", ",
                told.Select(e => string.Create(
                    CultureInfo.InvariantCulture,
                    $"{boards.IndexOf(e.Board) + 1}.{e.Number} at {e.Opened + e.Since:0.#} {e.Kind} {e.Block[^1]} "
                        + $"{e.Value}{(e.Undoes is { } slip ? $" of {told.FindIndex(o => o.Id == slip) + 1}" : "")}"))));
            var log = LessonLog.Read(told.Concat(told.Take(3)));
            foreach (var held in log.Blocks)
            {
                t.Row(
                    $"{held.Block}: {held.Seconds} s, {held.Dancing} danced, {string.Join(' ', held.Rates)} clean {held.CleanRate}, "
                        + $"lost {string.Join(' ', held.Trouble)}{(held.IsDone ? " done" : "")}{(held.IsSkipped ? " skipped" : "")}");
            }

            t.Row(
                $"{log.Heads} heads, {log.Seconds} s{(log.IsClosed ? ", closed" : "")}; notes "
                    + $"{string.Join(' ', log.Notes.Select(n => n.Words))}; calls {string.Join(' ', log.Calls)}; taps "
                        + $"{string.Join(' ', log.Taps)}; marks {string.Join(' ', log.Marks.Select(m => m.Bite))}");
        }

        foreach (var taken in new TimeTaken[][]
        {
            [],
            [new(100, 100)],
            [new(100, 49)],
            [new(100, 50)],
            [new(100, 200)],
            [new(100, 201)],
            [new(100, 130), new(60, 90)],
            [.. Enumerable.Repeat(new TimeTaken(60, 75), 9)]
        })
        {
            t.Row(
                $"{string.Join(' ', taken.Select(k => $"{k.Planned}:{k.Actual}"))} | "
                    + $"{PaceLearning.Of("seconds", 20, taken).After:0.0000} {PaceLearning.Of("seconds", 20, taken).Why} | "
                        + $"{PaceLearning.Of("seconds", 20, taken, isHeld: true).After:0.0000} "
                            + $"{PaceLearning.Of("seconds", 20, taken, isHeld: true).Why}");
        }

        t.Compare("hall.txt");
    }

    [Fact]
    public void Moves_called_live()
    {
        var t = new Table();
        foreach (var eight in (int[])[8, 6])
        {
            var (moves, left) = LiveMoves.Find(
                StepLexicon.Shipped.Steps.Where(s => s.Level == 1).Select(s => s.Name).Append("no such step").Order(StringComparer.Ordinal),
                112,
                StepLexicon.Shipped,
                eight);
            t.Head($"in {eight}: left out {string.Join("; ", left)}");
            foreach (var weight in (Weight[])[Weight.Left, Weight.Right])
            {
                t.Row(
                    $"on {weight}: "
                        + $"{string.Join(", ", moves.Offered(weight, 1).Select(m => $"{m.Name} {m.From(weight, 1)?.Stretches.Count}"))}");
            }
        }

        t.Compare("live.txt");
    }
}
