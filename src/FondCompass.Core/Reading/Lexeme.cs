using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading;

/// <summary>A word, or some words together, with all that they may mean.</summary>
internal sealed class Lexeme
{
    public required string Text { get; init; }

    public required TextSpan Span { get; init; }

    public TokenKind Kind { get; init; }

    public NamedStep? Step { get; init; }

    /// <summary>Other steps of the same name.</summary>
    public IReadOnlyList<NamedStep> Otherwise { get; init; } = [];

    public bool Plural { get; init; }

    /// <summary>Words in the name or entry.</summary>
    public int Words { get; init; } = 1;

    public Verb? Verb { get; init; }

    /// <summary>The verb's word only names a part of the foot here: heel, toe, ball, knee.</summary>
    public bool IsPart { get; init; }

    public Sense? Sense { get; init; }

    /// <summary>Digits or a number word; 0 when it is none.</summary>
    public int Number { get; init; }

    public int Times { get; init; }

    /// <summary>Eighths of a turn; 0 when it is no amount.</summary>
    public int Amount { get; init; }

    /// <summary>Where the words inside this lexeme stand; read again when the name is not meant.</summary>
    public int TokenAt { get; init; }

    public int TokenCount { get; init; } = 1;

    public Foot Foot => Sense?.Foot ?? Foot.None;

    public int Side => Sense?.Side ?? 0;

    public Direction Direction => Sense?.Direction ?? Direction.None;

    public Facing? Wall => Sense?.Wall;

    public bool Is(Roles roles) => Sense is { } sense && sense.Is(roles);

    public bool IsSeparator => Kind == TokenKind.Separator;

    /// <summary>Nothing is known of it but its letters.</summary>
    public bool IsUnknown =>
        Step is null
            && Verb is null
            && Sense is null
            && Number == 0
            && Times == 0
            && Amount == 0
            && Kind is TokenKind.Word or TokenKind.Other;
}
