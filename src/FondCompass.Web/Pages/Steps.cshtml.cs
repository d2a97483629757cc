using FondCompass.Core;
using FondCompass.Core.Floor;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Text;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Web.Drawing;
using FondCompass.Web.Drawing.Rulers;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>The step lexicon, to browse and to try: every step with its ruler, its weight line and its footprints.</summary>
public sealed class StepsModel(WordBook words, DanceShelf shelf) : PageModel
{
    /// <summary>Names that are offered at once where steps are chosen.</summary>
    private const int MostNames = 8;

    /// <summary>Characters tried at the most.</summary>
    private const int LongestTry = 300;

    [BindProperty(SupportsGet = true, Name = "q")]
    public string? Query { get; set; }

    /// <summary>Name of the step that is open.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Step { get; set; }

    /// <summary>Words to be tried in its place; the step as it is when left out.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Try { get; set; }

    [BindProperty(SupportsGet = true)]
    public FloorSight Sight { get; set; }

    public IReadOnlyList<NamedStep> Found { get; private set; } = [];

    public int Total { get; private set; }

    public NamedStep? Open { get; private set; }

    /// <summary>Of a step of the instructor's own, what it is made of, level by level; empty for every other.</summary>
    public IReadOnlyList<StepPart> Parts { get; private set; } = [];

    public StepUses Uses { get; private set; } = new([], 0);

    public TriedStep? Tried { get; private set; }

    public async Task OnGet(CancellationToken cancel)
    {
        var lexicon = await words.Lexicon(cancel);
        Total = lexicon.Steps.Count();
        Found = lexicon.Steps.Where(IsFound).OrderBy(s => s.IsOwn ? 0 : 1).ThenBy(s => s.Name, StringComparer.Ordinal).ToList();
        Open = Step is null ? Found.Count > 0 ? Found[0] : null : lexicon.Find(Step);
        if (Open is not null)
        {
            Uses = await shelf.Uses(Open, cancel);
            Parts = Open.IsOwn ? new StepParts(Analysis.Analyse("").Dance, lexicon).Of(Open.Name) : [];
            var wording = string.IsNullOrWhiteSpace(Try) ? $"{Open.Name} R" : Try.Trim();
            Tried = TriedStep.Try(Letters.Cut(wording, LongestTry), Open, lexicon, Sight);
        }
    }

    /// <summary>Names of steps a word of which begins as it is typed, those that begin so themselves first.</summary>
    public async Task<IActionResult> OnGetNames(CancellationToken cancel)
    {
        var typed = (Query ?? "").Trim();
        bool Begins(string name) => name.StartsWith(typed, StringComparison.OrdinalIgnoreCase);
        return typed.Length == 0 ? new JsonResult(Array.Empty<string>())
            : new JsonResult((await words.Lexicon(cancel)).Steps
                .Where(s => s.Aliases.Prepend(s.Name).Any(n => Begins(n) || n.Split(' ', '-').Any(Begins)))
                .OrderBy(s => Begins(s.Name) ? 0 : 1)
                .ThenBy(s => s.Name, StringComparer.Ordinal)
                .Take(MostNames)
                .Select(s => s.Name));
    }

    private bool IsFound(NamedStep step) => string.IsNullOrWhiteSpace(Query) || NamesOf(step).Concat(step.Genres)
        .Any(n => n.Contains(Query.Trim(), StringComparison.OrdinalIgnoreCase));

    private static IEnumerable<string> NamesOf(NamedStep step) =>
        step.Aliases.Prepend(step.Name).Concat(step.Languages.Values.SelectMany(n => n)).Concat(step.LocalNames.Values.SelectMany(n => n));
}

/// <summary>A step's words danced from a standing start.</summary>
/// <param name="Problems">What is wrong with the words, if anything is.</param>
public sealed record TriedStep(
    string Wording,
    IReadOnlyList<RulerLine> Lines,
    FloorDrawing? Floor,
    string Ends,
    IReadOnlyList<string> Problems)
{
    public static TriedStep Try(string wording, NamedStep step, StepLexicon lexicon, FloorSight sight)
    {
        var isRing = step.Genres.Contains("circle");
        var settings =
            $"{(step.Genres.Count > 0 ? $"genre {step.Genres[0]}\n" : "")}{(isRing ? "layout circle\n" : "")}part "
                + $"A\n{wording.ReplaceLineEndings(" ")}\n";
        // The foot that leads must be the one that is free.
        var analysis = Analysis.Analyse("start weight L\n" + settings, lexicon);
        var other = Analysis.Analyse("start weight R\n" + settings, lexicon);
        analysis = analysis.HasErrors && !other.HasErrors ? other : analysis;
        var trace = analysis.Trace.Parts[0];
        var problems = analysis.Findings.Where(f => f.Severity == Core.Findings.Severity.Error).Select(f => f.Message).ToList();
        if (trace.Actions.Count == 0)
        {
            return new TriedStep(wording, [], null, "", problems);
        }

        var widest = trace.Part.Lines.Max(l => l.Counts);
        var free = trace.End.Weight.FreeFoot();
        return new TriedStep(
            wording,
            RulerDrawing.Draw(trace, Math.Max(widest, 4), RulerPaper.Narrow, 4),
            FloorDrawing.Draw(FloorPicture.OfPart(trace, Facing.Front), sight, isRing),
            free == Foot.None
                ? DancePageTexts.StepTried(trace.Part.Counts, trace.End.Weight.Letter(), $"{trace.End.Facing}")
                : DancePageTexts.StepTriedFree(trace.Part.Counts, trace.End.Weight.Letter(), free.Word(), $"{trace.End.Facing}"),
            problems);
    }
}
