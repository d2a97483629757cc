using FondCompass.Core.Counts;

namespace FondCompass.Core.Actions;

/// <summary>A moment of the line being read; its tick waits until the line is known whole (swing needs that).</summary>
/// <param name="Until">Last position it lasts to.</param>
internal readonly record struct Pending(Moment Moment, Beat Until);
