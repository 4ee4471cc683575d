using Npgsql;

namespace Rama.Web.Tests;

/// <summary>How the application presents itself to a browser.</summary>
public sealed class HostingTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private Task<HttpResponseMessage> Get(string path) =>
        _client.GetAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken);

    [Fact]
    public async Task The_page_carries_a_fresh_nonce_that_its_policy_names()
    {
        var nonces = new List<string>();
        foreach (var path in new[] { "/", "/plantings/new" })
        {
            using var answer = await Get(path);
            var policy = answer.Headers.GetValues("Content-Security-Policy").Single();
            var page = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
            var nonce = page.Split("name=\"csp-nonce\" content=\"")[1].Split('"')[0];
            Assert.Contains($"'nonce-{nonce}'", policy, StringComparison.Ordinal);
            Assert.DoesNotContain(
                "unsafe-inline",
                policy.Replace("style-src-attr 'unsafe-inline'", "", StringComparison.Ordinal),
                StringComparison.Ordinal
            );
            Assert.Equal("no-store", answer.Headers.CacheControl!.ToString());
            nonces.Add(nonce);
        }
        Assert.NotEqual(nonces[0], nonces[1]);
    }

    // Whoever is not signed in may not read the season, and other pages have more urgent things to ask for.
    [Theory]
    [InlineData(true, "/", "session", "season")]
    [InlineData(true, "/?season=2025", "session")]
    [InlineData(true, "/plantings/new", "session")]
    [InlineData(false, "/", "session")]
    public async Task The_page_has_the_browser_ask_ahead_for_what_it_will_need(
        bool signedIn,
        string path,
        params string[] asked
    )
    {
        using var stranger = application.CreateClient();
        using var answer = await (signedIn ? _client : stranger).GetAsync(
            new Uri(path, UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        var page = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.Equal(
            asked.Select(a => $"/api/v1/{a}"),
            page.Split("<link ").Where(l => l.Contains("as=\"fetch\"")).Select(l => l.Split("href=\"")[1].Split('"')[0])
        );
    }

    [Fact]
    public async Task Another_site_s_name_for_this_machine_is_refused()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/v1/season");
        request.Headers.Host = "rebound.example";
        using var answer = await _client.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(400, (int)answer.StatusCode);
    }

    [Fact]
    public async Task A_form_post_from_another_page_is_not_an_entry()
    {
        using var form = new StringContent("{}", System.Text.Encoding.UTF8, "text/plain");
        using var answer = await _client.PostAsync(
            new Uri("/api/v1/plantings", UriKind.Relative),
            form,
            TestContext.Current.CancellationToken
        );
        Assert.Equal(415, (int)answer.StatusCode);
    }

    [Fact]
    public async Task A_database_that_is_away_is_said_so()
    {
        await using var cut = application.WithWebHostBuilder(host =>
            host.UseSetting("ConnectionStrings:Rama", "Host=127.0.0.1;Port=1;Username=x;Password=x;Timeout=2")
        );
        using var client = cut.CreateClient();
        var (status, body) = await client.PostAsync("/api/v1/session", "{}");
        Assert.Equal(503, status);
        Assert.Equal("The database does not answer. Try again in a moment.", (string)body["title"]!);
        // It lives none the less: a new start would not bring the database back.
        foreach (var (path, told) in new[] { ("/health/ready", 503), ("/health/live", 200) })
        {
            using var answer = await client.GetAsync(
                new Uri(path, UriKind.Relative),
                TestContext.Current.CancellationToken
            );
            Assert.Equal(told, (int)answer.StatusCode);
        }
    }

    [Fact]
    public async Task A_database_started_anew_costs_nobody_a_request()
    {
        await using var owner = NpgsqlDataSource.Create(application.OwnerConnection);
        await ManyAtOnce();
        // More than once, since which request meets which dead connection is chance.
        for (var round = 0; round < 5; round++)
        {
            await using var end = owner.CreateCommand(
                // It waits for each to be gone: one that ends later would be a request cut in the middle.
                "select count(pg_terminate_backend(pid, 10000))::int from pg_stat_activity "
                    + "where datname = current_database() and usename = 'rama_web'"
            );
            Assert.True((int)(await end.ExecuteScalarAsync(TestContext.Current.CancellationToken))! > 1);
            await ManyAtOnce();
        }

        Task ManyAtOnce() => Task.WhenAll(Enumerable.Range(0, 24).Select(_ => _client.ReadAsync("/api/v1/workers")));
    }

    [Fact]
    public async Task Health_tells_that_the_database_answers_and_nothing_else()
    {
        foreach (var path in new[] { "/health/live", "/health/ready" })
        {
            using var answer = await Get(path);
            Assert.Equal(200, (int)answer.StatusCode);
            Assert.Equal("Healthy", await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        }
    }

    // A copy started before its database was brought up to date is sent nobody.
    [Fact]
    public async Task A_database_of_an_earlier_version_is_not_ready()
    {
        await using var owner = NpgsqlDataSource.Create(application.OwnerConnection);
        await using var take = owner.CreateCommand(
            """
            delete from "__EFMigrationsHistory"
            where migration_id = (select max(migration_id) from "__EFMigrationsHistory")
            returning migration_id || '|' || product_version
            """
        );
        var last = ((string)(await take.ExecuteScalarAsync(TestContext.Current.CancellationToken))!).Split('|');
        try
        {
            using var answer = await Get("/health/ready");
            Assert.Equal(503, (int)answer.StatusCode);
            using var alive = await Get("/health/live");
            Assert.Equal(200, (int)alive.StatusCode);
        }
        finally
        {
            await using var back = owner.CreateCommand("""insert into "__EFMigrationsHistory" values ($1, $2)""");
            back.Parameters.AddWithValue(last[0]);
            back.Parameters.AddWithValue(last[1]);
            await back.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
        }
    }
}
