using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>A board fits its screen, its keys stay where they are, and what is read from the hall is large.</summary>
public class BoardFitsTests(DemoBrowser demo) : IClassFixture<DemoBrowser>
{
    /// <summary>Keys that lead on, by their ids.</summary>
    private const string Keys = "go back on slower faster";

    /// <summary>What stands where: each key's box, and what is not in sight.</summary>
    private const string Places = """
        const boxes = arguments[0].split(' ').map(id => {
          const box = document.getElementById(id).getBoundingClientRect();
          const inSight = box.top >= 0 && box.left >= 0 && box.bottom <= innerHeight + 0.5 && box.right <= innerWidth + 0.5 && box.height >= 44;
          const there = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
          return `${id} ${Math.round(box.top)}${inSight && document.getElementById(id).contains(there) ? '' : ' OUT OF SIGHT'}`;
        });
        return boxes.join(', ') + (document.scrollingElement.scrollHeight > innerHeight + 1 ? ' THE PAGE SCROLLS' : '');
        """;

    private const string Sizes = """
        return Object.fromEntries(['now', 'next', 'cue-count', 'wall', 'foot-l', 'count'].map(id => [id, parseFloat(getComputedStyle(document.getElementById(id)).fontSize)]));
        """;

    [Theory]
    [InlineData(1280, 800, 52)]
    [InlineData(1280, 657, 52)]
    [InlineData(1920, 1080, 64)]
    [InlineData(820, 1180, 64)]
    [InlineData(390, 844, 24)]
    [InlineData(360, 640, 23)]
    public void A_lesson_is_led_with_its_keys_in_one_place(int width, int height, double least)
    {
        demo.Open("/lessons/TONIGHT/teach?rehearse=true", width, height);
        var browser = demo.Browser;
        browser.Wait("the lesson is there", () => browser.LessonState("block").Length > 0);
        var places = new Dictionary<string, string> { ["not begun"] = Place(browser) };
        browser.Keys(" ");
        for (var block = 0; block < 9; block++)
        {
            var name = browser.LessonState("block");
            places[name] = Place(browser);
            if (browser.LessonState("lead") == "dance")
            {
                if (!browser.IsDancing())
                {
                    browser.Keys(" ");
                    browser.Wait("it is danced", browser.IsDancing);
                }

                for (var look = 0; look < 6; look++)
                {
                    places[$"{name} danced {look}"] = Place(browser);
                }

                AssertLarge(browser, least);
                browser.Keys(" ");
            }

            browser.Keys("s");
        }

        Assert.True(places.Values.Distinct().Count() == 1, string.Join('\n', places.Select(p => $"{p.Key}: {p.Value}")));
        Assert.DoesNotContain("SIGHT", places["not begun"], StringComparison.Ordinal);
        Assert.DoesNotContain("SCROLLS", places["not begun"], StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(1280, 800, 52)]
    [InlineData(1280, 657, 52)]
    [InlineData(820, 1180, 64)]
    [InlineData(390, 844, 24)]
    [InlineData(360, 640, 23)]
    public void A_dance_is_led_with_its_keys_in_one_place(int width, int height, double least)
    {
        demo.Open("/dances/DANCE/teach", width, height);
        var browser = demo.Browser;
        browser.Wait("the dance is there", () => browser.Text("#now") == "Press Start");
        var before = Place(browser);
        browser.Keys(" ");
        browser.Wait("it is danced", browser.IsDancing);
        for (var look = 0; look < 8; look++)
        {
            Assert.Equal(before, Place(browser));
        }

        AssertLarge(browser, least);
        browser.Keys(" ");
        Assert.DoesNotContain("SIGHT", before, StringComparison.Ordinal);
        Assert.DoesNotContain("SCROLLS", before, StringComparison.Ordinal);
    }

    [Fact]
    public void Moves_called_in_a_block_without_counts_have_their_count_and_their_feet()
    {
        // A rehearsal of another size may have been left in the middle.
        demo.Browser.Run("localStorage.clear()");
        demo.Open("/lessons/TONIGHT/teach?rehearse=true", 1280, 800);
        var browser = demo.Browser;
        browser.Wait("the lesson is there", () => browser.LessonState("lead") == "clock");
        Assert.False(browser.Find("#foot-l").Displayed);
        browser.Keys("l");
        browser.Wait("moves are offered", () => browser.Driver.FindElements(OpenQA.Selenium.By.CssSelector("#moves button")).Count > 3);
        Assert.True(browser.Find("#foot-l").Displayed);
        browser.Keys(" ");
        browser.Wait("it is counted", () => browser.Text("#count").Length > 0);
        browser.Keys("l");
        browser.Wait("the plan goes on", () => !browser.Find("#foot-l").Displayed);
    }

    [Theory]
    [InlineData("#rate-wanted", "500", "from 50 to 110, please", "110")]
    [InlineData("#rate-wanted", "", "from 50 to 110, please", "100")]
    [InlineData("#repeats", "0", "from 1 to 99, please", "1")]
    public void A_number_that_cannot_be_taken_says_so(string box, string typed, string said, string becomes)
    {
        demo.Open("/dances/DANCE/teach");
        var browser = demo.Browser;
        browser.Wait("the dance is there", () => browser.Text("#now") == "Press Start");
        browser.Rewritten(box, typed);
        browser.WaitForText("#said", said);
        Assert.Equal(becomes, browser.Find(box).GetDomProperty("value"));
    }

    [Fact]
    public void More_opens_over_the_board_and_Escape_closes_it()
    {
        demo.Open("/lessons/TONIGHT/teach?rehearse=true", 1280, 657);
        var browser = demo.Browser;
        browser.Wait("the lesson is there", () => browser.LessonState("block").Length > 0);
        var before = Place(browser);
        browser.Click(".board-more summary");
        Assert.True(browser.Find("#again").Displayed);
        Assert.Equal(before, Place(browser));
        browser.Keys(OpenQA.Selenium.Keys.Escape);
        browser.Wait("it is shut", () => !browser.Find("#again").Displayed);
        // The keys are the board's again.
        browser.Keys("m");
        Assert.Equal("true", browser.Find("#mirror").GetDomAttribute("aria-pressed"));
    }

    private static string Place(Browser browser) => (string)browser.Run(Places, Keys)!;

    private static void AssertLarge(Browser browser, double least)
    {
        foreach (var (name, size) in (IDictionary<string, object>)browser.Run(Sizes)!)
        {
            Assert.True(Convert.ToDouble(size) >= least, $"{name} has {size} px of {least}");
        }
    }
}
