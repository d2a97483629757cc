using FondCompass.Core.Actions.Placing;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Rows;

/// <summary>
/// What is to be said of the reading that a row was given: words without an owner, names with several meanings, sides and counts that
/// contradict, and whatever may have been meant otherwise (reading, section 1).
/// </summary>
internal sealed partial class RowDoubts(Dance dance, IStepNames names)
{
    /// <summary>Counts from which on one step alone, of somebody walking or of no foot, may be meant to go on.</summary>
    private const int HeldLong = 3;

    /// <summary>Letters of a wording that a message repeats.</summary>
    private const int MostShown = 60;

    public static string Shorten(string text) => text.Length > MostShown ? text[..MostShown] + "…" : text;

    /// <summary>A guess between two sensible readings.</summary>
    /// <param name="instead">The wording that means the other; empty where none is offered.</param>
    public Finding Of(StepEntry entry, Place place, Sentence message, string instead)
    {
        var row = dance.Rows[entry.Row - 1];
        return new Finding(
            ActionFindings.Doubtful,
            place with { Words = entry.Span },
            message,
            instead.Length == 0 || entry.Span.End > row.Length ? null
                : new Fix(ActionTexts.ReadItAs(Shorten(instead)), entry.Row, entry.Span.Replace(row, instead)));
    }

    public void Tell(RowReading wording, Placement placement, StepEntry entry, Place place, Action<Finding> tell)
    {
        foreach (var slip in wording.Respelled)
        {
            tell(UnknownWords.Respelled(place, slip, entry, dance.Rows[entry.Row - 1]));
        }

        foreach (var phrase in wording.Phrases)
        {
            foreach (var unread in phrase.Unread)
            {
                tell(UnknownWords.InStep(place, unread, entry));
            }

            TellSides(phrase, entry, place, tell);
        }

        if (wording.Items is [{ Main: { Otherwise.Count: > 0 } only }]
            && UnknownWords.Ambiguous(place, only, entry, dance.Header.Genre) is { } ambiguous)
        {
            tell(ambiguous);
        }

        if (wording.Styled)
        {
            TellSlips(wording, entry, place, tell);
        }

        TellHeld(wording, placement, entry, place, tell);
        TellCounts(wording, placement, entry, place, tell);
        TellPace(wording, placement, entry, place, tell);
        TellEach(wording, placement, entry, place, tell);
        TellSameFoot(wording, entry, place, tell);
        TellLayers(entry.Layers, place, tell);
    }

    /// <summary>
    /// "Stomp R twice": a foot that has taken the weight cannot go again, so the other follows; that may not be what is meant.
    /// </summary>
    private void TellSameFoot(RowReading wording, StepEntry entry, Place place, Action<Finding> tell)
    {
        if (wording.Phrases.FirstOrDefault(p =>
            p is { Times: >= 2, TimesInAll: false, Step: null, Feet: [var lead], Verb.Kind: VerbKind.Takes }
            && lead.IsSingle()
            && !p.Verb.Has(VerbTraits.Gait)
            && (p.Times == 2 || Light(p.Verb) is not null)) is { Verb: { } verb } twice)
        {
            var up = Light(verb)?.Name ?? ActionTexts.WithoutWeight(verb.Name);
            tell(Of(
                entry,
                place,
                ActionTexts.OneFootAfterTheOther(PhraseText.Write(twice), up, twice.Foot.Letter(), verb.Name),
                ""));
        }
    }

    /// <summary>The same deed without weight, where the craft has a name for it: a stomp-up.</summary>
    private static Verb? Light(Verb verb) => Verbs.Find($"{verb.Name}-up");

    /// <summary>"Jazz box R + weave R": what stands behind a plus moves no foot, and here it names a step that does.</summary>
    public void TellLayers(IReadOnlyList<LayerText> layers, Place place, Action<Finding> tell)
    {
        foreach (var layer in layers)
        {
            var read = RowReader.Read(names, layer.Text).First;
            if (read.IsRead && !read.Unread.Any() && read.Phrases.Any(NamesAStep))
            {
                tell(new Finding(
                    ActionFindings.Doubtful,
                    place,
                    ActionTexts.LayerMovesNoFoot(Shorten(layer.Text))));
            }
        }
    }

