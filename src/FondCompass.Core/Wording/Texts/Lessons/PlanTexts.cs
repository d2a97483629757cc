namespace FondCompass.Core.Wording.Texts.Lessons;

/// <summary>What is told of a plan, of its way and its ways out; the texts are in PlanTexts.resx.</summary>
public static class PlanTexts
{
    private static readonly TextSource Source = new(typeof(PlanTexts));

    public static Sentence AllOf(string parts) => Source.Say([parts]);

    public static Sentence AllRepeatsOfUse => Source.Say();

    public static Sentence AllWallsAlike => Source.Say();

    public static Sentence AnotherDanceIntoSet => Source.Say();

    public static Sentence AtTheSamePlace => Source.Say();

    public static Sentence BendHalfAsFar => Source.Say();

    public static Sentence ChangedNoSuchBlock(string block) => Source.Say([block]);

    public static Sentence ClearTheFloor => Source.Say();

    public static Sentence CountInOutOfRange(int longest, int counts) => Source.Say([longest, counts]);

    public static Sentence CountInWithOnly(int counts) => Source.Say([counts]);

    public static Sentence CountsFromTo(int from, int to) => Source.Say([from, to]);

    public static Sentence DanceFeetOnly => Source.Say();

    public static Sentence DanceHasIt(string why) => Source.Say([why]);

    public static Sentence DanceItWith(string version) => Source.Say([version]);

    public static Sentence DanceTheVersion(string version) => Source.Say([version]);

    public static Sentence DancedInContact(string dance) => Source.Say([dance]);

    public static Sentence DeepBends(string places) => Source.Say([places]);

    public static Sentence DrillsWhatIsNotTaught(string block, string bite) => Source.Say([block, bite]);

    public static Sentence DueWithoutRoom(string dances) => Source.Say([dances]);

    public static Sentence EndEarly => Source.Say();

    public static Sentence EndWithOneRun => Source.Say();

    public static Sentence EndsOnTheSameFoot(string why, Sentence known, Sentence where) => Source.Say([why, known, where]);

    public static Sentence EverybodyKnows => Source.Say();

    public static Sentence FullTempoAtOnce => Source.Say();

    public static Sentence GiveMoreMinutes => Source.Say();

    public static Sentence HardOverTempo(string dance, string step, int line, double bpm, double top) =>
        Source.Say([dance, step, line, bpm, top]);

    public static Sentence HardRunsWithoutAMinute(string before, string next) => Source.Say([before, next]);

    public static Sentence HasErrors(string dance, int errors, string error) => Source.Say([dance, errors, error]);

    public static Sentence HasNot(string block, string clock, string before) => Source.Say([block, clock, before]);

    public static Sentence IsGone(string b, string seconds) => Source.Say([b, seconds]);

    public static Sentence IsNewWith(string block, string seconds) => Source.Say([block, seconds]);

    public static Sentence ItLeavesTheFloor(string places) => Source.Say([places]);

    public static Sentence ItTurns(string turn) => Source.Say([turn]);

    public static Sentence ItTurnsLookAtShoes => Source.Say();

    public static Sentence KeptCannotBeRead(string what, string message) => Source.Say([what, message]);

    public static Sentence KicksInRows(string places) => Source.Say([places]);

    public static Sentence KindBreakdown => Source.Say();

    public static Sentence KindCircle => Source.Say();

    public static Sentence KindFitness => Source.Say();

    public static Sentence KindHall => Source.Say();

    public static Sentence KindParty => Source.Say();

    public static Sentence KindSong => Source.Say();

    public static Sentence LayersAlongWithFeet => Source.Say();

    public static Sentence LeaveOutARung => Source.Say();

    public static Sentence LeaveOutAllRungs => Source.Say();

    public static Sentence LeavesTheFloor => Source.Say();

    public static Sentence LessonMinutes(int least, double most, int minutes) => Source.Say([least, most, minutes]);

    public static Sentence LetGoBefore => Source.Say();

    public static Sentence LetThemFollow => Source.Say();

    public static Sentence LinesAndActions(int lines, int actions) => Source.Say([lines, actions]);

    public static Sentence LinesFromTo(int from, int to) => Source.Say([from, to]);

    public static Sentence MayBeStepped => Source.Say();

