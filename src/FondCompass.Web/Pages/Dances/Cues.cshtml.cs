using System.Globalization;
using FondCompass.Core.Composing;
using FondCompass.Core.Counts;
using FondCompass.Core.Lessons;
using FondCompass.Data;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>The cue sheet: what is said when, over the track the dance is fitted to, and whether it can be.</summary>
public sealed class CuesModel(DanceShelf shelf, LessonBook book) : DancePage(shelf)
{
    private const double Slowest = 50, Fastest = 110;

    public override string Stage => "Plan";

    protected override bool UsesExceptions => true;

    [BindProperty(SupportsGet = true, Name = "rate")]
    public string? AskedRate { get; set; }

    [BindProperty(SupportsGet = true, Name = "lead")]
    public string? AskedLead { get; set; }

    public double Rate => Number(AskedRate, 100, Slowest, Fastest) ?? 100;

    public double Lead => Number(AskedLead, Cue.DefaultLead, 0, CueSheet.LongestLead) ?? Cue.DefaultLead;

    /// <summary>What was asked and cannot be, in words; empty when all can.</summary>
    public string Problem =>
        Number(AskedRate, 100, Slowest, Fastest) is null ? $"'{AskedRate}' is no rate: write percent from {Slowest:0} to {Fastest:0}. Until then it is 100 %."
        : Number(AskedLead, Cue.DefaultLead, 0, CueSheet.LongestLead) is null ? $"'{AskedLead}' is no lead: write counts from 0 to {CueSheet.LongestLead:0}. Until then it is {Cue.DefaultLead:0}."
        : "";

    public IReadOnlyList<SheetCue> Cues { get; private set; } = [];

    /// <summary>What cannot be said in time.</summary>
    public int LeftOut => Cues.Count(c => c.Form == CueForm.None);

    /// <summary>The class that is told; null for every class.</summary>
    [BindProperty(SupportsGet = true)]
    public Guid? Class { get; set; }

    public IReadOnlyList<GroupRecord> Groups { get; private set; } = [];

    /// <summary>Why nothing was written; empty when it was.</summary>
    public string Refused { get; private set; } = "";

    /// <summary>A cue of the first time its place is danced can be written; later ones follow it.</summary>
    public bool IsFirst(SheetCue cue) => Cues.First(c => c.Part == cue.Part && c.Line == cue.Line && c.Count == cue.Count && c.Form != CueForm.Structural) == cue;

    public async Task OnGet(CancellationToken cancel)
    {
        await Load(cancel);
        Cues = CueSheet.Of(Run(), new Rate(Rate), Lead, int.MaxValue, Lexicon, cancel);
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
            var kept = ClassCues.With(OwnCues, part!, line, count!, said);
            Refused = kept.Length > ClassCuesRecord.Longest ? "More is told this class otherwise than can be kept; write it into the dance." : await book.KeepCues(group, Id, kept, cancel) ? "" : "There is no such group of yours.";
        }
        else
        {
            edit = StepEdits.SetCue(Dance.Script, Lexicon, part!, line, count!, said);
            Refused = edit.Refusal ?? (await Shelf.Save(Id, version, edit.Script, cancel) is { Saved: true } ? "" : "The dance was changed elsewhere meanwhile; nothing was written. Look again, then write it.");
        }

        if (Refused.Length > 0)
        {
            Cues = CueSheet.Of(Run(), new Rate(Rate), Lead, int.MaxValue, Lexicon, cancel);
            return Page();
        }

        return Redirect($"/dances/{Id}/cues{QueryString.Create(new Dictionary<string, string?> { ["rate"] = AskedRate, ["lead"] = AskedLead, ["class"] = $"{Class}" })}");
    }

    private async Task Load(CancellationToken cancel)
    {
        Groups = [.. (await book.Groups(cancel)).Where(g => !g.Archived || g.Id == Class)];
        if (Class is { } group)
        {
            Tell(await book.CuesFor(group, Id, cancel));
        }
    }

    public static string Form(CueForm form) => form switch
    {
        CueForm.Full => "",
        CueForm.Key => "shortened",
        CueForm.OneWord => "one word",
        CueForm.Foot => "the foot alone",
        CueForm.Structural => "told ahead",
        _ => "left out: no time for it",
    };

    private static double? Number(string? said, double usual, double least, double most) => string.IsNullOrWhiteSpace(said) ? usual
        : double.TryParse(said.Trim(), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) && value >= least && value <= most ? value
        : null;
}
