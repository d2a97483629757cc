using System.Reflection;
using System.Reflection.Metadata;
using System.Reflection.Metadata.Ecma335;
using System.Reflection.PortableExecutable;
using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;
using FondCompass.Web.Hosting;
using Microsoft.AspNetCore.Html;
using Xunit;

namespace FondCompass.Web.Tests.Markup;

/// <summary>
/// Only what the build itself made is written to a page as markup; and the clock is asked by nobody but through what is passed in.
/// </summary>
public partial class BuiltMarkupTests
{
    // Instructions of the common intermediate language (ECMA-335, III), each with four bytes after it here.
    private const byte Call = 0x28, CallVirtual = 0x6F, LoadString = 0x72, MakeNew = 0x73, LoadField = 0x7B;
    private const int Instruction = 5;

    private static readonly Assembly[] Product =
    [
        typeof(Program).Assembly, typeof(Data.Dances.DanceShelf).Assembly, typeof(Core.Analysis).Assembly
    ];

    /// <summary>Every member of another assembly that an assembly uses, as "Type.Member".</summary>
    private static List<string> Used(Assembly assembly)
    {
        using var file = File.OpenRead(assembly.Location);
        using var portable = new PEReader(file);
        var reader = portable.GetMetadataReader();
        string NameOf(EntityHandle parent) => parent.Kind switch
        {
            HandleKind.TypeReference when reader.GetTypeReference((TypeReferenceHandle)parent) is var type =>
                $"{reader.GetString(type.Namespace)}.{reader.GetString(type.Name)}",
            _ => "",
        };
        return [.. reader.MemberReferences.Select(h => reader.GetMemberReference(h))
            .Select(m => $"{NameOf(m.Parent)}.{reader.GetString(m.Name)}")];
    }

    /// <summary>
    /// How often an assembly uses a member by an instruction, and how often what it uses it on is known to be no text of anybody's: the
    /// instruction
    /// before loads just that.
    /// </summary>
    private static (int All, int Known) Uses(
        Assembly assembly,
        byte[] by,
        Func<MetadataReader, MemberReference, bool> isUsed,
        Func<MetadataReader,
        byte[], int, bool> isKnown)
    {
        using var file = File.OpenRead(assembly.Location);
        using var portable = new PEReader(file);
        var reader = portable.GetMetadataReader();
        var used = reader.MemberReferences.Where(h => isUsed(reader, reader.GetMemberReference(h)))
            .Select(h => MetadataTokens.GetToken(h))
            .ToHashSet();
        var (all, known) = (0, 0);
        foreach (var method in reader.MethodDefinitions.Select(reader.GetMethodDefinition).Where(m => m.RelativeVirtualAddress != 0))
        {
            var code = portable.GetMethodBody(method.RelativeVirtualAddress).GetILBytes()!;
            for (var at = 0; at + Instruction <= code.Length; at++)
            {
                if (by.Contains(code[at]) && used.Contains(BitConverter.ToInt32(code, at + 1)))
                {
                    all++;
                    known += at >= Instruction && isKnown(reader, code, at - Instruction) ? 1 : 0;
                }
            }
        }

        return (all, known);
    }

    /// <summary>How often an HtmlString is made, and how often of a constant: a string that stands in the assembly.</summary>
    private static (int All, int Known) HtmlStrings(Assembly assembly) => Uses(assembly, [MakeNew],
        (reader, m) => m.Parent.Kind == HandleKind.TypeReference && reader.GetString(m.Name) == ".ctor"
            && reader.GetString(reader.GetTypeReference((TypeReferenceHandle)m.Parent).Name) == nameof(HtmlString),
        (_, code, before) => code[before] == LoadString && code[before + 4] == 0x70);

    /// <summary>
    /// How often Html.Raw is called, and how often by the compiler of the views on what it just had encoded into its own buffer, for an
    /// attribute of
    /// an element that a tag helper makes.
    /// </summary>
    private static (int All, int Known) Raws(Assembly assembly) => Uses(assembly, [Call, CallVirtual],
        (reader, m) => reader.GetString(m.Name) == "Raw",
        (reader, code, before) => code[before] == LoadField
            && FieldOf(reader, BitConverter.ToInt32(code, before + 1)) == "__tagHelperStringValueBuffer");

    private static string? FieldOf(MetadataReader reader, int token) => MetadataTokens.EntityHandle(token) switch
    {
        { Kind: HandleKind.FieldDefinition } field => reader.GetString(reader.GetFieldDefinition((FieldDefinitionHandle)field).Name),
        { Kind: HandleKind.MemberReference } member => reader.GetString(reader.GetMemberReference((MemberReferenceHandle)member).Name),
        _ => null,
    };

