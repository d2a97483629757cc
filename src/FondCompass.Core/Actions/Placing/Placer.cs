using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Actions.Placing;

/// <summary>
/// Lays the deeds of one reading on its counts (reading, promise 2; docs/script.md, "Counts and steps"). Written counts are filled exactly:
/// what needs fewer is held or danced slowly, what needs more is fitted inside, and both are said.
/// </summary>
internal sealed partial class Placer
{
    /// <summary>Twice the counts it needs is a step danced slowly; three times and more is the step repeated.</summary>
    private const int SlowTimes = 2;

    /// <summary>Ways to fit that are compared.</summary>
    private const int MostFits = 6;

    private readonly RowReading _wording;
    private readonly CountSpec? _counts;
    private readonly Beat _next;
    private readonly WrittenFeet? _written;
    private readonly List<Placement> _found = [];
    private List<StepExpansion> _dancings = [];

    private Placer(RowReading wording, CountSpec? counts, Beat next, WrittenFeet? written) =>
        (_wording, _counts, _next, _written) = (wording, counts, next, written);

    /// <param name="wording">One reading of the row.</param>
    /// <param name="counts">The counts written; null when they follow from the steps.</param>
    /// <param name="next">Where the row begins when no counts are written.</param>
    /// <param name="written">The feet before it, when feet are to be written out, as an own step's form wants them; null where lead and
    /// trail are found when it is danced.</param>
    /// <returns>At least one way; the most natural first.</returns>
    public static IReadOnlyList<Placement> Place(RowReading wording, CountSpec? counts, Beat next, WrittenFeet? written = null) =>
        new Placer(wording, counts, next, written).Place();

    /// <summary>
    /// The steps a name can stand for here, those whose counts suit best; the one meant stands first. A mere span of counts brings in no
    /// step of a wholly other genre.
    /// </summary>
    public static IReadOnlyList<NamedStep> Meanings(Phrase phrase, CountSpec counts)
    {
        var best = Suits(phrase.Step!, counts);
        var others = phrase.Otherwise.Where(s => !counts.IsRange || s.Genres.Intersect(phrase.Step!.Genres).Any())
            .Select(s => (Step: s, Suits: Suits(s, counts)))
            .ToList();
        var most = Math.Max(best, others.Select(o => o.Suits).DefaultIfEmpty(0).Max());
        return [
            .. best == most ? [phrase.Step!] : Array.Empty<NamedStep>(),
            .. others.Where(o => o.Suits == most && most > 0).Select(o => o.Step)
        ];
    }

    /// <summary>
    /// The step that a name of several stands for on these counts: of so many dancings the one of which so many fill them.
    /// </summary>
    private static NamedStep Meant(Phrase phrase, CountSpec counts) => phrase switch
    {
        { Times: > 1 } =>
            phrase.Otherwise.Prepend(phrase.Step!).FirstOrDefault(s => s.Forms.Any(f => f.Counts * phrase.Times == counts.Span))
                ?? phrase.Step!,
        { Plural: true } => phrase.Step!,
        _ => Meanings(phrase, counts)[0],
    };

    /// <summary>2 when some form of the step fills just these counts in its own rhythm, 1 when it has an action for each, else 0.</summary>
    private static int Suits(NamedStep step, CountSpec counts) => step.Forms.Max(f =>
        counts.IsRange && f.Counts == counts.Span ? 2
        : f.Positions != counts.Positions.Count && f.Positions != counts.Split?.Count ? 0
        : counts.IsRange ? 1 : 2);

    private List<Placement> Place()
    {
        var wording = _wording;
        if (_counts is not null && wording.Items is [{ Main: { Otherwise.Count: > 0, Feet.Count: <= 1 } phrase } only]
            && Meant(phrase, _counts) is var step && step != phrase.Step)
        {
            wording = wording with { Items = [new Item([phrase with { Step = step, Name = step.Name }, .. only.Together.Skip(1)])] };
        }

        if (TellsInside(wording) is { } inside)
        {
            _dancings = StepExpansion.Expand(inside, null, false, false);
            Fit();
            _found.RemoveAll(f => f.Complaint is not null);
        }

        var repeats = wording.Items.Any(i => i.Main is { IsRepeat: true, Feet.Count: > 0 });
        foreach (var open in repeats ? new[] { false, true } : [false])
        {
            var before = _found.Count;
            _dancings = StepExpansion.Expand(
                wording,
                _counts is null ? null : _counts.IsRange ? _counts.Span : _counts.Positions.Count,
                _counts is { IsRange: true },
                open);
            if (_dancings.Count > 0)
            {
                Fit();
            }

            for (var i = before; open && i < _found.Count; i++)
            {
                _found[i] = _found[i] with { Cost = _found[i].Cost + 1 };
            }
        }

        return _found;
    }

    /// <summary>"Heel switches R L" over the counts of one: the feet are those of its inside, not of two dancings.</summary>
    private static RowReading? TellsInside(RowReading wording)
    {
        var items = wording.Items.Select(i => IsToldInside(i.Main)
            ? i with { Together = [i.Main with { Feet = [i.Main.Feet[0]] }, .. i.Together.Skip(1)] }
            : i)
            .ToList();
        return items.SequenceEqual(wording.Items) ? null : wording with { Items = items };
    }

    private static bool IsToldInside(Phrase phrase)
    {
        if (phrase is not { Step: { } step, Feet: [var lead, _, ..] feet, Times: 1 } || !lead.IsSingle())
        {
            return false;
        }

        return step.Forms.Any(f => Feet(f, lead) is var inside && (inside.SequenceEqual(feet) || InTurns(inside).SequenceEqual(feet)));
    }

    /// <summary>The feet of a form's actions, begun on a foot.</summary>
    private static List<Foot> Feet(StepForm form, Foot lead) =>
        [.. form.Actions.Where(a => a.Phrase.Foot.IsSingle()).Select(a => lead == Foot.Right ? a.Phrase.Foot : a.Phrase.Foot.Other())];

    /// <summary>The same with what one foot does several times in a row told once.</summary>
    private static IEnumerable<Foot> InTurns(List<Foot> feet) => feet.Where((f, i) => i == 0 || feet[i - 1] != f);

    private void Fit()
    {
        if (_counts is null)
        {
            Natural(Usual(withEndings: true), _next, 0, Paces()[0]);
        }
        else if (_counts.Positions.Count == 1)
        {
            OnOneCount();
        }
        else if (_counts.IsRange)
        {
            OnSpan();
        }
        else
        {
            OnPositions();
        }
    }
}
