using System.Diagnostics;
using System.Text.RegularExpressions;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace FondCompass.Mutants;

/// <summary>The core with a switch at each chosen change, and its tests, built once. A change that does not compile is left out.</summary>
internal sealed partial class MutatedBuild(string root)
{
    private const int MostBuilds = 12;

    private readonly string core = Path.Combine(root, "src", "FondCompass.Core");
    private readonly string into = Path.Combine(root, ".build", "mutants");

    /// <summary>The program that runs the tests at its parent's word.</summary>
    public string Worker => Path.Combine(into, "tests", "bin", "Release", "net10.0", "FondCompass.Core.Tests");

    /// <summary>Every change that could be made, files in alphabetical order.</summary>
    public List<Mutation> All()
    {
        var all = new List<Mutation>();
        foreach (var path in Directory.EnumerateFiles(core, "*.cs", SearchOption.AllDirectories)
            .Where(IsSource)
            .Order(StringComparer.Ordinal))
        {
            var tree = CSharpSyntaxTree.ParseText(File.ReadAllText(path));
            var file = Path.GetRelativePath(core, path).Replace('\\', '/');
            foreach (var node in tree.GetRoot().DescendantNodes())
            {
                foreach (var text in Changes.Of(node))
                {
                    all.Add(new Mutation(
                        all.Count,
                        file,
                        tree.GetLineSpan(node.Span).StartLinePosition.Line + 1,
                        node,
                        OneLine(node.ToString()),
                        OneLine(text)));
                }
            }
        }

        return all;
    }

    /// <summary>
    /// The changes of a table: lines <c>file | was | becomes | what it means</c>; of a constant only the value becomes another.
    /// </summary>
    /// <exception cref="FormatException">A line has not four fields, or what was is nowhere in its file.</exception>
    public List<Mutation> Table(string path)
    {
        var found = new List<Mutation>();
        // One tree for each file: its changes are written into it together.
        var trees = new Dictionary<string, SyntaxTree>();
        foreach (var (text, i) in File.ReadAllLines(path).Select((text, i) => (text, i)).Where(l => l.text.Length > 0 && l.text[0] != '#'))
        {
            if (text.Split(" | ", StringSplitOptions.TrimEntries) is not [var file, var was, var becomes, _])
            {
                throw new FormatException($"{path}:{i + 1}: a line is: file | was | becomes | what it means");
            }

            if (!trees.TryGetValue(file, out var tree))
            {
                trees[file] = tree = CSharpSyntaxTree.ParseText(File.ReadAllText(Path.Combine(core, file)));
            }

            var node = tree.GetRoot().DescendantNodes()
                .FirstOrDefault(n => n is ExpressionSyntax or VariableDeclaratorSyntax && OneLine(n.ToString()) == was)
                ?? throw new FormatException($"{path}:{i + 1}: {file} has no '{was}'");
            found.Add(new Mutation(found.Count, file, tree.GetLineSpan(node.Span).StartLinePosition.Line + 1, node, was, becomes));
        }

        return found;
    }

    /// <summary>Writes and builds it. Returns the changes that compile.</summary>
    /// <exception cref="InvalidOperationException">It does not compile for a reason that is none of the changes.</exception>
    public List<Mutation> Build(List<Mutation> chosen)
    {
        Copy();
        var left = chosen.ToList();
        for (var build = 1; build <= MostBuilds; build++)
        {
            var constants = Write(left);
            var output = Dotnet();
            if (output is null)
            {
                return left;
            }

            var bad = Faulty(output, left, constants);
            if (bad.Count == 0)
            {
                throw new InvalidOperationException($"The mutated core does not compile:\n{output}");
            }

            Console.Error.WriteLine($"  build {build}: {bad.Count} changes do not compile and are left out");
            foreach (var faulty in left.Where(m => bad.Contains(m.Id)))
            {
                Console.Error.WriteLine($"    {faulty}");
            }

            left.RemoveAll(m => bad.Contains(m.Id));
        }

        throw new InvalidOperationException($"After {MostBuilds} builds the mutated core still does not compile.");
    }

