using System.Globalization;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Reading;

/// <summary>Writes phrases in the script's own words, each thing one way: name, feet, direction, turn.</summary>
public static class PhraseText
{
    /// <summary>A whole wording: deeds at one time joined by "and", one after another by commas.</summary>
    public static string Write(RowReading wording) =>
        string.Join(", ", wording.Items.Select(item => string.Join(" and ", item.Together.Select(Write))));

    /// <summary>The same with every repeat spelled out, so that it can be read in one way only.</summary>
    public static string Spell(RowReading wording) =>
        wording.Items.Count < 2 ? Write(wording) : Write(wording with { Items = [.. wording.Items.SelectMany(Spelled)] });

    private static IEnumerable<Item> Spelled(Item item)
    {
        if (item.Main is not { Times: > 1 and <= 16, TimesInAll: false } main)
        {
            return [item];
        }

        return Enumerable.Range(0, main.Times).Select(i => item with
        {
            Together = [
                main with { Times = 1, Feet = i > 0 && main.Verb is { Kind: VerbKind.Takes } ? [] : main.Feet },
                .. item.Together.Skip(1)
            ],
        });
    }

    public static string Write(Phrase phrase)
    {
        if (phrase.IsBody)
        {
            return phrase.Words.Length > 0 && phrase.Words != phrase.Name
                ? phrase.Words + (phrase.Times > 1 && !phrase.Words.Contains('x') ? $" x{phrase.Times}" : "")
                : phrase.Name;
        }

        var words = new List<string>();
        if (phrase is { TimesInAll: true, Times: > 1 })
        {
            words.Add(phrase.Times.ToString(CultureInfo.InvariantCulture));
        }

        words.AddRange(phrase.Paces.Where(p => p != Pace.Own).Select(p => p == Pace.Slow ? "slow" : "quick"));
        words.Add((phrase.Manner is { } manner ? manner.Name + " " : "") + (phrase.Plural || phrase is { TimesInAll: true, Times: > 1 }
            ? Plural(phrase.Name) : phrase.Name));
        if (phrase.OnStandingFoot)
        {
            words.Add("on");
        }

        words.AddRange(phrase.Feet.Select(f => f == Foot.Both ? "both" : f.Letter()));
        if (phrase.Crossing != Foot.None)
        {
            words[^1] += $", {phrase.Crossing.Letter()}";
        }

        if (phrase.Direction != Direction.None)
        {
            words.Add(Words(phrase.Direction));
        }

        if (phrase.Way != 0)
        {
            words.Add(phrase.Way > 0 ? "to the right" : "to the left");
        }

        if (phrase is { TimesInAll: false, Times: > 1 })
        {
            words.Add($"x{phrase.Times}");
        }

        var text = string.Join(' ', words);
        if (phrase.Turn is { } turn)
        {
            text = WithTurn(phrase, text, turn);
        }

        text += string.Concat(phrase.Without.Select(v => $", no {v.Name}"));
        text += phrase.Onto == Foot.None ? "" : $" onto {(phrase.Onto == Foot.Both ? "both" : phrase.Onto.Letter())}";
        return phrase.Angle is null
            ? text
            : $"{text}, {(phrase.Angle.Target is { } to ? $"body to {to}" : $"angled {Amount(phrase.Angle)}")}";
    }

    /// <summary>Whether two wordings ask for the same, however they are worded.</summary>
    public static bool Same(RowReading a, RowReading b) =>
        a.Unreadable.Count == 0 && b.Unreadable.Count == 0 && a.Items.Count == b.Items.Count
        && a.Items.Zip(b.Items)
            .All(i => i.First.Together.Count == i.Second.Together.Count
                && i.First.Together.Zip(i.Second.Together).All(p => Same(p.First, p.Second)));

    public static string Words(Direction direction) => direction switch
    {
        Direction.DiagonalForward => "diagonal forward",
        Direction.DiagonalBack => "diagonal back",
        Direction.InPlace => "in place",
        Direction.WithSun => "round with the sun",
        Direction.AgainstSun => "round against the sun",
        _ => direction.ToString().ToLower(CultureInfo.InvariantCulture),
    };

    internal static bool Same(Phrase a, Phrase b) =>
        a.Name == b.Name
            && a.Verb == b.Verb
            && ReferenceEquals(a.Step, b.Step)
            && a.Feet.SequenceEqual(b.Feet)
            && a.Direction == b.Direction
            && a.Way == b.Way
        && a.Turn == b.Turn
        && a.Onto == b.Onto
        && a.Times == b.Times
        && a.TimesInAll == b.TimesInAll
        && a.Plural == b.Plural
        && a.Paces.SequenceEqual(b.Paces)
        && a.Angle == b.Angle
        && a.Crossing == b.Crossing && ReferenceEquals(a.Manner, b.Manner) && a.OnStandingFoot == b.OnStandingFoot
            && a.Without.SequenceEqual(b.Without) && (!a.IsBody || a.Words == b.Words)
        && a.Layers.SequenceEqual(b.Layers)
        && a.Counts == b.Counts
        && a.Unread.Select(u => u.Text).SequenceEqual(b.Unread.Select(u => u.Text));

    /// <summary>The plural of an English name: "touches", "marches", "vines".</summary>
    public static string Plural(string name) =>
        name
            + (name.EndsWith("ch", StringComparison.Ordinal)
                || name.EndsWith("sh", StringComparison.Ordinal)
                || name[^1] is 's' or 'x' or 'z'
                ? "es"
                : "s");

    private static string WithTurn(Phrase phrase, string text, Turn turn)
    {
        var amount = Amount(turn);
        if (turn.Each)
        {
            return $"{text}, each turning {amount}";
        }

        if (turn.Spread || (phrase.Verb is { Kind: VerbKind.NoFoot, IsTurn: false } && !turn.First))
        {
            return $"{text} turning {amount}";
        }

        if (phrase.Verb is { IsTurn: true } || phrase.Step is { } step && step.Forms[0].Actions.Any(a => a.Phrase.TurnSlot))
        {
            return phrase.Verb is { } verb && verb.Has(VerbTraits.BareTurn) && turn.IsOpen && turn.Side == 0 ? text : $"{text} {amount}";
        }

        var on = turn.On > 0
            ? $" on the {Ordinals[Math.Min(turn.On, Ordinals.Length) - 1]}"
            : turn.On < 0 ? " on the last"
            : "";
        return turn.First ? $"turn {amount}, {text}"
            : phrase.IsNamed ? $"{text} with {(turn.Amount is null ? "turn " : "")}{amount}{on}"
            : $"{text}, turn {amount}{on}";
    }

    private static readonly string[] Ordinals = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth"];

    private static string Amount(Turn turn)
    {
        var side = turn.Side switch { > 0 => "right", < 0 => "left", _ => "" };
        var amount = turn.Amount is { } size ? Eighths.AmountText(size) : "";
        var target = turn.Target is { } to ? $"to {to}" : turn.Goal switch
        {
            TurnGoal.SideWall => "to the side wall",
            TurnGoal.Corner => "to the corner",
            TurnGoal.SameWall => "to the same wall",
            TurnGoal.NextWall => "to the next wall",
            TurnGoal.OppositeWall => "to the opposite wall",
            _ => "",
        };
        return string.Join(' ', new[] { amount, side, target }.Where(w => w.Length > 0));
    }
}
