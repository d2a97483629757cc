namespace FondCompass.Core.Wording.Texts.Lessons;

/// <summary>What is told of a room, and of two halves of a class; the texts are in RoomTexts.resx.</summary>
public static class RoomTexts
{
    private static readonly TextSource Source = new(typeof(RoomTexts));

    public static Sentence AcrossTheRoom(int dancers) => Source.Say([dancers]);

    public static Sentence ApartAt(string part, int line, string count, double metres, double leave) =>
        Source.Say([part, line, count, metres, leave]);

    public static Sentence Back => Source.Say();

    public static Sentence BeginFacingDifferently(string left, string right) => Source.Say([left, right]);

    public static Sentence BeginOnDifferentFeet => Source.Say();

    public static Sentence CannotCopyThere(string part, int line, string count, string facing, string other) =>
        Source.Say([part, line, count, facing, other]);

    public static Sentence DanceDrifts(string driftPerPattern) => Source.Say([driftPerPattern]);

    public static Sentence DanceLeans(string metres, Sentence way, string aside, Sentence side) => Source.Say([metres, way, aside, side]);

    public static Sentence EndFacingDifferently(string left, string right) => Source.Say([left, right]);

    public static Sentence EndOnDifferentFeet => Source.Say();

    public static Sentence Forward => Source.Say();

    public static Sentence InStaggeredRows(int dancers) => Source.Say([dancers]);

    public static Sentence InStraightRows(int dancers) => Source.Say([dancers]);

    public static Sentence Left => Source.Say();

    public static Sentence NobodyFits => Source.Say();

    public static Sentence OccupancyCaution => Source.Say();

    public static Sentence OneHasNoCounts => Source.Say();

    public static Sentence OtherLengths(int left, int right) => Source.Say([left, right]);

    public static Sentence PatternsLeaveThemApart(double apart) => Source.Say([apart]);

    public static Sentence Right => Source.Say();

    public static Sentence StillTooFew => Source.Say();

    public static Sentence TooManyDancers(int most, int tooMany, int groups) => Source.Say([most, tooMany, groups]);

    public static Sentence WithSmallSteps(string metres, int dancers, Sentence stillTooFew) => Source.Say([metres, dancers, stillTooFew]);
}
