using FondCompass.Core.Teaching.Planning;

namespace FondCompass.Data.Records;

/// <summary>A group that is taught.</summary>
public sealed class GroupRecord : IOwned
{
    public Guid Id { get; set; }

    public Guid OwnerId { get; set; }

    public string Name { get; set; } = "";

    /// <summary>When and how it meets, in the instructor's words.</summary>
    public string Meets { get; set; } = "";

    public int LessonMinutes { get; set; } = 60;

    /// <summary>beginner, improver, regular or mixed: what may be trusted while nothing else is told.</summary>
    public string Level { get; set; } = "beginner";

    /// <summary>Usual number of dancers; null when it was not said.</summary>
    public int? Size { get; set; }

    /// <summary>Steps they know, with commas, as the group calls them.</summary>
    public string Knows { get; set; } = "";

    /// <summary>Steps that were taught and are not clean yet, with commas.</summary>
    public string Seen { get; set; } = "";

    /// <summary>Seconds to walk a new single action; the usual when null.</summary>
    public double? SecondsPerAction { get; set; }

    /// <summary>Seconds of talk with each bite; the usual when null.</summary>
    public double? TalkPerBite { get; set; }

    /// <summary>Their own warm-up in minutes; by the effort when null.</summary>
    public double? WarmUp { get; set; }

    public double? CoolDown { get; set; }

    /// <summary>The way it is used to be taught.</summary>
    public TeachingHabit Habits { get; set; } = TeachingHabit.AsSuggested;

    /// <summary>What they want gentle, in the instructor's words.</summary>
    public string Gentle { get; set; } = "";

    /// <summary>Dancers of a group at the most.</summary>
    public const int MostDancers = 5000;

    /// <summary>Most letters of each that are kept: its name, when it meets, a list of steps, its room, what is to be gentle.</summary>
    public const int LongestName = 120, LongestMeets = 200, LongestSteps = 8000, LongestRoom = 4000, LongestGentle = 400;

    /// <summary>The hall it dances in, as the room's page writes it; empty for none told yet.</summary>
    public string Room { get; set; } = "";

    /// <summary>
    /// Constants that the instructor holds fast, so that the log does not change them: "walk", "talk", "gather", with a blank between.
    /// </summary>
    public string HeldFast { get; set; } = "";

    /// <summary>
    /// What the log taught of its pace: factors of walking, of talking and of gathering, 1 where nothing is logged. Reckoned from events,
    /// kept so that plans need not ask for them.
    /// </summary>
    public double WalkFactor { get; set; } = 1;

    public double TalkFactor { get; set; } = 1;

    public double GatherFactor { get; set; } = 1;

    /// <summary>No longer taught; its lessons stay.</summary>
    public bool Archived { get; set; }
}

/// <summary>What one group is told otherwise in one dance: cues that are laid over the dance's own.</summary>
public sealed class ClassCuesRecord
{
    public Guid GroupId { get; set; }

    public Guid DanceId { get; set; }

    public ClassCues Told { get; set; } = ClassCues.None;
}

/// <summary>Weekly lessons of one group over several dances. What each week does is reckoned from it, never stored.</summary>
public sealed class CourseRecord : IOwned
{
    /// <summary>Most letters of its name.</summary>
    public const int LongestName = 200;

    public Guid Id { get; set; }

    public Guid OwnerId { get; set; }

    public Guid GroupId { get; set; }

    public GroupRecord? Group { get; set; }

    public string Name { get; set; } = "";

    /// <summary>The day of the first lesson.</summary>
    public DateOnly First { get; set; }

    public int Weeks { get; set; } = 8;

    public int Minutes { get; set; } = 60;

    /// <summary>What is taught, in the order in which it is begun.</summary>
    public Guid[] Dances { get; set; } = [];

    /// <summary>The way it is taught.</summary>
    public TeachingHabit Way { get; set; } = TeachingHabit.AsSuggested;

    /// <summary>How much is new in a week, where the instructor settled it.</summary>
    public CourseSettled Settled { get; set; } = CourseSettled.Nothing;

    public DateTimeOffset CreatedAt { get; set; }

    /// <summary>The day of a week's lesson, from 1.</summary>
    public DateOnly DayOf(int week) => First.AddDays(7 * (week - 1));
}
