namespace Rama.Web.Accounts;

/// <summary>What a browser calls itself, short enough for a person to know their own devices by.</summary>
internal static class BrowserName
{
    // Most browsers name others too, for compatibility; the first of these that is named is the browser.
    private static readonly (string Sign, string Name)[] Browsers =
    [
        ("Edg/", "Edge"),
        ("OPR/", "Opera"),
        ("SamsungBrowser/", "Samsung Internet"),
        ("Firefox/", "Firefox"),
        ("FxiOS/", "Firefox"),
        ("CriOS/", "Chrome"),
        ("Chrome/", "Chrome"),
        ("Safari/", "Safari"),
    ];

    private static readonly (string Sign, string Name)[] Systems =
    [
        ("Android", "Android"),
        ("iPhone", "iPhone"),
        ("iPad", "iPad"),
        ("Windows", "Windows"),
        ("Mac OS X", "Mac"),
        ("CrOS", "Chrome OS"),
        ("Linux", "Linux"),
    ];

    /// <summary>Browser and system, such as <c>Firefox, Android</c>; empty where none is known.</summary>
    /// <param name="userAgent">The header.</param>
    public static string Of(string userAgent) =>
        string.Join(", ", new[] { First(Browsers, userAgent), First(Systems, userAgent) }.OfType<string>());

    private static string? First((string Sign, string Name)[] signs, string userAgent) =>
        signs.Where(s => userAgent.Contains(s.Sign, StringComparison.Ordinal)).Select(s => s.Name).FirstOrDefault();
}
