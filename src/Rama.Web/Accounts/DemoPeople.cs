using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>One account per role for trying the demo estate; people are roles, not names.</summary>
internal static class DemoPeople
{
    /// <summary>The accounts: estate by its place, name and e-mail by role, and who of the crew they are.</summary>
    public static IReadOnlyList<(int Estate, Role Role, string Name, string Email, string? Worker)> All { get; } =
    [
        (0, Role.Manager, "Manager", "manager@larkfold.example", null),
        (0, Role.CrewLead, "Crew A", "crew@larkfold.example", null),
        (0, Role.Counter, "Counter 2", "counter@larkfold.example", "Pruner 3"),
        (0, Role.Reader, "Bookkeeper", "reader@larkfold.example", null),
        (1, Role.Manager, "Manager", "manager@ambertree.example", null),
    ];

    /// <summary>
    /// Makes the accounts in the demo estates, all with one password, unless there are accounts already.
    /// </summary>
    public static async Task AddIfNoneAsync(IServiceProvider services, string password)
    {
        var people = services.GetRequiredService<UserManager<PersonRecord>>();
        var database = services.GetRequiredService<RamaContext>();
        if (await database.Users.AnyAsync())
            return;
        var estates = await database.Estates.OrderBy(e => e.Id).Select(e => e.Id).ToListAsync();
        foreach (var (place, role, name, email, worker) in All.Where(p => p.Estate < estates.Count))
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
                    EstateId = estates[place],
                    PersonId = person.Id,
                    Role = role,
                    WorkerId = await database
                        .Workers.IgnoreQueryFilters()
                        .Where(w => w.EstateId == estates[place] && w.Name == worker)
                        .Select(w => (Guid?)w.Id)
                        .SingleOrDefaultAsync(),
                }
            );
        }
        await database.SaveChangesAsync();
    }
}
