using Microsoft.AspNetCore.Identity;
using Rama.Data.Database;
using Rama.Data.Exchange;
using Rama.Data.People;
using Rama.Web.Accounts;

namespace Rama.Web.Hosting;

/// <summary>
/// What is done beside the running application. <c>prepare</c>, before a start: brings the database up to date, makes
/// the application's login, and loads the
/// demo into an empty database when asked to. It works on a connection that owns the database; the application has
/// none.
/// </summary>
internal static class Preparation
{
    // A small estate in the south, with other canopies and a manager of its own.
    private const string SecondDemo = "ambertree";

    /// <summary>
    /// Prepares as the settings say: <c>ConnectionStrings:Owner</c>, <c>LoginPassword</c>, <c>DemoPassword</c>.
    /// </summary>
    public static async Task RunAsync(IConfiguration settings, string? demo)
    {
        string Setting(string name) =>
            settings[name] ?? throw new InvalidOperationException($"{name} is not set. Use ./rama start.");
        if (
            await RunAsync(
                Setting("ConnectionStrings:Owner"),
                Setting("LoginPassword"),
                demo,
                demo is null ? "" : Setting("DemoPassword")
            )
        )
            Console.WriteLine("The demo estate is loaded.");
    }

    /// <summary>Gives an account a new password and prints it.</summary>
    public static async Task<int> PasswordAsync(IConfiguration settings, string email)
    {
        var password = await NewPasswordAsync(settings["ConnectionStrings:Owner"]!, email);
        Console.WriteLine(
            password is null ? $"There is no account {email}." : $"The new password of {email} is {password}"
        );
        return password is null ? 1 : 0;
    }

    /// <summary>Prepares a database.</summary>
    /// <param name="ownerConnection">Connection of the role that owns it.</param>
    /// <param name="loginPassword">Password of the application's login.</param>
    /// <param name="demo">Files of the demo estate, those of the second one beside it; null to leave an empty database
    /// empty.</param>
    /// <param name="demoPassword">Password of the demo accounts.</param>
    /// <returns>Whether the demo was loaded.</returns>
    public static async Task<bool> RunAsync(
        string ownerConnection,
        string loginPassword,
        string? demo,
        string demoPassword
    )
    {
        await using var provider = Services(ownerConnection);
        await using var scope = provider.CreateAsyncScope();
        await scope
            .ServiceProvider.GetRequiredService<DatabaseSetup>()
            .PrepareAsync(loginPassword, CancellationToken.None);
        if (demo is null)
            return false;
        var isEmpty = await scope.ServiceProvider.GetRequiredService<DemoLoader>().IsEmptyAsync(CancellationToken.None);
        if (isEmpty)
            foreach (var folder in new[] { demo, Path.Combine(Path.GetDirectoryName(demo)!, SecondDemo) })
            {
                // One estate, one scope: what is loaded knows no other.
                await using var own = provider.CreateAsyncScope();
                await own.ServiceProvider.GetRequiredService<DemoLoader>().LoadAsync(folder, CancellationToken.None);
            }
        // Also a demo from before there were accounts gets them.
        await DemoPeople.AddIfNoneAsync(scope.ServiceProvider, demoPassword);
        return isEmpty;
    }

    /// <summary>Gives an account a new password, for someone who has forgotten theirs, and unlocks it.</summary>
    /// <returns>The password, to be handed over; null where there is no such account.</returns>
    public static async Task<string?> NewPasswordAsync(string ownerConnection, string email)
    {
        await using var provider = Services(ownerConnection);
        await using var scope = provider.CreateAsyncScope();
        var people = scope.ServiceProvider.GetRequiredService<UserManager<PersonRecord>>();
        if (await people.FindByEmailAsync(email) is not { } person)
            return null;
        var password = PeopleEndpoints.NewPassword();
        // Also ends every session of the account.
        AccountProblems.ThrowIfRefused(await people.RemovePasswordAsync(person));
        AccountProblems.ThrowIfRefused(await people.AddPasswordAsync(person, password));
        AccountProblems.ThrowIfRefused(await people.SetLockoutEndDateAsync(person, null));
        return password;
    }

    private static ServiceProvider Services(string ownerConnection)
    {
        var services = new ServiceCollection()
            .AddLogging()
            .AddSingleton(TimeProvider.System)
            .AddRamaDatabase(ownerConnection);
        services.AddIdentityCore<PersonRecord>(AccountServices.Rules).AddEntityFrameworkStores<RamaContext>();
        return services.BuildServiceProvider();
    }
}
