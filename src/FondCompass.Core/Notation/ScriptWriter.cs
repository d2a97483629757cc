using System.Text;

namespace FondCompass.Core.Notation;

/// <summary>Writes a dance back as text. What was read comes out as it was: comments, spacing, line breaks and all.</summary>
public static class ScriptWriter
{
    public static string Write(Dance dance)
    {
        var text = new StringBuilder();
        for (var i = 0; i < dance.Rows.Count; i++)
        {
            text.Append(dance.Rows[i]).Append(dance.Breaks[i]);
        }

        return text.ToString();
    }
}
