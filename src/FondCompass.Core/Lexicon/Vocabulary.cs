using System.Collections.Frozen;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Lexicon;

/// <summary>The words around verbs and steps, read from words.yaml; of other languages from words.lang.yaml.</summary>
public static class Vocabulary
{
    /// <summary>All that the file says, read when a word is first asked for.</summary>
    /// <param name="Words">Senses of words, or of several parted by a space.</param>
    /// <param name="Openers">First words of entries of several.</param>
    /// <param name="Longest">Most words of one entry.</param>
    private sealed record Tables(
        FrozenDictionary<string, Sense> Words, FrozenSet<string> LeadIns, FrozenSet<string> Talk, FrozenSet<string> Settings,
        FrozenSet<string> Ordinals, FrozenSet<string> Back, FrozenSet<string> Owners, FrozenSet<string> Own, FrozenSet<string> Out,
        FrozenSet<string> Weights,
        FrozenSet<string> Loose,
        FrozenDictionary<string, string> Layers,
        FrozenSet<string> Openers,
        int Longest);

    private static readonly Lazy<Tables> Read = new(Build);

    /// <summary>Whether a word of prose only leads in to a step: "okay", "next".</summary>
    internal static bool LeadsIn(string word) => Read.Value.LeadIns.Contains(word);

    /// <summary>A word that only says something of the whole dance: its level, its kind, its music.</summary>
    internal static bool IsSetting(string word) => Read.Value.Settings.Contains(word);

    /// <summary>Whether a word shows that somebody talks rather than tells steps.</summary>
    internal static bool IsTalk(string word) => Read.Value.Talk.Contains(word);

    /// <summary>A number of a place: "third".</summary>
    internal static bool IsOrdinal(string word) => Read.Value.Ordinals.Contains(word);

    /// <summary>A word before a thing: "your", "the".</summary>
    internal static bool IsOwner(string word) => Read.Value.Owners.Contains(word);

    /// <summary>A word before a part of one's own: "your".</summary>
    internal static bool IsOwn(string word) => Read.Value.Own.Contains(word);

    /// <summary>A word that stays out of the steps it stands before: "from", "when".</summary>
    internal static bool StaysOut(string word) => Read.Value.Out.Contains(word);

    /// <summary>Words that begin with where the weight is.</summary>
    internal static bool IsWeight(string words) =>
        Read.Value.Weights.Contains(words.IndexOf(' ') is > 0 and var space ? words[..space] : words);

    /// <summary>A word that points at what was told before: "those", "it".</summary>
    internal static bool PointsBack(string word) => Read.Value.Back.Contains(word);

    /// <summary>A way that is as often a word of talk: "in", "over".</summary>
    internal static bool IsLoose(string word) => Read.Value.Loose.Contains(word);

    /// <summary>What a word of a layer is danced with: arms, hips, head, sounds; null when it names none of them.</summary>
    public static string? LayerOf(string word) => Read.Value.Layers.GetValueOrDefault(word);

    /// <summary>Most words that stand together as one.</summary>
    public static int Longest => Read.Value.Longest;

    /// <summary>The senses of a word, or of several parted by a space; null when it has none.</summary>
    public static Sense? Find(string words) => Read.Value.Words.GetValueOrDefault(words);

    internal static bool TryFind(ReadOnlySpan<char> words, out Sense sense) =>
        Read.Value.Words.GetAlternateLookup<ReadOnlySpan<char>>().TryGetValue(words, out sense!);

    /// <summary>Whether entries of several words begin with this one.</summary>
    internal static bool IsOpener(string word) => Read.Value.Openers.Contains(word);

    /// <summary>+1 right, −1 left, 0 neither.</summary>
    public static int Side(string word) => Find(word)?.Side ?? 0;

    public static bool IsDirection(string word) => Find(word) is { Direction: not Direction.None };

