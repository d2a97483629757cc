namespace FondCompass.Web.Pages.Teaching;

/// <summary>An event as a board sends it.</summary>
public sealed record SentEvent
{
    public Guid Id { get; init; }

    public Guid Board { get; init; }

    public int Number { get; init; }

    public double Opened { get; init; }

    public double Since { get; init; }

    public string? Kind { get; init; }

    public string? Block { get; init; }

    public string? Bite { get; init; }

    public double? Value { get; init; }

    public string? Words { get; init; }

    public Guid? Undoes { get; init; }
}

/// <summary>What a board sends at once.</summary>
public sealed record SentEvents(IReadOnlyList<SentEvent?>? Events)
{
    /// <summary>Events that are taken at once.</summary>
    public const int Most = 500;
}
