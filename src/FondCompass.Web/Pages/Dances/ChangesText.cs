using System.Globalization;
using System.Text;
using FondCompass.Core.Lessons;
using FondCompass.Core.Text;

namespace FondCompass.Web.Pages.Dances;

/// <summary>
/// What was changed by hand as it stands in an address and is kept with a lesson, one after the other: "walk:A:2=240s;dance:A:1=7x;walk:A:3!;dance:A:2/;own:1+Lanterns;own:1>walk:A:2".
/// A block's id is written so that none of its letters is one of these signs.
/// </summary>
public static class ChangesText
{
    /// <summary>Changes that are kept at the most.</summary>
    public const int Most = 500;

    /// <summary>Letters of an own block's title at the most.</summary>
    public const int LongestTitle = 80;

    private const char Settles = '=', Removes = '!', Splits = '/', Moves = '>', Adds = '+', Drills = '*';

    private static readonly char[] Signs = [Settles, Removes, Splits, Moves, Adds];

    public static BlockChanges Read(string text)
    {
        var pins = new Dictionary<string, BlockPin>();
        var own = new Dictionary<string, OwnBlock>();
        var moves = new List<BlockMove>();
        var (removed, split) = (new HashSet<string>(), new HashSet<string>());
        foreach (var entry in text.Split(';', StringSplitOptions.RemoveEmptyEntries).Take(Most))
        {
            var cut = entry.IndexOfAny(Signs);
            if (cut <= 0)
            {
                continue;
            }

            var (block, rest) = (Uri.UnescapeDataString(entry[..cut]), entry[(cut + 1)..]);
            switch (entry[cut])
            {
                case Settles when PinOf(block, rest) is { } pin:
                    pins[block] = pin;
                    break;
                case Removes:
                    removed.Add(block);
                    break;
                case Splits:
                    split.Add(block);
                    break;
                case Moves:
                    moves.Add(new BlockMove(block, Uri.UnescapeDataString(rest)));
                    break;
                case Adds when OwnOf(block, rest) is { } added:
                    own[block] = added;
                    break;
            }
        }

        // An own block has the minutes it is settled to; they are its own, so they are no pin.
        var ownIds = own.Keys.ToHashSet();
        return new BlockChanges
        {
            Pins = [.. pins.Values.Where(p => !ownIds.Contains(p.Block) || p.Repeats is not null)],
            Added = [.. own.Values.Select(o => pins.GetValueOrDefault(o.Id)?.Seconds is { } seconds ? o with { Seconds = seconds } : o)],
            Moves = moves,
            Removed = removed,
            Split = split,
        };
    }

    /// <summary>With a block settled to seconds or repeats; or, with neither, let go.</summary>
    public static string Settled(string text, string block, double? seconds, int? repeats) => Join(
        Without(text, block, Settles),
        seconds is null && repeats is null ? null : string.Create(CultureInfo.InvariantCulture, $"{Id(block)}{Settles}{(repeats is { } times ? $"{times}x" : $"{Math.Round(seconds ?? 0):0}s")}"));

    /// <summary>With a block left out; one of the instructor's own is gone with all that was said of it.</summary>
    public static string Removed(string text, string block) => text.Split(';').Any(e => e.StartsWith($"{Id(block)}{Adds}", StringComparison.Ordinal))
        ? Join(text.Split(';', StringSplitOptions.RemoveEmptyEntries).Where(e => !IsOf(e, block)), null)
        : Join(Without(text, block, Removes), $"{Id(block)}{Removes}");

    public static string PutBack(string text, string block) => Join(Without(text, block, Removes), null);

    public static string Split(string text, string block) => Join(Without(text, block, Splits), $"{Id(block)}{Splits}");

    public static string Joined(string text, string block) => Join(Without(text, block, Splits), null);

    /// <summary>With a block put after another; where it was put last just before, that is forgotten.</summary>
    public static string Moved(string text, string block, string after)
    {
        var entries = text.Split(';', StringSplitOptions.RemoveEmptyEntries);
        var again = entries.Length > 0 && entries[^1].StartsWith($"{Id(block)}{Moves}", StringComparison.Ordinal);
        return Join(again ? entries[..^1] : entries, $"{Id(block)}{Moves}{Id(after)}");
    }

    /// <summary>With a block of the instructor's own.</summary>
    public static string Added(string text, OwnBlock own, string after)
    {
        var entry = new StringBuilder($"{Id(own.Id)}{Adds}{Id(own.Title)}");
        if (own is { Dance: { } dance, Bite: { } bite })
        {
            entry.Append(CultureInfo.InvariantCulture, $"{Drills}{dance}{Drills}{Id(bite)}");
        }

        return Moved(Settled(Join(text.Split(';', StringSplitOptions.RemoveEmptyEntries), entry.ToString()), own.Id, own.Seconds, null), own.Id, after);
    }

    private static string Id(string id) => Uri.EscapeDataString(id);

    private static bool IsOf(string entry, string block) => entry.StartsWith(Id(block), StringComparison.Ordinal) && entry.Length > Id(block).Length && Signs.Contains(entry[Id(block).Length]);

    private static IEnumerable<string> Without(string text, string block, char sign) =>
        text.Split(';', StringSplitOptions.RemoveEmptyEntries).Where(e => e.IndexOfAny(Signs) is var cut && (cut <= 0 || e[cut] != sign || Uri.UnescapeDataString(e[..cut]) != block));

    private static string Join(IEnumerable<string> entries, string? more) => string.Join(';', more is null ? entries : entries.Append(more));

    private static BlockPin? PinOf(string block, string rest) => rest.Length < 2 || !int.TryParse(rest[..^1], NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? null
        : rest[^1] == 'x' ? new BlockPin(block, null, Math.Clamp(number, 1, LessonPlanner.MostPinnedRepeats))
        : rest[^1] == 's' ? new BlockPin(block, Math.Min(number, LessonBrief.Longest * 60), null) : null;

    private static OwnBlock? OwnOf(string block, string rest)
    {
        var words = rest.Split(Drills);
        var title = Uri.UnescapeDataString(words[0]).Trim();
        title = Letters.Cut(title, LongestTitle);
        return title.Length == 0 || !block.StartsWith("own:", StringComparison.Ordinal) ? null
            : words.Length == 3 && int.TryParse(words[1], NumberStyles.None, CultureInfo.InvariantCulture, out var dance) ? new OwnBlock(block, title, 120, dance, Uri.UnescapeDataString(words[2]))
            : new OwnBlock(block, title, 120);
    }
}
