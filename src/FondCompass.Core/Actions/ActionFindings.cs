using FondCompass.Core.Findings;

namespace FondCompass.Core.Actions;

/// <summary>What can be wrong when words meet the lexicon and the counts.</summary>
public static class ActionFindings
{
    public static readonly FindingCode UnknownStep = new("WORD01", Severity.Error);
    public static readonly FindingCode UnknownWord = new("WORD02", Severity.Error);
    public static readonly FindingCode TooLong = new("TEXT09", Severity.Error);
    public static readonly FindingCode DefinitionCircle = new("STEP03", Severity.Error);
    public static readonly FindingCode DefinitionUnread = new("STEP04", Severity.Error);
    public static readonly FindingCode TooFewCounts = new("COUNT01", Severity.Warning);
    public static readonly FindingCode LineLength = new("COUNT02", Severity.Warning);
    public static readonly FindingCode Gap = new("COUNT03", Severity.Warning);
    public static readonly FindingCode PartLength = new("COUNT04", Severity.Warning);
    public static readonly FindingCode SwingE = new("COUNT05", Severity.Warning);
    public static readonly FindingCode NothingAgain = new("COUNT07", Severity.Error);
    public static readonly FindingCode Parked = new("WORD03", Severity.Warning);
    public static readonly FindingCode Ambiguous = new("WORD04", Severity.Info);
    public static readonly FindingCode BrokenStep = new("WORD05", Severity.Warning);
    public static readonly FindingCode Doubtful = new("WORD06", Severity.Info);
    public static readonly FindingCode Misspelt = new("WORD07", Severity.Warning);
    public static readonly FindingCode WordBeside = new("WORD09", Severity.Warning);
    public static readonly FindingCode OpenMove = new("WORD08", Severity.Info);
    public static readonly FindingCode LayerOutside = new("LAYER01", Severity.Warning);
    public static readonly FindingCode HangsOnNothing = new("CUE01", Severity.Warning);
    public static readonly FindingCode VariantCounts = new("VARIANT02", Severity.Warning);
}
