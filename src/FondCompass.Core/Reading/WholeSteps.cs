using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Reading;

/// <summary>"Rock back, coaster": a deed that gives its weight back is told by its first half where nothing gives it back (reading, section 1).</summary>
internal static class WholeSteps
{
    /// <summary>What a reading costs more whose deeds take a weight that nothing behind them gives back.</summary>
    private const int LeftOpen = 1;

    /// <summary>What a deed costs more to be danced whole, when what follows may itself be the weight given back ("rock forward, step L back").</summary>
    private const int MayBeGivenBack = 2;

    /// <summary>Adds to each reading the one in which such deeds are danced whole; counts, feet and what follows decide.</summary>
    public static List<Wording> Beside(List<Wording> candidates, IStepNames names)
    {
        if (!candidates.Exists(c => c.Phrases.Any(p => p.Verb?.Whole is not null)))
        {
            return candidates;
        }

        var all = new List<Wording>(candidates.Count * 2);
        foreach (var candidate in candidates)
        {
            var (whole, clear) = Complete(candidate, names);
            all.Add(whole is not null && clear ? candidate with { Cost = candidate.Cost + LeftOpen } : candidate);
            if (whole is not null)
            {
                all.Add(whole with { Cost = candidate.Cost + (clear ? 0 : MayBeGivenBack), Completed = true });
            }
        }

        return all;
    }

    private static (Wording? Whole, bool Clear) Complete(Wording wording, IStepNames names)
    {
        var items = wording.Items.ToList();
        var found = false;
        var clear = true;
        for (var i = 0; i < items.Count; i++)
        {
            var phrase = items[i].Main;
            var next = i + 1 < items.Count ? items[i + 1].Main : null;
            if (phrase is not { Verb.Whole: { } name, Feet.Count: <= 1, Turn: null, Counts: 0 } || GivesBack(next))
            {
                continue;
            }

            var words = name.Split(' ');
            if (names.Find(words, 0, words.Length, out _) is not { } step)
            {
                continue;
            }

            found = true;
            clear &= next is null or { Step: not null } or { Verb.Whole: not null };
            items[i] = new Item([phrase with { Verb = null, Step = step, Name = step.Name }, .. items[i].Together.Skip(1)]);
        }

        return (found ? wording with { Items = items } : null, clear);
    }

    /// <summary>A recover, or a wait before it.</summary>
    private static bool GivesBack(Phrase? next) =>
        next?.Verb is { } verb ? verb.Has(VerbTraits.Stays | VerbTraits.Holds) : next?.Step is { } step && step.Forms[0].Actions[0].Phrase.Verb?.Has(VerbTraits.Stays) == true;
}
