using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>Who is signed in, and where.</summary>
/// <param name="State">Whether somebody is signed in, and whether there is anybody at all.</param>
/// <param name="Person">The person; null when nobody is signed in.</param>
/// <param name="Estates">Estates the person belongs to, by name.</param>
/// <param name="Here">The estate at hand; null for someone who belongs to none, or no longer to the one they were
/// in.</param>
public sealed record SessionView(
    SessionState State,
    SessionPerson? Person,
    IReadOnlyList<SessionEstate> Estates,
    SessionHere? Here
);

/// <summary>Whether somebody is signed in.</summary>
public enum SessionState
{
    /// <summary>Nobody has an account yet: the first manager is to be made.</summary>
    Empty,

    /// <summary>Nobody is signed in.</summary>
    SignedOut,

    /// <summary>Somebody is signed in.</summary>
    SignedIn,
}

/// <summary>The person signed in and how they like to read.</summary>
public sealed record SessionPerson(Guid Id, string Name, string Email, UnitSystem Units, string Language);

/// <summary>An estate a person belongs to.</summary>
public sealed record SessionEstate(Guid Id, string Name);

/// <summary>Where a person is at work.</summary>
/// <param name="EstateId">The estate.</param>
/// <param name="Role">The person's role in it.</param>
/// <param name="May">What the role allows.</param>
public sealed record SessionHere(Guid EstateId, Role Role, IReadOnlyList<Act> May);

/// <summary>How a person likes to read.</summary>
public sealed record ReadingEntry(UnitSystem Units, string Language)
{
    /// <summary>
    /// Languages with their ways of writing numbers: English with a decimal point or a comma, Spanish with a comma or a
    /// point.
    /// </summary>
    public static IReadOnlyList<string> Languages { get; } = ["en", "en-DE", "es", "es-MX"];
}

/// <summary>An estate to go to.</summary>
public sealed record EstateChoice(Guid Estate);

/// <summary>A password to change.</summary>
public sealed record PasswordEntry
{
    /// <summary>The present password.</summary>
    public string? Current { get; init; }

    /// <summary>The new one, at least ten characters.</summary>
    public string? Password { get; init; }
}

internal static class SessionEndpoints
{
    public static RouteGroupBuilder MapSession(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Session");
        group.MapGet("/session", Who).AllowAnonymous().WithSummary("Who is signed in, and where");
        group
            .MapPost("/session", SignIn)
            .AllowAnonymous()
            .RequireRateLimiting(AccountServices.TriesLimit)
            .WithSummary("Sign in");
        group.MapDelete("/session", SignOut).AllowAnonymous().WithSummary("Sign out");
        group
            .MapPost("/first-manager", CreateFirst)
            .AllowAnonymous()
            .RequireRateLimiting(AccountServices.TriesLimit)
            .WithSummary("Make the first estate and manager of an empty installation");
        var own = group.MapGroup("/session").RequireAuthorization();
        own.MapPut("/estate", Go).WithSummary("Go to another of one's estates");
        own.MapPut("/reading", Read).WithSummary("Choose units and language");
        own.MapPut("/password", ChangePassword)
            .RequireRateLimiting(AccountServices.TriesLimit)
            .WithSummary("Change one's password");
        var all = group.MapGroup("").RequireAuthorization();
        all.MapGet("/sessions", Own).WithSummary("Where one is signed in");
        all.MapDelete("/sessions", EndOthers).WithSummary("End one's other sessions");
        all.MapDelete("/sessions/{id:guid}", End).WithSummary("End one of one's sessions");
        return api;
    }

    private static async Task<Ok<SessionView>> Who(
        ClaimsPrincipal user,
        RamaContext database,
        EstateScope scope,
        FirstManager first,
        CancellationToken cancel
    )
    {
        if (user.Identity?.IsAuthenticated == true)
            return TypedResults.Ok(await View(database, scope, SignedInPerson.Id(user), cancel));
        return TypedResults.Ok(
            new SessionView(
                await first.IsNeededAsync(cancel) ? SessionState.Empty : SessionState.SignedOut,
                null,
                [],
                null
            )
        );
    }

