using FondCompass.Core.Actions;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>Some moments of a part danced by themselves, from a state in its middle.</summary>
public static class SpanTrace
{
    /// <param name="part">The part whose lines the moments stand in.</param>
    public static PartTrace Trace(DanceHeader header, PartActions part, IReadOnlyList<Moment> moments, TraceState start) =>
        PartTracer.Trace(header, part with { Moments = moments }, start, throughJoin: false);

    /// <summary>A span variant danced from where its part reaches it.</summary>
    public static PartTrace Trace(DanceHeader header, PartTrace part, SpanVariant variant) =>
        Trace(header, part.Part, variant.Moments, part.StateBefore(variant.From));
}
