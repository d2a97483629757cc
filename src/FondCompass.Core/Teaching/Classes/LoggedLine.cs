using System.Text.Json;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Teaching.Classes;

/// <summary>One line of a dance as lessons log it, so that a log of many lessons is read without reading their dances again.</summary>
/// <param name="Part">The part's name.</param>
/// <param name="Line">The eight, from 1 in its part.</param>
/// <param name="Name">As it is called where it is taught.</param>
/// <param name="Steps">Its named steps that the lexicon knows, each once.</param>
public sealed record LoggedLine(string Part, int Line, string Name, IReadOnlyList<string> Steps)
{
    /// <summary>Lines of a dance that can be logged at the most.</summary>
    private const int Most = 64;

    /// <summary>The lines of a dance as they are logged, by their place: parts in the order in which they are danced.</summary>
    public static IReadOnlyList<(PartTrace Pattern, Actions.DanceLine Line)> Patterns(Analysis analysis) =>
        [.. analysis.Trace.Calls.Select(c => c.Stretch.Pattern).Distinct().SelectMany(p => p.Part.Lines.Select(l => (p, l))).Take(Most)];

    public static IReadOnlyList<LoggedLine> LinesOf(Analysis analysis, StepLexicon lexicon)
    {
        var names = Bites.Cut(analysis, new ClassKnowledge(lexicon, ClassLevel.Regular), Bites.UsualTempo)
            .Where(b => b.Time == 1)
            .GroupBy(b => (b.Part, b.Line))
            .ToDictionary(g => g.Key, g => LessonWords.Say(g.First()));
        return [.. Patterns(analysis).Select(l => new LoggedLine(
            l.Pattern.Part.Name,
            l.Line.Number,
            names.GetValueOrDefault((l.Pattern.Part.Name, l.Line.Number), PartWording.Name(l.Pattern.Part, l.Line, several: true)),
            [.. l.Pattern.Actions.Where(a => a.Action.Line == l.Line.Number)
                .Select(a => a.Action.Step)
                .Where(s => lexicon.Find(s) is not null)
                .Distinct()]))];
    }

    /// <summary>Lines as they are kept.</summary>
    public static string Written(IReadOnlyList<LoggedLine> lines) => JsonSerializer.Serialize(lines, JsonSerializerOptions.Web);

    /// <summary>Reads what <see cref="Written"/> wrote; null for nothing.</summary>
    public static IReadOnlyList<LoggedLine>? Read(string kept) =>
        kept.Length == 0 ? null : JsonSerializer.Deserialize<List<LoggedLine>>(kept, JsonSerializerOptions.Web);
}
