using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Wording.Texts.Pages;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Teaching;

/// <summary>What a board is told that taps the beat of music from elsewhere.</summary>
internal static class TapAnswer
{
    /// <summary>Taps that are read at once.</summary>
    private const int MostTaps = 400;

    /// <summary>The beat that was tapped; 204 while there is none in the taps.</summary>
    /// <param name="taps">Seconds on the clock of who taps, in order.</param>
    public static IActionResult Of(double[]? taps)
    {
        if (taps is not { Length: <= MostTaps } || taps.Any(t => !double.IsFinite(t)))
        {
            return new JsonResult(new { title = $"{LessonPageTexts.MomentsAtOnce(MostTaps)}" })
            {
                StatusCode = StatusCodes.Status422UnprocessableEntity
            };
        }

        return TapTrain.Follow([.. taps]) is { } beat
            ? new JsonResult(new { bpm = beat.Bpm, beatAt = beat.BeatAt, beats = beat.Beats, spread = beat.Spread, drift = beat.Drift })
            : new StatusCodeResult(StatusCodes.Status204NoContent);
    }
}
