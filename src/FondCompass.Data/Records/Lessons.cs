using System.Text.Json;
using System.Text.Json.Serialization;
using FondCompass.Core.Teaching.Planning;

namespace FondCompass.Data.Records;

/// <summary>A lesson, planned or held, and what happened in it.</summary>
public sealed class LessonRecord : IOwned
{
    public Guid Id { get; set; }

    public Guid OwnerId { get; set; }

    public Guid DanceId { get; set; }

    /// <summary>Further dances that are taught in it.</summary>
    public Guid[] Also { get; set; } = [];

    public Guid GroupId { get; set; }

    public GroupRecord? Group { get; set; }

    /// <summary>The course it is a week of, and which, from 1; null for a lesson by itself.</summary>
    public Guid? CourseId { get; set; }

    public int Week { get; set; }

    public DateOnly Date { get; set; }

    /// <summary>What it is asked to be; the plan is reckoned from it.</summary>
    public LessonAsked Asked { get; set; } = LessonAsked.Usual;

    /// <summary>What was asked of it while it was held; null where it was led as it was planned.</summary>
    public RestAsked? Rest { get; set; }

    /// <summary>Its length, as it is asked for.</summary>
    public int Minutes => Asked.Minutes;

    /// <summary>The plan it was held with, block by block, as it stood then; null while it was not held or not planned.</summary>
    public string? HeldPlan { get; set; }

    /// <summary>Lessons are planned first and logged afterwards.</summary>
    public bool Held { get; set; }

    /// <summary>The form that wrote it last: one that arrives twice writes once.</summary>
    public Guid? Sent { get; set; }

    /// <summary>Last line (eight) the class reached; 0 when none.</summary>
    public int ReachedLine { get; set; }

    /// <summary>Best share of full tempo at which the class danced without losing it, in percent; 0 for none said.</summary>
    public int RatePercent { get; set; }

    /// <summary>Lines (eights) most dancers lost.</summary>
    public int[] WeakLines { get; set; } = [];

    /// <summary>Lines (eights) that were marked as clean.</summary>
    public int[] CleanLines { get; set; } = [];

    /// <summary>How its further dances went, those of which anybody said it; the three before are of the dance it begins with.</summary>
    public List<DanceHeld> Further { get; set; } = [];

    public string Note { get; set; } = "";

    /// <summary>Most letters of a note.</summary>
    public const int LongestNote = 4000;

    /// <summary>Dancers counted; null where nobody counted.</summary>
    public int? Heads { get; set; }

    /// <summary>Boards told of it since its log was last worked out.</summary>
    public bool IsLogDue { get; set; }

    /// <summary>
    /// What its blocks took, as <see cref="LessonTimes"/> writes it; null where no board told anything, and of lessons held before this was
    /// kept.
    /// </summary>
    public string? Times { get; set; }

    /// <summary>A board leads it, and has not said that it is over.</summary>
    public bool Running { get; set; }

    /// <summary>By this code a screen on the hall's network shows the class what is danced; null where none does.</summary>
    public string? ClassCode { get; set; }

    /// <summary>Until when the code holds.</summary>
    public DateTimeOffset? ClassCodeUntil { get; set; }

    /// <summary>
    /// When it was taken out; null for a lesson that stands. One that was taken out is found nowhere but where it can be put back.
    /// </summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>All dances that are taught in it.</summary>
    public IEnumerable<Guid> Dances => Also.Prepend(DanceId);

    /// <summary>How one of its dances went; null of a further dance of which nobody said it.</summary>
    public DanceHeld? HeldOf(Guid dance) => dance == DanceId
        ? new DanceHeld
        {
            DanceId = DanceId,
            ReachedLine = ReachedLine,
            RatePercent = RatePercent,
            WeakLines = WeakLines,
            CleanLines = CleanLines
        }
            : Further.Find(f => f.DanceId == dance);

    /// <summary>What was marked of a dance: all that was reached clean (true), something lost (false), or neither (null).</summary>
    public bool? WasClean(Guid dance) => HeldOf(dance) is not { } went ? null
        : went.WeakLines.Length > 0 ? false
        : went.ReachedLine > 0 && Enumerable.Range(1, went.ReachedLine).All(went.CleanLines.Contains) ? true : null;

    /// <summary>Writes how one of its dances went.</summary>
    public void Went(DanceHeld held)
    {
        if (held.DanceId == DanceId)
        {
            (ReachedLine, RatePercent, WeakLines, CleanLines) = (held.ReachedLine, held.RatePercent, held.WeakLines, held.CleanLines);
        }
        else
        {
            Further = [.. Further.Where(f => f.DanceId != held.DanceId), held];
        }
    }
}

/// <summary>What a lesson's blocks took by its events, kept with it so that nobody has to read these again.</summary>
/// <param name="Seconds">On its boards in all.</param>
/// <param name="Walks">Seconds planned and taken of each block that tells of the pace of walking.</param>
/// <param name="Gathers">The same of each that tells of the pace of gathering.</param>
public sealed record LessonTimes(double Seconds, IReadOnlyList<double[]> Walks, IReadOnlyList<double[]> Gathers)
{
    /// <summary>The same of each walk that is mostly talk; none in lessons kept before talking was learned apart.</summary>
    public IReadOnlyList<double[]> Talks { get; init; } = [];

    public static LessonTimes? Read(string? kept) =>
        kept is null ? null : JsonSerializer.Deserialize<LessonTimes>(kept, JsonSerializerOptions.Web);

    [JsonIgnore]
    public string Written => JsonSerializer.Serialize(this, JsonSerializerOptions.Web);
}

/// <summary>How one dance of a lesson went.</summary>
public sealed class DanceHeld
{
    public Guid DanceId { get; set; }

    /// <summary>Last line (eight) the class reached; 0 when none.</summary>
    public int ReachedLine { get; set; }

    /// <summary>Best share of full tempo that was clean, in percent; 0 for walked.</summary>
    public int RatePercent { get; set; }

    /// <summary>Lines (eights) most dancers lost, from 1.</summary>
    public int[] WeakLines { get; set; } = [];

    /// <summary>Lines (eights) that were marked as clean, from 1.</summary>
    public int[] CleanLines { get; set; } = [];
}

/// <summary>What the board of a lesson shows its class, the latest of it.</summary>
public sealed class ClassShownRecord
{
    public Guid LessonId { get; set; }

    public string State { get; set; } = "";
}

/// <summary>One thing that a board told of a lesson. What arrives twice is kept once.</summary>
public sealed class LessonEventRecord
{
    /// <summary>Most events of one lesson, and most letters of a block's id, a bite's key and of words.</summary>
    public const int Most = 12_000, LongestBlock = 200, LongestBite = 100, LongestWords = 2000;

    public Guid LessonId { get; set; }

    /// <summary>Made by the board; an event's own within its lesson.</summary>
    public Guid Id { get; set; }

    /// <summary>The order in which events arrived.</summary>
    public long Arrived { get; set; }

    public Guid Board { get; set; }

    public int Number { get; set; }

    public double Opened { get; set; }

    public double Since { get; set; }

    /// <summary>The kind's name, in small letters.</summary>
    public string Kind { get; set; } = "";

    public string Block { get; set; } = "";

    public string Bite { get; set; } = "";

    public double? Value { get; set; }

    public string Words { get; set; } = "";

    public Guid? Undoes { get; set; }
}
