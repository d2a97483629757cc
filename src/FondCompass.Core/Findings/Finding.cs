using FondCompass.Core.Text;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Findings;

/// <summary>
/// How grave a finding is. Errors are only what cannot be danced or read; see docs/findings.md.
/// </summary>
public enum Severity
{
    Error,
    Warning,
    Info,
}

/// <summary>A stable code with its severity and what it is about; one static field beside the rule that raises it.</summary>
public sealed record FindingCode(string Code, Severity Severity)
{
    /// <summary>Of words that were not read, or read by a guess.</summary>
    public bool IsOfWords { get; } = Code.StartsWith("WORD", StringComparison.Ordinal);

    /// <summary>What findings of this kind are about, in a few words.</summary>
    public string Title => FindingTitles.Of(Code);
}

/// <summary>Where a finding points: the part, the line (eight) from 1, the count's label and the text row from 1.</summary>
/// <param name="Words">The words of the row it is about; all of the row when left out.</param>
public readonly record struct Place(string? Part = null, int? Line = null, string? Count = null, int? Row = null, TextSpan? Words = null);

/// <summary>A change to one text row that removes a finding; applied with one key.</summary>
/// <param name="Label">What the change does, in a few words.</param>
/// <param name="Row">Text row from 1.</param>
/// <param name="NewText">The whole row after the change.</param>
/// <param name="Otherwise">A wider change to try where this one mends nothing.</param>
public sealed record Fix(Sentence Label, int Row, string NewText, Fix? Otherwise = null);

/// <summary>Something the instructor should know: what, where, why and the way out.</summary>
/// <param name="Told">What is to be told, as a text with its facts; worded when it is read.</param>
public sealed record Finding(FindingCode Kind, Place Place, Sentence Told, Fix? Fix = null)
{
    /// <summary>What, why and the way out, in the reader's language.</summary>
    public string Message => Told;

    /// <summary>Answers to what it asks, one key each; empty when it asks nothing.</summary>
    public IReadOnlyList<Fix> Answers { get; init; } = [];

    public string Code => Kind.Code;

    public Severity Severity => Kind.Severity;

    /// <summary>Words that were read by a guess, or that ask something: to be looked at before the class, as a warning is.</summary>
    public bool IsDoubt => Severity == Severity.Info && Kind.IsOfWords;

    public override string ToString() => $"{Code} {Severity} {Place.Part}/{Place.Line}/{Place.Count} row {Place.Row}: {Message}";
}
