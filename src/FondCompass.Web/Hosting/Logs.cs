using Serilog;
using Serilog.Events;

namespace FondCompass.Web.Hosting;

internal static class Logs
{
    public static void AddLogs(this WebApplicationBuilder builder) => builder.Services.AddSerilog(log => log
        .MinimumLevel.Warning()
        .MinimumLevel.Override("FondCompass", LogEventLevel.Information)
        // Where it listens, and that it has started or stopped.
        .MinimumLevel.Override("Microsoft.Hosting.Lifetime", LogEventLevel.Information)
        // A database that is away is told on the page; its every failing command need not be.
        .MinimumLevel.Override("Microsoft.EntityFrameworkCore", LogEventLevel.Fatal)
        .MinimumLevel.Override("Microsoft.AspNetCore.Diagnostics", LogEventLevel.Fatal)
        .MinimumLevel.Override("Microsoft.AspNetCore.Antiforgery", LogEventLevel.Error)
        .MinimumLevel.Override("Microsoft.AspNetCore.DataProtection", LogEventLevel.Error)
        .WriteTo.Console());
}
