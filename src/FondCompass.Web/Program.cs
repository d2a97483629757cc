using FondCompass.Web.Accounts;
using FondCompass.Web.Api;
using FondCompass.Web.Api.Bodies;
using FondCompass.Web.Hosting;
using FondCompass.Web.Hosting.Databases;
using FondCompass.Web.Hosting.Requests;
using FondCompass.Web.Pages.Teaching;

WarmUp.Begin();
var builder = WebApplication.CreateBuilder(args);
builder.AddLogs();
builder.AddSiteHosts();
builder.AddDatabase();
builder.AddAccounts();
builder.AddStudioPages();
builder.AddForms();
builder.AddDearWork();
builder.AddHealth();
builder.AddTelemetry();
builder.AddApi();
builder.Services.AddExceptionHandler<FaultLog>();

var app = builder.Build();
app.UseSiteHosts();
app.UseClearErrors();
app.UseSafeHeaders();
app.UseResponseCompression();
app.UseDatabaseWatch();
app.UseRouting();
app.UseAuthentication();
app.UseAuthorization();
app.UseDearWork();
app.UseForms();
app.MapHealth();
app.MapAnalyse();
app.MapPaste();
app.MapRun();
app.MapPlan();
app.MapCues();
app.MapSwaps();
app.MapRoom();
app.MapOpenApi("/api/openapi.json");
app.MapClassWindows();
app.MapStatics();

WarmUp.Begin(app);
await app.PrepareDatabase();
await app.RunAsync();

/// <summary>Named so that tests can start the application.</summary>
public partial class Program;
