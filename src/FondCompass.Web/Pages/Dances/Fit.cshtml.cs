using System.Globalization;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Data.Dances;
using FondCompass.Data.Records;
using FondCompass.Web.Drawing;
using FondCompass.Web.Drawing.Rulers;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Fitting: the dance meets the music; which wall each repeat faces and when it begins, and what brings a drift home.</summary>
public sealed class FitModel(DanceShelf shelf, TrackBook tracks) : DancePage(shelf)
{
    private readonly List<string> _problems = [];
    private DanceRun? _run;
    private IReadOnlyList<FitResult>? _proposals;

    public override string Stage => "Fit";

    protected override bool UsesExceptions => true;

    public IReadOnlyList<string> Problems => _problems;

    public IReadOnlyList<TrackRecord> Library { get; private set; } = [];

    /// <summary>How much the strip is drawn out: 1 shows the whole song.</summary>
    [BindProperty(SupportsGet = true)]
    public int Zoom { get; set; } = 1;

    [BindProperty(SupportsGet = true)]
    public FitWishes Wishes { get; set; } = new();

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

    /// <summary>The best way first; the first one is the one drawn as ghosts.</summary>
    public IReadOnlyList<FitResult> Proposals => _proposals ??= PhraseFit.Ranked(Danced, Wishes.Constraints);

    public FitResult Fit => Proposals[0];

    public SongStrip Strip =>
        SongStrip.Draw(Danced, Fit.Changes, Zoom, RulerPaper.AskedBy(Request) == RulerPaper.Narrow ? SongStrip.Phone : SongStrip.Page);

    /// <summary>Whether the right part meets each passage of a phrased dance.</summary>
    public PartMeetings Meetings => PartMeetings.Judge(Danced);

    public IReadOnlyList<PastTempo> Past => TempoLimits.Past(Danced);

    public IReadOnlyList<TempoRow> Desk => TempoComparison.Compare(Danced, Lexicon);

    /// <summary>Variants of the dance that the last repeat could be danced as.</summary>
    public IEnumerable<string> Versions => Core.Actions.Versions.All(Analysis.Trace.Actions).Select(v => v.ToString()).Take(4);

    /// <summary>A passage that counts waits for a part that is not danced at all.</summary>
    public bool NeverMet => Meetings.All.Any(m => m.Counts && m.Nearest is null);

    /// <summary>The order ends while the music goes on, and could be danced again.</summary>
    public bool EndsEarly => Danced.Findings.Any(f => f.Code == RunUnroller.OrderTooShort.Code);

    /// <summary>Exceptions of this track, one for each that was accepted.</summary>
    public IReadOnlyList<string> Changes => Dance.Fit.Kept.Changes;

    /// <summary>Kinds of passage that could be kept on a part, and the parts.</summary>
    public IEnumerable<string> PassageKinds =>
        Danced.Song.Passages.Where(p => p.Rest is null).Select(p => PassageKind.KindOf(p.Name)).Distinct();

    public IEnumerable<string> PartNames =>
        Analysis.Trace.Calls.Select(c => c.Stretch.Pattern.Part).Where(p => !p.IsTag).Select(p => p.Name).Distinct();

    /// <summary>Tracks of the library that go slower than the one in use, nearest first.</summary>
    public IEnumerable<(TrackRecord Track, double Bpm)> Slower => Library
        .Where(t => t.Id != LibraryTrack?.Id)
        .Select(t => (Track: t, Bpm: BpmOf(t)))
        .Where(t => t.Bpm < Danced.Song.Time.BpmAt(Intro) - 0.5)
        .OrderByDescending(t => t.Bpm).Take(3);

    public async Task OnGet(CancellationToken cancel)
    {
        Library = await tracks.All(cancel);
        _ = Danced;
    }

    /// <summary>The run at another zoom, or with other wishes; nothing is stored.</summary>
    public async Task<IActionResult> OnGetRun(CancellationToken cancel)
    {
        Library = await tracks.All(cancel);
        _ = Danced;
        return Partial("_Run", this);
    }

    /// <summary>What the band plays and when, and where every count of the song falls, in seconds at full rate.</summary>
    public IActionResult OnGetScore() => new JsonResult(Score.Write(Danced.Song, Analysis.Dance.Header.Swing));

