using FondCompass.Core.Measures;

namespace FondCompass.Core.Actions.Rows;

/// <summary>A moment of the line being read; its tick waits until the line is known whole (swing needs that).</summary>
/// <param name="Until">Last position it lasts to.</param>
internal readonly record struct PendingMoment(Moment Moment, Beat Until);
