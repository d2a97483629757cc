using System.Text;
using System.Text.Json;
using FondCompass.Core.Music;
using FondCompass.Web.Hosting;

namespace FondCompass.Web.Api;

/// <summary>The body of /api/run: 400 when something is missing or of another kind, 422 when a number is impossible.</summary>
internal sealed record RunRequest(string Script, Song Song, int? Start)
{
    public static (RunRequest? Order, IResult? Problem) Read(JsonElement root)
    {
        if (root.ValueKind != JsonValueKind.Object || !root.TryGetProperty("script", out var script) || script.ValueKind != JsonValueKind.String)
        {
            return (null, Missing("\"script\" with the dance script as a string"));
        }

        var text = script.GetString()!;
        if (Encoding.UTF8.GetByteCount(text) > RequestText.LargestScript)
        {
            return (null, ClearErrors.Problem(413, "Too large", $"At most {RequestText.LargestScript / 1024} KiB of script are read."));
        }

        if (!root.TryGetProperty("song", out var song) || song.ValueKind != JsonValueKind.Object
            || !song.TryGetProperty("passages", out var list) || list.ValueKind != JsonValueKind.Array)
        {
            return (null, Missing("\"song\" with its \"passages\""));
        }

        var passages = new List<Passage>();
        foreach (var item in list.EnumerateArray())
        {
            var (passage, problem) = ReadPassage(item, passages.Count + 1);
            if (passage is null)
            {
                return (null, problem);
            }

            passages.Add(passage);
        }

        if (Song.ProblemWith(passages) is { } impossible)
        {
            return (null, Impossible(impossible));
        }

        int? start = null;
        if (root.TryGetProperty("start", out var begins) && begins.ValueKind != JsonValueKind.Null)
        {
            if (begins.ValueKind != JsonValueKind.Number)
            {
                return (null, Missing("\"start\" as a number of counts"));
            }

            if (!begins.TryGetInt32(out var counts) || counts < 0)
            {
                return (null, Impossible("\"start\" is a whole number of counts, 0 or more."));
            }

            start = counts;
        }

        return (new RunRequest(text, new Song(passages), start), null);
    }

    private static (Passage? Passage, IResult? Problem) ReadPassage(JsonElement item, int number)
    {
        if (item.ValueKind != JsonValueKind.Object)
        {
            return (null, Missing($"passage {number} as an object"));
        }

        var name = item.TryGetProperty("name", out var named) && named.ValueKind == JsonValueKind.String ? named.GetString()! : $"passage {number}";
        var important = item.TryGetProperty("important", out var marked) && marked.ValueKind == JsonValueKind.True;
        if (item.TryGetProperty("seconds", out var seconds) && seconds.ValueKind == JsonValueKind.Number && !item.TryGetProperty("counts", out _))
        {
            return (new Passage(name, 0, 0, null, important) { Rest = seconds.GetDouble() }, null);
        }

        if (!item.TryGetProperty("counts", out var counts) || counts.ValueKind != JsonValueKind.Number)
        {
            return (null, Missing($"\"counts\" of passage {number} as a number"));
        }

        if (!item.TryGetProperty("bpm", out var bpm) || bpm.ValueKind != JsonValueKind.Number)
        {
            return (null, Missing($"\"bpm\" of passage {number} as a number"));
        }

        double? end = null;
        if (item.TryGetProperty("bpmEnd", out var to) && to.ValueKind != JsonValueKind.Null)
        {
            if (to.ValueKind != JsonValueKind.Number)
            {
                return (null, Missing($"\"bpmEnd\" of passage {number} as a number"));
            }

            end = to.GetDouble();
        }

        if (!counts.TryGetInt32(out var whole))
        {
            return (null, Impossible(counts.GetDouble() > int.MaxValue
                ? $"Passage {number} ({name}) has too many counts; at most {Song.MostCounts} can be reckoned."
                : $"Passage {number} ({name}) has {counts.GetRawText()} counts; counts are whole."));
        }

        return (new Passage(name, whole, bpm.GetDouble(), end, important), null);
    }

    private static IResult Missing(string what) => ClearErrors.Problem(400, "Something is missing", $"The body needs {what}.");

    private static IResult Impossible(string why) => ClearErrors.Problem(422, "Impossible numbers", why);
}
