using System.Text;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Editing;

/// <summary>A script's rows while they are changed; line breaks and all else stay as they were.</summary>
internal sealed class ScriptRows
{
    private readonly List<string> _rows;
    private readonly List<string> _breaks;
    private readonly string _break;

    public ScriptRows(Dance dance)
    {
        _rows = [.. dance.Rows];
        _breaks = [.. dance.Breaks];
        _break = _breaks.Find(b => b.Length > 0) ?? "\n";
    }

    public int Count => _rows.Count;

    /// <param name="row">Text row, from 1.</param>
    public string this[int row]
    {
        get => _rows[row - 1];
        set => _rows[row - 1] = value;
    }

    public IReadOnlyList<string> Range(int first, int last) => _rows.GetRange(first - 1, Math.Max(0, last - first + 1));

    /// <summary>Inserts rows so that the first of them becomes row <paramref name="at"/>.</summary>
    public void Insert(int at, IReadOnlyList<string> rows)
    {
        var index = Math.Clamp(at - 1, 0, _rows.Count);
        if (index == _rows.Count && _rows.Count > 0 && _rows[^1].Length == 0)
        {
            // The text ends with a line break: the new rows go before its last, empty row.
            index--;
        }

        _rows.InsertRange(index, rows);
        _breaks.InsertRange(index, rows.Select(_ => _break));
        Close();
    }

    public void Remove(int first, int last)
    {
        _rows.RemoveRange(first - 1, last - first + 1);
        _breaks.RemoveRange(first - 1, last - first + 1);
        Close();
    }

    public override string ToString()
    {
        var text = new StringBuilder();
        for (var i = 0; i < _rows.Count; i++)
        {
            text.Append(_rows[i]).Append(_breaks[i]);
        }

        return text.ToString();
    }

    /// <summary>Every row but the last has a line break.</summary>
    private void Close()
    {
        if (_rows.Count == 0)
        {
            _rows.Add("");
            _breaks.Add("");
        }

        for (var i = 0; i < _rows.Count; i++)
        {
            _breaks[i] = i == _rows.Count - 1 ? "" : _breaks[i].Length == 0 ? _break : _breaks[i];
        }
    }
}
