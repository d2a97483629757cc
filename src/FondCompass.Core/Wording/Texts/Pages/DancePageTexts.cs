namespace FondCompass.Core.Wording.Texts.Pages;

/// <summary>What the pages of dances answer; the texts are in DancePageTexts.resx.</summary>
public static class DancePageTexts
{
    private static readonly TextSource Source = new(typeof(DancePageTexts));

    public static Sentence BackOnTheShelf(string title) => Source.Say([title]);

    public static Sentence ByCounts => Source.Say();

    public static Sentence ByLastChanged => Source.Say();

    public static Sentence ByLastDanced => Source.Say();

    public static Sentence ByLevel => Source.Say();

    public static Sentence ByTempo => Source.Say();

    public static Sentence ByTitle => Source.Say();

    public static Sentence CallTooLong(int most, int letters) => Source.Say([most, letters]);

    public static Sentence CannotBeDoneHere => Source.Say();

    public static Sentence CountsAndChanges => Source.Say();

    public static Sentence DanceChangedElsewhere => Source.Say();

    public static Sentence DanceChangedLookAsItIs => Source.Say();

    public static Sentence Deleted(string title) => Source.Say([title]);

    public static Sentence FootBeforeName => Source.Say();

    public static Sentence InTheLastMonth => Source.Say();

    public static Sentence LongestNotDanced => Source.Say();

    public static Sentence MarksKept(string title) => Source.Say([title]);

    public static Sentence NamesBeforeSteps => Source.Say();

    public static Sentence NamesLessAndLess => Source.Say();

    public static Sentence Never => Source.Say();

    public static Sentence NoIntroCounts(string? intro, int most, int usual) => Source.Say([intro, most, usual]);

    public static Sentence NoLeadAsked(string? lead, double most, double usual) => Source.Say([lead, most, usual]);

    public static Sentence NoMomentOfSong(string? moment) => Source.Say([moment]);

    public static Sentence NoPaceAsked(string? pace, double slowest, double fastest, double usual) =>
        Source.Say([pace, slowest, fastest, usual]);

    public static Sentence NoRateAsked(string? rate, double slowest, double fastest) => Source.Say([rate, slowest, fastest]);

    public static Sentence NoRepeatsNumber(string? repeats, int most, int usual) => Source.Say([repeats, most, usual]);

    public static Sentence NoSecondsNumber(string? seconds, double most) => Source.Say([seconds, most]);

    public static Sentence NoSuchGroupOfYours => Source.Say();

    public static Sentence NotForAMonth => Source.Say();

    public static Sentence NotForThreeMonths => Source.Say();

    public static Sentence NothingWasChanged(string? problem) => Source.Say([problem]);

    public static Sentence OnTheBeat => Source.Say();

    public static Sentence OwnWordsTooMany(int kib) => Source.Say([kib]);

    public static Sentence SavedElsewhereAsRevision(int version) => Source.Say([version]);

    public static Sentence SongTextTooLong(int most) => Source.Say([most]);

    public static Sentence StepListOfKib(int kib) => Source.Say([kib]);

    public static Sentence StepTried(int counts, string? weight, string? facing) => Source.Say([counts, weight, facing]);

    public static Sentence StepTriedFree(int counts, string? weight, string? free, string? facing) =>
        Source.Say([counts, weight, free, facing]);

    public static Sentence TempoCannotBeDanced(string? tempo, double slowest, double fastest, double usual) =>
        Source.Say([tempo, slowest, fastest, usual]);

    public static Sentence ThenATag(string? facing) => Source.Say([facing]);

    public static Sentence ThisIsACopy(string title) => Source.Say([title]);

    public static Sentence TooManyCallsForClass(int most) => Source.Say([most]);

    public static Sentence TrackTagsTooLong(int most) => Source.Say([most]);

    public static Sentence Whenever => Source.Say();

    public static Sentence WishCallFirst(string? call) => Source.Say([call]);

    public static Sentence WishCallLeftOut(string? call) => Source.Say([call]);

    public static Sentence WishCallMoved(string? call, string? to) => Source.Say([call, to]);

    public static Sentence WishCallTwice(string? call) => Source.Say([call]);

    public static Sentence WishLastTime(string? count, string? turn) => Source.Say([count, turn]);

    public static Sentence WishPose => Source.Say();

    public static Sentence WishPoseTurned(string? turn) => Source.Say([turn]);

    public static Sentence WishRepeatIn(string? repeat, string? version) => Source.Say([repeat, version]);

    public static Sentence WishRoundAndRound => Source.Say();

    public static Sentence WishTag(string? counts, string? repeat) => Source.Say([counts, repeat]);

    public static Sentence YourWordsLate => Source.Say();
}
