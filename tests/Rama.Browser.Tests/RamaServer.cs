using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>The real application on a port of its own, with the built front end and the demo estate.</summary>
public class RamaServer : RamaApplication
{
    public Uri Address => ClientOptions.BaseAddress;

    public override async ValueTask InitializeAsync()
    {
        UseKestrel(0);
        StartServer();
        await base.InitializeAsync();
    }
}
