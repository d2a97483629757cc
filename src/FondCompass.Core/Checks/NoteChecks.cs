using System.Text.RegularExpressions;
using FondCompass.Core.Findings;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>Tags that are told and not danced: in a note, or by a name alone.</summary>
public static partial class NoteChecks
{
    /// <summary>A note speaks of a tag, and no tag is danced there.</summary>
    public static readonly FindingCode TagAsNote = new("CUE02", Severity.Warning);

    /// <summary>A tag of which nothing is danced.</summary>
    public static readonly FindingCode TagWithoutSteps = new("PART05", Severity.Warning);

    /// <summary>Letters of a note that are told.</summary>
    private const int Told = 60;

    public static IEnumerable<Finding> Check(DanceTrace trace)
    {
        foreach (var part in trace.Parts.Where(p => p.Part.IsTag && p.Actions.Count == 0))
        {
            yield return new Finding(
                TagWithoutSteps,
                new Place(part.Part.Name, Row: part.Part.Row),
                CheckTexts.TagWithoutSteps(part.Part.Name));
        }

        var hasTag = trace.Dance.Parts.Any(p => p.IsTag);
        foreach (var part in trace.Parts)
        {
            // A tag that was read may leave words of when it comes; one that was not leaves its steps behind a colon.
            foreach (var note in part.Part.Notes.Where(n => n.Kind == "note"
                && Speaks().IsMatch(n.Text)
                && !Denies().IsMatch(n.Text)
                && (!hasTag || TellsSteps().IsMatch(n.Text))))
            {
                yield return new Finding(
                    TagAsNote,
                    new Place(part.Part.Name, Row: note.Row),
                    CheckTexts.TagStandsAsNote(note.Text.Length > Told ? note.Text[..Told].TrimEnd() + " …" : note.Text));
            }
        }
    }

    /// <summary>"Tag after wall 2 …", "4 count bridge: …", "at the end of wall 2 there is a tag".</summary>
    [GeneratedRegex(
        @"^\W*((the|a|an)\s+)?(\d+[\s-]*counts?\s+)?(tag|bridge)s?\s*(\d|[:(,–-]|after|at|behind|on|of|happens|comes|is|are|wall|steps?)"
            + @"|\b(is|comes|do|dance|add|have)\s+(a|the)\s+(\d+[\s-]*counts?\s+)?(tag|bridge)\b",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex Speaks();

    [GeneratedRegex(@"\b(no|none|not|without)\b", RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex Denies();

    [GeneratedRegex(@":\s*\w", RegexOptions.NonBacktracking)]
    private static partial Regex TellsSteps();
}
