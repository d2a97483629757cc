using FondCompass.Application.Groups;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>The groups that are taught, with what their lessons add up to.</summary>
public sealed class GroupsModel(GroupDesk groups, LessonBook book) : PageModel
{
    private IReadOnlyDictionary<Guid, (int Held, DateOnly Last)> _held = new Dictionary<Guid, (int, DateOnly)>();

    public IReadOnlyList<GroupRecord> All { get; private set; } = [];

    public string? Problem { get; private set; }

    public int Held(Guid group) => _held.GetValueOrDefault(group).Held;

    public DateOnly? Reached(Guid group) => _held.TryGetValue(group, out var held) ? held.Last : null;

    public Task OnGet(CancellationToken cancel) => Load(cancel);

    public async Task<IActionResult> OnPost(string? name, string? meets, string? minutes, CancellationToken cancel)
    {
        Problem = await groups.Add(name, meets, minutes, cancel);
        if (Problem is null)
        {
            return Redirect("/groups");
        }

        await Load(cancel);
        return Page();
    }

    private async Task Load(CancellationToken cancel)
    {
        All = await book.Groups(cancel);
        _held = await book.HeldCounts(cancel);
    }
}
