using FondCompass.Core.Findings;

namespace FondCompass.Core.Notation;

/// <summary>What can be wrong with the text itself.</summary>
public static class NotationFindings
{
    public static readonly FindingCode Unreadable = new("TEXT01", Severity.Error, "A row that cannot be read");
    public static readonly FindingCode ImpossibleCounts = new("TEXT02", Severity.Error, "Counts that nobody can dance");
    public static readonly FindingCode BadSetting = new("TEXT03", Severity.Error, "A header line whose value cannot be read");
    public static readonly FindingCode Empty = new("TEXT04", Severity.Warning, "A script without steps");
    public static readonly FindingCode SamePart = new("TEXT05", Severity.Warning, "Two parts of one name");
    public static readonly FindingCode StepsBeforePart = new("TEXT06", Severity.Info, "Steps before the first part are read as part A");
    public static readonly FindingCode BadFact = new("TEXT07", Severity.Error, "A stated fact that cannot be read");
    public static readonly FindingCode OddCharacter = new("TEXT08", Severity.Warning, "A control character in the text");
    public static readonly FindingCode TooMuch = new("TEXT10", Severity.Error, "More text than is read");
    public static readonly FindingCode SettingTwice = new("TEXT12", Severity.Warning, "A setting said twice");
    public static readonly FindingCode BadVariant = new("VARIANT01", Severity.Error, "A variant that cannot be read");
    public static readonly FindingCode UnknownPart = new("PART01", Severity.Error, "A part or tag that does not exist");
    public static readonly FindingCode BadCall = new("PART02", Severity.Error, "A call in the order that cannot be read");
    public static readonly FindingCode BadException = new("PART03", Severity.Error, "A tag or restart line that cannot be read");
    public static readonly FindingCode BadDefinition = new("STEP01", Severity.Error, "A step definition that cannot be read");
    public static readonly FindingCode SameDefinition = new("STEP02", Severity.Warning, "A step defined twice");

    public static Finding At(this FindingCode code, int row, string message, Fix? fix = null, string? part = null) =>
        new(code, new Place(Part: part, Row: row), message, fix);
}
