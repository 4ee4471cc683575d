using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Rama.Data.Demo;

namespace Rama.Data;

/// <summary>Wires the database into an application.</summary>
public static class RamaDatabase
{
    /// <summary>Registers context, stores and loaders on a PostgreSQL connection.</summary>
    public static IServiceCollection AddRamaDatabase(this IServiceCollection services, string connection) => services
        .AddDbContext<RamaContext>(options => options.UseNpgsql(connection).UseSnakeCaseNamingConvention())
        .AddScoped<EstateScope>()
        .AddScoped<PlantingStore>()
        .AddScoped<DemoLoader>();
}
