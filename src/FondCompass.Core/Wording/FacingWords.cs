using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Wording;

/// <summary>
/// Which way somebody faces, in words: by the clock of the room, or in a ring by the ring itself, where a clock says nothing (calls,
/// section 4).
/// </summary>
public static class FacingWords
{
    private static readonly Sentence[] InRing =
        [
            StepTexts.ToTheMiddle, StepTexts.HalfInAgainstTheSun, StepTexts.AgainstTheSun, StepTexts.HalfOutAgainstTheSun,
            StepTexts.Outwards,
            StepTexts.HalfOutWithTheSun, StepTexts.WithTheSun, StepTexts.HalfInWithTheSun
        ];

    /// <summary>The same in two words, where there is little room.</summary>
    public static string InBrief(Facing facing) =>
        (facing.Degrees / 45 % InRing.Length) switch
        {
            0 => StepTexts.MiddleBrief,
            2 => StepTexts.AgainstSunBrief,
            4 => StepTexts.Outwards,
            6 => StepTexts.WithSunBrief,
            var half => half is 1 or 7 ? StepTexts.HalfInBrief : StepTexts.HalfOutBrief
        };

    /// <summary>The eight ways to face, from the front to the right.</summary>
    public static IReadOnlyList<string> All(DanceHeader header) =>
        [.. Enumerable.Range(0, InRing.Length).Select(i => Say(header, new Facing(i)))];

    public static bool IsRing(DanceHeader header) => header.Layout == Layout.Circle;

    /// <summary>"3:00"; in a ring "against the sun": 12:00 is the middle, the sun goes round to the left of who faces it.</summary>
    public static string Say(DanceHeader header, Facing facing) =>
        IsRing(header) ? InRing[facing.Degrees / 45 % InRing.Length] : facing.ToString();
}
