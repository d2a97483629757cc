using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Application.Boards;

/// <summary>Moves that can be called without an order.</summary>
/// <param name="Eight">Counts after which a call may change.</param>
/// <param name="LeftOut">Names that are no steps that go into an eight.</param>
/// <param name="Facings">The eight ways to face in words, from the front to the right.</param>
/// <param name="CountIn">Counts of its count-in.</param>
/// <param name="Weight">The foot that holds the weight before the first move.</param>
/// <param name="Between">What is danced where no move can follow.</param>
public sealed record BoardLive(
    int Eight,
    double Bpm,
    IReadOnlyList<BoardMove> Moves,
    IReadOnlyList<string> LeftOut,
    bool IsRing,
    IReadOnlyList<string> Facings,
    int CountIn,
    string Weight,
    string Between)
{
    public static BoardLive From(LiveMoves live, IReadOnlyList<string> leftOut, LessonDance dance) => new(
        live.Eight, dance.Tempo, [.. live.Moves.Select((m, i) => new BoardMove(
            i,
            m.Name,
            m.Difficulty,
            Speech.Usual.Seconds(m.Name),
            [.. m.Eights.Select(e => BoardMoveEight.From(e))],
            m.Parts,
            [.. m.Layers.Select(l => new BoardMoveLayer(l.From, l.To, LessonWords.Say(l.Layer.Kind), l.Layer.Text))]))],
        leftOut,
        FacingWords.IsRing(dance.Analysis.Dance.Header),
        FacingWords.All(dance.Analysis.Dance.Header),
        BoardRules.LiveCountIn(live.Eight),
        BoardRules.LiveWeight.Letter(),
        DeskTexts.MarchOnTheSpot);
}

/// <param name="Needs">Seconds that it takes to say its name.</param>
/// <param name="Parts">How it goes, one level at a time.</param>
public sealed record BoardMove(
    int Number,
    string Name,
    double Difficulty,
    double Needs,
    IReadOnlyList<BoardMoveEight> Eights,
    IReadOnlyList<StepPart> Parts,
    IReadOnlyList<BoardMoveLayer> Layers);

/// <summary>What a move has on top of the feet, from a count of it, from 0, to another.</summary>
public sealed record BoardMoveLayer(double From, double To, string Kind, string Words);

/// <summary>One eight of a move from one weight.</summary>
/// <param name="Turn">In eighths, to the right.</param>
/// <param name="PickUp">Counts before its first that it begins with.</param>
/// <param name="Counts">Its length, whole eights.</param>
/// <param name="Free">Counts at its end in which nothing moves.</param>
/// <param name="Steps">What moves on which count, from 0, with the foot.</param>
public sealed record BoardMoveEight(
    string Begins,
    string Ends,
    int Turn,
    string Side,
    int Counts,
    double PickUp,
    double Free,
    IReadOnlyList<BoardMoveStep> Steps)
{
    public static BoardMoveEight From(LiveEight eight) => new(
        eight.Begins.Letter(),
        eight.Ends.Letter(),
        eight.Turn.Value,
        eight.Stretches[0].Mirrored ? DeskTexts.OtherSideBoard : Sentence.None,
        eight.Stretches.Sum(s => s.Counts),
        eight.PickUp,
        eight.Free,
        StepsOf(eight));

    private static string LetterOf(Foot foot) => foot == Foot.None ? "" : foot.Letter();

    private static List<BoardMoveStep> StepsOf(LiveEight eight)
    {
        List<LiveStep> steps = [.. eight.Steps];
        return [.. steps.Select((s, i) => new BoardMoveStep(
            s.Count,
            s.Words,
            LetterOf(s.Foot),
            LetterOf(s.After.FreeFoot()),
            eight.TurnedAfter(i, steps.Count)))];
    }
}

/// <param name="Free">The foot that is free behind it; empty where nobody knows.</param>
/// <param name="Turned">Eighths to the right since the eight began.</param>
public sealed record BoardMoveStep(double Count, string Words, string Foot, string Free, int Turned);
