using Microsoft.AspNetCore.StaticFiles;
using Rama.Web.Accounts;

namespace Rama.Web.Hosting;

/// <summary>
/// Serves the built front end: hashed assets for good, the page itself fresh each time with its nonce.
/// </summary>
internal static class FrontEnd
{
    public static void UseFrontEndFiles(this WebApplication app) =>
        app.UseStaticFiles(new StaticFileOptions { OnPrepareResponse = Cache });

    public static void MapFrontEnd(this WebApplication app) =>
        app.MapGet("{*path:nonfile}", async (HttpContext http, IWebHostEnvironment host) =>
            {
                if (http.Request.Path.StartsWithSegments("/api"))
                    return Results.Problem(statusCode: 404, title: "There is no such address.");
                var page = host.WebRootFileProvider.GetFileInfo("app.html");
                if (!page.Exists)
                    return Results.Problem(statusCode: 503, title: "The front end is not built. Run ./rama start.");
                await using var stream = page.CreateReadStream();
                using var reader = new StreamReader(stream);
                http.Response.Headers.CacheControl = "no-store";
                return Results.Content(
                    (await reader.ReadToEndAsync())
                        .Replace("{{csp-nonce}}", SecurityHeaders.Nonce(http), StringComparison.Ordinal)
                        .Replace("<!-- asked ahead -->", AskedAhead(http.Request), StringComparison.Ordinal),
                    "text/html; charset=utf-8"
                );
            })
            .WithOrder(int.MaxValue)
            .ExcludeFromDescription();

    // What the page is sure to ask for is on its way before its scripts have run.
    private static string AskedAhead(HttpRequest request)
    {
        var showsSeason =
            request.Cookies.ContainsKey(AccountServices.CookieName)
            && request.Path == "/"
            && !request.QueryString.HasValue;
        string[] asked = showsSeason ? ["/api/v1/session", "/api/v1/season"] : ["/api/v1/session"];
        return string.Concat(
            asked.Select(a => $"""<link rel="preload" as="fetch" crossorigin="anonymous" href="{a}" />""")
        );
    }

    private static void Cache(StaticFileResponseContext context) =>
        context.Context.Response.Headers.CacheControl = context.Context.Request.Path.StartsWithSegments("/assets")
            ? "public, max-age=31536000, immutable"
            : "no-cache";
}
