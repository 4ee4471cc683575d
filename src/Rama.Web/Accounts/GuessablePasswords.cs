using Microsoft.AspNetCore.Identity;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>Refuses passwords that are guessed first: common ones, rows of keys, the person's own name.</summary>
/// <remarks>
/// The estimate is zxcvbn's (D. L. Wheeler, USENIX Security 2016): its lowest score stands for fewer than about a
/// million guesses.
/// </remarks>
internal sealed class GuessablePasswords : IPasswordValidator<PersonRecord>
{
    /// <summary>Code of the refusal.</summary>
    public const string Code = "PasswordGuessable";

    // The estimate takes longer than in proportion; whatever comes after is only a gain.
    private const int MostRead = 50;

    public Task<IdentityResult> ValidateAsync(UserManager<PersonRecord> manager, PersonRecord user, string? password)
    {
        var read = (password ?? "")[..Math.Min(MostRead, password?.Length ?? 0)];
        var estimate = Zxcvbn.Zxcvbn.MatchPassword(read, [user.Name, user.Email ?? "", "rama"]);
        return Task.FromResult(
            estimate.Score > 0
                ? IdentityResult.Success
                : IdentityResult.Failed(new IdentityError { Code = Code, Description = "Too easily guessed." })
        );
    }
}
