using Microsoft.AspNetCore.Identity;
using Rama.Core.Explain;
using Rama.Data.Estate;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>What a person signs in with.</summary>
public sealed record SignInEntry
{
    /// <summary>E-mail address of the account.</summary>
    public string? Email { get; init; }

    /// <summary>Password of the account.</summary>
    public string? Password { get; init; }
}

/// <summary>A person to give an account.</summary>
public record PersonEntry
{
    /// <summary>Name shown to others, such as <c>Counter 2</c>.</summary>
    public string? Name { get; init; }

    /// <summary>E-mail address, the name to sign in with.</summary>
    public string? Email { get; init; }

    internal PersonRecord Read()
    {
        var reader = new EntryReader();
        var name = reader.Text("name", "Name", Name, 100);
        var email = reader.Text("email", "E-mail", Email, 200);
        if (email.Length > 0 && !System.Net.Mail.MailAddress.TryCreate(email, out _))
            reader.Add("email", "email", "E-mail: expected an address such as anna@example.org.");
        reader.ThrowIfAny();
        return new()
        {
            Name = name,
            Email = email,
            UserName = email,
        };
    }
}

/// <summary>A new estate.</summary>
public record NewEstateEntry
{
    /// <summary>Name of the estate.</summary>
    public string? Estate { get; init; }

    /// <summary>Calendar year of the harvest being planned for.</summary>
    public double? Season { get; init; }

    internal EstateRecord ReadEstate()
    {
        var reader = new EntryReader();
        var name = reader.Text("estate", "Estate", Estate, 100);
        var season = reader.RequiredWhole("season", "Season", Season, "", 1950, 2200);
        reader.ThrowIfAny();
        return new() { Name = name, Season = (int)season };
    }
}

/// <summary>The first estate and manager of an empty installation.</summary>
public sealed record FirstManagerEntry : NewEstateEntry
{
    /// <summary>Code printed at the start of the empty installation.</summary>
    public string? Code { get; init; }

    /// <summary>Name shown to others.</summary>
    public string? Name { get; init; }

    /// <summary>E-mail address to sign in with.</summary>
    public string? Email { get; init; }

    /// <summary>Password, at least ten characters.</summary>
    public string? Password { get; init; }

    internal PersonEntry Person => new() { Name = Name, Email = Email };
}

/// <summary>Why the account library refused, told at the field.</summary>
internal static class AccountProblems
{
    public static void ThrowIfRefused(IdentityResult result, string passwordField = "password")
    {
        if (result.Succeeded)
            return;
        throw new UnusableEntryException([
            .. result
                .Errors.Select(e =>
                    e.Code switch
                    {
                        "DuplicateEmail" or "DuplicateUserName" => new FieldProblem(
                            "email",
                            "taken",
                            "E-mail: there is an account with this address already."
                        ),
                        "InvalidEmail" or "InvalidUserName" => new(
                            "email",
                            "email",
                            "E-mail: expected an address such as anna@example.org."
                        ),
                        GuessablePasswords.Code => new(
                            passwordField,
                            "guessable",
                            "Password: this one is tried first by whoever guesses. Take several words."
                        ),
                        _ => new(
                            passwordField,
                            "password",
                            "Password: expected at least 10 characters, 4 of them different."
                        ),
                    }
                )
                .DistinctBy(p => p.Field),
        ]);
    }
}
