using System.Data;
using System.Security.Claims;
using System.Security.Cryptography;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Crew;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Exchange;
using Rama.Data.People;
using Rama.Web.Hosting;

namespace Rama.Web.Accounts;

/// <summary>A person of the estate.</summary>
/// <param name="Id">Their key.</param>
/// <param name="Name">Their name.</param>
/// <param name="Email">Address they sign in with.</param>
/// <param name="Role">What they may do.</param>
/// <param name="Worker">Who of the crew they are; null where nobody said.</param>
public sealed record PersonView(Guid Id, string Name, string Email, Role Role, Guid? Worker);

/// <summary>Who of the crew a person is; null for nobody.</summary>
public sealed record PersonWorker(Guid? Worker);

/// <summary>A role to give.</summary>
public sealed record RoleEntry(Role Role);

internal static class PeopleEndpoints
{
    // Without letters and digits that are taken for one another when read from a note.
    private const string PasswordLetters = "abcdefghjkmnpqrstuvwxyz23456789";

    private const int MostTries = 8;

    private static readonly TimeSpan Returning = TimeSpan.FromDays(1);

    /// <summary>A password to hand over.</summary>
    public static string NewPassword() => RandomNumberGenerator.GetString(PasswordLetters, 14);

    public static RouteGroupBuilder MapPeople(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("People").For(Act.People);
        group.MapGet("/people", All).WithSummary("Who belongs to the estate");
        group.MapPut("/people/{id:guid}/role", SetRole).WithSummary("Give a person another role");
        group
            .MapPut("/people/{id:guid}/worker", SetWorker)
            .WithSummary("Say who of the crew a person is, so that they see how their practice goes");
        group.MapDelete("/people/{id:guid}", Remove).WithSummary("Remove a person from the estate");
        group
            .MapPost("/people/{id:guid}/return", Return)
            .WithSummary("Take back that a person was removed, within a day, with the role they had");
        group.MapPost("/estates", AddEstate).WithSummary("Add an estate of one's own");
        group
            .MapPost("/estates/demo", AddDemo)
            .WithSummary("Make a demo estate of one's own to look around in; a second time gives the same one");
        return api;
    }

    private static IQueryable<MembershipRecord> Members(RamaContext database, EstateScope scope) =>
        database.Memberships.Include(m => m.Person).Where(m => m.EstateId == scope.EstateId);

    private static PersonView View(MembershipRecord m) =>
        new(m.PersonId, m.Person!.Name, m.Person.Email!, m.Role, m.WorkerId);

    private static async Task<Ok<IReadOnlyList<PersonView>>> All(
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    ) =>
        TypedResults.Ok<IReadOnlyList<PersonView>>([
            .. (await Members(database, scope).AsNoTracking().ToListAsync(cancel))
                .OrderByDescending(m => m.Role)
                .ThenBy(m => m.Person!.Name, StringComparer.CurrentCulture)
                .Select(View),
        ]);

    private static async Task<Results<Ok<PersonView>, NotFound>> SetRole(
        Guid id,
        RoleEntry entry,
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    )
    {
        var changed = await ChangeAloneAsync(
            database,
            scope,
            id,
            async membership =>
            {
                if (entry.Role != Role.Manager)
                    await KeepAManagerAsync(membership, database, scope, cancel);
                membership.Role = entry.Role;
            },
            cancel
        );
        return changed is null ? TypedResults.NotFound() : TypedResults.Ok(View(changed));
    }

