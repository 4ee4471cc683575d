using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>
/// Links that let whoever holds one belong to an estate. The manager who makes one learns nothing of whether its holder
/// has an account, and the holder decides whether to take it up.
/// </summary>
internal sealed class Invitations(IServiceScopeFactory scopes, TimeProvider clock)
{
    /// <summary>Most invitations of an estate that are open at once.</summary>
    public const int MostOpen = 100;

    /// <summary>Says what a link offers; null for one that is not, or no longer, good.</summary>
    /// <param name="link">What the link carries.</param>
    /// <param name="cancel">Ends it.</param>
    public Task<OfferView?> ReadAsync(string? link, CancellationToken cancel) =>
        WithAsync(
            link,
            null,
            async (services, invitation) =>
            {
                var database = services.GetRequiredService<RamaContext>();
                var estate = await database.Estates.SingleAsync(e => e.Id == invitation.EstateId, cancel);
                return new OfferView(estate.Name, invitation.Role, invitation.InvitedBy, invitation.ExpiresAt);
            },
            cancel
        );

    /// <summary>Takes an invitation up for a person with an account.</summary>
    /// <returns>The estate they belong to from now on; null for a link that is not, or no longer, good.</returns>
    /// <param name="link">What the link carries.</param>
    /// <param name="person">The person signed in.</param>
    /// <param name="cancel">Ends it.</param>
    public async Task<Guid?> AcceptAsync(string? link, Author person, CancellationToken cancel) =>
        (
            await WithAsync(
                link,
                person,
                async (services, invitation) =>
                {
                    var database = services.GetRequiredService<RamaContext>();
                    // Who belongs to the estate already, stays as they are.
                    if (
                        !await database.Memberships.AnyAsync(
                            m => m.EstateId == invitation.EstateId && m.PersonId == person.PersonId,
                            cancel
                        )
                    )
                        Join(database, invitation, person.PersonId);
                    database.Remove(invitation);
                    await database.SaveChangesAsync(cancel);
                    return new Joined(invitation.EstateId, null);
                },
                cancel
            )
        )?.Estate;

    /// <summary>Makes an account and takes the invitation up for it; both or neither.</summary>
    /// <returns>The person; null for a link that is not, or no longer, good.</returns>
    /// <param name="link">What the link carries.</param>
    /// <param name="person">The account to make.</param>
    /// <param name="password">Its password.</param>
    /// <param name="cancel">Ends it.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public async Task<PersonRecord?> AcceptAsync(
        string? link,
        PersonRecord person,
        string password,
        CancellationToken cancel
    ) =>
        (
            await WithAsync(
                link,
                new(person.Id, person.Name),
                async (services, invitation) =>
                {
                    var database = services.GetRequiredService<RamaContext>();
                    await using var transaction = await database.Database.BeginTransactionAsync(cancel);
                    person.LastEstateId = invitation.EstateId;
                    AccountProblems.ThrowIfRefused(
                        await services.GetRequiredService<UserManager<PersonRecord>>().CreateAsync(person, password)
                    );
                    Join(database, invitation, person.Id);
                    database.Remove(invitation);
                    await database.SaveChangesAsync(cancel);
                    await transaction.CommitAsync(cancel);
                    return new Joined(invitation.EstateId, person);
                },
                cancel
            )
        )?.Person;

    private static void Join(RamaContext database, InvitationRecord invitation, Guid person) =>
        database.Add(
            new MembershipRecord
            {
                EstateId = invitation.EstateId,
                PersonId = person,
                Role = invitation.Role,
            }
        );

    // In a scope of its own: the one of the request stays with the estate the person is at work in.
    private async Task<T?> WithAsync<T>(
        string? link,
        Author? person,
        Func<IServiceProvider, InvitationRecord, Task<T>> work,
        CancellationToken cancel
    )
        where T : class
    {
        if (EstateSecret.Read(link) is not { } secret)
            return null;
        await using var inner = scopes.CreateAsyncScope();
        var scope = inner.ServiceProvider.GetRequiredService<EstateScope>();
        scope.EstateId = secret.Estate;
        scope.Author = person;
        var (kept, now) = (secret.Kept, clock.GetUtcNow());
        var database = inner.ServiceProvider.GetRequiredService<RamaContext>();
        if (
            await database.Invitations.SingleOrDefaultAsync(i => i.Secret == kept && i.ExpiresAt > now, cancel)
            is not { } invitation
        )
            return null;
        try
        {
            return await work(inner.ServiceProvider, invitation);
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            // Taken up, or withdrawn, at this moment by somebody else.
            return null;
        }
    }

    private sealed record Joined(Guid Estate, PersonRecord? Person);
}