    private static async Task<Results<Ok<SessionView>, ProblemHttpResult>> SignIn(
        SignInEntry entry,
        PasswordCheck passwords,
        Sessions sessions,
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    )
    {
        if (await passwords.PersonAsync(entry) is not { } person)
            return TypedResults.Problem(
                statusCode: StatusCodes.Status401Unauthorized,
                title: "E-mail or password is wrong. After eight wrong tries an account rests for 15 minutes."
            );
        scope.EstateId = await sessions.BeginAsync(person, cancel);
        return TypedResults.Ok(await View(database, scope, person.Id, cancel));
    }

    private static async Task<NoContent> SignOut(Sessions sessions, CancellationToken cancel)
    {
        await sessions.EndThisAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<IReadOnlyList<OwnSession>>> Own(Sessions sessions, CancellationToken cancel) =>
        TypedResults.Ok(await sessions.ListAsync(cancel));

    private static async Task<NoContent> EndOthers(Sessions sessions, CancellationToken cancel)
    {
        await sessions.EndOthersAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> End(Guid id, Sessions sessions, CancellationToken cancel)
    {
        await sessions.EndAsync(id, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<SessionView>, ProblemHttpResult>> CreateFirst(
        FirstManagerEntry entry,
        FirstManager first,
        Sessions sessions,
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    )
    {
        if (!await first.IsNeededAsync(cancel))
            return TypedResults.Problem(
                statusCode: StatusCodes.Status409Conflict,
                title: "There is a manager already. Please sign in."
            );
        if (!first.Knows(entry.Code))
            throw new UnusableEntryException([
                new("code", "wrong", "Code: expected the code printed when Rama was started."),
            ]);
        var person = await first.CreateAsync(entry, cancel);
        scope.EstateId = await sessions.BeginAsync(person, cancel);
        return TypedResults.Ok(await View(database, scope, person.Id, cancel));
    }

    private static async Task<Results<Ok<SessionView>, NotFound>> Go(
        EstateChoice choice,
        ClaimsPrincipal user,
        Sessions sessions,
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    )
    {
        var person = await database.Users.SingleAsync(p => p.Id == SignedInPerson.Id(user), cancel);
        if (!await database.Memberships.AnyAsync(m => m.PersonId == person.Id && m.EstateId == choice.Estate, cancel))
            return TypedResults.NotFound();
        await sessions.GoAsync(person, choice.Estate, cancel);
        scope.EstateId = choice.Estate;
        return TypedResults.Ok(await View(database, scope, person.Id, cancel));
    }

    private static async Task<NoContent> Read(
        ReadingEntry entry,
        ClaimsPrincipal user,
        RamaContext database,
        CancellationToken cancel
    )
    {
        if (!ReadingEntry.Languages.Contains(entry.Language))
            throw new UnusableEntryException([
                new("language", "unknown", $"Language: expected one of {string.Join(", ", ReadingEntry.Languages)}."),
            ]);
        var person = await database.Users.SingleAsync(p => p.Id == SignedInPerson.Id(user), cancel);
        (person.Units, person.Language) = (entry.Units, entry.Language);
        await database.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> ChangePassword(
        PasswordEntry entry,
        ClaimsPrincipal user,
        PasswordCheck passwords,
        Sessions sessions,
        CancellationToken cancel
    )
    {
        var person = await passwords.ChangeAsync(user, entry);
        // All other sessions of the person end; this one goes on.
        await sessions.EndOthersAsync(cancel);
        await sessions.RenewAsync(person);
        return TypedResults.NoContent();
    }

    internal static async Task<SessionView> View(
        RamaContext database,
        EstateScope scope,
        Guid personId,
        CancellationToken cancel
    )
    {
        var person = await database.Users.AsNoTracking().SingleAsync(p => p.Id == personId, cancel);
        var memberships = await database
            .Memberships.AsNoTracking()
            .Include(m => m.Estate)
            .Where(m => m.PersonId == personId)
            .OrderBy(m => m.EstateId)
            .ToListAsync(cancel);
        var here = memberships.Find(m => m.EstateId == scope.EstateId);
        return new(
            SessionState.SignedIn,
            new(person.Id, person.Name, person.Email!, person.Units, person.Language),
            [
                .. memberships
                    .Select(m => new SessionEstate(m.EstateId, m.Estate!.Name))
                    .OrderBy(e => e.Name, StringComparer.CurrentCulture),
            ],
            here is null ? null : new(here.EstateId, here.Role, Permissions.Of(here.Role))
        );
    }
}
