using FondCompass.Core.Tests.Tables;
using Xunit;

namespace FondCompass.Core.Tests.Actions;

/// <summary>Rows and the deeds they become, each on its count, with foot, way and turn: deeds.md beside this file.</summary>
public class ActionTable
{
    private static readonly RowTable Table = new("Actions/deeds.md");

    public static TheoryData<string> Rows => Table.Written;

    [Theory]
    [MemberData(nameof(Rows))]
    public void Rows_become_the_deeds_that_the_table_says(string written)
    {
        var analysis = Script.Read(written);
        Table.Check(written, Script.Deeds(analysis), Script.Told(analysis));
    }
}
