using System.Net;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.AspNetCore.HttpOverrides;

namespace Rama.Web.Hosting;

/// <summary>
/// A reverse proxy in front, as the settings name it. <c>Rama:Proxy</c> holds the addresses or networks it comes from
/// and <c>Rama:Hosts</c> the names people reach it under, each apart by commas. What any other sender says of whom it
/// forwards for is not believed.
/// </summary>
internal static class ReverseProxy
{
    /// <summary>Reads the settings.</summary>
    /// <exception cref="FormatException">One of the addresses is none.</exception>
    public static IServiceCollection AddReverseProxy(this IServiceCollection services, IConfiguration configuration)
    {
        var proxies = Listed(configuration["Rama:Proxy"]);
        var hosts = Listed(configuration["Rama:Hosts"]);
        services.Configure<ForwardedHeadersOptions>(forwarded =>
        {
            // Of what the proxy adds only the last entry is its own; the ones before are the sender's word.
            forwarded.ForwardLimit = 1;
            forwarded.KnownProxies.Clear();
            forwarded.KnownIPNetworks.Clear();
            foreach (var proxy in proxies)
                if (proxy.Contains('/', StringComparison.Ordinal))
                    forwarded.KnownIPNetworks.Add(System.Net.IPNetwork.Parse(proxy));
                else
                    forwarded.KnownProxies.Add(IPAddress.Parse(proxy));
            // With an empty list the middleware would believe everybody.
            forwarded.ForwardedHeaders =
                proxies.Length == 0
                    ? ForwardedHeaders.None
                    : ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto;
        });
        services.PostConfigure<HostFilteringOptions>(filter =>
            filter.AllowedHosts = [.. filter.AllowedHosts, .. hosts]
        );
        // A year, as browsers ask of a site that means it.
        services.AddHsts(hsts => hsts.MaxAge = TimeSpan.FromDays(365));
        return services;
    }

    private static string[] Listed(string? setting) =>
        (setting ?? "").Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
}
