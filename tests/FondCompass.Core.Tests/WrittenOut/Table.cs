using System.Globalization;
using System.Text;
using FondCompass.Core.Tracing;
using Xunit;

namespace FondCompass.Core.Tests.WrittenOut;

/// <summary>Rows of text; of a record all its plain values.</summary>
internal sealed class Table
{
    private readonly StringBuilder _text = new();

    public void Head(string text) => _text.Append("\n== ").Append(text.ReplaceLineEndings(" / ")).Append('\n');

    public void Row(string text) => _text.Append(text.ReplaceLineEndings(" / ").TrimEnd()).Append('\n');

    public void Row(object record) => Row(Plain(record));

    public override string ToString() => _text.ToString().TrimStart('\n').TrimEnd('\n') + "\n";

    public static string Plain(object record) =>
        string.Join(
            " · ",
            record.GetType()
                .GetProperties()
                .Where(p => p.GetIndexParameters().Length == 0)
                .OrderBy(p => p.MetadataToken)
                .Select(p => (p.Name, Text: Value(p.GetValue(record))))
                .Where(p => p.Text is { Length: > 0 })
                .Select(p => $"{p.Name} {p.Text}"));

    public static string At(FloorPoint p) =>
        string.Create(CultureInfo.InvariantCulture, $"({p.X:0.00}, {p.Y:0.00})").Replace("-0.00", "0.00", StringComparison.Ordinal);

    /// <summary>The file beside the tests says the same; or is written, where that is asked for.</summary>
    public void Compare(string file)
    {
        var path = Path.Combine(Dances.Root(), "tests", "FondCompass.Core.Tests", "WrittenOut", file);
        if (Environment.GetEnvironmentVariable("FOND_WRITE_DOCS") == "1")
        {
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            File.WriteAllText(path, ToString());
        }

        var (kept, told) = (File.ReadAllLines(path), ToString().TrimEnd('\n').Split('\n'));
        for (var i = 0; i < Math.Min(kept.Length, told.Length); i++)
        {
            Assert.True(kept[i] == told[i], $"{path}:{i + 1}\n  is written: {kept[i]}\n  is now:     {told[i]}");
        }

        Assert.True(kept.Length == told.Length, $"{path}: {kept.Length} rows are written, {told.Length} are now.");
    }

    private static string? Value(object? value) => value switch
    {
        null => null,
        string s => s,
        bool b => b ? "yes" : null,
        double d => d.ToString("0.###", CultureInfo.InvariantCulture),
        FloorPoint p => At(p),
        IFormattable f => f.ToString(null, CultureInfo.InvariantCulture),
        IEnumerable<string> list => string.Join(" / ", list),
        IEnumerable<int> list => string.Join(' ', list),
        _ when value.GetType() is { IsValueType: true, Namespace: "FondCompass.Core.Measures" } => value.ToString(),
        _ => null,
    };
}
