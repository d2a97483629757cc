using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Steps;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Actions.Expansion;

/// <summary>
/// An instructor's own words, kept as text: "step rope walk = step R across, step L across" adds a step, "alias harbour vine =
/// vine" another name, "rename vine = grape" the name it is shown by, "word dig = heel" the class's meaning of a word.
/// </summary>
public sealed record OwnLexicon(StepLexicon Lexicon, IReadOnlyList<NamedStep> Steps, IReadOnlyList<Finding> Findings)
{
    public static readonly FindingCode BadRow = new("OWN01", Severity.Error);
    public static readonly FindingCode UnknownMeaning = new("OWN02", Severity.Error);

    /// <summary>Rows read at the most.</summary>
    internal const int MostRows = 1_000;

    /// <param name="shipped">The steps that ship.</param>
    /// <param name="text">The instructor's rows; empty for none.</param>
    public static OwnLexicon Over(StepLexicon shipped, string text)
    {
        var findings = new List<Finding>();
        var definitions = new List<StepDefinition>();
        var names = new List<(string Name, NamedStep Step)>();
        var renamed = new Dictionary<string, string>();
        var words = new Dictionary<string, string>();
        var aliases = new List<(string Name, string Meaning, int Row, bool Shown)>();
        var rows = RowText.SplitRows(text).Rows;
        for (var i = 0; i < Math.Min(rows.Length, MostRows); i++)
        {
            var row = RowText.WithoutComment(rows[i]);
            if (row.Length == 0)
            {
                continue;
            }

            var (kind, rest) = RowText.FirstWord(row);
            var equals = rest.IndexOf('=');
            var name = equals < 0 ? "" : rest[..equals].Trim().ToLowerInvariant();
            var meaning = equals < 0 ? "" : rest[(equals + 1)..].Trim();
            if (name.Length == 0 || meaning.Length == 0 || name.Length > 60 || kind is not ("step" or "alias" or "rename" or "word"))
            {
                findings.Add(BadRow.At(
                    i + 1,
                    ActionTexts.OwnWordCannotBeRead));
            }
            else if (kind == "step")
            {
                definitions.Add(new StepDefinition(name, meaning, i + 1));
            }
            else if (kind == "word")
            {
                words[StepLexicon.Key(name)] = meaning.ToLowerInvariant();
                if (shipped.Find(meaning) is { } step)
                {
                    names.Add((name, step));
                }
                else if (Verbs.Find(meaning.ToLowerInvariant()) is null && !Vocabulary.IsDirection(meaning.ToLowerInvariant()))
                {
                    findings.Add(UnknownMeaning.At(
                        i + 1,
                        ActionTexts.OwnWordMeansNothingKnown(meaning, name)));
                }
            }
            else
            {
                aliases.Add(kind == "alias" ? (name, meaning, i + 1, false) : (meaning.ToLowerInvariant(), name, i + 1, true));
            }
        }

        var own = OwnSteps.Over(shipped, definitions, findings);
        var made = own.Steps.Where(s => s.IsOwn).ToList();
        names.AddRange(made.Select(s => (s.Name, s)));
        foreach (var (name, meaning, row, shown) in aliases)
        {
            if ((made.Find(s => string.Equals(s.Name, meaning, StringComparison.OrdinalIgnoreCase))
                ?? shipped.Find(meaning)) is not { } step)
            {
                findings.Add(UnknownMeaning.At(row, ActionTexts.OwnNameStandsForNothingKnown(meaning, name)));
                continue;
            }

            names.Add((name, shown ? step with { Name = name, Aliases = [.. step.Aliases, step.Name], IsOwn = true } : step));
            if (shown)
            {
                renamed[step.Name] = name;
            }
        }

        var steps = new List<NamedStep>(made);
        foreach (var step in shipped.Steps)
        {
            steps.Add(renamed.TryGetValue(step.Name, out var name) ? names.Find(n => n.Name == name).Step : step);
        }

        names.AddRange(renamed.Select(r => (r.Key, names.Find(n => n.Name == r.Value).Step)));
        return new OwnLexicon(
            definitions.Count + names.Count + words.Count == 0 ? shipped : shipped.With(steps, names, words),
            made,
            findings);
    }
}
