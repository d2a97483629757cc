using FondCompass.Core.Teaching.Planning;

namespace FondCompass.Data.Records;

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

    /// <summary>
    /// Its lines as they are logged, each with its name and its steps (<see cref="Core.Teaching.Classes.LoggedLine"/>, JSON); empty until
    /// it is
    /// described.
    /// </summary>
    public string Lines { get; set; } = "";

    /// <summary>
    /// What stands beside the script is of other words than the instructor's own of now: it is described anew in the background.
    /// </summary>
    public bool IsStale { get; set; }

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
    /// <summary>The track of the library in use; null for passages of the dance's own.</summary>
    public Guid? TrackId { get; set; }

    public FitKept Kept { get; set; } = FitKept.Nothing;
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

    /// <summary>Its intro and changes; the rest of a fit is the dance's, whatever track it is danced to.</summary>
    public FitKept Kept { get; set; } = FitKept.Nothing;
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