    private static bool NamesAStep(Phrase phrase) =>
        phrase.Step is not null || phrase is { Verb.Kind: VerbKind.Takes, Words.Length: > 0, Feet.Count: > 0 };

    /// <summary>"Vine R, tuch": a word kept as styling that is hardly another one.</summary>
    private void TellSlips(RowReading wording, StepEntry entry, Place place, Action<Finding> tell)
    {
        foreach (var styling in wording.Phrases.SelectMany(p => p.Layers))
        {
            var from = entry.Wording.IndexOf(styling, StringComparison.Ordinal);
            if (from < 0 || UnknownWords.Slip(styling, names) is not var (word, known))
            {
                continue;
            }

            var at = entry.Wording.IndexOf(word, from, StringComparison.OrdinalIgnoreCase);
            var instead = at < 0 ? "" : string.Concat(entry.Wording.AsSpan(0, at), known, entry.Wording.AsSpan(at + word.Length));
            tell(Of(entry, place,
                ActionTexts.StylingMayBeDanced(Shorten(styling), word, known),
                instead));
        }
    }

    /// <summary>"Step forward for 8 counts" is one step that is held, where eight may have been meant.</summary>
    private void TellHeld(RowReading wording, Placement placement, StepEntry entry, Place place, Action<Finding> tell)
    {
        if (wording.Items
            is not [{ Main: { Step: null, Verb: { Kind: VerbKind.Takes } verb, Feet.Count: <= 1, Paces.Count: 0, Turn: null } only }]
            || placement.Actions.Count != 1 || entry.Counts is not { IsRange: true, Span: var span })
        {
            return;
        }

        var isOpen = only.Feet.Count == 0 || verb.Has(VerbTraits.Gait);
        if (isOpen && (span >= HeldLong || only.Counts > 1))
        {
            tell(Of(
                entry,
                place,
                ActionTexts.OneStepHeld(Shorten(PhraseText.Write(only)), span),
                PhraseText.Write(only with { Times = span, Counts = 0 })));
        }
    }

    private void TellSides(Phrase phrase, StepEntry entry, Place place, Action<Finding> tell)
    {
        if (phrase is { Step: { Pivots: true, IsOwn: false }, Turn: null or { IsOpen: true } } && !phrase.Words.Contains(' '))
        {
            tell(Of(entry, place,
                ActionTexts.TurnAmountOpen(Shorten(phrase.Words), phrase.Turn is { Side: not 0 } ? Sentence.None : ActionTexts.NorWhichWay),
                ""));
        }

        if (phrase is { Step: { } aside, Turn: { Amount: not null, Side: 0, Target: null, Goal: TurnGoal.None, Spread: false } }
            && aside.Forms[0].Actions[0].Phrase.Direction == Direction.Side && aside.Forms[0].Actions.All(a => a.Phrase.Turn is null))
        {
            tell(Of(entry, place,
                ActionTexts.TurnSideOpen(Shorten(PhraseText.Write(phrase))),
                ""));
        }

        if (phrase is { Direction: Direction.Forward or Direction.Back, Step: { GoesAnywhere: false } fixedStep }
            && fixedStep.Forms[0].Actions[0].Phrase.Direction == Direction.Side)
        {
            tell(Of(entry, place,
                ActionTexts.WayChangesNothing(Shorten(phrase.Name), PhraseText.Words(phrase.Direction)),
                ""));
        }

        if (phrase.Way != 0
            && phrase.Feet is [var foot]
            && foot.IsSingle()
            && (foot == Foot.Right) != (phrase.Way > 0)
            && GoesAside(phrase))
        {
            var side = phrase.Way > 0 ? "right" : "left";
            tell(Of(
                entry,
                place,
                ActionTexts.SideIsTheFoots(Shorten(phrase.Name), foot.Word(), side, phrase.Name, foot.Other().Letter()),
                PhraseText.Write(phrase with { Feet = [foot.Other()], Way = 0 })));
        }
    }

    private static bool GoesAside(Phrase phrase) =>
        phrase.Step is { } step && step.Forms[0].Actions[0].Phrase.Direction is Direction.Side or Direction.Across or Direction.Behind;
}
