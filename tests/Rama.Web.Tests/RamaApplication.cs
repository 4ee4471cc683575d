using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Rama.Data;
using Rama.Data.Demo;

namespace Rama.Web.Tests;

/// <summary>The real application on a database of its own that holds the demo estate.</summary>
public class RamaApplication : WebApplicationFactory<Program>, IAsyncLifetime
{
    private readonly TestDatabase _database = new();

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseEnvironment("Production");
        builder.UseSetting("ConnectionStrings:Rama", _database.Connection);
        // What the tests provoke on purpose would bury what went wrong.
        builder.UseSetting("Logging:LogLevel:Default", "Critical");
        builder.UseSetting("Logging:LogLevel:Microsoft.Hosting.Lifetime", "Critical");
        builder.UseSetting("Logging:LogLevel:Microsoft.EntityFrameworkCore", "Critical");
    }

    public virtual async ValueTask InitializeAsync()
    {
        await using var scope = Services.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<RamaContext>().Database.MigrateAsync();
        await scope.ServiceProvider.GetRequiredService<DemoLoader>()
            .LoadIfEmptyAsync(Path.Combine(AppContext.BaseDirectory, "demo/larkfold.json"), TestContext.Current.CancellationToken);
    }

    public override async ValueTask DisposeAsync()
    {
        await base.DisposeAsync();
        await _database.DisposeAsync();
        GC.SuppressFinalize(this);
    }
}
