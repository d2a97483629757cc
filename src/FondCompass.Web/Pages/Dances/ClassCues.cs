using System.Globalization;
using FondCompass.Core.Composing;
using FondCompass.Core.Steps;

namespace FondCompass.Web.Pages.Dances;

/// <summary>What one class is told otherwise, as rows of part, line, count and words with tabs between; laid over the script as cues of its own.</summary>
public static class ClassCues
{
    /// <summary>A script with the class's own words; what it has no place for any more is left out, and stays kept.</summary>
    public static string Over(string script, string cues, StepLexicon lexicon) =>
        Read(cues).Aggregate(script, (text, cue) => StepEdits.SetCue(text, lexicon, cue.Part, cue.Line, cue.Count, cue.Words).Script);

    /// <summary>With the words for one count; none take them away.</summary>
    public static string With(string cues, string part, int line, string count, string words) =>
        string.Join('\n', Read(cues).Where(c => (c.Part, c.Line, c.Count) != (part, line, count)).Append((Part: part, Line: line, Count: count, Words: words)).Where(c => c.Words.Length > 0)
            .Select(c => string.Create(CultureInfo.InvariantCulture, $"{c.Part}\t{c.Line}\t{c.Count}\t{c.Words}")));

    private static List<(string Part, int Line, string Count, string Words)> Read(string cues)
    {
        var read = new List<(string Part, int Line, string Count, string Words)>();
        foreach (var row in cues.Split('\n', StringSplitOptions.RemoveEmptyEntries))
        {
            if (row.Split('\t') is [var part, var line, var count, var words] && int.TryParse(line, NumberStyles.None, CultureInfo.InvariantCulture, out var number))
            {
                read.Add((part, number, count, words));
            }
        }

        return read;
    }
}
