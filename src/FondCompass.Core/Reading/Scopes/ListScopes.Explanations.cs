using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Reading.Scopes;

/// <summary>Clauses that tell the inside of the step before them.</summary>
internal sealed partial class ListScopes
{
    /// <summary>How many clauses from here tell the inside of the step before them; 0 when they do not.</summary>
    private int Explanation(int from)
    {
        if (Last is not { Step: { } step } named)
        {
            return 0;
        }

        // "Toe struts R, L, R, L": feet behind several are those of one each.
        var isSeveral = named.Plural || named.Feet.Count > 1 || step.Forms[0].Actions.Count == 1;
        var times = Math.Max(1, Math.Max(named.Times, named.Feet.Count));
        foreach (var form in step.Forms)
        {
            var once = form.Actions.Where(a => a.Phrase.Verb is { } v && !v.Has(VerbTraits.Holds)).ToList();
            foreach (var repeats in times > 1 ? new[] { times, 1 } : [1])
            {
                var actions = Enumerable.Repeat(once, repeats).SelectMany(a => a).ToList();
                var clauses = _drafts.Skip(from)
                    .TakeWhile((d, i) => !d.IsRepeat && (i == 0 || d.Joint != ClauseJoint.Colon))
                    .Take(actions.Count)
                    .ToList();
                if (clauses.Count == actions.Count && actions.Count > 1 && clauses.Zip(actions).All(p => Tells(p.First, p.Second.Phrase))
                    && !(isSeveral && clauses.TrueForAll(c => c.IsFeetOnly)))
                {
                    Explained(named, clauses);
                    return clauses.Count;
                }
            }
        }

        // Brackets that take as many counts as the step, or a part of them that goes into it: "triple (ds ds ds rs)".
        var bracketed = _drafts[from].Bracketed;
        var inside = _drafts.Skip(from)
            .TakeWhile((d, i) => d.Bracketed == bracketed && (i == 0 || d.Joint != ClauseJoint.Colon))
            .TakeWhile(d => d.HasHead)
            .ToList();
        var counts = inside.Sum(d => (d.Step?.Forms[0].Counts ?? 1) * d.Times * Math.Max(1, d.Feet.Count));
        var whole = step.Forms[0].Counts * times;
        if (inside.Count > 0
            && (inside[0].Bracketed || (inside[0].Joint == ClauseJoint.Colon && inside.Count > 1))
            && counts > 0
            && whole % counts == 0
            && inside.TrueForAll(d => d.Body is null && d.Step != step))
        {
            Explained(named, inside);
            return inside.Count;
        }

        return 0;
    }

    private static void Explained(PhraseDraft named, List<PhraseDraft> clauses)
    {
        if (named.Feet.Count == 0 && clauses[0].Feet.Count > 0)
        {
            named.Feet.Add(clauses[0].Feet[0]);
        }

        named.Turn ??= clauses.Select(c => c.Turn).FirstOrDefault(t => t is not null);
        clauses.ForEach(named.Absorb);
    }

    /// <summary>Whether a clause may tell of one action of a form: the same deed or way, as far as either is said.</summary>
    private static bool Tells(PhraseDraft clause, Phrase action)
    {
        if (clause.Step is not null || clause.Body is not null)
        {
            return false;
        }

        var verb = clause.Verb;
        var way = clause.Direction;
        if (verb is not null && verb.Has(VerbTraits.WayWord) && action.Verb is { Kind: VerbKind.Takes })
        {
            way = way == Direction.None ? verb.Default : way;
            verb = null;
        }

        var sameDeed = verb is null
            || verb == action.Verb
            || (verb.Kind == VerbKind.Takes && action.Verb is { Kind: VerbKind.Takes } && verb.Has(VerbTraits.Plain | VerbTraits.Stays));
        var own = action.Direction == Direction.None ? action.Verb?.Default ?? Direction.None : action.Direction;
        var sameWay = way == Direction.None
            || own == Direction.None
            || Near(way) == Near(own)
            || (way is Direction.Out && own is Direction.DiagonalForward or Direction.Side or Direction.DiagonalBack)
            || (way is Direction.In && own is Direction.Back or Direction.Beside or Direction.InPlace or Direction.Forward);
        return sameDeed && sameWay && (verb is not null || way != Direction.None || clause.Feet.Count > 0);
    }

    private static Direction Near(Direction way) => way switch
    {
        Direction.DiagonalForward => Direction.Forward,
        Direction.DiagonalBack => Direction.Back,
        _ => way,
    };
}
