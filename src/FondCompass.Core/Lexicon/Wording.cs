using FondCompass.Core.Counts;

namespace FondCompass.Core.Lexicon;

/// <summary>
/// A row's wording as phrases. Groups run side by side at the same counts ("kick R forward and slide L back");
/// the phrases of a group follow one another.
/// </summary>
public sealed record Wording(IReadOnlyList<IReadOnlyList<Phrase>> Groups, IReadOnlyList<string> Unreadable)
{
    /// <summary>Nobody does more things than this at one count.</summary>
    private const int MostTogether = 8;

    private static readonly string[] Separators = [", ", ",", ";", " with ", " then "];

    public static Wording Read(IStepNames names, string text)
    {
        var groups = new List<IReadOnlyList<Phrase>>();
        var unreadable = new List<string>();
        // "Round with the sun" is one direction, no step with something added.
        text = text.Replace("with the sun", "sunwise", StringComparison.OrdinalIgnoreCase);
        foreach (var side in SplitSides(names, text))
        {
            var phrases = ReadSequence(names, side, unreadable);
            if (phrases.Count > 0)
            {
                if (groups.Count > 0 && phrases.Count == 1 && phrases[0].IsTurnOnly)
                {
                    groups[^1] = JoinTurns([.. groups[^1], phrases[0]]);
                }
                else
                {
                    groups.Add(phrases);
                }
            }
        }

        return new Wording(groups, unreadable);
    }

    /// <summary>Parts at " and ", save where it belongs to a step's name.</summary>
    private static List<string> SplitSides(IStepNames names, string text)
    {
        if (!text.Contains(" and ", StringComparison.OrdinalIgnoreCase))
        {
            return [text];
        }

        var words = PhraseWords.Split(text);
        for (var start = 0; start < words.Count; start++)
        {
            for (var length = Math.Min(names.LongestName, words.Count - start); length > 2; length--)
            {
                if (words.GetRange(start, length).Contains("and") && names.Find(words, start, length, out _) is not null)
                {
                    return [text];
                }
            }
        }

        return [.. text.Split(" and ", MostTogether, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)];
    }

    private static List<Phrase> ReadSequence(IStepNames names, string text, List<string> unreadable)
    {
        var phrases = new List<Phrase>();
        foreach (var segment in text.Split(Separators, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            if (OnlyFeet(segment) is { } feet && phrases.Count > 0)
            {
                phrases[^1] = phrases[^1] with { Feet = [.. phrases[^1].Feet, .. feet] };
            }
            else if (PhraseReader.Read(names, segment) is { } phrase)
            {
                phrases.Add(phrase);
            }
            else
            {
                unreadable.Add(segment);
            }
        }

        return JoinTurns(phrases);
    }

    /// <summary>A turn on its own joins the action before it, or the one after when it comes first.</summary>
    private static List<Phrase> JoinTurns(List<Phrase> phrases)
    {
        var joined = new List<Phrase>();
        Phrase? waiting = null;
        foreach (var phrase in phrases)
        {
            if (phrase.IsAngleOnly && joined.Count > 0)
            {
                joined[^1] = joined[^1] with { Angle = phrase.Angle };
            }
            else if (phrase.IsTurnOnly && joined.Count > 0 && joined[^1].Turn is null && joined[^1].Verb is not { Kind: VerbKind.NoFoot })
            {
                joined[^1] = joined[^1] with { Turn = phrase.Turn, TurnSlot = phrase.TurnSlot };
            }
            else if (phrase.IsTurnOnly && joined.Count == 0 && phrases.Count > 1 && waiting is null)
            {
                waiting = phrase;
            }
            else if (waiting is not null && phrase.Turn is null)
            {
                joined.Add(phrase with { Turn = waiting.Turn! with { First = true }, TurnSlot = waiting.TurnSlot });
                waiting = null;
            }
            else
            {
                joined.Add(phrase);
            }
        }

        if (waiting is not null)
        {
            joined.Insert(0, waiting);
        }

        return joined;
    }

    private static List<Foot>? OnlyFeet(string segment)
    {
        var feet = new List<Foot>();
        foreach (var word in PhraseWords.Split(segment))
        {
            if (!Feet.TryParse(word, out var foot))
            {
                return null;
            }

            feet.Add(foot);
        }

        return feet.Count > 0 ? feet : null;
    }
}
