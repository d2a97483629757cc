using FondCompass.Core.Actions;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs;

/// <summary>What each repeat dances: the pattern as written, or the variant that the script asks for in it or from it on.</summary>
internal sealed class RunPatterns(DanceTrace trace)
{
    private readonly Dictionary<VariantLabel, DanceTrace> _versions = [];

    /// <summary>The last repeat at which anything changes; 0 when nothing does.</summary>
    public int LastChange => trace.Dance.Versions.Select(v => v.Onward ? v.Repeat : v.Repeat + 1).DefaultIfEmpty(0).Max();

    /// <summary>The looped pattern in a repeat, from 1.</summary>
    public PartTrace Loop(int repeat) => Danced(repeat).Calls[0].Stretch.Pattern;

    /// <summary>A call of the order in the repeat that it is.</summary>
    public Stretch Call(Stretch written, int repeat)
    {
        var version = Danced(repeat);
        if (ReferenceEquals(version, trace) || version.Part(written.Pattern.Part.Name) is not { Part.Counts: > 0 } part)
        {
            return written;
        }

        var to = written.To == written.Pattern.Part.Counts ? part.Part.Counts : Math.Min(written.To, part.Part.Counts);
        return written with { Pattern = part, From = Math.Min(written.From, to), To = to };
    }

    private DanceTrace Danced(int repeat)
    {
        VersionAt? chosen = null;
        foreach (var version in trace.Dance.Versions)
        {
            // One repeat alone comes before "from here on"; among the latter the nearest one counts.
            var applies = version.Onward ? version.Repeat <= repeat : version.Repeat == repeat;
            if (applies && (chosen is null || !version.Onward || (chosen.Onward && version.Repeat >= chosen.Repeat)))
            {
                chosen = version;
            }
        }

        if (chosen?.Label is not { } label || !Versions.Of(trace.Actions).Contains(label))
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
