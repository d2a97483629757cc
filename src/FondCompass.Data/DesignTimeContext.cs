using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace FondCompass.Data;

/// <summary>
/// Lets the migrations tool build the model without a server: dotnet ef migrations add NAME --project src/FondCompass.Data.
/// </summary>
public sealed class DesignTimeContext : IDesignTimeDbContextFactory<FondCompassContext>
{
    public FondCompassContext CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<FondCompassContext>().UseNpgsql("Host=127.0.0.1;Database=none").Options);
}
