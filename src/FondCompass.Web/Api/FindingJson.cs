using System.Text.Json.Serialization;
using FondCompass.Core.Findings;

namespace FondCompass.Web.Api;

/// <summary>A finding as the outside sees it.</summary>
internal sealed record FindingJson(
    string Code, string Severity, string? Part, int? Line, string? Count, int? Row, int? Column, int? Length, string Message,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] FixJson? Fix,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] IReadOnlyList<FixJson>? Answers)
{
    public static FindingJson From(Finding finding) => new(
        finding.Code, finding.Severity.ToString().ToLowerInvariant(), finding.Place.Part, finding.Place.Line, finding.Place.Count,
        finding.Place.Row,
        finding.Place.Words?.Start + 1,
        finding.Place.Words?.Length,
        finding.Message,
        finding.Fix is { } fix ? FixJson.From(fix) : null,
        finding.Answers.Count == 0 ? null : [.. finding.Answers.Select(FixJson.From)]);
}

/// <summary>A change of one row that removes a finding; a text of several rows stands in for that row.</summary>
internal sealed record FixJson(string Label, int Row, string Text)
{
    public static FixJson From(Fix fix) => new(fix.Label, fix.Row, fix.NewText);
}
