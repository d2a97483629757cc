using System.Linq.Expressions;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Dances;

/// <summary>What of a shelf is asked for, and in which order: queries that read nothing until they are run.</summary>
/// <param name="today">The instructor's day, from which "not for a month" is reckoned.</param>
internal sealed class ShelfSearch(FondCompassContext context, Guid ownerId, DateOnly today)
{
    /// <summary>Every dance of every lesson held.</summary>
    private IQueryable<DancedOn> Danced
    {
        get
        {
            var held = context.Lessons.Where(l => l.OwnerId == ownerId && l.Held);
            return held.Select(l => new DancedOn { DanceId = l.DanceId, GroupId = l.GroupId, Date = l.Date })
                .Concat(held.SelectMany(l => l.Also, (l, dance) => new DancedOn { DanceId = dance, GroupId = l.GroupId, Date = l.Date }));
        }
    }

    private sealed class DancedOn
    {
        public Guid DanceId { get; init; }

        public Guid GroupId { get; init; }

        public DateOnly Date { get; init; }
    }

    /// <summary>When each dance was last danced, reckoned once for all of them.</summary>
    private IQueryable<DancedLast> LastDanced =>
        Danced.GroupBy(d => d.DanceId).Select(g => new DancedLast { DanceId = g.Key, Last = g.Max(d => d.Date) });

    private sealed class DancedLast
    {
        public Guid DanceId { get; init; }

        public DateOnly Last { get; init; }
    }

    /// <summary>Dances in the order asked for; those alike in it by title.</summary>
    public IQueryable<DanceRecord> InOrder(IQueryable<DanceRecord> dances, ShelfOrder order)
    {
        if (order is ShelfOrder.LongestNotDanced or ShelfOrder.LastDanced)
        {
            var joined = dances.LeftJoin(
                LastDanced,
                d => d.Id,
                l => l.DanceId,
                (d, l) => new { Dance = d, Last = l == null ? (DateOnly?)null : l.Last });
            var ordered = order == ShelfOrder.LastDanced ? joined.OrderBy(d => d.Last == null).ThenByDescending(d => d.Last) : joined
                .OrderBy(d => d.Last == null).ThenBy(d => d.Last);
            return ordered.ThenBy(d => d.Dance.Title).ThenBy(d => d.Dance.Id).Select(d => d.Dance);
        }

        var byOrder = order switch
        {
            ShelfOrder.Changed => dances.OrderByDescending(d => d.ChangedAt),
            ShelfOrder.Counts => dances.OrderBy(d => d.Counts),
            ShelfOrder.Tempo => dances.OrderBy(d => d.Tempo == null).ThenBy(d => d.Tempo),
            ShelfOrder.Level => dances.OrderBy(d => d.Level == "").ThenBy(d => d.Level),
            _ => dances.OrderBy(d => d.Title),
        };
        return byOrder.ThenBy(d => d.Title).ThenBy(d => d.Id);
    }

    /// <summary>Those of the dances that are as asked.</summary>
    public IQueryable<DanceRecord> Of(IQueryable<DanceRecord> dances, ShelfQuery wish)
    {
        var query = dances;
        var held = Danced;
        var (month, quarter) = (today.AddMonths(-1), today.AddMonths(-3));
        query = wish.Level?.ToLowerInvariant() is { Length: > 0 } level ? query.Where(d => d.Level == level) : query;
        query = wish.Genre is { Length: > 0 } genre ? query.Where(d => d.Genre == genre) : query;
        query = wish.Walls is { } walls ? query.Where(d => d.Walls == walls) : query;
        query = wish.CountsFrom is { } least ? query.Where(d => d.Counts >= least) : query;
        query = wish.CountsTo is { } most ? query.Where(d => d.Counts <= most) : query;
        query = wish.TempoFrom is { } slow ? query.Where(d => d.Tempo >= slow) : query;
        query = wish.TempoTo is { } fast ? query.Where(d => d.Tempo <= fast) : query;
        query = wish.Group is { } group
            ? query.Where(d => held.Where(l => l.GroupId == group).Select(l => l.DanceId).Contains(d.Id))
            : query;
        query = wish.Mark is { Length: > 0 } mark ? query.Where(d => d.Marks.Contains(mark)) : query;
        query = wish.State is { } state ? query.Where(d => d.State == state) : query;
        query = wish.HasTag ? query.Where(d => d.Tags > 0) : query;
        query = wish.Danced switch
        {
            DancedSince.InTheLastMonth => query.Where(d => held.Where(l => l.Date > month).Select(l => l.DanceId).Contains(d.Id)),
            DancedSince.NotForAMonth => query
                .Where(d => held.Select(l => l.DanceId).Contains(d.Id)
                    && !held.Where(l => l.Date > month).Select(l => l.DanceId).Contains(d.Id)),
            DancedSince.NotForThreeMonths => query
                .Where(d => held.Select(l => l.DanceId).Contains(d.Id)
                    && !held.Where(l => l.Date > quarter).Select(l => l.DanceId).Contains(d.Id)),
            DancedSince.Never => query.Where(d => !held.Select(l => l.DanceId).Contains(d.Id)),
            _ => query,
        };
        foreach (var word in (wish.Words ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Take(8))
        {
            var pattern = $"%{Escape(word.ToLowerInvariant())}%";
            query = query.Where(d => EF.Functions.Like(d.Finds, pattern, "\\"));
        }

        return query;
    }

    /// <summary>Dances in whose words all parts of any of these names stand.</summary>
    public static Expression<Func<DanceRecord, bool>> Holding(IReadOnlyCollection<IReadOnlyList<string>> names)
    {
        // Each name is one pattern where it has one word, which is what an index of three letters answers best.
        var dance = Expression.Parameter(typeof(DanceRecord), "d");
        Expression Stands(string word)
        {
            Expression<Func<DanceRecord, bool>> stands = d => EF.Functions.Like(d.Finds, $"%{Escape(word)}%", "\\");
            return new Swapped(stands.Parameters[0], dance).Visit(stands.Body);
        }

        var any = names.DistinctBy(n => string.Join(' ', n))
            .Select(n => n.Select(Stands).Aggregate((Expression)Expression.Constant(true), Expression.AndAlso))
            .Aggregate((Expression)Expression.Constant(false), Expression.OrElse);
        return Expression.Lambda<Func<DanceRecord, bool>>(any, dance);
    }

    /// <summary>Puts one parameter in the place of another.</summary>
    private sealed class Swapped(ParameterExpression from, ParameterExpression to) : ExpressionVisitor
    {
        protected override Expression VisitParameter(ParameterExpression node) => node == from ? to : node;
    }

    /// <summary>A word as it stands in a pattern, for itself.</summary>
    internal static string Escape(string word) =>
        word.Replace("\\", "\\\\", StringComparison.Ordinal)
            .Replace("%", "\\%", StringComparison.Ordinal)
            .Replace("_", "\\_", StringComparison.Ordinal);
}
