using System.Globalization;

namespace FondCompass.Benchmarks;

/// <summary>
/// The figures of the last landing, kept beside the benchmarks (figures.txt: a name, a tab, milliseconds), each printed beside the one
/// measured now. ./bench keep writes them anew, of all that was measured; what was not measured stays.
/// </summary>
internal sealed class KeptFigures
{
    /// <summary>A figure that differs by more than a quarter is marked: less is noise on a machine with two processors.</summary>
    private const double Marked = 1.25;

    private readonly string _path;
    private readonly SortedDictionary<string, double> _kept = new(StringComparer.Ordinal);
    private readonly Dictionary<string, double> _now = [];

    public KeptFigures(string path)
    {
        _path = path;
        foreach (var row in File.Exists(path) ? File.ReadAllLines(path) : [])
        {
            if (row.Split('\t') is [var name, var figure]
                && double.TryParse(figure, NumberStyles.Float, CultureInfo.InvariantCulture, out var milliseconds))
            {
                _kept[name] = milliseconds;
            }
        }
    }

    /// <summary>Prints a figure, and the kept one beside it.</summary>
    /// <param name="milliseconds">The median, as it is kept.</param>
    /// <param name="beside">What else is known of it: what it allocates, its slowest.</param>
    public void Print(string name, double milliseconds, string beside)
    {
        _now[name] = milliseconds;
        var before = !_kept.TryGetValue(name.Trim(), out var kept) ? "not kept"
            : string.Create(CultureInfo.InvariantCulture, $"kept {kept,9:0.000} ms")
                + (milliseconds > kept * Marked ? "  SLOWER" : milliseconds * Marked < kept ? "  quicker" : "");
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{name,-52} {milliseconds,9:0.000} ms {beside,14}  {before}"));
    }

    public void Keep()
    {
        foreach (var (name, milliseconds) in _now)
        {
            _kept[name.Trim()] = milliseconds;
        }

        File.WriteAllLines(_path, _kept.Select(k => string.Create(CultureInfo.InvariantCulture, $"{k.Key}\t{k.Value:0.0000}")));
        Console.WriteLine($"Kept in {_path}.");
    }
}
