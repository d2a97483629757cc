using FondCompass.Core.Findings;

namespace FondCompass.Core.Actions;

/// <summary>What can be wrong when words meet the lexicon and the counts.</summary>
public static class ActionFindings
{
    public static readonly FindingCode UnknownStep = new("WORD01", Severity.Error, "A step that is not known");
    public static readonly FindingCode UnknownWord = new("WORD02", Severity.Error, "A word beside a step that is not known");
    public static readonly FindingCode TooLong = new("TEXT09", Severity.Error, "More actions than are read");
    public static readonly FindingCode DefinitionCircle = new("STEP03", Severity.Error, "A step defined by itself");
    public static readonly FindingCode DefinitionUnread = new("STEP04", Severity.Error, "A step definition with a step that is not known");
    public static readonly FindingCode TooFewCounts = new("COUNT01", Severity.Warning, "A step on fewer or other counts than it needs");
    public static readonly FindingCode LineLength = new("COUNT02", Severity.Warning, "A line that does not hold its counts");
    public static readonly FindingCode Gap = new("COUNT03", Severity.Warning, "Counts that nothing fills");
    public static readonly FindingCode PartLength = new("COUNT04", Severity.Warning, "A part that is no multiple of the line");
    public static readonly FindingCode SwingE = new("COUNT05", Severity.Warning, "An e in swing feel");
    public static readonly FindingCode NothingAgain = new("COUNT07", Severity.Error, "Nothing above to dance again");
    public static readonly FindingCode Parked = new("WORD03", Severity.Warning, "A row put aside until it is understood");
    public static readonly FindingCode Ambiguous = new("WORD04", Severity.Info, "A word that several steps go by");
    public static readonly FindingCode BrokenStep = new("WORD05", Severity.Warning, "A step whose definition cannot be read");
    public static readonly FindingCode Doubtful = new("WORD06", Severity.Info, "A wording with two sensible readings");
    public static readonly FindingCode Misspelt = new("WORD07", Severity.Warning, "A word one letter off a known one");
    public static readonly FindingCode WordBeside = new("WORD09", Severity.Warning, "A word beside whole steps that is not known");
    public static readonly FindingCode OpenMove = new("WORD08", Severity.Info, "A move whose feet are not known");
    public static readonly FindingCode LayerOutside = new("LAYER01", Severity.Warning, "A layer outside its step");
    public static readonly FindingCode HangsOnNothing = new("CUE01", Severity.Warning, "A cue or note that hangs on nothing");
    public static readonly FindingCode VariantCounts = new("VARIANT02", Severity.Warning, "A variant that takes other counts");
}
