namespace FondCompass.Core.Wording.Texts.Pages;

/// <summary>What is said where the server cannot answer as asked; the texts are in ServerTexts.resx.</summary>
public static class ServerTexts
{
    private static readonly TextSource Source = new(typeof(ServerTexts));

    public static Sentence AllApplied => Source.Say();

    public static Sentence AsMuchAsFits => Source.Say();

    public static Sentence AsMuchAsFitsTitle => Source.Say();

    public static Sentence DatabaseAwayTitle => Source.Say();

    public static Sentence DatabaseAwayTryAgain => Source.Say();

    public static Sentence DatabaseFrozen => Source.Say();

    public static Sentence DatabaseIsAway => Source.Say();

    public static Sentence DatabaseIsBusy => Source.Say();

    public static Sentence DatabaseIsNewer(string? migrations) => Source.Say([migrations]);

    public static Sentence DiskIsFull => Source.Say();

    public static Sentence DoesNotAnswer => Source.Say();

    public static Sentence EndedEarly => Source.Say();

    public static Sentence ItAnswers => Source.Say();

    public static Sentence KeptInThisBrowser(string? why) => Source.Say([why]);

    public static Sentence MakeRoom(string? says) => Source.Say([says]);

    public static Sentence MegabytesFree(long megabytes, string? folder) => Source.Say([megabytes, folder]);

    public static Sentence MessagesSayWhy(string? id) => Source.Say([id]);

    public static Sentence MetAnotherChange => Source.Say();

    public static Sentence NoDatabaseNamed => Source.Say();

    public static Sentence NotApplied(string? migrations) => Source.Say([migrations]);

    public static Sentence NotThisName => Source.Say();

    public static Sentence NothingAtThisAddress => Source.Say();

    public static Sentence NothingIsHere => Source.Say();

    public static Sentence NothingWrittenOver => Source.Say();

    public static Sentence OpenThePageAgain => Source.Say();

    public static Sentence RequestNotComplete => Source.Say();

    public static Sentence RequestNotCompleteTitle => Source.Say();

    public static Sentence SavedAtTheSameMoment => Source.Say();

    public static Sentence SavedAtTheSameMomentTitle => Source.Say();

    public static Sentence ScriptAndFormLimits(int script, long form, int fields) => Source.Say([script, form, fields]);

    public static Sentence SendAgainIn(int seconds) => Source.Say([seconds]);

    public static Sentence ShelfAskedForTooMuch(int seconds) => Source.Say([seconds]);

    public static Sentence ShelfDoesNotAnswer => Source.Say();

    public static Sentence SomethingWentWrong => Source.Say();

    public static Sentence StoppedAfterSeconds(int seconds) => Source.Say([seconds]);

    public static Sentence ThatShouldNotHappen(string? id) => Source.Say([id]);

    public static Sentence ToTheLessons => Source.Say();

    public static Sentence TooManyAtOnce => Source.Say();

    public static Sentence TooManyAtOnceTitle => Source.Say();

    public static Sentence TooMuchAtOnce => Source.Say();

    public static Sentence TookTooLong => Source.Say();

    public static Sentence TookTooLongTitle => Source.Say();

    public static Sentence WaitALittle => Source.Say();

    public static Sentence WentWrongTitle => Source.Say();
}
