namespace Rama.Web.Tests;

/// <summary>Coming to belong to an estate: only by a link, and only by one's own doing.</summary>
public sealed class InvitationTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _manager = application.ClientOf();

    private async Task<HttpClient> StrangerAsync(string estate)
    {
        var (_, email, password) = await application.JoinedAsync("manager");
        using var client = application.ClientWith(await application.SignInAsync(email, password));
        return await application.InNewEstateAsync(client, estate);
    }

    private static string Link(string link) => $$"""{"link": "{{link}}"}""";

    private static string Account(string link, string email, string password = "three long rows") =>
        $$"""{"link": "{{link}}", "name": "New", "email": "{{email}}", "password": "{{password}}"}""";

    [Fact]
    public async Task A_link_says_what_it_offers_and_is_good_once()
    {
        var link = await _manager.InviteAsync("counter");
        using var nobody = application.CreateClient();
        var offer = (await nobody.PostAsync("/api/v1/invitations/offer", Link(link))).Body;
        Assert.Equal("Larkfold Orchards", (string)offer["estate"]!);
        Assert.Equal("counter", (string)offer["role"]!);
        var (status, session) = await nobody.PostAsync(
            "/api/v1/invitations/account",
            Account(link, "once@larkfold.example")
        );
        Assert.Equal(200, status);
        Assert.Equal("counter", (string)session["here"]!["role"]!);
        Assert.Equal(404, (await nobody.PostAsync("/api/v1/invitations/offer", Link(link))).Status);
        Assert.Equal(
            404,
            (await nobody.PostAsync("/api/v1/invitations/account", Account(link, "twice@larkfold.example"))).Status
        );
    }

    [Fact]
    public async Task An_invitation_moves_nobody_until_they_take_it_up()
    {
        using var stranger = await StrangerAsync("Own ground");
        var link = await _manager.InviteAsync("reader");
        Assert.Equal("Own ground", (string)(await stranger.ReadAsync("/api/v1/season"))["estate"]!);
        var (status, session) = await stranger.PostAsync("/api/v1/invitations/accept", Link(link));
        Assert.Equal(200, status);
        Assert.Equal(
            ["Larkfold Orchards", "Own ground"],
            session["estates"]!.AsArray().Select(e => (string)e!["name"]!)
        );
        // The cookie of before stays where it was, with the role they had in the demo before.
        Assert.Equal("Own ground", (string)(await stranger.ReadAsync("/api/v1/season"))["estate"]!);
    }

    [Fact]
    public async Task Making_an_invitation_tells_nothing_of_accounts()
    {
        // There is no address in it, so that nothing could be told.
        var (status, body) = await _manager.PostAsync(
            "/api/v1/invitations",
            """{"name": "Counter", "role": "counter", "email": "counter@larkfold.example"}"""
        );
        Assert.Equal(400, status);
        Assert.Equal(["email"], Api.ProblemFields(body));
    }

    [Fact]
    public async Task A_refused_account_leaves_the_invitation_open()
    {
        var link = await _manager.InviteAsync("counter");
        using var nobody = application.CreateClient();
        foreach (
            var (account, field) in new[]
            {
                (Account(link, "no address"), "email"),
                (Account(link, "counter@larkfold.example"), "email"),
                (Account(link, "weak@larkfold.example", "short"), "password"),
                (Account(link, "weak@larkfold.example", "password123"), "password"),
                (Account(link, "weak@larkfold.example", "weak@larkfold.example"), "password"),
            }
        )
            Assert.Equal(
                [field],
                Api.ProblemFields((await nobody.PostAsync("/api/v1/invitations/account", account)).Body)
            );
        Assert.Equal(
            200,
            (await nobody.PostAsync("/api/v1/invitations/account", Account(link, "weak@larkfold.example"))).Status
        );
    }

    [Fact]
    public async Task Two_who_take_it_up_at_once_are_one()
    {
        var link = await _manager.InviteAsync("counter");
        using var nobody = application.CreateClient();
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 6)
                .Select(i =>
                    nobody.PostAsync("/api/v1/invitations/account", Account(link, $"race{i}@larkfold.example"))
                )
        );
        Assert.Equal([200, 404, 404, 404, 404, 404], answers.Select(a => a.Status).Order());
        var people = (await _manager.ReadAsync("/api/v1/people")).AsArray().Select(p => (string)p!["email"]!);
        Assert.Single(people, p => p.StartsWith("race", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_withdrawn_link_and_a_made_up_one_answer_the_same()
    {
        var link = await _manager.InviteAsync("counter");
        var open = (await _manager.ReadAsync("/api/v1/invitations")).AsArray();
        Assert.DoesNotContain(link, open.ToJsonString(), StringComparison.Ordinal);
        foreach (var invitation in open)
            await _manager.SendAsync(HttpMethod.Delete, $"/api/v1/invitations/{invitation!["id"]}");
        using var nobody = application.CreateClient();
        var withdrawn = await nobody.PostAsync("/api/v1/invitations/offer", Link(link));
        foreach (var made in new[] { "", "x", new string('A', 54), link[..^1] + (link[^1] == 'A' ? 'B' : 'A') })
        {
            var answer = await nobody.PostAsync("/api/v1/invitations/offer", Link(made));
            Assert.Equal(404, answer.Status);
            Assert.Equal((string)withdrawn.Body["title"]!, (string)answer.Body["title"]!);
        }
    }

    [Fact]
    public async Task Another_estate_sees_and_withdraws_no_invitation()
    {
        using var stranger = await StrangerAsync("Beyond");
        await _manager.InviteAsync("reader");
        var id = (string)(await _manager.ReadAsync("/api/v1/invitations"))[0]!["id"]!;
        Assert.Empty((await stranger.ReadAsync("/api/v1/invitations")).AsArray());
        Assert.Equal(404, (await stranger.SendAsync(HttpMethod.Delete, $"/api/v1/invitations/{id}")).Status);
    }

    [Fact]
    public async Task Whoever_belongs_already_stays_as_they_are()
    {
        var link = await _manager.InviteAsync("reader");
        var (status, session) = await _manager.PostAsync("/api/v1/invitations/accept", Link(link));
        Assert.Equal(200, status);
        Assert.Equal("manager", (string)session["here"]!["role"]!);
    }
}
