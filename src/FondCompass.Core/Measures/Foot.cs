using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Measures;

/// <summary>The foot, or feet, an action uses.</summary>
public enum Foot
{
    None,
    Left,
    Right,
    Both,
}

/// <summary>Where the weight is (rules, section 2). <see cref="Unknown"/> follows a step that cannot be read.</summary>
public enum Weight
{
    Unknown,
    Left,
    Right,
    Both,
}

/// <summary>The one arithmetic of feet: mirror, other foot, letters.</summary>
public static class Feet
{
    public static Foot Other(this Foot foot) => foot switch
    {
        Foot.Left => Foot.Right,
        Foot.Right => Foot.Left,
        _ => foot,
    };

    public static Weight Other(this Weight weight) => weight switch
    {
        Weight.Left => Weight.Right,
        Weight.Right => Weight.Left,
        _ => weight,
    };

    /// <summary>The foot that alone holds the weight, or <see cref="Foot.None"/>.</summary>
    public static Foot StandingFoot(this Weight weight) => weight switch
    {
        Weight.Left => Foot.Left,
        Weight.Right => Foot.Right,
        _ => Foot.None,
    };

    /// <summary>The foot that is free to move, or <see cref="Foot.None"/> when both or neither are known to be.</summary>
    public static Foot FreeFoot(this Weight weight) => weight.StandingFoot().Other();

    public static Weight OnWeight(this Foot foot) => foot switch
    {
        Foot.Left => Weight.Left,
        Foot.Right => Weight.Right,
        Foot.Both => Weight.Both,
        _ => Weight.Unknown,
    };

    public static bool IsSingle(this Weight weight) => weight is Weight.Left or Weight.Right;

    public static bool IsSingle(this Foot foot) => foot is Foot.Left or Foot.Right;

    public static string Letter(this Foot foot) => foot switch
    {
        Foot.Left => "L",
        Foot.Right => "R",
        Foot.Both => "both",
        _ => "none",
    };

    public static string Letter(this Weight weight) => weight switch
    {
        Weight.Left => "L",
        Weight.Right => "R",
        Weight.Both => "both",
        _ => "unknown",
    };

    public static string Word(this Foot foot) => foot switch
    {
        Foot.Left => "left",
        Foot.Right => "right",
        Foot.Both => StepTexts.BothFeet,
        _ => StepTexts.NoFoot,
    };

    /// <summary>Reads R, right, rf, L, left, lf, both and feet in any case.</summary>
    public static bool TryParse(string? text, out Foot foot)
    {
        foot = text?.Trim().ToLowerInvariant() switch
        {
            "l" or "left" or "lf" => Foot.Left,
            "r" or "right" or "rf" => Foot.Right,
            "both" or "feet" => Foot.Both,
            _ => Foot.None,
        };
        return foot != Foot.None;
    }
}
