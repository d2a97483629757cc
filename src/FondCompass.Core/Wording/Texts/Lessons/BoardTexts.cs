namespace FondCompass.Core.Wording.Texts.Lessons;

/// <summary>What a board shows beside the dance, and what a lesson leaves for the next; the texts are in BoardTexts.resx.</summary>
public static class BoardTexts
{
    private static readonly TextSource Source = new(typeof(BoardTexts));

    public static Sentence ATag => Source.Say();

    public static Sentence AgainOnly => Source.Say();

    public static Sentence AgainPart(string part) => Source.Say([part]);

    public static Sentence BlocksTook(int blocks, double whole, double factor, Sentence held) => Source.Say([blocks, whole, factor, held]);

    public static Sentence BoardEndsHere(int shown, int repeats) => Source.Say([shown, repeats]);

    public static Sentence BoardFromTheTop => Source.Say();

    public static Sentence DanceItOnEveryWall => Source.Say();

    public static Sentence DoubleTime => Source.Say();

    public static Sentence Facing(string facing) => Source.Say([facing]);

    public static Sentence FromTheTopOtherSide => Source.Say();

    public static Sentence GoOnWith(string line) => Source.Say([line]);

    public static Sentence HalfTime => Source.Say();

    public static Sentence KeptByThen(string line, double kept) => Source.Say([line, kept]);

    public static Sentence KnownDanceItWhole => Source.Say();

    public static Sentence LastOne => Source.Say();

    public static Sentence MusicStops(double rest) => Source.Say([rest]);

    public static Sentence NeverCleanYet(string line) => Source.Say([line]);

    public static Sentence Next(string part) => Source.Say([part]);

    public static Sentence NextTime(Sentence then) => Source.Say([then]);

    public static Sentence NextTimeThen(Sentence recap, Sentence then) => Source.Say([recap, then]);

    public static Sentence NoBlockLogged => Source.Say();

    public static Sentence OwnPaceAgain => Source.Say();

    public static Sentence Recap(string lines, int rate) => Source.Say([lines, rate]);

    public static Sentence RecapMinutes(string lines, string clock, int rate) => Source.Say([lines, clock, rate]);

    public static Sentence RepeatOf(int repeat, string line) => Source.Say([repeat, line]);

    public static Sentence RestartFromTop(string facing) => Source.Say([facing]);

    public static Sentence ToWall(string facing) => Source.Say([facing]);

    public static Sentence WaitThroughIntro => Source.Say();

    public static Sentence WallOf(int wall, int walls) => Source.Say([wall, walls]);

    public static Sentence YouGaveTheNumber => Source.Say();

    public static Sentence YouHoldItFast => Source.Say();
}
