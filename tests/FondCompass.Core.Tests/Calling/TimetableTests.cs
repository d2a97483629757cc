using CsCheck;
using FondCompass.Core.Calling;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>The one timetable of a run: nothing overlaps, what must be said is said, and no other is worth more.</summary>
public class TimetableTests
{
    private static readonly Gen<CallOption> Options = Gen.Select(Gen.Int[1, 9], Gen.Int[1, 40], Gen.Int[0, 3])
        .Select((takes, worth, later) => new CallOption($"{takes} of {worth}", CueForm.Name, worth, takes / 4.0, later));

    private static readonly Gen<List<CallItem>> Items = Gen.Select(Options.Array[1, 3], Gen.Int[0, 6], Gen.Int[0, 9]).Array[1, 6]
        .Select(all =>
    {
        var (items, deadline) = (new List<CallItem>(), 4.0);
        foreach (var (options, step, kind) in all)
        {
            deadline += step / 2.0;
            var must = kind == 0;
            var told = options.Select(o => o with { Earliest = deadline - 3 + (o.Earliest / 2) });
            items.Add(kind == 1
                ? new CallItem(
                    [.. told.Select(o => o with { Form = CueForm.Structural, Earliest = deadline - 4 })],
                    deadline,
                    deadline - 2,
                    Must: true,
                    AheadFrom: deadline - 4)
                : new CallItem(must ? [.. told] : [CallOption.Silence, .. told], deadline, deadline - 1, must));
        }

        return items;
    });

    [Fact]
    public void Nothing_overlaps_everything_due_is_said_and_nothing_is_late_without_need() => Items.Sample(items =>
    {
        var said = Timetable.Fill(items);
        Assert.Equal(said.OrderBy(s => s.At), said);
        foreach (var (before, after) in said.Zip(said.Skip(1)))
        {
            Assert.True(before.Until <= after.At + 1e-6, $"{before.Option.Words} until {before.Until}, {after.Option.Words} at {after.At}");
        }

        for (var i = 0; i < items.Count; i++)
        {
            var call = said.Where(s => s.Item == i).ToList();
            Assert.True(call.Count == 1 || (call.Count == 0 && !items[i].Must));
            Assert.All(call, c => Assert.True(c.At >= c.Option.Earliest - 1e-6));
            Assert.All(call, c => Assert.True(items[i].Must || c.Until <= items[i].Deadline + 1e-6));
            Assert.All(call, c => Assert.Equal(Math.Max(0, c.Until - items[i].Deadline), c.Late, 5));
        }
    });

    [Fact]
    public void It_is_worth_what_the_best_of_all_timetables_is_worth() => Items.Sample(items =>
    {
        var said = Timetable.Fill(items);
        var (late, worth) = BestOf(items);
        Assert.Equal(late, said.Sum(s => s.Late), 5);
        Assert.Equal(worth, said.Sum(s => s.Option.Worth), 5);
    });

    [Fact]
    public void A_call_begins_where_it_begins_by_default_unless_something_stands_in_the_way()
    {
        CallItem Item(double deadline, double takes, double begins) =>
            new([CallOption.Silence, new CallOption("x", CueForm.Name, 9, takes, deadline - 4)], deadline, begins, Must: false);
        Assert.Equal(8, Timetable.Fill([Item(10, 1, 8)])[0].At);

        // What is long begins earlier, what is behind another call later; what comes behind pushes it forward.
        Assert.Equal(7, Timetable.Fill([Item(10, 3, 8)])[0].At);
        Assert.Equal([8, 9.5], Timetable.Fill([Item(10, 1.5, 8), Item(11, 1, 9)]).Select(s => s.At));
        Assert.Equal([7.5, 8.5], Timetable.Fill([Item(10, 1, 8), Item(10, 1.5, 8)]).Select(s => s.At));
    }

    [Fact]
    public void Of_ways_that_are_worth_the_same_the_one_in_order_is_taken()
    {
        var phrase = new CallItem([CallOption.Silence, new CallOption("step", CueForm.Name, 5, 1, 0)], 9, 7, Must: false);
        var change = new CallItem([new CallOption("chorus", CueForm.Structural, 5, 1, 4)], 12, 8, Must: true, AheadFrom: 4);
        Assert.Equal(["step", "chorus"], Timetable.Fill([phrase, change]).Select(s => s.Option.Words));

        // Where there is no time behind, it is told before.
        var full = new CallItem([CallOption.Silence, new CallOption("long", CueForm.Name, 50, 4, 8)], 12, 8, Must: false);
        Assert.Equal(["chorus", "long"], Timetable.Fill([full, change]).Select(s => s.Option.Words));
    }

    /// <summary>Every choice of words in every order that is allowed, each begun as soon as it can be.</summary>
    private static (double Late, double Worth) BestOf(List<CallItem> items)
    {
        var best = (Late: double.PositiveInfinity, Worth: 0.0);
        void Go(int i, HashSet<int> told, double end, double late, double worth)
        {
            if (i == items.Count)
            {
                best = late < best.Late - 1e-9 || (late < best.Late + 1e-9 && worth > best.Worth) ? (late, worth) : best;
                return;
            }

            void Say(int item, Action<double, double, double> next)
            {
                foreach (var option in items[item].Options)
                {
                    var ends = option.Words.Length == 0 ? end : Math.Max(end, option.Earliest) + option.Takes;
                    var by = option.Words.Length == 0 ? 0 : Math.Max(0, ends - items[item].Deadline);
                    if (by <= 1e-9 || items[item].Must)
                    {
                        next(ends, late + (by <= 1e-9 ? 0 : by), worth + option.Worth);
                    }
                }
            }

            var change = items.FindIndex(i, c => c.AheadFrom is not null);
            if (change > i && !told.Contains(change) && items[change].AheadFrom <= items[i].Deadline)
            {
                Say(change, (e, l, w) => Go(i, [.. told, change], e, l, w));
            }

            if (told.Contains(i))
            {
                Go(i + 1, told, end, late, worth);
            }
            else
            {
                Say(i, (e, l, w) => Go(i + 1, told, e, l, w));
            }
        }

        Go(0, [], double.NegativeInfinity, 0, 0);
        return best;
    }
}
