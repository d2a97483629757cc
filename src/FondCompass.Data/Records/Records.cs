using Microsoft.AspNetCore.Identity;

namespace FondCompass.Data.Records;

/// <summary>An instructor's account. Everything below belongs to one and is invisible to others.</summary>
public sealed class Instructor : IdentityUser<Guid>;

/// <summary>A key that signs cookies and letters, as the framework writes it.</summary>
public sealed class SigningKey
{
    public int Id { get; set; }

    public string Name { get; set; } = "";

    public string Xml { get; set; } = "";
}

/// <summary>What happened with an account, and from where: its owner can read it. Of a deleted account that it was deleted is all that stays.</summary>
public sealed class AccountEvent
{
    public const int LongestKind = 40, LongestFrom = 64;

    public long Id { get; set; }

    public Guid AccountId { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>In plain words.</summary>
    public string Kind { get; set; } = "";

    /// <summary>The network address it came from.</summary>
    public string From { get; set; } = "";
}

/// <summary>Whatever belongs to an account.</summary>
public interface IOwned
{
    Guid OwnerId { get; }
}

/// <summary>How a dance stands with its checks; kept so that the shelf can be searched by it.</summary>
public enum DanceState
{
    Clear,
    Warnings,
    Errors,
}

/// <summary>A dance: its script, and beside it what the shelf searches by.</summary>
public sealed class DanceRecord : IOwned
{
    public Guid Id { get; set; }

    public Guid OwnerId { get; set; }

    /// <summary>The source of truth; everything else is computed from it.</summary>
    public string Script { get; set; } = "";

    public string Title { get; set; } = "";

    /// <summary>The words of title and script in lower case, each once: what a search looks through.</summary>
    public string Finds { get; set; } = "";

    public int Counts { get; set; }

    public int Walls { get; set; }

    public DanceState State { get; set; }

    /// <summary>As the script says, in lower case; empty when it does not.</summary>
    public string Level { get; set; } = "";

    /// <summary>The genre in lower case; empty for a dance that was stored before it was kept, until the shelf is described anew.</summary>
    public string Genre { get; set; } = "";

    /// <summary>Counts a minute; null when the script does not say.</summary>
    public double? Tempo { get; set; }

    /// <summary>Tags that the dance has.</summary>
    public int Tags { get; set; }

    /// <summary>The instructor's own marks, in lower case.</summary>
    public string[] Marks { get; set; } = [];

    /// <summary>Rises with every save; a save made from an older one is a conflict.</summary>
    public int Version { get; set; } = 1;

    public DateTimeOffset ChangedAt { get; set; }

    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>The music it is fitted to.</summary>
    public DanceFit Fit { get; set; } = new();
}

/// <summary>How a dance meets its track.</summary>
public sealed class DanceFit
{
    /// <summary>Counts per minute of a steady track; the script's tempo when null.</summary>
    public double? Tempo { get; set; }

    public int? Intro { get; set; }

    public int? Repeats { get; set; }

    /// <summary>Passages as text, one a row ("verse 32 @112"); a steady track when empty. A track of the library has its own.</summary>
    public string Passages { get; set; } = "";

    /// <summary>The track of the library in use; null for the passages above.</summary>
    public Guid? TrackId { get; set; }

    /// <summary>Script rows that hold for this track alone: its tags, restarts and endings.</summary>
    public string Exceptions { get; set; } = "";
}

/// <summary>A track of the song library.</summary>
public sealed class TrackRecord : IOwned
{
    public Guid Id { get; set; }

    public Guid OwnerId { get; set; }

    public string Title { get; set; } = "";

    /// <summary>Passages as text, one a row.</summary>
    public string Passages { get; set; } = "";
}

/// <summary>How a dance was fitted to a track that it is not danced to just now.</summary>
public sealed class KeptFit
{
    public Guid DanceId { get; set; }

    public Guid TrackId { get; set; }

    public int? Intro { get; set; }

    public string Exceptions { get; set; } = "";
}

/// <summary>A dance as it was at one save.</summary>
public sealed class DanceRevision
{
    public long Id { get; set; }

    public Guid DanceId { get; set; }

    public int Version { get; set; }

