using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>One account per role for trying the demo estate; people are roles, not names.</summary>
internal static class DemoPeople
{
    /// <summary>The accounts: name and e-mail by role.</summary>
    public static IReadOnlyList<(Role Role, string Name, string Email)> All { get; } =
    [
        (Role.Manager, "Manager", "manager@larkfold.example"),
        (Role.CrewLead, "Crew A", "crew@larkfold.example"),
        (Role.Counter, "Counter 2", "counter@larkfold.example"),
        (Role.Reader, "Bookkeeper", "reader@larkfold.example"),
    ];

    /// <summary>
    /// Makes the accounts in the demo estate, all with one password, unless there are accounts already.
    /// </summary>
    public static async Task AddIfNoneAsync(IServiceProvider services, string password)
    {
        var people = services.GetRequiredService<UserManager<PersonRecord>>();
        var database = services.GetRequiredService<RamaContext>();
        if (await database.Users.AnyAsync())
            return;
        var estate = await database.Estates.OrderBy(e => e.Id).Select(e => e.Id).FirstAsync();
        foreach (var (role, name, email) in All)
        {
            var person = new PersonRecord
            {
                Name = name,
                Email = email,
                UserName = email,
            };
            AccountProblems.ThrowIfRefused(await people.CreateAsync(person, password));
            database.Add(
                new MembershipRecord
                {
                    EstateId = estate,
                    PersonId = person.Id,
                    Role = role,
                }
            );
        }
        await database.SaveChangesAsync();
    }
}
