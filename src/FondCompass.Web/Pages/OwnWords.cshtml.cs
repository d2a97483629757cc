using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data;
using FondCompass.Data.Dances;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using FondCompass.Web.Hosting.Databases;
using FondCompass.Web.Hosting.Requests;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>An instructor's own steps, names and meanings, and which dances a change of them would change.</summary>
public sealed class OwnWordsModel(WordBook words, FondCompassContext context, BackgroundUpdates catchUp, TypingContexts desks) : PageModel
{
    public WordsRecord Stored { get; private set; } = new();

    /// <summary>What is in the text box: the stored words, with a row added that somebody came here with.</summary>
    public string Text { get; private set; } = "";

    public IReadOnlyList<string> Problems { get; private set; } = [];

    /// <summary>What was looked through by now of the dances in which a changed name stands.</summary>
    public WordsLook Found { get; private set; } = new([], 0, 0, null);

    /// <summary>Changed dances that were found before this look, in the same row of looks.</summary>
    public int Before { get; private set; }

    /// <summary>Dances that are not yet described by the words that are saved.</summary>
    public int Waiting { get; private set; }

    /// <summary>Saved meanwhile by another tab.</summary>
    public string? Theirs { get; private set; }

    public bool IsSaved { get; private set; }

    /// <param name="row">A row to add, not yet saved.</param>
    public async Task OnGet(string? row, CancellationToken cancel)
    {
        Stored = await words.Stored(cancel);
        Text = string.IsNullOrWhiteSpace(row)
            ? Stored.Text
            : Stored.Text.TrimEnd() + (Stored.Text.Length > 0 ? "\n" : "") + row.ReplaceLineEndings(" ").Trim() + "\n";
        await Look(cancel);
    }

    /// <summary>What the text would mean, and what it would change; nothing is stored.</summary>
    public async Task<IActionResult> OnPostLook(string? text, CancellationToken cancel)
    {
        Stored = await words.Stored(cancel);
        Text = text ?? "";
        await Look(cancel);
        return Partial("_OwnWords", this);
    }

    /// <summary>The next dances of a look that is too long for one answer; who leaves the page asks for no more.</summary>
    public async Task<IActionResult> OnPostMore(string? text, Guid after, int before, CancellationToken cancel)
    {
        (Stored, Text, Before) = (await words.Stored(cancel), text ?? "", Math.Max(0, before));
        Found = Text.Length > WordBook.LargestText ? Found : await words.Look(Text, after, cancel);
        return Partial("_OwnWordsFound", this);
    }

    /// <summary>How far the dances are described by the words that were saved.</summary>
    public async Task<IActionResult> OnGetProgress(CancellationToken cancel)
    {
        Waiting = await words.Waiting(cancel);
        return Partial("_OwnWordsWaiting", this);
    }

    public async Task<IActionResult> OnPostSave(string? text, int version, CancellationToken cancel)
    {
        Text = text ?? "";
        if (Text.Length > WordBook.LargestText)
        {
            Stored = await words.Stored(cancel);
            await Look(cancel);
            return Page();
        }

        var (saved, current) = await words.Save(Text.ReplaceLineEndings("\n"), version, cancel);
        Stored = current;
        IsSaved = saved;
        desks.Clear(User.OwnerId());
        Theirs = saved ? null : current.Text;
        if (saved)
        {
            // A few are done at once, the rest behind the page.
            await StaleDances.Describe(context, User.OwnerId(), cancel);
            catchUp.Call();
        }

        await Look(cancel);
        return Page();
    }

    private async Task Look(CancellationToken cancel)
    {
        if (Text.Length > WordBook.LargestText)
        {
            Problems = [
                DancePageTexts.OwnWordsTooMany(WordBook.LargestText / 1024)
            ];
            return;
        }

        Problems = WordBook.Read(Text).Findings.Select(f => $"Row {f.Place.Row}: {f.Message}").ToList();
        Found = await words.Look(Text, null, cancel);
        Waiting = await words.Waiting(cancel);
    }
}
