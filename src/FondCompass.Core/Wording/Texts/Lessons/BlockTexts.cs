namespace FondCompass.Core.Wording.Texts.Lessons;

/// <summary>Titles and reckonings of a lesson's blocks; the texts are in BlockTexts.resx.</summary>
public static class BlockTexts
{
    private static readonly TextSource Source = new(typeof(BlockTexts));

    public static Sentence APassage => Source.Say();

    public static Sentence Again(string block) => Source.Say([block]);

    public static Sentence AllMovesInARow => Source.Say();

    public static Sentence AllTaughtToday => Source.Say();

    public static Sentence AllWalls => Source.Say();

    public static Sentence AsTheGroupHasIt => Source.Say();

    public static Sentence AtFullTempo(string wholeWord) => Source.Say([wholeWord]);

    public static Sentence AtRate(string what, string rate) => Source.Say([what, rate]);

    public static Sentence AtRateWith(string what, string rate, Sentence slowed) => Source.Say([what, rate, slowed]);

    public static Sentence BeginsAlikeEndsOtherwise(string bite, string sameAs) => Source.Say([bite, sameAs]);

    public static Sentence BreatheAndDrink => Source.Say();

    public static Sentence CoolDown => Source.Say();

    public static Sentence CoolDownShare => Source.Say();

    public static Sentence CountsOfYourOwn(int counts) => Source.Say([counts]);

    public static Sentence CountsOnly => Source.Say();

    public static Sentence DanceIt(string bite, Sentence timesInARow) => Source.Say([bite, timesInARow]);

    public static Sentence DeclaredTroubleSpot => Source.Say();

    public static Sentence DeclaredTroubleSpotIs => Source.Say();

    public static Sentence DeclaredTroubleSpots => Source.Say();

    public static Sentence DueBySpacedPractice(double due, string lines) => Source.Say([due, lines]);

    public static Sentence EighthWall => Source.Say();

    public static Sentence EndsOnOtherFoot => Source.Say();

    public static Sentence FeetOnly(string wholeWord) => Source.Say([wholeWord]);

    public static Sentence FifthWall => Source.Say();

    public static Sentence FloorShoesWarmUp => Source.Say();

    public static Sentence ForGreatestEffort(double peak) => Source.Say([peak]);

    public static Sentence FourthWall => Source.Say();

    public static Sentence FrameNeverGives(double seconds, string reckoned) => Source.Say([seconds, reckoned]);

    public static Sentence FromTheTop => Source.Say();

    public static Sentence HalfIsKnown => Source.Say();

    public static Sentence HalfOfIt(string r) => Source.Say([r]);

    public static Sentence ItIsDue => Source.Say();

    public static Sentence Join => Source.Say();

    public static Sentence KnownOtherwise(string nearly) => Source.Say([nearly]);

    public static Sentence LayerAlone(string kind, string with) => Source.Say([kind, with]);

    public static Sentence LayerOnTheFeet => Source.Say();

    public static Sentence LayerOnTop(string kind, string bite) => Source.Say([kind, bite]);

    public static Sentence LayerOnTopOfPart(string kind, string part) => Source.Say([kind, part]);

    public static Sentence LayersOnTheFeet => Source.Say();

    public static Sentence LookBack => Source.Say();

    public static Sentence LookBackWhy => Source.Say();

    public static Sentence LostLetItRun => Source.Say();

    public static Sentence LostOf(double share, string clock) => Source.Say([share, clock]);

    public static Sentence LostTakeTheWeakEight => Source.Say();

    public static Sentence MoreInFindings => Source.Say();

    public static Sentence MovesAsCalled => Source.Say();

    public static Sentence NamesAreKnown => Source.Say();

    public static Sentence NewToThem(string newWord) => Source.Say([newWord]);

    public static Sentence OfDance(string bite, string dance) => Source.Say([bite, dance]);

    public static Sentence OnThe => Source.Say();

    public static Sentence OnWallFacing(Sentence where, Sentence number, string wall) => Source.Say([where, number, wall]);

    public static Sentence OnWallFacingAt(Sentence where, Sentence number, string wall, string rate) =>
        Source.Say([where, number, wall, rate]);

    public static Sentence OneRunToTheMusic => Source.Say();

    public static Sentence OrderOnceShortened => Source.Say();

    public static Sentence OrderOnceThrough => Source.Say();

    public static Sentence OrderReckoned(int calls, double seconds, string names) => Source.Say([calls, seconds, names]);

    public static Sentence OtherSideCosts => Source.Say();

    public static Sentence PartOfLine(string line, int from, int to) => Source.Say([line, from, to]);

