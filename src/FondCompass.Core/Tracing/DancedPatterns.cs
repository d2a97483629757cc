using FondCompass.Core.Actions;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;

namespace FondCompass.Core.Tracing;

/// <summary>What each repeat dances: the pattern as written, or the variant that the script asks for in it or from it on.</summary>
/// <param name="asWritten">Every repeat as written.</param>
internal sealed class DancedPatterns(DanceTrace trace, bool asWritten = false) : IRepeats
{
    private readonly Dictionary<VariantLabel, DanceTrace> _versions = [];

    private IReadOnlyList<VersionAt> Asked => asWritten ? [] : trace.Dance.Versions;

    /// <summary>The last repeat at which anything changes; 0 when nothing does.</summary>
    public int LastChange => Asked.Select(v => v.Onward ? v.Repeat : v.Repeat + 1).DefaultIfEmpty(0).Max();

    public bool Mirrors => trace.Mirrors;

    public IReadOnlyList<(Stretch Stretch, int Row)> Calls { get; } = [.. trace.Calls.Select(c => (c.Stretch, c.Row))];

    public PartTrace? Loop(int repeat) => Danced(repeat) is { Calls: [var looped, ..] } ? looped.Stretch.Pattern : null;

    public Stretch Called(Stretch written, int call)
    {
        var version = Danced(call);
        if (ReferenceEquals(version, trace) || version.Part(written.Pattern.Part.Name) is not { Part.Counts: > 0 } part)
        {
            return written;
        }

        var to = written.To == written.Pattern.Part.Counts ? part.Part.Counts : Math.Min(written.To, part.Part.Counts);
        return written with { Pattern = part, From = Math.Min(written.From, to), To = to };
    }

    public Stretch? Tag(string name, Weight weight, Facing facing) =>
        trace.Part(name) is { Part.Counts: > 0 } tag ? Stretch.Whole(tag) : null;

    private DanceTrace Danced(int repeat)
    {
        VersionAt? chosen = null;
        foreach (var version in Asked)
        {
            // One repeat alone comes before "from here on"; among the latter the nearest one counts.
            var applies = version.Onward ? version.Repeat <= repeat : version.Repeat == repeat;
            if (applies && (chosen is null || !version.Onward || (chosen.Onward && version.Repeat >= chosen.Repeat)))
            {
                chosen = version;
            }
        }

        if (chosen?.Label is not { } label || !Versions.All(trace.Actions).Contains(label))
        {
            return trace;
        }

        if (!_versions.TryGetValue(label, out var known))
        {
            // A variant without a count cannot be danced.
            var version = DanceTracer.Trace(trace.Actions.With(label));
            known = _versions[label] = version.TotalCounts > 0 ? version : trace;
        }

        return known;
    }
}
