using FondCompass.Core;
using FondCompass.Core.Notation;
using FondCompass.Core.Prose;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Api.Bodies;

namespace FondCompass.Web.Api;

/// <summary>POST /api/paste: free wording in, a script and what became of each row out; nothing is stored.</summary>
internal static class PasteEndpoint
{
    public static void MapPaste(this WebApplication app) =>
        app.MapPost("/api/paste", (SentText sent, string? genre, CancellationToken cancel) =>
        {
            if (genre is not null && !Enum.TryParse<Genre>(genre, ignoreCase: true, out _))
            {
                throw new RefusedException(StatusCodes.Status422UnprocessableEntity, ApiTexts.UnknownGenre, ApiTexts.NoGenreSent(genre));
            }

            var pasted = ProseReader.WhileWaited(sent.Text, null, genre?.ToLowerInvariant(), cancel);
            return TypedResults.Ok(PasteJson.From(pasted, pasted.Analysis.WithTriedFixes()));
        }).TakesText<PasteJson>(ApiTexts.FreeWording);
}

internal sealed record PasteJson(
    string Script,
    double Understood,
    IEnumerable<PastedRowJson> Rows,
    AnalysisJson Analysis,
    IReadOnlyList<string> Doubts)
{
    public static PasteJson From(PastedDance pasted, Analysis analysis) =>
        new(pasted.Script, pasted.Understood, pasted.Rows.Select(PastedRowJson.FromRow), AnalysisJson.From(analysis), pasted.Doubts);
}

internal sealed record PastedRowJson(string From, string Script, string Fate, string Reads)
{
    public static PastedRowJson FromRow(PastedRow row) => new(row.From, row.Script, row.Fate.ToString().ToLowerInvariant(), row.Reads);
}
