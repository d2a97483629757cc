using FondCompass.Core.Measures;

namespace FondCompass.Wordings;

/// <summary>Wordings that take something away, put something in its place, or say it by other letters and other words.</summary>
public sealed partial class Generator
{
    private Wording? Negated()
    {
        var foot = AnyFoot();
        var start = KnownStep.Other(foot);
        if (Chance(25))
        {
            var verb = Any(["stomp", "step", "close"]);
            return new Wording(
                "negation",
                start,
                [$"1 {(verb == "stomp" ? "stomp-up" : "touch")} {foot}{(verb == "close" ? " beside" : "")}"],
                $"1 {verb} {foot} {Any(["without weight", "with no weight", "no weight", "without taking weight"])}");
        }

        var step = Any([.. KnownStep.All.Where(s => s.EndsOnALeave
            && s.IsPlain
            && s.Actions.Count(a => a.Phrase.Verb == s.Actions[^1].Phrase.Verb) == 1)]);
        var last = step.Actions[^1].Phrase.Verb!.Name;
        var name = $"{Name(step)} {foot}";
        if (Chance(30))
        {
            var nothing = Any(["without the turn", "with no clap", "no clap", "without a hop"]);
            return new Wording("negation", start, [.. step.Rows(foot, 1)], $"{step.Span(1)} {name}, {nothing}");
        }

        var without = Any<string>([$"without the {last}", $"no {last}", $"but no {last}", $"with no {last}", $"do not {last}",
            $"not on {step.Counts}", $"except {step.Counts}", $"leave out the {last}"]);
        return new Wording(
            "negation",
            start,
            [.. step.Rows(foot, 1, 0, d => [.. d.Take(d.Count - 1)])],
            $"{step.Span(1)} {name}{Any([" ", ", "])}{without}");
    }

    private Wording? Ended()
    {
        var foot = AnyFoot();
        var step = Any([.. KnownStep.All.Where(s => s.EndsOnALeave && s.IsPlain)]);
        var free = step.Actions[^1].Phrase.Feet[0] == Foot.Right ? foot : KnownStep.Other(foot);
        var verb = Any(Leaves);
        var name = $"{Name(step)} {foot}";
        var said = Any<string>([
            $"{name}, {verb} {free}",
            $"{name} with a {verb}",
            $"{name} and {verb} {free}",
            $"{name} ending with a {verb}",
            $"{name}, but the last count is a {verb}", $"{name}, {verb} instead of {step.Actions[^1].Phrase.Verb!.Name}",
            $"{name}, {verb} on {step.Counts}"]);
        return new Wording("ending", KnownStep.Other(foot), [.. step.Rows(foot, 1, 0, d => [.. d.Take(d.Count - 1), $"{verb} {free}"])],
            $"{step.Span(1)} {said}");
    }

    private Wording? Fact()
    {
        var (step, foot) = (Any(KnownStep.All), AnyFoot());
        var ends = step.Changes ? foot : KnownStep.Other(foot);
        var isTrue = Chance(60);
        var stated = isTrue ? ends : KnownStep.Other(ends);
        var said = Any<string>([$"(weight on {stated})", $"(weight {Side(stated == 'R' ? 1 : -1)})",
            $"(ends {Side(KnownStep.Other(stated) == 'R' ? 1 : -1)} free)"]);
        return new Wording(
            "weight stated",
            KnownStep.Other(foot),
            [.. step.Rows(foot, 1)],
            $"{step.Span(1)} {Name(step)} {foot} {said}",
            isTrue
            ? Owed.TheDance : Owed.AFinding);
    }

    private Wording? Joined()
    {
        var (first, second) = (Any(KnownStep.All), Any(KnownStep.All));
        var foot = AnyFoot();
        var then = first.Changes ? KnownStep.Other(foot) : foot;
        var joint = Any([", ", ", then ", " then ", "; ", " and then ", " / ", " + ", " ", ". ", ", and "]);
        var said = $"{Name(first)} {Say(foot)}{joint}{Name(second)} {Say(then)}";
        return new Wording("joined", KnownStep.Other(foot), [.. first.Rows(foot, 1), .. second.Rows(then, 1 + first.Counts)],
            $"1-{first.Counts + second.Counts} {said}");
    }

    private Wording? Counted()
    {
        var (step, foot) = (Any([.. KnownStep.All.Where(s => s.IsPlain)]), AnyFoot());
        var deeds = step.Deeds(foot);
        string List(Func<string, int, string> say, string separator) => string.Join(separator, deeds.Select((d, i) => say(d, i + 1)));
        var said = Any<string>([List((d, c) => $"{c} {d}", ", "), List((d, c) => $"{d} {c}", ", "), List((d, c) => $"{d} on {c}", ", "),
            List((d, c) => $"{c}: {d}", "; "), List((d, c) => $"{d} ({c})", ", "), List((d, c) => $"on {c} {d}", ", "),
            List((d, c) => $"{c} {d}", " ")]);
        return new Wording("counts inside", KnownStep.Other(foot), [.. step.Rows(foot, 1)], Chance(50) ? said : $"{step.Span(1)} {said}");
    }

