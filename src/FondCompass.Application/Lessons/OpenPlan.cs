using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Lessons;

/// <summary>Which plan of a dance is opened: by itself, of a lesson that is planned, or of a week of a course.</summary>
/// <param name="Lesson">A lesson that begins with the dance; the next that is planned when null.</param>
/// <param name="Course">The course of which a week is planned; null for none.</param>
/// <param name="Week">Of the course, from 1.</param>
/// <param name="Group">The group it is planned for; as it was, or as the last lesson was, when null.</param>
public sealed record PlanView(Guid? Lesson = null, Guid? Course = null, int Week = 0, Guid? Group = null);

/// <summary>A plan as somebody has it open, not laid out yet.</summary>
/// <param name="Which">Where its changes are kept.</param>
/// <param name="Draft">The changes that are kept; null where there are none.</param>
/// <param name="State">What is asked now: the draft, else the lesson, else what the course or nothing has.</param>
/// <param name="Planned">The lesson that is planned; null for none.</param>
/// <param name="Week">The week of a course that it is; null for none.</param>
/// <param name="LastTime">The last lesson held with the dance; null for none.</param>
public sealed record OpenPlan(
    DraftOf Which,
    PlanDraft? Draft,
    PlanState State,
    LessonRecord? Planned,
    CourseWeekOf? Week,
    IReadOnlyList<GroupRecord> Groups,
    LessonRecord? LastTime)
{
    /// <summary>The group that a state is planned for; null for nobody yet.</summary>
    public GroupRecord? GroupOf(PlanState state) => Groups.FirstOrDefault(g => g.Id == state.Group);

    /// <summary>The blocks as they were last shown; empty where nobody kept them.</summary>
    public IReadOnlyList<ShownBlock> Shown => Draft?.Shown.Blocks ?? [];

    /// <summary>What is asked without the draft; null where only the course could say it.</summary>
    public PlanState? Base { get; init; }

    /// <summary>It is otherwise than it was planned, or than it is suggested.</summary>
    public bool IsChanged => Draft is not null && (Base is null || KeptJson.Write(Base) != KeptJson.Write(State));

    /// <summary>A press can be taken back.</summary>
    public bool CanUndo => Draft is { Past.States.Count: > 0 };

    /// <summary>What a page that shows the plan has seen: it is another after every change, and after it was planned otherwise.</summary>
    public string Mark =>
        string.Create(CultureInfo.InvariantCulture, $"{Draft?.Number ?? 0}{(Planned is null ? "" : $"-{FingerprintOf(Planned)}")}");

    /// <summary>Twelve hexadecimal digits that change with the plan a lesson is kept with.</summary>
    private static string FingerprintOf(LessonRecord planned) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(KeptJson.Write(TaughtClass.StateOf(planned)))))[..12];

    /// <summary>
    /// Whether a page that showed the plan with a mark still shows it as it is: it does, too, when it made the last change itself.
    /// </summary>
    public bool IsSeen(string mark, Guid page) => mark == Mark || (Draft is { } draft && draft.Page == page);
}
