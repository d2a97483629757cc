using FondCompass.Core.Notation.Rows;

namespace FondCompass.Core.Actions;

/// <summary>A dance with one of its variants danced throughout: "easier", "no turn", "version island".</summary>
public static class Versions
{
    /// <summary>All variants that a dance tells of, each once, in the order they are written.</summary>
    public static IReadOnlyList<VariantLabel> All(DanceActions dance) => dance.Parts
        .SelectMany(p => p.Variants.Select(v => (v.Row, v.Label)).Concat(p.Variant is { } own ? [(p.Row, own)] : []))
        .OrderBy(v => v.Row).Select(v => v.Label).Distinct().ToList();

    /// <summary>The variant that goes by a name; null when the dance has none.</summary>
    public static VariantLabel? Find(DanceActions dance, string name) => All(dance).FirstOrDefault(l =>
        string.Equals(l.ToString(), name.Trim(), StringComparison.OrdinalIgnoreCase)
            || (l.Name.Length > 0 && string.Equals(l.Name, name.Trim(), StringComparison.OrdinalIgnoreCase)));

    /// <summary>Every part with what the variant puts in its place; parts that have no such variant stay as they are.</summary>
    public static DanceActions With(this DanceActions dance, VariantLabel label) => dance with
    {
        Parts = dance.Parts.Select(p => p.Variant is null ? Danced(dance, p, label) : p).ToList(),
    };

    private static PartActions Danced(DanceActions dance, PartActions part, VariantLabel label)
    {
        if (dance.Parts.FirstOrDefault(p => p.Variant == label
            && string.Equals(p.VariantOf, part.Name, StringComparison.OrdinalIgnoreCase)) is { } standIn)
        {
            return standIn with { Name = part.Name, Variant = null, VariantOf = null, IsTag = part.IsTag };
        }

        return part.Variants.Where(v => v.Label == label).Aggregate(part, (p, variant) => p.With(variant));
    }
}
