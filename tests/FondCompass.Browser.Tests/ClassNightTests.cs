using System.Text.RegularExpressions;
using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>What a class night asks of a running board: another dance, another wall, music from elsewhere, and what goes wrong in a hall.</summary>
public class ClassNightTests(DemoBrowser demo) : IClassFixture<DemoBrowser>
{
    private Browser Browser => demo.Browser;

    private void OpenDance(string dance)
    {
        demo.Browser.Run("localStorage.clear()");
        demo.Open($"/dances/{dance}/teach");
        Browser.Wait("the dance is there", () => Browser.Text("#now") == "Press Start");
        // Nothing is loaded anew as long as this stands.
        Browser.Run("window.untouched = true");
    }

    private void OpenLesson()
    {
        demo.Browser.Run("localStorage.clear()");
        demo.Open("/lessons/TONIGHT/teach?rehearse=true");
        Browser.Wait("the lesson is there", () => Browser.LessonState("block").Length > 0);
        Browser.Run("window.untouched = true");
    }

    private bool IsUntouched => Browser.Run("return window.untouched === true") is true;

    [Fact]
    public void Another_dance_comes_by_two_letters_or_a_digit_and_the_one_before_comes_back()
    {
        OpenDance("SLACK");
        var first = Browser.Path;
        Browser.Keys(" ");
        Browser.Wait("it is danced", Browser.IsDancing);
        Browser.Keys("d");
        Browser.Keys("ni");
        Browser.WaitForText("#finder-list", "Nine Lanterns");
        // What is danced goes on behind the search.
        Assert.True(Browser.IsDancing());
        Browser.Keys(Keys.Enter);
        Browser.WaitForText(".dance-bar", "Nine Lanterns");
        Assert.True(Browser.IsDancing());
        Assert.True(IsUntouched);
        Assert.NotEqual(first, Browser.Path);
        Browser.WaitForText("#said", "Nine Lanterns");
        Browser.Chord(Keys.Shift, Keys.ArrowLeft);
        Browser.WaitForText(".dance-bar", "Slack Tide Stroll");
        Assert.Equal(first, Browser.Path);
        Browser.Chord(Keys.Shift, Keys.ArrowLeft);
        Browser.WaitForText("#said", "no dance was danced here before");
        // Two keys: the first of what was danced last.
        Browser.Keys("d");
        Browser.Wait("some are offered", () => Browser.Driver.FindElements(By.CssSelector("#finder-list button")).Count > 3);
        var offered = Browser.Find("#finder-list button").Text;
        Browser.Keys("1");
        Browser.Wait("the first comes", () => offered.Contains(Browser.Text(".facts .title"), StringComparison.Ordinal));
        Assert.True(IsUntouched);
        Browser.Keys("d");
        Browser.Keys("zq");
        Browser.WaitForText("#finder-said", "No dance has a word that begins with “zq”");
        Browser.Keys(Keys.Escape);
        Browser.Wait("the keys are the board's", () => Browser.Run("return document.activeElement === document.body") is true);
        Browser.Keys(" ");
        Browser.WaitForText("#phase", "paused");
        // A reload stays with the dance.
        var now = Browser.Text(".facts .title");
        Browser.Go(Browser.Path);
        Assert.Equal(now, Browser.Text(".facts .title"));
    }

