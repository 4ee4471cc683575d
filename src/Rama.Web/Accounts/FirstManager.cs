using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>
/// Sets up an empty installation: its first estate and manager, by whoever can read the code printed at its start.
/// </summary>
internal sealed class FirstManager(
    RamaContext database,
    EstateScope scope,
    UserManager<PersonRecord> people,
    IConfiguration configuration
)
{
    /// <summary>Whether nobody has an account yet.</summary>
    public async Task<bool> IsNeededAsync(CancellationToken cancel) => !await database.Users.AnyAsync(cancel);

    /// <summary>Whether this is the code printed at the start of the installation.</summary>
    public bool Knows(string? code) =>
        configuration["SetupCode"] is { Length: > 0 } expected
        && CryptographicOperations.FixedTimeEquals(
            Encoding.UTF8.GetBytes(expected),
            Encoding.UTF8.GetBytes(code ?? "")
        );

    /// <summary>Makes an estate with its first manager; both or neither.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public async Task<PersonRecord> CreateAsync(FirstManagerEntry entry, CancellationToken cancel)
    {
        var reader = new EntryReader();
        var estate = reader.Under("", entry.ReadEstate);
        var person = reader.Under("", entry.Person.Read);
        reader.ThrowIfAny();

        await using var transaction = await database.Database.BeginTransactionAsync(cancel);
        var made = await people.CreateAsync(person!, entry.Password ?? "");
        AccountProblems.ThrowIfRefused(made);
        await AddEstateAsync(estate!, person!, cancel);
        await transaction.CommitAsync(cancel);
        return person!;
    }

    /// <summary>Adds an estate with its first manager to the transaction at hand.</summary>
    public async Task AddEstateAsync(EstateRecord estate, PersonRecord manager, CancellationToken cancel)
    {
        // The connection of the transaction is told of its estate and person when it is opened.
        scope.EstateId = estate.Id;
        scope.Author = new(manager.Id, manager.Name);
        await ScopedConnection.TellAsync(database, scope, cancel);
        database.Add(estate);
        database.Add(
            new MembershipRecord
            {
                EstateId = estate.Id,
                PersonId = manager.Id,
                Role = Role.Manager,
            }
        );
        await database.SaveChangesAsync(cancel);
    }
}
