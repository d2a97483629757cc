using FondCompass.Application.Tracks;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>What is changed of a fit and its song.</summary>
public sealed partial class FitModel
{
    /// <summary>Saves what can be read of the form and shows the run; what cannot be read is said and keeps its old value.</summary>
    public async Task<IActionResult> OnPostChange(string? tempo, string? intro, string? repeats, string? passages, CancellationToken cancel)
    {
        Library = await tracks.All(cancel);
        var (fit, problems) = new FitAsked(tempo, intro, repeats).Over(Dance.Fit.Kept, (Tempo, Intro, Repeats));
        _problems.AddRange(problems.Select(p => p.ToString()));
        Dance.Fit.Kept = fit;
        var text = (passages ?? "").Replace("\0", "", StringComparison.Ordinal);
        if (text.Length > TrackBook.LargestText)
        {
            _problems.Add(DancePageTexts.SongTextTooLong(TrackBook.LargestText));
            return Partial("_Run", this);
        }

        await SavePassages(text, cancel);
        _ = Danced;
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Run", this) : Page();
    }

    /// <summary>Half or double time, a stop of the music or a count held to a moment, set on the strip.</summary>
    public async Task<IActionResult> OnPostStrip(
        string? set,
        int passage,
        string? seconds,
        int count,
        string? moment,
        CancellationToken cancel)
    {
        Library = await tracks.All(cancel);
        var text = PassagesText;
        if (string.IsNullOrWhiteSpace(text))
        {
            text = SongText.Write(Track().Song.Passages);
        }

        var (changed, problem) = new StripAsked(set, passage, seconds, count, moment).Into(text, Tempo);
        if (changed is null)
        {
            _problems.Add(problem!);
        }
        else
        {
            await SavePassages(changed, cancel);
            TextChanged = true;
        }

        _ = Danced;
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Run", this) : Redirect($"/dances/{Id}/fit");
    }

    private async Task SavePassages(string text, CancellationToken cancel)
    {
        if (LibraryTrack is { } track)
        {
            track.Passages = text;
        }
        else
        {
            Dance.Fit.Kept = Dance.Fit.Kept with { Passages = text };
        }

        await Shelf.SaveFit(Id, Dance.Fit, cancel);
    }

    /// <summary>Dances to another track of the library, to a new one, or to passages of the dance's own.</summary>
    public async Task<IActionResult> OnPostTrack(string? track, string? title, CancellationToken cancel) =>
        await chosen.Choose(Id, track, title, PassagesText, cancel) ? Redirect($"/dances/{Id}/fit") : NotFound();

    public async Task<IActionResult> OnPostForgetTrack(CancellationToken cancel)
    {
        if (LibraryTrack is { } track)
        {
            await tracks.Remove(track.Id, cancel);
        }

        return Redirect($"/dances/{Id}/fit");
    }

    /// <summary>Takes a proposal, for this track alone.</summary>
    public Task<IActionResult> OnPostAccept(string? rows, CancellationToken cancel) =>
        Store(Dance.Fit.Kept.With((rows ?? "").Replace("\0", "", StringComparison.Ordinal)), cancel);

    /// <summary>Says for this track which part belongs to a kind of passage.</summary>
    public Task<IActionResult> OnPostKeep(string? part, string? kind, CancellationToken cancel) =>
        PartNames.Contains(part) && !string.IsNullOrWhiteSpace(kind)
            ? OnPostAccept(FitRows.Write(part!, PassageKind.KindOf(kind.Replace("\"", "", StringComparison.Ordinal))), cancel)
            : Store(Dance.Fit.Kept, cancel);

    /// <summary>Takes back what was accepted last, or the one numbered.</summary>
    public Task<IActionResult> OnPostUndo(int? number, CancellationToken cancel) => Store(Dance.Fit.Kept.Without(number), cancel);

    /// <summary>Writes the track's exceptions into the script, as a new revision.</summary>
    public async Task<IActionResult> OnPostWriteIn(int version, CancellationToken cancel)
    {
        var outcome = await Shelf.Save(Id, version, DancedScript.TrimEnd() + "\n", cancel);
        if (outcome is not { Saved: false, Current: var current })
        {
            return outcome is null ? NotFound() : await Store(Dance.Fit.Kept with { Changes = [] }, cancel);
        }

        Take(current);
        Forget();
        _problems.Add(DancePageTexts.DanceChangedLookAsItIs);
        Response.StatusCode = StatusCodes.Status409Conflict;
        Library = await tracks.All(cancel);
        _ = Danced;
        return Page();
    }

    /// <summary>A tempo tapped: seconds of the taps, comma separated.</summary>
    public IActionResult OnPostTap(string? taps)
    {
        var tapped = TapTempo.Measure(Seconds(taps));
        return new JsonResult(tapped is null
            ? null
            : new { bpm = Math.Round(tapped.Bpm, 1), spread = Math.Round(tapped.Spread, 1), tapped.Used, tapped.Dropped });
    }

    /// <summary>Passages whose starts were tapped, as text.</summary>
    public IActionResult OnPostTapPassages(string? taps, double end)
    {
        var starts = Seconds(taps);
        return new JsonResult(new
        {
            text = starts.Count == 0 ? "" : SongText.Write(TapTempo.Passages(starts, end, Danced.Song.Time.BpmAt(0)))
        });
    }

    private async Task<IActionResult> Store(FitKept fit, CancellationToken cancel)
    {
        var tooLong = fit.ChangesLength > TrackBook.LargestText;
        Dance.Fit.Kept = tooLong ? Dance.Fit.Kept : fit;
        await Shelf.SaveFit(Id, Dance.Fit, cancel);
        Forget();
        if (tooLong)
        {
            _problems.Add(
                DancePageTexts.TrackTagsTooLong(TrackBook.LargestText));
        }

        Library = await tracks.All(cancel);
        _ = Danced;
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Run", this) : tooLong ? Page() : Redirect($"/dances/{Id}/fit");
    }
}
