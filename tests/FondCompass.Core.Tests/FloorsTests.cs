using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using Xunit;

namespace FondCompass.Core.Tests;

/// <summary>The folders of the core stand one on the other (docs/architecture.md): none uses a later one.</summary>
public class FloorsTests
{
    private const string Root = "FondCompass.Core";

    /// <summary>From the ground up; the folder of <see cref="Core.Analysis"/> itself has no name.</summary>
    private static readonly string[] Floors =
    [
        "Wording.Texts", "Measures", "Text", "Findings", "Lexicon", "Notation", "Steps", "Reading", "Actions", "Tracing", "Wording", "Swaps", "Checks", "",
        "Editing", "Prose", "Music", "Runs", "Wording.Fits", "Calling", "Floor", "Comparing", "Teaching",
        "Teaching.Rooms", "Teaching.Boards",
        "Teaching.Planning",
    ];

    private static readonly Architecture Core = new ArchLoader().LoadAssemblies(typeof(Core.Analysis).Assembly).Build();

    /// <summary>The floor that names the most of a type's folder: what stands in a folder of a floor belongs to it.</summary>
    private static string FloorOf(IType type)
    {
        var name = type.Namespace.FullName;
        var folder = name.StartsWith(Root + ".", StringComparison.Ordinal) ? name[(Root.Length + 1)..] : "";
        return Floors.Where(f => f.Length > 0 && (folder == f || folder.StartsWith(f + ".", StringComparison.Ordinal)))
            .MaxBy(f => f.Length)
            ?? folder;
    }

    private static IEnumerable<IType> Own =>
        Core.Types.Where(t => t.Namespace.FullName == Root || t.Namespace.FullName.StartsWith(Root + ".", StringComparison.Ordinal));

    [Fact]
    public void Every_folder_is_a_floor() => Assert.Equal(Floors.Order(), Own.Select(FloorOf).Distinct().Order());

    [Fact]
    public void No_floor_uses_a_later_one()
    {
        var upwards = from type in Own
                      from used in type.Dependencies.Select(d => d.Target)
                      where used.Namespace.FullName == Root || used.Namespace.FullName.StartsWith(Root + ".", StringComparison.Ordinal)
                      where Array.IndexOf(Floors, FloorOf(used)) > Array.IndexOf(Floors, FloorOf(type))
                      select $"{type.FullName} uses {used.FullName}";
        var all = upwards.Distinct().ToList();
        Assert.True(all.Count == 0, string.Join('\n', all));
    }

    [Theory]
    [InlineData("Microsoft.AspNetCore")]
    [InlineData("Microsoft.EntityFrameworkCore")]
    [InlineData("Npgsql")]
    public void The_core_knows_neither_web_nor_database(string foreign) =>
        Assert.DoesNotContain(
            Own.SelectMany(t => t.Dependencies),
            d => d.Target.Namespace.FullName.StartsWith(foreign, StringComparison.Ordinal));
}
