using System.Security.Claims;
using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>Tokens of machines: made by a manager, shown once, kept as a hash, good until they are withdrawn.</summary>
internal sealed class MachineTokens(RamaContext database, EstateScope scope, TimeProvider clock)
{
    /// <summary>Most tokens of an estate.</summary>
    public const int MostOfEstate = 50;

    /// <summary>Claim with what a machine may do.</summary>
    public const string ScopeClaim = "rama.machine";

    // Programs that look for secrets in what people publish know them by it.
    private const string Mark = "rama_";

    /// <summary>A new token of an estate, as the machine shows it, and as it is kept.</summary>
    /// <param name="estate">The estate.</param>
    public static (string Text, byte[] Kept) New(Guid estate)
    {
        var (text, kept) = EstateSecret.New(estate);
        return (Mark + text, kept);
    }

    /// <summary>Whether it is a machine that asks.</summary>
    /// <param name="user">Who asks.</param>
    public static bool IsMachine(ClaimsPrincipal user) => user.HasClaim(c => c.Type == ScopeClaim);

    /// <summary>
    /// Finds a token and goes to work in its estate under its name; null for one that is not, or no longer, good.
    /// </summary>
    /// <param name="text">What the machine showed.</param>
    /// <param name="cancel">Ends it.</param>
    public async Task<MachineTokenRecord?> EnterAsync(string text, CancellationToken cancel)
    {
        if (
            !text.StartsWith(Mark, StringComparison.Ordinal) || EstateSecret.Read(text[Mark.Length..]) is not { } secret
        )
            return null;
        scope.EstateId = secret.Estate;
        var token = await database.MachineTokens.SingleOrDefaultAsync(t => t.Secret == secret.Kept, cancel);
        if (token is null || !await SeenAsync(token, cancel))
        {
            (scope.EstateId, scope.Author) = (default, null);
            return null;
        }
        scope.Author = new(token.Id, token.Name);
        return token;
    }

    // Marks that it was used; false where it is withdrawn at this moment.
    private async Task<bool> SeenAsync(MachineTokenRecord token, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        if (token.UsedAt is { } used && !Sessions.IsStale(used, now))
            return true;
        token.UsedAt = now;
        try
        {
            await database.SaveChangesAsync(cancel);
            return true;
        }
        catch (DbUpdateConcurrencyException)
        {
            database.ChangeTracker.Clear();
            return false;
        }
    }
}