    [Fact]
    public void A_dance_that_is_not_planned_is_called_up_in_a_lesson_and_the_class_sees_it_and_the_lesson_goes_on_where_it_stood()
    {
        OpenLesson();
        Browser.Keys(" ");
        Browser.Keys(Keys.ArrowRight);
        var block = Browser.LessonState("block");
        var title = Browser.Text("#block-title");
        var board = Browser.Driver.CurrentWindowHandle;
        Browser.Driver.SwitchTo().NewWindow(WindowType.Tab);
        demo.Open("/class/CODE");
        var screen = Browser.Driver.CurrentWindowHandle;
        Browser.Driver.SwitchTo().Window(board);
        Browser.Keys("d");
        Browser.Keys("nine");
        Browser.WaitForText("#finder-list", "Nine Lanterns");
        Browser.Keys(Keys.Enter);
        Browser.WaitForText("#block-title", "Nine Lanterns");
        Browser.Wait("it is danced", Browser.IsDancing);
        Browser.Driver.SwitchTo().Window(screen);
        Browser.Wait(
            "the class sees a step of it",
            () => $"{Browser.Text("#now")} {Browser.Text("#next")}".Contains("weave", StringComparison.Ordinal));
        Browser.Driver.Close();
        Browser.Driver.SwitchTo().Window(board);
        Browser.Chord(Keys.Shift, Keys.ArrowRight);
        Browser.WaitForText("#block-title", "Slack Tide Stroll");
        Browser.Chord(Keys.Shift, Keys.ArrowLeft);
        Browser.WaitForText("#block-title", "Nine Lanterns");
        Browser.Chord(Keys.Shift, Keys.ArrowLeft);
        Browser.WaitForText("#said", "goes on where it was");
        Assert.Equal((block, title), (Browser.LessonState("block"), Browser.Text("#block-title")));
        Assert.False(Browser.IsDancing());
        Assert.True(IsUntouched);
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void A_class_that_faces_another_wall_is_told_of_that_one(bool isLesson)
    {
        if (isLesson)
        {
            OpenLesson();
            Browser.Keys("d");
            Browser.WaitForText("#finder-list", "Slack");
            Browser.Keys("1");
            Browser.Wait("it is danced", Browser.IsDancing);
            Browser.Keys(" ");
        }
        else
        {
            OpenDance("SLACK");
        }

        Browser.WaitForText("#wall", "wall 1 of 4");
        var words = new List<string>();
        for (var turn = 0; turn < 4; turn++)
        {
            Browser.Keys("w");
            Browser.WaitForText("#said", turn < 3 ? "the board is turned" : "the board is as it is written");
            words.Add(Browser.Text("#wall"));
        }

        Assert.Equal("wall 1 of 4", words[3]);
        Assert.Equal(["wall 2 of 4", "wall 3 of 4", "wall 4 of 4"], words[..3].Order());
    }

    [Fact]
    public void A_board_of_one_dance_goes_with_music_from_elsewhere_and_back()
    {
        OpenDance("SLACK");
        Browser.Keys(Keys.Enter);
        Browser.WaitForText("#said", "nothing is danced now");
        for (var tap = 0; tap < 7; tap++)
        {
            Browser.Run("return new Promise(go => setTimeout(go, 480))");
            Browser.Keys("p");
        }

        Browser.WaitForText("#rate", "a minute, tapped");
        Assert.True(Browser.IsDancing());
        var before = Convert.ToDouble(Browser.Of("dance.js", "conductor.rate"));
        Browser.Keys("+");
        Assert.Equal(before * 1.01, Convert.ToDouble(Browser.Of("dance.js", "conductor.rate")), 4);
        // The one is now: the count that is shown next is a first.
        Browser.Keys(Keys.Enter);
        Browser.Wait("an eight begins", () => Browser.Text("#count") is "1" or "2");
        Browser.Run("document.querySelector('.board-more').open = true");
        Browser.Click("#band");
        Browser.WaitForText("#rate", "100 %");
        Browser.Keys(" ");
    }

    [Fact]
    public void Letters_and_the_delay_of_the_sound_are_kept_and_a_delay_that_cannot_be_is_said()
    {
        OpenDance("DANCE");
        double Size() => Convert.ToDouble(Browser.Run("return parseFloat(getComputedStyle(document.getElementById('now')).fontSize)"));
        var usual = Size();
        Browser.Run("document.querySelector('.board-more').open = true");
        Browser.Find("#letters").SendKeys("larger");
        Assert.Equal(usual * 1.2, Size(), 1);
        Browser.Rewritten("#late", "250");
        Browser.WaitForText("#said", "250 ms later");
        Assert.Equal(0.25, Convert.ToDouble(Browser.Of("dance.js", "conductor.late")), 6);
        Browser.Rewritten("#late", "4000");
        Browser.WaitForText("#said", "it stays at 250");
        Assert.Equal("250", Browser.Find("#late").GetDomProperty("value"));
        demo.Open("/lessons/TONIGHT/teach?rehearse=true");
        Browser.Wait("the lesson is there", () => Browser.LessonState("block").Length > 0);
        Assert.Equal(0.25, Convert.ToDouble(Browser.Of("lesson/sound.js", "conductor.late")), 6);
        // What is heard later is shown later.
        Browser.Keys("l");
        Browser.Keys(" ");
        Browser.Wait("it is danced", Browser.IsDancing);
        Assert.InRange(
            Convert.ToDouble(Browser.Of("lesson/sound.js", "conductor.songAt(m.conductor.audio.currentTime) - m.conductor.position()")),
            0.25 * 0.9,
            0.6);
        Browser.Run("localStorage.clear()");
    }

    [Theory]
    [InlineData("/dances/SLACK/teach", "how the step goes that is danced")]
    [InlineData("/lessons/TONIGHT/teach?rehearse=true", "clean: the class danced this block clean")]
    public void The_keys_stand_over_the_board_and_it_goes_on(string page, string does)
    {
        demo.Open(page);
        Browser.Wait("the board is there", () => Browser.Text("#now").Length > 4);
        Browser.Keys("?");
        Browser.Wait("its keys are shown", () => Browser.Find("#board-keys").Displayed);
        Assert.Contains(does, Browser.Text("#board-keys"), StringComparison.Ordinal);
        Assert.Single(Browser.Driver.WindowHandles);
        Browser.Keys(Keys.Escape);
        Browser.Wait("they are gone", () => !Browser.Find("#board-keys").Displayed);
    }

    [Fact]
    public void A_sound_device_that_stands_still_is_told_until_it_goes_on()
    {
        OpenDance("SLACK");
        Browser.Keys(" ");
        Browser.Wait("it is danced", Browser.IsDancing);
        Browser.Run("""
            return import('/js/dance.js').then(({ conductor: { audio } }) => {
              const at = audio.currentTime;
              Object.defineProperty(audio, 'currentTime', { get: () => at, configurable: true });
            });
            """);
        Browser.WaitForText("#still", "No sound comes");
        Browser.Run("return import('/js/dance.js').then(m => { delete m.conductor.audio.currentTime; })");
        Browser.Wait("it goes on", () => Browser.Text("#still").Length == 0);
        Browser.Keys(" ");
    }

    [Fact]
    public void Of_less_time_the_rest_is_seen_and_then_led_and_the_block_that_is_led_stays()
    {
        OpenLesson();
        // Before it is begun, all of it is planned for the time that there is.
        Browser.Keys("r");
        Browser.WaitForText("#rest-said", "fits");
        Browser.Keys("40");
        Browser.Wait("forty minutes are looked at", () => Regex.IsMatch(Browser.Text("#rest-changes"), "not|gone"));
        Browser.Keys(Keys.Enter);
        Browser.WaitForText("#said", "planned anew: 40 minutes");
        Browser.WaitForText("#lesson-left", "40 min, not begun");
        Browser.Keys(" ");
        Browser.Keys(Keys.ArrowRight);
        var (block, title) = (Browser.LessonState("block"), Browser.Text("#block-title"));
        Browser.Keys("r");
        Browser.WaitForText("#rest-said", "fits");
        Browser.Keys("15");
        Browser.Wait("what goes is told", () => Browser.Text("#rest-changes").Contains("is gone", StringComparison.Ordinal));
        // Escape leaves all as it was.
        Browser.Keys(Keys.Escape);
        Assert.Equal(title, Browser.Text("#block-title"));
        Browser.Keys("r");
        Browser.WaitForText("#rest-said", "fits");
        Browser.Keys("15");
        Browser.WaitForText("#rest-changes", "is gone");
        Browser.Wait("it can be taken", () => Browser.Find("#rest-take").Enabled);
        Browser.Keys(Keys.Enter);
        Browser.WaitForText("#said", "planned anew: 15 minutes");
        Assert.Equal(block, Browser.LessonState("block"));
        Assert.Matches("^(15:00|14:[0-5][0-9]) left$", Browser.Text("#lesson-left"));
        // Once more: it goes on from the plan that is led now.
        var many = Convert.ToInt32(Browser.Of("lesson/state.js", "state.lesson.blocks.length"));
        Browser.Keys("r");
        Browser.WaitForText("#rest-said", "fits");
        Browser.Keys("12");
        Browser.WaitForText("#rest-changes", "not");
        Browser.Wait("it can be taken", () => Browser.Find("#rest-take").Enabled);
        Browser.Keys(Keys.Enter);
        Browser.WaitForText("#said", "planned anew: 12 minutes");
        Assert.Equal((block, 3), (Browser.LessonState("block"), Convert.ToInt32(Browser.Of("lesson/state.js", "state.lesson.plan"))));
        Assert.True(Convert.ToInt32(Browser.Of("lesson/state.js", "state.lesson.blocks.length")) <= many);
        // What cannot be is said, and not taken.
        Browser.Keys("r");
        Browser.WaitForText("#rest-said", "fits");
        Browser.Run("arguments[0].value = ''; arguments[0].dispatchEvent(new Event('input'))", Browser.Find("#rest-minutes"));
        Browser.WaitForText("#rest-said", "Write minutes from 1 to 540");
        Assert.False(Browser.Find("#rest-take").Enabled);
        Browser.Keys(Keys.Escape);
    }

    [Fact]
    public void A_lesson_is_ended_with_a_question_and_begun_anew_with_another()
    {
        OpenLesson();
        Browser.Keys(" ");
        Browser.Keys(Keys.ArrowRight);
        Browser.Run("document.querySelector('.board-more').open = true");
        Browser.Click("#close");
        Browser.WaitForText("#question-asks", "End the lesson?");
        Browser.Keys(Keys.Escape);
        Browser.Wait("it goes on", () => Browser.LessonState("isOver") == "False");
        Browser.Run("document.querySelector('.board-more').open = true");
        Browser.Click("#close");
        Browser.Click("#question-yes");
        Browser.WaitForText("#now", "The lesson is over");
        Browser.Run("document.querySelector('.board-more').open = true");
        Browser.Click("#anew");
        Browser.Click("#question-yes");
        Browser.WaitForText("#lesson-left", "not begun");
        Assert.Equal(("0", "False"), (Browser.LessonState("index"), Browser.LessonState("hasBegun")));
    }
}
