namespace FondCompass.Core.Wording.Texts.Pages;

/// <summary>What one does on each page; the texts are in HelpTexts.resx.</summary>
public static class HelpTexts
{
    private static readonly TextSource Source = new(typeof(HelpTexts));

    public static Sentence HelpAccount => Source.Say();

    public static Sentence HelpCompare => Source.Say();

    public static Sentence HelpFit => Source.Say();

    public static Sentence HelpGroups => Source.Say();

    public static Sentence HelpLessons => Source.Say();

    public static Sentence HelpLog => Source.Say();

    public static Sentence HelpPlan => Source.Say();

    public static Sentence HelpRevisions => Source.Say();

    public static Sentence HelpRoom => Source.Say();

    public static Sentence HelpShelf => Source.Say();

    public static Sentence HelpSteps => Source.Say();

    public static Sentence HelpTeach => Source.Say();

    public static Sentence HelpWrite => Source.Say();
}