    /// <summary>Saves what can be read of the form and shows the run; what cannot be read is said and keeps its old value.</summary>
    public async Task<IActionResult> OnPostChange(string? tempo, string? intro, string? repeats, string? passages, CancellationToken cancel)
    {
        Library = await tracks.All(cancel);
        var fit = Dance.Fit.Kept;
        if (Bpm.TryParse(tempo?.Trim().Replace(',', '.'), out var bpm) && bpm.Value is >= 20 and <= 400)
        {
            fit = fit with { Tempo = bpm.Value };
        }
        else
        {
            _problems.Add($"The tempo '{tempo}' cannot be danced: write counts a minute from 20 to 400. Until then {Tempo:0.#} is used.");
        }

        if (string.IsNullOrWhiteSpace(intro))
        {
            // As the dance says, else behind an intro of the song.
            fit = fit with { Intro = null };
        }
        else if (Whole(intro, 0, 10_000) is { } wait)
        {
            fit = fit with { Intro = wait };
        }
        else
        {
            _problems.Add($"The intro '{intro}' is no number of counts from 0 to 10000. Until then {Intro} is used.");
        }

        if (Whole(repeats, 1, 500) is { } times)
        {
            fit = fit with { Repeats = times };
        }
        else
        {
            _problems.Add($"'{repeats}' is no number of repeats from 1 to 500. Until then {Repeats} are danced.");
        }

        Dance.Fit.Kept = fit;
        var text = (passages ?? "").Replace("\0", "", StringComparison.Ordinal);
        if (text.Length > TrackBook.LargestText)
        {
            _problems.Add($"The song's text is longer than {TrackBook.LargestText} characters; nothing of it was saved.");
            return Partial("_Run", this);
        }

        await SavePassages(text, cancel);
        _ = Danced;
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Run", this) : Page();
    }

    /// <summary>The song's text was changed by the strip, so that the page's field must show it.</summary>
    public bool TextChanged { get; private set; }

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

