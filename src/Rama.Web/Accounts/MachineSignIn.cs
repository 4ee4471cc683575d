using System.Security.Claims;
using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authorization;
using Microsoft.Extensions.Options;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>
/// Takes a machine's token from <c>Authorization: Bearer</c>. Whoever shows one is that machine and nobody else, be
/// there a person's cookie or not.
/// </summary>
/// <remarks>Source: RFC 6750, section 2.1.</remarks>
internal sealed class MachineSignIn(
    IOptionsMonitor<AuthenticationSchemeOptions> options,
    ILoggerFactory logger,
    UrlEncoder encoder,
    MachineTokens tokens
) : AuthenticationHandler<AuthenticationSchemeOptions>(options, logger, encoder)
{
    /// <summary>Name of the scheme.</summary>
    public const string SchemeName = "machine";

    private const string Bearer = "Bearer ";

    /// <summary>Whether a request shows a token.</summary>
    /// <param name="request">The request.</param>
    public static bool IsShownBy(HttpRequest request) =>
        request.Headers.Authorization.ToString().StartsWith(Bearer, StringComparison.OrdinalIgnoreCase);

    protected override async Task<AuthenticateResult> HandleAuthenticateAsync()
    {
        // What is open to anyone is answered as to anyone.
        if (Context.GetEndpoint()?.Metadata.GetMetadata<IAuthorizeData>() is null)
            return AuthenticateResult.NoResult();
        var text = Request.Headers.Authorization.ToString()[Bearer.Length..].Trim();
        if (await tokens.EnterAsync(text, Context.RequestAborted) is not { } token)
            return AuthenticateResult.Fail("no such token");
        List<Claim> claims =
        [
            new(ClaimTypes.NameIdentifier, token.Id.ToString()),
            new(MachineTokens.ScopeClaim, token.Scope.ToString()),
        ];
        // Some reading is asked for by POST, but not by one who only fetches.
        if (token.Scope == MachineScope.Read && HttpMethods.IsGet(Request.Method))
            claims.Add(new(ClaimTypes.Role, nameof(Role.Reader)));
        return AuthenticateResult.Success(new(new(new ClaimsIdentity(claims, SchemeName)), SchemeName));
    }

    protected override Task HandleChallengeAsync(AuthenticationProperties properties)
    {
        Response.Headers.WWWAuthenticate = "Bearer";
        return Answer(StatusCodes.Status401Unauthorized, "This token is not, or no longer, good.");
    }

    protected override Task HandleForbiddenAsync(AuthenticationProperties properties) =>
        Answer(StatusCodes.Status403Forbidden, "This token is not for this.");

    private Task Answer(int status, string title)
    {
        Response.StatusCode = status;
        return TypedResults.Problem(statusCode: status, title: title).ExecuteAsync(Context);
    }
}
