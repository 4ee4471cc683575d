using System.Security.Cryptography;
using Microsoft.AspNetCore.WebUtilities;

namespace Rama.Web.Accounts;

/// <summary>
/// A secret that opens something of one estate to whoever holds it: it names the estate, so that it can be looked up
/// behind row-level security, and is kept as its SHA-256.
/// </summary>
/// <param name="Estate">The estate.</param>
/// <param name="Kept">What is kept of it.</param>
internal readonly record struct EstateSecret(Guid Estate, byte[] Kept)
{
    private const int SecretBytes = 24,
        EstateBytes = 16,
        LongestText = 100;

    /// <summary>A new one of an estate, as it is handed over, and as it is kept.</summary>
    /// <param name="estate">The estate.</param>
    public static (string Text, byte[] Kept) New(Guid estate)
    {
        byte[] secret = [.. estate.ToByteArray(), .. RandomNumberGenerator.GetBytes(SecretBytes)];
        return (WebEncoders.Base64UrlEncode(secret), SHA256.HashData(secret));
    }

    /// <summary>Reads what was handed over; null for what cannot be one.</summary>
    /// <param name="text">What was handed over.</param>
    public static EstateSecret? Read(string? text)
    {
        try
        {
            return
                text is { Length: < LongestText }
                && WebEncoders.Base64UrlDecode(text) is { Length: EstateBytes + SecretBytes } secret
                ? new(new(secret.AsSpan(0, EstateBytes)), SHA256.HashData(secret))
                : null;
        }
        catch (FormatException)
        {
            return null;
        }
    }
}
