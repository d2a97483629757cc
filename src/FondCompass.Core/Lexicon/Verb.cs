namespace FondCompass.Core.Lexicon;

/// <summary>What a verb does with the weight (rules, section 2).</summary>
public enum VerbKind
{
    /// <summary>Step, walk, rock, close …: the foot named ends with the weight.</summary>
    Takes,

    /// <summary>Touch, kick, brush …: the foot named must be free and stays free.</summary>
    Leaves,

    /// <summary>Hop, bounce, slide, pivot …: done on the foot that holds the weight.</summary>
    Standing,

    /// <summary>Hold, clap, body: no foot.</summary>
    NoFoot,
}

/// <summary>
/// Directions relative to where the dancer faces; side and diagonals go to the moving foot's own side.
/// In, Out and the two Rounds are for circles.
/// </summary>
public enum Direction
{
    None,
    Forward,
    Back,
    Side,
    DiagonalForward,
    DiagonalBack,
    Across,
    Behind,
    Beside,
    InPlace,
    In,
    Out,
    WithSun,
    AgainstSun,
}

/// <summary>A single action's word.</summary>
/// <param name="Name">Canonical name, as written in <c>verb</c> of the analysis.</param>
/// <param name="Kind">What it does with the weight.</param>
/// <param name="Default">Direction when none is written.</param>
/// <param name="Grounded">Whether the foot is on the floor after it, so that a crossed stance stands.</param>
public sealed record Verb(string Name, VerbKind Kind, Direction Default = Direction.None, bool Grounded = true)
{
    /// <summary>Turns on its own: pivot, turn, spin, unwind.</summary>
    public bool IsTurn => Name is "pivot" or "turn" or "unwind";

    /// <summary>A hop or jump, hard on the joints.</summary>
    public bool IsHighImpact => Name is "hop" or "jump" or "land" or "leap";

    /// <summary>Novices stand on these (rules, free-foot trap).</summary>
    public bool IsStoodOnByNovices => Name is "touch" or "tap" or "point";
}

/// <summary>The closed set of verbs; names of steps are data, verbs are what the trace knows.</summary>
public static class Verbs
{
    private static readonly Dictionary<string, Verb> ByWord = Build();

    public static Verb Step => ByWord["step"];

    public static Verb Hold => ByWord["hold"];

    public static Verb Turn => ByWord["turn"];

    /// <summary>Arms, hips, head: the feet are carried through.</summary>
    public static Verb Body => ByWord["body"];

    public static Verb Unwind => ByWord["unwind"];

    /// <summary>All canonical verbs.</summary>
    public static IEnumerable<Verb> All => ByWord.Values.Distinct();

    /// <summary>Finds the verb for a word as people write it: "touches", "stepping", "stomp-up".</summary>
    public static Verb? Find(string word)
    {
        if (ByWord.TryGetValue(word, out var verb))
        {
            return verb;
        }

        if (word.Length < 4)
        {
            return null;
        }

        if (word.EndsWith("es", StringComparison.Ordinal) && ByWord.TryGetValue(word[..^2], out verb))
        {
            return verb;
        }

        if (word.EndsWith('s') && ByWord.TryGetValue(word[..^1], out verb))
        {
            return verb;
        }

        return word.EndsWith("ing", StringComparison.Ordinal)
            && (ByWord.TryGetValue(word[..^3], out verb)
                || ByWord.TryGetValue(word[..^3] + "e", out verb)
                || (word.Length > 5 && word[^4] == word[^5] && ByWord.TryGetValue(word[..^4], out verb)))
            ? verb
            : null;
    }

    private static Dictionary<string, Verb> Build()
    {
        var words = new Dictionary<string, Verb>();
        void Add(VerbKind kind, string name, Direction direction = Direction.None, bool grounded = true, params string[] aliases)
        {
            var verb = new Verb(name, kind, direction, grounded);
            words[name] = verb;
            foreach (var alias in aliases)
            {
                words[alias] = verb;
            }
        }

        Add(VerbKind.Takes, "step", aliases: ["place"]);
        Add(VerbKind.Takes, "walk", Direction.Forward);
        Add(VerbKind.Takes, "run", Direction.Forward);
        Add(VerbKind.Takes, "rock");
        Add(VerbKind.Takes, "recover", Direction.InPlace, aliases: ["replace", "return"]);
        Add(VerbKind.Takes, "close", Direction.Beside, aliases: ["together", "tog"]);
        Add(VerbKind.Takes, "stomp", aliases: ["stamp"]);
        Add(VerbKind.Takes, "drop", Direction.InPlace);
        Add(VerbKind.Takes, "land", Direction.InPlace);
        Add(VerbKind.Takes, "sway", Direction.Side);
        Add(VerbKind.Takes, "ball");
        Add(VerbKind.Takes, "press", Direction.Forward);
        Add(VerbKind.Takes, "jump", Direction.InPlace);
        Add(VerbKind.Takes, "leap");
        Add(VerbKind.Takes, "lunge", Direction.Side);
        Add(VerbKind.Takes, "cross", Direction.Across);
        Add(VerbKind.Takes, "lock", Direction.Behind);
        Add(VerbKind.Leaves, "touch", Direction.Beside);
        Add(VerbKind.Leaves, "tap", Direction.Beside);
        Add(VerbKind.Leaves, "toe");
        Add(VerbKind.Leaves, "point", Direction.Side);
        Add(VerbKind.Leaves, "dig", Direction.Forward);
        Add(VerbKind.Leaves, "heel", Direction.Forward);
        Add(VerbKind.Leaves, "kick", Direction.Forward, grounded: false);
        Add(VerbKind.Leaves, "brush", Direction.Forward, grounded: false);
        Add(VerbKind.Leaves, "scuff", Direction.Forward, grounded: false);
        Add(VerbKind.Leaves, "hitch", grounded: false, aliases: ["lift", "knee"]);
        Add(VerbKind.Leaves, "hook", grounded: false);
        Add(VerbKind.Leaves, "flick", Direction.Back, grounded: false);
        Add(VerbKind.Leaves, "sweep", grounded: false);
        Add(VerbKind.Leaves, "drag", Direction.Beside);
        Add(VerbKind.Leaves, "stomp-up", Direction.Beside, aliases: ["stamp-up"]);
        Add(VerbKind.Standing, "hop", Direction.InPlace);
        Add(VerbKind.Standing, "bounce");
        Add(VerbKind.Standing, "slide");
        Add(VerbKind.Standing, "chug", Direction.Forward);
        Add(VerbKind.Standing, "swivel", aliases: ["twist"]);
        Add(VerbKind.Standing, "pivot");
        Add(VerbKind.Standing, "raise");
        Add(VerbKind.Standing, "turn", aliases: ["spin"]);
        Add(VerbKind.NoFoot, "unwind");
        Add(VerbKind.NoFoot, "hold", aliases: ["pause", "wait", "rest"]);
        Add(VerbKind.NoFoot, "clap");
        Add(VerbKind.NoFoot, "snap");
        Add(VerbKind.NoFoot, "slap");
        Add(VerbKind.NoFoot, "body", aliases: ["hips", "hip", "arms", "arm", "head", "shoulders", "shimmy", "roll", "bump", "voice"]);
        return words;
    }
}
