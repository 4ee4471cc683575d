using System.Diagnostics;
using Npgsql;
using Rama.Data.Database;
using Rama.Web.Hosting;

namespace Rama.Web.Tests.Faults;

/// <summary>
/// The application and its database as processes that are killed while phones and the office work. Whatever was
/// acknowledged must be there, once. <c>./rama test faults</c> kills more often.
/// </summary>
public sealed class FaultRun : IAsyncDisposable
{
    // Entries acknowledged between two kills, so that each falls into traffic.
    private const int LeastTraffic = 30,
        MostTraffic = 120;

    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(120);

    private readonly Random _random = new(Setting("RAMA_FAULT_SEED", 16));
    private readonly DatabaseServer _database = new();
    private readonly RamaProcess _rama;
    private readonly Seen _seen = new();
    private readonly List<HttpClient> _clients = [];

    public FaultRun() =>
        _rama = new(
            new NpgsqlConnectionStringBuilder(_database.OwnerConnection)
            {
                Username = DatabaseSetup.Login,
                Password = TestDatabase.LoginPassword,
                Pooling = true,
            }.ConnectionString
        );

    private static int Setting(string name, int usual) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), out var set) ? set : usual;

    [Fact]
    public async Task What_was_acknowledged_is_there_once_whatever_is_killed()
    {
        var kills = Setting("RAMA_FAULT_KILLS", 5);
        await Preparation.RunAsync(
            _database.OwnerConnection,
            TestDatabase.LoginPassword,
            Path.Combine(AppContext.BaseDirectory, "demo/larkfold"),
            TestDatabase.DemoPassword
        );
        await _rama.StartAsync();
        using var manager = await SignedInAsync("manager");
        List<Guid> plantings = [];
        for (var n = 1; n <= 4; n++)
            plantings.Add(await AddAsync(manager, $"FR{n}"));
        List<FieldDevice> devices = [];
        foreach (
            var (role, skew) in new[]
            {
                ("counter", TimeSpan.FromDays(4 * 365)),
                ("crew", TimeSpan.FromHours(-30)),
                ("counter", TimeSpan.Zero),
                ("counter", TimeSpan.FromMinutes(3)),
                ("crew", TimeSpan.FromMinutes(-3)),
            }
        )
            devices.Add(new(await SignedInAsync(role), _seen, devices.Count + 1, skew, _random.Next()));
        Office office = new(manager, _seen);

        using var stop = new CancellationTokenSource();
        var started = DateTimeOffset.UtcNow;
        List<Task> work =
        [
            // The two whose clocks are furthest apart count the same trees in one row.
            .. devices.Select((d, i) => d.WorkAsync(plantings, i < 2 ? plantings[0] : null, stop.Token)),
            office.WorkAsync(plantings[1], stop.Token),
        ];
        for (var kill = 0; kill < kills; kill++)
        {
            var so = devices.Sum(d => d.Acknowledged.Count);
            await UntilAsync(devices, so + _random.Next(LeastTraffic, MostTraffic), work);
            await KillAsync((Hit)(kill % Enum.GetValues<Hit>().Length));
            await LookAsync(devices, office);
        }
        await UntilAsync(devices, devices.Sum(d => d.Acknowledged.Count) + LeastTraffic, work);
        await stop.CancelAsync();
        await Task.WhenAll(work).WaitAsync(Patience, TestContext.Current.CancellationToken);

        await LookAsync(devices, office);
        await CompareAsync(manager, plantings, devices, started);
        TestContext.Current.TestOutputHelper!.WriteLine(
            $"{kills} kills; {devices.Sum(d => d.Acknowledged.Count)} entries, {office.Photos.Count} photographs, "
                + $"{office.Added.Count} plantings and {office.Saved} saves acknowledged; "
                + $"{devices.Sum(d => d.Replayed)} entries sent again; {_seen.Requests.Answered} requests answered, "
                + $"{_seen.Requests.Unanswered} not; {_seen.Faults.Count} faults"
        );
        Assert.True(_seen.Faults.Count == 0, string.Join('\n', _seen.Faults.Distinct().Take(20)));
    }

    public async ValueTask DisposeAsync()
    {
        await _rama.DisposeAsync();
        foreach (var client in _clients)
            client.Dispose();
    }

    private enum Hit
    {
        Application,
        Database,
        Connection,
        Both,
    }

    private async Task KillAsync(Hit hit)
    {
        switch (hit)
        {
            case Hit.Application:
                await _rama.KillAsync();
                break;
            case Hit.Database:
                await _database.KillAsync();
                await _database.StartAsync();
                break;
            case Hit.Connection:
                while (!await _database.KillConnectionAsync()) { }
                break;
            case Hit.Both:
                await Task.WhenAll(_rama.KillAsync(), _database.KillAsync());
                // Which of the two is up first nobody promises.
                if (_random.Next(2) == 0)
                    _rama.Start();
                await _database.StartAsync();
                break;
        }
        await _rama.StartAsync();
    }

    // What has been acknowledged by now is there, before anybody could have sent it again.
    private async Task LookAsync(IReadOnlyList<FieldDevice> devices, Office office)
    {
        var (entries, photos, codes) = (
            devices.SelectMany(d => d.Acknowledged).ToList(),
            office.Photos.ToList(),
            office.Added.ToList()
        );
        var kept = await _database.IdsAsync("select id from field_entries");
        foreach (var lost in entries.Where(e => !kept.Contains(e)))
            _seen.Fault($"Entry {lost} is lost");
        var pictures = await _database.IdsAsync("select id from photos");
        foreach (var lost in photos.Where(e => !pictures.Contains(e)))
            _seen.Fault($"Photograph {lost} is lost");
        await using var database = await _database.OpenAsync();
        await using var command = new NpgsqlCommand("select count(*) from plantings where code = any($1)", database)
        {
            Parameters = { new() { Value = codes.ToArray() } },
        };
        var there = (long)(await command.ExecuteScalarAsync())!;
        if (there != codes.Count)
            _seen.Fault($"{codes.Count} plantings were acknowledged, {there} are there");
    }

    private async Task CompareAsync(
        HttpClient manager,
        IReadOnlyList<Guid> plantings,
        IReadOnlyList<FieldDevice> devices,
        DateTimeOffset started
    )
    {
        foreach (var planting in plantings)
        {
            var count = (await manager.ReadAsync($"/api/v1/plantings/{planting}"))["count"]!;
            Assert.Equal(
                devices
                    .SelectMany(d => d.Trees.Where(t => t.Planting == planting).Select(t => (d.Row, t.Tree, t.Buds)))
                    .Order(),
                count["trees"]!
                    .AsArray()
                    .Select(t => (Row: (int)t!["row"]!, Tree: (int)t["tree"]!, Buds: (int)t["floralBuds"]!))
                    .Where(t => t.Row != FieldDevice.SharedRow)
                    .Order()
            );
            Assert.Equal(
                devices
                    .SelectMany(d => d.Cuts.Where(t => t.Planting == planting).Select(t => (d.Row, t.Tree, t.Floral)))
                    .Order(),
                count["budCuts"]!.AsArray().Select(t => ((int)t!["row"]!, (int)t["tree"]!, (int)t["floral"]!)).Order()
            );
            var told = (await manager.ReadAsync($"/api/v1/plantings/{planting}/field"))["entries"]!.AsArray();
            // Trees two have counted: one count stands, the other waits for a choice.
            foreach (
                var tree in told.Where(e => (int)e!["row"]! == FieldDevice.SharedRow).GroupBy(e => (int)e!["tree"]!)
            )
            {
                var states = tree.Select(e => (string)e!["state"]!).Order();
                Assert.Equal(tree.Count() == 1 ? ["inForce"] : ["conflict", "inForce"], states);
            }
            // Whatever a device's clock says, its entries were made during the run.
            Assert.All(told, e =>
                Assert.InRange((DateTimeOffset)e!["at"]!, started - TimeSpan.FromMinutes(1), DateTimeOffset.UtcNow)
            );
        }
    }

    private static async Task UntilAsync(IReadOnlyList<FieldDevice> devices, int acknowledged, IEnumerable<Task> work)
    {
        for (var waited = Stopwatch.StartNew(); devices.Sum(d => d.Acknowledged.Count) < acknowledged; )
        {
            Assert.True(waited.Elapsed < Patience, "No entry is acknowledged any more.");
            if (work.FirstOrDefault(t => t.IsFaulted) is { } broken)
                await broken;
            await Task.Delay(10);
        }
    }

    private async Task<HttpClient> SignedInAsync(string who)
    {
        var client = new HttpClient { BaseAddress = _rama.Address };
        _clients.Add(client);
        var (status, _) = await client.PostAsync(
            "/api/v1/session",
            $$"""{"email": "{{who}}@larkfold.example", "password": "{{TestDatabase.DemoPassword}}"}"""
        );
        Assert.Equal(200, status);
        return client;
    }

    private static async Task<Guid> AddAsync(HttpClient manager, string code)
    {
        var (status, body) = await manager.PostAsync(
            "/api/v1/plantings",
            $$$"""
            {"code": "{{{code}}}", "name": "Fault run", "variety": "Topaz", "rootstock": "M.9",
             "system": "tall-spindle", "yearPlanted": 2018, "rowSpacing": {"value": 3.4, "unit": "m"},
             "treeSpacing": {"value": 1, "unit": "m"}, "area": {"value": 1, "unit": "ha"}}
            """
        );
        Assert.Equal(201, status);
        return (Guid)body["id"]!;
    }
}
