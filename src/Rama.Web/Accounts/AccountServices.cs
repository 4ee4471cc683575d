using System.Globalization;
using System.Threading.RateLimiting;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.RateLimiting;
using Rama.Data.Database;
using Rama.Data.People;

namespace Rama.Web.Accounts;

/// <summary>Accounts: cookie sign-in, lock-out, limits on trying, and the keys of it all in the database.</summary>
internal static class AccountServices
{
    /// <summary>Name of the limit on tries to sign in.</summary>
    public const string TriesLimit = "tries";

    /// <summary>Name of the cookie of whoever is signed in.</summary>
    public const string CookieName = "rama";

    // A person's cookie or a machine's token, never both.
    private const string AnyScheme = "rama";

    public static IServiceCollection AddRamaAccounts(this IServiceCollection services, IConfiguration configuration)
    {
        services
            .AddAuthentication(AnyScheme)
            .AddPolicyScheme(AnyScheme, null, either =>
                either.ForwardDefaultSelector = http =>
                    MachineSignIn.IsShownBy(http.Request)
                        ? MachineSignIn.SchemeName
                        : IdentityConstants.ApplicationScheme
            )
            .AddScheme<AuthenticationSchemeOptions, MachineSignIn>(MachineSignIn.SchemeName, null)
            .AddIdentityCookies();
        services
            .AddIdentityCore<PersonRecord>(Rules)
            .AddEntityFrameworkStores<RamaContext>()
            .AddPasswordValidator<GuessablePasswords>()
            .AddSignInManager();
        services.Configure<CookieAuthenticationOptions>(IdentityConstants.ApplicationScheme, Cookie);
        services.AddDataProtection().SetApplicationName("Rama").PersistKeysToDbContext<RamaContext>();
        services.AddAuthorization(Permissions.Define);
        services
            .AddScoped<FirstManager>()
            .AddScoped<PasswordCheck>()
            .AddScoped<Sessions>()
            .AddScoped<MachineTokens>()
            .AddSingleton<Invitations>();
        services.AddRateLimiter(limits =>
        {
            limits.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            limits.OnRejected = Rejected;
            var tries = configuration.GetValue("SignIn:TriesPerMinute", 20);
            limits.AddPolicy(TriesLimit, http =>
                RateLimitPartition.GetFixedWindowLimiter(http.Connection.RemoteIpAddress?.ToString() ?? "", _ =>
                    new() { PermitLimit = tries, Window = TimeSpan.FromMinutes(1) }
                )
            );
        });
        return services;
    }

    /// <summary>What the account library asks of passwords and tries.</summary>
    public static void Rules(IdentityOptions identity)
    {
        identity.User.RequireUniqueEmail = true;
        // A long password is worth more than a mixed one.
        identity.Password = new()
        {
            RequiredLength = 10,
            RequiredUniqueChars = 4,
            RequireDigit = false,
            RequireLowercase = false,
            RequireUppercase = false,
            RequireNonAlphanumeric = false,
        };
        identity.Lockout = new()
        {
            MaxFailedAccessAttempts = 8,
            DefaultLockoutTimeSpan = TimeSpan.FromMinutes(15),
            AllowedForNewUsers = true,
        };
    }

    private static void Cookie(CookieAuthenticationOptions cookie)
    {
        cookie.Cookie.Name = CookieName;
        cookie.Cookie.HttpOnly = true;
        // No other site's page can send it along, so that forged requests come without it.
        cookie.Cookie.SameSite = SameSiteMode.Strict;
        cookie.ExpireTimeSpan = SessionRecord.Longest;
        cookie.SlidingExpiration = true;
        cookie.Events.OnValidatePrincipal = SignedInPerson.ValidateAsync;
        // An API answers with a status, not with a page to go to.
        cookie.Events.OnRedirectToLogin = context =>
            Answer(context, StatusCodes.Status401Unauthorized, "Please sign in.");
        cookie.Events.OnRedirectToAccessDenied = context =>
            Answer(context, StatusCodes.Status403Forbidden, "Your role in this estate does not allow this.");
    }

    private static Task Answer(RedirectContext<CookieAuthenticationOptions> context, int status, string title)
    {
        context.Response.StatusCode = status;
        return TypedResults.Problem(statusCode: status, title: title).ExecuteAsync(context.HttpContext);
    }

    private static async ValueTask Rejected(OnRejectedContext context, CancellationToken cancel)
    {
        if (context.Lease.TryGetMetadata(MetadataName.RetryAfter, out var wait))
            context.HttpContext.Response.Headers.RetryAfter = Math.Ceiling(wait.TotalSeconds)
                .ToString(CultureInfo.InvariantCulture);
        await TypedResults
            .Problem(
                statusCode: StatusCodes.Status429TooManyRequests,
                title: "Too many tries. Wait a minute and try again."
            )
            .ExecuteAsync(context.HttpContext);
    }
}
