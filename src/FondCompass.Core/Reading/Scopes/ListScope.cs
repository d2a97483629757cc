namespace FondCompass.Core.Reading.Scopes;

/// <summary>What "and" between two deeds means.</summary>
internal enum AndMeans
{
    /// <summary>As the verbs suggest: with what the standing foot, arms or hands do, together; else one after the other.</summary>
    Likely,
    Then,
    Together,
}

/// <summary>One choice among the scopes that the words leave open.</summary>
internal sealed record ListScope
{
    public AndMeans And { get; init; }

    /// <summary>A number said last repeats the whole list, not its last item only.</summary>
    public bool TimesForAll { get; init; }

    /// <summary>A number said last repeats its whole clause: "step, pivot" of "step pivot twice".</summary>
    public bool TimesForClause { get; init; }

    /// <summary>A turn on its own has a count of its own: a pivot.</summary>
    public bool TurnsAlone { get; init; }

    /// <summary>A turn between two deeds comes before the one behind it.</summary>
    public bool TurnsAhead { get; init; }

    /// <summary>A turn away from the foot that steps has a count of its own, with no comma before it: "step L 1/2 R".</summary>
    public bool PivotsApart { get; init; }

    /// <summary>What arms and hips do goes along with the feet before it.</summary>
    public bool BodyAlong { get; init; }

    /// <summary>What is heard goes along with the step before it: "touch L, and clap".</summary>
    public bool SoundAlong { get; init; }

    /// <summary>Words behind whole steps that name no deed are styling.</summary>
    public bool Styled { get; init; }

    /// <summary>What follows a step's name tells how it goes.</summary>
    public bool Explained { get; init; }
}