    [Fact]
    public void No_text_is_written_as_markup()
    {
        string[] raw = ["AppendHtml", "SetHtmlContent", "HtmlFormattableString..ctor", "MarkupString"];
        Assert.DoesNotContain(Used(typeof(Program).Assembly), m => Array.Exists(raw, m.Contains));
        // Compiled views make this of the attributes that stand in them: of constants, and of nothing else.
        var (made, ofConstants) = HtmlStrings(typeof(Program).Assembly);
        Assert.True(made > 100, $"{made} were found: the search itself is broken.");
        Assert.Equal(made, ofConstants);
        var (raws, ofBuffers) = Raws(typeof(Program).Assembly);
        Assert.True(raws > 5, $"{raws} were found: the search itself is broken.");
        Assert.Equal(raws, ofBuffers);
        // One type alone is markup of its own, and nobody but the build makes it.
        Assert.Equal([typeof(BuiltMarkup)], typeof(Program).Assembly.GetTypes().Where(t => typeof(IHtmlContent).IsAssignableFrom(t)));
        Assert.Empty(typeof(BuiltMarkup).GetConstructors());
        Assert.All(
            typeof(BuiltMarkup).GetMethods(BindingFlags.Static | BindingFlags.NonPublic | BindingFlags.Public | BindingFlags.DeclaredOnly),
            m => Assert.True(m.IsAssembly, m.Name));
    }

    [Fact]
    public void No_view_writes_what_is_not_encoded()
    {
        var web = Path.Combine(TestDatabase.Root, "src", "FondCompass.Web");
        var sources = Directory.GetFiles(web, "*.c*", SearchOption.AllDirectories)
            .Where(f => f.EndsWith(".cshtml", StringComparison.Ordinal) || f.EndsWith(".cs", StringComparison.Ordinal))
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/bin/", StringComparison.Ordinal))
            .ToList();
        Assert.True(sources.Count > 150);
        Assert.Empty(sources.Where(f => Raw().IsMatch(File.ReadAllText(f))).Select(Path.GetFileName));
        // Two places make markup of what the build made, and no other.
        Assert.Equal(
            ["BuiltMarkup.cs", "ModuleMap.cs", "ShippedDocs.cs"],
            sources.Where(f => File.ReadAllText(f).Contains("BuiltMarkup.Of", StringComparison.Ordinal)
                || Path.GetFileName(f) == "BuiltMarkup.cs")
                .Select(Path.GetFileName)
                .Order(StringComparer.Ordinal));
    }

    /// <summary>
    /// Scripts put only what a handler of ours rendered into a page: three of them do, and take it from an answer's text.
    /// </summary>
    [Fact]
    public void Scripts_make_markup_of_our_own_answers_alone()
    {
        var scripts = Directory.GetFiles(
            Path.Combine(TestDatabase.Root, "src", "FondCompass.Web", "wwwroot", "js"),
            "*.js",
            SearchOption.AllDirectories);
        var lines = scripts.SelectMany(f => File.ReadAllLines(f)
            .Where(l => Sinks().IsMatch(l))
            .Select(l => $"{Path.GetFileName(f)}: {l.Trim()}"))
            .Order(StringComparer.Ordinal)
            .ToList();
        Assert.Equal(
            [
                "dialogs.js: pasted.innerHTML = await answer.text();",
                "dialogs.js: waysBody.innerHTML = await answer.text();",
                "offers.js: list.innerHTML = html;"
            ],
            lines);
    }

    [Fact]
    public void Nobody_asks_a_clock_that_was_not_passed_in()
    {
        string[] clocks =
        [
            "System.DateTime.get_Now", "System.DateTime.get_UtcNow", "System.DateTime.get_Today",
            "System.DateTimeOffset.get_Now", "System.DateTimeOffset.get_UtcNow", "System.Environment.get_TickCount",
            "System.Environment.get_TickCount64", "System.Diagnostics.Stopwatch."
        ];
        Assert.All(
            Product,
            assembly => Assert.DoesNotContain(Used(assembly), m => Array.Exists(clocks, c => m.StartsWith(c, StringComparison.Ordinal))));
        // The framework's own is named once, where it is passed in.
        Assert.Equal(
            ["FondCompass.Web"],
            Product.Where(a => Used(a).Contains("System.TimeProvider.get_System")).Select(a => a.GetName().Name));
    }

    [GeneratedRegex(@"Html\.Raw|HtmlString|WriteLiteral\(|IHtmlContentBuilder|AppendHtml")]
    private static partial Regex Raw();

    [GeneratedRegex(@"innerHTML\s*\+?=|outerHTML\s*=|insertAdjacentHTML|document\.write|createContextualFragment|\beval\(|new Function\(|srcdoc")]
    private static partial Regex Sinks();
}
