using System.Globalization;
using FondCompass.Core.Editing;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>What is pressed on a plan.</summary>
public sealed partial class PlanModel
{
    /// <summary>What the form says: kind, minutes, group, version and the way of teaching.</summary>
    /// <remarks>Fields that the form does not have say nothing; those that are there and empty say that it is as suggested.</remarks>
    public Task<IActionResult> OnPostWay(CancellationToken cancel) => Change((_, state) => Now(WayOf(state)), cancel);

    /// <summary>A plan as the form has it, and what of the form cannot be taken; null where all can.</summary>
    private PlanChange WayOf(PlanState state)
    {
        var (habit, unread) = WayForm.Read(key => Typed(key) is { } said ? Clean(said) : null, state.Asked.Habit);
        var problems = new List<string>([unread]);
        var asked = state.Asked with
        {
            Kind = habit.Kind,
            Way = habit.Way,
            Version = Typed("version") is { } version ? Clean(version) : state.Asked.Version,
            WithoutRecaps = Typed("recaps") is { } recaps ? recaps == "no" : state.Asked.WithoutRecaps
        };
        asked = asked with
        {
            WarmUp = Moves(Typed("warmup"), asked.WarmUp, problems),
            CoolDown = Moves(Typed("cooldown"), asked.CoolDown, problems)
        };
        return new PlanChange(state with { Asked = WithMinutes(asked, Typed("minutes"), problems) }, problems.Find(p => p.Length > 0));
    }

    /// <summary>Takes what was typed into the form and had not been sent yet, so that the lesson is the one that was seen.</summary>
    /// <returns>What of it cannot be taken; null where all can, and where no form came along.</returns>
    private async Task<string?> TakeTyped(CancellationToken cancel)
    {
        if (Typed("minutes") is null)
        {
            await Show(cancel);
            return null;
        }

        string? unread = null;
        await desk.Settle(cancel);
        await Fill(await plans.Change(
            Id,
            Fitted,
            View,
            AsSeen,
            (_, state) =>
            {
                var change = WayOf(state);
                unread = change.Problem;
                return Task.FromResult(change);
            },
            cancel), cancel);
        return unread;
    }

    /// <summary>A press in the column: what is done, and, behind a blank, what it is done to.</summary>
    public async Task<IActionResult> OnPostPress(string? @do, CancellationToken cancel)
    {
        var (what, to) = (@do ?? "").Split(' ', 2) is [var verb, var rest] ? (verb, rest) : (@do ?? "", "");
        Task<IActionResult> Ask(Func<LessonAsked, LessonAsked> change) =>
            Change((_, state) => Now(state with { Asked = change(state.Asked) }), cancel);
        switch (what)
        {
            case "undo":
                return await Answer(await plans.Undo(Id, Fitted, View, AsSeen, cancel), cancel);
            case "anew":
                return await Change(async (open, _) => new PlanChange(await plans.BaseOf(open, cancel)), cancel);
            case "all":
                return await Ask(asked => asked with { Spans = [], Way = asked.Way with { Until = null } });
            case "minutes":
                var problems = new List<string>();
                return await Change(
                    (_, state) => Now(state with { Asked = WithMinutes(state.Asked, to, problems) }, problems.FirstOrDefault()),
                    cancel);
            case "give":
                return await Ask(asked => asked.Taking(KeptJson.Read<WayOut>(to)));
            case "without" when Guid.TryParse(to, out var dance):
                return await Change((_, state) => Now(state.Without(dance)), cancel);
        }

        return Enum.GetValues<BlockPress>().Where(p => WayWords.Of(p) == what).Cast<BlockPress?>().FirstOrDefault() is { } press
            ? await Change(
                async (open, state) => new PlanChange(state with
                {
                    Asked = state.Asked.With(
                        press,
                        await plans.SeenOf(
                            open,
                            state,
                            Fitted,
                            to,
                            press is BlockPress.WithNextLine or BlockPress.AsTwoBites or BlockPress.AsWritten,
                            cancel))
                }),
                cancel)
            : BadRequest();
    }

    /// <summary>What a way out would make of the plan; nothing is kept.</summary>
    public async Task<IActionResult> OnPostLook(string? @do, CancellationToken cancel)
    {
        await Show(cancel);
        var (what, to) = (@do ?? "").Split(' ', 2) is [var verb, var rest] ? (verb, rest) : (@do ?? "", "");
        var problems = new List<string>();
        try
        {
            var asked = what switch
            {
                "give" => Asked.Taking(KeptJson.Read<WayOut>(to)),
                "minutes" => WithMinutes(Asked, to, problems),
                _ => null
            };
            if (asked is null)
            {
                return BadRequest();
            }

            (Looked, LookedAt) = (await plans.Look(Laid, State with { Asked = asked }, Fitted, cancel), @do!);
        }
        catch (KeptFormatException unread)
        {
            problems.Add(unread.Message);
        }

        Problem = problems.FirstOrDefault() ?? Problem;
        return IsPart ? Partial(Looked is null ? "_Column" : "_Look", this) : Page();
    }

