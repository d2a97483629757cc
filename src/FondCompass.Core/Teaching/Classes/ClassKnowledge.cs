using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Teaching.Classes;

/// <summary>What kind of class it is; it decides what may be trusted while no log says more.</summary>
public enum ClassLevel
{
    Beginner,
    Improver,
    Regular,

    /// <summary>All at once; taught as the least of them need it.</summary>
    Mixed,
}

/// <summary>How well a group knows a step (rules, section 7).</summary>
public enum Familiarity
{
    New,

    /// <summary>Known with another ending, or by another name: a worse trap than a new one.</summary>
    Nearly,

    /// <summary>Taught, not yet clean.</summary>
    Seen,
    Known,
}

/// <summary>What a group knows: the steps its log names, and for all others what its level may be trusted with.</summary>
public sealed class ClassKnowledge
{
    private readonly StepLexicon _lexicon;
    private readonly ClassLevel _level;
    private readonly HashSet<string> _known;
    private readonly HashSet<string> _seen;
    private readonly Dictionary<string, HashSet<string>> _names;

    /// <param name="known">Steps as the group calls them.</param>
    /// <param name="seen">Steps that were taught and are not clean yet.</param>
    public ClassKnowledge(StepLexicon lexicon, ClassLevel level, IEnumerable<string>? known = null, IEnumerable<string>? seen = null)
    {
        _lexicon = lexicon;
        _level = level;
        var told = (known ?? []).Select(Plain).Where(n => n.Length > 0).Distinct().ToList();
        _known = [.. told.Select(StepOf)];
        _names = told.GroupBy(StepOf).ToDictionary(g => g.Key, g => g.ToHashSet());
        _seen = [.. (seen ?? []).Select(Plain).Where(n => n.Length > 0).Select(StepOf)];
    }

    private ClassKnowledge(ClassKnowledge other, StepParts parts)
    {
        (_lexicon, _level, _known, _seen, _names, _parts) = (other._lexicon, other._level, other._known, other._seen, other._names, parts);
    }

    private readonly StepParts? _parts;

    /// <summary>The same class before a dance with steps of its own: one made of steps it knows is nearly known.</summary>
    public ClassKnowledge In(Dance dance) => new(this, new StepParts(dance, _lexicon));

    public ClassLevel Level => _level;

    /// <summary>The lexicon's names of the steps that are known, to search swaps by.</summary>
    public IReadOnlySet<string> Steps => _known;

    /// <summary>
    /// The lexicon's names of all steps that nobody has to be taught: those the group is said to know, and those its level may be trusted
    /// with.
    /// </summary>
    public IReadOnlySet<string> WhatEverybodyKnows =>
        _lexicon.Steps.Where(s => s.Trust is { } asked && asked <= Trusted).Select(s => s.Name).Concat(_known).ToHashSet();

    /// <summary>What the level may be trusted with: 0 what beginners are, 1 improvers, 2 regulars.</summary>
    private int Trusted => _level switch { ClassLevel.Improver => 1, ClassLevel.Regular => 2, _ => 0 };

    /// <summary>The factor of a step's walking time: new 1, seen 0.6, known 0.25, nearly known 0.8.</summary>
    public static double Novelty(Familiarity familiarity) => familiarity switch
    {
        Familiarity.New => 1,
        Familiarity.Nearly => 0.8,
        Familiarity.Seen => 0.6,
        _ => 0.25,
    };

    /// <summary>Points of difficulty of a step that is new to a class, known otherwise, or seen and not clean yet.</summary>
    public static double PointsOf(Familiarity familiarity) => familiarity switch
    {
        Familiarity.New => 0.3,
        Familiarity.Nearly => 0.4,
        Familiarity.Seen => 0.15,
        _ => 0,
    };

    /// <summary>Points of difficulty that a step has by how new it is, for a dance whose own steps are told.</summary>
    public Func<TracedAction, double> NoveltyIn(Dance dance)
    {
        var knowledge = In(dance);
        return a => PointsOf(knowledge.Of(a));
    }

    public Familiarity Of(TracedAction action)
    {
        var name = action.Action.Step;
        if (_known.Contains(name))
        {
            var isOtherName = action.Action.Called.Length > 0
                && Plain(action.Action.Called) is var called
                && called != name
                && !_names[name].Contains(called);
            return action.Action.AltersEnding || isOtherName ? Familiarity.Nearly : Familiarity.Known;
        }

        if (_seen.Contains(name))
        {
            return Familiarity.Seen;
        }

        var own = _lexicon.Find(name);
        return own is null or { IsOwn: true } && _parts?.NamesIn(name) is { Count: > 0 } parts
            ? parts.All(Trusts) ? Familiarity.Nearly : Familiarity.New
            : !Trusts(own, action.Verb) ? Familiarity.New
            : action.Action.AltersEnding ? Familiarity.Nearly
            : Familiarity.Known;
    }

    /// <summary>
    /// Whether the class knows a step by its name, by its log or by its level; what is made of steps is known where these are.
    /// </summary>
    private bool Trusts(string name) =>
        _known.Contains(name)
            || (_lexicon.Find(name) is { IsOwn: false } step
                ? Trusts(step, step.Forms[0].Actions[0].Phrase.Verb)
                : _parts?.NamesIn(name) is { Count: > 0 } parts && parts.All(Trusts));

    private bool Trusts(NamedStep? step, Verb? verb)
    {
        var asked = step?.Trust
            ?? (verb is null ? 0
                : verb.IsHighImpact || verb.Kind is not (VerbKind.Takes or VerbKind.NoFoot) && !verb.IsStoodOnByNovices ? 1
                : 0);
        return asked <= Trusted;
    }

    private string StepOf(string name) => _lexicon.Find(name)?.Name ?? name;

    private static string Plain(string name) =>
        string.Join(' ', name.ToLowerInvariant().Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries));
}
