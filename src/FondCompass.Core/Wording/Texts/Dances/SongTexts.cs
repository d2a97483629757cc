namespace FondCompass.Core.Wording.Texts.Dances;

/// <summary>What is told of a song that cannot be danced to; the texts are in SongTexts.resx.</summary>
public static class SongTexts
{
    private static readonly TextSource Source = new(typeof(SongTexts));

    public static Sentence AnchorChangesTempo(int anchor, double seconds) => Source.Say([anchor, seconds]);

    public static Sentence AnchorOutOfOrder(int anchor, double seconds, int counts) => Source.Say([anchor, seconds, counts]);

    public static Sentence NoCountsToDanceTo => Source.Say();

    public static Sentence NoPassages => Source.Say();

    public static Sentence PassageNamed(int number, string name) => Source.Say([number, name]);

    public static Sentence PassageNumber(int number) => Source.Say([number]);

    public static Sentence PassageTempoOutOfRange(string where, double slowest, double fastest) => Source.Say([where, slowest, fastest]);

    public static Sentence PassageWithoutCounts(string where, int counts) => Source.Say([where, counts]);

    public static Sentence PauseOutOfRange(string where, double seconds, double most) => Source.Say([where, seconds, most]);

    public static Sentence SongRowCannotBeRead(int number, string row) => Source.Say([number, row]);

    public static Sentence TappedPassage(int number) => Source.Say([number]);

    public static Sentence TooManyPassages(int passages, int most) => Source.Say([passages, most]);

    public static Sentence TooManySongCounts(long counts, int most) => Source.Say([counts, most]);

    public static Sentence TooManySongRows(int rows, int most) => Source.Say([rows, most]);
}
