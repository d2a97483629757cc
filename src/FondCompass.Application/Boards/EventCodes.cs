using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Wording.Texts.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Boards;

/// <summary>Events between how they are sent, kept and reckoned with.</summary>
public static class EventCodes
{
    /// <summary>Seconds since 1970 between which a board's clock may stand: 2000 to 2100.</summary>
    private const double Earliest = 946_684_800, Latest = 4_102_444_800;

    /// <summary>Longest time that one board is open, in seconds: a day and a half.</summary>
    private const double LongestOpen = 36 * 3600;

    /// <summary>The largest rate, number of dancers or tempo that is told.</summary>
    private const double Largest = 10_000;

    public static string CodeOf(LessonEventKind kind) => kind.ToString().ToLowerInvariant();

    /// <summary>An event as it is reckoned with; null for a kind that nobody knows any more.</summary>
    public static LessonEvent? Read(LessonEventRecord kept) => Enum.TryParse<LessonEventKind>(kept.Kind, true, out var kind)
        ? new LessonEvent(kept.Id, kept.Board, kept.Number, kept.Opened, kept.Since, kind, kept.Block)
        {
            Bite = kept.Bite,
            Value = kept.Value,
            Words = kept.Words,
            Undoes = kept.Undoes
        }
            : null;

    /// <summary>As it is kept, or why it is not.</summary>
    public static (LessonEventRecord? Record, string Problem) Take(SentEvent? sent)
    {
        static string Clean(string? text) => (text ?? "").Replace("\0", "", StringComparison.Ordinal).Trim();
        if (sent is null || sent.Id == Guid.Empty || sent.Board == Guid.Empty)
        {
            return (null, DeskTexts.NoIdOfItsOwn);
        }

        if (!Enum.TryParse<LessonEventKind>(sent.Kind, true, out var kind) || !Enum.IsDefined(kind) || int.TryParse(sent.Kind, out _))
        {
            return (null, DeskTexts.NothingABoardTells(Clean(sent.Kind)));
        }

        if (!(sent.Opened is >= Earliest and <= Latest)
            || !(sent.Since is >= 0 and <= LongestOpen)
            || sent.Number < 1
            || sent.Value is { } value && !(value is >= 0 and <= Largest))
        {
            return (null, DeskTexts.ValueCannotBe);
        }

        var (block, bite, words) = (Clean(sent.Block), Clean(sent.Bite), Clean(sent.Words));
        return block.Length > LessonEventRecord.LongestBlock || bite.Length > LessonEventRecord.LongestBite
            ? (null, DeskTexts.NamesNoBlock)
            : kind == LessonEventKind.Undo && sent.Undoes is null ? (null, DeskTexts.TakesBackNothing)
            : (new LessonEventRecord
            {
                Id = sent.Id,
                Board = sent.Board,
                Number = sent.Number,
                Opened = sent.Opened,
                Since = sent.Since,
                Kind = CodeOf(kind),
                Block = block,
                Bite = bite,
                Value = sent.Value,
                Words = words.Length > LessonEventRecord.LongestWords ? Cut(words) : words,
                Undoes = sent.Undoes,
            }, "");
    }

    /// <summary>The longest beginning that is kept, cut between two letters.</summary>
    private static string Cut(string words) =>
        words[..(char.IsHighSurrogate(words[LessonEventRecord.LongestWords - 1])
            ? LessonEventRecord.LongestWords - 1
            : LessonEventRecord.LongestWords)];
}
