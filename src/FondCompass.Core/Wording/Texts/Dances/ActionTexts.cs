namespace FondCompass.Core.Wording.Texts.Dances;

/// <summary>What is told of how rows become actions: steps, their counts, what hangs on them; the texts are in ActionTexts.resx.</summary>
public static class ActionTexts
{
    private static readonly TextSource Source = new(typeof(ActionTexts));

    public static Sentence ActionsCrowded(string row, int actions, int counts) => Source.Say([row, actions, counts]);

    public static Sentence BothFeetThen => Source.Say();

    public static Sentence CountEmpty(int filledTo) => Source.Say([filledTo]);

    public static Sentence CountsEachDoNotHold(string step, int counts) => Source.Say([step, counts]);

    public static Sentence CountsEmpty(int filledTo, int number) => Source.Say([filledTo, number]);

    public static Sentence DancedFaster(string row, int natural, int written) => Source.Say([row, natural, written]);

    public static Sentence DefinitionHasUnknownStep(string definition, string words) => Source.Say([definition, words]);

    public static Sentence DefinitionReadAs(string definition, string written, string known) => Source.Say([definition, written, known]);

    public static Sentence DefinitionUnreadable(string unread) => Source.Say([unread]);

    public static Sentence DidYouMean(string near) => Source.Say([near]);

    public static Sentence EInSwing => Source.Say();

    public static Sentence FallsOnCount(string beat) => Source.Say([beat]);

    public static Sentence HasFewerActions(string named, int needed, int positions) => Source.Say([named, needed, positions]);

    public static Sentence HasStepsHere(int danced) => Source.Say([danced]);

    public static Sentence InDefinition(string definition, string complaint) => Source.Say([definition, complaint]);

    public static Sentence KeptAsNamedMove(string move, Sentence hint) => Source.Say([move, hint]);

    public static Sentence LayerMovesNoFoot(string layer) => Source.Say([layer]);

    public static Sentence LayerOutsideStep(string layer, string beat, Sentence outsideOf) => Source.Say([layer, beat, outsideOf]);

    public static Sentence LineHasCounts(int counts) => Source.Say([counts]);

    public static Sentence LineHoldsOtherCounts(int counts, int wanted) => Source.Say([counts, wanted]);

    public static Sentence MoreActionsThanAreRead(int actions, int counts, int rows) => Source.Say([actions, counts, rows]);

    public static Sentence NoCountsAboveToRepeat(int span) => Source.Say([span]);

    public static Sentence NoLineAboveForVariant => Source.Say();

    public static Sentence NoLineAboveToRepeat => Source.Say();

    public static Sentence NorWhichWay => Source.Say();

    public static Sentence NotUnderstoodYet(string words, Sentence hint) => Source.Say([words, hint]);

    public static Sentence NoteHangsOnNothing(string kind, string count, Sentence reason) => Source.Say([kind, count, reason]);

    public static Sentence NothingBeginsThere => Source.Say();

    public static Sentence OneFootAfterTheOther(string twice, string up, string foot, string verb) => Source.Say([twice, up, foot, verb]);

    public static Sentence OneStepHeld(string only, int span) => Source.Say([only, span]);

    public static Sentence Or => Source.Say();

    public static Sentence OtherFoot => Source.Say();

    public static Sentence OwnNameStandsForNothingKnown(string meaning, string name) => Source.Say([meaning, name]);

    public static Sentence OwnWordCannotBeRead => Source.Say();

    public static Sentence OwnWordMeansNothingKnown(string meaning, string name) => Source.Say([meaning, name]);

    public static Sentence PartIsNoMultipleOfLine(string part, int counts, int lineCounts) => Source.Say([part, counts, lineCounts]);

    public static Sentence ReadAsMayAlsoMean(string wording, string reading, string doubt) => Source.Say([wording, reading, doubt]);

    public static Sentence ReadItAs(string instead) => Source.Say([instead]);

    public static Sentence RepeatBeginsWithFreeFoot(string free, string asked) => Source.Say([free, asked]);

    public static Sentence RepeatBeginsWithSameFoot => Source.Say();

    public static Sentence SaidOnOtherCount(string step, int said, string count) => Source.Say([step, said, count]);

    public static Sentence SameFoot => Source.Say();

    public static Sentence SeveralStepsGoByName(string wording, string reading, string others) => Source.Say([wording, reading, others]);

    public static Sentence SideIsTheFoots(string step, string foot, string side, string name, string letter) =>
        Source.Say([step, foot, side, name, letter]);

    public static Sentence SinceCount(string count) => Source.Say([count]);

    public static Sentence SlipReadAs(string written, string known) => Source.Say([written, known]);

    public static Sentence SlowAsTheStepsBeside(string step) => Source.Say([step]);

    public static Sentence SlowChangesNothing(string phrase, int counts) => Source.Say([phrase, counts]);

    public static Sentence StepItStandsWith => Source.Say();

    public static Sentence StepMadeOfItself(string definition) => Source.Say([definition]);

    public static Sentence StylingMayBeDanced(string styling, string word, string known) => Source.Say([styling, word, known]);

    public static Sentence TakesFewerCounts(string named, int natural, int span) => Source.Say([named, natural, span]);

    public static Sentence TheStart => Source.Say();

    public static Sentence ThisLineOf(int counts) => Source.Say([counts]);

    public static Sentence ThisRow => Source.Say();

    public static Sentence TooManyDefinedActions(int actions, string definition) => Source.Say([actions, definition]);

    public static Sentence TurnAmountOpen(string step, Sentence sideToo) => Source.Say([step, sideToo]);

    public static Sentence TurnSaidOnOtherCount(string step, Sentence unit, int said, Sentence butIs) =>
        Source.Say([step, unit, said, butIs]);

    public static Sentence TurnSideOpen(string phrase) => Source.Say([phrase]);

    public static Sentence UnitCount => Source.Say();

    public static Sentence UnitStep => Source.Say();

    public static Sentence UnknownStep(string words, Sentence hint, string name) => Source.Say([words, hint, name]);

    public static Sentence VariantOnOtherCounts(string label, string from, int to) => Source.Say([label, from, to]);

    public static Sentence WayChangesNothing(string phrase, string direction) => Source.Say([phrase, direction]);

    public static Sentence WeightAfterTurnOpen(string wording) => Source.Say([wording]);

    public static Sentence WithoutWeight(string verb) => Source.Say([verb]);

    public static Sentence WordNotUnderstood(string word, string wording) => Source.Say([word, wording]);

    public static Sentence WriteHoldWhereEmpty(string gap) => Source.Say([gap]);

    public static Sentence WriteIt(string words) => Source.Say([words]);
}
