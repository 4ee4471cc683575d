using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Sessions end where they are ended, and nowhere else.</summary>
public sealed class SessionTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private async Task<(string Email, string Password)> SomeoneAsync(string role = "reader")
    {
        var (_, email, password) = await application.JoinedAsync(role);
        return (email, password);
    }

    private async Task<HttpClient> SignedInAsync((string Email, string Password) who) =>
        application.ClientWith(await application.SignInAsync(who.Email, who.Password));

    private static async Task<int> Status(HttpClient client) =>
        (await client.SendAsync(HttpMethod.Get, "/api/v1/season")).Status;

    [Fact]
    public async Task A_cookie_is_worthless_after_signing_out()
    {
        var who = await SomeoneAsync();
        using var here = await SignedInAsync(who);
        using var elsewhere = await SignedInAsync(who);
        Assert.Equal(204, (await here.SendAsync(HttpMethod.Delete, "/api/v1/session")).Status);
        // The client sends the cookie still, as whoever has stolen it would.
        Assert.Equal(401, await Status(here));
        Assert.Equal(200, await Status(elsewhere));
    }

    [Fact]
    public async Task One_sees_one_s_sessions_and_ends_them()
    {
        var who = await SomeoneAsync();
        using var first = await SignedInAsync(who);
        using var second = await SignedInAsync(who);
        using var third = await SignedInAsync(who);
        var listed = (await first.ReadAsync("/api/v1/sessions")).AsArray();
        // With the one of making the account.
        Assert.Equal(4, listed.Count);
        Assert.Single(listed, s => (bool)s!["isThis"]!);
        var ofSecond = (await second.ReadAsync("/api/v1/sessions")).AsArray().Single(s => (bool)s!["isThis"]!)!["id"];
        Assert.Equal(204, (await first.SendAsync(HttpMethod.Delete, $"/api/v1/sessions/{ofSecond}")).Status);
        Assert.Equal((200, 401, 200), (await Status(first), await Status(second), await Status(third)));
        Assert.Equal(204, (await first.SendAsync(HttpMethod.Delete, "/api/v1/sessions")).Status);
        Assert.Equal((200, 401), (await Status(first), await Status(third)));
    }

    [Fact]
    public async Task Nobody_ends_another_person_s_session()
    {
        using var theirs = await SignedInAsync(await SomeoneAsync());
        using var mine = await SignedInAsync(await SomeoneAsync("manager"));
        var id = (string)(await theirs.ReadAsync("/api/v1/sessions"))[0]!["id"]!;
        await mine.SendAsync(HttpMethod.Delete, $"/api/v1/sessions/{id}");
        await mine.SendAsync(HttpMethod.Delete, "/api/v1/sessions");
        Assert.Equal(200, await Status(theirs));
    }

    [Fact]
    public async Task Wrong_present_passwords_lock_the_account_as_wrong_sign_ins_do()
    {
        var who = await SomeoneAsync();
        using var client = await SignedInAsync(who);
        string Change(string current) => $$"""{"current": "{{current}}", "password": "another long row"}""";
        for (var i = 0; i < 8; i++)
            Assert.Equal(400, (await client.PutAsync("/api/v1/session/password", Change("a guess"))).Status);
        var (status, body) = await client.PutAsync("/api/v1/session/password", Change(who.Password));
        Assert.Equal(400, status);
        Assert.Equal(["current"], Api.ProblemFields(body));
        using var nobody = application.CreateClient();
        Assert.Equal(
            401,
            (
                await nobody.PostAsync(
                    "/api/v1/session",
                    $$"""{"email": "{{who.Email}}", "password": "{{who.Password}}"}"""
                )
            ).Status
        );
    }

    [Fact]
    public async Task Out_of_one_estate_is_not_in_another()
    {
        var (id, email, password) = await application.JoinedAsync("manager");
        using var client = application.ClientWith(await application.SignInAsync(email, password));
        using var theirs = await application.InNewEstateAsync(client, "Their own");
        using var manager = application.ClientOf(Role.Manager);
        Assert.Equal(204, (await manager.SendAsync(HttpMethod.Delete, $"/api/v1/people/{id}")).Status);
        // Not moved to the other one unasked: they are told, and go there themselves.
        Assert.Equal(403, await Status(client));
        Assert.Equal(200, await Status(theirs));
        var session = await client.ReadAsync("/api/v1/session");
        Assert.Null(session["here"]);
        Assert.Single(session["estates"]!.AsArray());
    }

    [Fact]
    public async Task One_begins_in_the_estate_one_was_last_at_work_in()
    {
        var who = await SomeoneAsync("manager");
        using var client = await SignedInAsync(who);
        using var theirs = await application.InNewEstateAsync(client, "Last at work");
        using var later = await SignedInAsync(who);
        Assert.Equal("Last at work", (string)(await later.ReadAsync("/api/v1/season"))["estate"]!);
    }

    [Fact]
    public async Task Two_managers_who_take_each_other_out_leave_one()
    {
        var first = await application.JoinedAsync("manager");
        using var one = application.ClientWith(await application.SignInAsync(first.Email, first.Password));
        using var estate = await application.InNewEstateAsync(one, "Two managers");
        for (var round = 0; round < 6; round++)
        {
            var link = await estate.InviteAsync("manager");
            var second = await application.JoinedAsync("reader");
            using var other = application.ClientWith(await application.SignInAsync(second.Email, second.Password));
            using var there = await AcceptedAsync(other, link);
            await Task.WhenAll(
                estate.PutAsync($"/api/v1/people/{second.Id}/role", """{"role": "reader"}"""),
                there.PutAsync($"/api/v1/people/{first.Id}/role", """{"role": "reader"}""")
            );
            var session = await estate.ReadAsync("/api/v1/session");
            var theirs = await there.ReadAsync("/api/v1/session");
            string[] roles = [(string)session["here"]!["role"]!, (string)theirs["here"]!["role"]!];
            Assert.Equal(["manager", "reader"], roles.Order());
            // Back to where it was.
            if (roles[0] == "reader")
                await there.PutAsync($"/api/v1/people/{first.Id}/role", """{"role": "manager"}""");
            Assert.Equal(204, (await estate.SendAsync(HttpMethod.Delete, $"/api/v1/people/{second.Id}")).Status);
        }
    }

    private async Task<HttpClient> AcceptedAsync(HttpClient client, string link)
    {
        using HttpRequestMessage request = new(HttpMethod.Post, "/api/v1/invitations/accept")
        {
            Content = new StringContent($$"""{"link": "{{link}}"}""", System.Text.Encoding.UTF8, "application/json"),
        };
        using var answer = await client.SendAsync(request, TestContext.Current.CancellationToken);
        return application.ClientWith(answer.Headers.GetValues("Set-Cookie").Single().Split(';')[0]);
    }
}
