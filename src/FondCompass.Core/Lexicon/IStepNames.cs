namespace FondCompass.Core.Lexicon;

/// <summary>Looks up steps by the words of their names.</summary>
public interface IStepNames
{
    /// <summary>Words in the longest name.</summary>
    int LongestName { get; }

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

    /// <summary>The script's own word for one of another language; the word itself when it is none.</summary>
    string Translate(string word);
}
