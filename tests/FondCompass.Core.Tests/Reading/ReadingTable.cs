using FondCompass.Core.Tests.Tables;
using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>Wordings, what they are read as and what is told of them: rows.md beside this file (domain/reading, sections 1 to 3).</summary>
public class ReadingTable
{
    private static readonly RowTable Table = new("Reading/rows.md");

    public static TheoryData<string> Rows => Table.Written;

    [Theory]
    [MemberData(nameof(Rows))]
    public void A_row_is_read_as_the_table_says(string written)
    {
        var analysis = Script.Read(written);
        Table.Check(written, Script.Danced(analysis), Script.Told(analysis));
    }
}
