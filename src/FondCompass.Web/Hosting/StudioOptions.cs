namespace FondCompass.Web.Hosting;

/// <summary>Settings under "FondCompass"; the start command gives them.</summary>
public sealed class StudioOptions
{
    /// <summary>Loads the demo world into an empty database and offers the demo studio to loopback.</summary>
    public bool Demo { get; set; }

    /// <summary>Folder for the keys that sign cookies, so that a restart keeps everybody signed in.</summary>
    public string? Keys { get; set; }
}
