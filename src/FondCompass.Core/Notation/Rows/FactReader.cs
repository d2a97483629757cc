using FondCompass.Core.Measures;

namespace FondCompass.Core.Notation.Rows;

/// <summary>Reads stated facts: "weight R facing 6", "left free, facing 9:00", "end weight both".</summary>
public static class FactReader
{
    /// <returns>False when a word is left over that means nothing here.</returns>
    public static bool TryRead(string text, out Weight? weight, out Facing? facing)
    {
        weight = null;
        facing = null;
        var words = text.ToLowerInvariant().Replace(',', ' ').Split(' ', StringSplitOptions.RemoveEmptyEntries);
        for (var i = 0; i < words.Length; i++)
        {
            switch (words[i])
            {
                case "weight" or "on" when i + 1 < words.Length && Feet.TryParse(words[i + 1], out var foot):
                    weight = foot.OnWeight();
                    i++;
                    break;
                case "facing" or "face" or "wall":
                    while (i + 1 < words.Length && words[i + 1] is "the" or "to")
                    {
                        i++;
                    }

                    if (i + 1 >= words.Length || !Facing.TryParse(words[i + 1], out var stated))
                    {
                        return false;
                    }

                    facing = stated;
                    i++;
                    if (i + 1 < words.Length && words[i + 1] is "wall" or "o'clock")
                    {
                        i++;
                    }

                    break;
                case "free" when i + 1 < words.Length && Feet.TryParse(words[i + 1], out var free) && free.IsSingle():
                    weight = free.Other().OnWeight();
                    i++;
                    break;
                case "end" or "ends" or "ending" or "with" or "and" or "the" or "leave" or "leaving" or "counts" or "of" or "your" or "own":
                    break;
                default:
                    if (Feet.TryParse(words[i], out var named) && named.IsSingle() && i + 1 < words.Length
                        && (words[i + 1] == "free" || (words[i + 1] == "foot" && i + 2 < words.Length && words[i + 2] == "free")))
                    {
                        weight = named.Other().OnWeight();
                        i += words[i + 1] == "free" ? 1 : 2;
                        break;
                    }

                    return false;
            }
        }

        return true;
    }
}
