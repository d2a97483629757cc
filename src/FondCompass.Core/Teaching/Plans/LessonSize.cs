using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Plans;

/// <summary>How much there is to plan: an evening's programme has a tenth of the most.</summary>
/// <param name="Lines">Lines (eights) of all dances.</param>
/// <param name="Actions">Their actions.</param>
public readonly record struct LessonSize(int Lines, int Actions)
{
    /// <summary>The most that is planned at once.</summary>
    public static readonly LessonSize Most = new(1_000, 8_000);

    public bool IsTooMuch => Lines > Most.Lines || Actions > Most.Actions;

    public static LessonSize Measure(LessonDance dance) =>
        new(dance.Analysis.Trace.Parts.Sum(p => p.Part.Lines.Count), dance.Analysis.Trace.Parts.Sum(p => p.Actions.Count));

    public static LessonSize operator +(LessonSize a, LessonSize b) => new(a.Lines + b.Lines, a.Actions + b.Actions);

    public override string ToString() => PlanTexts.LinesAndActions(Lines, Actions);
}
