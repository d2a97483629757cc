using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Tests.Tables;
using Xunit;

namespace FondCompass.Core.Tests.Notation;

/// <summary>
/// Rows of every kind below a plain dance of two parts and a tag, and what becomes of them: rows.md beside this file. A has 16 counts, B 8
/// and the tag T 4; the song has 104. What is danced is told where it is not A round and round.
/// </summary>
public class NotationTable
{
    private const string Plain =
        "tempo 112\npart A\n1-4 vine R\n5-8 vine L\n1-8 march R x8\npart B\n1-8 rocking chair R x2\ntag T\n1-4 sway R L R L";

    private static readonly RowTable Table = new("Notation/rows.md");

    private static readonly Analysis Usual = Analysis.Analyse(Plain);

    public static TheoryData<string> Rows => Table.Written;

    [Theory]
    [MemberData(nameof(Rows))]
    public void Rows_become_what_the_table_says(string written)
    {
        var analysis = Analysis.Analyse($"{Plain}\n{written.Replace(" / ", "\n", StringComparison.Ordinal)}");
        var danced = Danced(analysis);
        Table.Check(
            written,
            string.Join("; ", Facts(analysis.Dance).Except(Facts(Usual.Dance))),
            danced == Danced(Usual) ? "" : danced,
            string.Join(' ', Told(analysis).Except(Told(Usual)).Take(6)));
    }

    private static string Danced(Analysis dance)
    {
        var run = RunUnroller.Unroll(dance.Trace, Song.Steady(104, new Bpm(112)), dance.Dance.Header.Intro);
        return string.Join(
            ", ",
            run.Stretches.Take(9).Select(s => $"{(s.IsTag ? s.Part : s.Called)} {s.FromCount}–{s.ToCount} {s.StartFacing}"));
    }

    private static IEnumerable<string> Told(Analysis dance) => dance.Findings.Select(f => $"{f.Code}:{f.Place.Row}").Distinct();

    /// <summary>What a dance says of itself besides its steps, in few words.</summary>
    private static IEnumerable<string> Facts(Dance dance)
    {
        var header = dance.Header;
        foreach (var (name, value) in new (string, object?)[]
        {
            ("title", header.Title), ("by", header.Credit), ("source", header.Source), ("permission", header.Permission),
            ("level", header.Level), ("genre", header.Genre), ("weight", header.StartWeight), ("facing", header.StartFacing),
            ("line of", header.LineCounts), ("swing", header.Swing), ("tempo", header.Tempo?.Value), ("intro", header.Intro),
            ("stride", Pages.Page.Number(header.Stride)), ("walls", header.IntendedWalls), ("mirror meant", header.MirrorMeant),
            ("layout", header.Layout), ("adapted", header.Adapted), ("changed", string.Join(", ", header.Changed)), ("lead", header.Lead),
            ("counting", header.CountStyle), ("count-in", header.CountIn), ("called", string.Join(' ', header.CountInWords)),
            ("round and round", dance.OrderLoops), ("free", dance.IsFree),
        })
        {
            if (value is not null and not false and not "")
            {
                yield return $"{name} {value}";
            }
        }

        foreach (var tag in dance.Tags.Take(4))
        {
            yield return $"{tag.Tag} after {tag.Repeat}";
        }

        foreach (var restart in dance.Restarts)
        {
            yield return $"restart {restart.Repeat} after {restart.AfterCount}";
        }

        foreach (var change in dance.OrderChanges)
        {
            yield return $"{change.Change} {change.Call}{(change.Change == CallChange.Move ? $" behind {change.To}" : "")}";
        }

        foreach (var meeting in dance.Meetings)
        {
            yield return $"{meeting.Part} on {meeting.Passage}";
        }

        foreach (var version in dance.Versions)
        {
            yield return $"repeat {version.Repeat}{(version.Onward ? " on" : "")} {version.Label}";
        }

        foreach (var step in dance.Definitions)
        {
            yield return $"{step.Name} = {step.Meaning}";
        }

        if (dance.Finish is { } finish)
        {
            yield return $"finish {finish.Count ?? "pose"} turning {finish.Turn}";
        }

        foreach (var part in dance.Parts)
        {
            yield return $"{part.Name} of {part.Entries.Count} entries{(part.IsTag ? ", a tag" : "")}";
        }
    }
}
