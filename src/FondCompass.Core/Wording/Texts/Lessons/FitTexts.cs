namespace FondCompass.Core.Wording.Texts.Lessons;

/// <summary>The facts of a fit; the texts are in FitTexts.resx.</summary>
public static class FitTexts
{
    private static readonly TextSource Source = new(typeof(FitTexts));

    public static Sentence CanBeDancedAt(string instead, double fastest) => Source.Say([instead, fastest]);

    public static Sentence CarriesItAsFar(string instead, double bpm) => Source.Say([instead, bpm]);

    public static Sentence CountsLong(double counts, int number) => Source.Say([counts, number]);

    public static Sentence DanceAfter(string part, int repeat, int to) => Source.Say([part, repeat, to]);

    public static Sentence DanceFirst(string part, int repeat) => Source.Say([part, repeat]);

    public static Sentence DanceTwice(string part, int repeat) => Source.Say([part, repeat]);

    public static Sentence FinishOtherTurn(string? count, string becomes, string was) => Source.Say([count, becomes, was]);

    public static Sentence FinishOtherWay(string? count, string becomes, string was) => Source.Say([count, becomes, was]);

    public static Sentence FinishTurnAndPose(string becomes) => Source.Say([becomes]);

    public static Sentence FinishWithoutTurn(string? count, string was) => Source.Say([count, was]);

    public static Sentence ItsVariant(string variant) => Source.Say([variant]);

    public static Sentence LeaveOut(string part, int repeat) => Source.Say([part, repeat]);

    public static Sentence OnlyFirstHalf(string part, string counts, int repeat) => Source.Say([part, counts, repeat]);

    public static Sentence PartInstead(string? part) => Source.Say([part]);

    public static Sentence RepeatsComeNearer => Source.Say();

    public static Sentence RestartInRepeat(int repeat, string counts) => Source.Say([repeat, counts]);

    public static Sentence SetsFeetApart(string step, string apart, Sentence running) => Source.Say([step, apart, running]);

    public static Sentence TagAfterRepeat(string counts, int repeat) => Source.Say([counts, repeat]);

    public static Sentence TimesRunning(int running) => Source.Say([running]);

    public static Sentence TurnsAndHas(string step, string turn, string apart) => Source.Say([step, turn, apart]);

    public static Sentence WaitAfter(string counts, string part, int repeat) => Source.Say([counts, part, repeat]);

    public static Sentence WhatFollowsBegins(string passage, int next) => Source.Say([passage, next]);

    public static Sentence WriteEasierVariant => Source.Say();
}
