namespace FondCompass.Core.Calling;

/// <summary>What kind of thing is said (calls, section 1).</summary>
public enum CueForm
{
    /// <summary>The instructor's own words.</summary>
    Own,

    /// <summary>The name by itself.</summary>
    Name,

    /// <summary>The name with its way, its turn, or how many.</summary>
    Full,

    /// <summary>The turn or the way alone.</summary>
    Key,

    /// <summary>A foot before the name, where the caller's way says feet.</summary>
    Foot,

    /// <summary>Names said on the beat.</summary>
    Rhythm,

    /// <summary>Counts said on the beat.</summary>
    Count,

    /// <summary>What changes, told within the eight before.</summary>
    Structural,

    /// <summary>Left out: there is no time to say it.</summary>
    None,
}

/// <summary>One thing said, for one moment of the song.</summary>
/// <param name="Words">Empty where it is left out.</param>
/// <param name="At">Seconds of the song at full rate at which it begins; negative in the count-in.</param>
/// <param name="Until">Seconds of the song at which it ends.</param>
/// <param name="StepAt">Seconds of the song at which what it is for begins.</param>
/// <param name="Needs">Seconds of the clock that the words take.</param>
/// <param name="Room">Seconds of the clock from the end of what was said before to the step.</param>
/// <param name="From">Song count at which what it covers begins.</param>
/// <param name="To">Song count at which that ends, half-open.</param>
/// <param name="Best">What would be said with all the time there is; empty where that is not another.</param>
/// <param name="Why">Why it is said so, or left out, in words.</param>
public sealed record SheetCue(
    int Repeat,
    string Part,
    int Line,
    string Count,
    string Step,
    string Words,
    CueForm Form,
    double At,
    double Until,
    double StepAt,
    double Needs,
    double Room,
    double From, double To, string Best, string Why)
{
    /// <summary>Fewer words are said than would be with more time.</summary>
    public bool IsShortened => Words.Length > 0 && Best.Length > 0 && Best != Words;

    /// <summary>Of what arms, hips, head or voice do on top of the feet, its kind; else empty.</summary>
    public string Layer { get; init; } = "";

    /// <summary>It is not over before what it is for begins: what must be said takes more time than there is.</summary>
    public bool IsLate => Words.Length > 0 && !IsBeat && Until > StepAt + 1e-6;

    public bool IsOwn => Form == CueForm.Own;

    /// <summary>Said on the beat, in what calls leave free.</summary>
    public bool IsBeat => Form is CueForm.Count or CueForm.Rhythm;
}
