using FondCompass.Core.Actions;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Wording;

/// <summary>What a part and a line are called where they are danced.</summary>
public static class PartWording
{
    /// <summary>"V", "V, first half", "V, counts 17 to 24", "A, easier"; a tag by its own name.</summary>
    public static string Name(Stretch stretch)
    {
        var part = stretch.Pattern.Part;
        var name = part.Variant is { } variant ? $"{part.VariantOf ?? part.Name}, {variant}" : part.Name;
        var half = part.Counts / 2.0;
        return (stretch.From, stretch.To) switch
        {
            (0, var to) when to == part.Counts => name,
            (0, var to) when to == half => StepTexts.FirstHalf(name),
            (var from, var to) when from == half && to == part.Counts => StepTexts.SecondHalf(name),
            var (from, to) => StepTexts.CountsTo(name, from + 1, to),
        };
    }

    /// <summary>A line by the name it was given, else by its number.</summary>
    public static string Name(DanceLine line) => line.Name.Length > 0 ? line.Name : $"{line.Number}";

    /// <summary>A line of a dance: with its part's name where there are several, "C 2", "V: out and back".</summary>
    public static string Name(PartActions part, DanceLine line, bool several) =>
        line.Name.Length > 0 ? several ? $"{part.Name}: {line.Name}" : line.Name
            : several ? $"{part.Name} {line.Number}"
            : $"{line.Number}";

    /// <summary>A line with the place where it stands: "the pier (Quay 1)", "Quay 1" where it has no name.</summary>
    public static string At(PartActions part, int line) =>
        part.Lines.FirstOrDefault(l => l.Number == line) is { Name.Length: > 0 } named
            ? $"{named.Name} ({part.Name} {line})"
            : $"{part.Name} {line}";

    /// <summary>The words of steps danced in a row: "vine R, touch L".</summary>
    public static string WordsOf(PartTrace danced) =>
        string.Join(", ", danced.Actions.GroupBy(a => a.Action.Call).Select(c => StepWording.Word([.. c]).ToString()));
}