    /// <summary>What the lists of words.yaml say of their words.</summary>
    private static IEnumerable<(IEnumerable<string> Words, Sense Sense)> Senses(VocabularyRows rows) =>
    [
        .. rows.Feet.Select(r => ((IEnumerable<string>)r.Value, new Sense
        {
            Foot = r.Key switch { "left" => Foot.Left, "right" => Foot.Right, _ => Foot.Both }
        })),
        .. rows.Sides.Select(r => ((IEnumerable<string>)r.Value, new Sense { Side = r.Key == "right" ? 1 : -1 })),
        .. rows.Directions.Select(r => ((IEnumerable<string>)r.Value, new Sense { Direction = LexiconFiles.Direction(r.Key) })),
        .. rows.Targets.Select(r => ((IEnumerable<string>)r.Value, new Sense
        {
            Wall = new Facing(r.Key switch { "right" => 2, "back" => 4, "left" => 6, _ => 0 })
        })),
        .. rows.Amounts.Select(r => ((IEnumerable<string>)r.Value, new Sense { Amount = r.Key })),
        .. rows.Numbers.Select(r => ((IEnumerable<string>)[r.Key], new Sense { Number = r.Value })),
        .. rows.Times.Select(r => ((IEnumerable<string>)[r.Key], new Sense { Times = r.Value })),
        .. rows.Roles.Select(r => ((IEnumerable<string>)r.Value, new Sense { Roles = Role(r.Key) })),
    ];

    private static Tables Build()
    {
        var rows = LexiconFiles.Read<VocabularyRows>("words.yaml");
        var words = new Dictionary<string, Sense>();
        void Add(IEnumerable<string> entries, Sense sense)
        {
            foreach (var entry in entries)
            {
                words[entry] = words.TryGetValue(entry, out var held) ? held.And(sense) : sense;
            }
        }

        foreach (var (entries, sense) in Senses(rows))
        {
            Add(entries, sense);
        }

        return new Tables(
            words.ToFrozenDictionary(),
            rows.Prose["lead in"].ToFrozenSet(),
            rows.Prose["talk"].ToFrozenSet(),
            rows.Prose["setting"].ToFrozenSet(),
            rows.Prose["ordinals"].ToFrozenSet(), rows.Prose["points back"].ToFrozenSet(), rows.Prose["owners"].ToFrozenSet(),
            rows.Prose["own"].ToFrozenSet(), rows.Prose["stays out"].ToFrozenSet(), rows.Prose["weights"].ToFrozenSet(),
            rows.Prose["loose ways"].ToFrozenSet(),
            rows.Layers.SelectMany(l => l.Value.Select(w => (Word: w, Kind: l.Key))).ToFrozenDictionary(l => l.Word, l => l.Kind),
            words.Keys.Where(k => k.Contains(' ')).Select(k => k[..k.IndexOf(' ')]).ToFrozenSet(),
            words.Keys.Max(k => k.Count(c => c == ' ') + 1));
    }

    private static Roles Role(string name) => name switch
    {
        "fillers" => Roles.Filler,
        "body verb" => Roles.BodyVerb,
        "side wall" => Roles.SideWall,
        "same wall" => Roles.SameWall,
        "next wall" => Roles.NextWall,
        "opposite wall" => Roles.OppositeWall,
        "standing on" => Roles.StandingOn,
        "other side" => Roles.OtherSide,
        "sums up" => Roles.SumsUp,
        "summed up" => Roles.SummedUp,
        "hourish" => Roles.Hour,
        _ => Enum.Parse<Roles>(name, ignoreCase: true),
    };

    /// <summary>The lists as they stand in words.yaml.</summary>
    private sealed class VocabularyRows
    {
        public Dictionary<string, List<string>> Feet { get; set; } = [];

        public Dictionary<string, List<string>> Sides { get; set; } = [];

        public Dictionary<string, List<string>> Directions { get; set; } = [];

        public Dictionary<string, List<string>> Targets { get; set; } = [];

        public Dictionary<int, List<string>> Amounts { get; set; } = [];

        public Dictionary<string, int> Numbers { get; set; } = [];

        public Dictionary<string, int> Times { get; set; } = [];

        public Dictionary<string, List<string>> Roles { get; set; } = [];

        public Dictionary<string, List<string>> Prose { get; set; } = [];

        public Dictionary<string, List<string>> Layers { get; set; } = [];
    }
}
