using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Data.Records;

namespace FondCompass.Application.Groups;

/// <summary>A group, what it knows, and what it has danced.</summary>
/// <param name="Held">Lessons, the last of them first.</param>
/// <param name="Danced">Each dance; what is kept least comes first.</param>
/// <param name="Steps">Each step of the lessons held, those kept least first.</param>
/// <param name="Progress">The last lessons, the earliest of them first.</param>
/// <param name="Pace">What the log makes of the pace: before, after and why.</param>
/// <param name="Courses">Of this group.</param>
/// <param name="Unknown">Names of steps that no lexicon of this instructor has.</param>
public sealed record GroupView(
    GroupRecord Group,
    IReadOnlyList<LessonRecord> Held,
    IReadOnlyList<DancedDance> Danced,
    IReadOnlyList<StepState> Steps,
    IReadOnlyList<LessonPoint> Progress,
    IReadOnlyList<LearnedConstant> Pace,
    IReadOnlyList<CourseRecord> Courses,
    IReadOnlyList<string> Unknown);

/// <summary>A dance that a group has danced.</summary>
/// <param name="Times">Lessons.</param>
/// <param name="Rate">The best rate in percent; 0 for walked only.</param>
/// <param name="Kept">How much of it is reckoned to be kept, from 0 to 1; null where it was never clean whole.</param>
/// <param name="Next">What the last lesson with it says of the next; empty for nothing.</param>
public sealed record DancedDance(Guid Id, string Title, int Times, DateOnly Last, int Rate, double? Kept, string Next);

/// <summary>A lesson held, as it is plotted.</summary>
/// <param name="Rate">The best rate in percent.</param>
/// <param name="Weak">Eights that were lost.</param>
/// <param name="Planned">Minutes, as <paramref name="Taken"/>, which is null where no board told it.</param>
public sealed record LessonPoint(Guid Lesson, DateOnly Day, string Dance, int Rate, int Weak, double Planned, double? Taken);
