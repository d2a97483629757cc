using System.Globalization;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Plans;

/// <summary>Words of a plan.</summary>
public static class LessonWords
{
    /// <summary>Minutes and seconds: "4:05".</summary>
    public static string Clock(double seconds)
    {
        var whole = (long)Math.Round(Math.Max(0, seconds));
        return string.Create(CultureInfo.InvariantCulture, $"{whole / 60}:{whole % 60:00}");
    }

    /// <summary>A bite by its name, with its number beside it where several parts or bites would else be mixed up.</summary>
    public static string Say(Bite bite)
    {
        var line = bite.Pattern.Part.Lines[bite.Line - 1];
        var counts = bite.LastLine == bite.Line && bite.Counts < line.Counts
            ? PlanTexts.CountsFromTo(bite.FromCount, bite.FromCount + bite.Counts - 1)
            : "";
        var lines = bite.LastLine > bite.Line ? PlanTexts.LinesFromTo(bite.Line, bite.LastLine) : $"{bite.Line}";
        return $"{bite.Name} ({bite.Part} {lines}{counts}{(bite.Time > 1 ? PlanTexts.TimeNumber(bite.Time) : "")})";
    }

    /// <summary>Bites next to each other by the last of them: "up to rocking chair (A 1 to 3)"; whole parts by their names.</summary>
    public static string Say(IReadOnlyList<Bite> bites, IReadOnlyList<Bite> all)
    {
        if (bites.Count == 1)
        {
            return Say(bites[0]);
        }

        var parts = bites.Select(b => b.Part).Distinct().ToList();
        var whole = parts.TrueForAll(p => all.Count(b => b.Part == p) == bites.Count(b => b.Part == p));
        return whole && parts.Count < all.Select(b => b.Part).Distinct().Count()
            ? parts.Count == 1 ? PlanTexts.AllOf(parts[0]) : PlanTexts.PartsAnd(string.Join(", ", parts.SkipLast(1)), parts[^1])
            : PlanTexts.UpTo(
                bites[^1].Name,
                bites[0].Part,
                bites[0].Line,
                parts.Count > 1 ? $"{bites[^1].Part} {bites[^1].LastLine}" : $"{bites[^1].LastLine}");
    }

    public static string Say(BiteRelation relation) => relation switch
    {
        BiteRelation.Same => PlanTexts.Same,
        BiteRelation.OtherSide => PlanTexts.OtherSide,
        BiteRelation.OtherEnding => PlanTexts.OtherEnding,
        _ => PlanTexts.New,
    };

    /// <summary>hips, arms, head, sounds, body.</summary>
    public static string Say(LayerKind kind) => kind.ToString().ToLowerInvariant();
}
