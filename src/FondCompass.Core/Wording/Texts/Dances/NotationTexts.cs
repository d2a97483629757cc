namespace FondCompass.Core.Wording.Texts.Dances;

/// <summary>What is told of a script that cannot be read; the texts are in NotationTexts.resx.</summary>
public static class NotationTexts
{
    private static readonly TextSource Source = new(typeof(NotationTexts));

    public static Sentence AfterCallsNothing(string rest, string name, string known) => Source.Say([rest, name, known]);

    public static Sentence AfterCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence BracketNeverOpened => Source.Say();

    public static Sentence CalledNoTimes(string part, int times) => Source.Say([part, times]);

    public static Sentence CallsNothing(string text, string name, string known) => Source.Say([text, name, known]);

    public static Sentence CannotBeCounted(string countsAt, int largest) => Source.Say([countsAt, largest]);

    public static Sentence CheckCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence ControlCharacter => Source.Say();

    public static Sentence CountInCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence CountingCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence CountsWithoutStep => Source.Say();

    public static Sentence DefinedTwice(string name) => Source.Say([name]);

    public static Sentence FeelCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence GenreCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence IntroCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence LayoutCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence LineCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence MirrorsCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence NoPartsYet => Source.Say();

    public static Sentence NoStepsYet => Source.Say();

    public static Sentence OrderCallsNothing => Source.Say();

    public static Sentence OrderCallsUnknown(string word, string known) => Source.Say([word, known]);

    public static Sentence PartNamedTwice(string read) => Source.Say([read]);

    public static Sentence ReadAsPartA => Source.Say();

    public static Sentence RestartCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence RestartSaidTwice(int repeat, int afterCount, int row) => Source.Say([repeat, afterCount, row]);

    public static Sentence RowTooLong(int letters, int most) => Source.Say([letters, most]);

    public static Sentence SettingSaidTwice(string word) => Source.Say([word]);

    public static Sentence SpanCannotBeDanced(string name, string inside) => Source.Say([name, inside]);

    public static Sentence StartCannotBeRead(string value) => Source.Say([value]);

    public static Sentence StrideCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence TagBeforeTheFirst => Source.Say();

    public static Sentence TempoCannotBeRead(string rest, double slowest, double fastest) => Source.Say([rest, slowest, fastest]);

    public static Sentence ThereIs(string parts) => Source.Say([parts]);

    public static Sentence TimesOutOfRange(string text, int most, int danced) => Source.Say([text, most, danced]);

    public static Sentence TooManyCalls(int most) => Source.Say([most]);

    public static Sentence TooManyParts(int most) => Source.Say([most]);

    public static Sentence TooManyRows(int most) => Source.Say([most]);

    public static Sentence VariantWithoutCounts(string label) => Source.Say([label]);

    public static Sentence WallsCannotBeRead(string rest) => Source.Say([rest]);

    public static Sentence WriteDefinition => Source.Say();
}
