using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>A sign-in of one's own that goes on.</summary>
/// <param name="Id">The session.</param>
/// <param name="Browser">Browser and system, as it names itself; empty where it says nothing.</param>
/// <param name="BegunAt">When it began.</param>
/// <param name="SeenAt">When it was last used, to about ten minutes.</param>
/// <param name="IsThis">Whether it is the one that asks.</param>
public sealed record OwnSession(Guid Id, string Browser, DateTimeOffset BegunAt, DateTimeOffset SeenAt, bool IsThis);

/// <summary>
/// Sign-ins, kept in the database: whoever signs out, or ends one from elsewhere, makes its cookie worthless wherever
/// it lies.
/// </summary>
internal sealed class Sessions(
    RamaContext database,
    EstateScope scope,
    SignInManager<PersonRecord> signIn,
    IHttpContextAccessor http,
    TimeProvider clock
)
{
    /// <summary>Claim with the session of a cookie.</summary>
    public const string Claim = "rama.session";

    // A forgotten phone a year is more than anybody has; whoever signs in by program ends the oldest.
    private const int MostOfOne = 40;

    private static readonly TimeSpan Seldom = TimeSpan.FromMinutes(10);

    /// <summary>The session of a cookie; empty where it names none.</summary>
    public static Guid Of(ClaimsPrincipal principal) =>
        Guid.TryParse(principal.FindFirstValue(Claim), out var id) ? id : default;

    /// <summary>Whether a session was last marked as used so long ago that it is worth another mark.</summary>
    public static bool IsStale(DateTimeOffset seenAt, DateTimeOffset now) => now - seenAt > Seldom;

    /// <summary>Signs a person in, in the estate they were last at work in.</summary>
    /// <param name="person">Who has shown to be them.</param>
    /// <param name="cancel">Ends it.</param>
    /// <returns>The estate; empty for somebody who belongs to none.</returns>
    public async Task<Guid> BeginAsync(PersonRecord person, CancellationToken cancel)
    {
        // Whoever was signed in before, from here on it is this person.
        (scope.Author, scope.EstateId) = (new(person.Id, person.Name), default);
        var now = clock.GetUtcNow();
        var mine = await database.Sessions.Where(s => s.PersonId == person.Id).ToListAsync(cancel);
        database.RemoveRange(
            mine.OrderByDescending(s => s.SeenAt)
                .Where((s, place) => place >= MostOfOne - 1 || now - s.SeenAt > SessionRecord.Longest)
        );
        SessionRecord session = new()
        {
            PersonId = person.Id,
            BegunAt = now,
            SeenAt = now,
            Browser = BrowserName.Of(http.HttpContext!.Request.Headers.UserAgent.ToString()),
        };
        database.Add(session);
        await database.SaveChangesAsync(cancel);
        var estates = await database
            .Memberships.Where(m => m.PersonId == person.Id)
            .OrderBy(m => m.EstateId)
            .Select(m => m.EstateId)
            .ToListAsync(cancel);
        var estate = person.LastEstateId is { } last && estates.Contains(last) ? last : estates.FirstOrDefault();
        await CookieAsync(person, session.Id, estate);
        return estate;
    }

    /// <summary>Goes on in an estate; the caller has seen that the person belongs to it.</summary>
    /// <param name="person">The person signed in.</param>
    /// <param name="estate">The estate.</param>
    /// <param name="cancel">Ends it.</param>
    public async Task GoAsync(PersonRecord person, Guid estate, CancellationToken cancel)
    {
        person.LastEstateId = estate;
        await database.SaveChangesAsync(cancel);
        await CookieAsync(person, Of(http.HttpContext!.User), estate);
    }

    /// <summary>Gives the session at hand a new cookie, after what it stands on has changed.</summary>
    /// <param name="person">The person signed in.</param>
    public Task RenewAsync(PersonRecord person) =>
        CookieAsync(person, Of(http.HttpContext!.User), SignedInPerson.EstateOf(http.HttpContext.User));

    /// <summary>The person's sessions, the last used first.</summary>
    /// <param name="cancel">Ends it.</param>
    public async Task<IReadOnlyList<OwnSession>> ListAsync(CancellationToken cancel)
    {
        var user = http.HttpContext!.User;
        var (person, here) = (SignedInPerson.Id(user), Of(user));
        var oldest = clock.GetUtcNow() - SessionRecord.Longest;
        return await database
            .Sessions.AsNoTracking()
            .Where(s => s.PersonId == person && s.SeenAt > oldest)
            .OrderByDescending(s => s.SeenAt)
            .Select(s => new OwnSession(s.Id, s.Browser, s.BegunAt, s.SeenAt, s.Id == here))
            .ToListAsync(cancel);
    }

    /// <summary>Ends one of the person's sessions; nothing happens where it has ended already.</summary>
    /// <param name="id">The session.</param>
    /// <param name="cancel">Ends it.</param>
    public Task EndAsync(Guid id, CancellationToken cancel) => EndWhereAsync(s => s.Id == id, cancel);

    /// <summary>Ends all of the person's sessions but the one at hand.</summary>
    /// <param name="cancel">Ends it.</param>
    public Task EndOthersAsync(CancellationToken cancel)
    {
        var here = Of(http.HttpContext!.User);
        return EndWhereAsync(s => s.Id != here, cancel);
    }

    /// <summary>Signs out: ends the session at hand and takes the cookie back.</summary>
    /// <param name="cancel">Ends it.</param>
    public async Task EndThisAsync(CancellationToken cancel)
    {
        if (http.HttpContext!.User.Identity?.IsAuthenticated == true)
            await EndAsync(Of(http.HttpContext.User), cancel);
        await signIn.SignOutAsync();
    }

    private async Task EndWhereAsync(
        System.Linq.Expressions.Expression<Func<SessionRecord, bool>> which,
        CancellationToken cancel
    )
    {
        var person = SignedInPerson.Id(http.HttpContext!.User);
        database.RemoveRange(await database.Sessions.Where(s => s.PersonId == person).Where(which).ToListAsync(cancel));
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            // It was ended from two places at once.
        }
    }

    private Task CookieAsync(PersonRecord person, Guid session, Guid? estate) =>
        signIn.SignInWithClaimsAsync(
            person,
            isPersistent: true,
            [
                new(Claim, session.ToString()),
                .. estate is { } id && id != default
                    ? [new Claim(SignedInPerson.EstateClaim, id.ToString())]
                    : (Claim[])[],
            ]
        );
}
