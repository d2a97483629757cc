using FondCompass.Wordings;
using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>
/// Known dances in the words of instructors, made at random: what comes back is the dance, or it is told that it is not (reading, section
/// 1).
/// </summary>
public class WordingsTests
{
    private const int OfEachKind = 250;

    public static TheoryData<string> Kinds => [.. new Generator(new Random(1)).Kinds.Select(k => k.Name)];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void None_is_read_otherwise_without_a_word(string kind)
    {
        var make = new Generator(new Random(20261130)).Kinds.Single(k => k.Name == kind).Make;
        var made = Enumerable.Range(0, OfEachKind).Select(_ => make()).OfType<Wordings.Wording>().Where(w => w.Length <= 8).ToList();
        var verdicts = made.ConvertAll(w => (Wording: w, Verdict: Judge.Of(w)));
        Assert.Empty(verdicts.Where(v => v.Verdict == Verdict.Silent).Select(v => v.Wording.Said));
        // Nobody is helped by a reader that tells everything: some come back, and few can not be asked.
        Assert.True(verdicts.Count(v => v.Verdict != Verdict.Unusable) > OfEachKind / 2);
        Assert.Contains(verdicts, v => v.Verdict == Verdict.Kept);
    }
}
