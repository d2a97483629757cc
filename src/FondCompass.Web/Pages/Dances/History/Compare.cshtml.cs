using System.Globalization;
using FondCompass.Core;
using FondCompass.Core.Actions;
using FondCompass.Core.Comparing;
using FondCompass.Core.Tracing;
using FondCompass.Data.Dances;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances.History;

/// <summary>The dance beside another one, beside a version of its own, or beside what it was at an earlier save.</summary>
public sealed class CompareModel(DanceShelf shelf) : DancePage(shelf)
{
    public override string Stage => "Compare";

    /// <summary>dance:ID, version:NAME or revision:NUMBER.</summary>
    [BindProperty(SupportsGet = true)]
    public string? With { get; set; }

    public IReadOnlyList<DanceRecord> Others { get; private set; } = [];

    public IReadOnlyList<string> Variants => Versions.All(Analysis.Trace.Actions).Select(l => l.ToString()).ToList();

    public IReadOnlyList<RevisionRow> Saves { get; private set; } = [];

    public string OtherName { get; private set; } = "";

    public SideBySide? Beside { get; private set; }

    public RoomHalves? Halves { get; private set; }

    public async Task OnGet(CancellationToken cancel)
    {
        Others = (await Shelf.Search(null, cancel)).Where(d => d.Id != Id).ToList();
        Saves = await Shelf.Revisions(Id, cancel: cancel);
        // With nothing chosen: a version of its own, or the last change.
        With ??= Variants.Count > 0 ? $"version:{Variants[0]}"
            : Saves.Where(s => s.Version != Dance.Version)
                .OrderByDescending(s => s.Version)
                .Select(s => $"revision:{s.Version}")
                .FirstOrDefault();
        if (await Other(cancel) is { } other)
        {
            Beside = SideBySide.Lay(Analysis.Trace, other);
            Halves = RoomHalves.Judge(Analysis.Trace, other);
        }
    }

    private async Task<DanceTrace?> Other(CancellationToken cancel)
    {
        var (kind, name) = (With ?? "").Split(':', 2) is [var k, var n] ? (k, n) : ("", "");
        if (kind == "dance" && Guid.TryParse(name, out var id) && await Shelf.Find(id, cancel) is { DeletedAt: null } dance)
        {
            OtherName = dance.Title;
            return Analysis.WhileWaited(dance.Script, Lexicon, cancel).Trace;
        }

        if (kind == "version" && Versions.Find(Analysis.Trace.Actions, name) is { } label)
        {
            OtherName = $"{Dance.Title}, {label}";
            return DanceTracer.Trace(Analysis.Trace.Actions.With(label));
        }

        if (kind == "revision"
            && int.TryParse(name, NumberStyles.None, CultureInfo.InvariantCulture, out var version)
            && await Shelf.Revision(Id, version, cancel) is { } revision)
        {
            OtherName = $"revision {version}";
            return Analysis.WhileWaited(revision.Script, WordBook.Read(revision.Words).Lexicon, cancel).Trace;
        }

        return null;
    }
}