    private void Copy()
    {
        if (Directory.Exists(Path.Combine(into, "core")))
        {
            foreach (var old in Directory.EnumerateFiles(Path.Combine(into, "core"), "*", SearchOption.AllDirectories).Where(IsSource))
            {
                File.Delete(old);
            }
        }

        foreach (var path in Directory.EnumerateFiles(core, "*", SearchOption.AllDirectories)
            .Where(IsSource)
            .Where(p => !p.EndsWith("packages.lock.json", StringComparison.Ordinal)))
        {
            var copy = Path.Combine(into, "core", Path.GetRelativePath(core, path));
            Directory.CreateDirectory(Path.GetDirectoryName(copy)!);
            File.Copy(path, copy, overwrite: true);
        }

        var here = Path.Combine(root, "tests", "FondCompass.Mutants", "Worker");
        File.Copy(Path.Combine(here, "Switches.cs"), Path.Combine(into, "core", "Switches.cs"), overwrite: true);
        Directory.CreateDirectory(Path.Combine(into, "tests"));
        var tests = Path.Combine(root, "tests", "FondCompass.Core.Tests");
        File.WriteAllText(Path.Combine(into, "tests", "FondCompass.Core.Tests.csproj"), $"""
            <Project Sdk="Microsoft.NET.Sdk">
              <PropertyGroup>
                <OutputType>Exe</OutputType>
                <XunitAutoGeneratedEntryPoint>false</XunitAutoGeneratedEntryPoint>
                <StartupObject>FondCompass.Mutants.Worker</StartupObject>
                <ServerGarbageCollection>false</ServerGarbageCollection>
                <TieredPGO>false</TieredPGO>
              </PropertyGroup>
              <ItemGroup>
                <PackageReference Include="xunit.v3" />
                <PackageReference Include="CsCheck" />
                <PackageReference Include="TngTech.ArchUnitNET" />
                <ProjectReference Include="../core/FondCompass.Core.csproj" />
                <Compile Include="{tests}/**/*.cs" Exclude="{tests}/bin/**;{tests}/obj/**;{tests}/FloorsTests.cs;{tests}/DocsTests.cs;{tests}/StructureTests.cs;{tests}/CitationTests.cs" />
                <Compile Include="{here}/Worker.cs" />
                <Compile Include="{tests}/../FondCompass.Wordings/*.cs" Exclude="{tests}/../FondCompass.Wordings/Program.cs" />
                <None Include="{tests}/Reading/readings.json" Link="Reading/readings.json" CopyToOutputDirectory="PreserveNewest" />
                <None Include="{tests}/Prose/pastes.json" Link="Prose/pastes.json" CopyToOutputDirectory="PreserveNewest" />
                <None Include="{tests}/Prose/manners.json" Link="Prose/manners.json" CopyToOutputDirectory="PreserveNewest" />
              </ItemGroup>
            </Project>
            """);
    }

    /// <returns>Names of the constants that are properties now, by the number of the change.</returns>
    private Dictionary<int, string> Write(List<Mutation> chosen)
    {
        var constants = new Dictionary<int, string>();
        var byFile = chosen.ToLookup(m => m.File);
        foreach (var path in Directory.EnumerateFiles(core, "*.cs", SearchOption.AllDirectories).Where(IsSource))
        {
            var file = Path.GetRelativePath(core, path).Replace('\\', '/');
            var copy = Path.Combine(into, "core", file);
            var text = File.ReadAllText(path);
            if (byFile[file].Any())
            {
                var switched = new Switched(byFile[file].ToLookup(m => m.Node));
                text = switched.Visit(byFile[file].First().Node.SyntaxTree.GetRoot())!.ToFullString();
                foreach (var (id, name) in switched.Constants)
                {
                    constants[id] = name;
                }
            }

            if (File.ReadAllText(copy) != text)
            {
                File.WriteAllText(copy, text);
            }
        }

        return constants;
    }

    /// <returns>What it said, or nothing when it built.</returns>
    private string? Dotnet()
    {
        var start = new ProcessStartInfo("dotnet") { RedirectStandardOutput = true, RedirectStandardError = true };
        foreach (var word in new[]
        {
            "build",
            Path.Combine(into, "tests"),
            "-c",
            "Release",
            "-v",
            "quiet",
            "--nologo",
            "-p:TreatWarningsAsErrors=false",
            "-p:RunAnalyzers=false",
            "-p:GenerateDocumentationFile=false",
            "-p:RestorePackagesWithLockFile=false",
            "-p:WarningLevel=0",
            "-p:NoWarn=CS8509%3BCS8524%3BCS0162%3BCS8846",
            "-p:XunitAutoGeneratedEntryPoint=false",
            "-p:EnforceCodeStyleInBuild=false",
        })
        {
            start.ArgumentList.Add(word);
        }

        using var process = Process.Start(start)!;
        var said = process.StandardOutput.ReadToEndAsync();
        var cried = process.StandardError.ReadToEndAsync();
        process.WaitForExit();
        return process.ExitCode == 0 ? null : said.Result + cried.Result;
    }

