namespace FondCompass.Core.Wording.Texts.Dances;

/// <summary>What the checks tell of a danced pattern, and of an order danced to a song; the texts are in CheckTexts.resx.</summary>
public static class CheckTexts
{
    private static readonly TextSource Source = new(typeof(CheckTexts));

    public static Sentence ARestart => Source.Say();

    public static Sentence ATag => Source.Say();

    public static Sentence AlreadyHoldsWeight => Source.Say();

    public static Sentence Behind => Source.Say();

    public static Sentence CallNeverDanced(int call, Sentence reason) => Source.Say([call, reason]);

    public static Sentence CutAfterNoCount(int repeat, int counts, int afterCount, int last) =>
        Source.Say([repeat, counts, afterCount, last]);

    public static Sentence DancedToItsEnd => Source.Say();

    public static Sentence DoesNotHoldWeight => Source.Say();

    public static Sentence FootHoldsWeight(string count, string foot, Sentence? heldSince, string verb, string otherFoot) =>
        Source.Say([count, foot, heldSince, verb, otherFoot]);

    public static Sentence FootIsFree(string count, string verb, string foot, Sentence? heldSince, string freeFoot) =>
        Source.Say([count, verb, foot, heldSince, freeFoot]);

    public static Sentence FootMovesUnweighted(string? count, string foot, int leavesBetween) => Source.Say([count, foot, leavesBetween]);

    public static Sentence InFrontOf => Source.Say();

    public static Sentence IsASpin(string? count, string amount, Sentence time) => Source.Say([count, amount, time]);

    public static Sentence KnownStepEndsOtherwise(string? count, string step, string verb) => Source.Say([count, step, verb]);

    public static Sentence LandsOnCorner(Sentence what, int repeat, string facing) => Source.Say([what, repeat, facing]);

    public static Sentence LineStillMoves(int line, string count) => Source.Say([line, count]);

    public static Sentence LowImpactJumps => Source.Say();

    public static Sentence MoreFindings(int listed, int left) => Source.Say([listed, left]);

    public static Sentence NoTurnTurns => Source.Say();

    public static Sentence NobodyWroteVariant(int repeat, string label, Sentence known) => Source.Say([repeat, label, known]);

    public static Sentence NothingCallsPart(string part) => Source.Say([part]);

    public static Sentence NothingCallsTag(string part) => Source.Say([part]);

    public static Sentence NothingOfItIsDanced => Source.Say();

    public static Sentence NothingOnLastCount(int to, string part, string count) => Source.Say([to, part, count]);

    public static Sentence NothingToUnwind(string? count, string amount) => Source.Say([count, amount]);

    public static Sentence OnBothFeet => Source.Say();

    public static Sentence OnTheFoot(string weight) => Source.Say([weight]);

    public static Sentence OneCount => Source.Say();

    public static Sentence OnlyWithAnOrder => Source.Say();

    public static Sentence OpensWithoutWeight(string? count, string verb) => Source.Say([count, verb]);

    public static Sentence OrderEndsBeforeSong(int at, int counts) => Source.Say([at, counts]);

    public static Sentence OrderHasCalls(int last) => Source.Say([last]);

    public static Sentence OtherWallsThanIntended(int wanted, string netTurn, int wallOrder) => Source.Say([wanted, netTurn, wallOrder]);

    public static Sentence PartStillMoves(string part) => Source.Say([part]);

    public static Sentence PartsMeetOnNeededFoot(string part, string weight, string after) => Source.Say([part, weight, after]);

    public static Sentence PatternDrifts(double metres, Sentence way, double afterAll, int repeats) =>
        Source.Say([metres, way, afterAll, repeats]);

    public static Sentence PatternEndsOnNeededFoot(string weight) => Source.Say([weight]);

    public static Sentence PatternMirrors(string startWeight, string endWeight) => Source.Say([startWeight, endWeight]);

    public static Sentence PatternStillMoves => Source.Say();

    public static Sentence PickUpTakesItsTime(string? count, Sentence why) => Source.Say([count, why]);

    public static Sentence RepeatNeverComes(int last) => Source.Say([last]);

    public static Sentence RestartNeedsFoot(int counts, string weight) => Source.Say([counts, weight]);

    public static Sentence SameFootGoesAgain(string? count, string verb, string foot, string next) => Source.Say([count, verb, foot, next]);

    public static Sentence SongEndsBeforeIt => Source.Say();

    public static Sentence SongEndsBeforeOrder(int counts, string part) => Source.Say([counts, part]);

    public static Sentence SpanPastTheEnd(string part, int counts, int fromCount, int toCount, Sentence danced, int from) =>
        Source.Say([part, counts, fromCount, toCount, danced, from]);

    public static Sentence SpinLandsBetweenCounts(string? count) => Source.Say([count]);

    public static Sentence StanceCrossed => Source.Say();

    public static Sentence StanceOpen => Source.Say();

    public static Sentence StatedFacingDiffers(string facing, string actualFacing) => Source.Say([facing, actualFacing]);

    public static Sentence StatedWeightDiffers(string weight, string actualWeight) => Source.Say([weight, actualWeight]);

    public static Sentence TagStandsAsNote(string note) => Source.Say([note]);

    public static Sentence TagWithoutSteps(string part) => Source.Say([part]);

    public static Sentence TheWeight(string foot) => Source.Say([foot]);

    public static Sentence ThereAre(string labels) => Source.Say([labels]);

    public static Sentence ToTheLeftOf => Source.Say();

    public static Sentence ToTheRightOf => Source.Say();

    public static Sentence TurnHowFar(string? count) => Source.Say([count]);

    public static Sentence TurnMissesWall(string? count, string amount, string facing) => Source.Say([count, amount, facing]);

    public static Sentence TurnWhichWay(string? count) => Source.Say([count]);

    public static Sentence TwoCounts => Source.Say();

    public static Sentence UnwindsOtherWay(string? count, string way, string amount) => Source.Say([count, way, amount]);

    public static Sentence VariantEndsElsewhere(string label, double metres) => Source.Say([label, metres]);

    public static Sentence VariantEndsOtherFacing(string label, string facing, string own) => Source.Say([label, facing, own]);

    public static Sentence VariantEndsOtherStance(string label, Sentence stance) => Source.Say([label, stance]);

    public static Sentence VariantEndsOtherWeight(string label, string weight, string own) => Source.Say([label, weight, own]);

    public static Sentence VariantHasOtherTotal(string part, int counts, string own, int ownCounts) =>
        Source.Say([part, counts, own, ownCounts]);

    public static Sentence VariantMovesWrongFoot(string label, string foot, Sentence fault, string count) =>
        Source.Say([label, foot, fault, count]);

    public static Sentence YourOwn => Source.Say();
}
