using System.Globalization;

namespace FondCompass.Wordings;

/// <summary>Words known dances in the ways instructors word them: each method is one class of wordings.</summary>
public sealed partial class Generator(Random random)
{
    private static readonly string[] Numbers = ["one", "two", "three", "four", "five", "six", "seven", "eight", "nine"];
    private static readonly string[] Stylings =
        [", arms up", ", look back", ", wave", ", with attitude", ", smooth and low", " with attitude", ", like a gull", " (smooth)",
            ", hands on hips", ", shoulders back", ", let it breathe", ", chin up", ", slow and heavy arms", ", snap on the last count"];

    private static readonly string[] Leaves = ["brush", "scuff", "hitch", "kick", "touch", "flick"];

    /// <summary>The classes by name, in the order in which they are told.</summary>
    public IReadOnlyList<(string Name, Func<Wording?> Make)> Kinds =>
    [
        ("a step's name", Named), ("a number of steps", Number), ("walks", Walks), ("for so many counts", For), ("a turn with a step",
            Turned), ("turns, each", Each),
        ("styling behind", Styled), ("explained", Explained), ("negation", Negated), ("ending", Ended), ("weight stated", Fact), ("joined",
            Joined), ("counts inside", Counted),
        ("letters", Letters), ("other languages", Translated), ("spread turn", Spread), ("verb left out", Elided),
        ("sent to a side", SentAside),
        ("a turn over feet", OverFeet),
        ("counts of its own", OfItsCounts),
        ("diagonals", Diagonals),
        ("beside and behind", Beside),
    ];

    private T Any<T>(IReadOnlyList<T> of) => of[random.Next(of.Count)];

    private bool Chance(int percent) => random.Next(100) < percent;

    private char AnyFoot() => Chance(60) ? 'R' : 'L';

    /// <summary>A foot as it is said.</summary>
    private string Say(char foot) =>
        Any(foot == 'R' ? ["R", "right", "right foot", "the right", "RF"] : (string[])["L", "left", "left foot", "the left", "LF"]);

    private static string Side(int way) => way > 0 ? "right" : "left";

    private static string Plural(string name) => name.EndsWith('x') || name.EndsWith("ch", StringComparison.Ordinal) || name.EndsWith('s')
        ? name + "es" : name + "s";

    /// <summary>A number as it is said: in digits or in letters.</summary>
    private string SayNumber(int number) => Chance(50) ? number.ToString(CultureInfo.InvariantCulture) : Numbers[number - 1];

    /// <summary>A name of a step; "a step" is left out, which is any step as well.</summary>
    private string Name(KnownStep step)
    {
        var names = step.Step.Aliases.Prepend(step.Step.Name).Where(n => !n.StartsWith("a ", StringComparison.Ordinal)).ToList();
        return names.Count == 0 || Chance(70) ? step.Step.Name : Any(names);
    }

    private Wording? Named()
    {
        var (step, foot) = (Any(KnownStep.All), AnyFoot());
        var name = Name(step);
        var said = Any<string>([$"{name} {Say(foot)}", $"{Say(foot)} {name}", $"{name} on the {Side(foot == 'R' ? 1 : -1)}",
            $"{name} starting {Side(foot == 'R' ? 1 : -1)}", $"{name} with the {Side(foot == 'R' ? 1 : -1)} foot",
            $"{name}, starting on {Say(foot)}", $"do a {name} {Say(foot)}", name]);
        return new Wording("a step's name", KnownStep.Other(foot), [.. step.Rows(foot, 1)], $"{step.Span(1)} {said}");
    }

    private Wording? Number()
    {
        var step = Any(KnownStep.All);
        var number = random.Next(2, 5);
        var foot = AnyFoot();
        var name = Name(step);
        var rows = Times(step, foot, number);
        var said = Any<string>([
            $"{SayNumber(number)} {Plural(name)}",
            $"{SayNumber(number)} {name}",
            $"{name} x{number}",
            $"{name} x {number}",
            $"{name} {SayNumber(number)} times",
            $"{number}x {name}",
            $"{SayNumber(number)} {Plural(name)}, starting {Side(foot == 'R' ? 1 : -1)}",
            number == 2 ? $"{name} twice" : $"{Plural(name)} x{number}"]);
        return new Wording("a number of steps", KnownStep.Other(foot), rows, $"1-{step.Counts * number} {said}");
    }

    /// <summary>A step danced so often, each time on the foot that is free.</summary>
    private static List<string> Times(KnownStep step, char foot, int number, int turn = 0)
    {
        var rows = new List<string>();
        for (var i = 0; i < number; i++)
        {
            rows.AddRange(step.Rows(foot, 1 + (i * step.Counts), turn));
            foot = step.Changes ? KnownStep.Other(foot) : foot;
        }

        return rows;
    }

    private Wording? Walks()
    {
        var (verb, gerund,
            plural) = Any([
                ("walk", "walking", "walks"), ("step", "stepping", "steps"), ("stomp", "stomping", "stomps"),
                ("run", "running", "runs")
            ]);
        var way = Any(["forward", "back"]);
        var number = Any([2, 3, 4, 6, 8]);
        var foot = AnyFoot();
        var feet = Enumerable.Range(0, number).Select(i => i % 2 == 0 ? foot : KnownStep.Other(foot)).ToList();
        var known = $"{string.Join(' ', Enumerable.Range(1, number))} {string.Join(", ", feet.Select(f => $"{verb} {f} {way}"))}";
        string List(string separator, bool words) =>
            string.Join(separator, feet.Select(f => words ? Side(f == 'R' ? 1 : -1) : f.ToString()));
        var list = List(Any([" ", ", ", " - ", "/", " and ", ", then "]), Chance(40));
        var said = Any<string>([$"{verb} {way} {list}", $"{verb} {list} {way}", $"{plural} {way} {list}", $"{verb} {way} x{number}",
            $"{SayNumber(number)} {plural} {way}",
            $"{verb} {way} {SayNumber(number)} times",
            $"{verb} {way} {number}",
            $"{gerund} {way} {list}",
            $"{verb} {way} for {SayNumber(number)}", $"{verb} {way} for {number} counts",
            $"{SayNumber(number)} {plural} {way} starting {Side(foot == 'R' ? 1 : -1)}", $"{SayNumber(number)} {way} {plural}"]);
        return new Wording("walks", KnownStep.Other(foot), [known], $"1-{number} {said}");
    }

