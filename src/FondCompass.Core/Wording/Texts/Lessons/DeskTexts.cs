namespace FondCompass.Core.Wording.Texts.Lessons;

/// <summary>What the application answers, and what an account may keep; the texts are in DeskTexts.resx.</summary>
public static class DeskTexts
{
    private static readonly TextSource Source = new(typeof(DeskTexts));

    public static Sentence AnotherAccountForGroups => Source.Say();

    public static Sentence AsTheGroupIsUsed(string group) => Source.Say([group]);

    public static Sentence ChangedInOtherWindow => Source.Say();

    public static Sentence Clean(string lines) => Source.Say([lines]);

    public static Sentence CleanAll => Source.Say();

    public static Sentence CopyAndDelete => Source.Say();

    public static Sentence Courses => Source.Say();

    public static Sentence DancedAt(int ratePercent) => Source.Say([ratePercent]);

    public static Sentence DancesAndDeleted => Source.Say();

    public static Sentence DeleteCourses => Source.Say();

    public static Sentence EightNumber(int line) => Source.Say([line]);

    public static Sentence ExportReadme => Source.Say();

    public static Sentence Groups => Source.Say();

    public static Sentence HalfACharacter(string name) => Source.Say([name]);

    public static Sentence IsNoEvent => Source.Say();

    public static Sentence IsNoId(string name) => Source.Say([name]);

    public static Sentence IsNoNumber(string name) => Source.Say([name]);

    public static Sentence IsNoText(string name) => Source.Say([name]);

    public static Sentence LessonsAndTakenOut => Source.Say();

    public static Sentence Lost(string lines) => Source.Say([lines]);

    public static Sentence MarchOnTheSpot => Source.Say();

    public static Sentence NamesNoBlock => Source.Say();

    public static Sentence NoChangeToGoBack => Source.Say();

    public static Sentence NoCountIn(string counts, int most) => Source.Say([counts, most]);

    public static Sentence NoDay(string? text, int firstYear, int lastYear, string what) => Source.Say([text, firstYear, lastYear, what]);

    public static Sentence NoIdOfItsOwn => Source.Say();

    public static Sentence NoLadder(string rungs, int most, double slowest, double fastest) => Source.Say([rungs, most, slowest, fastest]);

    public static Sentence NoLineReached => Source.Say();

    public static Sentence NoWholeNumber => Source.Say();

    public static Sentence NoneOfTheChoices(string said, string key, string choices) => Source.Say([said, key, choices]);

    public static Sentence NotPlannedHere(string dances, string most) => Source.Say([dances, most]);

    public static Sentence NothingABoardTells(string kind) => Source.Say([kind]);

    public static Sentence OtherSideBoard => Source.Say();

    public static Sentence Reached(string line) => Source.Say([line]);

    public static Sentence ReachedAt(string line, int percent) => Source.Say([line, percent]);

    public static Sentence RenameOne => Source.Say();

    public static Sentence StudioHolds(int most, string what, string instead) => Source.Say([most, what, instead]);

    public static Sentence StudioTakesMegabytes(long megabytes) => Source.Say([megabytes]);

    public static Sentence TakeOutTracks => Source.Say();

    public static Sentence TakesBackNothing => Source.Say();

    public static Sentence TooManyChangesByHand(int most) => Source.Say([most]);

    public static Sentence TooMuchSettled => Source.Say();

    public static Sentence Tracks => Source.Say();

    public static Sentence ValueCannotBe => Source.Say();

    public static Sentence Watch(string what) => Source.Say([what]);
}
