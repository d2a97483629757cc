namespace FondCompass.Web.Drawing.Rulers;

/// <summary>
/// What a line is drawn on, in drawing units: on a wide one an eight lies in one row and its needle at the end; on a narrow one, a phone's
/// or a list's, it is folded, so that its words stay as large as the page's.
/// </summary>
/// <param name="Fold">Counts in a row at the most; null when a line is not folded.</param>
public sealed record RulerPaper(double Width, double Tail, int? Fold)
{
    /// <summary>Units before the first count, for the line's number and the names of the lanes.</summary>
    public const double Gutter = 40;

    /// <summary>Where a pick-up begins at the earliest, behind the line's number.</summary>
    public const double PickUps = 22;

    /// <summary>The browser says by this cookie that it has room for the narrow one only.</summary>
    public const string Cookie = "fond-paper";

    public static readonly RulerPaper Wide = new(880, 88, null);

    public static readonly RulerPaper Narrow = new(360, 0, 4);

    public static RulerPaper AskedBy(HttpRequest request) => request.Cookies[Cookie] == "narrow" ? Narrow : Wide;

    /// <summary>Counts in a row of a line: four where eights are danced, three in sixes.</summary>
    public int CountsInRow(int widest) =>
        Fold is not { } most || widest <= most ? widest : widest % most != 0 && widest % (most - 1) == 0 ? most - 1 : most;

    public double NotchWidth(int widest) => (Width - Gutter - Tail) / CountsInRow(widest);
}

/// <summary>
/// One row of a folded line, or the whole of one that is not: which of its counts, and where they begin and end in the line's drawing.
/// </summary>
/// <param name="FirstCount">From 1.</param>
public sealed record RulerRow(int FirstCount, double From, double To, bool IsFirst, bool IsLast)
{
    /// <summary>
    /// Whether something that stands at a place of the line is in this row; what comes before the line's first count is in the first.
    /// </summary>
    public bool Holds(double x) => (IsFirst || x >= From) && (IsLast || x < To);

    public bool Meets(double x, double width) => (IsFirst || x + width > From) && (IsLast || x < To);
}
