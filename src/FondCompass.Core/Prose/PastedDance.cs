namespace FondCompass.Core.Prose;

/// <summary>What became of one row that was pasted.</summary>
public enum PastedFate
{
    /// <summary>A setting, a part's name, a call.</summary>
    Frame,

    /// <summary>Bound to steps, every word of it.</summary>
    Understood,

    /// <summary>Bound to steps, with words left over that stay as a note.</summary>
    Partly,

    /// <summary>Takes no counts: a note, or a row that waits to be understood.</summary>
    Aside,
}

/// <param name="From">As it was pasted.</param>
/// <param name="Script">The script rows made of it.</param>
/// <param name="Reads">How its steps are read, in plain words; empty when it has none.</param>
public sealed record PastedRow(string From, string Script, PastedFate Fate, string Reads = "");

/// <summary>Somebody's own wording as a dance script. Nothing of it is dropped.</summary>
/// <param name="Understood">
/// How far it can be answered for: words bound to steps, counts, settings, names and layers ÷ all words that are no fillers and were not
/// kept because they are
/// commentary, 0 to 1; 0 when nothing is danced.
/// </param>
/// <param name="Doubts">Why it is less than all: what the text says of itself and the dance does not bear out, one sentence each.</param>
/// <param name="Analysis">What the script made of it comes to.</param>
public sealed record PastedDance(IReadOnlyList<PastedRow> Rows, double Understood, IReadOnlyList<string> Doubts, Analysis Analysis)
{
    public string Script => ScriptOf(Rows);

    internal static string ScriptOf(IEnumerable<PastedRow> rows) =>
        string.Join('\n', rows.Select(r => r.Script).Where(s => s.Length > 0)) + "\n";
}
