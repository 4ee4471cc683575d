using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace Rama.Data.Database;

/// <summary>Lets the migration tool build the model without a running database.</summary>
internal sealed class RamaContextFactory : IDesignTimeDbContextFactory<RamaContext>
{
    public RamaContext CreateDbContext(string[] args) =>
        new(
            new DbContextOptionsBuilder<RamaContext>()
                .UseNpgsql("Host=localhost")
                .UseSnakeCaseNamingConvention()
                .Options,
            new()
        );
}
