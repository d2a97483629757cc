namespace FondCompass.Core.Teaching.Planning;

/// <summary>
/// What was asked of a lesson while it was held: what was led stays as it is, and the rest is planned anew for the time that is left. It is
/// kept with the lesson, as <see cref="KeptJson"/> writes it.
/// </summary>
/// <param name="Steps">In the order in which they were asked; each is about the plan that the one before made.</param>
public sealed record RestAsked(IReadOnlyList<RestStep> Steps)
{
    /// <summary>Times that the rest of one lesson is planned anew at the most.</summary>
    public const int Most = 40;

    /// <summary>Nothing was asked: the lesson is led as it was planned.</summary>
    public static readonly RestAsked None = new([]);

    public RestAsked With(RestStep step) => new([.. Steps, step]);
}

/// <summary>The rest of a lesson for so long.</summary>
/// <param name="After">The last block that stays as it is; empty where all is planned anew.</param>
/// <param name="Seconds">For all that comes behind it.</param>
public sealed record RestStep(string After, double Seconds);
