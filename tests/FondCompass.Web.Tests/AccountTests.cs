using System.IO.Compression;
using System.Net;
using System.Text.Json;
using System.Text.RegularExpressions;
using FondCompass.Data;
using FondCompass.Tests.Databases;
using FondCompass.Web.Accounts;
using FondCompass.Web.Accounts.SignIns;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>Accounts: their passwords, sessions, letters, data and end.</summary>
public partial class AccountTests(Studio studio)
{
    private const string First = "slack-tide-stroll", Other = "ebb-and-flood-again";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private Visitor Stranger() => new(studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false }));

    private static string NewAddress() => $"{Guid.NewGuid():N}@test.invalid";

    private async Task<(Visitor Visitor, string Email)> Owner()
    {
        var (visitor, email) = (Stranger(), NewAddress());
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await visitor.Post("/sign-in?handler=New", "/sign-in", ("Email", email), ("Password", First))).StatusCode);
        return (visitor, email);
    }

    private static Task<HttpResponseMessage> SignIn(Visitor visitor, string email, string password) =>
        visitor.Post("/sign-in?handler=In", "/sign-in", ("Email", email), ("Password", password));

    private static async Task<bool> IsIn(Visitor visitor) => (await visitor.Get("/lessons")).Status == HttpStatusCode.OK;

    private static async Task<string> Said(HttpResponseMessage answer) =>
        WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync(Cancel));

    private FondCompassContext Context() => studio.Services.CreateScope().ServiceProvider.GetRequiredService<FondCompassContext>();

    private Task<string> LetterTo(string email) => LetterTo(studio, email);

    /// <summary>The link in the letter that comes for an address; it is taken out of the folder.</summary>
    internal static Task<string> LetterTo(Studio studio, string email) => Until.There($"a letter to {email}", async () =>
    {
        foreach (var file in Directory.GetFiles(studio.Mail, "*.eml"))
        {
            var text = await File.ReadAllTextAsync(file, Cancel);
            if (text.Contains($"To: {email}", StringComparison.OrdinalIgnoreCase) && Link().Match(text) is { Success: true } link)
            {
                File.Delete(file);
                return link.Value;
            }
        }

        return null;
    });

    [Theory]
    [InlineData("eleven-char", false)]
    [InlineData("twelve-chars", true)]
    [InlineData("password123", false)]
    [InlineData("Password2026!", false)]
    [InlineData("1234567890", false)]
    [InlineData("aaaaaaaaaaaa", false)]
    [InlineData("abcabcabcabc", false)]
    [InlineData("sunshinesunshine", false)]
    [InlineData("harbour wall at dusk", true)]
    [InlineData("kittiwake1", false)]
    [InlineData("kittiwake-and-tern", true)]
    public void Passwords_are_judged_by_length_and_by_what_is_tried_first(string password, bool isFine) =>
        Assert.Equal(isFine, CommonPasswords.Problem(password, "kittiwake@test.invalid") is null);

    [Fact]
    public void Passwords_are_as_long_as_is_said()
    {
        var long1 = string.Concat(Enumerable.Range(0, 64).Select(i => $"{(char)('a' + (i * i % 26))}{i % 7}"));
        Assert.Null(CommonPasswords.Problem(long1, null));
        Assert.Contains("longer than 128", CommonPasswords.Problem(long1 + "x", null)!, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("a@b.example", true)]
    [InlineData("o'brien+dance@b.example", true)]
    [InlineData(" spaced@b.example ", true)]
    [InlineData("no-at.example", false)]
    [InlineData("two@@b.example", false)]
    [InlineData("in side@b.example", false)]
    [InlineData("nul\0@b.example", false)]
    [InlineData("Name <a@b.example>", false)]
    [InlineData("", false)]
    public void Addresses_are_those_that_letters_reach(string written, bool isOne) =>
        Assert.Equal(isOne, Accounts.SignIns.SignIn.EmailOf(written) is not null);

    [Fact]
    public async Task An_address_of_three_hundred_letters_is_refused_in_words()
    {
        Assert.NotNull(Accounts.SignIns.SignIn.EmailOf(
            $"{new string('a', 60)}@{new string('b', 60)}.{new string('c', 60)}.{new string('d', 60)}.example"));
        foreach (var handler in (string[])["In", "New"])
        {
            using var answer = await Stranger().Post(
                $"/sign-in?handler={handler}",
                "/sign-in",
                ("Email", $"{new string('a', 300)}@b.example"),
                ("Password", First));
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.Contains(handler == "In" ? "No account has" : "at most 254 characters", await Said(answer));
        }
    }

    [Fact]
    public async Task A_new_password_ends_every_other_session_and_the_old_password()
    {
        var (here, email) = await Owner();
        var elsewhere = Stranger();
        await SignIn(elsewhere, email, First);
        Assert.True(await IsIn(elsewhere));
        using (var wrong = await here.Post("/account?handler=Password", "/account", ("current", "not-my-password"), ("fresh", Other)))
        {
            Assert.Contains("not the password of this account", await Said(wrong));
        }

        using (var weak = await here.Post("/account?handler=Password", "/account", ("current", First), ("fresh", "password1234")))
        {
            Assert.Contains("among the common ones", await Said(weak));
        }

        Assert.True(await IsIn(elsewhere));
        using var done = await here.Post("/account?handler=Password", "/account", ("current", First), ("fresh", Other));
        Assert.Equal(HttpStatusCode.Redirect, done.StatusCode);
        Assert.Contains("The password is changed", (await here.Get(done.Headers.Location!.ToString())).Html);
        Assert.True(await IsIn(here));
        Assert.False(await IsIn(elsewhere));
        Assert.Contains("No account has", await Said(await SignIn(Stranger(), email, First)));
        Assert.Equal(HttpStatusCode.Redirect, (await SignIn(Stranger(), email, Other)).StatusCode);
        Assert.Contains("changed the password", (await here.Get("/account")).Html);
    }

    [Fact]
    public async Task Signing_out_everywhere_ends_every_session()
    {
        var (here, email) = await Owner();
        var elsewhere = Stranger();
        await SignIn(elsewhere, email, First);
        Assert.Equal(
            "/sign-in",
            (await elsewhere.Post("/account?handler=Sessions", "/account", ("current", First))).Headers.Location!.ToString());
        Assert.False(await IsIn(here));
        Assert.False(await IsIn(elsewhere));
        await SignIn(here, email, First);
        Assert.True(await IsIn(here));
    }

    [Fact]
    public async Task A_letter_lets_choose_a_password_once()
    {
        var (here, email) = await Owner();
        var visitor = Stranger();
        using var asked = await visitor.Post("/password", "/password", ("Email", email));
        Assert.Contains("a letter is on its way", await Said(asked));
        var link = await LetterTo(email);
        Assert.StartsWith("http://localhost/password/new?key=", link, StringComparison.Ordinal);
        Assert.Contains(email, (await visitor.Get(link)).Html);
        using (var weak = await visitor.Post(link, link, ("fresh", "short")))
        {
            Assert.Contains("too short", await Said(weak));
        }

        Assert.True(await IsIn(here));
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.Post(link, link, ("fresh", Other))).StatusCode);
        Assert.True(await IsIn(visitor));
        Assert.False(await IsIn(here));
        Assert.Contains("does not hold any more", (await Stranger().Get(link)).Html);
        Assert.Contains("No account has", await Said(await SignIn(Stranger(), email, First)));
    }

    [Fact]
    public async Task A_letter_reaches_an_address_in_any_letters()
    {
        var (visitor, email) = (Stranger(), $"ünal{Guid.NewGuid():N}@köln.invalid");
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await visitor.Post("/sign-in?handler=New", "/sign-in", ("Email", email), ("Password", First))).StatusCode);
        Assert.Contains("a letter is on its way", await Said(await Stranger().Post("/password", "/password", ("Email", email))));
        Assert.Contains(
            WebUtility.HtmlEncode(email).Split('@')[0],
            (await Stranger().Get(await LetterTo(email))).Html.Replace("&#xFC;", "&#252;", StringComparison.Ordinal),
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task More_letters_than_anybody_needs_are_refused_in_words_whoever_has_the_address()
    {
        var (_, email) = await Owner();
        foreach (var address in (string[])[email, NewAddress()])
        {
            var visitor = Stranger();
            for (var i = 0; i < 3; i++)
            {
                Assert.Contains("a letter is on its way", await Said(await visitor.Post("/password", "/password", ("Email", address))));
            }

            Assert.Contains(
                "3 letters to this address were asked for just now",
                await Said(await visitor.Post("/password", "/password", ("Email", address))));
        }
    }

    [Fact]
    public async Task Nobody_learns_who_has_an_account()
    {
        var (_, email) = await Owner();
        var stranger = NewAddress();
        async Task<string> Asked(string path, string address) =>
            (await Said(await Stranger().Post(path, path.Split('?')[0], ("Email", address), ("Password", "wrong-password-here"))))
            .Replace(address, "ADDRESS", StringComparison.Ordinal);
        string Plain(string html) => Token().Replace(html, "");
        Assert.Equal(Plain(await Asked("/password", stranger)), Plain(await Asked("/password", email)));
        Assert.Equal(Plain(await Asked("/sign-in?handler=In", email)), Plain(await Asked("/sign-in?handler=In", stranger)));
        // Letters are written one after the other: when the later one is there, the earlier would be.
        Assert.NotEmpty(await LetterTo(email));
        Assert.DoesNotContain(
            Directory.GetFiles(studio.Mail, "*.eml"),
            f => File.ReadAllText(f).Contains(stranger, StringComparison.OrdinalIgnoreCase));
    }

    [Fact]
    public async Task A_strangers_guesses_keep_the_stranger_out_and_not_the_owner()
    {
        var (here, email) = await Owner();
        await here.Post("/sign-in?handler=Out", "/");
        // The browser in which the owner has signed in before is known and counted by itself.
        var stranger = Stranger();
        for (var i = 0; i < FailedSignIns.Most; i++)
        {
            Assert.Contains("No account has", await Said(await SignIn(stranger, email, "guessed-wrong-again")));
        }

        Assert.Contains("Wait five minutes", await Said(await SignIn(stranger, email, First)));
        Assert.False(await IsIn(stranger));
        Assert.Equal(HttpStatusCode.Redirect, (await SignIn(here, email, First)).StatusCode);
        Assert.True(await IsIn(here));
        // They are noted behind the answers.
        await Until.Holds(
            "every wrong password is noted",
            async () => (await here.Get("/account")).Html.Split("wrong password").Length - 1 == FailedSignIns.Most);
        // Others are not kept out with it.
        var (_, second) = await Owner();
        Assert.Equal(HttpStatusCode.Redirect, (await SignIn(Stranger(), second, First)).StatusCode);
    }

    [Fact]
    public async Task All_data_come_out_as_one_file()
    {
        var (here, email) = await Owner();
        var dance = await here.Write("title Kittiwake: Turn/2\npart A\n1-4 vine R\n5-8 vine L");
        await here.Plan(dance);
        using var answer = await here.Post("/account?handler=Data", "/account");
        Assert.Equal("application/zip", answer.Content.Headers.ContentType!.MediaType);
        using var archive = new ZipArchive(new MemoryStream(await answer.Content.ReadAsByteArrayAsync(Cancel)));
        var dances = await Json(archive, "dances");
        Assert.Contains(dances.EnumerateArray(), d => d.GetProperty("title").GetString() == "Kittiwake: Turn/2");
        Assert.Equal(email, (await Json(archive, "account"))[0].GetProperty("email").GetString());
        Assert.Equal(1, (await Json(archive, "lessons")).GetArrayLength());
        Assert.NotNull(archive.GetEntry("dances/Kittiwake_ Turn_2.dance"));
        using var account = await archive.GetEntry("account.json")!.OpenAsync(Cancel);
        Assert.DoesNotContain("Hash", await new StreamReader(account).ReadToEndAsync(Cancel), StringComparison.OrdinalIgnoreCase);
        // Whatever is kept of an account is in it: a table that is new is missing here.
        var tables = Context().Model
            .GetEntityTypes()
            .Where(e => !e.IsOwned())
            .Select(e => e.GetTableName()!)
            .Where(t => !t.StartsWith("AspNet", StringComparison.Ordinal) && t is not ("SigningKeys" or "ClassShown"))
            .Select(t => string.Concat(t.Select((c, i) => char.IsUpper(c) && i > 0
                ? $"-{char.ToLowerInvariant(c)}"
                : $"{char.ToLowerInvariant(c)}")));
        Assert.All(tables, t => Assert.NotNull(archive.GetEntry($"{t}.json")));
    }

    private static async Task<JsonElement> Json(ZipArchive archive, string name)
    {
        await using var entry = await archive.GetEntry($"{name}.json")!.OpenAsync(Cancel);
        return (await JsonDocument.ParseAsync(entry, cancellationToken: Cancel)).RootElement;
    }

    [Fact]
    public async Task A_deleted_account_leaves_nothing_but_that_it_was_deleted()
    {
        var (here, email) = await Owner();
        var dance = await here.Write("title Last Turn\npart A\n1-4 vine R\n5-8 vine L");
        await here.Plan(dance);
        await using var context = Context();
        var id = (await context.Users.SingleAsync(u => u.Email == email, Cancel)).Id;
        foreach (var (current, sure, said) in ((string, string, string)[])[
            ("wrong-password-x", "true", "not the password"),
            (First, "false", "Say that you mean it")
        ])
        {
            using var refused = await here.Post("/account?handler=End", "/account", ("current", current), ("sure", sure));
            Assert.Contains(said, await Said(refused));
        }

        using var done = await here.Post("/account?handler=End", "/account", ("current", First), ("sure", "true"));
        Assert.Equal("/sign-in?said=ended", done.Headers.Location!.ToString());
        Assert.False(await IsIn(here));
        Assert.Contains("The account is deleted", (await here.Get("/sign-in?said=ended")).Html);
        Assert.Contains("No account has", await Said(await SignIn(here, email, First)));
        // No row anywhere names the account or what belonged to it.
        var tables =
            await context.Database.SqlQuery<string>(
                $"select quote_ident(table_name) as \"Value\" from information_schema.tables where table_schema = 'public'")
            .ToListAsync(Cancel);
        foreach (var table in tables)
        {
            var statement =
                $"select count(*)::int as \"Value\" from {table} t where t::text like '%' || {{0}} || '%' or t::text like '%' || {{1}} "
                    + $"|| '%'";
            var left = await context.Database.SqlQueryRaw<int>(statement, $"{id}", dance).SingleAsync(Cancel);
            Assert.Equal(table == "\"AccountEvents\"" ? 1 : 0, left);
        }

        Assert.Equal("deleted", (await context.AccountEvents.SingleAsync(e => e.AccountId == id, Cancel)).Kind);
    }

    [Fact]
    public async Task The_demo_studio_stays()
    {
        var visitor = Stranger();
        await visitor.Post("/sign-in?handler=Demo", "/sign-in");
        var (_, html) = await visitor.Get("/account");
        Assert.Contains("It has no password and stays", html);
        Assert.DoesNotContain("Delete the account for good", html);
        foreach (var handler in (string[])["Password", "End"])
        {
            using var answer = await visitor.Post(
                $"/account?handler={handler}",
                "/account",
                ("current", ""),
                ("fresh", Other),
                ("sure", "true"));
            Assert.Contains("it has no password and stays", await Said(answer));
        }

        Assert.True(await IsIn(visitor));
    }

    [Theory]
    [InlineData("localhost", false, true)]
    [InlineData("127.0.0.1", false, true)]
    [InlineData("localhost", true, false)]
    public async Task The_demo_door_is_for_this_machine(string host, bool isFar, bool isOpen)
    {
        var client = studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false });
        client.DefaultRequestHeaders.Host = host;
        if (isFar)
        {
            client.DefaultRequestHeaders.Add("X-Far", "1");
        }

        Assert.Equal(isOpen, (await client.GetStringAsync("/sign-in", Cancel)).Contains("Open the demo studio", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("studio.example")]
    [InlineData("localhost.example")]
    [InlineData("192.0.2.1")]
    public async Task It_answers_to_names_of_its_own_only(string host)
    {
        var client = studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false });
        client.DefaultRequestHeaders.Host = host;
        using var answer = await client.GetAsync("/sign-in", Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("FondCompass__Hosts", await answer.Content.ReadAsStringAsync(Cancel));
    }

    [GeneratedRegex(@"http\S+key=\S+")]
    private static partial Regex Link();

    [GeneratedRegex("(value|content)=\"CfDJ[^\"]*\"")]
    private static partial Regex Token();
}
