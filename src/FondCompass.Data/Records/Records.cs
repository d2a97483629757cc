using Microsoft.AspNetCore.Identity;

namespace FondCompass.Data.Records;

/// <summary>An instructor's account. Everything below belongs to one and is invisible to others.</summary>
public sealed class Instructor : IdentityUser<Guid>;

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
}

/// <summary>A lesson, planned or held, and what happened in it.</summary>
public sealed class LessonRecord : IOwned
{
    public Guid Id { get; set; }

    public Guid OwnerId { get; set; }

    public Guid DanceId { get; set; }

    public Guid GroupId { get; set; }

    public GroupRecord? Group { get; set; }

    public DateOnly Date { get; set; }

    public int Minutes { get; set; } = 60;

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

    public string Note { get; set; } = "";
}
