using System.Net;
using System.Security.Cryptography;
using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;
using Microsoft.AspNetCore.Mvc.Testing;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>One-time codes beside the password, and the address of an account that changes by letters to both.</summary>
public class SecondFactorTests(Studio studio)
{
    private const string Password = "slack-tide-stroll", Other = "ebb-and-flood-again";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private Visitor Stranger() => new(studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false }));

    private async Task<(Visitor Visitor, string Email)> Owner()
    {
        var (visitor, email) = (Stranger(), $"{Guid.NewGuid():N}@test.invalid");
        await visitor.Post("/sign-in?handler=New", "/sign-in", ("Email", email), ("Password", Password));
        return (visitor, email);
    }

    private static async Task<string> Said(HttpResponseMessage answer) =>
        WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync(Cancel));

    private static async Task<bool> IsIn(Visitor visitor) => (await visitor.Get("/lessons")).Status == HttpStatusCode.OK;

    private static Task<HttpResponseMessage> SignIn(Visitor visitor, string email, string password = Password) =>
        visitor.Post("/sign-in?handler=In", "/sign-in", ("Email", email), ("Password", password));

    /// <summary>The code that an app shows (RFC 6238), so many steps of half a minute from now.</summary>
    private static string Code(string key, int steps = 0)
    {
        const string Letters = "abcdefghijklmnopqrstuvwxyz234567";
        var bits = string.Concat(key.Replace(" ", "", StringComparison.Ordinal)
            .Select(c => Convert.ToString(Letters.IndexOf(c), 2).PadLeft(5, '0')));
        var secret = Enumerable.Range(0, bits.Length / 8).Select(i => Convert.ToByte(bits.Substring(i * 8, 8), 2)).ToArray();
        var step = BitConverter.GetBytes((DateTimeOffset.UtcNow.ToUnixTimeSeconds() / 30) + steps);
        Array.Reverse(step);
#pragma warning disable CA5350 // What the apps use.
        var hash = HMACSHA1.HashData(secret, step);
#pragma warning restore CA5350
        var at = hash[^1] & 15;
        return (((hash[at] & 127) << 24 | hash[at + 1] << 16 | hash[at + 2] << 8 | hash[at + 3]) % 1_000_000).ToString(
            "000000",
            System.Globalization.CultureInfo.InvariantCulture);
    }

    /// <summary>Turns it on; gives the key and the recovery codes.</summary>
    private static async Task<(string Key, IReadOnlyList<string> Codes)> TurnOn(Visitor visitor)
    {
        var shown = await Said(await visitor.Post("/account/second-factor?handler=Begin", "/account/second-factor", ("current", Password)));
        var key = Regex.Match(shown, "<code class=\"secret\">([^<]+)</code>").Groups[1].Value;
        Assert.Matches("<path d=\"(M[0-9]+ [0-9]+h1v1h-1z){200,}\"", shown);
        Assert.Contains(
            "does not hold",
            await Said(await visitor.Post("/account/second-factor?handler=On", "/account/second-factor", ("code", "000000"))));
        var on = await Said(await visitor.Post("/account/second-factor?handler=On", "/account/second-factor", ("code", Code(key))));
        return (key, [.. Regex.Matches(on, "<li><code>([^<]+)</code></li>").Select(m => m.Groups[1].Value)]);
    }

    private async Task<string> Letter(string email, string words) => await Until.There($"a letter to {email} with '{words}'", async () =>
    {
        foreach (var file in Directory.GetFiles(studio.Mail, "*.eml"))
        {
            var text = await File.ReadAllTextAsync(file, Cancel);
            if (text.Contains($"To: {email}", StringComparison.OrdinalIgnoreCase) && text.Contains(words, StringComparison.Ordinal))
            {
                File.Delete(file);
                return text;
            }
        }

        return null;
    });

    [Fact]
    public async Task It_is_asked_for_beside_the_password_once_it_is_on_and_told_by_letter()
    {
        var (here, email) = await Owner();
        var elsewhere = Stranger();
        await SignIn(elsewhere, email);
        Assert.Contains(
            "not the password of this account",
            await Said(await here.Post("/account/second-factor?handler=Begin", "/account/second-factor", ("current", "guess"))));
        var (key, codes) = await TurnOn(here);
        Assert.Equal(10, codes.Distinct().Count());
        Assert.True(await IsIn(here));
        Assert.False(await IsIn(elsewhere));
        await Letter(email, "A second factor was turned on");

        var visitor = Stranger();
        using (var entered = await SignIn(visitor, email))
        {
            Assert.StartsWith("/sign-in/code", entered.Headers.Location!.ToString(), StringComparison.Ordinal);
        }

        Assert.False(await IsIn(visitor));
        Assert.Contains("does not hold", await Said(await visitor.Post("/sign-in/code", "/sign-in/code", ("code", "123 456"))));
        var code = Code(key, 1);
        Assert.Equal(
            "/",
            (await visitor.Post("/sign-in/code", "/sign-in/code", ("code", $"{code[..3]} {code[3..]}"))).Headers.Location!.ToString());
        Assert.True(await IsIn(visitor));

        // The same code opens nothing a second time.
        var second = Stranger();
        await SignIn(second, email);
        Assert.Contains("does not hold", await Said(await second.Post("/sign-in/code", "/sign-in/code", ("code", code))));
        Assert.False(await IsIn(second));
    }

    [Fact]
    public async Task A_recovery_code_opens_once_and_a_letter_with_a_new_password_does_not_stand_for_the_code()
    {
        var (here, email) = await Owner();
        var (_, codes) = await TurnOn(here);
        var visitor = Stranger();
        await SignIn(visitor, email);
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await visitor.Post("/sign-in/code", "/sign-in/code", ("code", codes[0].ToLowerInvariant()))).StatusCode);
        Assert.True(await IsIn(visitor));
        await Letter(email, "with a recovery code. 9 are left");
        var second = Stranger();
        await SignIn(second, email);
        Assert.Contains("does not hold", await Said(await second.Post("/sign-in/code", "/sign-in/code", ("code", codes[0]))));

        await second.Post("/password", "/password", ("Email", email));
        var link = Regex.Match(await Letter(email, "/password/new?key="), @"http\S+").Value;
        Assert.Equal("/sign-in/code", (await second.Post(link, link, ("fresh", Other))).Headers.Location!.ToString());
        Assert.False(await IsIn(second));
        Assert.False(await IsIn(here));
        Assert.Equal(HttpStatusCode.Redirect, (await second.Post("/sign-in/code", "/sign-in/code", ("code", codes[1]))).StatusCode);
        Assert.True(await IsIn(second));
        await Letter(email, "The password of your studio was changed");
    }

    [Fact]
    public async Task Codes_are_not_guessed_for_long()
    {
        var (here, email) = await Owner();
        var (key, _) = await TurnOn(here);
        var visitor = Stranger();
        await SignIn(visitor, email);
        for (var i = 0; i < Accounts.SignIns.FailedSignIns.Most; i++)
        {
            Assert.Contains("does not hold", await Said(await visitor.Post("/sign-in/code", "/sign-in/code", ("code", $"{i:000000}"))));
        }

        Assert.Contains("Too many tries", await Said(await visitor.Post("/sign-in/code", "/sign-in/code", ("code", Code(key, 1)))));
        Assert.False(await IsIn(visitor));
        Assert.Contains("wrong code", (await here.Get("/account")).Html);
    }

    [Fact]
    public async Task It_is_turned_off_with_the_password_and_new_codes_make_old_ones_void()
    {
        var (here, email) = await Owner();
        var (_, codes) = await TurnOn(here);
        var fresh = await Said(await here.Post("/account/second-factor?handler=Codes", "/account/second-factor", ("current", Password)));
        Assert.DoesNotContain(codes[0], fresh);
        Assert.Equal(
            "/account?said=factor-off",
            (await here.Post(
                "/account/second-factor?handler=Off",
                "/account/second-factor",
                ("current", Password))).Headers.Location!.ToString());
        Assert.True(await IsIn(here));
        await Letter(email, "The second factor was turned off");
        var visitor = Stranger();
        Assert.Equal("/", (await SignIn(visitor, email)).Headers.Location!.ToString());
        Assert.True(await IsIn(visitor));
    }

    [Fact]
    public async Task An_address_changes_by_letters_to_both_and_only_when_the_new_ones_link_is_pressed()
    {
        var (here, email) = await Owner();
        var fresh = $"{Guid.NewGuid():N}@test.invalid";
        Assert.Contains(
            "not the password of this account",
            await Said(await here.Post("/account?handler=Address", "/account", ("current", "guess"), ("email", fresh))));
        Assert.Contains(
            "Write an e-mail address",
            await Said(await here.Post("/account?handler=Address", "/account", ("current", Password), ("email", "nowhere"))));
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await here.Post("/account?handler=Address", "/account", ("current", Password), ("email", fresh))).StatusCode);
        Assert.Contains(fresh, await Letter(email, "asked to use"));
        var link = Regex.Match(await Letter(fresh, "/account/address?key="), @"http\S+").Value;
        var stranger = Stranger();
        // Opening it changes nothing: programs open links too.
        Assert.Contains("Confirm this address", (await stranger.Get(link)).Html);
        Assert.Contains(email, (await here.Get("/account")).Html);
        Assert.Equal("/account?said=moved", (await here.Post(link, link)).Headers.Location!.ToString());
        Assert.True(await IsIn(here));
        Assert.Contains(fresh, (await here.Get("/account")).Html);
        await Letter(email, "was changed");
        await Letter(fresh, "was changed");
        Assert.Contains("does not hold any more", (await stranger.Get(link)).Html);
        Assert.Contains("No account has", await Said(await SignIn(Stranger(), email)));
        Assert.Equal(HttpStatusCode.Redirect, (await SignIn(Stranger(), fresh)).StatusCode);
    }

    [Fact]
    public async Task An_address_that_has_a_studio_is_not_told_and_a_new_password_voids_the_link()
    {
        var (here, email) = await Owner();
        var (_, taken) = await Owner();
        Assert.Equal(
            "/account?said=address#address",
            (await here.Post(
                "/account?handler=Address",
                "/account",
                ("current", Password),
                ("email", taken))).Headers.Location!.ToString());
        await Letter(taken, "has a studio of its own");
        var fresh = $"{Guid.NewGuid():N}@test.invalid";
        await here.Post("/account?handler=Address", "/account", ("current", Password), ("email", fresh));
        var link = Regex.Match(await Letter(fresh, "/account/address?key="), @"http\S+").Value;
        await here.Post("/account?handler=Password", "/account", ("current", Password), ("fresh", Other));
        Assert.Contains("does not hold any more", (await Stranger().Get(link)).Html);
        Assert.Contains(email, (await here.Get("/account")).Html);
    }
}
