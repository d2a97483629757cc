using FondCompass.Data;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using FondCompass.Web.Hosting;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>An instructor's own steps, names and meanings, and which dances a change of them would change.</summary>
public sealed class OwnWordsModel(WordBook words, TypingDesks desks) : PageModel
{
    public WordsRecord Stored { get; private set; } = new();

    /// <summary>What is in the text box: the stored words, with a row added that somebody came here with.</summary>
    public string Text { get; private set; } = "";

    public IReadOnlyList<string> Problems { get; private set; } = [];

    public IReadOnlyList<ChangedDance> Changes { get; private set; } = [];

    /// <summary>Saved meanwhile by another tab.</summary>
    public string? Theirs { get; private set; }

    public bool IsSaved { get; private set; }

    /// <param name="row">A row to add, not yet saved.</param>
    public async Task OnGet(string? row, CancellationToken cancel)
    {
        Stored = await words.Stored(cancel);
        Text = string.IsNullOrWhiteSpace(row) ? Stored.Text : Stored.Text.TrimEnd() + (Stored.Text.Length > 0 ? "\n" : "") + row.ReplaceLineEndings(" ").Trim() + "\n";
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
        await Look(cancel);
        return Page();
    }

    private async Task Look(CancellationToken cancel)
    {
        if (Text.Length > WordBook.LargestText)
        {
            Problems = [$"These are more than {WordBook.LargestText / 1024} KiB, too many for one instructor. Nothing was saved; take some out."];
            return;
        }

        Problems = WordBook.Read(Text).Findings.Select(f => $"Row {f.Place.Row}: {f.Message}").ToList();
        Changes = await words.Changes(Text, cancel);
    }
}
