using FondCompass.Core.Measures;
using Xunit;

namespace FondCompass.Core.Tests.Measures;

/// <summary>The day as an instructor has it, at both ends of the world and on the nights on which clocks are changed.</summary>
public class InstructorClockTests
{
    /// <summary>A clock that shows one moment.</summary>
    private sealed class StandsAt(string moment) : TimeProvider
    {
        public override TimeZoneInfo LocalTimeZone => TimeZoneInfo.Utc;

        public override DateTimeOffset GetUtcNow() =>
            DateTimeOffset.Parse(moment, global::System.Globalization.CultureInfo.InvariantCulture);
    }

    private static InstructorClock Clock(string moment, string zone, DayOfWeek week = DayOfWeek.Monday) =>
        new(new StandsAt(moment), InstructorClock.ZoneOf(zone)!, week);

    [Theory]
    [InlineData("2026-11-27T01:30:00Z", "America/Lima", "2026-11-26")] // half past eight in the evening: the class of that evening
    [InlineData("2026-11-27T04:59:59Z", "America/Lima", "2026-11-26")]
    [InlineData("2026-11-27T05:00:00Z", "America/Lima", "2026-11-27")]
    [InlineData("2026-11-26T09:59:00Z", "Pacific/Kiritimati", "2026-11-26")]
    [InlineData("2026-11-26T10:00:00Z", "Pacific/Kiritimati", "2026-11-27")] // the first place with a new day
    [InlineData("2026-11-26T10:59:00Z", "Pacific/Pago_Pago", "2026-11-25")] // the last
    [InlineData("2026-11-26T11:00:00Z", "Pacific/Pago_Pago", "2026-11-26")]
    [InlineData("2028-02-29T12:00:00Z", "Europe/Oslo", "2028-02-29")]
    [InlineData("2026-12-31T23:30:00Z", "Europe/Oslo", "2027-01-01")]
    [InlineData("2026-11-26T18:14:00Z", "Asia/Kathmandu", "2026-11-26")] // five hours and three quarters
    [InlineData("2026-11-26T18:15:00Z", "Asia/Kathmandu", "2026-11-27")]
    public void Today_is_the_date_on_the_instructors_calendar(string moment, string zone, string today) =>
        Assert.Equal(today, Clock(moment, zone).Today.ToString("yyyy-MM-dd"));

    [Theory]
    [InlineData("Europe/Oslo", "2026-03-29", "01:59", "2026-03-29T00:59:00Z")]
    [InlineData("Europe/Oslo", "2026-03-29", "02:00", "2026-03-29T01:00:00Z")] // skipped: the moment of the jump
    [InlineData("Europe/Oslo", "2026-03-29", "02:59", "2026-03-29T01:00:00Z")]
    [InlineData("Europe/Oslo", "2026-03-29", "03:00", "2026-03-29T01:00:00Z")]
    [InlineData("Europe/Oslo", "2026-10-25", "01:59", "2026-10-24T23:59:00Z")]
    [InlineData("Europe/Oslo", "2026-10-25", "02:30", "2026-10-25T00:30:00Z")] // comes twice: the first of the two
    [InlineData("Europe/Oslo", "2026-10-25", "03:00", "2026-10-25T02:00:00Z")]
    [InlineData("America/New_York", "2026-03-08", "02:30", "2026-03-08T07:00:00Z")]
    [InlineData("America/New_York", "2026-11-01", "01:30", "2026-11-01T05:30:00Z")]
    [InlineData("Australia/Lord_Howe", "2026-10-04", "02:15", "2026-10-03T15:30:00Z")] // a jump of half an hour
    [InlineData("America/Lima", "2026-11-26", "20:30", "2026-11-27T01:30:00Z")]
    public void An_hour_of_a_day_is_one_moment_also_on_change_nights(string zone, string day, string wall, string moment) => Assert.Equal(
        DateTimeOffset.Parse(moment, global::System.Globalization.CultureInfo.InvariantCulture),
        Clock("2026-01-01T00:00:00Z", zone).MomentOf(
            DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture),
            TimeOnly.Parse(wall, System.Globalization.CultureInfo.InvariantCulture)));

    [Fact]
    public void Every_hour_of_a_year_comes_back_as_it_was()
    {
        foreach (var zone in (string[])["Europe/Oslo", "America/Santiago", "Pacific/Apia", "Asia/Tehran"])
        {
            var clock = Clock("2026-01-01T00:00:00Z", zone);
            for (var moment = new DateTimeOffset(2026, 1, 1, 0, 0, 0, TimeSpan.Zero); moment.Year < 2027; moment = moment.AddMinutes(30))
            {
                var wall = clock.LocalOf(moment);
                var back = clock.MomentOf(DateOnly.FromDateTime(wall), TimeOnly.FromDateTime(wall));
                // Of an hour that comes twice it is the first.
                Assert.True(back == moment || (clock.Zone.IsAmbiguousTime(wall) && back < moment), $"{zone} {moment:O} {back:O}");
            }
        }
    }

    [Theory]
    [InlineData(DayOfWeek.Monday, "2026-11-26", "2026-11-23")]
    [InlineData(DayOfWeek.Monday, "2026-11-23", "2026-11-23")]
    [InlineData(DayOfWeek.Monday, "2026-11-29", "2026-11-23")]
    [InlineData(DayOfWeek.Sunday, "2026-11-29", "2026-11-29")]
    [InlineData(DayOfWeek.Sunday, "2026-11-28", "2026-11-22")]
    [InlineData(DayOfWeek.Saturday, "2026-11-27", "2026-11-21")]
    [InlineData(DayOfWeek.Saturday, "2026-11-28", "2026-11-28")]
    public void A_week_begins_where_the_instructors_does(DayOfWeek first, string day, string week) =>
        Assert.Equal(
            week,
            Clock("2026-11-26T12:00:00Z", "UTC", first)
                .WeekOf(DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture))
                .ToString("yyyy-MM-dd"));

    [Theory]
    [InlineData("Europe/Oslo", true)]
    [InlineData("America/Argentina/Buenos_Aires", true)]
    [InlineData("Etc/GMT+5", true)]
    [InlineData("UTC", true)]
    [InlineData("Nowhere/Here", false)]
    [InlineData("", false)]
    [InlineData(null, false)]
    [InlineData("../../etc/passwd", false)]
    [InlineData("Europe/Oslo\0", false)]
    public void Zones_are_those_of_the_database_and_nothing_else_is_looked_for(string? name, bool isOne) =>
        Assert.Equal(isOne, InstructorClock.ZoneOf(name) is not null);

    [Fact]
    public void Whoever_is_nowhere_yet_has_the_machines_day() =>
        Assert.Equal(new DateOnly(2026, 11, 26), new InstructorClock(new StandsAt("2026-11-26T23:59:00Z")).Today);
}
