using Microsoft.CodeAnalysis;

namespace FondCompass.Mutants;

/// <summary>One change of the core: what stood there and what stands there when the switch of its number is on.</summary>
/// <param name="Id">Its number among all changes that are possible, files in alphabetical order, from 0.</param>
/// <param name="File">Path within the core, with <c>/</c>.</param>
/// <param name="Line">Line of the file as it is written, from 1.</param>
/// <param name="Node">The syntax it changes.</param>
/// <param name="Was">The text that is changed, on one line.</param>
/// <param name="Becomes">The text in its place.</param>
internal sealed record Mutation(int Id, string File, int Line, SyntaxNode Node, string Was, string Becomes)
{
    /// <summary>The folder of the core; of <c>Analysis</c> and its neighbours it is a dot.</summary>
    public string Folder => File.Contains('/') ? File[..File.IndexOf('/')] : ".";

    public override string ToString() => $"{File}:{Line}: {Was}  →  {Becomes}";
}

/// <summary>How a change ended.</summary>
internal enum Fate
{
    /// <summary>A test went red.</summary>
    Killed,

    /// <summary>Never came to an end in several times its usual time, or the process died.</summary>
    Hung,

    /// <summary>Every test that touches it stayed green.</summary>
    Survived,

    /// <summary>No test touches it.</summary>
    Untouched,

    /// <summary>The time was up before its turn.</summary>
    NotTried,
}
