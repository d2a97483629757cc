namespace FondCompass.Core.Wording.Texts.Lessons;

/// <summary>What makes a step hard, and one danced in place of another; the texts are in SwapTexts.resx.</summary>
public static class SwapTexts
{
    private static readonly TextSource Source = new(typeof(SwapTexts));

    public static Sentence ActionsBetweenCounts(int n) => Source.Say([n]);

    public static Sentence ChangesOfDirection(int n) => Source.Say([n]);

    public static Sentence Crossings(int n) => Source.Say([n]);

    public static Sentence FootActionsASecond(double footed, double bpm) => Source.Say([footed, bpm]);

    public static Sentence HopsOrJumps(int n) => Source.Say([n]);

    public static Sentence InPlaceOf(string part, int line, int from, int to, string danced, string written) =>
        Source.Say([part, line, from, to, danced, written]);

    public static Sentence LevelsAboveEasiest(int n) => Source.Say([n]);

    public static Sentence OneTrap => Source.Say();

    public static Sentence StepsWithoutWeight(int n) => Source.Say([n]);

    public static Sentence Traps(int n) => Source.Say([n]);

    public static Sentence TurningInOneCount(string hardest, double bpm) => Source.Say([hardest, bpm]);

    public static Sentence TwoFeetAtOnce(int n) => Source.Say([n]);
}
