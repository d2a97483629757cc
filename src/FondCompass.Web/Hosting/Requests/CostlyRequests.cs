using System.Net;
using System.Threading.RateLimiting;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Hosting.Requests;

/// <summary>
/// What anybody may ask for without signing in waits in queues of its own, so that pages stay quick: short requests in one, long ones in
/// another, few at
/// a time. From elsewhere than this machine as many as a person makes.
/// </summary>
internal static class CostlyRequests
{
    /// <summary>Bytes of a body from which a request waits among the long ones.</summary>
    private const long Long = 16 * 1024;

    /// <summary>Requests that wait; whoever comes behind them is told to come again.</summary>
    private const int MostWaiting = 200;

    /// <summary>Seconds after which a request that was turned away may come again.</summary>
    private const int ComeAgain = 10;

    public static void AddDearWork(this WebApplicationBuilder builder) => builder.Services.AddRateLimiter(limits =>
    {
        limits.GlobalLimiter = Queues();
        limits.OnRejected = async (rejected, _) => await ComeAgainLater(rejected.HttpContext);
    });

    /// <summary>How much a network may ask for is counted first, and once: the queue's limiter asks twice of whoever has to wait.</summary>
    public static void UseDearWork(this WebApplication app)
    {
        var rates = app.Services.GetRequiredService<RateLimits>();
        app.Use(async (context, rest) =>
        {
            var isCounted = (IsForAnybody(context) || IsDoor(context))
                && context.Connection.RemoteIpAddress is { } from
                && !IPAddress.IsLoopback(from);
            await (!isCounted || await rates.Take(ClientNetwork.NetworkOf(context.Connection.RemoteIpAddress), context.RequestAborted)
                ? rest(context)
                : ComeAgainLater(context));
        });
        app.UseRateLimiter();
    }

    private static async Task ComeAgainLater(HttpContext context)
    {
        context.Response.Headers.RetryAfter = $"{ComeAgain}";
        if (IsDoor(context))
        {
            // Its page says it.
            context.Response.StatusCode = StatusCodes.Status429TooManyRequests;
            return;
        }

        await ClearErrors.Problem(
            StatusCodes.Status429TooManyRequests,
            ServerTexts.TooManyAtOnce,
            ServerTexts.SendAgainIn(ComeAgain))
            .ExecuteAsync(context);
    }

    private static bool IsForAnybody(HttpContext context) =>
        context.Request.Path.StartsWithSegments("/api") && HttpMethods.IsPost(context.Request.Method);

    /// <summary>Where passwords are tried: to compare one is meant to be dear.</summary>
    private static bool IsDoor(HttpContext context) =>
        HttpMethods.IsPost(context.Request.Method)
            && (context.Request.Path.StartsWithSegments("/sign-in") || context.Request.Path.StartsWithSegments("/password"));

    private static PartitionedRateLimiter<HttpContext> Queues() =>
        PartitionedRateLimiter.Create<HttpContext, string>(context => !IsForAnybody(context) && !IsDoor(context)
            ? RateLimitPartition.GetNoLimiter("pages")
        : RateLimitPartition.GetConcurrencyLimiter(
            IsDoor(context) ? "door" : context.Request.ContentLength is { } length && length <= Long ? "short" : "long",
            lane => new ConcurrencyLimiterOptions
            {
                // One core stays for the pages.
                PermitLimit = Math.Max(1, lane == "long" ? Environment.ProcessorCount / 2 : Environment.ProcessorCount - 1),
                QueueLimit = MostWaiting,
                QueueProcessingOrder = QueueProcessingOrder.OldestFirst,
            }));
}
