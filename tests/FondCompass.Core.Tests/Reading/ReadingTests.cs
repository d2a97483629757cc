using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>Rows as instructors word them are danced as a dancer would (docs/reading.md); the cases stand in readings.json.</summary>
public class ReadingTests
{
    private static readonly IReadOnlyList<ReadingCase> Cases = ReadingCase.All(File.ReadAllText(Path.Combine(
        AppContext.BaseDirectory,
        "Reading",
        "readings.json")));

    public static TheoryData<string> Ids => [.. Cases.Select(c => c.Id)];

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_row_is_read_as_a_dancer_reads_it(string id)
    {
        var entry = Cases.Single(c => c.Id == id);
        var differences = entry.Differences();
        Assert.True(differences.Count == 0, $"{entry.Group}: {entry.Why}\n{entry.Script}\n{string.Join('\n', differences)}");
    }
}
