using System.Text.Json;
using FondCompass.Core.Music;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Api;

/// <summary>The body of /api/run: 400 when something is missing or of another kind, 422 when a number is impossible.</summary>
internal sealed record RunRequest(string Script, Song Song, int? Start)
{
    public static RunRequest Read(ApiBody body)
    {
        var script = body.Script();
        var song = body.Song() ?? throw RefusedException.Missing(ApiTexts.SongWithItsPassages);
        if (body.Number("start") is { } start && (start < 0 || start > int.MaxValue || !double.IsInteger(start)))
        {
            throw RefusedException.Impossible(ApiTexts.StartAsCounts);
        }

        return new RunRequest(script, song, (int?)body.Number("start"));
    }

    /// <summary>A song with its passages.</summary>
    public static Song ReadSong(JsonElement song)
    {
        if (!song.TryGetProperty("passages", out var list) || list.ValueKind != JsonValueKind.Array)
        {
            throw RefusedException.Missing(ApiTexts.SongWithItsPassages);
        }

        var passages = list.EnumerateArray().Select((item, i) => ReadPassage(item, i + 1)).ToList();
        return Song.ProblemWith(passages) is { } impossible ? throw RefusedException.Impossible(impossible) : new Song(passages);
    }

    private static Passage ReadPassage(JsonElement item, int number)
    {
        if (item.ValueKind != JsonValueKind.Object)
        {
            throw RefusedException.Missing(ApiTexts.PassageAsObject(number));
        }

        var name = item.TryGetProperty("name", out var named) && named.ValueKind == JsonValueKind.String
            ? ApiBody.TextOf(named, ApiTexts.NameOfPassage(number))
            : $"passage {number}";
        var important = item.TryGetProperty("important", out var marked) && marked.ValueKind == JsonValueKind.True;
        if (item.TryGetProperty("seconds", out var seconds)
            && seconds.ValueKind == JsonValueKind.Number
            && !item.TryGetProperty("counts", out _))
        {
            return new Passage(name, 0, 0, null, important) { Rest = seconds.GetDouble() };
        }

        var counts = Number(item, "counts", number);
        var bpm = Number(item, "bpm", number);
        var end = item.TryGetProperty("bpmEnd", out var to) && to.ValueKind != JsonValueKind.Null
            ? Number(item, "bpmEnd", number).GetDouble()
            : (double?)null;
        if (!counts.TryGetInt32(out var whole))
        {
            throw RefusedException.Impossible(counts.GetDouble() > int.MaxValue
                ? ApiTexts.PassageTooLong(number, name, Song.MostCounts)
                : ApiTexts.PassageCountsWhole(number, name, counts.GetRawText()));
        }

        return new Passage(name, whole, bpm.GetDouble(), end, important);
    }

    private static JsonElement Number(JsonElement item, string field, int number) =>
        item.TryGetProperty(field, out var value) && value.ValueKind == JsonValueKind.Number
            ? value
            : throw RefusedException.Missing(ApiTexts.FieldOfPassageAsNumber(field, number));
}
