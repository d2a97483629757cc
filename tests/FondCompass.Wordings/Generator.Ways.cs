namespace FondCompass.Wordings;

/// <summary>
/// Where feet go and how long they take: sides, diagonals, what is brought beside, crossed behind, or lasts its own counts.
/// </summary>
public sealed partial class Generator
{
    /// <summary>Several steps that are sent to one side: the foot of that side goes there, the other across.</summary>
    private Wording? SentAside()
    {
        var (verb, plural) = Any([("walk", "walks"), ("step", "steps"), ("run", "runs")]);
        var (way, foot, number) = (Chance(50) ? 1 : -1, AnyFoot(), Any([2, 3, 4, 6, 8]));
        var known = Enumerable.Range(0, number).Select(i => i % 2 == 0 ? foot : KnownStep.Other(foot))
            .Select(f => $"{verb} {f} {((f == 'R') == (way > 0) ? "side" : "across")}");
        var side = $"to the {Side(way)}";
        var lead = Any<string>([$"starting {Side(foot == 'R' ? 1 : -1)}", $"starting on {foot}"]);
        var said = Any<string>([$"{verb} {foot} x{number} {side}", $"{verb} {side} {foot} x{number}", $"{verb} {foot} {side} x{number}",
            $"{SayNumber(number)} {plural} {side}, {lead}", $"{verb} {foot} {side} {SayNumber(number)} times"]);
        return new Wording(
            "sent to a side",
            KnownStep.Other(foot),
            [$"{string.Join(' ', Enumerable.Range(1, number))} {string.Join(", ", known)}"],
            $"1-{number} {said}")
        {
            WithWays = true
        };
    }

    /// <summary>A turn that several feet make: none of them goes across.</summary>
    private Wording? OverFeet()
    {
        var (foot, number) = (AnyFoot(), Any([2, 3, 4]));
        var way = Side(Chance(50) ? 1 : -1);
        var feet = string.Join(' ', Enumerable.Range(0, number).Select(i => i % 2 == 0 ? foot : KnownStep.Other(foot)));
        string[] turns = number switch { 2 => ["1/2", "1/2"], 3 => ["1/4", "3/8", "3/8"], _ => ["1/4", "1/4", "1/4", "1/4"] };
        var said = Any<string>([
            $"full turn {way} over {feet}", $"turn full {way} over {feet}", $"full turn {way}, over {feet}",
            $"full turn to the {way} over {feet}"
        ]);
        return new Wording(
            "a turn over feet",
            KnownStep.Other(foot),
            [.. turns.Select((t, i) => $"{i + 1} step {(i % 2 == 0 ? foot : KnownStep.Other(foot))} turning {t} {way}")],
            $"1-{number} {said}")
        {
            WithWays = true
        };
    }

    /// <summary>A list in which single movements are said to last their own counts.</summary>
    private Wording? OfItsCounts()
    {
        var (at, foot) = (1, AnyFoot());
        var (known, said) = (new List<string>(), new List<string>());
        for (var i = 0; i < 3; i++)
        {
            var lasts = Any([1, 2, 3]);
            var deed = $"{Any(["step", "sway"])} {foot}";
            known.AddRange(lasts == 1
                ? [$"{at} {deed}"]
                : [$"{at} {deed}", lasts == 2 ? $"{at + 1} hold" : $"{at + 1}-{at + lasts - 1} hold"]);
            said.Add(lasts == 1
                ? deed
                : $"{deed} "
                    + $"{Any([$"for {lasts} counts", $"for {SayNumber(lasts)}", $"({lasts} counts)", $"for {SayNumber(lasts)} counts"])}");
            (at, foot) = (at + lasts, KnownStep.Other(foot));
        }

        return new Wording(
            "counts of its own",
            said[0].Contains('L') ? 'R' : 'L',
            known,
            $"1-{at - 1} {string.Join(", ", said)}",
            Owed.TheDance,
            at - 1);
    }

    /// <summary>Which diagonal it is: the side is no second foot.</summary>
    private Wording? Diagonals()
    {
        var foot = AnyFoot();
        var (side, back) = (Side(foot == 'R' ? 1 : -1), Chance(30));
        var (deed, counts) = Any([("step", "1"), ("shuffle", "1&2"), ("touch", "1"), ("kick", "1")]);
        var on = Any([
            $"on the {side} diagonal", $"to the {side} diagonal", $"toward the {side} diagonal", "diagonally", "on the diagonal"
        ]);
        return back && deed != "step" ? null : new Wording("diagonals", KnownStep.Other(foot),
            [$"{counts} {deed} {foot} diagonal {(back ? "back" : "forward")}"],
            $"{counts} {deed} {foot} {(back ? Any([$"back on the diagonal", "diagonally back", $"to the back {side} diagonal"]) : on)}")
        { WithWays = true };
    }

    /// <summary>A step to the side, and the other foot beside, behind or in front of it, in the words of many.</summary>
    private Wording? Beside()
    {
        var foot = AnyFoot();
        var other = KnownStep.Other(foot);
        var (known, said) = Any<(string, string[])>([
            ($"close {other}", [
                $"close {other} to {foot}", $"slide {other} together", $"step {other} together", $"bring {other} together",
                $"{other} together", $"step {other} next to {foot}", $"step {other} beside {foot}"
            ]),
            ($"drag {other} beside", [
                $"drag {other} to {foot}", $"slide {other} next to {foot}", $"slide {other} up to {foot}",
                $"drag {other} beside"
            ]),
            ($"step {other} behind", [
                $"step {other} behind {foot}", $"cross {other} behind", $"step {other} across behind",
                $"step {other} crossed behind {foot}", $"{other} behind", $"cross {other} behind {foot}"
            ]),
            ($"cross {other} across", [
                $"cross {other} over {foot}", $"cross {other} in front", $"cross {other} over",
                $"cross {other} in front of {foot}"
            ]),
        ]);
        return new Wording(
            "beside and behind",
            KnownStep.Other(foot),
            [$"1 step {foot} side", $"2 {known}"],
            $"1-2 step {foot} {Any(["side", "to the side", "out to the side"])}, {Any(said)}")
        {
            WithWays = true
        };
    }
}
