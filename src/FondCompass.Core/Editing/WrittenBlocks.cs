namespace FondCompass.Core.Editing;

/// <summary>What goes with a step when it is moved, taken out or danced later: its row, and what hangs on it.</summary>
internal static class WrittenBlocks
{
    /// <summary>
    /// The text rows of a step, its own first, in order. A layer, note, cue or variant belongs to the step of the line that has its counts,
    /// wherever in the
    /// line it is written; one without counts, or with counts that no step has, to the step it stands below.
    /// </summary>
    public static IReadOnlyList<int> RowsOf(WrittenLine line, WrittenRow written, ScriptRows rows, int lineCounts) =>
        [.. line.Rows.SelectMany(under => Enumerable.Range(under.Row + 1, under.BlockEnd - under.Row)
            .Where(row => ReferenceEquals(OwnerOf(line, under, rows[row], lineCounts), written)))
            .Append(written.Row).Order()];

    private static WrittenRow OwnerOf(WrittenLine line, WrittenRow under, string row, int lineCounts) =>
        CountShift.First(row, lineCounts) is not { } count || (count >= under.First && count <= under.Last) ? under
            : line.Rows.FirstOrDefault(r => r.Ending == under.Ending && count >= r.First && count <= r.Last) ?? under;
}