    private static async Task<Results<NoContent, NotFound>> SetWorker(
        Guid id,
        PersonWorker entry,
        WorkerStore workers,
        CancellationToken cancel
    ) => await workers.SignsInAsync(entry.Worker, id, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> Remove(
        Guid id,
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    )
    {
        var removed = await ChangeAloneAsync(
            database,
            scope,
            id,
            async membership =>
            {
                await KeepAManagerAsync(membership, database, scope, cancel);
                database.Remove(membership);
            },
            cancel
        );
        return removed is null ? TypedResults.NotFound() : TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> Return(
        Guid id,
        RamaContext database,
        EstateScope scope,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var subject = id.ToString();
        var since = clock.GetUtcNow() - Returning;
        // The latest that happened to them here, told by the history, which nobody can write to.
        var last = await database
            .Changes.AsNoTracking()
            .Where(c => c.Subject == "member" && c.Detail == subject)
            .OrderByDescending(c => c.Id)
            .FirstOrDefaultAsync(cancel);
        if (
            last is not { New: null, Old: { } was }
            || last.At < since
            || Enum.GetValues<Role>()
                .Cast<Role?>()
                .FirstOrDefault(r => was.Contains($"role: {r}", StringComparison.Ordinal))
                is not { } role
            || !await database.Users.AnyAsync(u => u.Id == id, cancel)
        )
            return TypedResults.NotFound();
        database.Add(
            new MembershipRecord
            {
                EstateId = scope.EstateId,
                PersonId = id,
                Role = role,
            }
        );
        await database.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    // As if nobody else did anything meanwhile: two managers who each take the other out would both have seen one left.
    private static async Task<MembershipRecord?> ChangeAloneAsync(
        RamaContext database,
        EstateScope scope,
        Guid person,
        Func<MembershipRecord, Task> change,
        CancellationToken cancel
    )
    {
        for (var attempt = 1; ; attempt++)
        {
            database.ChangeTracker.Clear();
            try
            {
                await using var transaction = await database.Database.BeginTransactionAsync(
                    IsolationLevel.Serializable,
                    cancel
                );
                if (
                    await Members(database, scope).SingleOrDefaultAsync(m => m.PersonId == person, cancel)
                    is not { } membership
                )
                    return null;
                await change(membership);
                await database.SaveChangesAsync(cancel);
                await transaction.CommitAsync(cancel);
                return membership;
            }
            catch (Exception e) when (attempt < MostTries && e.IsOutOfOrder())
            {
                await Task.Delay(Random.Shared.Next(5, 30) * attempt, cancel);
            }
        }
    }

    private static async Task<Ok<SessionEstate>> AddEstate(
        NewEstateEntry entry,
        ClaimsPrincipal user,
        RamaContext database,
        FirstManager first,
        CancellationToken cancel
    )
    {
        var estate = entry.ReadEstate();
        var person = await database.Users.SingleAsync(p => p.Id == SignedInPerson.Id(user), cancel);
        await using var transaction = await database.Database.BeginTransactionAsync(cancel);
        await first.AddEstateAsync(estate, person, cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(new SessionEstate(estate.Id, estate.Name));
    }

    private static Task<Ok<SessionEstate>> AddDemo(
        ClaimsPrincipal user,
        RamaContext database,
        FirstManager first,
        EstateArchive archive,
        HttpContext http,
        HeavyWork gate
    ) => gate.InTurnAsync(http, cancel => AddDemoAsync(user, database, first, archive, cancel));

    private static async Task<Ok<SessionEstate>> AddDemoAsync(
        ClaimsPrincipal user,
        RamaContext database,
        FirstManager first,
        EstateArchive archive,
        CancellationToken cancel
    )
    {
        var files = ArchiveFiles.OfFolder(Path.Combine(AppContext.BaseDirectory, "demo", "larkfold"));
        var facts = EstateArchive.Facts(files);
        var person = await database.Users.SingleAsync(p => p.Id == SignedInPerson.Id(user), cancel);
        // One's estates are seen from any of them. Only a demo lives in a day of its own.
        var known = await database
            .Memberships.Include(m => m.Estate)
            .Where(m => m.PersonId == person.Id)
            .Select(m => m.Estate!)
            .FirstOrDefaultAsync(e => e.Name == facts.Name && e.Today != null, cancel);
        if (known is not null)
            return TypedResults.Ok(new SessionEstate(known.Id, known.Name));
        EstateRecord estate = new() { Name = facts.Name, Season = facts.Season };
        await using var transaction = await database.Database.BeginTransactionAsync(cancel);
        await first.AddEstateAsync(estate, person, cancel);
        await archive.ReadAsync(files, null, cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(new SessionEstate(estate.Id, estate.Name));
    }

    private static async Task KeepAManagerAsync(
        MembershipRecord membership,
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    )
    {
        if (
            membership.Role != Role.Manager
            || await Members(database, scope)
                .AnyAsync(m => m.Role == Role.Manager && m.PersonId != membership.PersonId, cancel)
        )
            return;
        throw new UnusableEntryException([
            new("role", "last", "Role: an estate keeps at least one manager. Make someone else manager first."),
        ]);
    }
}
