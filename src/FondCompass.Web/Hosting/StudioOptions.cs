namespace FondCompass.Web.Hosting;

/// <summary>Settings under "FondCompass"; the start command gives those of one machine, docs/running.md tells those of a site.</summary>
public sealed class StudioOptions
{
    /// <summary>Loads the demo world into an empty database and offers the demo studio to loopback.</summary>
    public bool Demo { get; set; }

    /// <summary>
    /// The address at which people reach a site behind a proxy, "https://studio.example". With it cookies go over HTTPS only, an account
    /// begins with
    /// a letter, and the proxy's word on who asks is believed. Null on one's own machine.
    /// </summary>
    public Uri? Site { get; set; }

    /// <summary>
    /// Further names it answers to, with semicolons, as a hall's network has them; beside them the site's, or this machine's own.
    /// </summary>
    public string Hosts { get; set; } = "";

    /// <summary>
    /// Networks and addresses of proxies that are believed, with semicolons, beside this machine ("10.0.0.0/8;192.0.2.7").
    /// </summary>
    public string Proxies { get; set; } = "";

    /// <summary>The folder that letters are written to: the stand-in for a post office.</summary>
    public string Mail { get; set; } = Path.Combine(Path.GetTempPath(), "fond-compass-mail");

    /// <summary>A real post office, "host" or "host:port"; letters go to the folder without one.</summary>
    public string MailServer { get; set; } = "";

    /// <summary>Whose name letters bear.</summary>
    public string MailFrom { get; set; } = "fond-compass@localhost.invalid";

    /// <summary>The folder whose disk is watched.</summary>
    public string Data { get; set; } = Path.GetTempPath();
}
