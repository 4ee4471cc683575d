namespace Rama.Web.Hosting;

/// <summary>
/// Refuses what a page of another site asks to be changed. Browsers say where a request comes from in
/// <c>Sec-Fetch-Site</c>, older ones in <c>Origin</c> alone; programs say neither and hold no cookie by accident.
/// </summary>
/// <remarks>Source: W3C Fetch Metadata Request Headers; RFC 6454, section 7.</remarks>
internal static class OwnPages
{
    public static IApplicationBuilder UseOwnPagesOnly(this IApplicationBuilder app) =>
        app.Use(
            (http, next) =>
                IsReading(http.Request.Method) || IsOwn(http.Request)
                    ? next(http)
                    : TypedResults
                        .Problem(
                            statusCode: StatusCodes.Status403Forbidden,
                            title: "This was asked for by a page of another site."
                        )
                        .ExecuteAsync(http)
        );

    private static bool IsReading(string method) =>
        HttpMethods.IsGet(method) || HttpMethods.IsHead(method) || HttpMethods.IsOptions(method);

    private static bool IsOwn(HttpRequest request) =>
        request.Headers["Sec-Fetch-Site"].ToString() is { Length: > 0 } site
            ? site is "same-origin" or "none"
            : request.Headers.Origin.ToString() is not { Length: > 0 } origin || IsAt(origin, request);

    // "null" and whatever else is no address is foreign.
    private static bool IsAt(string origin, HttpRequest request) =>
        Uri.TryCreate(origin, UriKind.Absolute, out var from)
        && from.Scheme == request.Scheme
        && string.Equals(from.Authority, Authority(request), StringComparison.OrdinalIgnoreCase);

    private static string Authority(HttpRequest request) => new Uri($"{request.Scheme}://{request.Host}").Authority;
}