    public string Script { get; set; } = "";

    /// <summary>The instructor's own words at that time, so that it reads for ever as it was meant.</summary>
    public string Words { get; set; } = "";

    public DateTimeOffset SavedAt { get; set; }

    /// <summary>Marked by the instructor: it is never thinned.</summary>
    public bool Kept { get; set; }
}

/// <summary>An instructor's own words: steps, names and meanings laid over the lexicon that ships.</summary>
public sealed class WordsRecord : IOwned
{
    public Guid OwnerId { get; set; }

    /// <summary>Rows as the core reads them ("alias harbour vine = vine").</summary>
    public string Text { get; set; } = "";

    /// <summary>Rises with every save; a save made from an older one is a conflict.</summary>
    public int Version { get; set; }
}

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

    /// <summary>The way it is used to be taught, as the plan's page writes it; empty for what is suggested.</summary>
    public string Habits { get; set; } = "";

    /// <summary>What they want gentle, in the instructor's words.</summary>
    public string Gentle { get; set; } = "";

    /// <summary>Most letters of a way, of a room and of what is to be gentle that are kept.</summary>
    public const int LongestHabits = 400, LongestRoom = 4000, LongestGentle = 400;

    /// <summary>The hall it dances in, as the room's page writes it; empty for none told yet.</summary>
    public string Room { get; set; } = "";

    /// <summary>Constants that the instructor holds fast, so that the log does not change them: "walk", "gather", with a blank between.</summary>
    public string HeldFast { get; set; } = "";

    /// <summary>What the log taught of its pace: factors of walking and of gathering, 1 where nothing is logged. Reckoned from events, kept so that plans need not ask for them.</summary>
    public double WalkFactor { get; set; } = 1;

    public double GatherFactor { get; set; } = 1;

    /// <summary>No longer taught; its lessons stay.</summary>
    public bool Archived { get; set; }
}

/// <summary>What one group is told otherwise in one dance: cues that are laid over the dance's own.</summary>
public sealed class ClassCuesRecord
{
    public const int Longest = 8000;

    public Guid GroupId { get; set; }

    public Guid DanceId { get; set; }

    /// <summary>A row each: part, line, count and words, with tabs.</summary>
    public string Text { get; set; } = "";
}

/// <summary>Weekly lessons of one group over several dances. What each week does is reckoned from it, never stored.</summary>
public sealed class CourseRecord : IOwned
{
    public const int LongestWay = 400, LongestSettled = 8000;

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

    /// <summary>The way it is taught, as the plan's page writes it; empty for what is suggested.</summary>
    public string Way { get; set; } = "";

    /// <summary>How much is new where the instructor settled it: "2.0=3" is three bites of the first dance in the second week.</summary>
    public string Settled { get; set; } = "";

    public DateTimeOffset CreatedAt { get; set; }

    /// <summary>The day of a week's lesson, from 1.</summary>
    public DateOnly DayOf(int week) => First.AddDays(7 * (week - 1));
}

/// <summary>A lesson, planned or held, and what happened in it.</summary>
public sealed class LessonRecord : IOwned
{
    public Guid Id { get; set; }

    public Guid OwnerId { get; set; }

    public Guid DanceId { get; set; }

    /// <summary>Further dances that are taught in it.</summary>
    public Guid[] Also { get; set; } = [];

    public Guid GroupId { get; set; }

    public GroupRecord? Group { get; set; }

    /// <summary>The course it is a week of, and which, from 1; null for a lesson by itself.</summary>
    public Guid? CourseId { get; set; }

    public int Week { get; set; }

    public DateOnly Date { get; set; }

    public int Minutes { get; set; } = 60;

    /// <summary>The plan it was held with, block by block, as it stood then; null while it was not held or not planned.</summary>
    public string? HeldPlan { get; set; }

    /// <summary>Most letters of a way and of what is settled that are kept.</summary>
    public const int LongestWay = 1200, LongestPins = 8000;

    /// <summary>The way it is taught, as the plan's page writes it; empty for what is suggested.</summary>
    public string Way { get; set; } = "";

    /// <summary>Blocks that the instructor settled, as the plan's page writes them.</summary>
    public string Pins { get; set; } = "";

