namespace FondCompass.Core.Teaching.Planning;

/// <summary>How much of a dance is new in a week, where the instructor settled it.</summary>
/// <param name="Week">From 1.</param>
/// <param name="Dance">Its place in the course, from 0.</param>
/// <param name="Bites">New in that week; 0 for none.</param>
public sealed record SettledCell(int Week, int Dance, int Bites);

/// <summary>What the instructor settled of a course; the rest of its table is fitted around it.</summary>
public sealed record CourseSettled
{
    public static readonly CourseSettled Nothing = new();

    public IReadOnlyList<SettledCell> Cells { get; init; } = [];

    /// <summary>With one cell settled; null bites let it go.</summary>
    public CourseSettled With(int week, int dance, int? bites) => this with
    {
        Cells = [.. Cells.Where(c => (c.Week, c.Dance) != (week, dance))
            .Concat(bites is { } number ? [new SettledCell(week, dance, number)] : [])
            .OrderBy(c => c.Week)
            .ThenBy(c => c.Dance)],
    };

    /// <summary>When the dances come in another order, or others come: a cell goes with its dance and ends with the weeks.</summary>
    public CourseSettled Reordered<T>(IReadOnlyList<T> before, IReadOnlyList<T> now, int weeks) => new()
    {
        Cells = [.. from cell in Cells
                    where cell.Week <= weeks && cell.Dance < before.Count && now.Contains(before[cell.Dance])
                    let place = now.TakeWhile(d => !Equals(d, before[cell.Dance])).Count()
                    orderby cell.Week, place
                    select cell with { Dance = place }],
    };
}
