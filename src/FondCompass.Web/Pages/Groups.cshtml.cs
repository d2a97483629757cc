using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>The groups that are taught, with what their lessons add up to.</summary>
public sealed class GroupsModel(LessonBook book) : PageModel
{
    private IReadOnlyDictionary<Guid, (int Held, DateOnly Last)> _held = new Dictionary<Guid, (int, DateOnly)>();

    public IReadOnlyList<GroupRecord> All { get; private set; } = [];

    public string? Problem { get; private set; }

    public int Held(Guid group) => _held.GetValueOrDefault(group).Held;

    public DateOnly? Reached(Guid group) => _held.TryGetValue(group, out var held) ? held.Last : null;

    public Task OnGet(CancellationToken cancel) => Load(cancel);

    public async Task<IActionResult> OnPost(string? name, string? meets, string? minutes, CancellationToken cancel)
    {
        await Load(cancel);
        name = (name ?? "").Trim();
        if (name.Length is 0 or > GroupRecord.LongestName || (meets ?? "").Length > GroupRecord.LongestMeets)
        {
            Problem = LessonPageTexts.GiveGroupAName(GroupRecord.LongestName, GroupRecord.LongestMeets);
        }
        else if (!int.TryParse(minutes, out var length) || length is < LessonAsked.LeastMinutes or > (int)LessonBrief.Longest)
        {
            Problem = LessonPageTexts.NoLengthOfLesson(minutes, LessonAsked.LeastMinutes, LessonBrief.Longest);
        }
        else if (All.Any(g => string.Equals(g.Name, name, StringComparison.OrdinalIgnoreCase)))
        {
            Problem = LessonPageTexts.GroupExists(name);
        }
        else
        {
            await book.AddGroup(name, (meets ?? "").Trim(), length, cancel);
            return Redirect("/groups");
        }

        return Page();
    }

    private async Task Load(CancellationToken cancel)
    {
        All = await book.Groups(cancel);
        _held = await book.HeldCounts(cancel);
    }
}
