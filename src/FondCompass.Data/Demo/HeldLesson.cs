using System.Text.Json;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Data.Records;

namespace FondCompass.Data.Demo;

/// <summary>
/// Last week's lesson of the demo studio as its board told it: what was planned, what it took, and where it broke down. Invented.
/// </summary>
internal static class HeldLesson
{
    private sealed record Bite(string Key, string Name, string Part, int Line, int LastLine);

    private sealed record Block(
        string Id,
        string Kind,
        string Title,
        double From,
        double Seconds,
        int? Repeats,
        double? Rate,
        string? Layer,
        string[] Walls,
        int? Dance,
        Bite[] Bites,
        double Usual);

    /// <summary>Seconds to gather where nobody knows better.</summary>
    private const double UsualGather = 12;

    private static readonly Bite[] Bites =
        [
            new("A:1", "vine R, vine L", "A", 1, 1),
            new("A:2", "lock step, brush, lock step, brush", "A", 2, 2),
            new("A:3", "rocking chair R, pivot turn, pivot turn", "A", 3, 3)
        ];

    /// <summary>
    /// Block, kind, title, seconds planned, repeats, rate, first and last bite (none: -1), seconds taken, of them danced, mark.
    /// </summary>
    private static readonly (string Id,
        string Kind,
        string Title,
        int Planned,
        int? Repeats,
        int? Rate,
        int First,
        int Last,
        int Took,
        int Danced,
        string Mark)[] Rows =
    [
        ("warm-up", "warm-up", "Floor, shoes and a warm-up that grows", 360, null, null, -1, -1, 405, 0, ""),
        ("dance:A:1", "dance", "Dance vine R, vine L (A 1)", 64, 3, 60, 0, 0, 71, 54, ""),
        ("chain:A:1-2", "chain", "From the top, A 1 to A 2", 148, 4, 75, 0, 1, 170, 151, ""),
        ("walk:A:3", "walk", "Walk rocking chair R, pivot turn, pivot turn (A 3)", 214, null, null, 2, 2, 297, 0, ""),
        ("dance:A:3", "dance", "Dance rocking chair R, pivot turn, pivot turn (A 3)", 93, 5, 60, 2, 2, 126, 108, "A:3"),
        ("water", "water", "Water and questions", 120, null, null, -1, -1, 160, 0, ""),
        ("chain:A:1-3", "chain", "From the top, A 1 to A 3", 240, 5, 75, 0, 2, 262, 246, "A:3"),
        ("whole:90", "whole", "All that is taught today, at 90 %", 196, 6, 90, 0, 2, 208, 190, ""),
        ("look-back", "look-back", "Look back: what was lost, and where", 60, null, null, -1, -1, 96, 0, ""),
        ("cool-down", "cool-down", "Cool down", 300, null, null, -1, -1, 270, 0, ""),
    ];

    public static string Plan
    {
        get
        {
            var from = 0.0;
            return JsonSerializer.Serialize(Rows.Select(r =>
            {
                var block = new Block(
                    r.Id,
                    r.Kind,
                    r.Title,
                    from,
                    r.Planned,
                    r.Repeats,
                    r.Rate,
                    null,
                    [],
                    r.First < 0 ? null : 0,
                    r.First < 0 ? [] : Bites[r.First..(r.Last + 1)],
                    r.Kind == "walk" ? r.Planned : r.Repeats is null ? 0 : UsualGather);
                from += r.Planned;
                return block;
            }), JsonSerializerOptions.Web);
        }
    }

    /// <summary>What it taught of the group's pace: walking, and gathering.</summary>
    public static (double Walk, double Gather) Pace =>
        (PaceLearning.Factor([.. Rows.Where(r => r.Kind == "walk")
            .Select(r => new TimeTaken(r.Planned, r.Took))]), PaceLearning.Factor([.. Rows.Where(r => r.Repeats is not null)
                .Select(r => new TimeTaken(UsualGather, r.Took - r.Danced))]));

    public static IEnumerable<LessonEventRecord> Events(DateOnly day, InstructorClock clock)
    {
        var (board, number, since) = (Guid.CreateVersion7(), 0, 0.0);
        var opened = clock.MomentOf(day, new TimeOnly(18, 30)).ToUnixTimeSeconds();
        LessonEventRecord Told(double at, string kind, string block, double? value = null, string bite = "", string words = "") =>
            new()
            {
                Id = Guid.CreateVersion7(),
                Board = board,
                Number = ++number,
                Opened = opened,
                Since = at,
                Kind = kind,
                Block = block,
                Bite = bite,
                Value = value,
                Words = words
            };
        foreach (var row in Rows)
        {
            yield return Told(since, "enter", row.Id);
            if (row.Repeats is { } repeats)
            {
                yield return Told(since + 8, "play", row.Id, row.Rate);
                for (var i = 1; i <= repeats; i++)
                {
                    yield return Told(since + 8 + (row.Danced * i / repeats), "repeat", row.Id, row.Rate);
                }

                yield return Told(since + 8 + row.Danced, "pause", row.Id);
            }

            if (row.Id is "dance:A:1" or "chain:A:1-2")
            {
                yield return Told(since + row.Took - 2, "clean", row.Id, row.Rate);
            }

            if (row.Mark.Length > 0)
            {
                yield return Told(since + 30, "trouble", row.Id, bite: row.Mark);
            }

            since += row.Took;
            yield return Told(since, "done", row.Id);
        }

        yield return Told(since, "heads", "", 16);
        yield return Told(since, "note", "", words: "The second pivot needs its own count: say \"and half\".");
        yield return Told(since, "close", "");
    }
}
