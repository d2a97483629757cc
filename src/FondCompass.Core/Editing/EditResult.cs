namespace FondCompass.Core.Editing;

/// <summary>What became of a change made on the ruler.</summary>
/// <param name="Script">The whole text afterwards; as it was when refused.</param>
/// <param name="Row">The row to go on with, from 1.</param>
/// <param name="Refusal">Why nothing was changed, and the way out.</param>
/// <param name="Taken">Rows cut or copied, to be pasted elsewhere.</param>
public sealed record EditResult(string Script, int Row, string? Refusal = null, string? Taken = null);
