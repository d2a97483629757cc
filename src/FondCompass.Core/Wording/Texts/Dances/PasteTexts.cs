namespace FondCompass.Core.Wording.Texts.Dances;

/// <summary>What is told of a pasted text; the texts are in PasteTexts.resx.</summary>
public static class PasteTexts
{
    private static readonly TextSource Source = new(typeof(PasteTexts));

    public static Sentence EndingStaysAsNote(int row) => Source.Say([row]);

    public static Sentence GoesOnPastWhatIsTried(int row, int actions) => Source.Say([row, actions]);

    public static Sentence LineBreaksLost(int from) => Source.Say([from]);

    public static Sentence MoreRowsDoubtful(int rows) => Source.Say([rows]);

    public static Sentence NoOrderSaid => Source.Say();

    public static Sentence NothingBearsItOut(double share) => Source.Say([share]);

    public static Sentence OnlyLikeliestFollowed(int row) => Source.Say([row]);

    public static Sentence OrderStaysAsRemark => Source.Say();

    public static Sentence ProseRowTooLong(int row, int letters, int most) => Source.Say([row, letters, most]);

    public static Sentence RivalEndsOtherwise => Source.Say();

    public static Sentence RivalHasOtherTotal(int total) => Source.Say([total]);

    public static Sentence StatedLengthsMet(int stated, int met) => Source.Say([stated, met]);

    public static Sentence TagNotRead(string note) => Source.Say([note]);

    public static Sentence TextSaysOtherCounts(int counts, int total) => Source.Say([counts, total]);

    public static Sentence TextSaysOtherWalls(int walls, int danced) => Source.Say([walls, danced]);

    public static Sentence ToldOnceMore(int row) => Source.Say([row]);

    public static Sentence TooMuchToRead(int rows, int words, int actions, int first) => Source.Say([rows, words, actions, first]);

    public static Sentence WordsNotRead => Source.Say();

    public static Sentence WrittenCountsFilled(int written, int filled) => Source.Say([written, filled]);
}
