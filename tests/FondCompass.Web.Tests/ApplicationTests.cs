using FondCompass.Web.Pages.Dances;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>What stands on what: pages on the application, the application on core and data.</summary>
public class ApplicationTests
{
    [Fact]
    public void The_application_knows_no_request_and_no_page() =>
        // An account's record is the framework's own; nothing else of it comes in.
        Assert.DoesNotContain(typeof(PlanDesk).Assembly.GetReferencedAssemblies(), a =>
            (a.Name!.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal) && !a.Name.Contains("Identity", StringComparison.Ordinal))
                || a.Name == typeof(PlanModel).Assembly.GetName().Name);
}
