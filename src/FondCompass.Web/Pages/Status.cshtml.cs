using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Api.Bodies;
using FondCompass.Web.Hosting;
using FondCompass.Web.Hosting.Databases;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>What went wrong, in plain words, and the way on.</summary>
[AllowAnonymous]
[IgnoreAntiforgeryToken]
public sealed class StatusModel : PageModel
{
    public string Title { get; private set; } = "";

    public string Text { get; private set; } = "";

    public string Onward { get; private set; } = "/";

    public string OnwardText { get; private set; } = "Try again";

    public void OnGet(int? code) => Tell(code);

    public void OnPost(int? code) => Tell(code);

    private void Tell(int? code)
    {
        var failure = HttpContext.Features.Get<IExceptionHandlerPathFeature>();
        var from = failure?.Path ?? HttpContext.Features.Get<IStatusCodeReExecuteFeature>()?.OriginalPath ?? "/";
        Onward = from.StartsWith("/status", StringComparison.Ordinal) ? "/" : from;
        if (DatabaseAway.Is(failure?.Error))
        {
            Title = ServerTexts.ShelfDoesNotAnswer;
            Text =
                ServerTexts.KeptInThisBrowser(DatabaseAway.Words(failure?.Error));
            return;
        }

        if (TooSlow.Is(failure?.Error))
        {
            (Title, Text) =
                (ServerTexts.TookTooLongTitle,
                    ServerTexts.ShelfAskedForTooMuch(TooSlow.Seconds));
            return;
        }

        if (failure?.Error is FondCompass.Data.QuotaException full)
        {
            (Title, Text, OnwardText) = (ServerTexts.AsMuchAsFitsTitle, full.Message, "Back");
            return;
        }

        (Title, Text) = (failure is null
            ? code ?? HttpContext.Features.Get<IStatusCodeReExecuteFeature>()?.OriginalStatusCode ?? 404
            : HttpContext.Response.StatusCode) switch
        {
            400 =>
                (ServerTexts.RequestNotCompleteTitle,
                    ServerTexts.OpenThePageAgain),
            404 =>
                (ServerTexts.NothingIsHere,
                    ServerTexts.NothingAtThisAddress),
            409 =>
                (ServerTexts.SavedAtTheSameMomentTitle,
                    ServerTexts.MetAnotherChange),
            429 => (ServerTexts.TooManyAtOnceTitle, ServerTexts.WaitALittle),
            413 =>
                (ServerTexts.TooMuchAtOnce,
                    ServerTexts.ScriptAndFormLimits(
                        SentText.Largest / 1024,
                        StudioPages.LargestForm / 1024,
                        StudioPages.MostFields)),
            _ =>
                (ServerTexts.WentWrongTitle,
                    ServerTexts.ThatShouldNotHappen(HttpContext.TraceIdentifier)),
        };
        if (code == 404)
        {
            (Onward, OnwardText) = ("/lessons", ServerTexts.ToTheLessons);
        }
    }
}
