using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Wording.Texts;

namespace FondCompass.Core.Actions.Placing;

/// <summary>One way to lay a row's deeds on its counts.</summary>
/// <param name="Last">Last whole count used.</param>
/// <param name="Cost">How far the steps had to bend to the counts: 0 when they fill them in their own rhythm.</param>
/// <param name="Complaint">Why the counts and the steps do not suit each other; null when they do.</param>
internal sealed record Placement(IReadOnlyList<PlacedAction> Actions, int Last, int Cost, Sentence? Complaint = null);
