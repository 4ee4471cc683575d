namespace Rama.Web.Hosting;

/// <summary>
/// Refuses an address with a NUL in it: no name here holds one, and the database refuses it only after everything else
/// was done.
/// </summary>
internal static class ReadableAddress
{
    public static IApplicationBuilder UseReadableAddressesOnly(this IApplicationBuilder app) =>
        app.Use(
            (http, next) =>
                HasNul(http.Request)
                    ? TypedResults
                        .Problem(statusCode: StatusCodes.Status400BadRequest, title: "This address cannot be read.")
                        .ExecuteAsync(http)
                    : next(http)
        );

    private static bool HasNul(HttpRequest request) =>
        request.Path.Value!.Contains('\0', StringComparison.Ordinal)
        || request.QueryString.Value!.Contains("%00", StringComparison.Ordinal);
}