        var changed = set switch
        {
            "half" => SongEdits.WithFeel(text, passage, CountingFeel.HalfTime),
            "double" => SongEdits.WithFeel(text, passage, CountingFeel.DoubleTime),
            "played" => SongEdits.WithFeel(text, passage, CountingFeel.AsPlayed),
            "stop" when SongText.MomentOf(seconds) is { } rest && rest <= Song.LongestRest => SongEdits.WithRestAfter(text, passage, rest),
            "pin" when SongText.MomentOf(moment) is { } at => SongEdits.WithAnchor(text, count, at),
            "loose" => SongEdits.WithAnchor(text, count, null),
            _ => null,
        };
        if (changed is null)
        {
            _problems.Add(set == "pin"
                ? $"'{moment}' is no moment of the song: write minutes and seconds, such as 0:35.2. Nothing was changed."
                : $"'{seconds}' is no number of seconds from 0 to {Song.LongestRest}. Nothing was changed.");
        }
        else if (SongText.Read(changed, new Bpm(Tempo)) is { Problem: { } problem })
        {
            _problems.Add($"{problem} Nothing was changed.");
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
    public async Task<IActionResult> OnPostTrack(string? track, string? title, CancellationToken cancel)
    {
        if (track == "new")
        {
            track = (await tracks.Add(title ?? "", PassagesText, cancel)).Id.ToString();
        }
        else if (track?.StartsWith("preset:", StringComparison.Ordinal) == true
            && PresetSongs.All.FirstOrDefault(p => p.Title == track[7..]) is { } preset)
        {
            track = (await tracks.Add(preset.Title, preset.Text, cancel)).Id.ToString();
        }

        return await tracks.Choose(Id, Guid.TryParse(track, out var id) ? id : null, cancel) ? Redirect($"/dances/{Id}/fit") : NotFound();
    }

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
        _problems.Add("The dance was changed elsewhere meanwhile; nothing was written into it. Look at it as it is now, then write it.");
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

    /// <summary>Repeats that are listed; more are said to be more.</summary>
    public const int MostListed = 80;

    /// <summary>Parts in the order they are danced: "V, second of two, then C".</summary>
    public IReadOnlyList<string> PartMap
    {
        get
        {
            var repeats = Danced.Repeats;
            var totals = repeats.CountBy(r => r.Part).ToDictionary();
            var seen = new Dictionary<string, int>();
            return repeats.Take(MostListed).Select(r =>
            {
                var nth = seen[r.Part] = seen.GetValueOrDefault(r.Part) + 1;
                return $"{r.Part}{(totals[r.Part] > 1 ? $", {nth} of {totals[r.Part]}" : "")}"
                    + $"{(r.Cut ? $", {r.ToCount - r.FromCount} counts" : "")}";
            }).ToList();
        }
    }

    public string EventAfter(int repeat) =>
        string.Join(", ", Danced.Events.Where(e => e.AfterRepeat == repeat && e.Kind != RunEventKind.Ending)
        .Select(e => e.Kind == RunEventKind.Tag ? $" then a tag, facing {e.Facing}" : $" restart, facing {e.Facing}"));

    private async Task<IActionResult> Store(FitKept fit, CancellationToken cancel)
    {
        var tooLong = fit.ChangesLength > TrackBook.LargestText;
        Dance.Fit.Kept = tooLong ? Dance.Fit.Kept : fit;
        await Shelf.SaveFit(Id, Dance.Fit, cancel);
        Forget();
        if (tooLong)
        {
            _problems.Add(
                $"The tags and restarts of this track are longer than {TrackBook.LargestText} characters; this one was not added. Write "
                    + "them into the dance.");
        }

        Library = await tracks.All(cancel);
        _ = Danced;
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Run", this) : tooLong ? Page() : Redirect($"/dances/{Id}/fit");
    }

    /// <summary>
    /// The tempo of a track where the dance begins; infinite for one that cannot be read or whose bars the dance's lines do not fill.
    /// </summary>
    private double BpmOf(TrackRecord track)
    {
        var read = SongText.Read(track.Passages, new Bpm(Tempo));
        return read.Problem is null && read.Song.Suits(Analysis.Dance.Header.LineCounts)
            ? read.Song.Time.BpmAt(Intro)
            : double.PositiveInfinity;
    }

    private static List<double> Seconds(string? taps) => (taps ?? "").Split(',').Take(2_000)
        .Select(t => double.TryParse(t, NumberStyles.Float, CultureInfo.InvariantCulture, out var s) ? s : double.NaN)
        .Where(double.IsFinite)
        .ToList();

    private static int? Whole(string? text, int least, int most) =>
        int.TryParse(text?.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number >= least && number <= most
            ? number
            : null;
}

/// <summary>What the instructor allows of the fit.</summary>
public sealed record FitWishes
{
    public bool NoRestarts { get; init; }

    public bool NoTags { get; init; }

    public bool KeepOrder { get; init; }

    public bool WholeLines { get; init; }

    public int? MostTags { get; init; }

    public FitConstraints Constraints => new(NoRestarts, NoTags, WholeLines, MostTags is >= 0 and <= 9 ? MostTags : null, KeepOrder);
}

/// <summary>What holds for one track alone, in words.</summary>
public static class FitChangeWords
{
    /// <summary>One change, as the script rows that say it, in words.</summary>
    public static string Of(string block)
    {
        var rows = block.Split('\n');
        var words = rows[0].Split(' ');
        return words switch
        {
            ["after", var repeat, ..] when rows.Length > 2 && rows[2].Split(' ')[0].Split('-') is [_, var last] =>
                $"a tag of {last} counts after repeat {repeat}",
            ["drop", var call] => $"call {call} left out",
            ["repeat", var call, "again"] => $"call {call} twice",
            ["repeat", var repeat, .. var version] => $"repeat {repeat}: {string.Join(' ', version)}",
            ["move", var call, "after", "0"] => $"call {call} first",
            ["move", var call, .. var to] => $"call {call} {string.Join(' ', to)}",
            ["order", ..] => "the order round and round",
            ["finish", "pose", .. var turn] => $"a pose at the end{(turn.Length > 0 ? $", {string.Join(' ', turn)}" : "")}",
            ["finish", var count, .. var turn] => $"the last time, count {count}: {string.Join(' ', turn)}",
            _ => rows[0],
        };
    }
}
