using System.Security.Claims;
using System.Security.Cryptography;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>A person of the estate.</summary>
public sealed record PersonView(Guid Id, string Name, string Email, Role Role);

/// <summary>A person added to the estate.</summary>
/// <param name="Person">The person.</param>
/// <param name="Password">Password to hand over, told this once; null for someone who had an account already.</param>
public sealed record AddedPerson(PersonView Person, string? Password);

/// <summary>A person to add, with the role in this estate.</summary>
public sealed record AddPersonEntry : PersonEntry
{
    /// <summary>Role in the estate.</summary>
    public Role Role { get; init; }
}

/// <summary>A role to give.</summary>
public sealed record RoleEntry(Role Role);

internal static class PeopleEndpoints
{
    // Without letters and digits that are taken for one another when read from a note.
    private const string PasswordLetters = "abcdefghjkmnpqrstuvwxyz23456789";

    /// <summary>A password to hand over.</summary>
    public static string NewPassword() => RandomNumberGenerator.GetString(PasswordLetters, 14);

    public static RouteGroupBuilder MapPeople(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("People").For(Act.People);
        group.MapGet("/people", All).WithSummary("Who belongs to the estate");
        group.MapPost("/people", Add).WithSummary("Add a person; a new account gets a password to hand over");
        group.MapPut("/people/{id:guid}/role", SetRole).WithSummary("Give a person another role");
        group.MapDelete("/people/{id:guid}", Remove).WithSummary("Remove a person from the estate");
        group.MapPost("/estates", AddEstate).WithSummary("Add an estate of one's own");
        return api;
    }

    private static IQueryable<MembershipRecord> Members(RamaContext database, EstateScope scope) =>
        database.Memberships.Include(m => m.Person).Where(m => m.EstateId == scope.EstateId);

    private static PersonView View(MembershipRecord m) => new(m.PersonId, m.Person!.Name, m.Person.Email!, m.Role);

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

    private static async Task<Ok<AddedPerson>> Add(
        AddPersonEntry entry,
        RamaContext database,
        EstateScope scope,
        UserManager<PersonRecord> people,
        CancellationToken cancel
    )
    {
        var read = entry.Read();
        await using var transaction = await database.Database.BeginTransactionAsync(cancel);
        var person = await people.FindByEmailAsync(read.Email!);
        string? password = null;
        if (person is null)
        {
            (person, password) = (read, NewPassword());
            AccountProblems.ThrowIfRefused(await people.CreateAsync(person, password));
        }
        if (await Members(database, scope).AnyAsync(m => m.PersonId == person.Id, cancel))
            throw new UnusableEntryException([
                new("email", "taken", "E-mail: this person belongs to the estate already."),
            ]);
        var membership = new MembershipRecord
        {
            EstateId = scope.EstateId,
            PersonId = person.Id,
            Role = entry.Role,
            Person = person,
        };
        database.Add(membership);
        await database.SaveChangesAsync(cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(new AddedPerson(View(membership), password));
    }

    private static async Task<Results<Ok<PersonView>, NotFound>> SetRole(
        Guid id,
        RoleEntry entry,
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    )
    {
        if (await Members(database, scope).SingleOrDefaultAsync(m => m.PersonId == id, cancel) is not { } membership)
            return TypedResults.NotFound();
        if (entry.Role != Role.Manager)
            await KeepAManagerAsync(membership, database, scope, cancel);
        membership.Role = entry.Role;
        await database.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(membership));
    }

    private static async Task<Results<NoContent, NotFound>> Remove(
        Guid id,
        RamaContext database,
        EstateScope scope,
        CancellationToken cancel
    )
    {
        if (await Members(database, scope).SingleOrDefaultAsync(m => m.PersonId == id, cancel) is not { } membership)
            return TypedResults.NotFound();
        await KeepAManagerAsync(membership, database, scope, cancel);
        database.Remove(membership);
        await database.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
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
