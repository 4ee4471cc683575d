using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>
/// Asks the database at every request who the cookie stands for: someone removed from an estate, whose session was
/// ended or whose password was changed, is out at once.
/// </summary>
internal static class SignedInPerson
{
    /// <summary>Claim with the estate a person has chosen.</summary>
    public const string EstateClaim = "rama.estate";

    public static async Task ValidateAsync(CookieValidatePrincipalContext context)
    {
        var http = context.HttpContext;
        // Pages and their files are the same for everyone.
        if (!http.Request.Path.StartsWithSegments("/api"))
            return;

        var id = Id(context.Principal!);
        var services = http.RequestServices;
        var scope = services.GetRequiredService<EstateScope>();
        scope.Author = new(id, "");
        var database = services.GetRequiredService<RamaContext>();
        var session = Sessions.Of(context.Principal!);
        // All in one question, since it is asked at every request.
        var person = await database
            .Users.Where(p => p.Id == id)
            .Select(p => new
            {
                p.Name,
                p.SecurityStamp,
                Memberships = database
                    .Memberships.Where(m => m.PersonId == p.Id)
                    .OrderBy(m => m.EstateId)
                    .Select(m => new { m.EstateId, m.Role })
                    .ToList(),
                Session = database.Sessions.SingleOrDefault(s => s.Id == session && s.PersonId == p.Id),
            })
            .SingleOrDefaultAsync(http.RequestAborted);
        if (
            person?.Session is null
            || person.SecurityStamp != context.Principal!.FindFirstValue("AspNet.Identity.SecurityStamp")
        )
        {
            scope.Author = null;
            context.RejectPrincipal();
            await http.SignOutAsync(IdentityConstants.ApplicationScheme);
            return;
        }

        scope.Author = new(id, person.Name);
        await SeenAsync(database, person.Session, services.GetRequiredService<TimeProvider>(), http.RequestAborted);
        // Only where the person went themselves: nobody else's doing moves them.
        if (person.Memberships.Find(m => m.EstateId == EstateOf(context.Principal!)) is not { } membership)
            return;
        scope.EstateId = membership.EstateId;
        // On the request only, never in the cookie: the role is as of now.
        context.Principal!.AddIdentity(new([new(ClaimTypes.Role, membership.Role.ToString())]));
    }

    private static async Task SeenAsync(
        RamaContext database,
        SessionRecord session,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var now = clock.GetUtcNow();
        if (!Sessions.IsStale(session.SeenAt, now))
            return;
        session.SeenAt = now;
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            // It ends at this moment; the next request meets it ended.
            database.ChangeTracker.Clear();
        }
    }

    /// <summary>The estate the person has gone to; null where they have not.</summary>
    public static Guid? EstateOf(ClaimsPrincipal principal) =>
        Guid.TryParse(principal.FindFirstValue(EstateClaim), out var estate) ? estate : null;

    public static Guid Id(ClaimsPrincipal principal) =>
        Guid.Parse(principal.FindFirstValue(ClaimTypes.NameIdentifier)!);

    /// <summary>The role in the estate at hand; null for someone who belongs to none.</summary>
    public static Role? RoleOf(ClaimsPrincipal principal) =>
        principal.FindFirstValue(ClaimTypes.Role) is { } role ? Enum.Parse<Role>(role) : null;
}
