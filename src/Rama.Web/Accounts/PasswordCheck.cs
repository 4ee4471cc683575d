using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using Rama.Core.Explain;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>
/// Whether a password is the right one, without telling by answer or time whether there is an account, or whether it
/// rests after too many wrong tries.
/// </summary>
internal sealed class PasswordCheck(
    UserManager<PersonRecord> people,
    SignInManager<PersonRecord> signIn,
    IPasswordHasher<PersonRecord> hasher
)
{
    // Hashing takes longer with length; nobody types more.
    private const int Longest = 200;

    /// <summary>Whoever the address and password belong to; null for a wrong one of them.</summary>
    /// <param name="entry">What was typed.</param>
    public async Task<PersonRecord?> PersonAsync(SignInEntry entry)
    {
        var person = await people.FindByEmailAsync(entry.Email ?? "");
        return await IsRightAsync(person, entry.Password ?? "") ? person : null;
    }

    /// <summary>Changes the password of the person signed in; every session that stands on the old one ends.</summary>
    /// <param name="user">The person.</param>
    /// <param name="entry">What was typed.</param>
    /// <exception cref="UnusableEntryException">Says which of the two cannot be used.</exception>
    public async Task<PersonRecord> ChangeAsync(ClaimsPrincipal user, PasswordEntry entry)
    {
        var person = (await people.GetUserAsync(user))!;
        // Counted as a sign-in is: whoever sits down at a page left open may not try on.
        if (!await IsRightAsync(person, entry.Current ?? ""))
            throw new UnusableEntryException([
                new(
                    "current",
                    "wrong",
                    "This is not your present password. After eight wrong tries an account rests for 15 minutes."
                ),
            ]);
        AccountProblems.ThrowIfRefused(await people.ChangePasswordAsync(person, entry.Current!, entry.Password ?? ""));
        return person;
    }

    private async Task<bool> IsRightAsync(PersonRecord? person, string password)
    {
        var result =
            person is null || password.Length > Longest
                ? SignInResult.NotAllowed
                : await signIn.CheckPasswordSignInAsync(person, password, lockoutOnFailure: true);
        // As much work where no password was compared.
        if (result.IsLockedOut || result.IsNotAllowed)
            hasher.HashPassword(new() { Name = "" }, password[..Math.Min(Longest, password.Length)]);
        return result.Succeeded;
    }
}
