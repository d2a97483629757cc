using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Accounts.SignIns;

/// <summary>What a browser calls itself, in words that its owner knows it by.</summary>
public static class Browsers
{
    /// <summary>Browsers and systems by what stands in their names, those that also bear another's name first.</summary>
    private static readonly (string Mark, string Name)[] Names =
    [
        ("Edg/", "Edge"), ("OPR/", "Opera"), ("Firefox/", "Firefox"), ("Chrome/", "Chrome"), ("Safari/", "Safari")
    ],
        Systems =
        [
            ("iPhone", "iPhone"), ("iPad", "iPad"), ("Android", "Android"), ("Windows", "Windows"), ("Mac OS X", "Mac"),
            ("CrOS", "ChromeOS"), ("Linux", "Linux")
        ];

    /// <param name="agent">What was sent as User-Agent; may be anything.</param>
    public static string NameOf(string agent)
    {
        static string? Of((string Mark, string Name)[] known, string agent) =>
            Array.Find(known, k => agent.Contains(k.Mark, StringComparison.Ordinal)).Name;
        return (Of(Names, agent), Of(Systems, agent)) switch
        {
            ({ } browser, { } system) => $"{browser} on {system}",
            ({ } browser, null) => browser,
            (null, { } system) => $"a browser on {system}",
            _ => AccountTexts.UnknownBrowser,
        };
    }
}
