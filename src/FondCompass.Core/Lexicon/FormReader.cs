using FondCompass.Core.Notation;

namespace FondCompass.Core.Lexicon;

/// <summary>
/// Reads a form of a step in the lexicon's short hand: "1&amp;2: step R forward*; close L; step R forward*". R is the lead.
/// A star after a direction or a turn marks what the dance may replace.
/// </summary>
public static class FormReader
{
    /// <exception cref="FormatException">The form is not readable; shipped data only.</exception>
    public static StepForm Read(IStepNames names, string text)
    {
        var colon = text.IndexOf(':');
        if (colon < 0 || CountsReader.TryRead(text[..colon], 8, null, out var counts, out _) != CountsOutcome.Read)
        {
            throw new FormatException($"The form '{text}' must begin with its counts, such as '1-4:'.");
        }

        var positions = counts!.Positions;
        var pieces = text[(colon + 1)..].Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        if (counts.Split is not null && counts.Split.Count == pieces.Length)
        {
            positions = counts.Split;
        }

        if (pieces.Length != positions.Count)
        {
            throw new FormatException($"The form '{text}' has {positions.Count} counts and {pieces.Length} actions.");
        }

        var actions = new List<FormAction>();
        for (var i = 0; i < pieces.Length; i++)
        {
            var wording = Wording.Read(names, pieces[i]);
            if (wording.Unreadable.Count > 0 || wording.Groups.Any(g => g.Count != 1 || g[0].Unread.Count > 0))
            {
                throw new FormatException($"The action '{pieces[i]}' of the form '{text}' cannot be read.");
            }

            var at = positions[i].ToTick(swing: false, bothInCount: false);
            actions.AddRange(wording.Groups.Select(g => new FormAction(g[0], at)));
        }

        return new StepForm(actions, positions[^1].Number);
    }
}
