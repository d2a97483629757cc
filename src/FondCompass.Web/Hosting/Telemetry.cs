using FondCompass.Web.Hosting.Requests;
using OpenTelemetry;
using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;

namespace FondCompass.Web.Hosting;

/// <summary>
/// Metrics and traces of requests, of the database, of the runtime and of our own faults, as OpenTelemetry has them. Nothing is sent or
/// gathered
/// unless OTEL_EXPORTER_OTLP_ENDPOINT names a collector.
/// </summary>
internal static class Telemetry
{
    /// <summary>The name under which Npgsql tells of itself.</summary>
    private const string Npgsql = "Npgsql";

    public static void AddTelemetry(this WebApplicationBuilder builder)
    {
        if (string.IsNullOrEmpty(builder.Configuration["OTEL_EXPORTER_OTLP_ENDPOINT"]))
        {
            return;
        }

        builder.Services.AddOpenTelemetry()
            .ConfigureResource(resource => resource.AddService("fond-compass"))
            .WithMetrics(metrics => metrics.AddAspNetCoreInstrumentation().AddRuntimeInstrumentation().AddMeter(FaultLog.Meter, Npgsql))
            .WithTracing(traces => traces.AddAspNetCoreInstrumentation().AddSource(Npgsql))
            .UseOtlpExporter();
    }
}
