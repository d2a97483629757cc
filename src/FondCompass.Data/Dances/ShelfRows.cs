using FondCompass.Data.Records;

namespace FondCompass.Data.Dances;

/// <summary>How a save ended.</summary>
/// <param name="Saved">False when somebody saved in between; then <paramref name="Current"/> is theirs.</param>
public sealed record SaveOutcome(bool Saved, DanceRecord Current);

/// <summary>One save of a dance.</summary>
/// <param name="Kept">Marked by the instructor: never thinned.</param>
public sealed record RevisionRow(int Version, DateTimeOffset SavedAt, bool Kept);

/// <summary>A dance in which a step occurs, and where it does first.</summary>
public sealed record StepUse(Guid DanceId, string Title, int Line, string Count);

/// <summary>Where a step is danced.</summary>
/// <param name="Unread">Dances whose words may mean it and that were not looked through.</param>
public sealed record StepUses(IReadOnlyList<StepUse> Where, int Unread);
