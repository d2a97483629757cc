using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Data.Records;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace FondCompass.Web.Pages.Dances.Forms;

/// <summary>
/// Lessons as a calendar reads them (iCalendar, RFC 5545): a day each, for nobody wrote down an hour, with the plan as what it is about.
/// </summary>
public static class PlanCalendar
{
    /// <param name="dances">The dances taught, by their titles.</param>
    /// <param name="lesson">Stays the same for the same lesson, so that one read again takes the place of the one before.</param>
    public static byte[] Write(LessonPlan plan, string dances, GroupRecord? group, DateOnly day, Guid lesson, InstructorClock clock) =>
        Written([Event(plan, dances, group, day, $"{lesson}", clock)]);

    /// <summary>One calendar of several lessons.</summary>
    public static byte[] Written(IEnumerable<CalendarEvent> lessons)
    {
        var calendar = new Calendar { ProductId = "-//Fond Compass//Lessons//EN" };
        calendar.Events.AddRange(lessons);
        return System.Text.Encoding.UTF8.GetBytes(new CalendarSerializer().SerializeToString(calendar)!);
    }

    public static CalendarEvent Event(
        LessonPlan plan,
        string dances,
        GroupRecord? group,
        DateOnly day,
        string lesson,
        InstructorClock clock) =>
        new()
        {
            DtStamp = new CalDateTime(clock.Now.UtcDateTime),
            Uid = $"{lesson}@fond-compass",
            Summary = $"{group?.Name ?? "Lesson"}: {dances}",
            Description = PlanText.Write(plan, dances, group?.Name),
            Location = group?.Meets,
            Start = new CalDateTime(day),
            End = new CalDateTime(LessonDay.After(day, 1)),
        };
}
