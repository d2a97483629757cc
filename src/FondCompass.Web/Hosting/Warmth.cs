using FondCompass.Core;
using FondCompass.Core.Composing;
using FondCompass.Core.Lexicon;

namespace FondCompass.Web.Hosting;

/// <summary>Reads the lexicon and binds its steps in the background, so that the first keystroke is not the one that waits.</summary>
internal static class Warmth
{
    private const string Little = "part A\n1-4 vine R\n";

    public static void WarmUp(this WebApplication app) => app.Lifetime.ApplicationStarted.Register(() => Task.Run(() =>
    {
        var slot = StepSlot.AtRow(Little, 3, StepLexicon.Shipped);
        StepCompletion.Find("vine", slot, Analysis.Of(Little).Dance.Header, StepLexicon.Shipped);
    }));
}
