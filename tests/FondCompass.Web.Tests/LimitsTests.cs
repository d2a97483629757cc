using System.Net;
using System.Net.Sockets;
using System.Text;
using System.Text.Json;
using FondCompass.Tests.Databases;
using FondCompass.Web.Hosting;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>What is too much, broken or of another kind is told as that, and what of it can be kept is.</summary>
public class LimitsTests(Studio studio)
{
    private const string Script = "title Kittiwake Turn\npart A\n1-4 vine R\n5-8 vine L\n";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static async Task<HttpResponseMessage> Send(Visitor visitor, string path, string body)
    {
        var token = System.Text.RegularExpressions.Regex.Match(
            (await visitor.Get("/")).Html,
            "fond-token\" content=\"([^\"]+)\"").Groups[1].Value;
        var request = new HttpRequestMessage(HttpMethod.Post, path)
        {
            Content = new StringContent(body, Encoding.ASCII, "application/x-www-form-urlencoded")
        };
        request.Headers.Add("X-Fond-Token", token);
        return await visitor.Client.SendAsync(request, Cancel);
    }

    [Theory]
    [InlineData("/dances/ID/write?handler=Save", "script=title+Nil%00s%0Apart+A%0A1-4+vine+R&version=2", "Nils")]
    [InlineData("/dances/ID/write?handler=Ruler", "script=title+Nil%00s%0Apart+A%0A1-4+vine+R", "Nils")]
    [InlineData("/dances/ID/write?handler=Tidy", "script=title+Nil%00s%0Apart+A%0A1-4+vine+R", "Nils")]
    [InlineData("/dances/ID/write?handler=Save", "script=title+Nil\0s%0Apart+A%0A1-4+vine+R&version=2", "Nils")]
    [InlineData("/?handler=Mark&id=ID", "marks=sum%00mer", "summer")]
    public async Task The_one_character_that_no_text_has_is_left_out_of_a_form(string path, string body, string kept)
    {
        var visitor = await studio.NewVisitor();
        var dance = await visitor.Write(Script);
        using var answer = await Send(visitor, path.Replace("ID", dance, StringComparison.Ordinal), body);
        Assert.Contains(answer.StatusCode, (HttpStatusCode[])[HttpStatusCode.OK, HttpStatusCode.Redirect]);
        var said = await answer.Content.ReadAsStringAsync(Cancel);
        Assert.Contains(
            kept,
            path.Contains("Tidy", StringComparison.Ordinal) || path.Contains("Ruler", StringComparison.Ordinal)
                ? said
                : (await visitor.Get(path.StartsWith("/?", StringComparison.Ordinal) ? "/" : $"/dances/{dance}/write")).Html);
    }

