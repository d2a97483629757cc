using System.Globalization;
using FondCompass.Application.Tracks;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Records;
using FondCompass.Web.Drawing;
using FondCompass.Web.Drawing.Rulers;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Fitting: the dance meets the music; which wall each repeat faces and when it begins, and what brings a drift home.</summary>
public sealed partial class FitModel(DanceShelf shelf, TrackBook tracks, TrackDesk chosen) : DancePage(shelf)
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
    public bool EndsEarly => Danced.Findings.Any(f => f.Kind == RunUnroller.OrderTooShort);

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

    /// <summary>The song's text was changed by the strip, so that the page's field must show it.</summary>
    public bool TextChanged { get; private set; }

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
        .Select(e => e.Kind == RunEventKind.Tag ? DancePageTexts.ThenATag(e.Facing.ToString()) : $" restart, facing {e.Facing}"));

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
}
