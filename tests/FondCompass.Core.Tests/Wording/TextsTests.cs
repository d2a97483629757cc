using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Xunit;

namespace FondCompass.Core.Tests.Wording;

/// <summary>
/// What the product says stands in the resource files of one folder: each text once, each with the facts its places ask for, none that
/// nobody says; and no sentence stands in the code.
/// </summary>
public partial class TextsTests
{
    private static readonly string Root = Path.GetFullPath(Path.Combine(Here(), "..", "..", ".."));

    private static readonly List<Type> Classes =
    [
        .. typeof(TextSource).Assembly.GetTypes()
            .Where(t => t.Namespace?.StartsWith(typeof(TextSource).Namespace + ".", StringComparison.Ordinal) == true)
            .Where(t => t.IsPublic && t.IsAbstract && t.IsSealed)
            .OrderBy(t => t.Name, StringComparer.Ordinal),
    ];

    /// <summary>
    /// What is no sentence though it has as many words: the grammar of scripts and of what is pasted, steps that are written into a script,
    /// demo data.
    /// </summary>
    private static readonly string[] Grammar =
    [
        "src/FondCompass.Core/Notation/", "src/FondCompass.Core/Prose/", "src/FondCompass.Core/Reading/",
        "src/FondCompass.Core/Runs/Fitting/FitRows.cs", "src/FondCompass.Core/Swaps/StepChoice.cs",
        "src/FondCompass.Core/Teaching/Boards/LiveMoves.cs", "src/FondCompass.Core/Music/PresetSongs.cs", "src/FondCompass.Data/Demo/",
        "src/FondCompass.Web/Hosting/WarmUp.cs",
        "src/FondCompass.Application/Shelf/ShelfDesk.cs",
        "src/FondCompass.Web/Pages/Accounts/SignIn.cshtml.cs",
    ];

    private static string Here([CallerFilePath] string here = "") => Path.GetDirectoryName(here)!;

    private static string Sources => Path.Combine(Root, "src");

    private static Dictionary<string, string> FileOf(Type texts) =>
        XDocument.Load(Directory.EnumerateFiles(Sources, texts.Name + ".resx", SearchOption.AllDirectories).Single())
            .Root!.Elements("data").ToDictionary(d => d.Attribute("name")!.Value, d => d.Element("value")!.Value);

    private static IEnumerable<MemberInfo> MembersOf(Type texts) =>
        texts.GetMembers(BindingFlags.Public | BindingFlags.Static | BindingFlags.DeclaredOnly)
            .Where(m => m is PropertyInfo or MethodInfo { IsSpecialName: false });

    private static ParameterInfo[] FactsOf(MemberInfo member) => member is MethodInfo method ? method.GetParameters() : [];

    [Fact]
    public void Each_text_has_a_member_and_each_member_a_text()
    {
        Assert.True(Classes.Count > 20, $"{Classes.Count} classes");
        foreach (var texts in Classes.Where(t => t != typeof(FindingTitles)))
        {
            Assert.Equal(
                FileOf(texts).Keys.Order(StringComparer.Ordinal),
                MembersOf(texts).Select(m => m.Name).Order(StringComparer.Ordinal));
        }
    }

    [Fact]
    public void Every_kind_of_finding_has_a_title() =>
        Assert.Equal(
            FileOf(typeof(FindingTitles)).Keys.Order(StringComparer.Ordinal),
            DocsTests.Codes().Select(c => c.Code).Order(StringComparer.Ordinal));

    [Fact]
    public void Each_fact_has_its_place_and_each_place_a_fact()
    {
        foreach (var (texts, member) in Classes.Where(t => t != typeof(FindingTitles)).SelectMany(t => MembersOf(t).Select(m => (t, m))))
        {
            var text = FileOf(texts)[member.Name];
            var facts = FactsOf(member);
            var places = facts.Length == 0
                ? []
                : Place().Matches(text).Select(m => int.Parse(m.Groups[1].ValueSpan)).Distinct().Order().ToList();
            Assert.True(
                places.SequenceEqual(Enumerable.Range(0, facts.Length)),
                $"{texts.Name}.{member.Name}: {facts.Length} facts, places {string.Join(", ", places)} in “{text}”");
            if (facts.Length > 0)
            {
                _ = CompositeFormat.Parse(text);
            }
        }
    }

    [Fact]
    public void No_text_is_there_that_nobody_says()
    {
        var said = Directory.EnumerateFiles(Sources, "*.cs*", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/bin/", StringComparison.Ordinal))
            .SelectMany(f => Said().Matches(File.ReadAllText(f)).Select(m => m.Value))
            .ToHashSet();
        Assert.Empty(Classes.SelectMany(t => MembersOf(t).Select(m => $"{t.Name}.{m.Name}")).Where(m => !said.Contains(m))
            .Except([$"{nameof(FindingTitles)}.{nameof(FindingTitles.Of)}"]));
    }

    [Fact]
    public void No_sentence_stands_in_the_code()
    {
        var found = new List<string>();
        foreach (var file in Directory.EnumerateFiles(Sources, "*.cs", SearchOption.AllDirectories))
        {
            var name = Path.GetRelativePath(Root, file).Replace('\\', '/');
            if (name.Split('/').Any(f => f is "bin" or "obj" or "Migrations") || Array.Exists(Grammar, name.StartsWith))
            {
                continue;
            }

            var tree = CSharpSyntaxTree.ParseText(File.ReadAllText(file));
            found.AddRange(tree.GetRoot().DescendantNodes()
                .Where(n =>
                    n is LiteralExpressionSyntax { RawKind: (int)SyntaxKind.StringLiteralExpression } or InterpolatedStringExpressionSyntax)
                .Where(n => !n.Ancestors().Any(a => a is AttributeSyntax || IsForOperators(a)))
                .Select(n => n is LiteralExpressionSyntax l ? l.Token.ValueText
                    : string.Concat(((InterpolatedStringExpressionSyntax)n).Contents.Select(c => c is InterpolatedStringTextSyntax t
                        ? $"{t.TextToken.ValueText}"
                        : "{}")))
                .Where(IsSentence)
                .Select(t => $"{name}: {t}"));
        }

        Assert.True(found.Count == 0, string.Join("\n", found));
    }

    /// <summary>Messages of the server's log and names of its measures, which stay in English for whoever runs it.</summary>
    private static bool IsForOperators(Microsoft.CodeAnalysis.SyntaxNode node) =>
        node is InvocationExpressionSyntax { Expression: MemberAccessExpressionSyntax called }
            && (called.Name.Identifier.Text.StartsWith("Log", StringComparison.Ordinal)
                || called.Name.Identifier.Text.StartsWith("CreateCounter", StringComparison.Ordinal));

    /// <summary>Four words and more, divided by spaces; what a database, a browser or a log is told is none.</summary>
    private static bool IsSentence(string text) => FourWords().IsMatch(text) && !Technical().IsMatch(text);

    [GeneratedRegex(@"(?<!\{)\{(\d+)[:}]")]
    private static partial Regex Place();

    [GeneratedRegex(@"\b\w+Texts\.\w+")]
    private static partial Regex Said();

    [GeneratedRegex(@"(?:^|[\s'""(])(?:[A-Za-z']{1,}[,;:.]? +){3}[A-Za-z']{2,}")]
    private static partial Regex FourWords();

    [GeneratedRegex(@"^\s*(?:select|insert|update|delete|with|default-src|[dMyHms ,:]+$)", RegexOptions.IgnoreCase)]
    private static partial Regex Technical();
}