    [Theory]
    [InlineData(StudioPages.LargestForm, 1, 1)]
    [InlineData(5 * StudioPages.LargestForm, 1, 1)]
    [InlineData(10, 2000, 1)]
    [InlineData(10, 1, 5000)]
    public async Task A_form_that_is_too_much_is_told_as_too_much(int length, int fields, int nameLength)
    {
        var visitor = await studio.NewVisitor();
        var dance = await visitor.Write(Script);
        using var answer = await Send(
            visitor,
            $"/dances/{dance}/write?handler=Save",
            string.Join('&', Enumerable.Range(0, fields).Select(i => $"{new string('k', nameLength)}{i}={new string('x', length)}")));
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, answer.StatusCode);
        Assert.Contains("That is too much at once", await answer.Content.ReadAsStringAsync(Cancel));
        Assert.Contains("vine R", (await visitor.Get($"/dances/{dance}/write")).Html);
    }

    [Fact]
    public async Task Words_that_nobody_has_yet_are_not_saved_from_another_version()
    {
        var visitor = await studio.NewVisitor();
        using var answer = await visitor.Post("/steps/own?handler=Save", "/", ("text", "alias a = vine"), ("version", "5"));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains("changed elsewhere", await answer.Content.ReadAsStringAsync(Cancel));
    }

    /// <summary>Events of which some cannot be read: these are named, the others are kept.</summary>
    [Theory]
    [InlineData("""{"id":4711,"board":"B","number":1,"opened":1790000000,"since":1,"kind":"done","block":"walk:A:1"}""", "Its id is no id")]
    [InlineData("""{"id":"4711","board":"B","number":1,"opened":1790000000,"since":1,"kind":"done","block":"walk:A:1"}""", "Its id is no id")]
    [InlineData("""{"id":"I","board":17,"number":1,"opened":1790000000,"since":1,"kind":"done","block":"walk:A:1"}""", "Its board is no id")]
    [InlineData("""{"id":"I","board":"B","number":1,"opened":1e300,"since":1,"kind":"done","block":"walk:A:1"}""", "Its moment")]
    [InlineData("""{"id":"I","board":"B","number":1,"opened":1e999,"since":1,"kind":"done","block":"walk:A:1"}""", "Its opened is no number")]
    [InlineData("""{"id":"I","board":"B","number":1,"opened":1790000000,"since":-1,"kind":"done","block":"walk:A:1"}""", "Its moment")]
    [InlineData("""{"id":"I","board":"B","number":1.5,"opened":1790000000,"since":1,"kind":"done","block":"walk:A:1"}""", "no whole number")]
    [InlineData("""{"id":"I","board":"B","number":99999999999,"opened":1790000000,"since":1,"kind":"done","block":"walk:A:1"}""", "no whole number")]
    [InlineData("""{"id":"I","board":"B","number":1,"opened":1790000000,"since":1,"kind":"note","block":"","words":"\ud800 half"}""", "half of a character")]
    [InlineData("""{"id":"I","board":"B","number":1,"opened":1790000000,"since":1,"kind":7,"block":"walk:A:1"}""", "Its kind is no text")]
    [InlineData("""{"id":"I","board":"B","number":1,"opened":1790000000,"since":1,"kind":"flurble","block":"walk:A:1"}""", "nothing that a board tells")]
    [InlineData("""[1,2]""", "no event")]
    [InlineData("""null""", "no event")]
    public async Task One_event_that_cannot_be_read_is_named_and_the_others_are_kept(string bad, string why)
    {
        var visitor = await studio.NewVisitor();
        var lesson = await visitor.Plan(await visitor.Write(Script));
        var good =
            $$"""{"id":"{{Guid.NewGuid()}}","board":"{{Guid.NewGuid()}}","number":1,"opened":1790000000,"since":1,"kind":"note","block":"","words":"the stove side 🦀"}""";
        bad = bad.Replace("\"I\"", $"\"{Guid.NewGuid()}\"", StringComparison.Ordinal)
            .Replace("\"B\"", $"\"{Guid.NewGuid()}\"", StringComparison.Ordinal);
        var token = System.Text.RegularExpressions.Regex.Match(
            (await visitor.Get("/")).Html,
            "fond-token\" content=\"([^\"]+)\"").Groups[1].Value;
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/lessons/{lesson}/teach?handler=Events")
        {
            Content = new StringContent($"{{\"events\":[{bad},{good}]}}", Encoding.UTF8, "application/json")
        };
        request.Headers.Add("X-Fond-Token", token);
        using var answer = await visitor.Client.SendAsync(request, Cancel);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        using var said = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Cancel));
        Assert.Equal(1, said.RootElement.GetProperty("kept").GetInt32());
        Assert.Contains(why, Assert.Single(said.RootElement.GetProperty("refused").EnumerateArray()).GetProperty("why").GetString());
    }

    /// <summary>Chunks that are none, and one that never comes, sent to the application itself.</summary>
    [Fact]
    public async Task A_body_in_chunks_that_are_none_is_its_senders_fault()
    {
        await using var application = new RunningApplication();
        await application.Start();
        foreach (var chunk in (string[])["ffffffffffffffff", "7fffffffffffffff", "zz"])
        {
            using var line = new TcpClient("127.0.0.1", new Uri(application.Address).Port);
            await using var stream = line.GetStream();
            await stream.WriteAsync(
                Encoding.ASCII.GetBytes(
                    "POST /api/analyse HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: text/plain\r\nTransfer-Encoding: "
                        + $"chunked\r\n\r\n{chunk}\r\nabc\r\n"),
                Cancel);
            var buffer = new byte[64];
            var read = await stream.ReadAsync(buffer, Cancel);
            Assert.StartsWith("HTTP/1.1 400", Encoding.ASCII.GetString(buffer, 0, read), StringComparison.Ordinal);
        }
    }
}
