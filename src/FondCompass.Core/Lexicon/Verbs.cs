using System.Collections.Frozen;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Lexicon;

/// <summary>The verbs that the trace knows, read from verbs.yaml.</summary>
public static class Verbs
{
    private static readonly FrozenDictionary<string, (Verb Verb, bool Part)> ByWord = Build();

    public static Verb Step { get; } = ByWord["step"].Verb;

    public static Verb Hold { get; } = ByWord["hold"].Verb;

    public static Verb Turn { get; } = ByWord["turn"].Verb;

    public static Verb Pivot { get; } = ByWord["pivot"].Verb;

    /// <summary>Arms, hips, head: the feet are carried through.</summary>
    public static Verb Body { get; } = ByWord["body"].Verb;

    /// <summary>A move that is called by a name and that nobody has explained: its feet are not known.</summary>
    public static Verb NamedMove { get; } = ByWord["named move"].Verb;

    public static Verb Rock { get; } = ByWord["rock"].Verb;

    public static Verb Recover { get; } = ByWord["recover"].Verb;

    public static Verb Close { get; } = ByWord["close"].Verb;

    public static Verb StompUp { get; } = ByWord["stomp-up"].Verb;

    public static Verb Stomp { get; } = ByWord["stomp"].Verb;

    public static Verb Touch { get; } = ByWord["touch"].Verb;

    public static Verb Toe { get; } = ByWord["toe"].Verb;

    public static Verb Swivel { get; } = ByWord["swivel"].Verb;

    public static Verb Heel { get; } = ByWord["heel"].Verb;

    public static Verb Drop { get; } = ByWord["drop"].Verb;

    /// <summary>All canonical verbs.</summary>
    public static IEnumerable<Verb> All => ByWord.Values.Select(v => v.Verb).Distinct();

    /// <summary>Finds the verb for a word as people write it: "touches", "stepping", "stomp-up".</summary>
    public static Verb? Find(string word) => Find(word, out _);

    /// <param name="plural">Whether the word stood in the plural ("claps").</param>
    public static Verb? Find(string word, out bool plural)
    {
        plural = false;
        if (ByWord.TryGetValue(word, out var found))
        {
            return found.Verb;
        }

        foreach (var (stem, isPlural) in Stems(word))
        {
            if (ByWord.TryGetValue(stem, out found))
            {
                plural = isPlural;
                return found.Verb;
            }
        }

        return null;
    }

    /// <summary>Whether a word is a verb's own word, in no other form.</summary>
    public static bool IsWord(string word) => ByWord.ContainsKey(word);

    /// <summary>Whether a word only names a part of the foot, as "knee" does, whatever its verb.</summary>
    public static bool IsPart(string word) =>
        (ByWord.TryGetValue(word, out var found) && found.Part)
            || Stems(word).Any(s => ByWord.TryGetValue(s.Stem, out found) && found.Part);

    /// <summary>What a word may be a form of: steps, touches, stepping, tapped, crossing.</summary>
    internal static IEnumerable<(string Stem, bool Plural)> Stems(string word)
    {
        if (word.Length < 4)
        {
            yield break;
        }

        if (word.EndsWith("es", StringComparison.Ordinal))
        {
            yield return (word[..^2], true);
        }

        if (word.EndsWith('s') && word[^2] != 's')
        {
            yield return (word[..^1], true);
        }

        var end = word.EndsWith("ing", StringComparison.Ordinal) ? 3 : word.EndsWith("ed", StringComparison.Ordinal) ? 2 : 0;
        if (end > 0 && word.Length > end + 2)
        {
            yield return (word[..^end], false);
            yield return (word[..^end] + "e", false);
            if (word[^(end + 1)] == word[^(end + 2)])
            {
                yield return (word[..^(end + 1)], false);
            }
        }
    }

    private static FrozenDictionary<string, (Verb, bool)> Build()
    {
        var words = new Dictionary<string, (Verb, bool)>();
        foreach (var row in LexiconFiles.Read<List<VerbRow>>("verbs.yaml"))
        {
            var traits = row.Flags.Aggregate(VerbTraits.None, (all, flag) => all | Trait(flag));
            var verb = row.As is { } other
                ? words[other].Item1
                : new Verb(row.Verb, Kind(row.Kind), LexiconFiles.Direction(row.Way), traits)
                {
                    StandingIn = row.StandingIn,
                    Whole = row.Whole,
                    Turned = row.Turned,
                    Brought = row.Brought
                };
            if (verb.StandingIn.Count > 0)
            {
                verb = verb with { OnStandingFoot = verb with { Kind = VerbKind.Standing } };
            }

            foreach (var word in row.Also.Prepend(row.Verb))
            {
                words[word] = (verb, (traits & VerbTraits.Part) != 0);
            }
        }

        return words.ToFrozenDictionary();
    }

    private static VerbKind Kind(string kind) => kind switch
    {
        "takes" => VerbKind.Takes,
        "leaves" => VerbKind.Leaves,
        "standing" => VerbKind.Standing,
        "none" => VerbKind.NoFoot,
        _ => throw new FormatException(StepTexts.NoVerbKind(kind)),
    };

    private static VerbTraits Trait(string flag) => flag switch
    {
        "air" => VerbTraits.Air,
        "turns" => VerbTraits.Turns,
        "pivots" => VerbTraits.Pivots,
        "unwinds" => VerbTraits.Unwinds,
        "still" => VerbTraits.Still,
        "sound" => VerbTraits.Sound,
        "lands" => VerbTraits.Lands,
        "lifts" => VerbTraits.Lifts,
        "half" => VerbTraits.HalfStride,
        "stays" => VerbTraits.Stays,
        "both" => VerbTraits.BothFeet,
        "springs" => VerbTraits.Springs,
        "impact" => VerbTraits.Impact,
        "novices" => VerbTraits.Novices,
        "part" => VerbTraits.Part,
        "way-word" => VerbTraits.WayWord,
        "gait" => VerbTraits.Gait,
        "off-floor" => VerbTraits.OffFloor,
        "plain" => VerbTraits.Plain,
        "body" => VerbTraits.Body,
        "holds" => VerbTraits.Holds,
        "bare-turn" => VerbTraits.BareTurn,
        "hips" => VerbTraits.Hips,
        "is-body" => VerbTraits.IsBody,
        "aside" => VerbTraits.Aside,
        _ => throw new FormatException(StepTexts.NoVerbFlag(flag)),
    };

    /// <summary>An entry as it stands in verbs.yaml.</summary>
    private sealed class VerbRow
    {
        public string Verb { get; set; } = "";

        public string? Whole { get; set; }

        public string? Turned { get; set; }

        public string Kind { get; set; } = "";

        public string? As { get; set; }

        public string Way { get; set; } = "";

        public List<string> Also { get; set; } = [];

        public List<string> Flags { get; set; } = [];

        public List<string> StandingIn { get; set; } = [];

        public string? Brought { get; set; }
    }
}
