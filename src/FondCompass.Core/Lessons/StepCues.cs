using FondCompass.Core.Calling;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Steps;
using FondCompass.Core.Told;

namespace FondCompass.Core.Lessons;

/// <summary>What is said for a step, in its three lengths: the turn as turned here, the way as gone here, the instructor's own words first (rules, section 7).</summary>
public static class StepCues
{
    /// <param name="step">The lexicon's name of what is danced.</param>
    /// <param name="wording">What the step is called where it is danced.</param>
    /// <param name="own">The instructor's own cue for this place; null when there is none.</param>
    public static CueWords Of(string step, StepWording wording, StepLexicon lexicon, string? own = null)
    {
        // The lexicon's words are said only where its name is theirs too and nothing is danced otherwise than they say; one word may name
        // another step elsewhere, so it is looked up by what is danced.
        var known = lexicon.Find(step) is { } named && string.Equals(named.Name, wording.Name, StringComparison.OrdinalIgnoreCase) ? named.Cue : null;
        var isUsual = wording.Turn.Length == 0 && wording.Way.Length == 0;
        var called = Spoken(wording.Called);
        var sentence = known is { Sentence.Length: > 0 } && isUsual ? Spoken(known.Sentence) : called;
        var keyword = known is { Keyword.Length: > 0 } ? Spoken(string.Join(' ', new[] { known.Keyword, wording.Way, wording.Turn }.Where(w => w.Length > 0))) : called;
        var single = known is { OneWord.Length: > 0 } && wording.Turn.Length == 0 ? Spoken(known.OneWord)
            : wording.Turn.Length > 0 ? Spoken(wording.Turn)
            : Spoken(wording.Name);
        return own is { Length: > 0 } ? new CueWords(Spoken(own), keyword, single) : new CueWords(sentence, keyword, single);
    }

    /// <summary>As it is said aloud: "pivot 1/4 left" is "pivot quarter left".</summary>
    private static string Spoken(string words) => new CallWords(CallTongue.English).Spoken(words);
}

/// <summary>What is said in the blocks of a lesson: sentences while it is walked, keywords while it is joined.</summary>
public sealed class BiteCues(StepLexicon lexicon)
{
    /// <summary>Keywords named for one block at the most; more is a speech.</summary>
    private const int MostKeywords = 16;

    public IReadOnlyList<string> Sentences(Bite bite) => [.. Words(bite).Select(w => w.Sentence).Where(w => w.Length > 0)];

    public IReadOnlyList<string> Keywords(IReadOnlyList<Bite> bites) => [.. bites.SelectMany(b => Words(b).Select(w => w.Keyword)).Where(w => w.Length > 0).Take(MostKeywords)];

    private IEnumerable<CueWords> Words(Bite bite)
    {
        var own = bite.Pattern.Part.Notes.Where(n => n.Kind == "cue" && n.Line >= bite.Line && n.Line <= bite.LastLine && (n.At >= bite.Dance.Start || bite.FromCount == 1) && n.At < bite.Dance.End).ToDictionary(n => n.At, n => n.Text, EqualityComparer<Counts.Tick>.Default);
        foreach (var call in bite.Actions.GroupBy(a => a.Action.Call).Select(c => c.ToList()).Where(c => c.Exists(a => a.Foot != Counts.Foot.None || a.Action.Words.Length > 0)))
        {
            yield return StepCues.Of(call[0].Action.Step, StepWording.Of(call), lexicon, own.GetValueOrDefault(call[0].At));
        }
    }
}
