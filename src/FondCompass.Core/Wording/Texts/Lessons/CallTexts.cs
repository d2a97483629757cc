namespace FondCompass.Core.Wording.Texts.Lessons;

/// <summary>Why a call is said, or is not; the texts are in CallTexts.resx.</summary>
public static class CallTexts
{
    private static readonly TextSource Source = new(typeof(CallTexts));

    public static Sentence BegunEarlier(string why) => Source.Say([why]);

    public static Sentence BestDoesNotFit(string call, double seconds) => Source.Say([call, seconds]);

    public static Sentence DancedFirstTime => Source.Say();

    public static Sentence ItsName => Source.Say();

    public static Sentence LineDancedAgain => Source.Say();

    public static Sentence LineNameFirstTime => Source.Say();

    public static Sentence NoRoomToSay(string call) => Source.Say([call]);

    public static Sentence OnTheBeatWhereCallsLeaveRoom => Source.Say();

    public static Sentence OnTopOfTheFeetOnce => Source.Say();

    public static Sentence OtherThanTheTimeBefore => Source.Say();

    public static Sentence SaidLate(double late) => Source.Say([late]);

    public static Sentence ToldOnceInTheEightBefore => Source.Say();

    public static Sentence TurnSaidEachTime => Source.Say();

    public static Sentence WayChanges => Source.Say();

    public static Sentence YourOwnWords => Source.Say();
}