    /// <summary>
    /// The changes at the places the compiler complains of: the innermost switch there; else the constant named there; else all of the
    /// member.
    /// </summary>
    private static HashSet<int> Faulty(string output, List<Mutation> chosen, Dictionary<int, string> constants)
    {
        var bad = new HashSet<int>();
        var known = chosen.Select(m => m.Id).ToHashSet();
        foreach (var group in Complaint().Matches(output).DistinctBy(m => m.Value).GroupBy(m => m.Groups["file"].Value))
        {
            var tree = CSharpSyntaxTree.ParseText(File.ReadAllText(group.Key));
            var source = tree.GetText();
            foreach (var complaint in group)
            {
                var line = source.Lines[int.Parse(complaint.Groups["line"].Value) - 1];
                var position = Math.Min(line.Start + int.Parse(complaint.Groups["column"].Value) - 1, line.End);
                var at = tree.GetRoot().FindToken(position).Parent!;
                var whole = at.AncestorsAndSelf()
                    .TakeWhile(n => n is not (StatementSyntax or MemberDeclarationSyntax))
                    .LastOrDefault(n => n is ExpressionSyntax or PatternSyntax)
                    ?? at;
                var named = whole.DescendantNodesAndSelf().OfType<IdentifierNameSyntax>().Select(n => n.Identifier.Text).ToHashSet();
                var byName = complaint.Groups["code"].Value is "CS0150" or "CS0182" or "CS9135" or "CS0133" or "CS1736"
                    ? constants.Where(c => named.Contains(c.Value)).Select(c => c.Key).ToList()
                    : [];
                var ids = byName.Count > 0 ? byName
                    : complaint.Groups["code"].Value is "CS0165" or "CS0170" && Assigning(at, named) is { Count: > 0 } some ? some
                    : Innermost(at);
                if (ids.Count > 3)
                {
                    Console.Error.WriteLine(
                        $"  for {Path.GetFileName(group.Key)}: {complaint.Value[(group.Key.Length + 1)..]} {ids.Count} are left out: "
                            + $"{OneLine(source.Lines.GetLineFromPosition(position).ToString())}");
                }

                bad.UnionWith(ids.Where(known.Contains));
            }
        }

        return bad;
    }

    /// <summary>Of the member the switches around what declares a variable: with one of them it is not always set.</summary>
    private static List<int> Assigning(SyntaxNode at, HashSet<string> names) => [.. at.Ancestors().OfType<MemberDeclarationSyntax>().First()
        .DescendantNodes().OfType<SingleVariableDesignationSyntax>().Where(d => names.Contains(d.Identifier.Text))
        .SelectMany(d => d.Ancestors().OfType<ConditionalExpressionSyntax>())
        .SelectMany(c => SwitchNumber().Match(c.Condition.ToString()) is { Success: true } m ? new[] { int.Parse(m.Groups[1].Value) } : [])
        .Distinct()];

    private static List<int> Innermost(SyntaxNode at)
    {
        foreach (var node in at.AncestorsAndSelf())
        {
            var ids = node switch
            {
                ConditionalExpressionSyntax c when SwitchNumber().Match(c.Condition.ToString()) is { Success: true } m =>
                    [int.Parse(m.Groups[1].Value)],
                SwitchExpressionArmSyntax { WhenClause: { } w } => Ids(w.ToString()),
                MemberDeclarationSyntax m => Ids(m.ToString()),
                _ => [],
            };
            if (ids.Count > 0)
            {
                return ids;
            }
        }

        return [];
    }

    private static List<int> Ids(string text) => [.. SwitchNumber().Matches(text).Select(m => int.Parse(m.Groups[1].Value))];

    private static bool IsSource(string path) =>
        !path.Contains("/bin/", StringComparison.Ordinal) && !path.Contains("/obj/", StringComparison.Ordinal);

    private static string OneLine(string text) => Space().Replace(text, " ");

    [GeneratedRegex(@"Switches\.On\((\d+)\)")]
    private static partial Regex SwitchNumber();

    [GeneratedRegex(@"(?<file>/[^\s(]+\.cs)\((?<line>\d+),(?<column>\d+)\): error (?<code>CS\d+)")]
    private static partial Regex Complaint();

    [GeneratedRegex(@"\s+")]
    private static partial Regex Space();
}
