using FondCompass.Core.Measures;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Wording;

/// <summary>
/// Which way somebody faces, in words: by the clock of the room, or in a ring by the ring itself, where a clock says nothing (calls,
/// section 4).
/// </summary>
public static class FacingWords
{
    private static readonly string[] InRing =
        [
            "to the middle", "half in, against the sun", "against the sun", "half out, against the sun", "outwards",
            "half out, with the sun", "with the sun", "half in, with the sun"
        ];

    /// <summary>The same in two words, where there is little room.</summary>
    public static string InBrief(Facing facing) =>
        (facing.Degrees / 45 % InRing.Length) switch
        {
            0 => "middle",
            2 => "against sun",
            4 => "outwards",
            6 => "with sun",
            var half => half is 1 or 7 ? "half in" : "half out"
        };

    public static bool IsRing(DanceHeader header) => header.Layout == Layout.Circle;

    /// <summary>"3:00"; in a ring "against the sun": 12:00 is the middle, the sun goes round to the left of who faces it.</summary>
    public static string Say(DanceHeader header, Facing facing) =>
        IsRing(header) ? InRing[facing.Degrees / 45 % InRing.Length] : facing.ToString();
}
