using System.Globalization;

namespace FondCompass.Browser.Tests;

/// <summary>
/// What a board's page holds, asked of the modules that the page itself has loaded; and its clocks, which a test may make run faster.
/// </summary>
internal static class BoardPage
{
    /// <summary>The page's own clock and that of its sound, so many times as fast as they are from here on.</summary>
    private const string Hurried = """
        if (!window.hurried) {
          const clocks = new Map();
          const read = (of, real) => {
            const clock = clocks.get(of) ?? { real, zero: real(), base: real(), speed: window.hurried.speed };
            clocks.set(of, clock);
            return clock.base + (real() - clock.zero) * clock.speed;
          };
          window.hurried = {
            speed: 1,
            by(speed) {
              for (const clock of clocks.values()) {
                const now = clock.real();
                Object.assign(clock, { base: clock.base + (now - clock.zero) * clock.speed, zero: now, speed });
              }
              this.speed = speed;
            },
          };
          const page = performance.now.bind(performance);
          performance.now = () => read(performance, page);
          const sound = Object.getOwnPropertyDescriptor(BaseAudioContext.prototype, 'currentTime').get;
          Object.defineProperty(BaseAudioContext.prototype, 'currentTime', { get() { return read(this, () => sound.call(this)); } });
        }
        window.hurried.by(arguments[0]);
        """;

    public static void Hurry(this Browser browser, int times) => browser.Run(Hurried, times);

    /// <summary>What a module of the page exports: "lesson/state.js", "state.rate".</summary>
    public static object? Of(this Browser browser, string module, string what) =>
        browser.Run($"return import('/js/{module}').then(m => (m.{what}))");

    /// <summary>Where the lesson stands: block, lead, index, playing, or a member of the board's state.</summary>
    public static string LessonState(this Browser browser, string what) =>
        what == "playing"
            ? browser.IsDancing().ToString()
            : Convert.ToString(
                browser.Of(
                    "lesson/state.js",
                    what switch
                    {
                        "block" => "state.lesson ? m.block().id : ''",
                        "lead" => "block().lead",
                        "index" => "state.at",
                        "how" => "state.now.how",
                        _ => $"state.{what}",
                    }),
                CultureInfo.InvariantCulture) ?? "";

    /// <summary>Whether something is danced on a board.</summary>
    public static bool IsDancing(this Browser browser) => browser.Run("return document.body.classList.contains('dancing')") is true;

    /// <summary>All that was marked has arrived at the server.</summary>
    public static bool IsToldAll(this Browser browser) =>
        browser.Of("lesson/telling.js", "marks.waiting.length === 0") is true;

    /// <summary>From here on every sound that is handed to the audio clock is written down, with its moment of the song.</summary>
    /// <param name="module">The page's module that has the conductor.</param>
    public static void Listen(this Browser browser, string module) =>
        browser.Run(
            $$"""
            return import('/js/{{module}}').then(({ conductor }) => {
              window.heard = [];
              const sound = conductor.sound.bind(conductor);
              conductor.sound = (note, when) => {
                window.heard.push({ voice: note.voice, at: note.at, when });
                sound(note, when);
              };
            });
            """);
}
