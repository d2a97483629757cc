using FondCompass.Core;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording;
using FondCompass.Data.Dances;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using FondCompass.Web.Drawing;
using FondCompass.Web.Hosting.Requests;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;

namespace FondCompass.Web.Pages.Dances;

/// <summary>What the five pages of one dance share: the dance, its analysis, and its compass kept in sight.</summary>
public abstract class DancePage(DanceShelf shelf) : PageModel
{
    private Analysis? _analysis;

    [FromRoute]
    public Guid Id { get; set; }

    public DanceRecord Dance { get; private set; } = new();

    protected DanceShelf Shelf => shelf;

    /// <summary>Goes on with the dance as somebody else saved it meanwhile.</summary>
    protected void Take(DanceRecord current) => (Dance, _analysis, _written) = (current, null, null);

    /// <summary>Which of the five is open.</summary>
    public abstract string Stage { get; }

    public Analysis Analysis => _analysis ??= Written.In(Variant);

    /// <summary>The dance as it is written, whatever version of it is looked at.</summary>
    public Analysis Written => _written ??= OwnCues.On(Analysis.Analyse(DancedScript, Lexicon));

    private Analysis? _written;

    /// <summary>The version chosen for the class, as <see cref="Core.Swaps.ClassVersion"/> names it; empty for as it is written.</summary>
    public string Variant { get; private set; } = "";

    /// <summary>Looks at a version of the dance.</summary>
    protected void Choose(string? variant) => (Variant, _analysis) = (variant ?? "", null);

    /// <summary>The script, and below it the exceptions that hold for the track in use.</summary>
    protected string DancedScript => UsesExceptions ? Dance.Fit.Kept.Under(Dance.Script) : Dance.Script;

    /// <summary>What the class is told otherwise.</summary>
    protected ClassCues OwnCues { get; private set; } = ClassCues.None;

    /// <summary>Reckons with what a class is told otherwise.</summary>
    protected void Tell(ClassCues cues) => (OwnCues, _analysis, _written) = (cues, null, null);

    /// <summary>Whether this page is about the dance as it is danced to its track.</summary>
    protected virtual bool UsesExceptions => false;

    /// <summary>The track of the library in use; null for passages of the dance's own.</summary>
    public TrackRecord? LibraryTrack { get; private set; }

    /// <summary>The text of the passages in use.</summary>
    public string PassagesText => LibraryTrack?.Passages ?? Dance.Fit.Kept.Passages;

    /// <summary>The steps this instructor knows.</summary>
    public StepLexicon Lexicon { get; private set; } = StepLexicon.Shipped;

    public Compass Compass => Compass.From(Dance, Analysis, Tempo);

    /// <summary>The fitted track's tempo, else the script's, else the usual one.</summary>
    public double Tempo => Dance.Fit.Kept.Tempo ?? Analysis.Dance.Header.Tempo?.Value ?? Bites.UsualTempo;

    public int Intro =>
        Dance.Fit.Kept.Intro ?? SongStart.CountOf(Analysis.Trace, string.IsNullOrWhiteSpace(PassagesText) ? null : Track().Song);

    public int Repeats => Dance.Fit.Kept.Repeats ?? (Analysis.Dance.IsPhrased ? 1 : 6);

    /// <summary>The dance of this address: 404 for nobody's and anybody else's, the bin's page for one thrown away.</summary>
    public override async Task OnPageHandlerExecutionAsync(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        var desks = HttpContext.RequestServices.GetRequiredService<TypingContexts>();
        if (ReadsTextOnly(context.HandlerMethod) && desks.Of(User.OwnerId(), Id) is { } desk)
        {
            Dance = new DanceRecord { Id = Id, Fit = new DanceFit { Kept = new FitKept { Tempo = desk.Tempo } } };
            Lexicon = desk.Lexicon;
            await Handle(context, next);
            return;
        }

        if (await shelf.Find(Id, HttpContext.RequestAborted) is not { } dance)
        {
            context.Result = NotFound();
            return;
        }

        if (dance.DeletedAt is not null)
        {
            context.Result = HttpMethods.IsGet(Request.Method) ? Redirect($"/dances/{Id}/binned") : StatusCode(StatusCodes.Status410Gone);
            return;
        }

        Dance = dance;
        Lexicon = await shelf.Lexicon(HttpContext.RequestAborted);
        LibraryTrack = dance.Fit.TrackId is { } track
            ? await HttpContext.RequestServices.GetRequiredService<TrackBook>().Find(track, HttpContext.RequestAborted)
            : null;
        ViewData["Title"] = $"{dance.Title}: {Stage}";
        desks.Keep(User.OwnerId(), Id, new TypingContext(Lexicon, dance.Fit.Kept.Tempo));
        await Handle(context, next);
    }

    /// <summary>Whether a handler works on the text that is sent and needs nothing of the stored dance but what it is read with.</summary>
    protected virtual bool ReadsTextOnly(HandlerMethodDescriptor? handler) => false;

    private async Task Handle(PageHandlerExecutingContext context, PageHandlerExecutionDelegate next)
    {
        OnPageHandlerExecuting(context);
        if (context.Result is null)
        {
            await next();
        }
    }

    /// <summary>The track it is fitted to: passages when they are written, else a steady one for the repeats wanted.</summary>
    public (Song Song, string? Problem) Track()
    {
        string? problem = null;
        if (!string.IsNullOrWhiteSpace(PassagesText))
        {
            var read = SongText.Read(PassagesText, new Bpm(Tempo));
            if (read.Problem is null)
            {
                return (read.Song, null);
            }

            problem = read.Problem;
        }

        var counts = Math.Clamp(
            (Dance.Fit.Kept.Intro ?? Analysis.Dance.Header.Intro) + ((long)Math.Max(1, Analysis.Trace.TotalCounts) * Repeats),
            1,
            Song.MostCounts);
        return (Song.Steady((int)counts, new Bpm(Tempo)), problem);
    }

    /// <summary>The dance as a lesson teaches it.</summary>
    public LessonDance Fitted =>
        new(Analysis, Tempo, string.IsNullOrWhiteSpace(PassagesText) ? null : Track().Song) { Intro = Dance.Fit.Kept.Intro };

    /// <summary>Reckons anew after something was stored.</summary>
    protected void Forget() => (_analysis, _written) = (null, null);

    /// <summary>Takes the track in use from the page itself, after it was chosen or changed.</summary>
    protected void Use(TrackRecord? track) => LibraryTrack = track;

    public DanceRun Run() => RunUnroller.Unroll(Analysis.Trace, Track().Song, Intro);
}

/// <summary>The dance at a glance, in sight on every one of its pages.</summary>
public sealed record Compass(
    string Title,
    int Counts,
    WallDial Dial,
    string Tempo,
    int Errors,
    int Warnings,
    int Hints,
    bool Mirrors,
    string End,
    bool IsRing)
{
    public static Compass From(DanceRecord dance, Analysis analysis, double tempo) => new(
        dance.Title, analysis.Trace.TotalCounts, WallDial.Draw(analysis.Trace.WallOrder), $"{tempo:0.#}",
        analysis.Findings.Count(f => f.Severity == Severity.Error),
        analysis.Findings.Count(f => f.Severity == Severity.Warning || f.IsDoubt),
        analysis.Findings.Count(f => f.Severity == Severity.Info && !f.IsDoubt),
        analysis.Trace.Mirrors,
        $"{analysis.Trace.EndWeight.Letter()}, {FacingWords.Say(analysis.Dance.Header, analysis.Trace.EndFacing)}",
        FacingWords.IsRing(analysis.Dance.Header));
}
