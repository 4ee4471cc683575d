using System.Runtime.CompilerServices;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Npgsql;
using Rama.Data.People;
using Rama.Web.Accounts;

namespace Rama.Web.Tests;

/// <summary>
/// The real application on a database of its own that holds the demo estate, under the login that owns nothing.
/// Somebody of each role is signed in.
/// </summary>
public class RamaApplication : WebApplicationFactory<Program>, IAsyncLifetime
{
    /// <summary>Password of the demo accounts.</summary>
    public const string Password = TestDatabase.DemoPassword;

    private static readonly string Root = FindRoot();

    private readonly TestDatabase _database = new();
    private readonly Dictionary<Role, string> _cookies = [];

    /// <summary>A connection that owns the database, to look at it from outside the application.</summary>
    public string OwnerConnection => _database.OwnerConnection;

    /// <summary>The demo's files, or null for an empty database.</summary>
    protected virtual string? Demo => Path.Combine(AppContext.BaseDirectory, "demo/larkfold");

    /// <summary>A file of the repository.</summary>
    public static string RepositoryFile(string path) => Path.Combine(Root, path);

    /// <summary>A client signed in with a role; the manager unless another is named.</summary>
    public HttpClient ClientOf(Role role = Role.Manager) => ClientWith(CookieOf(role));

    /// <summary>A client that sends one cookie and takes no other.</summary>
    public HttpClient ClientWith(string cookie)
    {
        var client = CreateClient(new() { HandleCookies = false, BaseAddress = ClientOptions.BaseAddress });
        client.DefaultRequestHeaders.Add("Cookie", cookie);
        return client;
    }

    /// <summary>The sign-in cookie of a role, as <c>name=value</c>.</summary>
    public string CookieOf(Role role) => _cookies[role];

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseEnvironment("Production");
        builder.UseSetting("ConnectionStrings:Rama", _database.Connection);
        builder.UseSetting("SignIn:TriesPerMinute", "10000");
        builder.UseSetting("SetupCode", "first-code");
        // What the tests provoke on purpose would bury what went wrong.
        builder.UseSetting("Logging:LogLevel:Default", "Critical");
        builder.UseSetting("Logging:LogLevel:Microsoft.Hosting.Lifetime", "Critical");
        builder.UseSetting("Logging:LogLevel:Microsoft.AspNetCore.DataProtection", "Critical");
        builder.UseSetting("Logging:LogLevel:Microsoft.AspNetCore.Routing", "Critical");
        builder.UseSetting("Logging:LogLevel:Microsoft.EntityFrameworkCore", "Critical");
    }

    /// <summary>Puts a card handed out by an earlier Rama into the database, as it was kept then.</summary>
    /// <param name="form">Form of the card: <c>Files/card-form-N.json</c>, written by the Rama that first had
    /// it.</param>
    /// <param name="planting">The planting.</param>
    public async Task<Guid> KeepOldCardAsync(int form, Guid planting)
    {
        var id = Guid.CreateVersion7();
        await using var source = NpgsqlDataSource.Create(OwnerConnection);
        await using var command = source.CreateCommand(
            """
            with version as (
                insert into issued_prescriptions (estate_id, id, planting_id, season, number, at)
                select estate_id, gen_random_uuid(), id, 2027, $4, now() from plantings where id = $2
                returning estate_id, id)
            insert into card_issues (estate_id, id, prescription_id, language, card, at)
            select estate_id, $1, id, 'en', $3, now() from version
            """
        );
        var card = await File.ReadAllTextAsync(
            RepositoryFile($"tests/Rama.Web.Tests/Files/card-form-{form}.json"),
            TestContext.Current.CancellationToken
        );
        foreach (var value in new object[] { id, planting, card, form })
            command.Parameters.Add(new() { Value = value });
        Assert.Equal(1, await command.ExecuteNonQueryAsync(TestContext.Current.CancellationToken));
        return id;
    }

    /// <summary>Puts a prescription handed out by an earlier Rama into the database, as it was kept then.</summary>
    /// <param name="form">Form of the record: <c>Files/prescription-form-N.json</c>; its number, too.</param>
    /// <param name="planting">The planting.</param>
    public async Task KeepOldPrescriptionAsync(int form, Guid planting)
    {
        await using var source = NpgsqlDataSource.Create(OwnerConnection);
        await using var command = source.CreateCommand(
            """
            insert into issued_prescriptions (estate_id, id, planting_id, season, number, content, at)
            select estate_id, gen_random_uuid(), id, 2027, $2, $3::json, now() from plantings where id = $1
            """
        );
        var content = await File.ReadAllTextAsync(
            RepositoryFile($"tests/Rama.Web.Tests/Files/prescription-form-{form}.json"),
            TestContext.Current.CancellationToken
        );
        foreach (var value in new object[] { planting, form, content })
            command.Parameters.Add(new() { Value = value });
        Assert.Equal(1, await command.ExecuteNonQueryAsync(TestContext.Current.CancellationToken));
    }

    private static string FindRoot([CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "../.."));

    public virtual async ValueTask InitializeAsync()
    {
        await _database.MakeAsync(Demo);
        if (Demo is null)
            return;
        foreach (var (_, role, _, email, _) in DemoPeople.All.Where(p => p.Estate == 0))
            _cookies[role] = await SignInAsync(email);
    }

    /// <summary>Signs in and gives the cookie.</summary>
    public async Task<string> SignInAsync(string email, string password = Password)
    {
        using var client = CreateClient(new() { HandleCookies = false, BaseAddress = ClientOptions.BaseAddress });
        using var body = new StringContent(
            $$"""{"email": "{{email}}", "password": "{{password}}"}""",
            System.Text.Encoding.UTF8,
            "application/json"
        );
        using var answer = await client.PostAsync(
            new Uri("/api/v1/session", UriKind.Relative),
            body,
            TestContext.Current.CancellationToken
        );
        answer.EnsureSuccessStatusCode();
        return answer.Headers.GetValues("Set-Cookie").Single().Split(';')[0];
    }

    public override async ValueTask DisposeAsync()
    {
        await base.DisposeAsync();
        await _database.DisposeAsync();
        GC.SuppressFinalize(this);
    }
}
