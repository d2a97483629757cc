using System.Globalization;
using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Composing;

/// <summary>Writes phrases in the script's own words, each thing one way: name, feet, direction, turn.</summary>
public static class PhraseText
{
    /// <summary>A whole wording: groups side by side joined by "and", phrases of a group by commas.</summary>
    public static string Write(Wording wording) =>
        string.Join(" and ", wording.Groups.Select(group => string.Join(", ", group.Select(Write))));

    public static string Write(Phrase phrase)
    {
        var words = new List<string> { phrase.Name + (phrase.Plural ? "s" : "") };
        words.AddRange(phrase.Feet.Select(f => f == Foot.Both ? "both" : f.Letter()));
        if (phrase.Direction != Direction.None)
        {
            words.Add(Words(phrase.Direction));
        }

        if (phrase.Times > 1)
        {
            words.Add($"x{phrase.Times}");
        }

        if (phrase.Slow)
        {
            words.Add("slow");
        }

        var text = string.Join(' ', words);
        if (phrase.Turn is { } turn)
        {
            text = WithTurn(phrase, text, turn);
        }

        text += phrase.Onto == Foot.None ? "" : $" onto {phrase.Onto.Letter()}";
        return phrase.Angle is null ? text : $"{text}, {(phrase.Angle.Target is { } to ? $"body to {to}" : $"angled {Amount(phrase.Angle)}")}";
    }

    /// <summary>Whether two wordings ask for the same, however they are worded.</summary>
    public static bool Same(Wording a, Wording b) =>
        a.Unreadable.Count == 0 && b.Unreadable.Count == 0 && a.Groups.Count == b.Groups.Count
        && a.Groups.Zip(b.Groups).All(g => g.First.Count == g.Second.Count && g.First.Zip(g.Second).All(p => Same(p.First, p.Second)));

    public static string Words(Direction direction) => direction switch
    {
        Direction.DiagonalForward => "diagonal forward",
        Direction.DiagonalBack => "diagonal back",
        Direction.InPlace => "in place",
        Direction.WithSun => "round with the sun",
        Direction.AgainstSun => "round against the sun",
        _ => direction.ToString().ToLower(CultureInfo.InvariantCulture),
    };

    private static bool Same(Phrase a, Phrase b) =>
        a.Name == b.Name && a.Verb == b.Verb && ReferenceEquals(a.Step, b.Step) && a.Feet.SequenceEqual(b.Feet) && a.Direction == b.Direction
        && a.Turn == b.Turn && a.Onto == b.Onto && a.Times == b.Times && a.Plural == b.Plural && a.Slow == b.Slow && a.Angle == b.Angle
        && a.Unread.SequenceEqual(b.Unread);

    private static string WithTurn(Phrase phrase, string text, Turn turn)
    {
        var amount = Amount(turn);
        if (turn.Spread)
        {
            return $"{text} turning {amount}";
        }

        if (phrase.Verb is { IsTurn: true } || phrase.Step is { Name: "pivot turn" or "monterey" or "paddle turn" })
        {
            return $"{text} {amount}";
        }

        return turn.First ? $"turn {amount}, {text}" : phrase.IsNamed ? $"{text} with {amount}" : $"{text}, turn {amount}";
    }

    private static string Amount(Turn turn)
    {
        var side = turn.Side switch { > 0 => "right", < 0 => "left", _ => "" };
        var amount = turn.Amount is { } size ? Eighths.AmountText(size) : "";
        var target = turn.Target is { } to ? $"to {to}" : "";
        return string.Join(' ', new[] { amount, side, target }.Where(w => w.Length > 0));
    }
}
