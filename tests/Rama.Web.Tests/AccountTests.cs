using Npgsql;
using Rama.Data.People;
using Rama.Web.Hosting;

namespace Rama.Web.Tests;

/// <summary>Signing in, being locked out, belonging to several estates, being taken out of one.</summary>
public sealed class AccountTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _manager = application.ClientOf();

    private static string SignIn(string email, string password) =>
        $$"""{"email": "{{email}}", "password": "{{password}}"}""";

    private Task<(string Id, string Email, string Password)> Added(string role) => application.JoinedAsync(role);

    private async Task<HttpClient> ClientOf(string email, string password) =>
        application.ClientWith(await application.SignInAsync(email, password));

    [Fact]
    public async Task A_person_removed_by_mistake_comes_back_with_their_role()
    {
        var (id, email, password) = await application.JoinedAsync("crewLead");
        Assert.Equal(404, (await _manager.PostAsync($"/api/v1/people/{id}/return", "{}")).Status);
        await _manager.SendAsync(HttpMethod.Delete, $"/api/v1/people/{id}");
        using var away = await ClientOf(email, password);
        Assert.Null((await away.ReadAsync("/api/v1/session"))["here"]);

        // Nobody else's estate, and nobody who may not remove either.
        using var elsewhere = await application.InNewEstateAsync(_manager, "Elsewhere");
        Assert.Equal(404, (await elsewhere.PostAsync($"/api/v1/people/{id}/return", "{}")).Status);
        Assert.Equal(204, (await _manager.PostAsync($"/api/v1/people/{id}/return", "{}")).Status);
        using var back = await ClientOf(email, password);
        Assert.Equal("crewLead", (string)(await back.ReadAsync("/api/v1/session"))["here"]!["role"]!);
        Assert.Equal(404, (await _manager.PostAsync($"/api/v1/people/{id}/return", "{}")).Status);
    }

    [Fact]
    public async Task The_session_says_who_is_signed_in_and_where()
    {
        var session = await application.ClientOf(Role.CrewLead).ReadAsync("/api/v1/session");
        Assert.Equal("signedIn", (string)session["state"]!);
        Assert.Equal("crewLead", (string)session["here"]!["role"]!);
        Assert.Equal("Crew A", (string)session["person"]!["name"]!);
        Assert.Equal("signedOut", (string)(await application.CreateClient().ReadAsync("/api/v1/session"))["state"]!);
    }

    [Fact]
    public async Task The_cookie_is_out_of_reach_of_scripts_and_of_other_sites()
    {
        using var client = application.CreateClient(new() { HandleCookies = false });
        using var body = new StringContent(
            SignIn("manager@larkfold.example", RamaApplication.Password),
            System.Text.Encoding.UTF8,
            "application/json"
        );
        using var answer = await client.PostAsync(
            new Uri("/api/v1/session", UriKind.Relative),
            body,
            TestContext.Current.CancellationToken
        );
        var cookie = answer.Headers.GetValues("Set-Cookie").Single();
        Assert.Contains("httponly", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("samesite=strict", cookie, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task Wrong_password_and_unknown_address_answer_the_same()
    {
        using var client = application.CreateClient();
        var wrong = await client.PostAsync("/api/v1/session", SignIn("reader@larkfold.example", "not-this-one"));
        var unknown = await client.PostAsync("/api/v1/session", SignIn("nobody@larkfold.example", "not-this-one"));
        Assert.Equal(401, wrong.Status);
        Assert.Equal(wrong.Status, unknown.Status);
        Assert.Equal((string)wrong.Body["title"]!, (string)unknown.Body["title"]!);
        Assert.Equal(wrong.Body.AsObject().Select(p => p.Key), unknown.Body.AsObject().Select(p => p.Key));
    }

    [Fact]
    public async Task Eight_wrong_tries_lock_the_account_even_for_the_right_password()
    {
        var (_, email, password) = await Added("reader");
        using var client = application.CreateClient();
        for (var i = 0; i < 8; i++)
            Assert.Equal(401, (await client.PostAsync("/api/v1/session", SignIn(email, "not-this-one"))).Status);
        Assert.Equal(401, (await client.PostAsync("/api/v1/session", SignIn(email, password))).Status);
        // Another account is not touched by it.
        await application.SignInAsync("reader@larkfold.example");
    }

    [Fact]
    public async Task Tries_from_one_place_are_limited()
    {
        await using var strict = application.WithWebHostBuilder(host => host.UseSetting("SignIn:TriesPerMinute", "3"));
        using var client = strict.CreateClient();
        for (var i = 0; i < 3; i++)
            Assert.Equal(401, (await client.PostAsync("/api/v1/session", SignIn($"{i}@larkfold.example", "x"))).Status);
        Assert.Equal(
            429,
            (
                await client.PostAsync("/api/v1/session", SignIn("manager@larkfold.example", RamaApplication.Password))
            ).Status
        );
    }

    [Fact]
    public async Task A_person_taken_out_of_the_estate_is_out_at_once()
    {
        var (id, email, password) = await Added("counter");
        using var counter = await ClientOf(email, password);
        await counter.ReadAsync("/api/v1/season");
        Assert.Equal(204, (await _manager.SendAsync(HttpMethod.Delete, $"/api/v1/people/{id}")).Status);
        Assert.Equal(403, (await counter.SendAsync(HttpMethod.Get, "/api/v1/season")).Status);
        Assert.Empty((await counter.ReadAsync("/api/v1/session"))["estates"]!.AsArray());
    }

    [Fact]
    public async Task Another_role_counts_from_the_next_request()
    {
        var (id, email, password) = await Added("reader");
        using var client = await ClientOf(email, password);
        Assert.Equal(403, (await client.SendAsync(HttpMethod.Get, "/api/v1/people")).Status);
        Assert.Equal(200, (await _manager.PutAsync($"/api/v1/people/{id}/role", """{"role": "manager"}""")).Status);
        Assert.Equal(200, (await client.SendAsync(HttpMethod.Get, "/api/v1/people")).Status);
    }

    [Fact]
    public async Task A_changed_password_ends_the_other_sessions()
    {
        var (_, email, password) = await Added("reader");
        using var here = await ClientOf(email, password);
        using var elsewhere = await ClientOf(email, password);
        var wrong = await here.PutAsync(
            "/api/v1/session/password",
            """{"current": "not-this-one", "password": "long enough now"}"""
        );
        Assert.Equal(["current"], Api.ProblemFields(wrong.Body));
        var weak = await here.PutAsync(
            "/api/v1/session/password",
            $$"""{"current": "{{password}}", "password": "short"}"""
        );
        Assert.Equal(["password"], Api.ProblemFields(weak.Body));
        Assert.Equal(
            204,
            (
                await here.PutAsync(
                    "/api/v1/session/password",
                    $$"""{"current": "{{password}}", "password": "long enough now"}"""
                )
            ).Status
        );
        Assert.Equal(401, (await elsewhere.SendAsync(HttpMethod.Get, "/api/v1/season")).Status);
        await application.SignInAsync(email, "long enough now");
    }

    [Fact]
    public async Task Another_person_on_the_same_browser_sees_their_own_estates()
    {
        var (_, email, password) = await Added("manager");
        using var theirs = await ClientOf(email, password);
        await application.InNewEstateAsync(theirs, "Theirs");
        // Still with the cookie of the demo's reader.
        var session = (
            await application.ClientOf(Role.Reader).PostAsync("/api/v1/session", SignIn(email, password))
        ).Body;
        Assert.Equal(["Larkfold Orchards", "Theirs"], session["estates"]!.AsArray().Select(e => (string)e!["name"]!));
        Assert.Equal("manager", (string)session["here"]!["role"]!);
    }

    [Fact]
    public async Task A_changed_password_leaves_one_in_the_same_estate()
    {
        var (_, email, password) = await Added("manager");
        using var first = await ClientOf(email, password);
        using var second = await application.InNewEstateAsync(first, "Another");
        using var request = new HttpRequestMessage(HttpMethod.Put, "/api/v1/session/password")
        {
            Content = new StringContent(
                $$"""{"current": "{{password}}", "password": "long enough now"}""",
                System.Text.Encoding.UTF8,
                "application/json"
            ),
        };
        using var answer = await second.SendAsync(request, TestContext.Current.CancellationToken);
        using var after = application.ClientWith(answer.Headers.GetValues("Set-Cookie").Single().Split(';')[0]);
        Assert.Equal("Another", (string)(await after.ReadAsync("/api/v1/season"))["estate"]!);
    }

    [Fact]
    public async Task A_forgotten_password_is_replaced_by_whoever_runs_the_server()
    {
        var (_, email, password) = await Added("reader");
        using var before = await ClientOf(email, password);
        var given = (await Preparation.NewPasswordAsync(application.OwnerConnection, email))!;
        Assert.Equal(401, (await before.SendAsync(HttpMethod.Get, "/api/v1/season")).Status);
        await application.SignInAsync(email, given);
        Assert.Null(await Preparation.NewPasswordAsync(application.OwnerConnection, "nobody@larkfold.example"));
    }

    [Fact]
    public async Task An_estate_keeps_a_manager()
    {
        var people = await _manager.ReadAsync("/api/v1/people");
        var self = people.AsArray().Single(p => (string)p!["email"]! == "manager@larkfold.example")!["id"];
        foreach (
            var other in people
                .AsArray()
                .Where(p => (string)p!["role"]! == "manager" && (string)p["id"]! != (string)self!)
        )
            await _manager.SendAsync(HttpMethod.Delete, $"/api/v1/people/{other!["id"]}");
        Assert.Equal(400, (await _manager.SendAsync(HttpMethod.Delete, $"/api/v1/people/{self}")).Status);
        var (status, body) = await _manager.PutAsync($"/api/v1/people/{self}/role", """{"role": "reader"}""");
        Assert.Equal(400, status);
        Assert.Equal(["role"], Api.ProblemFields(body));
    }

    [Fact]
    public async Task A_person_goes_from_one_estate_to_another()
    {
        var (_, email, password) = await Added("manager");
        using var client = await ClientOf(email, password);
        using var there = await application.InNewEstateAsync(client, "Second");
        Assert.Equal("Second", (string)(await there.ReadAsync("/api/v1/season"))["estate"]!);
        Assert.Equal("Larkfold Orchards", (string)(await client.ReadAsync("/api/v1/season"))["estate"]!);
    }

    [Fact]
    public async Task The_keys_of_the_cookies_are_in_the_database()
    {
        await using var source = NpgsqlDataSource.Create(application.OwnerConnection);
        await using var command = source.CreateCommand("select count(*)::int from data_protection_keys");
        Assert.Equal(1, await command.ExecuteScalarAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task How_a_person_reads_is_kept_with_the_account()
    {
        var (_, email, password) = await Added("reader");
        using var client = await ClientOf(email, password);
        Assert.Equal(
            204,
            (await client.PutAsync("/api/v1/session/reading", """{"units": "us", "language": "es"}""")).Status
        );
        using var later = await ClientOf(email, password);
        var person = (await later.ReadAsync("/api/v1/session"))["person"]!;
        Assert.Equal(("us", "es"), ((string)person["units"]!, (string)person["language"]!));
        Assert.Equal(
            400,
            (await client.PutAsync("/api/v1/session/reading", """{"units": "us", "language": "xx"}""")).Status
        );
    }
}

/// <summary>An installation without anybody in it.</summary>
public sealed class EmptyInstallation : RamaApplication
{
    protected override string? Demo => null;
}

/// <summary>The first manager of an empty installation.</summary>
public sealed class FirstManagerTests
{
    private static string Entry(string code, string password = "first of all") =>
        $$"""{"code": "{{code}}", "estate": "New Ground", "season": 2027, "name": "Manager", "email": "first@new.example", "password": "{{password}}"}""";

    [Fact]
    public async Task The_first_manager_is_made_once_and_with_the_code_only()
    {
        await using var empty = new EmptyInstallation();
        await empty.InitializeAsync();
        using var client = empty.CreateClient();
        Assert.Equal("empty", (string)(await client.ReadAsync("/api/v1/session"))["state"]!);

        Assert.Equal(
            ["code"],
            Api.ProblemFields((await client.PostAsync("/api/v1/first-manager", Entry("guess"))).Body)
        );
        Assert.Equal(
            ["password"],
            Api.ProblemFields((await client.PostAsync("/api/v1/first-manager", Entry("first-code", "short"))).Body)
        );
        Assert.Equal("empty", (string)(await client.ReadAsync("/api/v1/session"))["state"]!);

        var (status, session) = await client.PostAsync("/api/v1/first-manager", Entry("first-code"));
        Assert.Equal(200, status);
        Assert.Equal("manager", (string)session["here"]!["role"]!);
        var season = await client.ReadAsync("/api/v1/season");
        Assert.Equal("New Ground", (string)season["estate"]!);
        Assert.Empty(season["plantings"]!.AsArray());
        Assert.Equal(409, (await client.PostAsync("/api/v1/first-manager", Entry("first-code"))).Status);

        // A look around is an estate beside one's own, and the same one the second time.
        var (_, demo) = await client.PostAsync("/api/v1/estates/demo", "{}");
        var (_, again) = await client.PostAsync("/api/v1/estates/demo", "{}");
        Assert.Equal((string)demo["id"]!, (string)again["id"]!);
        Assert.Equal(2, (await client.ReadAsync("/api/v1/session"))["estates"]!.AsArray().Count);
        Assert.Empty((await client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray());
        await client.PutAsync("/api/v1/session/estate", $$"""{"estate": "{{demo["id"]}}"}""");
        Assert.NotEmpty((await client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray());
    }
}
