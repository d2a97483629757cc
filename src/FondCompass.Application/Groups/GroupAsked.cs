using System.Globalization;
using FondCompass.Application.Lessons;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Records;

namespace FondCompass.Application.Groups;

/// <summary>A group as its form says it; numbers as they were typed, so that nothing typed is lost.</summary>
public sealed record GroupAsked
{
    public string? Name { get; init; }

    public string? Meets { get; init; }

    public string? Level { get; init; }

    public string? Size { get; init; }

    public string? Minutes { get; init; }

    public string? Knows { get; init; }

    public string? Seen { get; init; }

    public string? SecondsPerAction { get; init; }

    public string? TalkPerBite { get; init; }

    public string? WarmUp { get; init; }

    public string? CoolDown { get; init; }

    public string? Gentle { get; init; }

    /// <summary>The way it is used to be taught, by the words of a plan's address.</summary>
    public Dictionary<string, string?> Way { get; init; } = [];

    /// <summary>The log does not change the pace of walking, of talking, of gathering.</summary>
    public bool HoldWalk { get; init; }

    public bool HoldTalk { get; init; }

    public bool HoldGather { get; init; }

    public bool Archived { get; init; }

    public static GroupAsked From(GroupRecord group)
    {
        static string Text(double? value) => value?.ToString("0.##", CultureInfo.InvariantCulture) ?? "";
        return new GroupAsked
        {
            Name = group.Name,
            Meets = group.Meets,
            Level = group.Level,
            Size = Text(group.Size),
            Minutes = Text(group.LessonMinutes),
            Knows = group.Knows,
            Seen = group.Seen,
            SecondsPerAction = Text(group.SecondsPerAction),
            TalkPerBite = Text(group.TalkPerBite),
            WarmUp = Text(group.WarmUp),
            CoolDown = Text(group.CoolDown),
            Gentle = group.Gentle,
            Way = WayForm.FieldsOf(group.Habits),
            HoldWalk = TaughtClass.Holds(group, TaughtClass.Walk),
            HoldTalk = TaughtClass.Holds(group, TaughtClass.Talk),
            HoldGather = TaughtClass.Holds(group, TaughtClass.Gather),
            Archived = group.Archived,
        };
    }

    /// <summary>What is longer than is kept, or missing; null when nothing is.</summary>
    private Sentence? TooLong() =>
        Typed.Clean(Name).Length is 0 or > GroupRecord.LongestName || Typed.Clean(Meets).Length > GroupRecord.LongestMeets
            ? LessonPageTexts.GiveGroupAName(GroupRecord.LongestName, GroupRecord.LongestMeets)
            : Typed.Clean(Knows).Length > GroupRecord.LongestSteps || Typed.Clean(Seen).Length > GroupRecord.LongestSteps
                ? LessonPageTexts.StepListTooLong(GroupRecord.LongestSteps)
            : Typed.Clean(Gentle).Length > GroupRecord.LongestGentle ? LessonPageTexts.GentleTooLong(GroupRecord.LongestGentle)
            : null;

    /// <summary>Writes it into the group; what is wrong, in words, when something is, and then nothing is written.</summary>
    public string? Into(GroupRecord group)
    {
        if (TooLong() is { } wrong)
        {
            return wrong;
        }

        var (habits, unread) = WayForm.Read(key => Way.TryGetValue(key, out var said) ? Typed.Clean(said) : null, group.Habits);
        if (unread.Length > 0)
        {
            return unread;
        }

        string? problem = null;
        double? Number(string? text, string what, double least, double most)
        {
            if (Typed.Clean(text).Length == 0)
            {
                return null;
            }

            if (Typed.Number(text, least, most) is { } value)
            {
                return value;
            }

            problem ??= LessonPageTexts.NumberOrNothing(Typed.Clean(text), what, least, most);
            return null;
        }

        var size = Number(Size, LessonPageTexts.TheNumberOfDancers, 1, GroupRecord.MostDancers);
        var minutes = Number(Minutes, LessonPageTexts.TheMinutesOfALesson, LessonAsked.LeastMinutes, LessonBrief.Longest);
        var action = Number(SecondsPerAction, LessonPageTexts.TheSecondsOfAnAction, 0.5, 60);
        var talk = Number(TalkPerBite, LessonPageTexts.TheSecondsOfTalk, 0, 600);
        var warm = Number(WarmUp, LessonPageTexts.TheMinutesOfWarmUp, 0, 60);
        var cool = Number(CoolDown, LessonPageTexts.TheMinutesOfCoolDown, 0, 60);
        if (problem is not null)
        {
            return problem;
        }

        (group.Name, group.Meets, group.Level) = (Typed.Clean(Name), Typed.Clean(Meets), WayWords.Levels.ContainsKey(Level ?? "")
            ? Level!
            : "beginner");
        (group.Size, group.LessonMinutes) = ((int?)size, (int)(minutes ?? LessonAsked.UsualMinutes));
        (group.Knows, group.Seen, group.Archived) = (Typed.Clean(Knows), Typed.Clean(Seen), Archived);
        group.HeldFast = string.Join(
            ' ',
            ((string[])[
                HoldWalk ? TaughtClass.Walk : "", HoldTalk ? TaughtClass.Talk : "", HoldGather ? TaughtClass.Gather : ""
            ]).Where(w => w.Length > 0));
        (group.Habits, group.Gentle) = (habits, Typed.Clean(Gentle));
        (group.SecondsPerAction, group.TalkPerBite, group.WarmUp, group.CoolDown) = (action, talk, warm, cool);
        return null;
    }
}
