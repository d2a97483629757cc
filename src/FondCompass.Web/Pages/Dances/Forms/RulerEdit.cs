using FondCompass.Core.Editing;
using FondCompass.Core.Steps;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Pages.Dances.Forms;

/// <summary>A change asked for on the ruler: what is to be done, and to what.</summary>
public sealed record RulerEdit
{
    /// <summary>insert, replace, longer, split, duplicate, mirror, remove, earlier, later, moveto, paste, copy, cut, newpart.</summary>
    public string Act { get; init; } = "";

    /// <summary>step, line or part.</summary>
    public string On { get; init; } = "step";

    /// <summary>Text row of the step, from 1.</summary>
    public int Row { get; init; }

    public string Part { get; init; } = "";

    public int Line { get; init; } = 1;

    public int Count { get; init; } = 1;

    /// <summary>Counts by which it grows, or that a new step takes.</summary>
    public int By { get; init; } = 1;

    /// <summary>The words of a new step.</summary>
    public string Words { get; init; } = "";

    /// <summary>What was cut or copied before.</summary>
    public string Taken { get; init; } = "";

    public EditResult Apply(string script, StepLexicon lexicon) => On switch
    {
        _ when Act == "newpart" => BlockEdits.NewPart(script, lexicon),
        "step" => OnStep(script, lexicon),
        "line" when Block is { } act => BlockEdits.Line(script, lexicon, Part, Line, act, Taken),
        "part" when Block is { } act => BlockEdits.Part(script, lexicon, Part, act, Taken),
        _ => Unknown(script),
    };

    private BlockAct? Block => Act switch
    {
        "copy" => BlockAct.Copy,
        "cut" or "remove" => BlockAct.Cut,
        "duplicate" => BlockAct.Duplicate,
        "mirror" => BlockAct.Mirror,
        "earlier" => BlockAct.Earlier,
        "later" => BlockAct.Later,
        "paste" => BlockAct.Paste,
        _ => null,
    };

    private EditResult OnStep(string script, StepLexicon lexicon) => Act switch
    {
        "insert" => StepEdits.Insert(script, lexicon, Part, Line, Count, By, Words),
        "replace" => StepEdits.Replace(script, lexicon, Row, Words),
        "longer" => StepEdits.Lengthen(script, lexicon, Row, By),
        "split" => StepEdits.Split(script, lexicon, Row),
        "duplicate" => StepEdits.Duplicate(script, lexicon, Row),
        "mirror" => StepEdits.Mirror(script, lexicon, Row),
        "remove" or "cut" => StepEdits.Remove(script, lexicon, Row),
        "copy" => StepEdits.Remove(script, lexicon, Row) with { Script = script, Row = Row },
        "earlier" => StepEdits.Move(script, lexicon, Row, -1),
        "later" => StepEdits.Move(script, lexicon, Row, 1),
        "moveto" => StepEdits.MoveTo(script, lexicon, Row, Part, Line, Count),
        "paste" => StepEdits.Paste(script, lexicon, Part, Line, Count, Taken),
        _ => Unknown(script),
    };

    private EditResult Unknown(string script) =>
        new(script, Math.Max(1, Row), DancePageTexts.CannotBeDoneHere);
}
