using System.Security.Cryptography;

namespace Rama.Web.Hosting;

/// <summary>Headers that keep the page to its own scripts, styles and data.</summary>
internal static class SecurityHeaders
{
    /// <summary>Where a trunk caliper on the same device tells its readings.</summary>
    private const string Caliper = "http://127.0.0.1:5077";

    private const string NonceKey = "rama.csp-nonce";

    /// <summary>The nonce of this answer, for the one page that carries styles made at run time.</summary>
    public static string Nonce(HttpContext http) => (string)http.Items[NonceKey]!;

    public static IApplicationBuilder UseSecurityHeaders(this IApplicationBuilder app) =>
        app.Use(
            (http, next) =>
            {
                var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(18));
                http.Items[NonceKey] = nonce;
                var headers = http.Response.Headers;
                // style-src-attr: drawings and the component library place things with style attributes.
                headers.ContentSecurityPolicy =
                    $"default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; style-src-attr "
                    + "'unsafe-inline'; "
                    +
                    // blob: a photograph shown before it is sent. The loopback address: a trunk caliper plugged into
                    // this device.
                    $"img-src 'self' data: blob:; font-src 'self'; connect-src 'self' {Caliper}; worker-src "
                    + "'self'; manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
                headers.XContentTypeOptions = "nosniff";
                headers["Referrer-Policy"] = "same-origin";
                headers["Cross-Origin-Opener-Policy"] = "same-origin";
                return next(http);
            }
        );
}