    public static Sentence PartOnIts(string part) => Source.Say([part]);

    public static Sentence PartWallsInARow(string part, Sentence walls) => Source.Say([part, walls]);

    public static Sentence RecallFromBefore(string bites) => Source.Say([bites]);

    public static Sentence RecallTheSame(string bite, string like, Sentence timesInARow) => Source.Say([bite, like, timesInARow]);

    public static Sentence Recap(string dance) => Source.Say([dance]);

    public static Sentence ReckonedToBeKept(double kept, Sentence due) => Source.Say([kept, due]);

    public static Sentence RoomLooksDifferent => Source.Say();

    public static Sentence RoomLooksDifferentTurns => Source.Say();

    public static Sentence RoundsToTheMusic => Source.Say();

    public static Sentence RunsReckoned(
        int times,
        int counts,
        int starts,
        int countIn,
        string rate,
        double tempo,
        double regroup,
        Sentence butBeginsAnew) =>
        Source.Say([times, counts, starts, countIn, rate, tempo, regroup, butBeginsAnew]);

    public static Sentence RunsWithoutABreak => Source.Say();

    public static Sentence SecondWall => Source.Say();

    public static Sentence SecondWallTurns(Sentence where, string wall) => Source.Say([where, wall]);

    public static Sentence SeenNotClean(string seen) => Source.Say([seen]);

    public static Sentence SeventhWall => Source.Say();

    public static Sentence ShareOfTheLesson(double minutes, Sentence share, double most) => Source.Say([minutes, share, most]);

    public static Sentence Show(string bite) => Source.Say([bite]);

    public static Sentence ShowItWhole => Source.Say();

    public static Sentence ShowTheMoves => Source.Say();

    public static Sentence ShowWhatIsNew(string bite) => Source.Say([bite]);

    public static Sentence SilenceButChanges => Source.Say();

    public static Sentence SixthWall => Source.Say();

    public static Sentence SongReckoned(int times, string clock, double regroup) => Source.Say([times, clock, regroup]);

    public static Sentence TheLastTwoWalls => Source.Say();

    public static Sentence TheWhole => Source.Say();

    public static Sentence TheyKnowIt(string dance) => Source.Say([dance]);

    public static Sentence ThirdWall => Source.Say();

    public static Sentence TimeForItAgain(string why, int times) => Source.Say([why, times]);

    public static Sentence TimeForItTwice(string why) => Source.Say([why]);

    public static Sentence TimesInARow(int bites) => Source.Say([bites]);

    public static Sentence ToItsMusic => Source.Say();

    public static Sentence ToSlowedMusic => Source.Say();

    public static Sentence TrackIsFasterThere(double top, string passage, int count, double tempo, double share) =>
        Source.Say([top, passage, count, tempo, share]);

    public static Sentence TroubleSpot(string n) => Source.Say([n]);

    public static Sentence TwoHardRuns(double effort) => Source.Say([effort]);

    public static Sentence Walk(string bite) => Source.Say([bite]);

    public static Sentence WalkOtherEnding(string bite, string like) => Source.Say([bite, like]);

    public static Sentence WalkOtherSide(string bite, string like) => Source.Say([bite, like]);

    public static Sentence WalkReckoned(
        int actions,
        double secondsPerAction,
        double novelty,
        double times,
        double difficulty,
        double talk,
        double talked,
        Sentence otherSide) =>
        Source.Say([actions, secondsPerAction, novelty, times, difficulty, talk, talked, otherSide]);

    public static Sentence WalkTheOrder => Source.Say();

    public static Sentence WallTurnsReckoned(int actions, double secondsPerAction, double known, double talk) =>
        Source.Say([actions, secondsPerAction, known, talk]);

    public static Sentence WallsInARow(Sentence walls) => Source.Say([walls]);

    public static Sentence WarmUpShare => Source.Say();

    public static Sentence WarmUpSlowMoves => Source.Say();

    public static Sentence WaterAndQuestions => Source.Say();

    public static Sentence WithAttitude(string wholeWord) => Source.Say([wholeWord]);

    public static Sentence WithHardest(Sentence reckoned, string why) => Source.Say([reckoned, why]);

    public static Sentence WithLayer(string what, string layer) => Source.Say([what, layer]);

    public static Sentence YouAddedIt(string reckoning) => Source.Say([reckoning]);

    public static Sentence YouGaveItTime(string seconds, string why) => Source.Say([seconds, why]);

    public static Sentence YouSettled(int repeats, string why) => Source.Say([repeats, why]);
}
