namespace FondCompass.Core.Wording.Texts.Dances;

/// <summary>What the ruler and the edits of a script answer; the texts are in EditTexts.resx.</summary>
public static class EditTexts
{
    private static readonly TextSource Source = new(typeof(EditTexts));

    public static Sentence CueHoldsRemarkSign => Source.Say();

    public static Sentence CueLineStandsForOthers(int line, string part) => Source.Say([line, part]);

    public static Sentence CueStandsForOthers => Source.Say();

    public static Sentence CueTooLong(int letters) => Source.Say([letters]);

    public static Sentence FootNotFreeForIt => Source.Say();

    public static Sentence HoldsTheWeight => Source.Say();

    public static Sentence IsTheFirstStep => Source.Say();

    public static Sentence IsTheFreeOne => Source.Say();

    public static Sentence IsTheLastStep => Source.Say();

    public static Sentence LineHasAtMost(int largest) => Source.Say([largest]);

    public static Sentence LineOfThisPart => Source.Say();

    public static Sentence LineStandsForOthers(int line, string part) => Source.Say([line, part]);

    public static Sentence MirrorIsItself => Source.Say();

    public static Sentence NoStepOnCount(string count, int line, string part) => Source.Say([count, line, part]);

    public static Sentence NoStepOnRow => Source.Say();

    public static Sentence NoSuchCountToWriteBelow(int count, int line, string part) => Source.Say([count, line, part]);

    public static Sentence NoSuchLine(int number, string part) => Source.Say([number, part]);

    public static Sentence NoSuchPart(string part) => Source.Say([part]);

    public static Sentence NothingCutYet => Source.Say();

    public static Sentence NothingNamesASide => Source.Say();

    public static Sentence NothingToSplit => Source.Say();

    public static Sentence NothingWritten => Source.Say();

    public static Sentence PartOfThisDance => Source.Say();

    public static Sentence StepBeginsOnACount => Source.Say();

    public static Sentence StepTakesOneCount => Source.Say();

    public static Sentence TakesMoreThanLeft(int counts, int room) => Source.Say([counts, room]);

    public static Sentence TheFootIs(string foot, Sentence fault) => Source.Say([foot, fault]);

    public static Sentence ThisIsTheFirst(Sentence what) => Source.Say([what]);

    public static Sentence ThisIsTheLast(Sentence what) => Source.Say([what]);

    public static Sentence UnwindOtherWay => Source.Say();

    public static Sentence WriteTheName => Source.Say();
}
