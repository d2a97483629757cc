namespace FondCompass.Core.Lexicon;

/// <summary>Looks up steps by the words of their names.</summary>
public interface IStepNames
{
    /// <summary>Words in the longest name.</summary>
    int LongestName { get; }

    /// <summary>Whether some name begins with the word, in the singular or the plural.</summary>
    bool MayBegin(string word);

    /// <summary>The step named by <paramref name="length"/> words from <paramref name="start"/>, or null.</summary>
    /// <param name="words">Lower-case words.</param>
    /// <param name="plural">Whether the name stood in the plural ("toe struts").</param>
    NamedStep? Find(IReadOnlyList<string> words, int start, int length, out bool plural);

    /// <summary>The other steps that go by the same words, here or in another genre; empty when the class has settled one.</summary>
    IReadOnlyList<NamedStep> Otherwise(IReadOnlyList<string> words, int start, int length);

    /// <summary>All steps, own ones first.</summary>
    IEnumerable<NamedStep> Steps { get; }

    /// <summary>Whether the wording names a step whose own definition could not be read, which is told where it stands.</summary>
    bool IsBroken(string wording) => false;

    /// <summary>Which foot a move that is only named ends on, where the dance says so; null for every other name.</summary>
    WeightEnd? EndOf(string move) => null;

    /// <summary>Whether the dance says of some moves which foot they end on.</summary>
    bool NamesMoves => false;

    /// <summary>Words of other languages, and of the class, and the script's words they stand for.</summary>
    Translation Translation { get; }

    /// <summary>The genre whose habits settle what a verb means, in lower case; empty when none does.</summary>
    string Genre { get; }
}