    private Wording? For()
    {
        var step = Any([.. KnownStep.All.Where(s => s.Counts <= 4)]);
        var foot = AnyFoot();
        var name = $"{Name(step)} {foot}";
        var odd = Chance(30) ? 1 : 0;
        // Over twice its counts a step alone is danced at half the pace.
        var counts = (step.Counts * Any([1, 2])) + odd;
        var known = step.IsPlain && odd == 0
            ? step.Actions.Select((a, i) => $"{1 + (i * counts / step.Counts)} {step.Deeds(foot)[i]}").ToList()
            : [.. step.Rows(foot, 1)];
        return new Wording("for so many counts", KnownStep.Other(foot), known,
            $"1-{counts} {name} {Any(["for", "lasting", "over"])} {SayNumber(counts)} counts", step.IsPlain && odd == 0 ? Owed.TheDance
            : Owed.TheCounts, counts);
    }

    private Wording? Turned()
    {
        var step = Any([.. KnownStep.All.Where(s => s.CanTurn)]);
        var foot = AnyFoot();
        var way = Chance(50) ? 1 : -1;
        var name = $"{Name(step)} {foot}";
        var quarter = Quarter(way);
        // Only of a step that has its own place for a turn "turning" says nothing of where.
        var said = Any<string>([step.Step.TurnAt is null ? $"{name}, {quarter}" : $"{name}, turning {quarter}", $"{name} {quarter}",
            $"{name} with a {quarter}", $"{name} with {quarter}", $"{name} making a {quarter}", $"{name} (with {quarter})"]);
        return new Wording("a turn with a step", KnownStep.Other(foot), [.. step.Rows(foot, 1, way)], $"{step.Span(1)} {said}");
    }

    private string Quarter(int way) => Any([$"1/4 {Side(way)}", $"¼ {Side(way)}", $"quarter {Side(way)}", $"1/4 turn {Side(way)}",
        $"quarter turn {Side(way)}", $"1/4 turn to the {Side(way)}", $"quarter turn over the {Side(way)} shoulder"]);

    private Wording? Each()
    {
        var number = random.Next(2, 5);
        var way = Chance(50) ? 1 : -1;
        if (Chance(50))
        {
            // A pivot away from the foot that steps forward.
            var lead = way < 0 ? 'R' : 'L';
            var counts = number * 2;
            var known = Enumerable.Range(0, number)
                .Select(i => $"{(i * 2) + 1} {(i * 2) + 2} step {lead} forward, pivot 1/4 {Side(way)}")
                .ToList();
            var name = Any(["pivot", "pivot turn", "1/4 pivot"]);
            var spoken = name == "1/4 pivot"
                ? Any<string>([$"{SayNumber(number)} 1/4 pivots {Side(way)}", $"1/4 pivot {Side(way)} x{number}"])
                : Any<string>([$"{SayNumber(number)} {name}s {Side(way)}, 1/4 each", $"{SayNumber(number)} {name}s {Side(way)}, each 1/4",
                    $"{name} {Side(way)} x{number}, 1/4 each", $"{SayNumber(number)} {name}s, each turning 1/4 {Side(way)}",
                    $"{SayNumber(number)} {name}s, 1/4 {Side(way)} each"]);
            return new Wording("turns, each", KnownStep.Other(lead), known, $"1-{counts} {spoken}");
        }

        var step = Any([.. KnownStep.All.Where(s => s.CanTurn && s.Counts <= 4)]);
        var foot = AnyFoot();
        var plural = Plural(step.Step.Name);
        var said = Any<string>([
            $"{SayNumber(number)} {plural}, {Quarter(way)} each",
            $"{SayNumber(number)} {plural}, each turning 1/4 {Side(way)}",
            $"{step.Step.Name} x{number}, 1/4 {Side(way)} each", $"{SayNumber(number)} 1/4 {plural} {Side(way)}",
            $"{SayNumber(number)} {plural} turning 1/4 {Side(way)} each time"]);
        return new Wording("turns, each", KnownStep.Other(foot), Times(step, foot, number, way), $"1-{step.Counts * number} {said}");
    }

    private Wording? Styled()
    {
        var made = Any<Func<Wording?>>([Named, Number, Walks])();
        return made is null ? null : made with { Kind = "styling behind", Said = made.Said + Any(Stylings) };
    }

    private Wording? Explained()
    {
        var (step, foot) = (Any(KnownStep.All), AnyFoot());
        var deeds = step.Deeds(foot);
        var name = Any<string>([$"{Name(step)} {foot}", Name(step)]);
        var list = string.Join(Any([", ", " - "]), deeds);
        var brief = string.Join(", ", deeds.Select(d => d.Replace("step ", "", StringComparison.Ordinal)));
        var said = Any<string>([
            $"{name}: {list}", $"{name} ({list})", $"{name}: {brief}", $"{name} ({brief})", $"{name} = {list}",
            $"{name} - {list}"
        ]);
        return new Wording("explained", KnownStep.Other(foot), [.. step.Rows(foot, 1)], $"{step.Span(1)} {said}");
    }
}
