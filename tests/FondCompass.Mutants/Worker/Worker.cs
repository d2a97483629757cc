using System.Diagnostics;
using System.Reflection;
using System.Text.Json;
using FondCompass.Core;
using Xunit;
using Xunit.Sdk;
using Xunit.v3;

namespace FondCompass.Mutants;

/// <summary>
/// Runs cases of the tests within one process, at the word of its parent: a line of JSON in, a line out.
/// <c>cover N P OF</c>: every OF-th case from P on, twice: which of the N switches it asks and how long it takes. <c>try I
/// A:500,B:2000</c>: those cases with change I on, until one is red; one that takes longer than so many milliseconds ends the process.
/// </summary>
internal static class Worker
{
    private sealed record Case(string Name, MethodInfo Method, object?[] Arguments)
    {
        public string Folder => Method.ReflectedType!.Namespace!.Split('.') is [_, _, _, var folder, ..] ? folder : ".";
    }

    private static readonly List<Action> Forget = [.. Memos()];

    public static int Main()
    {
        using var answers = new StreamWriter(Console.OpenStandardOutput()) { AutoFlush = true };
        Console.SetOut(TextWriter.Null);
        // Tables of examples are read of the core already, and load its lexicon.
        Switches.Asked = new bool[MostSwitches];
        var cases = Cases().ToList();
        while (Console.In.ReadLine() is { } line)
        {
            var words = line.Split(' ');
            answers.WriteLine(words[0] switch
            {
                "cover" => Cover(cases, int.Parse(words[1]), int.Parse(words[2]), int.Parse(words[3])),
                "try" => Try(cases, int.Parse(words[1]), words[2].Split(',')),
                _ => "unknown",
            });
        }

        return 0;
    }

    private const int MostSwitches = 100_000;

    /// <summary>A case that takes longer judges no change: there are too many changes for it.</summary>
    private const double MostSeconds = 0.8;

    private static string Cover(List<Case> cases, int switches, int first, int each)
    {
        var told = new List<object>();
        var cold = Switches.Asked![..switches];
        for (var i = first; i < cases.Count; i += each)
        {
            var one = cases[i];

            // Twice: what is asked only the first time is what a process reckons once.
            Switches.Asked = new bool[switches];
            var clock = Stopwatch.StartNew();
            var green = Green(one);
            var seconds = clock.Elapsed.TotalSeconds;
            Mark(cold, Switches.Asked);
            if (!green || seconds > 5 * MostSeconds)
            {
                told.Add(new { Number = i, one.Folder, one.Name, Green = false, Seconds = seconds, Asked = Array.Empty<int>() });
                continue;
            }

            Switches.Asked = new bool[switches];
            clock.Restart();
            green = Green(one) && clock.Elapsed.TotalSeconds <= MostSeconds;
            told.Add(new
            {
                Number = i,
                one.Folder,
                one.Name,
                Green = green,
                Seconds = clock.Elapsed.TotalSeconds,
                Asked = Numbers(Switches.Asked)
            });
        }

        Switches.Asked = null;
        return JsonSerializer.Serialize(new { Cases = told, Cold = Numbers(cold) });
    }

    private static string Try(List<Case> cases, int id, string[] which)
    {
        Switches.Asked = null;
        using var hung = new Timer(_ => Environment.Exit(3));
        foreach (var (one, most) in which.Select(w => w.Split(':')).Select(w => (int.Parse(w[0]), int.Parse(w[1]))))
        {
            hung.Change(most, Timeout.Infinite);
            Switches.Active = id;
            var green = Green(cases[one]);
            Switches.Active = -1;
            hung.Change(Timeout.Infinite, Timeout.Infinite);
            if (!green)
            {
                // What a change left behind in this process may not judge the next one.
                return Green(cases[one]) ? $"killed {one}" : $"soiled {one}";
            }
        }

        return "survived";
    }

