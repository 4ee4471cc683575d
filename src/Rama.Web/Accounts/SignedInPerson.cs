using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>
/// Asks the database at every request who the cookie stands for: someone removed from an estate, or whose password was
/// changed, is out at once.
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
        // Both in one question, since it is asked at every request.
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
            })
            .SingleOrDefaultAsync(http.RequestAborted);
        if (
            person is null
            || person.SecurityStamp != context.Principal!.FindFirstValue("AspNet.Identity.SecurityStamp")
        )
        {
            scope.Author = null;
            context.RejectPrincipal();
            await http.SignOutAsync(IdentityConstants.ApplicationScheme);
            return;
        }

        scope.Author = new(id, person.Name);
        var chosen = context.Principal!.FindFirstValue(EstateClaim);
        var membership = person.Memberships.Find(m => m.EstateId.ToString() == chosen)
            ?? person.Memberships.FirstOrDefault();
        if (membership is null)
            return;
        scope.EstateId = membership.EstateId;
        // On the request only, never in the cookie: the role is as of now.
        context.Principal!.AddIdentity(new([new(ClaimTypes.Role, membership.Role.ToString())]));
    }

    public static Guid Id(ClaimsPrincipal principal) =>
        Guid.Parse(principal.FindFirstValue(ClaimTypes.NameIdentifier)!);

    /// <summary>The role in the estate at hand; null for someone who belongs to none.</summary>
    public static Role? RoleOf(ClaimsPrincipal principal) =>
        principal.FindFirstValue(ClaimTypes.Role) is { } role ? Enum.Parse<Role>(role) : null;
}
