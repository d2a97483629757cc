using FondCompass.Data;
using FondCompass.Tests.Databases;
using Microsoft.EntityFrameworkCore;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>
/// A studio full of text that wants to be markup, in the browser itself: nothing of it is an element, runs or sends anything; and what got
/// in all the same stays dead.
/// </summary>
public class HostileDataTests(RunningStudio studio)
{
    /// <summary>What our own scripts ask for by themselves when a page is opened.</summary>
    private static readonly string[] Own =
    [
        "handler=Lesson", "handler=Show", "handler=Events", "handler=Words", "handler=Ruler", "handler=Beside",
        "handler=Progress", "handler=More", "/shown", "/class/time", "/healthz", "/js/", "/lib/", "/css/", "/icon.svg", "/sw.js",
        "/teach", "handler=Run", "handler=Board", "handler=Score", "handler=Timeline"
    ];

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task No_page_of_a_hostile_studio_makes_anything_of_its_text_or_sends_what_nobody_pressed()
    {
        using var browser = new Browser(studio.Address);
        var email = browser.NewAccount();
        await using var context =
            new FondCompassContext(new DbContextOptionsBuilder<FondCompassContext>().UseNpgsql(studio.Database.Connection).Options);
        var owner = await context.Users.Where(u => u.Email == email).Select(u => u.Id).SingleAsync(Cancel);
        var (dances, group, planned, held, course) = await HostileStudio.Fill(context, owner, TimeProvider.System, Cancel);
        var sessions = await context.Sessions.CountAsync(s => s.AccountId == owner, Cancel);
        string[] pages =
        [
            "/",
            "/steps",
            "/steps/own",
            "/groups",
            $"/groups/{group}",
            "/lessons",
            $"/lessons/{held}",
            $"/lessons/{planned}/teach",
            "/class/canary22",
            "/courses",
            $"/courses/{course}",
            "/account",
            .. dances.SelectMany(d => ((string[])[
                "write", "fit", "plan", "teach", "log", "floor", "cues", "room", "compare", "revisions"
            ]).Select(p => $"/dances/{d}/{p}")),
        ];
        foreach (var page in pages)
        {
            browser.Go(page);
            browser.Settle();
            var made = (string)browser.Run($$"""
                return [...document.querySelectorAll('*')].filter(e => e.localName.includes('{{HostileStudio.Mark}}') || [...e.attributes].some(a => a.name.includes('{{HostileStudio.Mark}}') || a.name.startsWith('on')) || e.getAttribute('hx-post') === '/{{HostileStudio.Mark}}')
                  .map(e => e.outerHTML.slice(0, 200)).join('\n') + (typeof window.{{HostileStudio.Mark}} === 'undefined' ? '' : 'it ran');
                """)!;
            Assert.Equal((page, ""), (page, made));
            var sent =
                ((IEnumerable<object>)browser.Run("return performance.getEntriesByType('resource').map(r => r.name)")!).Select(r =>
                    $"{r}"[studio.Address.Length..]);
            Assert.Empty(sent.Where(s => !Own.Any(o => s.Contains(o, StringComparison.Ordinal))
                || s.Contains($"/{HostileStudio.Mark}", StringComparison.Ordinal))
                .Select(s => $"{page}: {s}"));
        }

        // Nobody was signed out by any of it.
        Assert.Equal(sessions, await context.Sessions.CountAsync(s => s.AccountId == owner, Cancel));
    }

    /// <summary>Markup that got into a page in some way that nobody thought of.</summary>
    [Theory]
    [InlineData("<b hx-post='/account?handler=Sessions' hx-trigger='load'>x</b>")]
    [InlineData("<b hx-post='/account?handler=Sessions' hx-trigger='load' hx-include='[name=__RequestVerificationToken]'>x</b>")]
    [InlineData("<b hx-get='/account?handler=Sessions' hx-trigger='load' data-own='x'>x</b>")]
    [InlineData("<b hx-post='/account?handler=Sessions' hx-trigger='load' data-own=''>x</b>")]
    [InlineData("<form hx-post='/account?handler=Sessions' hx-trigger='load'><input name='current' value='x'></form>")]
    [InlineData("<b hx-on:click='window.fondcanary=1' hx-trigger='load' id='poked'>x</b>")]
    [InlineData("<img src='/nowhere.png' onerror='window.fondcanary=1'>")]
    [InlineData("<script>window.fondcanary=1</script>")]
    [InlineData("<iframe srcdoc='<script>parent.fondcanary=1</script>'></iframe>")]
    [InlineData("<a id='poked' href='javascript:window.fondcanary=1'>x</a>")]
    public void Markup_that_got_in_stays_dead(string markup)
    {
        using var browser = new Browser(studio.Address);
        browser.Go("/");
        browser.ClickText("Open the demo studio");
        browser.Find("table.shelf");
        browser.Settle();
        browser.Run(
            "performance.clearResourceTimings(); const box = document.createElement('div'); box.innerHTML = arguments[0]; "
                + "document.getElementById('main').append(box); htmx.process(box); document.getElementById('poked')?.click();",
            markup);
        // As a parser would run it, too.
        browser.Run(
            "const made = document.createRange().createContextualFragment(arguments[0]); document.getElementById('main').append(made);",
            markup);
        // What our own markup sends goes on: by then anything else would have been sent.
        browser.Find("#q").SendKeys("lanterns");
        browser.WaitForText("table.shelf tbody tr:first-child a.name", "Nine Lanterns");
        var sent = ((IEnumerable<object>)browser.Run("return performance.getEntriesByType('resource').map(r => r.name)")!)
            .Select(r => $"{r}")
            .Where(r => r.Contains("account", StringComparison.Ordinal));
        Assert.Empty(sent);
        Assert.Equal("undefined", browser.Run("return typeof window.fondcanary"));
        browser.Go("/lessons");
        Assert.Equal("/lessons", browser.Path);
    }
}
