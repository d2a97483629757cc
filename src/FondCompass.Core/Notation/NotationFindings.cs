using FondCompass.Core.Findings;
using FondCompass.Core.Wording.Texts;

namespace FondCompass.Core.Notation;

/// <summary>What can be wrong with the text itself.</summary>
public static class NotationFindings
{
    public static readonly FindingCode Unreadable = new("TEXT01", Severity.Error);
    public static readonly FindingCode ImpossibleCounts = new("TEXT02", Severity.Error);
    public static readonly FindingCode BadSetting = new("TEXT03", Severity.Error);
    public static readonly FindingCode Empty = new("TEXT04", Severity.Warning);
    public static readonly FindingCode SamePart = new("TEXT05", Severity.Warning);
    public static readonly FindingCode StepsBeforePart = new("TEXT06", Severity.Info);
    public static readonly FindingCode BadFact = new("TEXT07", Severity.Error);
    public static readonly FindingCode OddCharacter = new("TEXT08", Severity.Warning);
    public static readonly FindingCode TooMuch = new("TEXT10", Severity.Error);
    public static readonly FindingCode SettingTwice = new("TEXT12", Severity.Warning);
    public static readonly FindingCode BadVariant = new("VARIANT01", Severity.Error);
    public static readonly FindingCode UnknownPart = new("PART01", Severity.Error);
    public static readonly FindingCode BadCall = new("PART02", Severity.Error);
    public static readonly FindingCode BadException = new("PART03", Severity.Error);
    public static readonly FindingCode BadDefinition = new("STEP01", Severity.Error);
    public static readonly FindingCode SameDefinition = new("STEP02", Severity.Warning);

    public static Finding At(this FindingCode code, int row, Sentence message, Fix? fix = null, string? part = null) =>
        new(code, new Place(Part: part, Row: row), message, fix);
}
