using System.Globalization;
using FondCompass.Core;
using FondCompass.Wordings;

// Words known dances in every class of wording and tells how each was read: [--count N] [--seed N] [--kind NAME] [--show N] [--told N].
const string Usage = "usage: ./test wordings [--count N] [--seed N] [--kind NAME] [--show N] [--told N]";
var (count, seed, show, told, only) = (20_000, 1, 5, 0, "");
for (var i = 0; i < args.Length; i += 2)
{
    if (i + 1 == args.Length)
    {
        Console.Error.WriteLine($"{args[i]} needs a word after it. {Usage}");
        return 2;
    }

    var number = int.TryParse(args[i + 1], NumberStyles.None, CultureInfo.InvariantCulture, out var value) ? value : -1;
    switch (args[i])
    {
        case "--count" when number > 0: count = number; break;
        case "--seed" when number >= 0: seed = number; break;
        case "--show" when number >= 0: show = number; break;
        case "--told" when number >= 0: told = number; break;
        case "--kind": only = args[i + 1]; break;
        default:
            Console.Error.WriteLine(Usage);
            return 2;
    }
}

var generator = new Generator(new Random(seed));
var kinds = generator.Kinds.Where(k => only.Length == 0 || k.Name == only).ToList();
if (kinds.Count == 0)
{
    Console.Error.WriteLine($"No class of wordings is called {only}. There are: {string.Join(", ", generator.Kinds.Select(k => k.Name))}");
    return 2;
}

var tally = kinds.ToDictionary(k => k.Name, _ => new int[4]);
var shown = kinds.ToDictionary(k => k.Name, _ => new List<(Wording Wording, Verdict Verdict)>());
for (var i = 0; i < count; i++)
{
    var kind = kinds[i % kinds.Count];
    if (kind.Make() is not { Length: <= 8 } wording)
    {
        continue;
    }

    var verdict = Judge.Of(wording);
    tally[kind.Name][(int)verdict]++;
    var most = verdict switch { Verdict.Silent => show, Verdict.Told => told, _ => 0 };
    if (shown[kind.Name].Count(s => s.Verdict == verdict) < most)
    {
        shown[kind.Name].Add((wording, verdict));
    }
}

Console.WriteLine($"{"",-22}{"kept",8}{"told",8}{"silent",8}{"unusable",10}");
foreach (var (name, figures) in tally)
{
    Console.WriteLine($"{name,-22}{figures[0],8}{figures[1],8}{figures[2],8}{figures[3],10}");
}

var sums = Enumerable.Range(0, 4).Select(v => tally.Values.Sum(f => f[v])).ToList();
Console.WriteLine($"{"all",-22}{sums[0],8}{sums[1],8}{sums[2],8}{sums[3],10}");
foreach (var (wording, verdict) in shown.Values.SelectMany(s => s))
{
    var said = Analysis.Analyse(Judge.Script(wording, [wording.Said]));
    Console.WriteLine($"\n{verdict}, {wording.Kind}: {wording.Said}   [{wording.Owed}]\n  known {string.Join(" | ", wording.Known)}");
    Console.WriteLine($"  want  {Judge.Shown(Analysis.Analyse(Judge.Script(wording, wording.Known)))}\n  got   {Judge.Shown(said)}");
    foreach (var finding in verdict == Verdict.Told ? said.Findings : [])
    {
        Console.WriteLine($"  {finding}");
    }
}

return sums[(int)Verdict.Silent] == 0 ? 0 : 1;