    /// <summary>Lessons are planned first and logged afterwards.</summary>
    public bool Held { get; set; }

    /// <summary>The form that wrote it last: one that arrives twice writes once.</summary>
    public Guid? Sent { get; set; }

    /// <summary>Last line (eight) the class reached; 0 when none.</summary>
    public int ReachedLine { get; set; }

    /// <summary>Best share of full tempo that was clean, in percent.</summary>
    public int RatePercent { get; set; }

    /// <summary>Lines (eights) most dancers lost.</summary>
    public int[] WeakLines { get; set; } = [];

    /// <summary>How its further dances went, those of which anybody said it; the three before are of the dance it begins with.</summary>
    public List<DanceHeld> Further { get; set; } = [];

    public string Note { get; set; } = "";

    /// <summary>Dancers counted; null where nobody counted.</summary>
    public int? Heads { get; set; }

    /// <summary>A board leads it, and has not said that it is over.</summary>
    public bool Running { get; set; }

    /// <summary>By this code a screen on the hall's network shows the class what is danced; null where none does.</summary>
    public string? ClassCode { get; set; }

    /// <summary>Until when the code holds.</summary>
    public DateTimeOffset? ClassCodeUntil { get; set; }

    /// <summary>When it was taken out; null for a lesson that stands. One that was taken out is found nowhere but where it can be put back.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>All dances that are taught in it.</summary>
    public IEnumerable<Guid> Dances => Also.Prepend(DanceId);

    /// <summary>How one of its dances went; null of a further dance of which nobody said it.</summary>
    public DanceHeld? HeldOf(Guid dance) => dance == DanceId
        ? new DanceHeld { DanceId = DanceId, ReachedLine = ReachedLine, RatePercent = RatePercent, WeakLines = WeakLines } : Further.Find(f => f.DanceId == dance);

    /// <summary>Nothing of a dance was marked as lost; a dance of which nobody said anything is as clean as the lesson.</summary>
    public bool WasClean(Guid dance) => (HeldOf(dance)?.WeakLines ?? WeakLines).Length == 0;

    /// <summary>Writes how one of its dances went.</summary>
    public void Went(DanceHeld held)
    {
        if (held.DanceId == DanceId)
        {
            (ReachedLine, RatePercent, WeakLines) = (held.ReachedLine, held.RatePercent, held.WeakLines);
        }
        else
        {
            Further = [.. Further.Where(f => f.DanceId != held.DanceId), held];
        }
    }
}

/// <summary>How one dance of a lesson went.</summary>
public sealed class DanceHeld
{
    public Guid DanceId { get; set; }

    /// <summary>Last line (eight) the class reached; 0 when none.</summary>
    public int ReachedLine { get; set; }

    /// <summary>Best share of full tempo that was clean, in percent; 0 for walked.</summary>
    public int RatePercent { get; set; }

    /// <summary>Lines (eights) most dancers lost, from 1.</summary>
    public int[] WeakLines { get; set; } = [];
}

/// <summary>What the board of a lesson shows its class, the latest of it.</summary>
public sealed class ClassShownRecord
{
    public Guid LessonId { get; set; }

    public string State { get; set; } = "";
}

/// <summary>One thing that a board told of a lesson. What arrives twice is kept once.</summary>
public sealed class LessonEventRecord
{
    /// <summary>Most events of one lesson, and most letters of a block's id, a bite's key and of words.</summary>
    public const int Most = 12_000, LongestBlock = 200, LongestBite = 100, LongestWords = 2000;

    public Guid LessonId { get; set; }

    /// <summary>Made by the board; an event's own within its lesson.</summary>
    public Guid Id { get; set; }

    /// <summary>The order in which events arrived.</summary>
    public long Arrived { get; set; }

    public Guid Board { get; set; }

    public int Number { get; set; }

    public double Opened { get; set; }

    public double Since { get; set; }

    /// <summary>The kind's name, in small letters.</summary>
    public string Kind { get; set; } = "";

    public string Block { get; set; } = "";

    public string Bite { get; set; } = "";

    public double? Value { get; set; }

    public string Words { get; set; } = "";

    public Guid? Undoes { get; set; }
}