    private Wording? Letters()
    {
        var made = Any<Func<Wording?>>([Named, Number, Walks, Turned, Joined])();
        if (made is null)
        {
            return null;
        }

        var said = Any<Func<string, string>>([s => s.ToUpperInvariant(), Title, s => s.Replace(" ", "  ", StringComparison.Ordinal), s => s
            .Replace(" ", "\u00A0", StringComparison.Ordinal),
                s => s + ".",
                s => s + "!",
                s => s.Replace("e", "é", StringComparison.Ordinal),
            s => s.TrimEnd() + " ...", s => s.Replace(' ', '\t')])(made.Said);
        return made with { Kind = "letters", Said = said };
    }

    private static string Title(string text) =>
        string.Join(' ', text.Split(' ').Select(w => w.Length > 0 ? char.ToUpperInvariant(w[0]) + w[1..] : w));

    private Wording? Translated()
    {
        var step = Any([.. KnownStep.All.Where(s => s.Step.Languages.Count > 0)]);
        var foot = AnyFoot();
        var (language, names) = Any([.. step.Step.Languages]);
        var name = Any(names);
        var word = (language, foot) switch
        {
            ("de", 'R') => "rechts",
            ("de", _) => "links",
            ("es", 'R') => "derecha",
            ("es", _) => "izquierda",
            ("uk", 'R') => "праворуч",
            ("uk", _) => "ліворуч",
            ("ko", 'R') => "오른발",
            ("ko", _) => "왼발",
            (_, _) => foot.ToString(),
        };
        var said = Any<string>([$"{name} {word}", $"{name} {foot}", name, language == "ko" ? $"{word} {name}" : $"{name}, {word}"]);
        return new Wording("other languages", KnownStep.Other(foot), [.. step.Rows(foot, 1)], $"{step.Span(1)} {said}");
    }

    private Wording? Spread()
    {
        var (way, foot) = (Chance(50) ? 1 : -1, AnyFoot());
        var quarters = Any([1, 2, 4]);
        var feet = Enumerable.Range(0, 4).Select(i => i % 2 == 0 ? foot : KnownStep.Other(foot)).ToList();
        var eighths = quarters * 2 / 4.0;
        if (eighths != Math.Floor(eighths))
        {
            return null;
        }

        var amount = quarters == 4 ? "full turn" : quarters == 2 ? "1/2" : "1/4";
        var each = (int)eighths == 2 ? "1/4" : "1/8";
        var known = feet.Select((f, i) => $"{i + 1} turn {each} {Side(way)}, step {f} forward").ToList();
        var list = string.Join(' ', feet);
        var said = quarters == 4
            ? Any<string>([
                $"full turn {Side(way)} over {list}",
                $"full turn {Side(way)}, {list}",
                $"walk {list} in a full circle {Side(way)}",
                $"full turn {Side(way)} stepping {list}", $"walk a full turn {Side(way)} in four steps",
                $"walk {list} turning a full turn {Side(way)}", $"4 walks making a full turn {Side(way)}"])
            : Any<string>([$"walk {list} turning {amount} {Side(way)}", $"walk {list} circling {amount} {Side(way)}",
                $"walk x4 turning {amount} {Side(way)}", $"4 walks making a {amount} turn {Side(way)}",
                $"walk round {amount} {Side(way)} in 4 steps"]);
        return new Wording("spread turn", KnownStep.Other(foot), known, $"1-4 {said}");
    }

    private Wording? Elided()
    {
        var foot = AnyFoot();
        var verb = Any(["touch", "tap", "point", "kick"]);
        var number = random.Next(2, 5);
        var ways = Enumerable.Range(0, number).Select(_ => Any(["forward", "side", "back"])).ToList();
        var known = $"{string.Join(' ', Enumerable.Range(1, number))} {string.Join(", ", ways.Select(w => $"{verb} {foot} {w}"))}";
        string Spoken(string way) => way == "forward" ? Any(["front", "forward", "fwd"]) : way == "side"
            ? Any(verb == "tap" ? ["side", "to the side"] : (string[])["side", "out", "to the side"]) : "back";
        var said = Any<string>([
            $"1-{number} {verb} {foot} {string.Join(", ", ways.Select(Spoken))}",
            $"1-{number} {verb} {foot} "
                + $"{string.Join(number == 2 ? " " : ", ", ways.Select(w => w == "side" && number == 2 ? "side" : Spoken(w)))}",
            $"1 {verb} {foot} {Spoken(ways[0])}{string.Concat(ways.Skip(1).Select((w, i) => $", {i + 2} {Spoken(w)}"))}",
            $"{string.Join(' ', Enumerable.Range(1, number))} {foot} {verb} {string.Join(", ", ways.Select(Spoken))}",
        ]);
        return new Wording("verb left out", KnownStep.Other(foot), [known], said);
    }
}
