using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;

namespace FondCompass.Benchmarks;

/// <summary>
/// Many people who type at once, each in a dance of an account of their own: the ruler is asked for at every pause in the typing, and the
/// dance is
/// saved every few of them, as the browser does. On one instance, and on two over one database.
/// </summary>
internal static partial class LoadBenchmarks
{
    private const int People = 200;

    /// <summary>Between two keystrokes after which the ruler is asked for, in milliseconds, and so many of them to a save.</summary>
    private const int Shortest = 500, Longest = 1500, ToASave = 8;

    private static readonly TimeSpan WarmsUp = TimeSpan.FromSeconds(15), Lasts = TimeSpan.FromSeconds(45);

    public static async Task Run(string dll)
    {
        Console.WriteLine($"{"load",-52} {"p50",12} {"p95",12} {"p99",12} {"asked",9} {"errors",8}");
        await using (var one = new RunningApplication(dll))
        {
            await one.Start();
            await Measure($"{People} people typing, one instance", [one.Address]);
        }

        await using var first = new RunningApplication(dll);
        await first.Start();
        await using var second = first.Beside();
        await second.Start();
        await Measure($"{People} people typing, two instances", [first.Address, second.Address]);
    }

    private static async Task Measure(string what, string[] addresses)
    {
        var people = new List<Person>();
        foreach (var i in Enumerable.Range(0, People))
        {
            people.Add(await Person.Come(addresses[i % addresses.Length], addresses[(i + 1) % addresses.Length], i));
        }

        var (begin, typed, saved) = (Stopwatch.GetTimestamp(), new List<double>[People], new List<double>[People]);
        var errors = await Task.WhenAll(people.Select((p, i) => Task.Run(() => p.Type(begin, typed[i] = [], saved[i] = []))));
        foreach (var (name, times) in (IEnumerable<(string, List<double>)>)[
            (what, [.. typed.SelectMany(t => t).Order()]),
            ("  their saves", [.. saved.SelectMany(t => t).Order()])
        ])
        {
            string At(int percent) => $"{times[Math.Min(times.Count - 1, times.Count * percent / 100)]:0.0} ms";
            Console.WriteLine($"{name,-52} {At(50),12} {At(95),12} {At(99),12} {times.Count,9} {errors.Sum(),8}");
        }

        people.ForEach(p => p.Dispose());
    }

    private sealed partial class Person(HttpClient client, string dance, int number) : IDisposable
    {
        private readonly Random _random = new(number);

        private int _version = 1;

        /// <param name="at">Where the account is made.</param>
        /// <param name="writes">Where it is written: the session holds on every instance.</param>
        public static async Task<Person> Come(string at, string writes, int number)
        {
            var cookies = new CookieContainer();
            var client = new HttpClient(new HttpClientHandler { CookieContainer = cookies }) { BaseAddress = new Uri(at) };
            await Form(
                client,
                "/sign-in",
                "/sign-in?handler=New",
                ("Email", $"{Guid.NewGuid():N}@bench.invalid"),
                ("Password", "windlass and capstan"));
            // Cookies of 127.0.0.1 are sent to each of its ports.
            var there = new HttpClient(new HttpClientHandler { CookieContainer = cookies }) { BaseAddress = new Uri(writes) };
            var address = await Form(there, "/", "/?handler=New");
            var page = await there.GetStringAsync(address);
            there.DefaultRequestHeaders.Add("X-Fond-Token", PageToken().Match(page).Groups[1].Value);
            client.Dispose();
            return new Person(there, address[..^"/write".Length], number);
        }

        /// <summary>Types until the time is over; gives the errors.</summary>
        public async Task<int> Type(long begin, List<double> typed, List<double> saved)
        {
            var errors = 0;
            await Task.Delay(_random.Next(Longest));
            for (var i = 1; Stopwatch.GetElapsedTime(begin) < WarmsUp + Lasts; i++)
            {
                var script = $"{AnalyseBenchmarks.Script(32)}\n# {number} writes the {i}th\n";
                var isSave = i % ToASave == 0;
                var at = Stopwatch.GetTimestamp();
                using var answer = await client.PostAsync(isSave ? $"{dance}/write?handler=Save" : $"{dance}/write?handler=Ruler",
                    new FormUrlEncodedContent([new("script", script), new("version", $"{_version}")]));
                var body = await answer.Content.ReadAsStringAsync();
                errors += answer.IsSuccessStatusCode ? 0 : 1;
                if (Stopwatch.GetElapsedTime(begin) > WarmsUp)
                {
                    (isSave ? saved : typed).Add(Stopwatch.GetElapsedTime(at).TotalMilliseconds);
                }

                _version = isSave && answer.IsSuccessStatusCode
                    ? int.Parse(Version().Match(body).Groups[1].Value, CultureInfo.InvariantCulture)
                    : _version;
                await Task.Delay(_random.Next(Shortest, Longest));
            }

            return errors;
        }

        public void Dispose() => client.Dispose();

        private static async Task<string> Form(HttpClient client, string page, string path, params (string Name, string Value)[] fields)
        {
            var token = FormToken().Match(await client.GetStringAsync(page)).Groups[1].Value;
            using var answer = await client.PostAsync(
                path,
                new FormUrlEncodedContent(fields.Append(("__RequestVerificationToken", token))
                    .Select(f => KeyValuePair.Create(f.Item1, f.Item2))));
            answer.EnsureSuccessStatusCode();
            return answer.RequestMessage!.RequestUri!.AbsolutePath;
        }

        [GeneratedRegex("name=\"fond-token\" content=\"([^\"]+)\"")]
        private static partial Regex PageToken();

        [GeneratedRegex("__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
        private static partial Regex FormToken();

        [GeneratedRegex("\"version\":([0-9]+)")]
        private static partial Regex Version();
    }
}
