namespace FondCompass.Web.Drawing;

/// <summary>A list that stands on several pages.</summary>
/// <param name="Label">What is turned, for who hears the page.</param>
/// <param name="Number">The page that is open, from 1.</param>
/// <param name="Size">How many stand on one.</param>
/// <param name="Count">How many there are.</param>
/// <param name="At">The address of a page.</param>
/// <param name="Before">What stands on the page before.</param>
/// <param name="After">What stands on the next.</param>
public sealed record SheetsView(
    string Label,
    int Number,
    int Size,
    int Count,
    Func<int, string> At,
    string Before = "Newer",
    string After = "Older")
{
    public int From => ((Number - 1) * Size) + 1;

    public int To => Math.Min(Count, Number * Size);
}