    /// <summary>A block of the instructor's own comes into the lesson.</summary>
    public Task<IActionResult> OnPostAdd(string? what, string? mins, string? after, string? bite, CancellationToken cancel) => Change(
        (_, state) =>
        {
            var (title, minutes) = (Clean(what), Clean(mins));
            if (title.Length is 0 or > OwnBlock.LongestTitle)
            {
                return Now(null, LessonPageTexts.SayWhatOwnBlockIs(OwnBlock.LongestTitle));
            }

            if (!double.TryParse(minutes, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var length)
                || length is not (> 0 and <= LessonBrief.Longest))
            {
                return Now(null, LessonPageTexts.NoBlockLength(minutes));
            }

            // A bite is named by its dance's place and its key, with a blank between.
            var drilled = Clean(bite).Split(' ', 2) is [var dance, var key]
                && int.TryParse(dance, NumberStyles.None, CultureInfo.InvariantCulture, out var index)
                ? (Dance: (int?)index, Bite: key)
                : (null, null);
            return Now(state with
            {
                Asked = state.Asked with
                {
                    Changes = state.Asked.Changes.With(
                        title,
                        Math.Max(1, Math.Round(length * 60)),
                        drilled.Dance,
                        drilled.Bite,
                        Clean(after))
                }
            });
        }, cancel);

    /// <summary>A further dance, by its title, comes into the lesson.</summary>
    public Task<IActionResult> OnPostWith(string? with, CancellationToken cancel) => Change(
        async (_, state) =>
        {
            var title = Clean(with);
            var found = title.Length > 0 ? await Shelf.ByTitle(title, cancel) : null;
            return found is null
                ? new PlanChange(null, LessonPageTexts.NoDanceCalled(title))
                : found.Id == Id || state.Also.Contains(found.Id) ? new PlanChange(null, LessonPageTexts.InThisLessonAlready(found.Title))
                : state.Also.Count + 1 >= LessonDance.MostAtOnce
                    ? new PlanChange(
                        null,
                        LessonPageTexts.TooManyDancesInLesson(LessonDance.MostAtOnce))
                : new PlanChange(state with { Also = [.. state.Also, found.Id] });
        }, cancel);

    /// <summary>Keeps the way as it stands as the one the group is used to.</summary>
    public async Task<IActionResult> OnPostHabit(CancellationToken cancel)
    {
        await Show(cancel);
        if (Class is null || !await plans.KeepHabit(Layout, Asked, Class.Id, cancel))
        {
            Problem = LessonPageTexts.ChooseGroupForWay;
            return Page();
        }

        return Redirect(To());
    }

    /// <summary>What a mixed class can dance at once.</summary>
    public async Task<IActionResult> OnGetBeside(CancellationToken cancel)
    {
        await Show(cancel);
        SideBySide = Layout.Beside(Lesson, cancel);
        return Partial("_Beside", this);
    }

    /// <summary>Writes a version that is offered into the dance, so that both are called on the board.</summary>
    public async Task<IActionResult> OnPostBeside(int version, string? part, int line, int first, string? rows, CancellationToken cancel)
    {
        await Show(cancel);
        var offer = Layout.Beside(Lesson, cancel).Where(o => o.Dance == 0).Select(o => o.Offer)
            .FirstOrDefault(o => o.Bite.Part == part
                && o.Bite.Line == line
                && o.First == first
                && string.Join('\n', o.Rows) == (rows ?? "").ReplaceLineEndings("\n"));
        if (offer is null)
        {
            Problem = LessonPageTexts.NotOfferedAnyMore;
            return Page();
        }

        var edit = StepEdits.AddVariant(Dance.Script, Lexicon, offer.Bite.Part, offer.Bite.Line, offer.Last, offer.Label, offer.Rows);
        if (edit.Refusal is { } refusal)
        {
            Problem = refusal;
            return Page();
        }

        if (await Shelf.Save(Id, version, edit.Script, cancel) is not { Saved: true })
        {
            Problem = LessonPageTexts.DanceChangedElsewhere;
            return Page();
        }

        return Redirect(To());
    }

    private static Task<PlanChange> Now(PlanChange change) => Task.FromResult(change);

    private static IReadOnlyList<string> Moves(string? said, IReadOnlyList<string> was, List<string> problems)
    {
        if (said is null)
        {
            return was;
        }

        if (Clean(said).Length <= LessonAsked.LongestMoves)
        {
            return TaughtClass.Names(Clean(said));
        }

        problems.Add(LessonPageTexts.MovesTooLong(LessonAsked.LongestMoves));
        return was;
    }

    private async Task<IActionResult> Change(Func<OpenPlan, PlanState, Task<PlanChange>> change, CancellationToken cancel)
    {
        try
        {
            await desk.Settle(cancel);
            return await Answer(await plans.Change(Id, Fitted, View, AsSeen, change, cancel), cancel);
        }
        catch (KeptFormatException unread)
        {
            return await Answer(await plans.Show(Id, Fitted, View, cancel) with { Problem = unread.Message }, cancel);
        }
    }

    private async Task<IActionResult> Answer(LaidPlan laid, CancellationToken cancel)
    {
        await Fill(laid, cancel);
        return IsPart ? Partial("_Column", this) : Problem is null ? Redirect(To()) : Page();
    }
}
