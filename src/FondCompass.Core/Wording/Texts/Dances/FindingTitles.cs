namespace FondCompass.Core.Wording.Texts.Dances;

/// <summary>What each kind of finding is about, in a few words, by its code; the texts are in FindingTitles.resx.</summary>
public static class FindingTitles
{
    private static readonly TextSource Source = new(typeof(FindingTitles));

    /// <param name="code">A finding's code, such as "FOOT01".</param>
    public static Sentence Of(string code) => Source.Say([], code);
}
