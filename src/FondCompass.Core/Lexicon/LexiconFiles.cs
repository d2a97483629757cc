using FondCompass.Core.Wording.Texts.Dances;
using YamlDotNet.Serialization;
using YamlDotNet.Serialization.NamingConventions;

namespace FondCompass.Core.Lexicon;

/// <summary>The data files that ship inside the core.</summary>
internal static class LexiconFiles
{
    public static IDeserializer Yaml { get; } = new DeserializerBuilder().WithNamingConvention(CamelCaseNamingConvention.Instance).Build();

    /// <summary>Reads one file by the end of its name.</summary>
    public static T Read<T>(string name) => Yaml.Deserialize<T>(Texts(n => n.EndsWith("." + name, StringComparison.Ordinal)).Single());

    /// <summary>The texts of the files wanted, in order of their names.</summary>
    public static IEnumerable<string> Texts(Func<string, bool> wanted)
    {
        var assembly = typeof(LexiconFiles).Assembly;
        foreach (var name in assembly.GetManifestResourceNames()
            .Where(n => n.EndsWith(".yaml", StringComparison.Ordinal) && wanted(n))
            .Order(StringComparer.Ordinal))
        {
            using var reader = new StreamReader(assembly.GetManifestResourceStream(name)!);
            yield return reader.ReadToEnd();
        }
    }

    /// <summary>A direction by its plain name; none for the empty word.</summary>
    public static Direction Direction(string way) => way switch
    {
        "" => Lexicon.Direction.None,
        "forward" => Lexicon.Direction.Forward,
        "back" => Lexicon.Direction.Back,
        "side" => Lexicon.Direction.Side,
        "diagonal forward" => Lexicon.Direction.DiagonalForward,
        "diagonal back" => Lexicon.Direction.DiagonalBack,
        "across" => Lexicon.Direction.Across,
        "behind" => Lexicon.Direction.Behind,
        "beside" => Lexicon.Direction.Beside,
        "in place" => Lexicon.Direction.InPlace,
        "in" => Lexicon.Direction.In,
        "out" => Lexicon.Direction.Out,
        "with the sun" or "round" => Lexicon.Direction.WithSun,
        "against the sun" => Lexicon.Direction.AgainstSun,
        _ => throw new FormatException(StepTexts.NoDirection(way)),
    };
}
