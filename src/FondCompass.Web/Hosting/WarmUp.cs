using FondCompass.Core;
using FondCompass.Core.Editing;
using FondCompass.Core.Prose;
using FondCompass.Core.Steps;
using FondCompass.Data;

namespace FondCompass.Web.Hosting;

/// <summary>
/// Reads the lexicon and binds its steps in the background, so that neither the first keystroke nor the first pasted page waits.
/// </summary>
internal static class WarmUp
{
    private static readonly TimeSpan Later = TimeSpan.FromSeconds(4);

    private const string Little = "part A\n1-4 vine R\n";

    /// <summary>A few of every kind of row that is pasted, so that the first pasted page does not wait for what is made once.</summary>
    private const string Told = """
        Bell Buoy - 32 counts, 4 walls. Wait 16, right foot first.
        Section 1 (1-8): vine right with a touch, then the same on the other side
        1-2 | R | rock forward
        Walk forward right, left, right, kick; walk back and touch, turning a quarter left. Do that twice.
        5&6, 7&8 shuffle R, shuffle L (arms up)
        Tag after the second wall: sway R, L, hold. Restart on wall 3 after 16 counts. Order A A B A
        """;

    /// <summary>Reads the lexicon beside everything else that a start does: the first page waits for it.</summary>
    public static void Begin() => Task.Run(() => StepLexicon.Shipped);

    /// <summary>Makes the model of the database beside what is left of the start, and the rest a little later.</summary>
    public static void Begin(this WebApplication app)
    {
        Task.Run(() =>
        {
            using var scope = app.Services.CreateScope();
            _ = scope.ServiceProvider.GetRequiredService<FondCompassContext>().Model;
        });
        app.Lifetime.ApplicationStarted.Register(() => Task.Run(Rest));
    }

    private static async Task Rest()
    {
        // Whoever waits for a page at the start goes first.
        await Task.Delay(Later);
        var slot = StepSlot.AtRow(Little, 3, StepLexicon.Shipped);
        StepCompletion.Find("vine", slot, Analysis.Analyse(Little).Dance.Header, StepLexicon.Shipped);
        ProseReader.Read(Told);
    }
}
