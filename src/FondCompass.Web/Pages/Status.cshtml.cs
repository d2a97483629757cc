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
            Title = "The shelf does not answer";
            Text =
                $"{DatabaseAway.Words(failure?.Error)} What you were writing is kept in this browser and is saved as soon as the shelf "
                    + "answers again. If it lasts, restart Fond Compass with ./start.";
            return;
        }

        if (TooSlow.Is(failure?.Error))
        {
            (Title, Text) =
                ("That took too long",
                    $"The shelf was asked for more than it finds in {TooSlow.Seconds} seconds, so it was stopped and nothing was "
                        + "changed. Ask for less at once: search for a word, or look at one page. If it happens with little asked for, "
                            + "whoever runs this finds in the server's messages what was so slow.");
            return;
        }

        if (failure?.Error is FondCompass.Data.QuotaException full)
        {
            (Title, Text, OnwardText) = ("This is as much as fits", full.Message, "Back");
            return;
        }

        (Title, Text) = (failure is null
            ? code ?? HttpContext.Features.Get<IStatusCodeReExecuteFeature>()?.OriginalStatusCode ?? 404
            : HttpContext.Response.StatusCode) switch
        {
            400 =>
                ("That request was not complete",
                    "The page had been open too long or came from elsewhere, so nothing was changed. Open the page again and repeat "
                        + "what you did; what you wrote is kept in this browser."),
            404 =>
                ("Nothing is here",
                    "There is no dance, lesson or page at this address, or it belongs to another account. Look for it among your dances."),
            409 =>
                ("Somebody saved at the same moment",
                    "What you sent met another change, from another window or another device, and was not written over it. Open the "
                        + "page again, look at how it stands, and repeat what is still missing."),
            429 => ("Too many at once", "More is asked for just now than can be answered. Wait a little, then try again."),
            413 =>
                ("That is too much at once",
                    $"A dance script may have up to 256 KiB, and one form {StudioPages.LargestForm / 1024} KiB and "
                        + $"{StudioPages.MostFields} fields. Nothing was saved; shorten it and try again."),
            _ =>
                ("Something went wrong here",
                    "That should not happen, and nothing was changed by it. Try once more; if it happens again, the server's messages "
                        + $"say why, under {HttpContext.TraceIdentifier}."),
        };
        if (code == 404)
        {
            (Onward, OnwardText) = ("/lessons", "To the lessons");
        }
    }
}
