using System.Net;
using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Mvc.Testing;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>What pages do with wrong input, strangers and a token that is missing.</summary>
public class PageTests(Studio studio)
{
    private const string Script = "title Pier Head\npart A\n1-4 vine R\n5-8 vine L";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Whoever_is_not_signed_in_is_led_to_the_door()
    {
        using var client = studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false });
        using var answer = await client.GetAsync("/", Cancel);
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
        Assert.Contains("/sign-in", answer.Headers.Location!.ToString());
    }

    [Fact]
    public async Task The_demo_button_is_for_this_machine_only()
    {
        var near = studio.CreateClient();
        Assert.Contains("Open the demo studio", await near.GetStringAsync("/sign-in", Cancel));
        var far = studio.CreateClient();
        far.DefaultRequestHeaders.Add("X-Far", "yes");
        Assert.DoesNotContain("Open the demo studio", await far.GetStringAsync("/sign-in", Cancel));
        var visitor = new Visitor(far);
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Post("/sign-in?handler=Demo", "/sign-in")).StatusCode);
    }

    [Fact]
    public async Task Every_page_of_a_dance_opens()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        foreach (var page in (string[])["write", "fit", "plan", "teach", "log", "floor", "compare", "revisions", "cues", "room"])
        {
            var (status, html) = await visitor.Get($"/dances/{id}/{page}");
            Assert.Equal(HttpStatusCode.OK, status);
            Assert.Contains("Pier Head", html);
        }
    }

    /// <summary>
    /// What the core calls things by itself stands on no page: no "none" for a foot, no "body" for a roll, no code of a verb (calls,
    /// section 4).
    /// </summary>
    [Theory]
    [InlineData("title Quay Roll\ngenre fitness\npart A\n1-8 body roll x2\n1-4 running man\n5-8 jump both out, jump both in\n1-2 clap, snap\n3-4 hip bump R, hip bump L\n5-8 arms open slowly")]
    [InlineData("title Quay Ring\ngenre circle\nlayout circle\nstep capstan = step R in, step L in, step R out, touch L\npart A + arms loose\nline the swell x2\n1-4 capstan R\n5-8 step L side, close R, step L side, touch R")]
    [InlineData("title Quay Walls\npart V\n1-4 vine R\n5-6 heels out, heels in\n7-8 swivel both to the right\npart C\n1-8 free, left free\ntag T\n1-4 unwind 1/2 left, hold\norder V C T V")]
    public async Task No_page_says_what_is_internal(string script)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(script);
        foreach (var page in (string[])[
            "write", "fit", "plan", "plan, layer-rounds", "plan, parts", "teach", "teach?handler=Timeline", "log", "floor",
            "compare", "cues", "cues?way=feet", "room"
        ])
        {
            var html = page.Split(", ") is [_, var order]
                ? await visitor.Change(id, "Way", ("order", order))
                : (await visitor.Get($"/dances/{id}/{page}")).Html;
            var own = script.Split('\n')
                .Aggregate(html, (text, row) => text.Replace(row, "", StringComparison.Ordinal))
                .Replace("body roll", "", StringComparison.Ordinal);

            // Of a move that nobody has explained it is asked which foot it ends on; "both feet" is one of the answers.
            own = page == "write" ? own.Replace("both feet", "", StringComparison.Ordinal) : own;
            var shown = page.Contains("handler", StringComparison.Ordinal)
                ? own
                : Regex.Replace(
                    Regex.Replace(own, "<(script|style|datalist)[^>]*>.*?</\\1>", " ", RegexOptions.Singleline),
                    "<[^>]*>",
                    " ");
            Assert.Equal(
                (page, ""),
                (page, string.Join(
                    " | ",
                    Regex.Matches(
                        shown,
                        @".{0,40}\b((step|touch|rock|recover|pivot|close|hold|clap|jump|swivel|move|foot|facing|weight|free) none|both feet|no foot|named move|InPlace|WithSun|AgainstSun|DiagonalForward|body body)\b.{0,40}")
                        .Select(m => m.Value.Trim()))));

            // No clock stands beside a ring.
            Assert.False(
                script.Contains("layout circle", StringComparison.Ordinal)
                    && page is ("write" or "teach" or "cues")
                    && Regex.IsMatch(shown, @"\b(12|3|6|9):00\b"),
                page);
        }
    }

    [Theory]
    [InlineData("")]
    [InlineData("part A")]
    [InlineData("part A\n1-4 flobberstep R\n&&& ))")]
    [InlineData("order A B C\nafter 2 Q\npart A\n1000000000 step R")]
    [InlineData("part A\n8|1 step R\n&1 step L\n2a3 kick R")]
    [InlineData("tag T\n1-4 vine R\nafter 1 T")]
    [InlineData("part A\ntag T\n1-4 vine R\nafter 1 T")]
    [InlineData("line 6\npart A\n1-6 free\norder A A")]
    public async Task Pages_open_for_dances_that_are_hardly_any(string script)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(script);
        foreach (var page in (string[])[
            "write", "fit", "plan", "teach", "log", "teach?handler=Timeline", "floor", "floor?what=line:1:A&sight=Front",
            "compare", "compare?with=revision:1", "cues", "room", "room?layout=circle", "plan?order=layer-rounds",
            "plan?order=parts&minutes=5"
        ])
        {
            Assert.Equal(HttpStatusCode.OK, (await visitor.Get($"/dances/{id}/{page}")).Status);
        }
    }

    [Fact]
    public async Task A_foreign_dance_looks_like_none()
    {
        var id = await (await studio.NewVisitor()).Write(Script);
        var stranger = await studio.NewVisitor();
        var (status, html) = await stranger.Get($"/dances/{id}/write");
        Assert.Equal(HttpStatusCode.NotFound, status);
        Assert.Contains("Nothing is here", html);
        Assert.DoesNotContain("Pier Head", html);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await stranger.Post($"/dances/{id}/write?handler=Save", "/", ("script", "mine"), ("version", "2"))).StatusCode);
    }

    [Fact]
    public async Task A_deleted_dances_address_offers_it_back()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Post($"/?handler=Delete&id={id}", "/");
        var (_, html) = await visitor.Get($"/dances/{id}/binned");
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.Get($"/dances/{id}/write")).Status);
        Assert.Contains("Bring it back", html);
        Assert.Equal(
            HttpStatusCode.Gone,
            (await visitor.Post($"/dances/{id}/write?handler=Save", "/", ("script", "x"), ("version", "2"))).StatusCode);
        await visitor.Post($"/?handler=Restore&id={id}", "/");
        Assert.Equal(HttpStatusCode.OK, (await visitor.Get($"/dances/{id}/write")).Status);
    }

    [Fact]
    public async Task Forms_with_an_address_of_their_own_can_be_pressed_as_they_stand()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        Assert.NotEqual(HttpStatusCode.BadRequest, (await visitor.Press("/", $"id={id}&amp;handler=Delete")).StatusCode);
        Assert.NotEqual(HttpStatusCode.BadRequest, (await visitor.Press($"/dances/{id}/binned", "handler=Restore")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await visitor.Get($"/dances/{id}/write")).Status);
        await visitor.Press("/", $"id={id}&amp;handler=Delete");
        Assert.NotEqual(HttpStatusCode.BadRequest, (await visitor.Press("/", $"id={id}&amp;handler=Restore")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await visitor.Get($"/dances/{id}/write")).Status);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.Press("/", "handler=Out")).StatusCode);
    }

    [Fact]
    public async Task Without_its_token_a_form_changes_nothing()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var answer = await visitor.Client.PostAsync(
            $"/dances/{id}/write?handler=Save",
            new FormUrlEncodedContent([new("script", "gone"), new("version", "2")]),
            Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var html = await answer.Content.ReadAsStringAsync(Cancel);
        Assert.Contains("not complete", html);
        Assert.DoesNotContain("Exception", html);
        Assert.Contains("1-4 vine R", (await visitor.Get($"/dances/{id}/write")).Html);
    }

    [Fact]
    public async Task A_script_of_300_KiB_is_refused_and_the_saved_one_stays()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var big = string.Concat(Enumerable.Repeat("1-4 vine R\n", 28_000));
        Assert.Equal(
            HttpStatusCode.RequestEntityTooLarge,
            (await visitor.Post($"/dances/{id}/write?handler=Save", "/", ("script", big), ("version", "2"))).StatusCode);
        Assert.Contains("Pier Head", (await visitor.Get($"/dances/{id}/write")).Html);
    }

    [Fact]
    public async Task A_save_from_another_tab_is_a_conflict_that_shows_both()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var first = await visitor.Post($"/dances/{id}/write?handler=Save", "/", ("script", Script + "\n# one"), ("version", "2"));
        first.EnsureSuccessStatusCode();
        using var second = await visitor.Post($"/dances/{id}/write?handler=Save", "/", ("script", Script + "\n# two"), ("version", "2"));
        Assert.Equal(HttpStatusCode.Conflict, second.StatusCode);
        var body = JsonDocument.Parse(await second.Content.ReadAsStringAsync(Cancel)).RootElement;
        Assert.Equal((3, Script + "\n# one"), (body.GetProperty("version").GetInt32(), body.GetProperty("script").GetString()));
    }

    [Theory]
    [InlineData("0", "16", "6", "", "cannot be danced")]
    [InlineData("abc", "16", "6", "", "cannot be danced")]
    [InlineData("112", "-3", "6", "", "no number of counts")]
    [InlineData("112", "16", "0", "", "no number of repeats")]
    [InlineData("112", "16", "6", "verse many", "cannot be read")]
    [InlineData("112", "16", "6", "verse 99999999", "at most 100000")]
    public async Task Wrong_numbers_on_the_fit_page_are_said_where_they_stand(
        string tempo,
        string intro,
        string repeats,
        string passages,
        string said)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var answer = await visitor.Post(
            $"/dances/{id}/fit?handler=Change",
            "/",
            ("tempo", tempo),
            ("intro", intro),
            ("repeats", repeats),
            ("passages", passages));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains(said, await answer.Content.ReadAsStringAsync(Cancel));
    }

    [Fact]
    public async Task A_proposal_is_taken_for_the_track_alone_taken_back_and_written_into_the_dance()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write("title Drift\npart A\n1-4 vine R\n5-8 vine L\n1-4 vine R\n5-8 vine L");
        await visitor.Post(
            $"/dances/{id}/fit?handler=Change",
            "/",
            ("tempo", "112"),
            ("intro", "0"),
            ("repeats", "6"),
            ("passages", "verse 24\nchorus 32"));
        async Task<string> Fit() => (await visitor.Get($"/dances/{id}/fit")).Html;
        Assert.Contains("restart 1 after 8", await Fit());
        await visitor.Post($"/dances/{id}/fit?handler=Accept", "/", ("rows", "restart 1 after 8"));
        Assert.Contains("It already fits", await Fit());
        Assert.DoesNotContain("restart 1", (await visitor.Get($"/dances/{id}/write")).Html);
        await visitor.Post($"/dances/{id}/fit?handler=Undo", "/");
        Assert.DoesNotContain("It already fits", await Fit());
        await visitor.Post($"/dances/{id}/fit?handler=Accept", "/", ("rows", "restart 1 after 8"));
        await visitor.Post($"/dances/{id}/fit?handler=WriteIn", "/", ("version", "2"));
        Assert.Contains("restart 1 after 8", (await visitor.Get($"/dances/{id}/write")).Html);
        Assert.Contains("It already fits", await Fit());
    }

    [Fact]
    public async Task A_slower_track_is_taken_by_its_button_as_it_stands()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Post(
            $"/dances/{id}/fit?handler=Change",
            "/",
            ("tempo", "60"),
            ("intro", "0"),
            ("repeats", "6"),
            ("passages", "verse 64"));
        await visitor.Post($"/dances/{id}/fit?handler=Track", "/", ("track", "new"), ("title", "Low Tide Reel"));
        await visitor.Post($"/dances/{id}/fit?handler=Track", "/", ("track", "preset:Rope Reel, gathering speed"));
        var (_, html) = await visitor.Get($"/dances/{id}/fit");
        Assert.Contains("hauling 64 @96-132", html);
        var track = html[..html.IndexOf("\">Low Tide Reel (60)", StringComparison.Ordinal)];
        using var answer = await visitor.Press(
            $"/dances/{id}/fit",
            "handler=Track",
            "Slower",
            ("track", track[(track.LastIndexOf('"') + 1)..]));
        Assert.NotEqual(HttpStatusCode.BadRequest, answer.StatusCode);
        (_, html) = await visitor.Get($"/dances/{id}/fit");
        Assert.DoesNotContain("hauling 64 @96-132", html);
        Assert.DoesNotContain("Slower, to teach with", html);
    }

    [Fact]
    public async Task Tracks_are_chosen_kept_and_forgotten()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Post($"/dances/{id}/fit?handler=Track", "/", ("track", "preset:Rope Reel, gathering speed"));
        var (_, html) = await visitor.Get($"/dances/{id}/fit");
        Assert.Contains("hauling 64 @96-132", html);
        Assert.Contains("160", html);
        await visitor.Post($"/dances/{id}/fit?handler=Track", "/", ("track", "new"), ("title", "My Reel"));
        Assert.Contains("My Reel", (await visitor.Get($"/dances/{id}/fit")).Html);
        await visitor.Post($"/dances/{id}/fit?handler=ForgetTrack", "/");
        (_, html) = await visitor.Get($"/dances/{id}/fit");
        Assert.DoesNotContain("My Reel", html);
        Assert.Contains("hauling 64 @96-132", html);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await visitor.Post($"/dances/{id}/fit?handler=Track", "/", ("track", $"{Guid.NewGuid()}"))).StatusCode);
    }

    [Theory]
    [InlineData("0,0.5,1,1.5,2", "\"bpm\":120")]
    [InlineData("0,1", "null")]
    [InlineData("x,,NaN,1e999", "null")]
    public async Task Taps_tell_a_tempo(string taps, string said)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var answer = await visitor.Post($"/dances/{id}/fit?handler=Tap", "/", ("taps", taps));
        Assert.Contains(said, await answer.Content.ReadAsStringAsync(Cancel));
    }

    [Fact]
    public async Task What_is_allowed_narrows_what_is_proposed()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write("title Drift\npart A\n1-4 vine R\n5-8 vine L\n1-4 vine R\n5-8 vine L");
        await visitor.Post(
            $"/dances/{id}/fit?handler=Change",
            "/",
            ("tempo", "112"),
            ("intro", "0"),
            ("repeats", "6"),
            ("passages", "verse 24\nchorus 32"));
        var (_, html) = await visitor.Get($"/dances/{id}/fit?handler=Run&Wishes.NoRestarts=true&Zoom=99999");
        Assert.DoesNotContain("Restart in repeat", html);
        Assert.Contains(
            "Nothing that you allow mends it",
            (await visitor.Get($"/dances/{id}/fit?handler=Run&Wishes.NoRestarts=true&Wishes.NoTags=true")).Html);
    }

    [Fact]
    public async Task A_keystroke_reads_with_the_words_of_its_owner_and_with_those_just_saved()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write("part A\n1-4 vine R");
        async Task<string> Ruler(Visitor who) =>
            await (await who.Post(
                $"/dances/{id}/write?handler=Ruler",
                "/",
                ("script", "part A\n1-2 skerry R"))).Content.ReadAsStringAsync(Cancel);
        Assert.Contains("WORD08", await Ruler(visitor));
        await visitor.Post("/steps/own?handler=Save", "/steps/own", ("text", "step skerry = step R side, touch L"), ("version", "0"));
        Assert.DoesNotContain("WORD08", await Ruler(visitor));
        Assert.DoesNotContain("WORD08", await Ruler(visitor));

        var other = await studio.NewVisitor();
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await other.Post($"/dances/{id}/write?handler=Ruler", "/", ("script", "part A\n1 step R"))).StatusCode);
        await visitor.Post($"/?handler=Delete&id={id}", "/");
        Assert.Equal(
            HttpStatusCode.Gone,
            (await visitor.Post($"/dances/{id}/write?handler=Ruler", "/", ("script", "part A\n1 step R"))).StatusCode);
    }

    [Fact]
    public async Task A_form_that_arrives_twice_is_one_lesson_and_one_gone_back_to_is_corrected()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write("part A\n1-4 vine R\n5-8 vine L");
        var plan = Sent((await visitor.Get($"/dances/{id}/plan")).Html);
        await visitor.Change(id, "Way", ("minutes", "45"));
        var seen = await visitor.SeenOf(id);
        Task<HttpResponseMessage> Keep() =>
            visitor.Post(
                $"/dances/{id}/plan?handler=Keep",
                "/",
                ("group", "Harbour ring"),
                ("date", "2026-11-26"),
                ("seen", seen),
                ("sent", plan));
        await Keep();
        await Keep();
        await visitor.Change(id, "Way", ("minutes", "50"));
        await Keep();
        var (_, lessons) = await visitor.Get("/lessons");
        Assert.Equal(1, lessons.Split("class=\"planned\"").Length - 1);
        Assert.Contains("planned, 50 min", lessons);

        var log = Sent((await visitor.Get($"/dances/{id}/log")).Html);
        Assert.NotEqual(plan, log);
        foreach (var note in new[] { "late on the vine", "late on the vine", "early on the vine" })
        {
            await visitor.Post(
                $"/dances/{id}/log",
                "/",
                ("group", "Harbour ring"),
                ("date", "2026-11-26"),
                ("reached", "1"),
                ("rate", "75"),
                ("note", note),
                ("sent", log));
        }

        (_, lessons) = await visitor.Get("/lessons");
        Assert.Equal(1, lessons.Split("class=\"held\"").Length - 1);
        Assert.Equal(0, lessons.Split("class=\"planned\"").Length - 1);
        Assert.Contains("early on the vine", lessons);
        Assert.DoesNotContain("late on the vine", lessons);
    }

    private static string Sent(string html) => html.Split("name=\"sent\" value=\"")[1].Split('"')[0];

    /// <summary>An intro of the song is waited through as long as nobody writes another number, however often the form is sent.</summary>
    [Theory]
    [InlineData("", "Wait <b>16</b> counts")]
    [InlineData("8", "Wait <b>8</b> counts")]
    [InlineData("0", "Wait <b>0</b> counts")]
    public async Task An_intro_of_the_song_is_waited_through(string intro, string says)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        foreach (var passages in (string[])["intro 16\nverse", "intro 16\nverse 32"])
        {
            await visitor.Post(
                $"/dances/{id}/fit?handler=Change",
                "/",
                ("tempo", "112"),
                ("intro", intro),
                ("repeats", "6"),
                ("passages", passages));
        }

        Assert.Contains(says, (await visitor.Get($"/dances/{id}/fit")).Html);
    }

    [Fact]
    public async Task A_lesson_is_planned_logged_and_listed()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Keep(id, "Harbour ring", "2026-11-26", ("minutes", "45"));
        Assert.Contains("Planned for <b>Harbour ring</b>", (await visitor.Get($"/dances/{id}/plan")).Html);
        await visitor.Post(
            $"/dances/{id}/log",
            "/",
            ("group", "Harbour ring"),
            ("date", "2026-11-26"),
            ("reached", "1"),
            ("rate", "90"),
            ("weak", "1"),
            ("note", "<b>wet floor</b>"));
        var (_, html) = await visitor.Get($"/dances/{id}/log");
        Assert.Contains("reached vine R, vine L (A 1) at 90 %; lost: vine R, vine L (A 1)", html);
        Assert.Contains("&lt;b&gt;wet floor", html);
        Assert.Contains("Next time: recap vine", html);
        Assert.DoesNotContain("Planned for", (await visitor.Get($"/dances/{id}/plan")).Html);
    }

    [Theory]
    [InlineData("", "2026-11-26", "which group")]
    [InlineData("Ring", "someday", "no day between 1900 and 2200")]
    public async Task A_log_that_lacks_something_keeps_the_rest(string group, string date, string said)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var answer = await visitor.Post(
            $"/dances/{id}/log",
            "/",
            ("group", group),
            ("date", date),
            ("reached", "1"),
            ("rate", "75"),
            ("note", "kept words"));
        var html = await answer.Content.ReadAsStringAsync(Cancel);
        Assert.Contains(said, html);
        Assert.Contains("kept words", html);
    }
}
