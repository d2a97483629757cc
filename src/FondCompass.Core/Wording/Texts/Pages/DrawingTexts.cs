namespace FondCompass.Core.Wording.Texts.Pages;

/// <summary>What drawings say in words; the texts are in DrawingTexts.resx.</summary>
public static class DrawingTexts
{
    private static readonly TextSource Source = new(typeof(DrawingTexts));

    public static Sentence BeforeCountOne(string? facing) => Source.Say([facing]);

    public static Sentence FloorMoment(string? part, int line, string? count, string? words, string? weight, string? facing) =>
        Source.Say([part, line, count, words, weight, facing]);

    public static Sentence FootPlace(string? part, int line, string? count, string? words) => Source.Say([part, line, count, words]);

    public static Sentence RulerLine(int number, int counts, string? weight, string? facing) =>
        Source.Say([number, counts, weight, facing]);

    public static Sentence RulerMark(string? count, string? deed, string? foot) => Source.Say([count, deed, foot]);

    public static Sentence RulerMarkFree(string? count, string? deed, string? foot, string? free) => Source.Say([count, deed, foot, free]);

    public static Sentence RulerTurn(string? count, string? turn, string? facing) => Source.Say([count, turn, facing]);

    public static Sentence StripPassage(string? passage, int counts, int from, double bpm, string? note) =>
        Source.Say([passage, counts, from, bpm, note]);

    public static Sentence StripPassageTo(string? passage, int counts, int from, double bpm, double end, string? note) =>
        Source.Say([passage, counts, from, bpm, end, note]);

    public static Sentence StripPause(string? passage, double seconds) => Source.Say([passage, seconds]);

    public static Sentence StripRepeat(int repeat, string? called) => Source.Say([repeat, called]);

    public static Sentence StripStretch(string? stretch, int from, int to, string? facing) => Source.Say([stretch, from, to, facing]);

    public static Sentence StripTag(string? called) => Source.Say([called]);

    public static Sentence ThenFootIsFree(string? foot) => Source.Say([foot]);

    public static Sentence WhereItBegins => Source.Say();

    public static Sentence YourOwnFromCount(string? count) => Source.Say([count]);
}
