namespace FondCompass.Core.Wording.Texts.Pages;

/// <summary>
/// What the pages of lessons, groups, courses and rooms answer, and the words of a way of teaching; the texts are in LessonPageTexts.resx.
/// </summary>
public static class LessonPageTexts
{
    private static readonly TextSource Source = new(typeof(LessonPageTexts));

    public static Sentence ADeletedDance => Source.Say();

    public static Sentence AllAtOnce => Source.Say();

    public static Sentence AllLessonsStand => Source.Say();

    public static Sentence AsTheKindHasIt => Source.Say();

    public static Sentence CannotBeCalledUp => Source.Say();

    public static Sentence CannotBeTheNumber(string? said, string? what, double least, double most, double usual) =>
        Source.Say([said, what, least, most, usual]);

    public static Sentence ChooseGroupForWay => Source.Say();

    public static Sentence ChooseGroupOfRoom => Source.Say();

    public static Sentence ChooseTheGroup => Source.Say();

    public static Sentence ChooseWhatWasLost => Source.Say();

    public static Sentence Counted => Source.Say();

    public static Sentence CountingAsDance => Source.Say();

    public static Sentence CountingByFours => Source.Say();

    public static Sentence CountingDown => Source.Say();

    public static Sentence CountingDownByFours => Source.Say();

    public static Sentence CountingNames => Source.Say();

    public static Sentence CountingSlowQuick => Source.Say();

    public static Sentence CountingUp => Source.Say();

    public static Sentence CourseDeleted(string course) => Source.Say([course]);

    public static Sentence CuesKeywords => Source.Say();

    public static Sentence CuesLessAndLess => Source.Say();

    public static Sentence DanceChangedElsewhere => Source.Say();

    public static Sentence EventsAtOnce(int most) => Source.Say([most]);

    public static Sentence EventsOfALesson(int most) => Source.Say([most]);

    public static Sentence FeetFirst => Source.Say();

    public static Sentence FirstWallOnly => Source.Say();

    public static Sentence GentleTooLong(int most) => Source.Say([most]);

    public static Sentence GiveCourseAName(int most) => Source.Say([most]);

    public static Sentence GiveGroupAName(int name, int meets) => Source.Say([name, meets]);

    public static Sentence GroupExists(string? name) => Source.Say([name]);

    public static Sentence InThisLessonAlready(string? dance) => Source.Say([dance]);

    public static Sentence KindBreakdown => Source.Say();

    public static Sentence KindCircle => Source.Say();

    public static Sentence KindFitnessClass => Source.Say();

    public static Sentence KindHallLesson => Source.Say();

    public static Sentence KindOfLesson => Source.Say();

    public static Sentence KindOneSong => Source.Say();

    public static Sentence KindPartySet => Source.Say();

    public static Sentence Layers => Source.Say();

    public static Sentence LeadIt => Source.Say();

    public static Sentence LessonHasTooManyEvents => Source.Say();

    public static Sentence LessonsPlanned(int planned) => Source.Say([planned]);

    public static Sentence MomentsAtOnce(int most) => Source.Say([most]);

    public static Sentence MoreObstaclesThanReckoned(int reckoned, int left) => Source.Say([reckoned, left]);

    public static Sentence MoreThanAScreenShows => Source.Say();

    public static Sentence MovesTooLong(int most) => Source.Say([most]);

    public static Sentence Music => Source.Say();

    public static Sentence MusicFromFirstMinute => Source.Say();

    public static Sentence MusicWhenWholeKnown => Source.Say();

    public static Sentence NameTheGroup(int most) => Source.Say([most]);

    public static Sentence No => Source.Say();

    public static Sentence NoBlockLength(string? minutes) => Source.Say([minutes]);

    public static Sentence NoDanceCalled(string? title) => Source.Say([title]);

    public static Sentence NoDancersNumber(string? heads, int most) => Source.Say([heads, most]);

    public static Sentence NoLengthOfLesson(string? minutes, int least, double most) => Source.Say([minutes, least, most]);

    public static Sentence NoLessonLength(string? said, int least, double most, int minutes) => Source.Say([said, least, most, minutes]);

    public static Sentence NoNumberOfWeeks(string? weeks, int most) => Source.Say([weeks, most]);

    public static Sentence NoObstacle(string? row) => Source.Say([row]);

    public static Sentence NoSuchBlockNow => Source.Say();

    public static Sentence NoSuchDanceInRows(string? title) => Source.Say([title]);

    public static Sentence NoSuchLessonBoard => Source.Say();

