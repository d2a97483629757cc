using System.Globalization;
using FondCompass.Application.Groups;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Rooms;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using FondCompass.Web.Drawing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.WebUtilities;

namespace FondCompass.Web.Pages.Dances;

/// <summary>The hall drawn to scale: how many fit, where they stand, and the way each of them takes over the song.</summary>
public sealed class RoomModel(DanceShelf shelf, LessonBook book, GroupDesk groups) : DancePage(shelf)
{
    /// <summary>What an obstacle's row has: left, from the back, width, depth.</summary>
    private const int ObstacleNumbers = 4;

    private readonly List<string> _problems = [];

    public override string Stage => "Plan";

    protected override bool UsesExceptions => true;

    [BindProperty(SupportsGet = true)]
    public string? Width { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Depth { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Margin { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Dancers { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Allowance { get; set; }

    /// <summary>A row each: metres from the left wall and from the back, width, depth, and "pillar".</summary>
    [BindProperty(SupportsGet = true)]
    public string? Obstacles { get; set; }

    [BindProperty(SupportsGet = true)]
    public RoomLayout Layout { get; set; }

    /// <summary>The group whose room it is; null for nobody's.</summary>
    [BindProperty(SupportsGet = true)]
    public Guid? Group { get; set; }

    public IReadOnlyList<GroupRecord> Groups { get; private set; } = [];

    /// <summary>The group whose room it is, with the room that is kept of it.</summary>
    public GroupRecord? Class { get; private set; }

    /// <summary>The room as it is kept with a group.</summary>
    public string Kept =>
        QueryString.Create(Fields().Where(f => f.Value.Length > 0).Select(f => KeyValuePair.Create<string, string?>(f.Key, f.Value)))
            .ToString()
            .TrimStart('?');

    public IReadOnlyList<string> Problems => _problems;

    public Hall Hall { get; private set; } = new(9, 12);

    public RoomPlan Plan { get; private set; } = null!;

    public async Task OnGet(CancellationToken cancel)
    {
        await Load(cancel);
        // A group's own room, unless another is asked for.
        if (Class is { Room.Length: > 0 } && Width is null && Depth is null)
        {
            var kept = QueryHelpers.ParseQuery(Class.Room);
            string? Of(string field) => kept.TryGetValue(field, out var said) ? said.ToString() : null;
            (Width, Depth, Margin, Allowance, Obstacles) = (Of("width"), Of("depth"), Of("margin"), Of("allowance"), Of("obstacles"));
            Dancers ??= Of("dancers");
            Layout = Enum.TryParse<RoomLayout>(Of("layout"), out var layout) ? layout : Layout;
        }

        Dancers ??= Class?.Size?.ToString(CultureInfo.InvariantCulture);
        Draw();
    }

    /// <summary>Keeps the room as the group's; what cannot be read of it is said, and nothing is kept.</summary>
    public async Task<IActionResult> OnPostKeep(CancellationToken cancel)
    {
        await Load(cancel);
        Draw();
        if (Class is null)
        {
            _problems.Add(LessonPageTexts.ChooseGroupOfRoom);
        }

        if (Kept.Length > GroupRecord.LongestRoom)
        {
            _problems.Add(LessonPageTexts.TooManyObstaclesKept(GroupRecord.LongestRoom));
        }

        if (_problems.Count > 0)
        {
            return Page();
        }

        return await groups.KeepRoom(Class!.Id, Kept, cancel) ? Redirect($"/dances/{Id}/room?group={Class.Id}") : NotFound();
    }

    private async Task Load(CancellationToken cancel)
    {
        Groups = [.. (await book.Groups(cancel)).Where(g => !g.Archived || g.Id == Group)];
        Class = Groups.FirstOrDefault(g => g.Id == Group);
    }

    private const int MostObstacles = 60;

    private IEnumerable<KeyValuePair<string, string>> Fields() =>
    [
        new("width", Width ?? ""),
        new("depth", Depth ?? ""),
        new("margin", Margin ?? ""),
        new("dancers", Dancers ?? ""),
        new("allowance", Allowance ?? ""),
        new("layout", $"{Layout}"),
        new("obstacles", (Obstacles ?? "").Replace("\0", "", StringComparison.Ordinal)),
    ];

    private void Draw()
    {
        Hall = new Hall(
            Number(Width, LessonPageTexts.RoomWidth, 9, 0.3, 100),
            Number(Depth, LessonPageTexts.RoomDepth, 12, 0.3, 100),
            Number(Margin, LessonPageTexts.RoomMargin, Hall.UsualMargin, 0, 20))
        {
            Obstacles = ReadObstacles()
        };
        var dancers = (int)Number(Dancers, LessonPageTexts.NumberOfDancers, 12, 1, 5000);
        var run = Run();
        var wish = new RoomWish(
            Hall,
            dancers,
            Enum.IsDefined(Layout) ? Layout : RoomLayout.Rows,
            Math.Clamp(run.Repeats.Count, 1, RoomWish.MostRepeats),
            null,
            Number(Allowance, LessonPageTexts.RoomAllowance, 0, 0, 10));
        if (!Analysis.Dance.IsPhrased && wish.RepeatsOf(Analysis.Trace) < run.Repeats.Count)
        {
            var (reckoned, all) = (wish.RepeatsOf(Analysis.Trace), run.Repeats.Count);
            _problems.Add(
                LessonPageTexts.RoomOverFirstRepeats(reckoned, all));
        }

        Plan = RoomPlan.Lay(Analysis.Trace, wish);
    }

    /// <summary>Units of the drawing for a metre.</summary>
    public double Scale => 640 / Math.Max(Hall.Width, Hall.Depth);

    public string X(double metres) => Svg.N((metres + (Hall.Width / 2)) * Scale);

    public string Y(double metres) => Svg.N(((Hall.Depth / 2) - metres) * Scale);

    public string Length(double metres) => Svg.N(Math.Max(0, metres) * Scale);

    /// <summary>Words for who cannot see the drawing.</summary>
    public string Summary =>
        LessonPageTexts.RoomDrawn(Hall.Width, Hall.Depth, Plan.Places.Count);

    public static string Wall(Facing wall) => $"{wall}";

    private double Number(string? said, string what, double usual, double least, double most)
    {
        if (string.IsNullOrWhiteSpace(said))
        {
            return usual;
        }

        if (double.TryParse(said.Trim(), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value)
            && value >= least
            && value <= most)
        {
            return value;
        }

        _problems.Add(LessonPageTexts.CannotBeTheNumber(said.Trim(), what, least, most, usual));
        return usual;
    }

    private List<RoomObstacle> ReadObstacles()
    {
        var read = new List<RoomObstacle>();
        var rows = (Obstacles ?? "").Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (rows.Length > MostObstacles)
        {
            _problems.Add(
                LessonPageTexts.MoreObstaclesThanReckoned(MostObstacles, rows.Length - MostObstacles));
        }

        foreach (var row in rows.Take(MostObstacles))
        {
            var words = row.Split([' ', ',', ';'], StringSplitOptions.RemoveEmptyEntries);
            var pillar = words.Length > ObstacleNumbers && words[^1].Equals("pillar", StringComparison.OrdinalIgnoreCase);
            var numbers = words.Take(ObstacleNumbers)
                .Select(w => double.TryParse(w, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) ? value : -1)
                .ToList();
            if (numbers.Count == ObstacleNumbers
                && numbers.TrueForAll(n => n is >= 0 and <= 100)
                && words.Length == ObstacleNumbers + (pillar ? 1 : 0))
            {
                read.Add(new RoomObstacle(numbers[0], numbers[1], numbers[2], numbers[3], pillar));
            }
            else
            {
                _problems.Add(
                    LessonPageTexts.NoObstacle(row));
            }
        }

        return read;
    }
}
