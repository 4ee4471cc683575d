using System.Diagnostics;
using System.Net;

namespace Rama.Web.Tests.Faults;

/// <summary>The simulated machines send their files to a running Rama by themselves, each with its own token.</summary>
public sealed class StandInTests : IAsyncLifetime
{
    private readonly TestDatabase _database = new();
    private readonly string _folder = Directory.CreateTempSubdirectory("rama-machines").FullName;
    private RamaProcess _rama = null!;
    private HttpClient _manager = null!;

    public async ValueTask InitializeAsync()
    {
        await _database.MakeAsync(RamaApplication.RepositoryFile("demo/larkfold"));
        _rama = new(_database.Connection);
        await _rama.StartAsync();
        _manager = new(new SocketsHttpHandler { CookieContainer = new CookieContainer() })
        {
            BaseAddress = _rama.Address,
        };
        var (status, _) = await _manager.PostAsync(
            "/api/v1/session",
            $$"""{"email": "manager@larkfold.example", "password": "{{TestDatabase.DemoPassword}}"}"""
        );
        Assert.Equal(200, status);
    }

    public async ValueTask DisposeAsync()
    {
        _manager.Dispose();
        await _rama.DisposeAsync();
        await _database.DisposeAsync();
        Directory.Delete(_folder, recursive: true);
    }

    private async Task<string> TokenAsync(string scope) =>
        (string)
            (
                await _manager.PostAsync("/api/v1/machine-tokens", $$"""{"name": "Made up", "scope": "{{scope}}"}""")
            ).Body["secret"]!;

    private async Task<(int Code, string Said)> RunAsync(string token, string[] arguments)
    {
        ProcessStartInfo start = new(
            "dotnet",
            [
                Path.Combine(AppContext.BaseDirectory, "Rama.StandIns.dll"),
                .. arguments,
                "--to",
                _rama.Address.ToString(),
            ]
        )
        {
            RedirectStandardOutput = true,
        };
        start.Environment["RAMA_TOKEN"] = token;
        using var machine = Process.Start(start)!;
        var said = await machine.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken);
        await machine.WaitForExitAsync(TestContext.Current.CancellationToken);
        return (machine.ExitCode, said);
    }

    [Fact]
    public async Task A_scanner_and_a_station_send_with_their_tokens_and_not_with_each_other_s()
    {
        var scan = Path.Combine(_folder, "scan.csv");
        var (scans, weather) = (await TokenAsync("scans"), await TokenAsync("weather"));
        var rows = RamaApplication.RepositoryFile("demo/larkfold/rows.csv");
        string[] scanner = ["scanner", "--rows", rows, "--planting", "H1", "--out", scan];
        Assert.Equal(1, (await RunAsync(weather, scanner)).Code);
        var (code, said) = await RunAsync(scans, scanner);
        Assert.Equal(0, code);
        Assert.Contains($"\"matched\":{File.ReadLines(scan).Count() - 1},", said, StringComparison.Ordinal);

        string[] station = ["station", "--site", "Home Farm", "--before", "2027-01-27", "--days", "5"];
        Assert.Equal(1, (await RunAsync(scans, station)).Code);
        Assert.Equal(0, (await RunAsync(weather, station)).Code);
        var past = (await _manager.ReadAsync("/api/v1/imports")).AsArray();
        Assert.Contains(past, i => (string)i!["table"]! == "weather" && (string)i["person"]! == "Made up");
    }
}
