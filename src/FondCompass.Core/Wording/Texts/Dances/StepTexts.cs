namespace FondCompass.Core.Wording.Texts.Dances;

/// <summary>Words of steps, feet, ways and measures, and what is told where one cannot be read; the texts are in StepTexts.resx.</summary>
public static class StepTexts
{
    private static readonly TextSource Source = new(typeof(StepTexts));

    public static Sentence ActionCannotBeRead(string piece) => Source.Say([piece]);

    public static Sentence AfterTurning(string deed, string turn) => Source.Say([deed, turn]);

    public static Sentence AgainstSunBrief => Source.Say();

    public static Sentence AgainstTheSun => Source.Say();

    public static Sentence AndMore(int actions) => Source.Say([actions]);

    public static Sentence Both => Source.Say();

    public static Sentence BothFeet => Source.Say();

    public static Sentence CountsTo(string name, int from, int to) => Source.Say([name, from, to]);

    public static Sentence Crossed(string deed, string foot) => Source.Say([deed, foot]);

    public static Sentence FirstHalf(string name) => Source.Say([name]);

    public static Sentence FormCountsDiffer(string text, int positions, int pieces) => Source.Say([text, positions, pieces]);

    public static Sentence FormNeedsCounts(string text) => Source.Say([text]);

    public static Sentence FullTurnLeft => Source.Say();

    public static Sentence FullTurnRight => Source.Say();

    public static Sentence HalfATurnFromFrontFoot => Source.Say();

    public static Sentence HalfInAgainstTheSun => Source.Say();

    public static Sentence HalfInBrief => Source.Say();

    public static Sentence HalfInWithTheSun => Source.Say();

    public static Sentence HalfOutAgainstTheSun => Source.Say();

    public static Sentence HalfOutBrief => Source.Say();

    public static Sentence HalfOutWithTheSun => Source.Say();

    public static Sentence InAll(string amount) => Source.Say([amount]);

    public static Sentence Leads(string step, string foot) => Source.Say([step, foot]);

    public static Sentence MiddleBrief => Source.Say();

    public static Sentence NoClassTrusted(string trusted, string step) => Source.Say([trusted, step]);

    public static Sentence NoDirection(string way) => Source.Say([way]);

    public static Sentence NoFacing(string text) => Source.Say([text]);

    public static Sentence NoFoot => Source.Say();

    public static Sentence NoTempo(string text) => Source.Say([text]);

    public static Sentence NoTick(string text) => Source.Say([text]);

    public static Sentence NoTurn(string text) => Source.Say([text]);

    public static Sentence NoVerbFlag(string flag) => Source.Say([flag]);

    public static Sentence NoVerbKind(string kind) => Source.Say([kind]);

    public static Sentence NoWayToTakeAList(string take) => Source.Say([take]);

    public static Sentence OnlyTheLastIsRepeated => Source.Say();

    public static Sentence Onto(string deed, string foot) => Source.Say([deed, foot]);

    public static Sentence Outwards => Source.Say();

    public static Sentence RateOutOfRange => Source.Say();

    public static Sentence SecondHalf(string name) => Source.Say([name]);

    public static Sentence StepNeedsForm(string step) => Source.Say([step]);

    public static Sentence TempoOutOfRange(double slowest, double fastest) => Source.Say([slowest, fastest]);

    public static Sentence TheOtherSide(string words) => Source.Say([words]);

    public static Sentence ToAndFro => Source.Say();

    public static Sentence ToTheLeft => Source.Say();

    public static Sentence ToTheMiddle => Source.Say();

    public static Sentence ToTheRight => Source.Say();

    public static Sentence TurnComesBeforeStep => Source.Say();

    public static Sentence TurningWith(string deed, string turn) => Source.Say([deed, turn]);

    public static Sentence WholeListIsRepeated => Source.Say();

    public static Sentence WithSunBrief => Source.Say();

    public static Sentence WithTheSun => Source.Say();

    public static Sentence WithTurn(string deed, string turn) => Source.Say([deed, turn]);
}
