using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>An invitation not yet taken up.</summary>
/// <param name="Id">The invitation.</param>
/// <param name="Name">Whom it is meant for.</param>
/// <param name="Role">What they may do then.</param>
/// <param name="InvitedBy">Who invites.</param>
/// <param name="ExpiresAt">Until when it may be taken up.</param>
public sealed record InvitationView(Guid Id, string Name, Role Role, string InvitedBy, DateTimeOffset ExpiresAt);

/// <summary>An invitation made.</summary>
/// <param name="Invitation">The invitation.</param>
/// <param name="Link">Path of its link, told this once.</param>
public sealed record MadeInvitation(InvitationView Invitation, string Link);

/// <summary>Whom to invite.</summary>
public sealed record InvitationEntry
{
    /// <summary>Whom it is meant for, as they are called on the estate.</summary>
    public string? Name { get; init; }

    /// <summary>Role in the estate.</summary>
    public Role Role { get; init; }
}

/// <summary>What a link offers.</summary>
/// <param name="Estate">Name of the estate.</param>
/// <param name="Role">Role in it.</param>
/// <param name="InvitedBy">Who invites.</param>
/// <param name="ExpiresAt">Until when it may be taken up.</param>
public sealed record OfferView(string Estate, Role Role, string InvitedBy, DateTimeOffset ExpiresAt);

/// <summary>A link followed.</summary>
public record LinkEntry
{
    /// <summary>What the link carries.</summary>
    public string? Link { get; init; }
}

/// <summary>An account made by whom a link invites.</summary>
public sealed record NewAccountEntry : LinkEntry
{
    /// <summary>Name shown to others.</summary>
    public string? Name { get; init; }

    /// <summary>E-mail address to sign in with.</summary>
    public string? Email { get; init; }

    /// <summary>Password, at least ten characters.</summary>
    public string? Password { get; init; }
}

internal static class InvitationEndpoints
{
    public static RouteGroupBuilder MapInvitations(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("People");
        group.MapGet("/invitations", All).For(Act.People).WithSummary("Invitations not yet taken up");
        group
            .MapPost("/invitations", Invite)
            .For(Act.People)
            .WithSummary("Invite a person: a link to hand over, told this once");
        group.MapDelete("/invitations/{id:guid}", Withdraw).For(Act.People).WithSummary("Withdraw an invitation");
        group
            .MapPost("/invitations/offer", Offer)
            .AllowAnonymous()
            .RequireRateLimiting(AccountServices.TriesLimit)
            .WithSummary("What a link offers");
        group
            .MapPost("/invitations/accept", Accept)
            .RequireAuthorization()
            .WithSummary("Take an invitation up with one's account");
        group
            .MapPost("/invitations/account", MakeAccount)
            .AllowAnonymous()
            .RequireRateLimiting(AccountServices.TriesLimit)
            .WithSummary("Make an account and take an invitation up with it");
        return api;
    }

    private static async Task<Ok<IReadOnlyList<InvitationView>>> All(
        RamaContext database,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var now = clock.GetUtcNow();
        return TypedResults.Ok<IReadOnlyList<InvitationView>>([
            .. (
                await database
                    .Invitations.AsNoTracking()
                    .Where(i => i.ExpiresAt > now)
                    .OrderByDescending(i => i.ExpiresAt)
                    .ToListAsync(cancel)
            ).Select(View),
        ]);
    }

    private static async Task<Ok<MadeInvitation>> Invite(
        InvitationEntry entry,
        RamaContext database,
        EstateScope scope,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var reader = new EntryReader();
        var name = reader.Text("name", "Name", entry.Name, 100);
        reader.ThrowIfAny();
        var now = clock.GetUtcNow();
        var before = await database.Invitations.ToListAsync(cancel);
        database.RemoveRange(before.Where(i => i.ExpiresAt <= now));
        if (before.Count(i => i.ExpiresAt > now) >= Invitations.MostOpen)
            throw new UnusableEntryException([
                new("name", "full", $"Name: {Invitations.MostOpen} invitations are open. Withdraw some first."),
            ]);
        var (link, kept) = EstateSecret.New(scope.EstateId);
        InvitationRecord invitation = new()
        {
            EstateId = scope.EstateId,
            Secret = kept,
            Name = name,
            Role = entry.Role,
            InvitedBy = scope.Author!.Name,
            ExpiresAt = now + InvitationRecord.Longest,
        };
        database.Add(invitation);
        await database.SaveChangesAsync(cancel);
        // Behind the mark, so that it reaches no server's log.
        return TypedResults.Ok(new MadeInvitation(View(invitation), $"/join#{link}"));
    }

    private static async Task<Results<NoContent, NotFound>> Withdraw(
        Guid id,
        RamaContext database,
        CancellationToken cancel
    )
    {
        if (await database.Invitations.SingleOrDefaultAsync(i => i.Id == id, cancel) is not { } invitation)
            return TypedResults.NotFound();
        database.Remove(invitation);
        await database.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<OfferView>, ProblemHttpResult>> Offer(
        LinkEntry entry,
        Invitations invitations,
        CancellationToken cancel
    ) => await invitations.ReadAsync(entry.Link, cancel) is { } offer ? TypedResults.Ok(offer) : NotGood();

    private static async Task<Results<Ok<SessionView>, ProblemHttpResult>> Accept(
        LinkEntry entry,
        ClaimsPrincipal user,
        Invitations invitations,
        Sessions sessions,
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    )
    {
        var person = await database.Users.SingleAsync(p => p.Id == SignedInPerson.Id(user), cancel);
        if (await invitations.AcceptAsync(entry.Link, new Author(person.Id, person.Name), cancel) is not { } estate)
            return NotGood();
        await sessions.GoAsync(person, estate, cancel);
        scope.EstateId = estate;
        return TypedResults.Ok(await SessionEndpoints.View(database, scope, person.Id, cancel));
    }

    private static async Task<Results<Ok<SessionView>, ProblemHttpResult>> MakeAccount(
        NewAccountEntry entry,
        Invitations invitations,
        Sessions sessions,
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    )
    {
        var account = new PersonEntry { Name = entry.Name, Email = entry.Email }.Read();
        if (
            await invitations.AcceptAsync(entry.Link, account, entry.Password ?? "", cancel)
            is not { LastEstateId: { } estate } person
        )
            return NotGood();
        await sessions.BeginAsync(person, cancel);
        scope.EstateId = estate;
        return TypedResults.Ok(await SessionEndpoints.View(database, scope, person.Id, cancel));
    }

    private static ProblemHttpResult NotGood() =>
        TypedResults.Problem(
            statusCode: StatusCodes.Status404NotFound,
            title: "This invitation is not good any more. Ask for a new one."
        );

    private static InvitationView View(InvitationRecord i) => new(i.Id, i.Name, i.Role, i.InvitedBy, i.ExpiresAt);
}
