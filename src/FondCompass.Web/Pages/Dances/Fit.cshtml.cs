using System.Globalization;
using FondCompass.Core.Counts;
using FondCompass.Core.Runs;
using FondCompass.Data;
using FondCompass.Web.Drawing;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Fitting: the dance meets the music; which wall each repeat faces and when it begins.</summary>
public sealed class FitModel(DanceShelf shelf) : DancePage(shelf)
{
    private readonly List<string> _problems = [];
    private DanceRun? _run;
    private FitResult? _fit;

    public override string Stage => "Fit";

    public IReadOnlyList<string> Problems => _problems;

    public DanceRun Danced
    {
        get
        {
            if (_run is null)
            {
                var (song, problem) = Track();
                if (problem is not null)
                {
                    _problems.Add(problem);
                }

                _run = RunUnroller.Unroll(Analysis.Trace, song, Intro);
                _problems.AddRange(_run.Findings.Select(f => f.Message));
            }

            return _run;
        }
    }

    public FitResult Fit => _fit ??= PhraseFit.Solve(Analysis.Trace, Danced.Song, Intro);

    public TideStrip Strip => TideStrip.Of(Danced);

    /// <summary>Seconds of one pattern from the first repeat's start.</summary>
    public double PatternSeconds
    {
        get
        {
            var time = Danced.Song.Time;
            return time.SecondsAt(Intro + Analysis.Trace.TotalCounts) - time.SecondsAt(Intro);
        }
    }

    public void OnGet() => _ = Danced;

    /// <summary>Saves what can be read of the form and shows the run; what cannot be read is said and keeps its old value.</summary>
    public async Task<IActionResult> OnPostChange(string? tempo, string? intro, string? repeats, string? passages, CancellationToken cancel)
    {
        var fit = Dance.Fit;
        if (Bpm.TryParse(tempo?.Trim().Replace(',', '.'), out var bpm) && bpm.Value is >= 20 and <= 400)
        {
            fit.Tempo = bpm.Value;
        }
        else
        {
            _problems.Add($"The tempo '{tempo}' cannot be danced: write counts a minute from 20 to 400. Until then {Tempo:0.#} is used.");
        }

        if (Whole(intro, 0, 10_000) is { } wait)
        {
            fit.Intro = wait;
        }
        else
        {
            _problems.Add($"The intro '{intro}' is no number of counts from 0 to 10000. Until then {Intro} is used.");
        }

        if (Whole(repeats, 1, 500) is { } times)
        {
            fit.Repeats = times;
        }
        else
        {
            _problems.Add($"'{repeats}' is no number of repeats from 1 to 500. Until then {Repeats} are danced.");
        }

        fit.Passages = (passages ?? "").Replace("\0", "", StringComparison.Ordinal);
        if (fit.Passages.Length > 20_000)
        {
            _problems.Add("The song's text is longer than 20000 characters; nothing of it was saved.");
            return Partial("_Run", this);
        }

        await Shelf.SaveFit(Id, fit, cancel);
        _ = Danced;
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Run", this) : Page();
    }

    /// <summary>Writes a proposed change into the script as a new revision.</summary>
    public async Task<IActionResult> OnPostAccept(string row, int version, CancellationToken cancel)
    {
        var script = Dance.Script.TrimEnd() + "\n" + row.Trim() + "\n";
        var outcome = await Shelf.Save(Id, version, script, cancel);
        return outcome is { Saved: true } ? Redirect($"/dances/{Id}/fit") : Redirect($"/dances/{Id}/write");
    }

    /// <summary>The script rows that carry out a change.</summary>
    public static string RowFor(FitChange change) => change.Kind == RunEventKind.Restart
        ? string.Create(CultureInfo.InvariantCulture, $"restart {change.Repeat} after {change.Counts}")
        : string.Create(CultureInfo.InvariantCulture, $"after {change.Repeat} Tag{change.Repeat}\ntag Tag{change.Repeat}\n1-{change.Counts} hold");

    public string EventAfter(int repeat) => string.Join(", ", Danced.Events.Where(e => e.AfterRepeat == repeat && e.Kind != RunEventKind.Ending)
        .Select(e => e.Kind == RunEventKind.Tag ? $" then a tag, facing {e.Facing}" : $" restart, facing {e.Facing}"));

    private static int? Whole(string? text, int least, int most) =>
        int.TryParse(text?.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number >= least && number <= most ? number : null;
}