    public static Sentence NoSuchLessonToPlan => Source.Say();

    public static Sentence NoSuchWeek => Source.Say();

    public static Sentence NotOfferedAnyMore => Source.Say();

    public static Sentence NoteTooLong(int most) => Source.Say([most]);

    public static Sentence NumberOfDancers => Source.Say();

    public static Sentence NumberOrNothing(string? text, string? what, double least, double most) => Source.Say([text, what, least, most]);

    public static Sentence OneRunOnly => Source.Say();

    public static Sentence Order => Source.Say();

    public static Sentence OrderAddOn => Source.Say();

    public static Sentence OrderFollowAlong => Source.Say();

    public static Sentence OrderLastPartFirst => Source.Say();

    public static Sentence OrderMoveByMove => Source.Say();

    public static Sentence OrderPairs => Source.Say();

    public static Sentence OrderParts => Source.Say();

    public static Sentence OrderPool => Source.Say();

    public static Sentence OrderRounds => Source.Say();

    public static Sentence OwnLessonsStay(string? told, int own) => Source.Say([told, own]);

    public static Sentence Pace => Source.Say();

    public static Sentence PaceBrisk => Source.Say();

    public static Sentence PaceQuick => Source.Say();

    public static Sentence PaceUnhurried => Source.Say();

    public static Sentence Planned(string group, string day, int minutes) => Source.Say([group, day, minutes]);

    public static Sentence PutBack(string group, string day) => Source.Say([group, day]);

    public static Sentence RejoinAtNextEight => Source.Say();

    public static Sentence RestAfter(double minutes, string block) => Source.Say([minutes, block]);

    public static Sentence RestAsItIs => Source.Say();

    public static Sentence RestFits(string clock) => Source.Say([clock]);

    public static Sentence RestFitsAndLeaves(string clock, string free) => Source.Say([clock, free]);

    public static Sentence RestFromBeginning(double minutes) => Source.Say([minutes]);

    public static Sentence RestMinutes(int least, double most, string said) => Source.Say([least, most, said]);

    public static Sentence RestSticksOut(string clock) => Source.Say([clock]);

    public static Sentence RestTooOften(int most) => Source.Say([most]);

    public static Sentence RoomAllowance => Source.Say();

    public static Sentence RoomDepth => Source.Say();

    public static Sentence RoomDrawn(double width, double depth, int dancers) => Source.Say([width, depth, dancers]);

    public static Sentence RoomMargin => Source.Say();

    public static Sentence RoomOverFirstRepeats(int reckoned, int all) => Source.Say([reckoned, all]);

    public static Sentence RoomWidth => Source.Say();

    public static Sentence RunLookBackRuns => Source.Say();

    public static Sentence RunsOnly => Source.Say();

    public static Sentence SayWhatOwnBlockIs(int most) => Source.Say([most]);

    public static Sentence SayWhichGroup(int most) => Source.Say([most]);

    public static Sentence SecondWallMost => Source.Say();

    public static Sentence SecondsOfTalk => Source.Say();

    public static Sentence SecondsPerAction => Source.Say();

    public static Sentence SecondsToGather => Source.Say();

    public static Sentence ShowItFirst => Source.Say();

    public static Sentence StepListTooLong(int most) => Source.Say([most]);

    public static Sentence StopAndChain => Source.Say();

    public static Sentence TakenOut(string group, string day) => Source.Say([group, day]);

    public static Sentence TappedTrackOutOfRange(double slowest, double fastest, int least, int most) =>
        Source.Say([slowest, fastest, least, most]);

    public static Sentence TheFirstLesson => Source.Say();

    public static Sentence TheMinutesOfALesson => Source.Say();

    public static Sentence TheMinutesOfCoolDown => Source.Say();

    public static Sentence TheMinutesOfWarmUp => Source.Say();

    public static Sentence TheNumberOfDancers => Source.Say();

    public static Sentence TheSecondsOfAnAction => Source.Say();

    public static Sentence TheSecondsOfTalk => Source.Say();

    public static Sentence ToTheMusic => Source.Say();

    public static Sentence TooManyDancesInLesson(int most) => Source.Say([most]);

    public static Sentence TooManyObstaclesKept(int most) => Source.Say([most]);

    public static Sentence Walls => Source.Say();

    public static Sentence WallsAlike => Source.Say();

    public static Sentence WhatIsSaid => Source.Say();

    public static Sentence WhenTheyLoseIt => Source.Say();

    public static Sentence WriteTheTitles(int most) => Source.Say([most]);

    public static Sentence Yes => Source.Say();
}
