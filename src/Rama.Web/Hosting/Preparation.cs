using Rama.Data;
using Rama.Data.Demo;
using Rama.Data.People;
using Rama.Web.Accounts;

namespace Rama.Web.Hosting;

/// <summary>
/// What <c>prepare</c> does before a start: brings the database up to date, makes the application's login, and loads the
/// demo into an empty database when asked to. It works on a connection that owns the database; the application has none.
/// </summary>
internal static class Preparation
{
    /// <summary>Prepares as the settings say: <c>ConnectionStrings:Owner</c>, <c>LoginPassword</c>, <c>DemoPassword</c>.</summary>
    public static async Task RunAsync(IConfiguration settings, string? demo)
    {
        string Setting(string name) => settings[name] ?? throw new InvalidOperationException($"{name} is not set. Use ./rama start.");
        if (await RunAsync(Setting("ConnectionStrings:Owner"), Setting("LoginPassword"), demo, demo is null ? "" : Setting("DemoPassword")))
            Console.WriteLine("The demo estate is loaded.");
    }

    /// <summary>Prepares a database.</summary>
    /// <param name="ownerConnection">Connection of the role that owns it.</param>
    /// <param name="loginPassword">Password of the application's login.</param>
    /// <param name="demo">The demo's files; null to leave an empty database empty.</param>
    /// <param name="demoPassword">Password of the demo accounts.</param>
    /// <returns>Whether the demo was loaded.</returns>
    public static async Task<bool> RunAsync(string ownerConnection, string loginPassword, string? demo, string demoPassword)
    {
        var services = new ServiceCollection().AddLogging().AddSingleton(TimeProvider.System).AddRamaDatabase(ownerConnection);
        services.AddIdentityCore<PersonRecord>(AccountServices.Rules).AddEntityFrameworkStores<RamaContext>();
        await using var provider = services.BuildServiceProvider();
        await using var scope = provider.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<DatabaseSetup>().PrepareAsync(loginPassword, CancellationToken.None);
        if (demo is null) return false;
        var loaded = await scope.ServiceProvider.GetRequiredService<DemoLoader>().LoadIfEmptyAsync(demo, CancellationToken.None);
        // Also a demo from before there were accounts gets them.
        await DemoPeople.AddIfNoneAsync(scope.ServiceProvider, demoPassword);
        return loaded;
    }
}
