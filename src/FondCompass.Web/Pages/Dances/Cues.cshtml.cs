using FondCompass.Application;
using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Editing;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>The cue sheet: what is said when, over the track the dance is fitted to, and whether it can be.</summary>
public sealed class CuesModel(DanceShelf shelf, LessonBook book) : DancePage(shelf)
{
    public override string Stage => "Plan";

    protected override bool UsesExceptions => true;

    [BindProperty(SupportsGet = true, Name = "rate")]
    public string? AskedRate { get; set; }

    [BindProperty(SupportsGet = true, Name = "lead")]
    public string? AskedLead { get; set; }

    public double Rate => Number(AskedRate, 100, BoardRules.Slowest, BoardRules.Fastest) ?? 100;

    /// <summary>The version that is called; as it is written when empty.</summary>
    [BindProperty(SupportsGet = true, Name = "variant")]
    public string? AskedVariant { get; set; }

    /// <summary>The caller's way, as the address has it: names, beat, fading or feet.</summary>
    [BindProperty(SupportsGet = true, Name = "way")]
    public string? AskedWay { get; set; }

    /// <summary>Syllables a second that the caller speaks.</summary>
    [BindProperty(SupportsGet = true, Name = "pace")]
    public string? AskedPace { get; set; }

    public double Lead => Number(AskedLead, Speech.DefaultLead, 0, CallSettings.LongestLead) ?? Speech.DefaultLead;

    public double Pace => Number(AskedPace, UsualPace, Speech.Slowest, Speech.Fastest) ?? UsualPace;

    /// <summary>Syllables a second in the language the dance is written in.</summary>
    public double UsualPace => CallTongue.For(Analysis.Dance, Lexicon).Rate;

    public CallerWay Way => WayWords.CallerWays.TryGetValue(AskedWay ?? "", out var way) ? way : CallerWay.Names;

    /// <summary>The ways of calling, as an instructor says them.</summary>
    public static readonly IReadOnlyList<(string Value, Sentence Words)> Ways =
    [
        ("names", DancePageTexts.NamesBeforeSteps),
        ("fading", DancePageTexts.NamesLessAndLess),
        ("beat", DancePageTexts.CountsAndChanges),
        ("feet", DancePageTexts.FootBeforeName)
    ];

    /// <summary>What was asked and cannot be, in words; empty when all can.</summary>
    public string Problem =>
        Number(AskedRate, 100, BoardRules.Slowest, BoardRules.Fastest) is null
            ? DancePageTexts.NoRateAsked(AskedRate, BoardRules.Slowest, BoardRules.Fastest)
        : Number(AskedLead, Speech.DefaultLead, 0, CallSettings.LongestLead) is null
            ? DancePageTexts.NoLeadAsked(AskedLead, CallSettings.LongestLead, Speech.DefaultLead)
        : Number(AskedPace, UsualPace, Speech.Slowest, Speech.Fastest) is null
            ? DancePageTexts.NoPaceAsked(AskedPace, Speech.Slowest, Speech.Fastest, UsualPace)
        : "";

    public IReadOnlyList<SheetCue> Cues { get; private set; } = [];

    /// <summary>What is said besides the counts.</summary>
    public int Calls => Cues.Count(c => !c.IsBeat && c.Form != CueForm.None);

    /// <summary>What cannot be said in time.</summary>
    public int LeftOut => Cues.Count(c => c.Form == CueForm.None);

    /// <summary>What must be said and comes late.</summary>
    public int Late => Cues.Count(c => c.IsLate);

    /// <summary>The class that is told; null for every class.</summary>
    [BindProperty(SupportsGet = true)]
    public Guid? Class { get; set; }

    public IReadOnlyList<GroupRecord> Groups { get; private set; } = [];

    /// <summary>Why nothing was written; empty when it was.</summary>
    public string Refused { get; private set; } = "";

    /// <summary>A cue of the first time its place is danced can be written; later ones follow it.</summary>
    public bool IsFirst(SheetCue cue) => _first.Contains(cue);

    private HashSet<SheetCue> _first = [];

    private void Call(CancellationToken cancel)
    {
        Cues = CueSheet.Write(
            Run(),
            new CallSettings(new Rate(Rate), Lead, int.MaxValue) { Way = Way, Speech = new Speech(Pace) },
            Lexicon,
            cancel);
        // A line's name and its first step stand on one count; the last of them is the step, whose words can be written.
        _first = [.. Cues.Where(c => c.Step.Length > 0 && !c.IsBeat && c.Form != CueForm.Structural)
            .GroupBy(c => (c.Part, c.Line, c.Count))
            .Select(g => g.Where(c => c.Repeat == g.First().Repeat).Last())];
    }

    public async Task OnGet(CancellationToken cancel)
    {
        await Load(cancel);
        Call(cancel);
    }

    /// <summary>Writes what is called on a count: for this class only, or into the dance.</summary>
    public async Task<IActionResult> OnPost(string? part, int line, string? count, string? words, int version, CancellationToken cancel)
    {
        await Load(cancel);
        var said = (words ?? "").Replace("\0", "", StringComparison.Ordinal).Replace('\t', ' ').ReplaceLineEndings(" ").Trim();
        var edit = StepEdits.SetCue(Dance.Script, Lexicon, part ?? "", line, count ?? "", said.Length > 0 ? said : "–");
        if (edit.Refusal is { } refusal)
        {
            Refused = refusal;
        }
        else if (Class is { } group)
        {
            var kept = OwnCues.With(new ClassCue(part!, line, count!, said));
            Refused = kept.Cues.Count > ClassCues.Most
                ? DancePageTexts.TooManyCallsForClass(ClassCues.Most)
                : said.Length > ClassCues.Longest
                    ? DancePageTexts.CallTooLong(ClassCues.Longest, said.Length)
                : await book.KeepCues(group, Id, kept, cancel) ? "" : DancePageTexts.NoSuchGroupOfYours;
        }
        else
        {
            edit = StepEdits.SetCue(Dance.Script, Lexicon, part!, line, count!, said);
            Refused = edit.Refusal
                ?? (await Shelf.Save(Id, version, edit.Script, cancel) is { Saved: true }
                    ? ""
                    : DancePageTexts.DanceChangedElsewhere);
        }

        if (Refused.Length > 0)
        {
            Call(cancel);
            return Page();
        }

        var view = new Dictionary<string, string?>
        {
            ["rate"] = AskedRate,
            ["lead"] = AskedLead,
            ["way"] = AskedWay,
            ["pace"] = AskedPace,
            ["variant"] = AskedVariant,
            ["class"] = $"{Class}",
        };
        return Redirect($"/dances/{Id}/cues{QueryString.Create(view)}");
    }

    private async Task Load(CancellationToken cancel)
    {
        Groups = [.. (await book.Groups(cancel)).Where(g => !g.Archived || g.Id == Class)];
        Choose(AskedVariant);
        if (Class is { } group)
        {
            Tell(await book.CuesFor(group, Id, cancel));
        }
    }

    /// <summary>How a thing is said, in a word or two.</summary>
    public static string Form(SheetCue cue) => cue.Form switch
    {
        CueForm.Own => cue.IsLate ? DancePageTexts.YourWordsLate : "your words",
        CueForm.Structural => cue.IsLate ? "told late" : "told ahead",
        CueForm.None => "left out",
        CueForm.Count or CueForm.Rhythm => DancePageTexts.OnTheBeat,
        _ => cue.IsShortened ? "shortened" : "",
    };

    private static double? Number(string? said, double usual, double least, double most) =>
        string.IsNullOrWhiteSpace(said) ? usual : Typed.Number(said, least, most);
}