    private static bool Green(Case one)
    {
        foreach (var forget in Forget)
        {
            forget();
        }

        try
        {
            var on = one.Method.IsStatic ? null : Activator.CreateInstance(one.Method.ReflectedType!);
            try
            {
                if (one.Method.Invoke(on, one.Arguments) is Task task)
                {
                    task.GetAwaiter().GetResult();
                }
            }
            finally
            {
                (on as IDisposable)?.Dispose();
            }

            return true;
        }
        catch (Exception)
        {
            return false;
        }
    }

    private static IEnumerable<Case> Cases()
    {
        var types = Assembly.GetExecutingAssembly()
            .GetTypes()
            .Where(t => t is { IsPublic: true, IsAbstract: false }
                && t.Namespace?.StartsWith("FondCompass.Core.Tests", StringComparison.Ordinal) == true);
        foreach (var type in types.OrderBy(t => t.FullName, StringComparer.Ordinal))
        {
            foreach (var method in type.GetMethods()
                .Where(m => m.GetCustomAttribute<FactAttribute>() is not null)
                .OrderBy(m => m.Name, StringComparer.Ordinal))
            {
                var rows = method.GetCustomAttributes<DataAttribute>().SelectMany(d => Rows(d, method)).ToList();
                foreach (var (row, number) in (method.GetCustomAttribute<TheoryAttribute>() is null ? [[]] : rows).Select((r, i) => (r, i)))
                {
                    yield return new Case($"{type.Name}.{method.Name} {number}", method, Filled(method, row));
                }
            }
        }
    }

    private static IEnumerable<object?[]> Rows(DataAttribute data, MethodInfo method)
    {
        if (data is MemberDataAttributeBase member)
        {
            member.MemberType ??= method.ReflectedType;
        }

        return data.GetData(method, new DisposalTracker()).AsTask().GetAwaiter().GetResult().Select(r => r.GetData());
    }

    /// <summary>
    /// Rows as the runner would hand them over: numbers of the parameter's kind, the rest as a params array, what is left out by its
    /// default.
    /// </summary>
    private static object?[] Filled(MethodInfo method, object?[] row)
    {
        var parameters = method.GetParameters();
        if (parameters.Length > 0
            && parameters[^1].IsDefined(typeof(ParamArrayAttribute))
            && !(row.Length == parameters.Length && row[^1] is Array))
        {
            var rest = row[(parameters.Length - 1)..];
            var array = Array.CreateInstance(parameters[^1].ParameterType.GetElementType()!, rest.Length);
            Array.Copy(rest, array, rest.Length);
            row = [.. row[..(parameters.Length - 1)], array];
        }

        return [.. parameters.Select((p, i) => i >= row.Length
            ? p.DefaultValue
            : Converted(row[i], Nullable.GetUnderlyingType(p.ParameterType) ?? p.ParameterType))];
    }

    private static object? Converted(object? value, Type to) =>
        value is null || to.IsInstanceOfType(value) || !to.IsPrimitive && to != typeof(decimal) || to.IsEnum
            ? value
            : Convert.ChangeType(value, to, System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>What the core keeps between two calls beside its shipped lexicon.</summary>
    private static IEnumerable<Action> Memos() => typeof(Analysis).Assembly.GetTypes()
        .Where(t => !t.ContainsGenericParameters)
        .SelectMany(t => t.GetFields(BindingFlags.Static | BindingFlags.NonPublic | BindingFlags.Public))
        .Where(f => f.FieldType.IsGenericType
            && f.FieldType.GetGenericTypeDefinition() == typeof(System.Runtime.CompilerServices.ConditionalWeakTable<,>))
        .Select(f => f.FieldType.GetMethod("Clear")!.CreateDelegate<Action>(f.GetValue(null)));

    private static void Mark(bool[] all, bool[] some)
    {
        for (var i = 0; i < all.Length; i++)
        {
            all[i] |= some[i];
        }
    }

    private static int[] Numbers(bool[] asked) => [.. Enumerable.Range(0, asked.Length).Where(i => asked[i])];
}
