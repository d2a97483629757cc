using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Material;

/// <summary>
/// What is said in the blocks of a lesson: how each step goes while it is walked, names while steps are joined; feet are never said (calls,
/// section 1).
/// </summary>
public sealed class BiteCues(StepLexicon lexicon)
{
    /// <summary>Names told for one block at the most; more is a speech.</summary>
    private const int MostKeywords = 16;

    /// <summary>Parts of an own step that are told with its name; of more they are opened on the board.</summary>
    private const int MostParts = 8;

    /// <summary>
    /// Each phrase in full: own words first, else the name with way and turn; of a step of their own its parts, of a known one how it goes.
    /// </summary>
    public IReadOnlyList<string> Sentences(Bite bite, DanceTrace trace)
    {
        var parts = new StepParts(trace.Dance, lexicon);
        return [.. Phrases(bite, trace).Select(p => p.Own ?? Sentence(p.Phrase, p.Words, parts)).Where(w => w.Length > 0)];
    }

    public IReadOnlyList<string> Keywords(IReadOnlyList<Bite> bites, DanceTrace trace) =>
        [.. bites.SelectMany(b => Phrases(b, trace)).Select(p => p.Own ?? p.Words).Where(w => w.Length > 0).Take(MostKeywords)];

    /// <summary>
    /// The blocks of a lesson for who says less and less: a name fades with each block that has called it in its place, turns, ways that
    /// change and own words stay.
    /// </summary>
    /// <param name="blocks">In the order in which they are led.</param>
    /// <param name="traceOf">The dance of a place in the lesson, from 0.</param>
    public IReadOnlyList<LessonBlock> Faded(IReadOnlyList<LessonBlock> blocks, Func<int, DanceTrace> traceOf)
    {
        var heard = new Dictionary<int, HeardNames>();
        var faded = new List<LessonBlock>();
        foreach (var block in blocks)
        {
            if (block is not { IsDanced: true, Rule: CallRule.All, Bites.Count: > 0, Dance: { } dance })
            {
                faded.Add(block);
                continue;
            }

            var before = heard.GetValueOrDefault(dance, HeardNames.None);
            var called = block.Bites.SelectMany(b => Phrases(b, traceOf(dance))).ToList();
            heard[dance] = before.After(called.Select(c => c.Phrase));
            var say = called.Where((c, i) => c.Own is not null
                || IsStillSaid(c.Phrase, before)
                || Changes(c.Phrase, i > 0 ? called[i - 1].Phrase : null))
                .Select(c => c.Own ?? c.Words)
                .Where(w => w.Length > 0)
                .Take(MostKeywords)
                .ToList();
            faded.Add(block with
            {
                Heard = before,
                Say = block.Kind is not (BlockKind.Dance or BlockKind.Chain) ? block.Say
                    : say.Count > 0 ? say
                    : [BlockTexts.NamesAreKnown]
            });
        }

        return faded;
    }

    private static bool IsStillSaid(CallPhrase phrase, HeardNames before) =>
        before.TimesOf(phrase) is var times && (times == 0 || PhraseWorth.Faded(times) > Speech.Syllables(phrase.ShortName));

    /// <summary>A turn, another way and another side are said however well the names are known.</summary>
    private static bool Changes(CallPhrase phrase, CallPhrase? before) =>
        phrase.TurnSide != 0 || (phrase.Way.Length > 0 && phrase.Way != before?.Way) || (phrase.Side != 0 && phrase.Side != before?.Side);

    private string Sentence(CallPhrase phrase, string words, StepParts parts)
    {
        var step = phrase.Actions[0].Step;
        var known = lexicon.Find(step);
        if (phrase.Times == 1
            && phrase.Movements.Length == 0
            && (known is null or { IsOwn: true })
            && parts.Of(step) is { Count: > 0 and <= MostParts } own)
        {
            return $"{words}: {string.Join(", ", own.Select(p => p.Words))}";
        }

        // The lexicon's words are said only where its name is theirs too and nothing is danced otherwise than they say.
        return known is { IsOwn: false, Cue.Sentence: { Length: > 0 } sentence }
            && phrase is { Times: 1, Side: 0, TurnSide: 0, Way.Length: 0 }
            && string.Equals(known.Name, phrase.Name, StringComparison.OrdinalIgnoreCase)
            ? sentence : words;
    }

    private readonly Dictionary<object, List<(CallPhrase Phrase, string Words, string? Own)>> _phrases =
        new(ReferenceEqualityComparer.Instance);

    /// <summary>
    /// The phrases of a bite, each with the fullest words there are for it, and with the instructor's own for its place; one bite stands in
    /// many blocks.
    /// </summary>
    private List<(CallPhrase Phrase, string Words, string? Own)> Phrases(Bite bite, DanceTrace trace)
    {
        if (!_phrases.TryGetValue(bite, out var known))
        {
            known = _phrases[bite] = Cut(bite, trace);
        }

        return known;
    }

    private List<(CallPhrase Phrase, string Words, string? Own)> Cut(Bite bite, DanceTrace trace)
    {
        var tongue = CallTongue.For(trace.Dance, lexicon);
        var (stretch, first) = (bite.Stretch, bite.Pattern.StateBefore(bite.Dance.Start));
        var (end, turn) = stretch.End(first.Weight);
        var danced = new RunStretch(false, 1, stretch, 0, stretch.Counts, first.Weight, first.Facing, end, first.Facing + turn, false);
        var run = new DanceRun
        {
            Trace = trace,
            Song = Song.Steady(Math.Max(1, stretch.Counts), new Measures.Bpm(Bites.UsualTempo)),
            Start = 0,
            Stretches = [danced],
            Repeats = [],
            Events = [],
            Ending = null,
            Findings = []
        };
        var words = new CallWords(tongue);
        var own = RunTimeline.NotesOf(run, danced).Where(n => n.Kind == "cue").ToList();
        var said = new List<(CallPhrase, string, string?)>();
        foreach (var (_, actions) in RunTimeline.ByStretch(run, [danced]))
        {
            foreach (var phrase in new PhraseCutter(trace.Dance.Header, lexicon, tongue).Cut(danced, actions))
            {
                var cue = own.Find(n => n.SongCount >= phrase.From && n.SongCount < phrase.To);
                said.Add((phrase, words.Of(phrase, goesOn: false).Select(w => w.Words).FirstOrDefault(""), cue is null
                    ? null
                    : words.Spoken(cue.Text)));
            }
        }

        return said;
    }
}
