using System.Globalization;
using FondCompass.Mutants;

// ./test mutate table tries the changes of changes.txt on the tests of their own folder alone.
// Changes the core at random places and tells which share of the changes the tests notice: [FOLDER…] [--count N] [--seed N] [--minutes N].
var root = new DirectoryInfo(AppContext.BaseDirectory);
while (root is not null && !File.Exists(Path.Combine(root.FullName, "start")))
{
    root = root.Parent;
}

if (root is null)
{
    Console.Error.WriteLine("It runs from within the repository.");
    return 2;
}

var count = 75;
var seed = 1;
var minutes = 17.0;
var folders = new List<string>();
for (var i = 0; i < args.Length; i++)
{
    if (args[i].StartsWith("--", StringComparison.Ordinal))
    {
        if (i + 1 == args.Length
            || !double.TryParse(args[i + 1], NumberStyles.Float, CultureInfo.InvariantCulture, out var value)
            || value < 1)
        {
            Console.Error.WriteLine(
                $"{args[i]} needs a number of 1 or more after it. Usage: ./test mutate [FOLDER…] [--count N] [--seed N] [--minutes N]");
            return 2;
        }

        i++;
        switch (args[i - 1])
        {
            case "--count": count = (int)value; break;
            case "--seed": seed = (int)value; break;
            case "--minutes": minutes = value; break;
            default:
                Console.Error.WriteLine($"{args[i - 1]} is not known. Usage: ./test mutate [FOLDER…] [--count N] [--seed N] [--minutes N]");
                return 2;
        }
    }
    else
    {
        folders.Add(args[i]);
    }
}

var build = new MutatedBuild(root.FullName);
if (folders is ["table"])
{
    var meant = build.Table(Path.Combine(root.FullName, "tests", "FondCompass.Mutants", "changes.txt"));
    var built = build.Build(meant);
    var ends = new Trial(build.Worker, Environment.ProcessorCount, TimeSpan.FromMinutes(minutes), ownFolder: true).Run(built);
    return new Report(meant, built, ends, Equivalents.None, Path.Combine(root.FullName, ".build", "mutants"), 0.8).Write() ? 0 : 1;
}

var all = build.All();
var strange = folders.Where(f => all.All(m => m.Folder != f && m.File != f)).ToList();
if (strange.Count > 0)
{
    Console.Error.WriteLine(
        $"No folder or file of the core: {string.Join(", ", strange)}. The folders: "
            + $"{string.Join(' ', all.Select(m => m.Folder).Distinct())}");
    return 2;
}

var equivalents = Equivalents.Read(Path.Combine(root.FullName, "tests", "FondCompass.Mutants", "equivalents.txt"));
var concerned = all.Where(m => folders.Count == 0 || folders.Contains(m.Folder) || folders.Contains(m.File)).ToList();
var random = new Random(seed);
var chosen = concerned
    .Where(m => !equivalents.Knows(m))
    .GroupBy(m => m.Folder)
    .SelectMany(g => g.OrderBy(_ => random.Next()).Take(count))
    .OrderBy(m => m.Id)
    .ToList();
Console.Error.WriteLine($"{all.Count} changes are possible, {chosen.Count} are tried (seed {seed}).");
var compiled = build.Build(chosen);
if (compiled.Count == 0)
{
    Console.Error.WriteLine("None of them compiles; try more with --count, or others with --seed.");
    return 2;
}

var shuffled = compiled.OrderBy(_ => random.Next()).ToList();
var fates = new Trial(build.Worker, Environment.ProcessorCount, TimeSpan.FromMinutes(minutes)).Run(shuffled);
return new Report(all, compiled, fates, equivalents, Path.Combine(root.FullName, ".build", "mutants")).Write() ? 0 : 1;