    public static Sentence MendUnderWrite => Source.Say();

    public static Sentence MetresAway(double metres) => Source.Say([metres]);

    public static Sentence MinutesFree(string clock, int minutes, string why, Sentence noKnownDance) =>
        Source.Say([clock, minutes, why, noKnownDance]);

    public static Sentence NameKnownDances => Source.Say();

    public static Sentence New => Source.Say();

    public static Sentence NewToSome => Source.Say();

    public static Sentence NextTakes(string next, string seconds) => Source.Say([next, seconds]);

    public static Sentence NoFurtherKnownDance => Source.Say();

    public static Sentence NoFurtherRepeat => Source.Say();

    public static Sentence NoRate(double percent, double slowest, double fastest) => Source.Say([percent, slowest, fastest]);

    public static Sentence NoWarmUpWithJumps => Source.Say();

    public static Sentence NotAsItIsKept(string what, string formatName) => Source.Say([what, formatName]);

    public static Sentence NothingToTeach(string dance) => Source.Say([dance]);

    public static Sentence OfALaterVersion(string what, int format, int most) => Source.Say([what, format, most]);

    public static Sentence OtherEnding => Source.Say();

    public static Sentence OtherSide => Source.Say();

    public static Sentence PartsAnd(string parts, string last) => Source.Say([parts, last]);

    public static Sentence PlannedUpTo(string dance, int errors, string bite, string error) => Source.Say([dance, errors, bite, error]);

    public static Sentence PlannedWithout(string dance, string parts, string error) => Source.Say([dance, parts, error]);

    public static Sentence PutAfterNotBoth(string block, string after) => Source.Say([block, after]);

    public static Sentence PutFirstNotThere(string block) => Source.Say([block]);

    public static Sentence QuestionsOnceMore => Source.Say();

    public static Sentence RepeatsNot(string block, int repeats, int before) => Source.Say([block, repeats, before]);

    public static Sentence Same => Source.Say();

    public static Sentence SameBlocksOtherOrder => Source.Say();

    public static Sentence SayWhereItSpeedsUp => Source.Say();

    public static Sentence SettledNoSuchBlock(string block) => Source.Say([block]);

    public static Sentence SlowTheMusic => Source.Say();

    public static Sentence SpinAtTempo(string places, double top) => Source.Say([places, top]);

    public static Sentence SpotOneWall => Source.Say();

    public static Sentence StayOnTheFirstWall => Source.Say();

    public static Sentence StraightToTheFirstBite => Source.Say();

    public static Sentence TakeItOutOrAgain => Source.Say();

    public static Sentence TeachBriskly => Source.Say();

    public static Sentence TeachInPairs => Source.Say();

    public static Sentence TeachQuickly => Source.Say();

    public static Sentence TeachTheRest => Source.Say();

    public static Sentence TimeNumber(int time) => Source.Say([time]);

    public static Sentence TooFewBites(int bites) => Source.Say([bites]);

    public static Sentence TooManyBites(string dance, int bites, int most) => Source.Say([dance, bites, most]);

    public static Sentence TooManyRungs(int most, int rungs) => Source.Say([most, rungs]);

    public static Sentence TouchInsteadOfKick => Source.Say();

    public static Sentence TrackSpeedsUp(string dance, double tempo, double top) => Source.Say([dance, tempo, top]);

    public static Sentence TurnsOnceRound => Source.Say();

    public static Sentence TwoLessons(string upTo, string from) => Source.Say([upTo, from]);

    public static Sentence UntitledDance => Source.Say();

    public static Sentence UpTo(string bite, string part, int line, string last) => Source.Say([bite, part, line, last]);

    public static Sentence WaitUntilBothThere => Source.Say();

    public static Sentence WaitsOrTakeAway => Source.Say();

    public static Sentence WaitsUntilThere => Source.Say();

    public static Sentence WarmUpElsewhere => Source.Say();

    public static Sentence WarmUpIsCut(string seconds) => Source.Say([seconds]);

    public static Sentence WarmUpUsualLeast(double minutes) => Source.Say([minutes]);

    public static Sentence WaterOrTalkBetween => Source.Say();

    public static Sentence WriteItsSteps => Source.Say();

    public static Sentence YouAddedThis => Source.Say();
}
